#pragma once
// A cutting machine that is not there: it takes plotter language, cuts it stroke by stroke, and knows after
// every stop how far it is. Millimetres from the upper left corner of its mat, seconds of the machine's own
// time.
//
// What has been cut is written down as it is cut, in a journal of lines that is only added to, so that a
// machine that is switched off in the middle goes on where it was. What a fault has spoiled, a blade that no
// longer cuts through or paper that has slipped, is written down as well and is cut again.

#include "core/build/blade_path.h"
#include "core/build/materials.h"
#include "core/result.h"

#include <string>
#include <string_view>
#include <vector>

namespace zesty {

/// One contour as the machine cuts it.
struct CutterContour {
    std::vector<Stroke> strokes;
    double length = 0; ///< with the blade down
    double travel = 0; ///< to its start, with the blade up
};

/// Plotter language on a mat; comments and pens other than 1 are not cut. An error says what is outside the
/// mat or not understood, and where.
Result<std::vector<CutterContour>> contours_of_hpgl(std::string_view text, double mat_width,
                                                    double mat_height);

/// What a stretch of time has cut of a contour: from so many mm of it to so many.
struct CutStretch {
    int contour = 0;
    double from = 0;
    double to = 0;
    bool operator==(const CutStretch&) const = default;
};

enum class CutterFault { None, NotLoaded, BladeWorn, Slipped, ConnectionLost };
template <>
inline constexpr std::array words_of<CutterFault>{"none", "mat-not-loaded", "blade-worn", "material-slipped",
                                                  "connection-lost"};

/// A line of the journal.
struct CutterRecord {
    enum class Kind { Cut, Spoiled };
    Kind kind = Kind::Cut;
    CutStretch stretch; ///< of what is spoiled, only the contour counts
};
std::string line_of(const CutterRecord& record);
/// Skips what is damaged, as the end of a journal is when the power went while it was written.
std::vector<CutterRecord> records_of(std::string_view journal);

class Cutter {
public:
    enum class State { Empty, Loaded, Cutting, Paused, Stopped, Finished };

    /// A job, and what its journal says has been cut of it.
    void load(std::vector<CutterContour> contours, const Material& material,
              const std::vector<CutterRecord>& journal);
    void unload();
    /// Begins, or goes on after a pause or a fault that has been mended. False where there is nothing to do.
    bool cut();
    void pause();

    /// A fault that happens once so many mm have been cut from now on; of NotLoaded, at the next cut().
    void will_fail(CutterFault what, double after_mm);
    /// Somebody has seen to it: loaded the mat, changed the blade, laid new paper.
    void mend() { fault_ = CutterFault::None; }

    /// Goes on for so long; what that has cut or spoiled, to be written down before anybody hears of it.
    std::vector<CutterRecord> advance(double seconds);

    State state() const { return state_; }
    CutterFault fault() const { return fault_; }
    std::size_t contours() const { return contours_.size(); }
    std::size_t contours_done() const;
    int contour() const { return at_; }       ///< being cut; that behind the last when all is done
    double within() const { return within_; } ///< mm of it
    double seconds_left() const;
    std::vector<double> done() const; ///< mm by contour
    const std::vector<CutterContour>& path() const { return contours_; }

private:
    double seconds_of(const CutterContour& c) const;
    void go_to_next();
    void stop(CutterFault what, std::vector<CutterRecord>& records);

    std::vector<CutterContour> contours_;
    std::vector<double> done_; ///< mm by contour
    Material material_ = usual_materials[2];
    State state_ = State::Empty;
    CutterFault fault_ = CutterFault::None;
    CutterFault coming_ = CutterFault::None;
    double coming_after_ = 0; ///< mm
    int at_ = 0;
    double within_ = 0;
    double travelled_ = 0; ///< seconds already spent on the way to the contour
};

} // namespace zesty

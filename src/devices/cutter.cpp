#include "devices/cutter.h"

#include <algorithm>
#include <charconv>
#include <cmath>
#include <cstdio>

namespace zesty {

namespace {

constexpr double units_per_mm = 40;
constexpr double travel_speed = 120; ///< mm a second with the blade up
constexpr double lift = 0.2;         ///< seconds to set the blade down
constexpr double hair = 1e-6;
constexpr double outside_from = 0.02; ///< mm: rounding of plotter units is less
constexpr std::size_t most_points = 4'000'000;

/// Reads the commands one after the other.
class PlotterReader {
public:
    PlotterReader(std::string_view text, double width, double height)
        : text_(text), width_(width), height_(height) {}

    Result<std::vector<CutterContour>> read() {
        while (skip_separators(), at_ < text_.size()) {
            if (at_ + 1 >= text_.size()) return complain("an instruction is cut off");
            const std::string_view name = text_.substr(at_, 2);
            at_ += 2;
            if (name == "CO") {
                comment();
            } else if (name == "IN" || name == "PA") {
                skip_to_end();
            } else if (name == "SP") {
                pen_ = static_cast<int>(number().value_or(0));
                down_ = false;
            } else if (name == "PU" || name == "PD") {
                if (auto r = move(name == "PD"); !r) return tl::make_unexpected(r.error());
            } else {
                return complain("'" + std::string(name) + "' is not an instruction the machine knows");
            }
        }
        close_contour();
        if (out_.empty()) return fail(ErrorKind::NothingToDo, "the job holds nothing to cut");
        return std::move(out_);
    }

private:
    void skip_separators() {
        while (at_ < text_.size() &&
               (text_[at_] == ';' || std::isspace(static_cast<unsigned char>(text_[at_]))))
            ++at_;
    }
    void skip_to_end() {
        while (at_ < text_.size() && text_[at_] != ';') ++at_;
    }
    /// Each comment that says "contour" begins one; others are passed over.
    void comment() {
        const std::size_t from = at_;
        skip_to_end();
        if (text_.substr(from, at_ - from).find("contour") == std::string_view::npos) return;
        close_contour();
        named_ = true;
    }
    std::optional<double> number() {
        while (at_ < text_.size() && (text_[at_] == ',' || text_[at_] == ' ')) ++at_;
        double value = 0;
        const auto [end, error] = std::from_chars(text_.data() + at_, text_.data() + text_.size(), value);
        if (error != std::errc{}) return std::nullopt;
        at_ = static_cast<std::size_t>(end - text_.data());
        return value;
    }
    Result<void> move(bool down) {
        if (!down) down_ = false;
        while (const auto x = number()) {
            const auto y = number();
            if (!y) return complain_void("a point has only one number");
            const Point p{*x / units_per_mm, height_ - *y / units_per_mm};
            if (!std::isfinite(p.x) || !std::isfinite(p.y) || p.x < -outside_from || p.y < -outside_from ||
                p.x > width_ + outside_from || p.y > height_ + outside_from)
                return complain_void("contour " + std::to_string(out_.size() + 1) +
                                     " lies outside the cutting mat");
            if (++points_ > most_points) return fail(ErrorKind::TooLarge, "the job has too many points");
            down ? draw_to(p) : lift_to(p);
        }
        if (down) down_ = true;
        return {};
    }
    void lift_to(Point p) {
        if (!named_) close_contour(); // without comments each stroke is a contour
        at_point_ = p;
        down_ = false;
    }
    void draw_to(Point p) {
        if (pen_ == 1) {
            if (!down_) open_.strokes.push_back({at_point_});
            open_.strokes.back().push_back(p);
        }
        at_point_ = p;
        down_ = true;
    }
    void close_contour() {
        named_ = false;
        down_ = false;
        std::erase_if(open_.strokes, [](const Stroke& s) { return s.size() < 2; });
        if (open_.strokes.empty()) return;
        open_.travel = distance(last_, open_.strokes.front().front());
        for (const Stroke& s : open_.strokes)
            for (std::size_t i = 1; i < s.size(); ++i) open_.length += distance(s[i - 1], s[i]);
        last_ = open_.strokes.back().back();
        if (open_.length > 0) out_.push_back(std::move(open_));
        open_ = {};
    }
    tl::unexpected<Error> complain(const std::string& what) const {
        return fail(ErrorKind::BadInput, "refused: " + what + " (byte " + std::to_string(at_) + ")");
    }
    Result<void> complain_void(const std::string& what) const { return complain(what); }

    std::string_view text_;
    double width_, height_;
    std::size_t at_ = 0, points_ = 0;
    int pen_ = 0;
    bool down_ = false, named_ = false;
    Point at_point_, last_;
    CutterContour open_;
    std::vector<CutterContour> out_;
};

} // namespace

Result<std::vector<CutterContour>> contours_of_hpgl(std::string_view text, double mat_width,
                                                    double mat_height) {
    return PlotterReader(text, mat_width, mat_height).read();
}

std::string line_of(const CutterRecord& record) {
    char line[96];
    const int length = record.kind == CutterRecord::Kind::Cut
                           ? std::snprintf(line, sizeof line, "cut %d %.6f %.6f .\n", record.stretch.contour,
                                           record.stretch.from, record.stretch.to)
                           : std::snprintf(line, sizeof line, "spoiled %d .\n", record.stretch.contour);
    return {line, static_cast<std::size_t>(length)};
}

std::vector<CutterRecord> records_of(std::string_view journal) {
    std::vector<CutterRecord> out;
    while (!journal.empty()) {
        const std::size_t end = journal.find('\n');
        if (end == std::string_view::npos) break; // the power went here
        const std::string line(journal.substr(0, end));
        journal.remove_prefix(end + 1);
        CutterRecord r;
        char stop = 0;
        if (std::sscanf(line.c_str(), "cut %d %lf %lf %c", &r.stretch.contour, &r.stretch.from, &r.stretch.to,
                        &stop) == 4 &&
            stop == '.') {
            out.push_back(r);
        } else if (std::sscanf(line.c_str(), "spoiled %d %c", &r.stretch.contour, &stop) == 2 &&
                   stop == '.') {
            r.kind = CutterRecord::Kind::Spoiled;
            out.push_back(r);
        }
    }
    return out;
}

void Cutter::load(std::vector<CutterContour> contours, const Material& material,
                  const std::vector<CutterRecord>& journal) {
    contours_ = std::move(contours);
    material_ = material;
    done_.assign(contours_.size(), 0);
    for (const CutterRecord& r : journal) {
        const auto c = static_cast<std::size_t>(r.stretch.contour);
        if (r.stretch.contour < 0 || c >= contours_.size()) continue;
        if (r.kind == CutterRecord::Kind::Spoiled)
            done_[c] = 0;
        else if (std::abs(r.stretch.from - done_[c]) < 1e-3)
            done_[c] = std::clamp(r.stretch.to, 0.0, contours_[c].length);
    }
    go_to_next();
    state_ = at_ == static_cast<int>(contours_.size()) ? State::Finished : State::Loaded;
}

void Cutter::unload() {
    contours_.clear();
    done_.clear();
    state_ = State::Empty;
    at_ = 0;
    within_ = 0;
}

/// The first contour that is not cut through.
void Cutter::go_to_next() {
    at_ = 0;
    while (at_ < static_cast<int>(contours_.size()) &&
           done_[static_cast<std::size_t>(at_)] >= contours_[static_cast<std::size_t>(at_)].length - hair)
        ++at_;
    within_ = at_ < static_cast<int>(contours_.size()) ? done_[static_cast<std::size_t>(at_)] : 0;
    travelled_ = 0;
}

bool Cutter::cut() {
    if (state_ == State::Empty || state_ == State::Finished) return false;
    if (coming_ == CutterFault::NotLoaded) {
        coming_ = CutterFault::None;
        fault_ = CutterFault::NotLoaded;
        state_ = State::Stopped;
        return false;
    }
    if (fault_ != CutterFault::None) return false;
    state_ = State::Cutting;
    return true;
}

void Cutter::pause() {
    if (state_ == State::Cutting) state_ = State::Paused;
}

void Cutter::will_fail(CutterFault what, double after_mm) {
    coming_ = what;
    coming_after_ = after_mm;
}

void Cutter::stop(CutterFault what, std::vector<CutterRecord>& records) {
    coming_ = CutterFault::None;
    fault_ = what;
    state_ = State::Stopped;
    if (what == CutterFault::BladeWorn || what == CutterFault::Slipped) {
        // Not cut through, or on paper that has moved: the contour is cut again from its beginning.
        done_[static_cast<std::size_t>(at_)] = 0;
        records.push_back({CutterRecord::Kind::Spoiled, {at_, 0, 0}});
        go_to_next();
    }
}

std::vector<CutterRecord> Cutter::advance(double seconds) {
    std::vector<CutterRecord> out;
    while (state_ == State::Cutting && seconds > hair) {
        const auto c = static_cast<std::size_t>(at_);
        const CutterContour& contour = contours_[c];
        const double way = contour.travel / travel_speed + lift * static_cast<double>(contour.strokes.size());
        if (travelled_ < way) {
            const double now = std::min(seconds, way - travelled_);
            travelled_ += now;
            seconds -= now;
            if (travelled_ < way - hair) break;
        }
        double mm = std::min(seconds * material_.speed, contour.length - within_);
        const bool fails = coming_ != CutterFault::None && coming_after_ <= mm;
        if (fails) mm = std::max(0.0, coming_after_);
        if (mm > 0) {
            const CutStretch stretch{at_, within_, within_ + mm};
            out.push_back({CutterRecord::Kind::Cut, stretch});
            within_ = done_[c] = stretch.to;
            seconds -= mm / material_.speed;
            coming_after_ -= mm;
        }
        if (fails) {
            stop(coming_, out);
            break;
        }
        if (within_ >= contour.length - hair) {
            done_[c] = contour.length;
            go_to_next();
            if (at_ == static_cast<int>(contours_.size())) state_ = State::Finished;
        }
    }
    return out;
}

std::size_t Cutter::contours_done() const {
    std::size_t out = 0;
    for (std::size_t c = 0; c < contours_.size(); ++c)
        if (done_[c] >= contours_[c].length - hair) ++out;
    return out;
}

double Cutter::seconds_of(const CutterContour& c) const {
    return c.travel / travel_speed + lift * static_cast<double>(c.strokes.size()) +
           c.length / material_.speed;
}

double Cutter::seconds_left() const {
    double out = 0;
    for (std::size_t c = 0; c < contours_.size(); ++c)
        if (done_[c] < contours_[c].length - hair)
            out += seconds_of(contours_[c]) - done_[c] / material_.speed;
    return out;
}

std::vector<double> Cutter::done() const {
    return done_;
}

} // namespace zesty

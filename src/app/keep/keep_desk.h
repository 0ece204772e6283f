#pragma once
// What is kept: what finishing the page would take, the shelf of records and which of them is in hand, and
// their pictures. Worked out off the window's thread; views listen to its signals.

#include "app/bench/waypoint_view.h"
#include "app/keep/sheet_map_view.h"
#include "core/keep/look_back.h"
#include "core/project/before_and_after.h"
#include "core/project/learned_pace.h"
#include "io/page_record.h"

#include <QImage>
#include <map>
#include <optional>
#include <set>

namespace zesty {

/// What finishing takes, worked out for the plan on show.
struct FinishLook {
    Finishing all;
    std::vector<BeforeAndAfter> papers;
    std::vector<EmbellishmentsLeft> embellishments;
    std::vector<LettersLeft> letters;
    bool some_cut = false; ///< steps that are done have cut something
    QImage page;           ///< as it would stand on a shelf that is empty yet
};

class KeepDesk : public QObject {
    Q_OBJECT
public:
    KeepDesk(const BenchParts& bench, QObject* parent);

    // The page on the bench
    const FinishLook* look() const { return look_ ? &*look_ : nullptr; }
    const Project& project() const { return bench_.document.project(); }
    void finish(FinishWhat what);
    void put_back();

    // The shelf
    const std::vector<PageRecord>& records() const;
    const RecordQuery& query() const { return query_; }
    void look_for(const RecordQuery& query);
    ShelfBy by() const { return by_; }
    void order_by(ShelfBy by);
    const std::vector<ShelfGroup>& groups() const { return groups_; }
    const std::vector<int>& pages() const { return pages_; }
    const std::vector<PaperWent>& went() const { return went_; }
    const LookBack& back() const { return back_; }
    const std::vector<OwnPace>& pace() const { return pace_; }

    /// The record in hand; null while it is the page on the bench that has none yet.
    const PageRecord* record() const;
    bool of_the_page() const { return picked_.empty() || picked_ == project().keep.record; }
    void pick(const std::string& uid); ///< empty for the page on the bench
    /// The notes of the record in hand, or of the page.
    const PageNotes& notes() const;
    /// Those with the same `drag` number become one step.
    void change_notes(const QString& intention, const std::function<void(PageNotes&)>& change, int drag);
    void take_photo(const QString& path);
    void forget_record();
    void take_pace();
    void begin_again(const QString& other_cut);
    /// The record in hand alone, or everything on show; by the ending of the file.
    void write_out(const QString& path, bool all);

    /// What became of the sheets of the record in hand; empty until it has been read, and where nothing was
    /// taken.
    const std::vector<ShownSheet>& sheets();

    /// A picture of a file of the stash, fitted into that size; null until it has been read.
    const QImage& picture(const std::string& name, int side);

    bool up_to_date() const { return asked_ == answered_ && waiting_ == 0; }
    void be_seen(bool seen);

signals:
    void about_to_pick(); ///< what is typed belongs to the record that still is in hand
    void changed();
    void pictures_changed();
    void page_begun(const zesty::Project& page);

private:
    void finish_by(std::shared_ptr<const Plan> plan, FinishWhat what);
    void put_back_by(std::shared_ptr<const Plan> plan);
    void ask();
    void look_at_shelf();
    void catch_up();
    void take(FinishedPage made, const Project& of, const QString& intention);
    std::string today() const;

    BenchParts bench_;
    std::optional<FinishLook> look_;
    std::shared_ptr<const Plan> looked_at_;
    RecordQuery query_;
    ShelfBy by_ = ShelfBy::Month;
    std::vector<PageRecord> shelf_; ///< what the lists below were made of
    std::vector<int> pages_;
    std::vector<ShelfGroup> groups_;
    std::vector<PaperWent> went_;
    LookBack back_;
    std::vector<OwnPace> pace_;
    std::string picked_; ///< uid
    std::map<std::string, QImage> pictures_;
    std::set<std::string> pictures_asked_;
    std::vector<ShownSheet> sheets_;
    KeepDecisions mapped_;  ///< of the page on the bench, as sheets_ show it
    std::string mapped_of_; ///< the record's page that sheets_ are of; empty for the page on the bench
    bool seen_ = false;
    quint64 asked_ = 0, answered_ = 0;
    int waiting_ = 0;
};

} // namespace zesty

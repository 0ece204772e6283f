#pragma once
// The stash that is always open. What is changed of papers here is written there at once, on a thread of its
// own, and what other windows and programs change is seen within a second. A change that cannot be written is
// kept and tried again.

#include "app/bench/document.h"
#include "io/backup.h"
#include "io/stash_store.h"

#include <QThread>
#include <QTimer>
#include <deque>

namespace zesty {

class LivingStash : public QObject {
    Q_OBJECT
public:
    /// The file is made where there is none.
    LivingStash(Document& document, const QString& path, QObject* parent = nullptr);
    ~LivingStash() override;

    const QString& path() const { return path_; }
    /// Nothing is to be written, and what is there has been read.
    bool idle() const { return !busy_ && changes_.empty() && read_once_ && questions_ == 0; }
    /// Writes what is still to be written; false where that fails.
    bool flush();
    /// Files of records that are about to name them: they are written together with those.
    void hold(const RecordFiles& files);
    /// Runs `job` on the other thread and what it returns on the window's, unless `asker` is gone by then.
    void ask(QObject* asker, std::function<std::function<void()>(const StashStore&)> job);
    /// Everything as it is in a backup, as a step that can be undone; or the whole stash into a file.
    void restore(const QString& from);
    void back_up(const QString& to, const QString& numbers_file);

signals:
    void failed(const QString& message);
    void backed_up(const QString& file);
    /// A backup had the household's own numbers, too.
    void numbers_restored(const zesty::OwnNumbers& numbers);
    /// Somebody has changed it.
    void changed();

private:
    struct Change {
        quint64 number = 0; ///< from 1
        std::shared_ptr<const Stash> before, after;
    };
    struct Report {
        quint64 written = 0; ///< all changes up to this number
        std::shared_ptr<const Stash> now;
        std::string trouble;
        std::vector<std::string> gone; ///< papers whose sheets others had used
        quint64 takings = 0;           ///< for the page, before it was read
    };
    // On the other thread:
    /// Opens the file where it is not open yet, or is another one by now.
    Result<void> be_open();
    Report write(const std::vector<Change>& changes, const RecordFiles& held);
    /// Writes, and reads where anything is different from what was read last.
    Report attempt(const std::vector<Change>& changes, const RecordFiles& held);
    void look();
    std::vector<Change> still_to_write() const { return {changes_.begin(), changes_.end()}; }
    /// All of it or nothing, before this returns.
    Result<void> take_for_page(const std::shared_ptr<const Stash>& before,
                               const std::shared_ptr<const Stash>& after);
    void take(const Report& report);
    void take_backup(const Backup& backup);

    Document& document_;
    QString path_;
    QThread thread_;
    QObject hands_;
    QTimer look_;
    std::deque<Change> changes_; ///< not known to be written yet
    quint64 numbers_ = 0;
    bool busy_ = false;
    bool read_once_ = false;
    std::string trouble_; ///< said last
    RecordFiles held_;    ///< also for steps that are redone
    int questions_ = 0;
    // The other thread's own:
    std::optional<StashStore> store_;
    std::vector<std::string> gone_; ///< not reported yet
    quint64 takings_ = 0;           ///< the window waits while this changes
    quint64 opened_ = 0;            ///< stash_file()
    StashStamp stamp_;              ///< of what was read last
    quint64 written_ = 0;           ///< all changes up to this number, each once
};

} // namespace zesty

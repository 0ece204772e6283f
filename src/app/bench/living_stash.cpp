#include "app/bench/living_stash.h"

#include "core/sentences.h"
#include "core/stash/sharing.h"
#include "core/stash/taking.h"
#include "io/backup.h"
#include "io/stash_json.h"

#include <QDate>
#include <QDir>
#include <QFileInfo>
#include <QPointer>
#include <algorithm>
#include <sys/resource.h>
#include <unistd.h>

namespace zesty {

namespace {
constexpr int look_ms = 800;
constexpr int days_to_redo = 60;
} // namespace

LivingStash::LivingStash(Document& document, const QString& path, QObject* parent)
    : QObject(parent), document_(document), path_(path) {
    hands_.moveToThread(&thread_);
    thread_.setObjectName("stash");
    thread_.start();
    // The page comes first: a large stash takes its time to read, and that is not to be the page's.
    QMetaObject::invokeMethod(&hands_, [] { setpriority(PRIO_PROCESS, static_cast<id_t>(gettid()), 10); });
    connect(&document, &Document::papers_changed, this,
            [this](const std::shared_ptr<const Stash>& before, const std::shared_ptr<const Stash>& after) {
                if (*before == *after) return;
                changes_.push_back({++numbers_, before, after});
                look();
            });
    document.take_by(
        [this](const std::shared_ptr<const Stash>& before, const std::shared_ptr<const Stash>& after) {
            return take_for_page(before, after);
        });
    connect(&look_, &QTimer::timeout, this, &LivingStash::look);
    look_.start(look_ms);
    look();
}

LivingStash::~LivingStash() {
    document_.take_by(nullptr);
    thread_.quit();
    thread_.wait();
}

namespace {

/// Of the files held, those that the records name.
RecordFiles named_by(const Stash& stash, const RecordFiles& held) {
    RecordFiles out;
    for (const PageRecord& r : stash.records)
        for (const std::string* name : {&r.picture, &r.photo, &r.page})
            if (const auto at = held.find(*name); at != held.end()) out.insert(*at);
    return out;
}

} // namespace

Result<void> LivingStash::be_open() {
    if (store_ && stash_file(path_) == opened_) return {};
    QDir().mkpath(QFileInfo(path_).absolutePath());
    store_.reset();
    auto opened = StashStore::open(path_);
    if (!opened) return tl::make_unexpected(opened.error());
    store_ = std::move(*opened);
    opened_ = stash_file(path_);
    stamp_ = {};
    // Of steps that were undone and that nobody will redo any more. Where that fails, they only take room.
    (void)store_->forget_files(
        QDate::currentDate().addDays(-days_to_redo).toString(Qt::ISODate).toStdString());
    return {};
}

LivingStash::Report LivingStash::write(const std::vector<Change>& changes, const RecordFiles& held) {
    Report report{written_, nullptr, {}, {}, takings_};
    if (auto open = be_open(); !open) {
        report.trouble = open.error().message;
        return report;
    }
    for (const Change& c : changes) {
        if (c.number <= written_) continue;
        const auto done = store_->change(
            [&](const Stash& there) -> Result<Stash> {
                for (std::string& name : cannot_be_carried(*c.before, *c.after, there))
                    gone_.push_back(std::move(name));
                return carried_over(*c.before, *c.after, there);
            },
            named_by(*c.after, held));
        if (!done) {
            report.trouble = done.error().message;
            break;
        }
        report.written = written_ = c.number;
    }
    return report;
}

LivingStash::Report LivingStash::attempt(const std::vector<Change>& changes, const RecordFiles& held) {
    Report report = write(changes, held);
    report.gone = std::exchange(gone_, {});
    // Before reading: a change that comes between is seen at the next look.
    if (!store_) return report;
    const StashStamp stamp = store_->stamp();
    if (stamp == stamp_ && changes.empty()) return report;
    auto papers = store_->read();
    if (papers) {
        report.now = std::make_shared<const Stash>(std::move(*papers));
        stamp_ = stamp;
    } else {
        report.trouble = papers.error().message;
    }
    return report;
}

void LivingStash::hold(const RecordFiles& files) {
    held_.insert(files.begin(), files.end());
}

void LivingStash::ask(QObject* asker, std::function<std::function<void()>(const StashStore&)> job) {
    ++questions_;
    QPointer<QObject> who(asker);
    QMetaObject::invokeMethod(&hands_, [this, who, job = std::move(job)] {
        // Whoever asks before the first look finds it open all the same.
        (void)be_open();
        std::function<void()> then = store_ ? job(*store_) : std::function<void()>();
        QMetaObject::invokeMethod(this, [this, who, then = std::move(then)] {
            --questions_;
            if (who && then) then();
        });
    });
}

void LivingStash::look() {
    if (busy_) return;
    busy_ = true;
    QMetaObject::invokeMethod(&hands_, [this, changes = still_to_write(), held = held_] {
        const Report report = attempt(changes, held);
        QMetaObject::invokeMethod(this, [this, report] { take(report); });
    });
}

void LivingStash::take(const Report& report) {
    busy_ = false;
    while (!changes_.empty() && changes_.front().number <= report.written) changes_.pop_front();
    if (!report.trouble.empty() && report.trouble != trouble_)
        emit failed("Changes of papers are not in the stash yet: " + QString::fromStdString(report.trouble));
    trouble_ = report.trouble;
    if (!report.gone.empty())
        emit failed("Somebody else has used " + QString::fromStdString(in_a_row(report.gone)) +
                    " meanwhile; its sheets stay as they are.");
    const bool first = !std::exchange(read_once_, true);
    const bool newest = changes_.empty() && report.takings == takings_;
    if (report.now && newest) {
        document_.use_stash(report.now);
        emit changed();
    } else if (!newest && trouble_.empty()) {
        look();
    } else if (first && trouble_.empty()) {
        document_.use_stash(std::make_shared<const Stash>());
    }
}

bool LivingStash::flush() {
    bool good = true;
    QMetaObject::invokeMethod(
        &hands_, [&] { good = write(still_to_write(), held_).trouble.empty(); },
        Qt::BlockingQueuedConnection);
    return good;
}

Result<void> LivingStash::take_for_page(const std::shared_ptr<const Stash>& before,
                                        const std::shared_ptr<const Stash>& after) {
    Result<void> taken;
    QMetaObject::invokeMethod(
        &hands_,
        [&] {
            if (const Report first = write(still_to_write(), held_); !first.trouble.empty())
                taken = fail(ErrorKind::Unwritable, first.trouble);
            else
                taken = store_->change([&](const Stash& now) { return taken_over(*before, *after, now); },
                                       named_by(*after, held_));
            ++takings_;
        },
        Qt::BlockingQueuedConnection);
    look();
    return taken;
}

void LivingStash::back_up(const QString& to, const QString& numbers_file) {
    ask(this, [this, to, numbers_file](const StashStore& store) -> std::function<void()> {
        const auto done = write_backup(store, numbers_file, to);
        if (done) return [this, to] { emit backed_up(to); };
        return [this, m = QString::fromStdString(done.error().message)] { emit failed(m); };
    });
}

void LivingStash::restore(const QString& from) {
    ask(this, [this, from](const StashStore&) -> std::function<void()> {
        // Looked at as a whole before anything changes.
        const bool whole = looks_like_backup(from);
        auto backup = whole ? read_backup(from) : Result<Backup>(Backup{});
        if (backup && !whole) {
            auto papers = read_stash(from);
            if (papers)
                if (auto held = hold_pictures(*papers, from.toStdString()); !held)
                    papers = tl::make_unexpected(held.error());
            if (papers)
                backup->stash = std::move(*papers);
            else
                backup = tl::make_unexpected(papers.error());
        }
        if (!backup) return [this, m = QString::fromStdString(backup.error().message)] { emit failed(m); };
        return [this, there = std::make_shared<const Backup>(std::move(*backup))] { take_backup(*there); };
    });
}

void LivingStash::take_backup(const Backup& backup) {
    hold(backup.files);
    document_.change_papers("Restore the stash", [&](const Stash& now) {
        Stash out = now;
        std::erase_if(out.papers,
                      [&](const Paper& p) { return p.in_stash && find_same(backup.stash, p) < 0; });
        const auto let_go = [](auto& things, const auto& of_backup) {
            std::erase_if(things, [&](const auto& t) {
                return t.in_stash && std::none_of(of_backup.begin(), of_backup.end(),
                                                  [&](const auto& b) { return b.uid == t.uid; });
            });
        };
        let_go(out.embellishments, backup.stash.embellishments);
        let_go(out.letters, backup.stash.letters);
        let_go(out.records, backup.stash.records);
        return imported(std::move(out), backup.stash);
    });
    if (backup.numbers) emit numbers_restored(*backup.numbers);
}

} // namespace zesty

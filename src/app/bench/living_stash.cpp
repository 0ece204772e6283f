#include "app/bench/living_stash.h"

#include "core/stash/sharing.h"
#include "io/stash_json.h"

#include <QDir>
#include <QFileInfo>

namespace zesty {

namespace {
constexpr int look_ms = 800;
}

LivingStash::LivingStash(Document& document, const QString& path, QObject* parent)
    : QObject(parent), document_(document), path_(path) {
    hands_.moveToThread(&thread_);
    thread_.setObjectName("stash");
    thread_.start();
    connect(&document, &Document::papers_changed, this,
            [this](const std::shared_ptr<const Stash>& before, const std::shared_ptr<const Stash>& after) {
                if (*before == *after) return;
                changes_.push_back({++numbers_, before, after});
                ask();
            });
    connect(&look_, &QTimer::timeout, this, &LivingStash::ask);
    look_.start(look_ms);
    ask();
}

LivingStash::~LivingStash() {
    thread_.quit();
    thread_.wait();
}

LivingStash::Report LivingStash::attempt(const std::vector<Change>& changes) {
    Report report{written_, nullptr, {}};
    const StashStamp now = stash_stamp(path_);
    const bool same_file = store_ && now.file == stamp_.file;
    if (same_file && now == stamp_ && changes.empty()) return report;
    if (!same_file) {
        QDir().mkpath(QFileInfo(path_).absolutePath());
        store_.reset();
        auto opened = StashStore::open(path_);
        if (!opened) return {written_, nullptr, opened.error().message};
        store_ = std::move(*opened);
    }
    for (const Change& c : changes) {
        if (c.number <= written_) continue;
        const auto done = store_->change(
            [&](const Stash& there) -> Result<Stash> { return carried_over(*c.before, *c.after, there); });
        if (!done) {
            report.trouble = done.error().message;
            break;
        }
        report.written = written_ = c.number;
    }
    // Before reading: a change that comes between is seen at the next look.
    stamp_ = stash_stamp(path_);
    auto papers = store_->read();
    if (papers)
        report.now = std::make_shared<const Stash>(std::move(*papers));
    else
        report.trouble = papers.error().message;
    return report;
}

void LivingStash::ask() {
    if (busy_) return;
    busy_ = true;
    std::vector<Change> changes(changes_.begin(), changes_.end());
    QMetaObject::invokeMethod(&hands_, [this, changes = std::move(changes)] {
        const Report report = attempt(changes);
        QMetaObject::invokeMethod(this, [this, report] { take(report); });
    });
}

void LivingStash::take(const Report& report) {
    busy_ = false;
    while (!changes_.empty() && changes_.front().number <= report.written) changes_.pop_front();
    if (!report.trouble.empty() && report.trouble != trouble_)
        emit failed("Changes of papers are not in the stash yet: " + QString::fromStdString(report.trouble));
    trouble_ = report.trouble;
    const bool first = !std::exchange(read_once_, true);
    if (report.now && changes_.empty()) {
        document_.use_stash(report.now);
        emit changed();
    } else if (!changes_.empty() && trouble_.empty()) {
        ask();
    } else if (first && trouble_.empty()) {
        document_.use_stash(std::make_shared<const Stash>());
    }
}

bool LivingStash::flush() {
    const std::vector<Change> changes(changes_.begin(), changes_.end());
    bool good = true;
    QMetaObject::invokeMethod(
        &hands_,
        [&] {
            const Report report = attempt(changes);
            good = report.trouble.empty();
        },
        Qt::BlockingQueuedConnection);
    return good;
}

void LivingStash::back_up(const QString& to) {
    QMetaObject::invokeMethod(&hands_, [this, to] {
        const auto done = store_ ? store_->back_up(to)
                                 : Result<void>(fail(ErrorKind::Unreadable, "there is no stash to back up"));
        QMetaObject::invokeMethod(this, [this, to, done] {
            if (done)
                emit backed_up(to);
            else
                emit failed(QString::fromStdString(done.error().message));
        });
    });
}

void LivingStash::restore(const QString& from) {
    QMetaObject::invokeMethod(&hands_, [this, from] {
        const auto backup = read_stash(from);
        QMetaObject::invokeMethod(this, [this, backup] {
            if (!backup) {
                emit failed(QString::fromStdString(backup.error().message));
                return;
            }
            document_.change_papers("Restore the stash", [&](const Stash& now) {
                Stash out = now;
                std::erase_if(out.papers,
                              [&](const Paper& p) { return p.in_stash && find_same(*backup, p) < 0; });
                return imported(std::move(out), *backup);
            });
        });
    });
}

} // namespace zesty

#include "app/bench/bring_in.h"

#include "app/bench/notice_bar.h"
#include "app/bench/tried_out.h"
#include "app/bench/wording.h"
#include "app/bench/worker.h"
#include "core/project/stash_at_hand.h"
#include "core/sentences.h"
#include "core/stash/colour_words.h"
#include "core/stash/sharing.h"
#include "core/stash/stock.h"
#include "io/papers_file.h"
#include "io/stash_csv.h"
#include "io/stash_json.h"

#include <QFileInfo>
#include <algorithm>

namespace zesty {

namespace {

constexpr char list_key[] = "list-of-papers";

bool is_list(const QString& path) {
    return path.endsWith(".csv", Qt::CaseInsensitive);
}

/// "Ripe Barley (ochre, stripe, 2 sheets)".
std::string understood(const Paper& paper) {
    std::string out = paper.name + " (" + colour_words(paper.colour);
    if (paper.pattern != Pattern::Solid) out += std::string(", ") + name_of(paper.pattern);
    return out + ", " + count_of(static_cast<std::size_t>(sheet_count(paper)), "sheet", "sheets") + ")";
}

} // namespace

BringIn::BringIn(Document& document, Worker& worker, NoticeBar& notices, Say say, QObject* parent)
    : QObject(parent), document_(document), worker_(worker), notices_(notices), say_(std::move(say)) {}

bool BringIn::brings_papers(const QString& path) {
    const QString ending = QFileInfo(path).suffix().toLower();
    return ending == "json" || ending == "stash" || ending == "csv" || QFileInfo(path).isDir();
}

template <class Read> void BringIn::read(Read read_there, const QString& from, bool ask) {
    worker_.think(this, [this, read_there, from, ask](Planner&) -> std::function<void()> {
        auto papers = read_there();
        if (!papers) return [this, m = QString::fromStdString(papers.error().message)] { say_(m, true); };
        return [this, from, ask, all = std::make_shared<const Stash>(std::move(*papers))] {
            if (ask)
                show_what_was_understood(all, from);
            else
                take(*all, from);
        };
    });
}

void BringIn::files(const QStringList& paths) {
    const auto read_all = [paths]() -> Result<Stash> {
        Stash all;
        for (const QString& path : paths) {
            auto some = read_as(path, TriedAs::Papers, [&] { return read_papers(path); });
            // It can be undone and redone long after that file has gone.
            if (some)
                if (auto held = hold_pictures(*some, path.toStdString()); !held)
                    some = tl::make_unexpected(held.error());
            if (!some || paths.size() == 1) return some;
            for (const Paper& p : some->papers) adopt(all, p, some->pictures);
        }
        return all;
    };
    const QString from = paths.size() == 1 ? QFileInfo(paths.front()).fileName() : QString("These files");
    left_out_.clear();
    for (const QString& path : paths)
        for (std::string& column : unknown_columns_in(path)) left_out_.push_back(std::move(column));
    read(read_all, from, std::any_of(paths.begin(), paths.end(), is_list));
}

void BringIn::list(const QString& text) {
    left_out_ = unknown_columns(text.toStdString());
    read([text] { return papers_from_list(text.toStdString(), "The list"); }, "The list", true);
}

void BringIn::show_what_was_understood(const std::shared_ptr<const Stash>& papers, const QString& from) {
    std::vector<std::string> each;
    for (const Paper& p : papers->papers) each.push_back(understood(p));
    const QString many = counted(each.size(), "paper", "papers");
    notices_.show_notice(list_key, QString("%1: %2").arg(from, many),
                         words(in_a_row(each)) + "." + said_of_columns(), {},
                         {{"Add " + many, "They join those in the stash; it can be undone",
                           [this, papers, from] { take(*papers, from); }},
                          {"Leave them", "Nothing is added", [] {}}});
}

QString BringIn::said_of_columns() const {
    if (left_out_.empty()) return {};
    return left_out_.size() == 1
               ? " The column " + words(left_out_.front()) + " is nothing a paper has: it is left out."
               : " The columns " + words(in_a_row(left_out_)) +
                     " are nothing a paper has: they are left out.";
}

void BringIn::take(const Stash& papers, const QString& from) {
    std::size_t known = 0;
    document_.change_papers("Bring in papers", [&](const Stash& now) {
        Stash next = imported(now, papers);
        known = papers.papers.size() - (next.papers.size() - now.papers.size());
        return next;
    });
    const std::size_t fresh = papers.papers.size() - known;
    QString message = from + ": " + counted(fresh, "paper", "papers") + " added";
    if (known > 0) message += ", " + QString::number(known) + " brought up to date";
    say_(message + ".", false);
}

void BringIn::write_out(const QString& path) {
    worker_.think(this,
                  [this, path, papers = living_part(stash_at_hand(document_.project()))](
                      Planner&) -> std::function<void()> {
                      const auto done = write_papers(papers, path);
                      const QString message = done ? QFileInfo(path).fileName() + " is written."
                                                   : QString::fromStdString(done.error().message);
                      return [this, message, trouble = !done] { say_(message, trouble); };
                  });
}

} // namespace zesty

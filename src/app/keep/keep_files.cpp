// What of the records lies in files: pictures, pages to begin from, and what is written out.

#include "app/bench/living_stash.h"
#include "app/bench/wording.h"
#include "app/bench/worker.h"
#include "app/keep/keep_desk.h"
#include "core/project/again.h"
#include "core/project/papers_named.h"
#include "core/project/stash_at_hand.h"
#include "core/stash/sharing.h"
#include "io/drawing_import.h"
#include "io/page_record.h"
#include "io/picture.h"
#include "io/read_file.h"
#include "io/records_out.h"

#include <QFileInfo>

namespace zesty {

const QImage& KeepDesk::picture(const std::string& name, int side) {
    static const QImage none;
    if (name.empty()) return none;
    if (const auto known = pictures_.find(name); known != pictures_.end()) return known->second;
    if (!pictures_asked_.insert(name).second) return none;
    ++waiting_;
    bench_.living.ask(this, [this, name, side](const StashStore& store) -> std::function<void()> {
        QImage image;
        if (const auto bytes = store.file(name))
            if (const auto read = read_picture(QByteArray::fromStdString(*bytes)))
                image = read->scaled(side, side, Qt::KeepAspectRatio, Qt::SmoothTransformation);
        return [this, name, image] {
            --waiting_;
            // Those of a step that is not written yet are asked for again.
            if (image.isNull())
                pictures_asked_.erase(name);
            else
                pictures_[name] = image;
            if (!image.isNull()) emit pictures_changed();
        };
    });
    return none;
}

namespace {

std::vector<ShownSheet> shown_sheets(const Project& page) {
    std::vector<ShownSheet> out;
    const Stash& stash = stash_at_hand(page);
    for (MappedSheet& sheet : sheet_map(page.keep)) {
        const int paper = stash.find(sheet.paper);
        const Paper* known = paper < 0 ? nullptr : &stash.papers[static_cast<std::size_t>(paper)];
        out.push_back({std::move(sheet), words(known ? known->name : "paper"),
                       known ? to_qt(known->colour) : QColor(Qt::lightGray)});
    }
    return out;
}

} // namespace

const std::vector<ShownSheet>& KeepDesk::sheets() {
    const PageRecord* of = of_the_page() ? nullptr : record();
    if (!of) {
        if (!mapped_of_.empty() || !(mapped_ == project().keep)) {
            mapped_of_.clear();
            mapped_ = project().keep;
            sheets_ = shown_sheets(project());
        }
        return sheets_;
    }
    if (mapped_of_ == of->uid + of->page) return sheets_;
    mapped_of_ = of->uid + of->page;
    sheets_.clear();
    ++waiting_;
    bench_.living.ask(this, [this, of = *of](const StashStore& store) -> std::function<void()> {
        const auto page = remembered_page(store, of);
        return [this, of, sheets = page ? shown_sheets(*page) : std::vector<ShownSheet>{}] {
            --waiting_;
            if (mapped_of_ != of.uid + of.page) return; // another one is in hand by now
            sheets_ = sheets;
            emit changed();
        };
    });
    return sheets_;
}

void KeepDesk::begin_again(const QString& other_drawing) {
    const PageRecord* of = record();
    if (!of) return bench_.say("Choose a page on the shelf to begin from.", true);
    ++waiting_;
    bench_.living.ask(
        this, [this, of = *of, other_drawing](const StashStore& store) -> std::function<void()> {
            auto page = remembered_page(store, of);
            if (!page)
                return [this, m = words(page.error().message)] {
                    --waiting_;
                    bench_.say(m + ".", true);
                };
            return [this, page = std::move(*page), other_drawing]() mutable {
                page.stash = std::make_shared<const Stash>(
                    joined(stash_at_hand(page), living_part(stash_at_hand(project())), papers_named(page)));
                bench_.worker.think(this,
                                    [this, page, other_drawing](Planner& planner) -> std::function<void()> {
                                        Result<Again> again = fail(ErrorKind::NothingToDo, "");
                                        if (other_drawing.isEmpty()) {
                                            again = other_papers(page, planner);
                                        } else if (auto drawing = drawing_file(other_drawing)) {
                                            again = other_cut(page, *drawing, planner);
                                        } else {
                                            again = tl::make_unexpected(drawing.error());
                                        }
                                        return [this, again = std::move(again)] {
                                            --waiting_;
                                            if (!again)
                                                return bench_.say(words(again.error().message) + ".", true);
                                            QStringList said;
                                            for (const std::string& one : again->no_longer)
                                                said << words(one);
                                            emit page_begun(again->project);
                                            if (!said.isEmpty()) bench_.say(said.join(" "), false);
                                        };
                                    });
            };
        });
}

void KeepDesk::write_out(const QString& path, bool all) {
    std::vector<PageRecord> out;
    if (!all && record()) out.push_back(*record());
    if (all)
        for (const int p : pages_) out.push_back(shelf_[static_cast<std::size_t>(p)]);
    if (out.empty()) return bench_.say("There is no record to write out yet.", true);
    ++waiting_;
    bench_.living.ask(
        this, [this, path, out, units = project().units](const StashStore& store) -> std::function<void()> {
            const FileOfRecord file = [&](const std::string& name) { return store.file(name).value_or(""); };
            const QString ending = QFileInfo(path).suffix().toLower();
            const QByteArray bytes = ending == "csv" ? QByteArray::fromStdString(records_csv(out))
                                     : ending == "json"
                                         ? QByteArray::fromStdString(records_json(out, file).dump(1))
                                         : records_html(out, units, file);
            const auto done = write_file(path, bytes);
            return [this, path, done, n = out.size()] {
                --waiting_;
                if (done)
                    bench_.say(counted(n, "record is", "records are") + " in " + QFileInfo(path).fileName() +
                                   ".",
                               false);
                else
                    bench_.say(words(done.error().message) + ".", true);
            };
        });
}

} // namespace zesty

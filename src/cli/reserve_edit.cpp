#include "cli/reserve_edit.h"

#include "cli/command.h"
#include "cli/typed.h"
#include "core/project/later.h"
#include "core/project/planner.h"
#include "io/project_file.h"
#include "io/stash_store.h"

#include <QFileInfo>
#include <algorithm>

namespace zesty::cli {

namespace {

constexpr double most = 3000; ///< mm

/// What all pages but this one have reserved of the papers in a database.
Result<std::vector<ReservedPiece>> reserved_in(const std::string& file, const std::string& this_page) {
    const auto store = StashStore::open(QString::fromStdString(file));
    if (!store) return tl::make_unexpected(store.error());
    auto reserved = store->reserved_by_others(page_key(QString::fromStdString(this_page)));
    if (!reserved) return tl::make_unexpected(reserved.error());
    return std::move(reserved->pieces);
}

Result<void> leave(Project& project, const std::string& file, const std::string& this_page) {
    const bool papers = StashStore::looks_like_one(QString::fromStdString(file));
    const auto pieces = papers ? reserved_in(file, this_page) : taken_by(file);
    if (!pieces) return fail(pieces.error().kind, "--reserve: " + pieces.error().message);
    if (pieces->empty())
        return fail(ErrorKind::NothingToDo, "--reserve: " + file + " takes no paper from any sheet");
    reserve_for(project, *pieces);
    return {};
}

Result<void> keep(Project& project, const std::string& text) {
    const std::size_t colon = text.rfind(':');
    if (colon == std::string::npos)
        return fail(ErrorKind::BadInput,
                    "--reserve-size: '" + text + "' is not like barley:6x8in or barley:none");
    const std::string paper = text.substr(0, colon);
    const std::string size = text.substr(colon + 1);
    if (!project.stash || project.stash->find(paper) < 0)
        return fail(ErrorKind::BadInput, "--reserve-size: there is no paper \"" + paper + "\"");
    if (size == "none") {
        reserve_size(project, paper, {});
        return {};
    }
    const auto whole = typed_size("--reserve-size", size, 0, most);
    if (!whole) return tl::make_unexpected(whole.error());
    if (whole->x <= 0 || whole->y <= 0)
        return fail(ErrorKind::BadInput, "--reserve-size: '" + size + "' has no area");
    reserve_size(project, paper, *whole);
    return {};
}

} // namespace

Result<std::vector<ReservedPiece>> taken_by(const std::string& file) {
    const QString path = QString::fromStdString(file);
    const auto other = read_project(file);
    if (!other) return tl::make_unexpected(other.error());
    const auto plan = Planner().plan(*other);
    if (!plan) return fail(plan.error().kind, file + ": " + plan.error().message);
    return pieces_taken(*other, *plan,
                        name_of_page(*other, QFileInfo(path).completeBaseName().toStdString()));
}

Result<void> edit_reserved(const PapersArgs& args, Project& project) {
    if (args.stop_reserving == "all") {
        stop_reserving_for_pages(project);
    } else if (!args.stop_reserving.empty()) {
        const auto pages = pages_reserved_for(project);
        if (std::find(pages.begin(), pages.end(), args.stop_reserving) == pages.end())
            return fail(ErrorKind::BadInput,
                        "--stop-reserving: no room is kept for a page \"" + args.stop_reserving + "\"");
        stop_reserving(project, args.stop_reserving);
    }
    for (const std::string& file : args.reserve_for)
        if (auto r = leave(project, file, args.project); !r) return r;
    for (const std::string& text : args.reserve_size)
        if (auto r = keep(project, text); !r) return r;
    return {};
}

} // namespace zesty::cli

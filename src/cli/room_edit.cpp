#include "cli/room_edit.h"

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
Result<std::vector<WantedPiece>> reserved_in(const std::string& file, const std::string& this_page) {
    const auto store = StashStore::open(QString::fromStdString(file));
    if (!store) return tl::make_unexpected(store.error());
    auto reserved = store->reserved_by_others(page_key(QString::fromStdString(this_page)));
    if (!reserved) return tl::make_unexpected(reserved.error());
    return std::move(reserved->pieces);
}

Result<void> leave(Project& project, const std::string& file, const std::string& this_page) {
    const bool papers = StashStore::looks_like_one(QString::fromStdString(file));
    const auto pieces = papers ? reserved_in(file, this_page) : taken_by(file);
    if (!pieces) return fail(pieces.error().kind, "--leave-room: " + pieces.error().message);
    if (pieces->empty())
        return fail(ErrorKind::NothingToDo, "--leave-room: " + file + " takes no paper from any sheet");
    leave_room(project, *pieces);
    return {};
}

Result<void> keep(Project& project, const std::string& text) {
    const std::size_t colon = text.rfind(':');
    if (colon == std::string::npos)
        return fail(ErrorKind::BadInput,
                    "--keep-whole: '" + text + "' is not like barley:6x8in or barley:none");
    const std::string paper = text.substr(0, colon);
    const std::string size = text.substr(colon + 1);
    if (!project.stash || project.stash->find(paper) < 0)
        return fail(ErrorKind::BadInput, "--keep-whole: there is no paper \"" + paper + "\"");
    if (size == "none") {
        keep_whole(project, paper, {});
        return {};
    }
    const auto whole = typed_size("--keep-whole", size, 0, most);
    if (!whole) return tl::make_unexpected(whole.error());
    if (whole->x <= 0 || whole->y <= 0)
        return fail(ErrorKind::BadInput, "--keep-whole: '" + size + "' has no area");
    keep_whole(project, paper, *whole);
    return {};
}

} // namespace

Result<std::vector<WantedPiece>> taken_by(const std::string& file) {
    const QString path = QString::fromStdString(file);
    const auto other = open_project(path);
    if (!other) return tl::make_unexpected(other.error());
    const auto plan = Planner().plan(*other);
    if (!plan) return fail(plan.error().kind, file + ": " + plan.error().message);
    return pieces_taken(*other, *plan,
                        name_of_page(*other, QFileInfo(path).completeBaseName().toStdString()));
}

Result<void> edit_room(const PapersArgs& args, Project& project) {
    if (args.forget_room == "all") {
        forget_pages(project);
    } else if (!args.forget_room.empty()) {
        const auto pages = pages_with_room(project);
        if (std::find(pages.begin(), pages.end(), args.forget_room) == pages.end())
            return fail(ErrorKind::BadInput,
                        "--forget-room: no room is kept for a page \"" + args.forget_room + "\"");
        forget_page(project, args.forget_room);
    }
    for (const std::string& file : args.leave_room)
        if (auto r = leave(project, file, args.project); !r) return r;
    for (const std::string& text : args.keep_whole)
        if (auto r = keep(project, text); !r) return r;
    return {};
}

} // namespace zesty::cli

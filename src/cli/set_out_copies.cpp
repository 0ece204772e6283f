#include "cli/set_out_copies.h"

#include "cli/typed.h"
#include "core/project/edits.h"

namespace zesty::cli {

namespace {

struct CountAndLength {
    int count = 0;
    double length = 0;
};

/// "6:3in".
Result<CountAndLength> typed_copies(const std::string& option, const std::string& text) {
    const auto parts = split(text, ':');
    if (parts.size() != 2)
        return fail(ErrorKind::BadInput,
                    option + ": '" + text + "' is not a count and a length, such as 6:3in");
    const auto count = typed_number(option, parts[0], copies_limits);
    if (!count) return tl::make_unexpected(count.error());
    if (*count != static_cast<int>(*count))
        return fail(ErrorKind::BadInput, option + ": '" + parts[0] + "' is not a whole number of copies");
    const auto length = typed_length(option, parts[1], copy_step_limits.least, copy_step_limits.most);
    if (!length) return tl::make_unexpected(length.error());
    if (!*length) return fail(ErrorKind::BadInput, option + ": say how far, such as 6:3in");
    return CountAndLength{static_cast<int>(*count), **length};
}

Result<std::vector<CutPlacement>> ring(const SetOutArgs& args, const Project& project, Planner& planner,
                                       int cut) {
    const auto typed = typed_copies("--ring", args.ring);
    if (!typed) return tl::make_unexpected(typed.error());
    CopyRing ring{.count = typed->count,
                  .radius = typed->length,
                  .first_deg = args.first_deg.value_or(0),
                  .facing_out = !args.level,
                  .mirrored = args.alternate,
                  .centre = project.set_out.page.leaves().front().centre()};
    if (!args.ring_at.empty()) {
        const auto at =
            typed_point("--ring-at", args.ring_at, "give x,y from the top left of the page", 10000);
        if (!at) return tl::make_unexpected(at.error());
        ring.centre = *at;
    }
    return planner.ring_of_copies(project, cut, ring);
}

Result<std::vector<CutPlacement>> row(const SetOutArgs& args, const Project& project, Planner& planner,
                                      int cut) {
    const auto typed = typed_copies("--row", args.row);
    if (!typed) return tl::make_unexpected(typed.error());
    const auto stagger = typed_length("--stagger", args.stagger, stagger_limits.least, stagger_limits.most);
    if (!stagger) return tl::make_unexpected(stagger.error());
    return planner.row_of_copies(project, cut,
                                 {.count = typed->count,
                                  .step = typed->length,
                                  .down = args.down,
                                  .stagger = stagger->value_or(0),
                                  .mirrored = args.alternate});
}

} // namespace

Result<void> part_off_typed(const SetOutArgs& args, Project& project, Planner& planner, int cut) {
    const auto place = planner.by_whole_drawing(project, cut);
    if (!place) return tl::make_unexpected(place.error());
    const int id = project.set_out.cuts[cut].id;
    if (!args.part_off_layers.empty()) {
        if (part_off_layers(project, id, split(args.part_off_layers, ','), *place) < 0)
            return fail(ErrorKind::BadInput,
                        "--part-off-layers: '" + args.part_off_layers + "' is none, or all, of its layers");
        return {};
    }
    const auto count = planner.piece_count(project, cut);
    if (!count) return tl::make_unexpected(count.error());
    const auto pieces = typed_numbers("--part-off", args.part_off, *count);
    if (!pieces) return tl::make_unexpected(pieces.error());
    if (static_cast<int>(pieces->size()) >= *count)
        return fail(ErrorKind::BadInput, "--part-off: nothing of the cut would stay");
    part_off_pieces(project, id, *pieces, *count, *place);
    return {};
}

Result<void> copy_in_order(const SetOutArgs& args, Project& project, Planner& planner, int cut) {
    const bool in_a_ring = !args.ring.empty();
    const auto places = in_a_ring ? ring(args, project, planner, cut) : row(args, project, planner, cut);
    if (!places && places.error().kind == ErrorKind::NothingToDo)
        return fail(ErrorKind::NothingToDo,
                    std::string(in_a_ring ? "--ring: " : "--row: ") + places.error().message);
    if (!places) return tl::make_unexpected(places.error());
    copy_cut_to(project, project.set_out.cuts[cut].id, *places);
    return {};
}

} // namespace zesty::cli

#include "core/setout/cut_parts.h"

#include "core/cutfile/layers.h"
#include "core/setout/set_out.h"

#include <algorithm>

namespace zesty {

Result<CutParts::Read*> CutParts::read(const Shared<DrawingFile>& drawing) {
    const auto known = std::find_if(read_.begin(), read_.end(),
                                    [&](const Read& r) { return r.drawing.pointer() == drawing.pointer(); });
    if (known != read_.end()) return &*known;
    auto whole = read_cut(drawing->drawing);
    if (!whole) return tl::make_unexpected(whole.error());
    read_.push_back({drawing, std::make_shared<const CutFile>(std::move(*whole)), {}, {}});
    return &read_.back();
}

Result<std::shared_ptr<const CutPart>> CutParts::not_grown(Read& read, const PlacedCut& cut) {
    auto& layer = read.layers[cut.layers];
    if (!layer) {
        auto made = cut.layers.empty() ? Result<CutFile>(*read.cut)
                                       : read_cut(on_layers(read.drawing->drawing, cut.layers));
        if (!made) return tl::make_unexpected(made.error());
        layer = std::make_shared<const CutFile>(std::move(*made));
    }
    auto& plain = read.parts[{cut.layers, cut.left_out, cut.by_whole, 0}];
    if (!plain) {
        auto made = std::make_shared<CutPart>(without_pieces(*layer, cut.left_out));
        if (cut.by_whole) made->sized_by = read.cut;
        plain = std::move(made);
    }
    if (plain->cut.pieces.empty())
        return fail(ErrorKind::NothingToDo, "every piece of " + read.drawing->name + " is left out");
    return plain;
}

Result<std::shared_ptr<const CutPart>> CutParts::of_cut(const SetOutDecisions& page, Units units,
                                                        const PlacedCut& cut) {
    auto source = read(page.drawings[cut.drawing]);
    if (!source) return tl::make_unexpected(source.error());
    auto plain = not_grown(**source, cut);
    if (!plain || cut.grown <= 0) return plain;
    // Growth is a length on the page: in the drawing it depends on how large that is set out.
    const std::shared_ptr<const CutPart> own = *plain;
    const double scale =
        set_out(own->cut, page.page, cut.place, units, {cut.id, 0, own->sized_by.get(), {}}).scale;
    auto& parts = (*source)->parts;
    auto& known = parts[{cut.layers, cut.left_out, cut.by_whole, cut.grown / scale}];
    if (known) return known;
    auto larger = grown(own->cut, cut.grown / scale);
    if (!larger) return tl::make_unexpected(larger.error());
    larger->sized_by = own->sized_by ? own->sized_by : std::shared_ptr<const CutFile>(own, &own->cut);
    known = std::make_shared<const CutPart>(std::move(*larger));
    const auto result = known;
    // Of the sizes tried on the way only the ones in use stay.
    std::erase_if(parts, [](const auto& p) { return std::get<3>(p.first) > 0 && p.second.use_count() == 1; });
    return result;
}

Result<std::vector<std::shared_ptr<const CutPart>>> CutParts::of_page(const SetOutDecisions& page,
                                                                      Units units) {
    std::erase_if(read_, [&](const Read& r) {
        return std::none_of(page.drawings.begin(), page.drawings.end(),
                            [&](const Shared<DrawingFile>& d) { return d.pointer() == r.drawing.pointer(); });
    });
    std::vector<std::shared_ptr<const CutPart>> out;
    for (const PlacedCut& cut : page.cuts) {
        auto part = of_cut(page, units, cut);
        if (!part) return tl::make_unexpected(part.error());
        out.push_back(std::move(*part));
    }
    return out;
}

} // namespace zesty

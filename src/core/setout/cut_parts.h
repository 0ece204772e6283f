#pragma once
// What placed cuts use of their drawings: read once, kept as long as the drawing is on the page.

#include "core/cutfile/parts.h"
#include "core/setout/decisions.h"

#include <map>
#include <memory>
#include <tuple>

namespace zesty {

class CutParts {
public:
    /// What each cut of the page uses, in the coordinates of its drawing. Fails where a drawing has nothing
    /// to cut or every piece of it is left out.
    Result<std::vector<std::shared_ptr<const CutPart>>> of_page(const SetOutDecisions& page, Units units);
    Result<std::shared_ptr<const CutPart>> of_cut(const SetOutDecisions& page, Units units,
                                                  const PlacedCut& cut);

private:
    using Layers = std::vector<std::string>;
    /// Layers, pieces left out, whether the whole gives the size, and growth.
    using PartKey = std::tuple<Layers, std::vector<int>, bool, double>;
    struct Read {
        Shared<DrawingFile> drawing;
        std::shared_ptr<const CutFile> cut;
        std::map<Layers, std::shared_ptr<const CutFile>> layers;
        std::map<PartKey, std::shared_ptr<const CutPart>> parts;
    };
    Result<Read*> read(const Shared<DrawingFile>& drawing);
    Result<std::shared_ptr<const CutPart>> not_grown(Read& read, const PlacedCut& cut);

    std::vector<Read> read_;
};

} // namespace zesty

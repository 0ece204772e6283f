#include "io/guide/sheet_pages.h"

#include "core/geometry/lengths.h"
#include "core/geometry/measure.h"

#include <algorithm>

namespace zesty::guide {

namespace {

constexpr double between = 6;
constexpr double around_patches = 8;

bool is_traced(const Plan& plan, const UsedSheet& used) {
    return std::any_of(used.patches.begin(), used.patches.end(),
                       [&](int p) { return plan.sections.patches[p].method == BackingMethod::TraceAndTrim; });
}

std::vector<Box> patch_boxes(const Plan& plan, const UsedSheet& used, const Transform& turn) {
    std::vector<Box> out;
    for (int p : used.patches)
        out.push_back(bounds(
            transformed(plan.sections.patches[p].on_sheet(), turn * plan.sheets.placed[p].to_sheet())));
    return out;
}

/// What of a large sheet has to be seen: its patches with a little around them, those close together as one.
std::vector<Box> parts_with_patches(const std::vector<Box>& patches, const Box& sheet) {
    std::vector<Box> out;
    for (const Box& patch : patches) {
        Box part = common(patch.grown(around_patches), sheet);
        for (auto other = out.begin(); other != out.end();) {
            if (!other->meets(part)) {
                ++other;
                continue;
            }
            part.add(*other);
            out.erase(other);
            other = out.begin(); // it may reach others now
        }
        out.push_back(part);
    }
    return out;
}

/// Where the part lies on its sheet, by the nearer edges.
std::string whereabouts(const Box& part, const Box& sheet, Units units) {
    const bool left = part.x0 - sheet.x0 <= sheet.x1 - part.x1;
    const bool top = part.y0 - sheet.y0 <= sheet.y1 - part.y1;
    const double across = left ? part.x0 - sheet.x0 : sheet.x1 - part.x1;
    const double down = top ? part.y0 - sheet.y0 : sheet.y1 - part.y1;
    const std::string side = left ? "left" : "right";
    const std::string end = top ? "upper" : "lower";
    constexpr double at_edge = 0.5;
    if (across < at_edge && down < at_edge) return "its " + end + " " + side + " corner";
    return (across < at_edge ? "at the " : format_length(across, units) + " from the ") + side + " edge, " +
           (down < at_edge ? "at the " : format_length(down, units) + " from the ") + end;
}

/// A patch alone has its number inside.
double room_above(const PrintedPart& part) {
    return part.patch >= 0 ? 0 : caption_room;
}

/// Rows of sheets, the highest first; a row as high as its first.
class Rows {
public:
    Rows(double width, double height) : width_(width), height_(height) {}

    void add(PrintedPart part) {
        const double w = part.patch >= 0 ? part.part.width() : std::max(part.part.width(), caption_width);
        const double h = part.part.height() + room_above(part);
        for (Row& row : rows_)
            if (row.right + w <= width_ && h <= row.height) return put(row, std::move(part), w);
        double top = 0;
        std::size_t page = pages_.size();
        for (std::size_t k = 0; k < bottoms_.size(); ++k)
            if (bottoms_[k] + h <= height_) {
                page = k;
                top = bottoms_[k];
                break;
            }
        if (page == pages_.size()) {
            pages_.emplace_back();
            bottoms_.push_back(0);
        }
        bottoms_[page] = top + h + between;
        rows_.push_back({page, top, h, 0});
        put(rows_.back(), std::move(part), w);
    }

    std::vector<PrintedPage> pages_;

private:
    struct Row {
        std::size_t page;
        double top;
        double height;
        double right;
    };
    void put(Row& row, PrintedPart part, double width) {
        part.at = {row.right, row.top + room_above(part)};
        row.right += width + between;
        pages_[row.page].push_back(std::move(part));
    }

    double width_;
    double height_;
    std::vector<Row> rows_;
    std::vector<double> bottoms_; ///< by page
};

/// Patches that lie on no sheet, those too large for a page in parts.
void add_patches_alone(const Plan& plan, bool mirrored, double width, double height,
                       std::vector<PrintedPart>& small, std::vector<PrintedPage>& tiled) {
    const Transform turn = mirrored ? Transform::mirrored_x() : Transform{};
    for (std::size_t p = 0; p < plan.sections.patches.size(); ++p) {
        const Patch& patch = plan.sections.patches[p];
        const bool placed = p < plan.sheets.placed.size() && plan.sheets.placed[p].sheet >= 0;
        if (placed || patch.rides_on >= 0 || (mirrored && patch.method != BackingMethod::TraceAndTrim))
            continue;
        PrintedPart alone;
        alone.used = -1;
        alone.patch = static_cast<int>(p);
        alone.part = bounds(transformed(patch.on_sheet(), turn)).grown(1);
        if (alone.part.width() <= width && alone.part.height() <= height) {
            small.push_back(alone);
            continue;
        }
        const Tiling tiling = tiles_of(alone.part, {alone.part}, width, height);
        for (const Tile& tile : tiling.tiles) {
            PrintedPart part = alone;
            part.part = tile.part;
            part.tile = tile;
            part.rows = tiling.rows;
            part.columns = tiling.columns;
            tiled.push_back({part});
        }
    }
}

} // namespace

std::vector<PrintedPage> sheet_pages(const Plan& plan, bool mirrored, double width, double height) {
    const Transform turn = mirrored ? Transform::mirrored_x() : Transform{};
    std::vector<PrintedPart> small;
    std::vector<PrintedPage> tiled;
    for (std::size_t u = 0; u < plan.sheets.used.size(); ++u) {
        const UsedSheet& used = plan.sheets.used[u];
        if (mirrored && !is_traced(plan, used)) continue;
        PrintedPart whole;
        whole.used = static_cast<int>(u);
        const Box sheet = bounds(transformed(plan.papers.sheets[used.sheet].outline, turn));
        const std::vector<Box> boxes = patch_boxes(plan, used, turn);
        const auto fits = [&](const Box& b) {
            return b.width() <= width && b.height() + caption_room <= height;
        };
        const std::vector<Box> parts = parts_with_patches(boxes, sheet);
        if (fits(sheet)) {
            whole.part = sheet;
            small.push_back(whole);
        } else if (std::all_of(parts.begin(), parts.end(), fits)) {
            for (const Box& part : parts) {
                PrintedPart some = whole;
                some.part = part;
                some.where = whereabouts(part, sheet, plan.of->units);
                small.push_back(some);
            }
        } else {
            const Tiling tiling = tiles_of(sheet, boxes, width, height - caption_room);
            for (const Tile& tile : tiling.tiles) {
                PrintedPart part = whole;
                part.part = tile.part;
                part.at = {0, caption_room};
                part.tile = tile;
                part.rows = tiling.rows;
                part.columns = tiling.columns;
                tiled.push_back({part});
            }
        }
    }
    add_patches_alone(plan, mirrored, width, height, small, tiled);
    std::stable_sort(small.begin(), small.end(), [](const PrintedPart& a, const PrintedPart& b) {
        return a.part.height() > b.part.height();
    });
    Rows rows(width, height);
    for (PrintedPart& part : small) rows.add(std::move(part));
    rows.pages_.insert(rows.pages_.end(), tiled.begin(), tiled.end());
    return std::move(rows.pages_);
}

} // namespace zesty::guide

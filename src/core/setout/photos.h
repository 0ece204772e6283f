#pragma once
// Photos on the page: their outlines, the prints to order, what a grid of them leaves free, and whether what
// must stay free of them is. Page millimetres.

#include "core/finding.h"
#include "core/setout/decisions.h"

namespace zesty {

/// A usual print, width not above height.
struct PhotoSize {
    double width = 0;
    double height = 0;
    bool operator==(const PhotoSize&) const = default;
};
/// 2 1/2 square, 3 x 4, 4 square, 4 x 6 and so on, smallest first.
const std::vector<PhotoSize>& usual_photo_sizes();

/// What it is called, or "Photo 2" by its place in SetOutDecisions::photos.
std::string name_of(const Photo& photo, std::size_t place);

/// A circle has 96 corners.
Polygon outline_of(const Photo& photo);
/// A part of a photo that must stay free, on the page.
Polygon outline_of(const Photo& photo, const Box& protected_parts);

/// The part of a photo that a drag between two places of the page spans, as Photo::protected_parts has it;
/// nothing when it spans none of the photo.
std::optional<Box> part_between(const Photo& photo, Point from, Point to);
/// Photo::protected_parts, or Photo::hidden_parts.
using PartsOfPhoto = std::vector<Box> Photo::*;
/// The smallest of those parts at a place of the page, or -1.
int part_at(const Photo& photo, PartsOfPhoto parts, Point on_page);
/// The photo with the last of those parts moved and its far corner moved by more, both in the photo's own
/// directions; the part stays on the photo.
Photo with_part_moved(Photo photo, PartsOfPhoto parts, Point by, Point larger);

/// "4 x 6 in", "2 1/2 in round".
std::string size_in_words(const Photo& photo, Units units);

/// Prints of one size and shape.
struct PhotoCount {
    double width = 0; ///< the shorter side first
    double height = 0;
    bool round = false;
    int count = 0;
};
/// Largest first; prints turned by a quarter count as the same.
std::vector<PhotoCount> photos_to_order(const std::vector<Photo>& photos);

/// What a grid of upright photos leaves free: cells in which no photo lies, measured by the rows and columns
/// of the others. Nothing when the photos do not stand in at least two rows and two columns.
std::vector<Box> free_cells(const std::vector<Photo>& photos);

/// The material of the cuts on the page, by SetOutDecisions::cuts, for the questions that need it.
using CutMaterial = std::vector<Region>;

/// Photos that hang off the page, and faces that something covers.
std::vector<Finding> photo_findings(const SetOutDecisions& page, Units units, const CutMaterial& material);

/// Puts photos of one size in a grid of `columns` x `rows` in the middle of the page, `gap` apart, leaving
/// the last `left_free` cells for paper. Nothing is put when the grid is larger than the page.
Result<void> put_grid(SetOutDecisions& page, Units units, Photo like, int columns, int rows, double gap,
                      int left_free);

} // namespace zesty

#pragma once
// Papers as brushes at true scale.

#include "core/project/plan.h"
#include "core/project/project.h"
#include "io/paint/decoded_pictures.h"

#include <QBrush>
#include <QColor>
#include <QImage>
#include <QPainter>
#include <QPainterPath>
#include <array>
#include <map>

namespace zesty {

QTransform to_qt(const Transform& t);
QPainterPath to_path(const Polygon& polygon);
QPainterPath to_path(const Region& region);
QColor to_qt(Rgb colour);
/// Of what a painter paints in millimetres now.
double pixels_per_mm(const QPainter& painter);

/// The pictures of a project's stash and photos, decoded once; those of papers when they are wanted
/// (io/paint/decoded_pictures.h). Copies share the images.
class Textures {
public:
    Textures() = default;
    /// Pictures that `before` has decoded are taken from there.
    explicit Textures(const Project& project, const Textures* before = nullptr);

    /// The paper as it lies on its sheets, seen through `sheet_to_target` (millimetres to millimetres): side
    /// A, or side B as it shows when the sheet is turned over to the left. With so many pixels to a
    /// millimetre of the target a picture of matching fineness is taken, so that small patterns do not
    /// shimmer; 0 takes the finest.
    QBrush brush(int paper, const Transform& sheet_to_target, double pixels_per_mm = 0,
                 Side side = Side::A) const;
    QColor colour(int paper, Side side = Side::A) const;
    /// What is to be seen on an embellishment, over the box of its outline; null where nothing is but colour.
    QImage embellishment(const Embellishment& thing, double pixels_per_mm = 0) const;
    /// What a photo shows, no finer than a page needs; null where nobody brought a picture.
    const QImage& photo(const Photo& photo) const;
    /// The same of any picture that was brought: the sketch's, too.
    const QImage& picture(const Shared<BroughtPicture>& brought) const;
    /// Whether these were made of the same pictures.
    bool made_of(const Project& project) const;
    /// Another for each that was made.
    unsigned number() const { return number_; }

    /// The picture of a side: the same number as long as it shows the same; 0 for a plain colour.
    unsigned picture_number(int paper, Side side) const;
    /// What of the sheet a picture covers, mm; empty for a plain colour.
    Box covers(int paper, Side side) const;

private:
    struct Picture {
        PictureBytes bytes; ///< none for a plain colour
        unsigned number = 0;
    };
    struct Texture {
        Picture picture;
        QColor colour;
        Box covers; ///< on the sheet
    };
    void take(const Stash& stash, const Textures* before);
    void take_picture(const Shared<BroughtPicture>& brought, const Textures* before);
    const Texture* find(int paper, Side side) const;
    /// No finer than shows where it is so long, mm; the finest for no pixels.
    QImage image(const Picture& picture, double longer, double pixels_per_mm) const;
    std::vector<std::array<Texture, 2>> textures_;  ///< by paper, A and B; B is A where there is no other
    std::map<std::string, Picture> embellishments_; ///< by name of the picture
    std::map<const void*, Picture> pictures_;       ///< by what their bytes are known by
    std::shared_ptr<DecodedPictures> decoded_;
    std::shared_ptr<const Stash> stash_;
    std::map<std::shared_ptr<const BroughtPicture>, QImage> photos_;
    unsigned number_ = next_number();
    static unsigned next_number();
};

} // namespace zesty

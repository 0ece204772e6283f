#pragma once
// The colours of a side of a paper with their shares, as a strip. A click on one changes it; a click with
// Shift takes it out.

#include "core/stash/stash.h"

#include <QWidget>

namespace zesty {

class PaletteStrip : public QWidget {
    Q_OBJECT
public:
    explicit PaletteStrip(QWidget* parent = nullptr);
    void show_face(const PaperFace& face);

signals:
    void changed(const std::vector<zesty::PaletteColour>& palette);
    void colour_changed(zesty::Rgb colour); ///< of a plain paper

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    bool event(QEvent* event) override;
    QSize sizeHint() const override { return {150, 24}; }

private:
    int at(int x) const; ///< index into what is shown, or -1
    void edit(int colour);
    void take_out(int colour);

    std::vector<PaletteColour> shown_;
    bool plain_ = false; ///< one colour without a picture
};

} // namespace zesty

#pragma once
// What the sheets of a page became: each drawn small, with what is on the page and what went back.

#include "core/keep/sheet_map.h"

#include <QColor>
#include <QWidget>

namespace zesty {

struct ShownSheet {
    MappedSheet sheet;
    QString name; ///< of its paper
    QColor colour;
};

class SheetMapView : public QWidget {
    Q_OBJECT
public:
    explicit SheetMapView(QWidget* parent);
    void show_sheets(const std::vector<ShownSheet>& sheets);

    bool hasHeightForWidth() const override { return true; }
    int heightForWidth(int width) const override;
    QSize sizeHint() const override;
    /// What is where, in words.
    QString said(std::size_t sheet) const;

protected:
    void paintEvent(QPaintEvent* event) override;
    bool event(QEvent* event) override;

private:
    QRectF place(std::size_t sheet) const;
    int columns(int width) const;

    std::vector<ShownSheet> sheets_;
};

} // namespace zesty

#pragma once
// What became of one paper: a part of the bar for each page that took of it, and what the drawer still has.

#include "core/keep/look_back.h"

#include <QWidget>

namespace zesty {

class WentRow : public QWidget {
    Q_OBJECT
public:
    /// `titles`: of its parts. `most`: mm2 that the whole width stands for.
    WentRow(PaperWent went, const QStringList& titles, double most, bool inches, QWidget* parent);

signals:
    void page_chosen(int page);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;

private:
    std::vector<QRectF> parts() const; ///< of the bar, the drawer's last

    PaperWent went_;
    QStringList titles_;
    double most_;
    bool inches_;
};

} // namespace zesty

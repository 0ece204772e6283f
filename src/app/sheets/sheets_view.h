#pragma once
// The sheets as cards with their numbered patches and what is left, and a small page beside them. Pointing at
// a patch lights its opening and the other way round.

#include "app/bench/bench_state.h"
#include "app/bench/document.h"
#include "app/page/background_picture.h"
#include "app/sheets/sheet_cards.h"

#include <QWidget>

namespace zesty {

class SheetsView : public QWidget {
    Q_OBJECT
public:
    SheetsView(Document& document, BenchState& state, QWidget* parent = nullptr);

    /// The patch at a pixel, or -1.
    int patch_at(QPointF pixel) const;
    /// What room there is kept for, in words; empty where it is not.
    QString room_at(QPointF pixel) const;
    const std::vector<SheetCard>& places() const { return places_; }
    bool up_to_date() const {
        return base_.up_to_date() && !(isVisible() && stale_ && state_.plan() && state_.plan()->sections.cut);
    }

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void leaveEvent(QEvent* event) override;
    void focusInEvent(QFocusEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    bool event(QEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    void arrange();
    void ask_for_base();
    void paint_hands(QPainter& painter, const Plan& plan) const;
    void scroll_by(double pixels);
    QRectF page_room() const;
    const Project& shown_project() const;
    const SheetCard* place_at(QPointF pixel) const;
    const SheetCard* place_of(int patch) const;
    Point on_sheet(const SheetCard& place, QPointF pixel) const; ///< mm on the sheet drawn there
    void drop_patch(QPointF pixel);
    void move_selected(Point by, double turn_deg);
    void pin(int patch, const SheetPin& to, const QString& intention);

    Document& document_;
    BenchState& state_;
    std::vector<SheetCard> places_;
    double scroll_ = 0;
    double content_height_ = 0;
    BackgroundPicture base_;
    bool stale_ = true;
    bool reached_by_key_ = false; ///< then the focus is shown
    int dragged_ = -1;            ///< patch
    QPointF drag_from_;
    QPointF drag_now_;
    bool moved_ = false;
};

} // namespace zesty

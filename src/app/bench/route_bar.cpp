#include "app/bench/route_bar.h"

#include "app/bench/theme.h"
#include "app/bench/waypoint_view.h"

#include <QHBoxLayout>
#include <QPainter>

namespace zesty {

namespace {

constexpr int tape_height = 58;
constexpr double wraps_from = 1.1; ///< letters from which answers go on in a second line
constexpr int second_line = 16;

/// One stop on the tape: a card lies on it while it is the current one.
class Stop : public QAbstractButton {
public:
    Stop(const QString& name, QWidget* parent) : QAbstractButton(parent) {
        setText(name);
        setCheckable(true);
        setAutoExclusive(true);
        setFocusPolicy(Qt::NoFocus);
        setCursor(Qt::PointingHandCursor);
        setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Expanding);
    }
    void say(const QString& answer, bool trouble) {
        answer_ = answer;
        trouble_ = trouble;
        setAccessibleName(text() + ": " + answer);
        update();
    }
    const QString& answer() const { return answer_; }

protected:
    /// Tab comes to the current stop, whoever went there; the arrows go on from it.
    void checkStateSet() override { setFocusPolicy(isChecked() ? Qt::TabFocus : Qt::NoFocus); }
    void paintEvent(QPaintEvent*) override {
        QPainter p(this);
        p.setRenderHint(QPainter::Antialiasing);
        const QRectF r = QRectF(rect()).adjusted(2, 3, -2, -3);
        if (isChecked()) {
            p.setPen(QPen(theme::zest, 2));
            p.setBrush(theme::card);
            p.drawRoundedRect(r, theme::radius, theme::radius);
        } else if (underMouse() || hasFocus()) {
            p.setPen(hasFocus() ? QPen(theme::zest, 2) : QPen(Qt::NoPen));
            p.setBrush(QColor(255, 254, 251, 110));
            p.drawRoundedRect(r, theme::radius, theme::radius);
        }
        p.setPen(theme::ink);
        p.setFont(theme::font(theme::Text::Body, true));
        p.drawText(r.adjusted(12, theme::px(5.0), -8, 0), Qt::AlignLeft | Qt::AlignTop, text());
        p.setFont(theme::font(theme::Text::Small));
        p.setPen(trouble_ ? theme::berry : theme::quiet);
        const QRectF room = r.adjusted(12, theme::px(25.0), -6, 0);
        if (theme::letters() > wraps_from) return p.drawText(room, Qt::AlignLeft | Qt::TextWordWrap, answer_);
        p.drawText(room, Qt::AlignLeft | Qt::AlignTop,
                   p.fontMetrics().elidedText(answer_, Qt::ElideRight, static_cast<int>(r.width()) - 18));
    }

private:
    QString answer_;
    bool trouble_ = false;
};

} // namespace

RouteBar::RouteBar(Document& document, BenchState& state, const std::vector<WaypointView*>& stops,
                   QWidget* parent)
    : QWidget(parent), document_(document), state_(state), waypoints_(stops) {
    setFixedHeight(theme::px(tape_height + (theme::letters() > wraps_from ? second_line : 0)));
    setAccessibleName("Route");
    setAttribute(Qt::WA_Hover);
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(8, 0, 8, 8);
    row->setSpacing(4);
    for (int i = 0; i < static_cast<int>(waypoints_.size()); ++i) {
        const QString name = waypoints_[static_cast<std::size_t>(i)]->name();
        auto* stop = new Stop(name, this);
        stop->setObjectName(QString("stop%1").arg(i));
        stop->setToolTip(QString("%1 (Ctrl+%2)").arg(name).arg(i + 1));
        connect(stop, &QAbstractButton::clicked, this, [this, i] { state_.go_to(static_cast<Waypoint>(i)); });
        row->addWidget(stop);
        stops_.push_back(stop);
    }
    connect(&state, &BenchState::plan_changed, this, &RouteBar::refresh);
    connect(&state, &BenchState::waypoint_changed, this, &RouteBar::refresh);
    refresh();
}

QString RouteBar::answer(Waypoint waypoint) const {
    return static_cast<Stop*>(stops_[static_cast<std::size_t>(waypoint)])->answer();
}

void RouteBar::refresh() {
    stops_[static_cast<std::size_t>(state_.waypoint())]->setChecked(true);
    const Plan* plan = state_.plan();
    if (!plan) return;
    for (std::size_t i = 0; i < stops_.size(); ++i)
        static_cast<Stop*>(stops_[i])->say(waypoints_[i]->answer(*plan->of, *plan),
                                           waypoints_[i]->in_trouble(*plan));
}

void RouteBar::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), theme::tape);
    p.setPen(theme::tape_line);
    p.drawLine(0, rect().height() - 1, width(), rect().height() - 1);
    for (int x = 0, k = 0; x < width(); x += 8, ++k) {
        const int tick = k % 10 == 0 ? 9 : k % 5 == 0 ? 7 : 4;
        p.drawLine(x, rect().height() - 1 - tick, x, rect().height() - 1);
    }
}

} // namespace zesty

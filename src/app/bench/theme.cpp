#include "app/bench/theme.h"

#include "io/paint/fonts.h"

#include <QApplication>
#include <QFile>
#include <QPainter>
#include <QPalette>
#include <QRegularExpression>
#include <QSvgRenderer>
#include <algorithm>
#include <cmath>

static void init_icons() {
    Q_INIT_RESOURCE(app);
}

namespace zesty::theme {

namespace {
double letters_now = 1;
} // namespace

void set_letters(double factor) {
    letters_now = std::clamp(factor, 1.0, largest_letters);
}

double letters() {
    return letters_now;
}

bool crowded() {
    return letters_now > 1.2;
}

int px(int usual) {
    return static_cast<int>(std::lround(usual * letters_now));
}

double px(double usual) {
    return usual * letters_now;
}

QFont font(Text size, bool strong) {
    QFont f("Lato");
    f.setPixelSize(px(size == Text::Small ? 13 : size == Text::Body ? 15 : 20));
    f.setWeight(strong ? QFont::DemiBold : QFont::Normal);
    return f;
}

QColor section_tint(int section) {
    static const QColor tints[] = {{0xF3, 0xC9, 0x8B}, {0x9F, 0xCC, 0xE3}, {0x9C, 0xCF, 0xB4},
                                   {0xF0, 0xE0, 0x8C}, {0x8F, 0xB3, 0xD9}, {0xE8, 0xA5, 0x86},
                                   {0xD9, 0xAE, 0xCB}, {0xCB, 0xC6, 0xBC}};
    return tints[(section % 8 + 8) % 8];
}

QIcon icon(const char* name, const QColor& colour) {
    QFile file(QString(":/icons/%1.svg").arg(name));
    if (!file.open(QIODevice::ReadOnly)) return {};
    QByteArray svg = file.readAll();
    QIcon out;
    for (const auto mode : {QIcon::Normal, QIcon::Disabled}) {
        QColor c = colour;
        if (mode == QIcon::Disabled) c = QColor(0xB5, 0xAE, 0xA4);
        QByteArray painted = svg;
        QSvgRenderer renderer(painted.replace("currentColor", c.name().toLatin1()));
        QPixmap pixmap(QSize(20, 20) * fineness);
        pixmap.fill(Qt::transparent);
        QPainter painter(&pixmap);
        renderer.render(&painter);
        painter.end();
        pixmap.setDevicePixelRatio(fineness);
        out.addPixmap(pixmap, mode);
    }
    return out;
}

namespace {

const char* sheet = R"(
* { font-family: Lato; font-size: 13px; color: #26242B; }
#side { background: #FBF8F1; border-left: 1px solid #D9D0C0; }
QToolTip { background: #FFFEFB; color: #26242B; border: 1px solid #D9D0C0; padding: 4px; }
QPushButton, QToolButton { background: #FFFEFB; border: 1px solid #D9D0C0; border-radius: 6px; padding: 5px 12px; }
QToolButton { padding: 4px 8px; }
QPushButton:hover, QToolButton:hover { border-color: #E86A17; }
QComboBox:disabled { color: #A39C92; }
QPushButton:focus, QToolButton:focus, QLineEdit:focus, QPlainTextEdit:focus, QComboBox:focus { border: 2px solid #E86A17; }
QPushButton:pressed, QToolButton:pressed { background: #FBE6D3; }
QPushButton:disabled, QToolButton:disabled { color: #A39C92; background: #F6F2E9; border-color: #E3DACB; }
QPushButton[primary="true"] { background: #A94608; border-color: #A94608; color: #FFFFFF; font-weight: 600; }
QPushButton[primary="true"]:hover { background: #A34406; }
QPushButton[primary="true"]:focus { border: 2px solid #26242B; }
QPushButton[primary="true"]:disabled { background: #E5DCCD; border-color: #E5DCCD; color: #8F887D; }
QPushButton[fix="true"] { background: #FBE6D3; border: 1px solid #FBE6D3; color: #A34406; font-weight: 600; border-radius: 10px; padding: 4px 12px; }
QPushButton[fix="true"]:hover, QPushButton[fix="true"]:focus { border-color: #A94608; }
QPushButton[quiet="true"], QToolButton[quiet="true"] { background: transparent; border-color: transparent; color: #54505A; }
QPushButton[quiet="true"]:hover, QToolButton[quiet="true"]:hover { background: #FFFEFB; border-color: #D9D0C0; }
QPushButton[quiet="true"]:focus, QToolButton[quiet="true"]:focus { border-color: #E86A17; }
QPushButton[segment="true"] { border-radius: 6px; padding: 4px 8px; }
QPushButton[segment="true"]:checked { background: #FBE6D3; border-color: #A94608; color: #A34406; font-weight: 600; }
QToolButton::menu-indicator { image: none; }
QLineEdit, QPlainTextEdit { background: #FFFEFB; border: 1px solid #D9D0C0; border-radius: 6px; padding: 4px 8px; selection-background-color: #E86A17; }
QListWidget { background: #FFFEFB; border: 1px solid #D9D0C0; border-radius: 6px; padding: 2px; outline: none; }
QListWidget::item { border-radius: 6px; color: #26242B; }
QListWidget::item:selected { background: #FBE3CF; color: #26242B; }
QListWidget:focus { border: 2px solid #E86A17; }
QLineEdit[wrong="true"] { border: 2px solid #B02A4B; }
QCheckBox { spacing: 8px; }
QCheckBox::indicator { width: 16px; height: 16px; border: 1px solid #A39C92; border-radius: 4px; background: #FFFEFB; }
QCheckBox::indicator:checked { background: #A94608; border-color: #A94608; image: url(:/icons/check.svg); }
QCheckBox:focus { color: #A34406; }
QSlider::groove:horizontal { height: 5px; border-radius: 2px; background: #D9D0C0; }
QSlider::sub-page:horizontal { height: 5px; border-radius: 2px; background: #E86A17; }
QSlider::handle:horizontal { width: 15px; height: 15px; margin: -7px 0; border-radius: 9px; background: #FFFEFB; border: 2px solid #E86A17; }
QSlider::handle:horizontal:focus { background: #FBE6D3; }
QScrollArea, QScrollArea > QWidget > QWidget { background: transparent; border: none; }
QScrollBar:vertical { width: 10px; background: transparent; margin: 0; }
QScrollBar:horizontal { height: 10px; background: transparent; margin: 0; }
QScrollBar::handle { background: #CFC5B3; border-radius: 5px; min-height: 24px; min-width: 24px; }
QScrollBar::handle:hover { background: #B9AE9A; }
QScrollBar::add-line, QScrollBar::sub-line { width: 0; height: 0; }
QScrollBar::add-page, QScrollBar::sub-page { background: transparent; }
QMenu { background: #FFFEFB; border: 1px solid #D9D0C0; padding: 4px; }
QMenu::item { padding: 5px 16px; border-radius: 4px; }
QMenu::item:selected { background: #FBE6D3; }
QProgressBar { background: #E3DAC9; border: none; border-radius: 3px; height: 6px; }
QProgressBar::chunk { background: #E86A17; border-radius: 3px; }
QLabel[quiet="true"] { color: #6B6670; }
QLabel[title="true"] { font-size: 20px; font-weight: 500; }
QLabel[strong="true"] { font-size: 15px; font-weight: 600; }
QLabel[figure="true"] { font-size: 15px; font-weight: 600; }
)";

/// The sheet with the sizes of letters, and of what is drawn beside them, as large as they are to be.
QString with_letters(QString out) {
    static const QRegularExpression size("(font-size: |indicator \\{ width: |height: )(\\d\\d)px");
    for (int at = 0;;) {
        const auto found = size.match(out, at);
        if (!found.hasMatch()) return out;
        const QString now = found.captured(1) + QString::number(px(found.captured(2).toInt())) + "px";
        out.replace(found.capturedStart(), found.capturedLength(), now);
        at = static_cast<int>(found.capturedStart() + now.size());
    }
}

} // namespace

void apply(QApplication& application) {
    init_icons();
    load_fonts();
    QApplication::setStyle("Fusion");
    QPalette p;
    p.setColor(QPalette::Window, bench);
    p.setColor(QPalette::WindowText, ink);
    p.setColor(QPalette::Base, card);
    p.setColor(QPalette::Text, ink);
    p.setColor(QPalette::Button, card);
    p.setColor(QPalette::ButtonText, ink);
    p.setColor(QPalette::Highlight, zest);
    p.setColor(QPalette::HighlightedText, Qt::white);
    QApplication::setPalette(p);
    QApplication::setFont(font(Text::Small));
    application.setStyleSheet(with_letters(sheet));
}

} // namespace zesty::theme

#include "app/bench/head_bar.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "core/setout/frame.h"

#include <QFileInfo>
#include <QHBoxLayout>
#include <QLabel>
#include <QMenu>
#include <QTimer>
#include <QToolButton>

namespace zesty {

namespace {
constexpr int trouble_ms = 15000;
constexpr int news_ms = 5000;
} // namespace

HeadBar::HeadBar(Document& document, Actions& actions, Settings& settings, QWidget* parent)
    : QWidget(parent), document_(document), actions_(actions), settings_(settings), title_(new QLabel(this)),
      message_(new QLabel(this)), message_timer_(new QTimer(this)) {
    setAutoFillBackground(true);
    QPalette ground = palette();
    ground.setColor(QPalette::Window, theme::paper);
    setPalette(ground);
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(16, 5, 12, 5);
    row->setSpacing(4);
    title_->setObjectName("title");
    row->addWidget(title_);
    row->addSpacing(12);
    message_->setObjectName("message");
    message_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    row->addWidget(message_, 1);
    add_tool(Act::Open, "folder-open", "Open");
    add_recent_files();
    add_tool(Act::Save, "save", "Save");
    add_tool(Act::Undo, "undo-2", "Undo");
    add_tool(Act::Redo, "redo-2", "Redo");
    add_tool(Act::Keys, "keyboard", "Keys");
    add_tool(Act::Units, nullptr, "in / cm");
    message_timer_->setSingleShot(true);
    connect(message_timer_, &QTimer::timeout, message_, [this] { message_->clear(); });
}

void HeadBar::add_tool(Act act, const char* icon, const QString& text) {
    auto* b = new QToolButton(this);
    b->setDefaultAction(actions_[act]);
    const auto show = [b, text, icon] {
        b->setText(text);
        if (icon) b->setIcon(theme::icon(icon));
    };
    show();
    b->setToolButtonStyle(icon ? Qt::ToolButtonTextBesideIcon : Qt::ToolButtonTextOnly);
    b->setProperty("quiet", true);
    b->setFocusPolicy(Qt::TabFocus);
    // The action's own text is a sentence; the button keeps its word.
    connect(actions_[act], &QAction::changed, b, show);
    layout()->addWidget(b);
}

void HeadBar::add_recent_files() {
    auto* recents = new QToolButton(this);
    recents->setText("Recent");
    recents->setAccessibleName("Recent files");
    recents->setToolTip("Recent files");
    recents->setProperty("quiet", true);
    recents->setPopupMode(QToolButton::InstantPopup);
    auto* menu = new QMenu(recents);
    recents->setMenu(menu);
    connect(menu, &QMenu::aboutToShow, this, [this, menu] {
        menu->clear();
        for (const QString& path : settings_.recent_files())
            menu->addAction(QFileInfo(path).fileName(), this, [this, path] { emit open_recent(path); });
        if (menu->isEmpty()) menu->addAction("No recent files yet")->setEnabled(false);
    });
    layout()->addWidget(recents);
}

void HeadBar::say(const QString& message, bool trouble) {
    message_->setText(message);
    message_->setToolTip(message);
    message_->setStyleSheet(trouble ? "color: #B02A4B; font-weight: 600;" : "color: #3E7C4F;");
    message_timer_->start(trouble ? trouble_ms : news_ms);
}

void HeadBar::refresh() {
    const Project& p = document_.project();
    const QString name = p.title.empty() ? "A new page" : words(p.title);
    const Page& page = p.set_out.page;
    title_->setText(
        QString("<b style='font-size:%4px'>%1</b>%2 &nbsp;&nbsp;<span style='color:#6B6670'>%3</span>")
            .arg(name.toHtmlEscaped(), document_.changed() ? " *" : "", words(page_in_words(page, p.units)))
            .arg(theme::px(15)));
    window()->setWindowTitle(name + (document_.changed() ? "*" : "") + " - Zesty Panel");
    const QUndoStack& h = document_.history();
    actions_[Act::Undo]->setToolTip(h.canUndo() ? QString("Undo: %1 (Ctrl+Z)").arg(h.undoText())
                                                : "Nothing to undo");
    actions_[Act::Redo]->setToolTip(h.canRedo() ? QString("Redo: %1 (Ctrl+Shift+Z)").arg(h.redoText())
                                                : "Nothing to redo");
}

} // namespace zesty

#pragma once
// The line at the top: what page it is, what has just happened, and what is done with files.

#include "app/bench/actions.h"
#include "app/bench/document.h"
#include "app/bench/settings.h"

#include <QWidget>

class QLabel;
class QTimer;

namespace zesty {

class HeadBar : public QWidget {
    Q_OBJECT
public:
    HeadBar(Document& document, Actions& actions, Settings& settings, QWidget* parent);
    void say(const QString& message, bool trouble);
    void refresh();

signals:
    void open_recent(const QString& path);

private:
    void add_tool(Act act, const char* icon, const QString& text);
    void add_recent_files();

    Document& document_;
    Actions& actions_;
    Settings& settings_;
    QLabel* title_;
    QLabel* message_;
    QTimer* message_timer_;
};

} // namespace zesty

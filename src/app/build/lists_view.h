#pragma once
// Everything that has to be on the table, list by list.

#include "app/build/build_desk.h"

#include <QTextBrowser>

namespace zesty {

class ListsView : public QTextBrowser {
    Q_OBJECT
public:
    ListsView(BuildDesk& desk, QWidget* parent);
    /// Of what one more sheet would cure; empty for what nobody has asked.
    void show_one_more(const QString& html);

protected:
    void showEvent(QShowEvent* event) override;

private:
    void refresh();

    BuildDesk& desk_;
    QString one_more_;
};

} // namespace zesty

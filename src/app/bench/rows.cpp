#include "app/bench/rows.h"

#include "app/bench/theme.h"

#include <algorithm>

namespace zesty {

namespace {
constexpr int height_of_row = 22;
} // namespace

Rows::Rows(const QString& object, const QString& name, int shown, QWidget* parent) : QListWidget(parent) {
    setObjectName(object);
    setAccessibleName(name);
    setFixedHeight(shown * theme::px(height_of_row) + 8);
    setTextElideMode(Qt::ElideRight);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    connect(this, &QListWidget::currentRowChanged, this, &Rows::taken);
}

void Rows::show_rows(const QStringList& rows) {
    const int last = static_cast<int>(rows.size()) - 1;
    const int now = std::min(std::max(currentRow(), 0), last);
    const QSignalBlocker quiet(this);
    while (count() > last + 1) delete takeItem(count() - 1);
    while (count() < last + 1) {
        addItem(QString());
        item(count() - 1)->setSizeHint({0, theme::px(height_of_row)});
    }
    for (int i = 0; i <= last; ++i) item(i)->setText(rows[i]);
    setCurrentRow(now);
}

} // namespace zesty

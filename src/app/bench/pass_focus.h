#pragma once
// Keys for a view go to a widget within it. Unlike a focus proxy this leaves Tab its way out: from a child
// Tab would come to the parent, and so to the child again.

#include <QObject>
#include <functional>

class QWidget;

namespace zesty {

/// Whoever gives `from` the focus gives it to what `to` says then. `from` itself is no stop for Tab.
void pass_focus(QWidget* from, std::function<QWidget*()> to);

} // namespace zesty

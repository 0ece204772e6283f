#include "app/bench/pass_focus.h"

#include <QEvent>
#include <QWidget>

namespace zesty {

namespace {

class PassFocus final : public QObject {
public:
    PassFocus(QWidget* from, std::function<QWidget*()> to) : QObject(from), to_(std::move(to)) {
        from->installEventFilter(this);
    }

protected:
    bool eventFilter(QObject*, QEvent* event) override {
        if (event->type() == QEvent::FocusIn)
            if (QWidget* to = to_()) to->setFocus();
        return false;
    }

private:
    std::function<QWidget*()> to_;
};

} // namespace

void pass_focus(QWidget* from, std::function<QWidget*()> to) {
    new PassFocus(from, std::move(to)); // goes with `from`
}

} // namespace zesty

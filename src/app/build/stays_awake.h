#pragma once
// Asks the desktop not to let the screen go to sleep, by the freedesktop screen saver interface; where there
// is none nothing happens.

#include <QObject>

namespace zesty {

class StaysAwake : public QObject {
    Q_OBJECT
public:
    explicit StaysAwake(QObject* parent) : QObject(parent) {}
    ~StaysAwake() override { stay(false); }
    void stay(bool awake);
    bool wanted() const { return wanted_; }

private:
    bool wanted_ = false;
    uint cookie_ = 0;
};

} // namespace zesty

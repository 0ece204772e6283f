#pragma once
// A strip across the window for what has to be chosen before work goes on well: work that a crash left
// behind, a file that somebody else has changed. Not a dialog: everything else stays usable.

#include <QImage>
#include <QWidget>
#include <functional>
#include <vector>

class QVBoxLayout;

namespace zesty {

struct NoticeChoice {
    QString text;
    QString tooltip;
    std::function<void()> chosen; ///< the notice is gone by then
};

class NoticeBar : public QWidget {
    Q_OBJECT
public:
    explicit NoticeBar(QWidget* parent = nullptr);
    /// A notice with the same key takes the place of the one before. `picture` may be null.
    void show_notice(const QString& key, const QString& title, const QString& words, const QImage& picture,
                     std::vector<NoticeChoice> choices);
    void drop(const QString& key);
    bool shows(const QString& key) const;

private:
    QVBoxLayout* column_;
};

} // namespace zesty

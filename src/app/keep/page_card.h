#pragma once
// A page on the shelf: its picture on a card, as it would stand there. Disabled it is dashed: not there yet.

#include "app/bench/theme.h"

#include <QAbstractButton>
#include <QImage>
#include <string>

namespace zesty {

inline QSize page_card_size() {
    return {theme::px(164), theme::px(208)};
}
inline constexpr int card_picture = 132; ///< px, both ways at most

class PageCard : public QAbstractButton {
    Q_OBJECT
public:
    /// `uid`: of the record; empty for the page on the bench.
    PageCard(std::string uid, QWidget* parent);
    const std::string& uid() const { return uid_; }
    void say(const QString& title, const QString& about);
    void show_picture(const QImage& picture);
    QSize sizeHint() const override { return page_card_size(); }

signals:
    void wants_picture();

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    std::string uid_;
    QString about_;
    QImage picture_;
};

} // namespace zesty

#pragma once
// A picture painted off the window's thread. The last one stays on show until the next is ready; of requests
// made meanwhile only the newest is painted.

#include <QImage>
#include <QObject>
#include <QPainter>
#include <QThreadPool>
#include <functional>

namespace zesty {

class BackgroundPicture : public QObject {
    Q_OBJECT
public:
    explicit BackgroundPicture(QObject* parent = nullptr);
    ~BackgroundPicture() override;

    /// `paint` runs on another thread and must hold whatever it needs; units are those of a widget of `size`.
    /// `after` may change the whole picture, on that thread.
    void request(QSize size, double pixel_ratio, const QColor& ground, std::function<void(QPainter&)> paint,
                 std::function<QImage(QImage)> after = {});
    const QImage& image() const { return image_; }
    bool up_to_date() const { return !running_ && !next_; }

signals:
    void ready();

private:
    void start(std::function<QImage()> job);

    QThreadPool pool_;
    QImage image_;
    bool running_ = false;
    std::function<QImage()> next_;
};

} // namespace zesty

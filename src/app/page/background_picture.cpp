#include "app/page/background_picture.h"

#include <utility>

namespace zesty {

BackgroundPicture::BackgroundPicture(QObject* parent) : QObject(parent) {
    pool_.setMaxThreadCount(1);
}

BackgroundPicture::~BackgroundPicture() {
    pool_.waitForDone();
}

void BackgroundPicture::request(QSize size, double pixel_ratio, const QColor& ground,
                                std::function<void(QPainter&)> paint, std::function<QImage(QImage)> after) {
    auto job = [size, pixel_ratio, ground, paint = std::move(paint), after = std::move(after)] {
        QImage image(size * pixel_ratio, QImage::Format_ARGB32_Premultiplied);
        image.setDevicePixelRatio(pixel_ratio);
        image.fill(ground);
        QPainter painter(&image);
        painter.setRenderHint(QPainter::Antialiasing);
        paint(painter);
        painter.end();
        return after ? after(std::move(image)) : image;
    };
    if (running_)
        next_ = std::move(job);
    else
        start(std::move(job));
}

void BackgroundPicture::start(std::function<QImage()> job) {
    running_ = true;
    pool_.start([this, job = std::move(job)] {
        QImage made = job();
        QMetaObject::invokeMethod(
            this,
            [this, made = std::move(made)] {
                image_ = made;
                running_ = false;
                if (next_) start(std::exchange(next_, nullptr));
                emit ready();
            },
            Qt::QueuedConnection);
    });
}

} // namespace zesty

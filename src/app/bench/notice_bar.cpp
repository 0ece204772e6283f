#include "app/bench/notice_bar.h"

#include "app/bench/theme.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QVBoxLayout>

namespace zesty {

namespace {
constexpr int picture_height = 56;
}

NoticeBar::NoticeBar(QWidget* parent) : QWidget(parent), column_(new QVBoxLayout(this)) {
    column_->setContentsMargins(0, 0, 0, 0);
    column_->setSpacing(0);
    setObjectName("notices");
    hide();
}

void NoticeBar::show_notice(const QString& key, const QString& title, const QString& words,
                            const QImage& picture, std::vector<NoticeChoice> choices) {
    drop(key);
    auto* notice = new QWidget(this);
    notice->setObjectName("notice-" + key);
    notice->setAccessibleName(title);
    notice->setAttribute(Qt::WA_StyledBackground);
    notice->setStyleSheet(
        QString("#notice-%1 { background: #FFF6DA; border-bottom: 1px solid #D9D0C0; }").arg(key));
    auto* row = new QHBoxLayout(notice);
    row->setContentsMargins(16, 8, 16, 8);
    row->setSpacing(16);
    if (!picture.isNull()) {
        auto* shown = new QLabel(notice);
        shown->setPixmap(
            QPixmap::fromImage(picture.scaledToHeight(picture_height, Qt::SmoothTransformation)));
        row->addWidget(shown);
    }
    auto* text = new QVBoxLayout;
    text->setSpacing(2);
    auto* head = new QLabel(title, notice);
    head->setFont(theme::font(theme::Text::Body, true));
    auto* line = new QLabel(words, notice);
    line->setProperty("quiet", true);
    line->setWordWrap(true);
    text->addStretch(1);
    text->addWidget(head);
    text->addWidget(line);
    text->addStretch(1);
    row->addLayout(text, 1);
    for (std::size_t i = 0; i < choices.size(); ++i) {
        auto* b = new QPushButton(choices[i].text, notice);
        b->setObjectName(QString("choice-%1").arg(i + 1));
        b->setToolTip(choices[i].tooltip);
        if (i == 0) b->setProperty("primary", true);
        connect(b, &QPushButton::clicked, this, [this, key, chosen = choices[i].chosen] {
            drop(key);
            chosen();
        });
        row->addWidget(b, 0, Qt::AlignVCenter);
    }
    column_->addWidget(notice);
    show();
}

bool NoticeBar::shows(const QString& key) const {
    return findChild<QWidget*>("notice-" + key) != nullptr;
}

void NoticeBar::drop(const QString& key) {
    auto* notice = findChild<QWidget*>("notice-" + key);
    if (!notice) return;
    notice->setObjectName({});
    notice->hide();
    column_->removeWidget(notice);
    notice->deleteLater();
    setVisible(column_->count() > 0);
}

} // namespace zesty

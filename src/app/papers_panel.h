#pragma once
// Which paper where: propose, look, take; and what the selected opening has and could have.

#include "app/panel.h"

class QComboBox;
class QProgressBar;
class QSlider;

namespace zesty {

class PapersPanel : public Panel {
    Q_OBJECT
public:
    PapersPanel(Document& document, BenchState& state, Actions& actions, QWidget* parent = nullptr);

    void show_progress(double fraction, const QString& what);
    void show_proposing(bool on);

signals:
    void give(const QString& paper_id);
    void lock_changed(bool locked);

private:
    void refresh() override;
    void refresh_others(const Plan& plan, int section);
    void build_style();

    QPushButton* propose_;
    QProgressBar* bar_;
    QLabel* doing_;
    QSlider* drift_;
    QComboBox* light_;
    int slide_number_ = 0;
    QWidget* offer_;
    QLabel* offer_text_;
    QLabel* selection_;
    QLabel* has_;
    QPushButton* lock_;
    QWidget* others_;
    bool proposing_ = false;
};

} // namespace zesty

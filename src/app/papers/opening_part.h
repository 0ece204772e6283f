#pragma once
// The selected openings: which paper they have and why, what else they could have, what rules there are for
// them, and what is wanted of the pattern.

#include "app/bench/panel_part.h"

class QLineEdit;

namespace zesty {

class Worker;
class OpeningPart : public PanelPart {
    Q_OBJECT
public:
    OpeningPart(Document& document, BenchState& state, Actions& actions, Worker& worker, QWidget* parent);

signals:
    void give(const QString& paper_id, zesty::Side side);
    void lock_changed(bool locked);

private:
    void refresh() override;
    void build_rules();
    void build_pattern();
    void ask_why(int section);
    void show_others(const WhyPaper* why);
    int selected_section() const;
    template <class Change> void change(const QString& intention, Change apply);

    Worker& worker_;
    QLabel* selection_;
    QLabel* has_;
    QPushButton* lock_;
    QLabel* why_;
    QWidget* others_;
    QPushButton* never_;
    QPushButton* same_;
    QPushButton* facing_;
    QPushButton* own_;
    QLineEdit* slant_;
    QPushButton* run_on_;
    QPushButton* move_;
    QPushButton* plain_;
    /// The newest question; older ones are dropped. Read on the other thread, which may outlive this.
    std::shared_ptr<std::atomic<quint64>> asked_ = std::make_shared<std::atomic<quint64>>(0);
};

} // namespace zesty

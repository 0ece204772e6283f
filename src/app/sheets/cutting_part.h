#pragma once
// What is cut from what, and the files for printer and machine.

#include "app/bench/panel_part.h"
#include "app/bench/settings.h"
#include "io/guide/guide_pdf.h"

class QHBoxLayout;
class QPushButton;

namespace zesty {

class Worker;
class CuttingPart : public PanelPart {
    Q_OBJECT
public:
    CuttingPart(Document& document, BenchState& state, Actions& actions, Settings& settings, Worker& worker,
                QWidget* parent);
    void show_written(const QStringList& files);
    /// Of the guide, that are to be printed.
    const Chapters& chapters() const { return chapters_; }

private:
    void refresh() override;
    void build_chapters(QHBoxLayout* row);
    void count_pages();

    Settings& settings_;
    Worker& worker_;
    Chapters chapters_ = usual_chapters;
    QPushButton* which_;
    QLabel* pages_;
    quint64 asked_ = 0;
    QLabel* summary_;
    QLabel* written_;
};

} // namespace zesty

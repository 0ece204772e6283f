#pragma once
// Set out: page and frame, cuts, photos, and what every size would do. One part at a time.

#include "app/bench/panel_part.h"
#include "app/bench/settings.h"

namespace zesty {

class Worker;
class CopiesPart;
class CutsPart;
class PhotosPart;
class PiecesPart;
class RoomsPart;
class SketchPart;

class SetOutPanel : public PanelOfParts {
    Q_OBJECT
public:
    enum Part { Page, Cuts, Pieces, Copies, Photos, Rooms, Sketch, Sizes, Numbers };
    SetOutPanel(Document& document, BenchState& state, Actions& actions, Worker& worker,
                const Settings& settings, QWidget* parent = nullptr);

    PhotosPart& photos() { return *photos_; }
    PiecesPart& pieces() const { return *pieces_; }
    CopiesPart& copies() { return *copies_; }
    RoomsPart& rooms() { return *rooms_; }
    SketchPart& sketch() const { return *sketch_; }
    void ask_size(int cut_id);

signals:
    void say(const QString& message);

private:
    PhotosPart* photos_;
    CutsPart* cuts_;
    PiecesPart* pieces_;
    CopiesPart* copies_;
    RoomsPart* rooms_;
    SketchPart* sketch_;
};

} // namespace zesty

#pragma once
// Choosing a paper of the drawer, or one from elsewhere, by its name and a swatch of its colour.

#include "app/bench/choices.h"
#include "core/shared.h"
#include "core/stash/stash.h"

namespace zesty {

struct PaperPick {
    std::string id; ///< empty for paper from elsewhere
    Side side = Side::A;
    bool operator==(const PaperPick&) const = default;
};

class PaperBox : public ChoiceBox<PaperPick> {
public:
    explicit PaperBox(const QString& name, QWidget* parent);
    /// `none`: what stands for paper from elsewhere. Emits nothing.
    void show_paper(const Shared<Stash>& stash, const QString& none, const std::string& now);
    /// The same with the other sides of papers.
    void show_side(const Shared<Stash>& stash, const QString& none, const PaperPick& now);

private:
    void fill(const Shared<Stash>& stash, const QString& none, bool sides);
};

} // namespace zesty

#pragma once
// The proposals on the bench: which one is on show, and what it is compared with.

#include "core/project/plan.h"
#include "core/project/project.h"

#include <QObject>
#include <QStringList>
#include <memory>
#include <optional>
#include <vector>

namespace zesty {

/// A proposal: nothing is decided until it is taken.
struct Offer {
    Project project;
    std::shared_ptr<const Plan> plan;
    QString idea;
    QStringList reasons;
};

class Offers : public QObject {
    Q_OBJECT
public:
    using QObject::QObject;

    const std::vector<Offer>& all() const { return all_; }
    /// The one on show, if there is one.
    const Offer* shown() const { return all_.empty() ? nullptr : &all_[shown_]; }
    int number() const { return all_.empty() ? -1 : static_cast<int>(shown_); } ///< of the one on show
    /// All of them are on show in place of the page.
    bool side_by_side() const { return side_by_side_ && !all_.empty(); }
    /// Up to which part of the page's width the proposal is on show, what is decided right of it; nothing
    /// when the two are not compared.
    std::optional<double> compared_at() const { return all_.empty() ? std::nullopt : compared_at_; }
    /// What the proposal is compared with: another one, or null for what is decided.
    const Offer* compared_with() const;
    int compared_with_number() const { return compared_with() ? compared_with_ : -1; }

    void set(std::vector<Offer> offers); ///< the first is on show, all side by side
    void show(int offer);                ///< counted round, from either end
    void show_side_by_side(bool all);
    void compare_at(std::optional<double> part);
    void compare_with(int offer); ///< -1 for what is decided
    /// The one on show, after which there is none. There must be one.
    Offer take();

signals:
    void changed();
    void another_shown(); ///< or none any more: another plan is on show
    void compared_changed();

private:
    std::vector<Offer> all_;
    std::size_t shown_ = 0;
    bool side_by_side_ = false;
    std::optional<double> compared_at_;
    int compared_with_ = -1;
};

} // namespace zesty

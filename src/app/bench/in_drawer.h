#pragma once
// What is picked in the drawer, which side of each paper is up, and what other pages have reserved.

#include "core/stash/stash.h"
#include "io/reserved.h"

#include <QObject>
#include <set>
#include <string>

namespace zesty {

class InDrawer : public QObject {
    Q_OBJECT
public:
    using QObject::QObject;

    int picked() const { return picked_; } ///< index of a paper, or -1
    /// The side of a paper that shows in the drawer, and that is given.
    Side side_up(int paper) const { return turned_.contains(paper) ? Side::B : Side::A; }
    /// What other pages have reserved of a paper, mm2.
    double reserved(const std::string& paper) const;
    /// The pieces that these are for.
    const std::vector<ReservedPiece>& wanted_elsewhere() const { return reserved_.pieces; }

    void pick(int paper);
    void turn_over(int paper);
    /// The picture of the picked paper is in the middle, to cut motifs out of it.
    void cut_out(bool on);
    bool cuts_out() const { return cuts_out_; }
    void show_reserved(Reserved by_others);

signals:
    void changed();
    void reserved_changed();

private:
    int picked_ = -1;
    bool cuts_out_ = false;
    std::set<int> turned_;
    Reserved reserved_;
};

} // namespace zesty

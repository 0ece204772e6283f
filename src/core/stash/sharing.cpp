#include "core/stash/sharing.h"

#include "core/stash/same_thing.h"
#include "core/stash/sheet_changes.h"

#include <algorithm>

namespace zesty {

std::string with_picture(Stash& stash, const std::string& name, const PictureBytes& bytes) {
    const std::size_t dot = name.rfind('.') == std::string::npos ? name.size() : name.rfind('.');
    std::string free = name;
    for (int n = 2;; ++n) {
        const auto there = stash.pictures.find(free);
        if (there == stash.pictures.end()) break;
        if (there->second == bytes) return free;
        free = name.substr(0, dot) + "-" + std::to_string(n) + name.substr(dot);
    }
    stash.pictures[free] = bytes;
    return free;
}

namespace {

std::string take_picture(Stash& stash, const std::string& name, const Pictures& from) {
    const auto bytes = from.find(name);
    return name.empty() || bytes == from.end() ? name : with_picture(stash, name, bytes->second);
}

void take_pictures(Stash& stash, Paper& paper, const Pictures& from) {
    paper.picture = take_picture(stash, paper.picture, from);
    if (paper.back) paper.back->picture = take_picture(stash, paper.back->picture, from);
}

template <class Fact> void carry(const Fact& before, const Fact& after, Fact& now) {
    if (!(before == after)) now = after;
}

void carry_face(const PaperFace& before, const PaperFace& after, PaperFace& now) {
    carry(before.colour, after.colour, now.colour);
    carry(before.picture, after.picture, now.picture);
    carry(before.pattern, after.pattern, now.pattern);
    carry(before.direction, after.direction, now.direction);
    carry(before.repeat, after.repeat, now.repeat);
    carry(before.angle_deg, after.angle_deg, now.angle_deg);
    carry(before.palette, after.palette, now.palette);
    carry(before.coarse, after.coarse, now.coarse);
    carry(before.variation, after.variation, now.variation);
}

void carry_count(int before, int after, int& now) {
    now = std::max(0, now + after - before);
}

void carry_thing(const Embellishment& before, const Embellishment& after, Embellishment& now) {
    carry(before.name, after.name, now.name);
    carry(before.kind, after.kind, now.kind);
    carry(before.colour, after.colour, now.colour);
    carry(before.outline, after.outline, now.outline);
    carry(before.thickness, after.thickness, now.thickness);
    carry(before.white_rim, after.white_rim, now.white_rim);
    carry_count(before.count, after.count, now.count);
    carry(before.on_sheet, after.on_sheet, now.on_sheet);
    carry(before.kept_in, after.kept_in, now.kept_in);
    carry(before.in_stash, after.in_stash, now.in_stash);
}

void carry_thing(const LetterSet& before, const LetterSet& after, LetterSet& now) {
    carry(before.name, after.name, now.name);
    carry(before.kind, after.kind, now.kind);
    carry(before.height, after.height, now.height);
    carry(before.stroke, after.stroke, now.stroke);
    carry(before.gap, after.gap, now.gap);
    carry(before.colour, after.colour, now.colour);
    carry(before.thickness, after.thickness, now.thickness);
    carry(before.kept_in, after.kept_in, now.kept_in);
    carry(before.in_stash, after.in_stash, now.in_stash);
    for (const auto& [letter, piece] : after.letters) {
        const auto was = before.letters.find(letter);
        if (was != before.letters.end() && was->second == piece) continue;
        // What others have entered for the same new letter is added to, what they have removed comes back.
        const auto [at, back] = now.letters.emplace(letter, piece);
        if (back) continue;
        const LetterPiece old = was == before.letters.end() ? LetterPiece{at->second.width, 0} : was->second;
        carry(old.width, piece.width, at->second.width);
        carry_count(old.count, piece.count, at->second.count);
    }
    for (const auto& [letter, piece] : before.letters)
        if (!after.letters.contains(letter)) now.letters.erase(letter);
}

void carry_thing(const PageRecord& before, const PageRecord& after, PageRecord& now) {
    carry(before.title, after.title, now.title);
    carry(before.notes.story, after.notes.story, now.notes.story);
    carry(before.notes.tags, after.notes.tags, now.notes.tags);
    carry(before.notes.photos_of, after.notes.photos_of, now.notes.photos_of);
    carry(before.notes.made, after.notes.made, now.notes.made);
    carry(before.notes.album, after.notes.album, now.notes.album);
    carry(before.notes.place, after.notes.place, now.notes.place);
    carry(before.notes.next_time, after.notes.next_time, now.notes.next_time);
    carry(before.notes.licence, after.notes.licence, now.notes.licence);
    carry(before.finished, after.finished, now.finished);
    carry(before.takings, after.takings, now.takings);
    carry(before.facts, after.facts, now.facts);
    carry(before.picture, after.picture, now.picture);
    carry(before.photo, after.photo, now.photo);
    carry(before.page, after.page, now.page);
    carry(before.file, after.file, now.file);
    carry(before.in_stash, after.in_stash, now.in_stash);
}

/// Of two versions of one paper; what is not listed here belongs to the stash.
void carry_paper(const Paper& before, const Paper& after, Paper& now) {
    carry(before.name, after.name, now.name);
    PaperFace front = now.face(Side::A);
    carry_face(before.face(Side::A), after.face(Side::A), front);
    now.set_front(front);
    carry_sheets(before.sheets, after.sheets, now.sheets);
    carry(before.strip, after.strip, now.strip);
    carry(before.weight, after.weight, now.weight);
    carry(before.notes, after.notes, now.notes);
    carry(before.kept_in, after.kept_in, now.kept_in);
    carry(before.finish, after.finish, now.finish);
    carry(before.fussy_cuts, after.fussy_cuts, now.fussy_cuts);
    carry(before.use_up, after.use_up, now.use_up);
    carry(before.in_stash, after.in_stash, now.in_stash);
    if (before.back && after.back && now.back)
        carry_face(*before.back, *after.back, *now.back);
    else
        carry(before.back, after.back, now.back);
}

bool same_facts(Paper a, const Paper& b) {
    a.touched = b.touched;
    a.id = b.id;
    return a == b;
}

/// A changed paper, its pictures taken over where it has others now.
void carry_change(const Paper& before, Paper after, const Pictures& pictures, Stash& now) {
    const int at = find_same(now, after);
    if (at < 0) {
        adopt(now, std::move(after), pictures);
        return;
    }
    Paper old = before;
    if (after.picture != old.picture) after.picture = take_picture(now, after.picture, pictures);
    if (after.back && (!old.back || after.back->picture != old.back->picture))
        after.back->picture = take_picture(now, after.back->picture, pictures);
    carry_paper(old, after, now.papers[at]);
}

void take_pictures(Stash& stash, Embellishment& thing, const Pictures& from) {
    thing.picture = take_picture(stash, thing.picture, from);
}
void take_pictures(Stash&, LetterSet&, const Pictures&) {}
void take_pictures(Stash&, PageRecord&, const Pictures&) {}

/// The picture, where another one was given to the thing.
void carry_pictures(const Embellishment& before, const Embellishment& after, const Pictures& pictures,
                    Stash& stash, std::size_t now) {
    if (after.picture != before.picture)
        stash.embellishments[now].picture = take_picture(stash, after.picture, pictures);
}
void carry_pictures(const LetterSet&, const LetterSet&, const Pictures&, Stash&, std::size_t) {}
// A record's files go by their bytes.
void carry_pictures(const PageRecord&, const PageRecord&, const Pictures&, Stash&, std::size_t) {}

template <class Thing>
void adopt_thing(Stash& stash, std::vector<Thing> Stash::*of, Thing thing, const Pictures& pictures) {
    thing.id = free_id_among(stash.*of, thing.id);
    take_pictures(stash, thing, pictures);
    (stash.*of).push_back(std::move(thing));
}

template <class Thing>
void carry_things(const Stash& before, const Stash& after, std::vector<Thing> Stash::*of, Stash& now) {
    for (const Thing& old : before.*of)
        if (find_thing(after.*of, old) < 0)
            if (const int at = find_thing(now.*of, old); at >= 0) (now.*of).erase((now.*of).begin() + at);
    for (const Thing& fresh : after.*of) {
        const int was = find_thing(before.*of, fresh);
        const int at = find_thing(now.*of, fresh);
        if (was >= 0 && (before.*of)[static_cast<std::size_t>(was)] == fresh) continue;
        if (at < 0) {
            adopt_thing(now, of, fresh, after.pictures);
        } else if (was >= 0) {
            const Thing& old = (before.*of)[static_cast<std::size_t>(was)];
            carry_thing(old, fresh, (now.*of)[static_cast<std::size_t>(at)]);
            carry_pictures(old, fresh, after.pictures, now, static_cast<std::size_t>(at));
        }
    }
}

template <class Thing>
void join_things(const Stash& page, const Stash& living, const std::set<std::string>& used,
                 std::vector<Thing> Stash::*of, Stash& out) {
    std::set<int> taken;
    for (const Thing& own : page.*of) {
        const int known = find_thing(living.*of, own);
        if (known < 0 && own.in_stash && !used.contains(own.id)) continue;
        Thing thing = known < 0 ? own : (living.*of)[static_cast<std::size_t>(known)];
        thing.id = own.id;
        thing.in_stash = known >= 0;
        take_pictures(out, thing, known < 0 ? page.pictures : living.pictures);
        (out.*of).push_back(std::move(thing));
        taken.insert(known);
    }
    for (std::size_t i = 0; i < (living.*of).size(); ++i) {
        if (taken.contains(static_cast<int>(i))) continue;
        adopt_thing(out, of, (living.*of)[i], living.pictures);
        (out.*of).back().in_stash = true;
    }
}

template <class Thing> void import_things(const Stash& papers, std::vector<Thing> Stash::*of, Stash& now) {
    for (Thing thing : papers.*of) {
        int at = find_thing(now.*of, thing);
        for (std::size_t i = 0; at < 0 && i < (now.*of).size(); ++i)
            if (const Thing& there = (now.*of)[i];
                there.id == thing.id && (thing.uid.empty() || there.uid.empty()))
                at = static_cast<int>(i);
        thing.in_stash = true;
        if (at < 0) {
            adopt_thing(now, of, std::move(thing), papers.pictures);
            continue;
        }
        Thing& old = (now.*of)[static_cast<std::size_t>(at)];
        thing.id = old.id;
        if (!old.uid.empty()) thing.uid = old.uid;
        take_pictures(now, thing, papers.pictures);
        old = std::move(thing);
    }
}

/// What the page shows stays with it, whatever becomes of the file of the stash.
void hold_pictures(const Stash& stash, const std::set<std::string>& used) {
    const auto hold = [&](const std::string& name) {
        if (const auto at = stash.pictures.find(name); at != stash.pictures.end()) (void)at->second.hold();
    };
    for (const Paper& p : stash.papers) {
        if (!used.contains(p.id)) continue;
        hold(p.picture);
        if (p.back) hold(p.back->picture);
    }
    for (const Embellishment& e : stash.embellishments)
        if (used.contains(e.id)) hold(e.picture);
}

template <class Visit> void each_kind_of_thing(Visit&& visit) {
    visit(&Stash::embellishments);
    visit(&Stash::letters);
    visit(&Stash::records);
}
template <class Visit> void each_list(Visit&& visit) {
    visit(&Stash::papers);
    each_kind_of_thing(visit);
}

} // namespace

int find_same(const Stash& stash, const Paper& paper) {
    return find_thing(stash.papers, paper);
}

void adopt(Stash& stash, Paper paper, const Pictures& pictures) {
    adopt_thing(stash, &Stash::papers, std::move(paper), pictures);
}

std::vector<std::string> cannot_be_carried(const Stash& before, const Stash& after, const Stash& now) {
    std::vector<std::string> out;
    for (const Paper& fresh : after.papers) {
        const int was = find_same(before, fresh);
        const int at = find_same(now, fresh);
        if (was < 0 || at < 0) continue;
        const auto& sheets = now.papers[static_cast<std::size_t>(at)].sheets;
        const auto& old = before.papers[static_cast<std::size_t>(was)].sheets;
        if (sheets != old && !can_be_carried(sheet_changes(old, fresh.sheets), sheets))
            out.push_back(fresh.name);
    }
    return out;
}

Stash carried_over(const Stash& before, const Stash& after, Stash now) {
    for (const Paper& old : before.papers) {
        if (find_same(after, old) >= 0) continue;
        if (const int at = find_same(now, old); at >= 0) now.papers.erase(now.papers.begin() + at);
    }
    for (const Paper& fresh : after.papers) {
        const int was = find_same(before, fresh);
        if (was >= 0) {
            if (!same_facts(before.papers[was], fresh))
                carry_change(before.papers[was], fresh, after.pictures, now);
        } else if (find_same(now, fresh) < 0) {
            adopt(now, fresh, after.pictures);
        }
    }
    each_kind_of_thing([&](auto of) { carry_things(before, after, of, now); });
    drop_unseen_pictures(now);
    return now;
}

Stash joined(const Stash& page, const Stash& living, const std::set<std::string>& used) {
    Stash out;
    each_list([&](auto of) { join_things(page, living, used, of, out); });
    hold_pictures(out, used);
    out.is_open = true;
    return out;
}

Stash kept_by_page(const Stash& at_hand, const std::set<std::string>& used) {
    Stash out = at_hand;
    each_list([&](auto of) {
        std::erase_if(out.*of, [&](const auto& t) { return t.in_stash && !used.contains(t.id); });
        for (auto& t : out.*of) t.in_stash = false;
    });
    out.is_open = false;
    drop_unseen_pictures(out);
    return out;
}

Stash living_part(const Stash& at_hand) {
    Stash out = at_hand;
    each_list([&](auto of) { std::erase_if(out.*of, [](const auto& t) { return !t.in_stash; }); });
    drop_unseen_pictures(out);
    return out;
}

Stash imported(Stash now, const Stash& papers) {
    for (const Paper& paper : papers.papers) {
        int at = find_same(now, paper);
        if (const int called_so = now.find(paper.id);
            at < 0 && called_so >= 0 && (paper.uid.empty() || now.papers[called_so].uid.empty()))
            at = called_so;
        if (at < 0) {
            adopt(now, paper, papers.pictures);
            now.papers.back().in_stash = true;
            continue;
        }
        // Under the names the pictures come with: those they had are theirs to replace.
        const Paper old = now.papers[at];
        Pictures source = papers.pictures;
        source.insert(now.pictures.begin(), now.pictures.end()); // a paper may come without pictures it has
        Stash one = without_paper(now, old.id);
        adopt(one, paper, source);
        Paper fresh = one.papers.back();
        fresh.id = old.id;
        fresh.in_stash = true;
        if (!old.uid.empty()) fresh.uid = old.uid;
        one.papers.pop_back();
        one.papers.insert(one.papers.begin() + at, std::move(fresh));
        now = std::move(one);
    }
    each_kind_of_thing([&](auto of) { import_things(papers, of, now); });
    return now;
}

std::string id_in(const Stash& other, const Stash& stash, const std::string& id) {
    const int at = stash.find(id);
    const int there = at < 0 ? -1 : find_same(other, stash.papers[at]);
    return there < 0 ? std::string() : other.papers[there].id;
}

Stash merged(const Stash& stash, const std::string& into, const std::string& from) {
    const int to = stash.find(into);
    const int of = stash.find(from);
    if (to < 0 || of < 0 || to == of) return stash;
    Stash out = stash;
    Paper& stays = out.papers[to];
    const Paper& goes = stash.papers[of];
    carry_sheets({}, goes.sheets, stays.sheets);
    if (!stays.back) stays.back = goes.back;
    if (stays.kept_in.empty()) stays.kept_in = goes.kept_in;
    if (stays.notes.empty()) stays.notes = goes.notes;
    out.papers.erase(out.papers.begin() + of);
    drop_unseen_pictures(out);
    return out;
}

} // namespace zesty

#include "io/fields/upgrade.h"

#include <algorithm>

namespace zesty {

using nlohmann::json;

namespace {

/// Takes a member out of an object and puts it into another; nothing happens where there is none.
void move_member(json& from, const char* key, json& to, const char* new_key) {
    if (!from.is_object() || !from.contains(key)) return;
    json value = std::move(from[key]);
    from.erase(key);
    to[new_key] = std::move(value);
}

template <class Change> void each_item(json& list, Change change) {
    if (list.is_array())
        for (json& item : list) change(item);
}

/// A member that is an object, whatever it was; an empty one where it was none.
json& object_in(json& j, const char* key) {
    if (!j.contains(key)) j[key] = json::object();
    return j[key];
}

/// A number alone names an opening of the first cut.
void to_spot(json& j) {
    if (j.is_number_integer()) j = json::array({0, j, 0});
}

/// Format 1 has one drawing, one cut, one reveal and openings as numbers.
void from_1(json& j) {
    if (j.contains("drawing")) {
        json cut = j.value("cut", json::object());
        if (cut.is_object()) cut.update({{"id", 0}, {"drawing", 1}});
        j["drawings"] = json::array({j["drawing"]});
        j["cuts"] = json::array({cut});
    }
    j.erase("drawing");
    if (j.contains("page") && j["page"].is_object() && j["page"].contains("reveal_mm"))
        if (json& reveal = j["page"]["reveal_mm"]; reveal.is_number())
            reveal = json::array({reveal, reveal, reveal, reveal});
    if (j.contains("groups")) each_item(j["groups"], [](json& group) { each_item(group, to_spot); });
    if (j.contains("sections"))
        each_item(j["sections"], [](json& s) {
            if (s.is_object() && s.contains("opening")) to_spot(s["opening"]);
        });
}

/// Up to format 5 a reveal was a list of four, and a photo said where its picture is.
void page_to_6(json& j, json& set_out) {
    move_member(j, "page", set_out, "page");
    if (json& page = object_in(set_out, "page"); page.is_object() && page.contains("reveal_mm"))
        if (const json r = page["reveal_mm"]; r.is_array() && r.size() == 4)
            page["reveal_mm"] = {{"left", r[0]}, {"top", r[1]}, {"right", r[2]}, {"bottom", r[3]}};
    move_member(j, "photos", set_out, "photos");
    json pictures = json::array();
    if (set_out.contains("photos"))
        each_item(set_out["photos"], [&](json& photo) {
            pictures.push_back(photo.is_object() ? photo.value("picture", json("")) : json(""));
            move_member(photo, "keep_free_mm", photo, "protected_mm");
        });
    set_out["pictures"] = pictures;
    if (j.contains("mat_mm")) {
        const json& mat = j["mat_mm"];
        set_out["cutting_mat"] =
            mat.is_array() && mat.size() == 2 ? json{{"width_mm", mat[0]}, {"height_mm", mat[1]}} : mat;
    }
}

void cuts_to_6(json& j, json& set_out) {
    move_member(j, "drawings", set_out, "drawings");
    move_member(j, "cuts", set_out, "cuts");
    long next = 0;
    if (set_out.contains("cuts"))
        each_item(set_out["cuts"], [&](json& cut) {
            if (!cut.is_object()) return;
            if (cut.contains("id") && cut["id"].is_number_integer())
                next = std::max(next, cut["id"].get<long>() + 1);
            if (cut.contains("left_out") && cut["left_out"].is_array())
                std::sort(cut["left_out"].begin(), cut["left_out"].end());
        });
    set_out["next_cut"] = std::max(next, 0L);
}

/// One list of choices became one for treatments and one for papers.
void choices_to_6(json& j, json& sections, json& match) {
    if (j.contains("sections") && !j["sections"].is_array()) sections["choices"] = j["sections"];
    if (!j.contains("sections") || !j["sections"].is_array()) return;
    json all = json::array();
    json papers = json::array();
    for (json& s : j["sections"]) {
        json paper = json::object();
        if (s.is_object()) {
            if (s.contains("opening")) paper["opening"] = s["opening"];
            for (const char* key : {"paper", "side", "locked", "never", "same_as", "facing"})
                move_member(s, key, paper, key);
            move_member(s, "print", paper, "pattern");
            move_member(s, "school", s, "method");
            if (paper.contains("never") && paper["never"].is_array())
                std::sort(paper["never"].begin(), paper["never"].end());
        }
        all.push_back(s);
        if (paper.size() > 1) papers.push_back(paper);
    }
    sections["choices"] = all;
    match["choices"] = papers;
}

void sections_to_6(json& j, json& sections) {
    move_member(j, "lip_mm", sections, "lip_mm");
    move_member(j, "backing", sections, "backing");
    if (sections.contains("backing")) {
        json& backing = sections["backing"];
        move_member(backing, "school", backing, "method");
        if (backing.is_object() && backing.contains("punches_mm") && backing["punches_mm"].is_array())
            std::sort(backing["punches_mm"].begin(), backing["punches_mm"].end());
    }
    move_member(j, "bars", sections, "bars");
    if (sections.contains("bars"))
        each_item(sections["bars"], [](json& bar) {
            if (!bar.is_object() || !bar.contains("between") || !bar["between"].is_array() ||
                bar["between"].size() != 2)
                return;
            const auto [from, to] = std::minmax(bar["between"][0], bar["between"][1]);
            bar["from"] = from;
            bar["to"] = to;
        });
    move_member(j, "divisions", sections, "divisions");
    move_member(j, "groups", sections, "groups");
    if (sections.contains("groups") && sections["groups"].is_array()) {
        each_item(sections["groups"], [](json& group) {
            if (group.is_array()) std::sort(group.begin(), group.end());
        });
        std::sort(sections["groups"].begin(), sections["groups"].end());
    }
}

void match_to_6(json& j, json& match) {
    move_member(j, "colours", match, "style");
    if (match.contains("style") && match["style"].is_object() && match["style"].contains("weights"))
        if (json& weights = match["style"]["weights"]; weights.is_object())
            move_member(weights, "print", weights, "pattern");
    move_member(j, "slants", match, "slants");
    if (j.contains("roles")) {
        match["roles"] = j["roles"].is_object() ? json::array() : j["roles"];
        if (j["roles"].is_object())
            for (const auto& [paper, role] : j["roles"].items())
                match["roles"].push_back({{"paper", paper}, {"role", role}});
    }
    move_member(j, "apart", match, "apart");
    if (match.contains("apart"))
        each_item(match["apart"], [](json& pair) {
            if (pair.is_array() && pair.size() == 2) pair = {{"paper", pair[0]}, {"other", pair[1]}};
        });
}

/// Up to format 5 all decisions lay side by side; since then each stage has an object of its own.
void to_6(json& j) {
    json set_out = json::object();
    json sections = json::object();
    json match = json::object();
    json sheets = json::object();
    page_to_6(j, set_out);
    cuts_to_6(j, set_out);
    sections_to_6(j, sections);
    choices_to_6(j, sections, match);
    match_to_6(j, match);
    move_member(j, "blade_gap_mm", sheets, "blade_gap_mm");
    move_member(j, "wanted", sheets, "reserved");
    move_member(j, "pins", sheets, "pins");
    j["set_out"] = std::move(set_out);
    j["sections"] = std::move(sections);
    j["match"] = std::move(match);
    j["sheets"] = std::move(sheets);
}

/// Up to format 7 a size went by the box of the turned cut.
void to_8(json& j) {
    if (!j.contains("set_out") || !j["set_out"].is_object() || !j["set_out"].contains("cuts")) return;
    each_item(j["set_out"]["cuts"], [](json& cut) {
        if (!cut.is_object() || !cut.contains("turn_deg") || !cut["turn_deg"].is_number()) return;
        const double turn = cut["turn_deg"].get<double>();
        const bool mirrored = cut.contains("mirrored") && cut["mirrored"] == true;
        cut["sized_at_deg"] = mirrored ? -turn : turn;
    });
}

} // namespace

json upgraded(json document, int from) {
    if (!document.is_object()) return document;
    if (from < 2) from_1(document);
    if (from < 6) to_6(document);
    if (from < 8) to_8(document);
    return document;
}

} // namespace zesty

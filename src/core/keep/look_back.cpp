#include "core/keep/look_back.h"

#include "core/geometry/lengths.h"
#include "core/geometry/measure.h"
#include "core/sentences.h"
#include "core/stash/colour_words.h"
#include "core/stash/search.h"
#include "core/stash/stock.h"

#include <algorithm>
#include <cctype>
#include <limits>
#include <map>
#include <set>
#include <sstream>

namespace zesty {

namespace {

constexpr double whole_sheet = 144 * mm_per_inch * mm_per_inch;

std::string everything_said(const PageRecord& record) {
    const PageNotes& n = record.notes;
    std::string out = record.title;
    for (const std::string* text :
         {&n.story, &n.photos_of, &n.made, &n.album, &n.place, &n.next_time, &n.licence, &record.finished})
        out += "\n" + *text;
    for (const std::string& tag : n.tags) out += "\n" + tag;
    for (const RecordPaper& p : facts_of(record).papers) out += "\n" + p.name;
    for (const RecordCut& c : facts_of(record).cuts) out += "\n" + c.name;
    for (const PaletteColour& c : facts_of(record).palette) out += "\n" + colour_words(c.colour);
    return in_lower(std::move(out));
}

bool says(const PageRecord& record, const std::string& words) {
    const std::string all = everything_said(record);
    std::istringstream in(in_lower(words));
    for (std::string word; in >> word;)
        if (all.find(word) == std::string::npos) return false;
    return true;
}

double nearest_colour(const PageRecord& record, Rgb colour) {
    double best = std::numeric_limits<double>::infinity();
    for (const PaletteColour& c : facts_of(record).palette)
        best = std::min(best, difference(to_lab(c.colour), to_lab(colour)));
    return best;
}

bool is_day(const std::string& text) {
    return text.size() >= 10 && text[4] == '-' && text[7] == '-' &&
           std::all_of(text.begin(), text.begin() + 10,
                       [](unsigned char c) { return std::isdigit(c) || c == '-'; });
}

bool fits(const PageRecord& record, const RecordQuery& query) {
    const PageFacts& facts = facts_of(record);
    if (!says(record, query.words)) return false;
    if (query.colour && nearest_colour(record, *query.colour) > query.colour_within) return false;
    if (!query.paper.empty() &&
        std::none_of(facts.papers.begin(), facts.papers.end(), [&](const RecordPaper& p) {
            return p.uid == query.paper || in_lower(p.name) == in_lower(query.paper);
        }))
        return false;
    if (!query.cut.empty() && std::none_of(facts.cuts.begin(), facts.cuts.end(), [&](const RecordCut& c) {
            return in_lower(c.name).find(in_lower(query.cut)) != std::string::npos;
        }))
        return false;
    if (!query.album.empty() && in_lower(record.notes.album) != in_lower(query.album)) return false;
    return query.year.empty() || made_on(record).find(query.year) != std::string::npos;
}

std::string month_in_words(const std::string& day) {
    if (!is_day(day)) return day.empty() ? "Not finished" : day;
    const std::string first = day.substr(0, 8) + "01";
    const std::string said = date_in_words(first);
    return said == first ? day : said.substr(2);
}

std::set<std::string> groups_of(const PageRecord& record, ShelfBy by) {
    std::set<std::string> out;
    switch (by) {
    case ShelfBy::Month:
        return {month_in_words(made_on(record))};
    case ShelfBy::Album:
        return {record.notes.album.empty() ? "In no album" : record.notes.album};
    case ShelfBy::Paper:
        for (const RecordPaper& p : facts_of(record).papers) out.insert(p.name);
        return out.empty() ? std::set<std::string>{"No paper of the stash"} : out;
    case ShelfBy::Cut:
        for (const RecordCut& c : facts_of(record).cuts) out.insert(c.name);
        break;
    }
    return out.empty() ? std::set<std::string>{"No cut file"} : out;
}

std::string next_month(const std::string& month) {
    const int number = std::atoi(month.substr(5, 2).c_str());
    const int year = std::atoi(month.substr(0, 4).c_str());
    const int next = number % 12 + 1;
    return std::to_string(number == 12 ? year + 1 : year) + (next < 10 ? "-0" : "-") + std::to_string(next);
}

} // namespace

const PageFacts& facts_of(const PageRecord& record) {
    static const PageFacts none;
    return record.facts ? *record.facts : none;
}

TakenOf taken_of(const PageFacts& facts) {
    TakenOf out;
    for (const RecordPaper& p : facts.papers) {
        out.sheets += p.sheets;
        out.scraps += p.scraps;
    }
    return out;
}

std::string made_on(const PageRecord& record) {
    return record.notes.made.empty() ? record.finished : record.notes.made;
}

std::vector<int> found_pages(const std::vector<PageRecord>& records, const RecordQuery& query) {
    std::vector<std::pair<double, int>> found;
    for (std::size_t i = 0; i < records.size(); ++i)
        if (fits(records[i], query))
            found.emplace_back(query.colour ? nearest_colour(records[i], *query.colour) : 0.0,
                               static_cast<int>(i));
    std::stable_sort(found.begin(), found.end(), [&](const auto& a, const auto& b) {
        if (a.first != b.first) return a.first < b.first;
        return made_on(records[static_cast<std::size_t>(a.second)]) >
               made_on(records[static_cast<std::size_t>(b.second)]);
    });
    std::vector<int> out;
    for (const auto& [distance, page] : found) out.push_back(page);
    return out;
}

std::vector<ShelfGroup> shelf_of(const std::vector<PageRecord>& records, const std::vector<int>& pages,
                                 ShelfBy by) {
    std::vector<ShelfGroup> out;
    for (const int page : pages)
        for (const std::string& name : groups_of(records[static_cast<std::size_t>(page)], by)) {
            auto at =
                std::find_if(out.begin(), out.end(), [&](const ShelfGroup& g) { return g.name == name; });
            if (at == out.end()) at = out.insert(out.end(), {name, {}});
            at->pages.push_back(page);
        }
    // Pages come newest first, and so do their months.
    if (by != ShelfBy::Month)
        std::stable_sort(out.begin(), out.end(), [](const ShelfGroup& a, const ShelfGroup& b) {
            return a.pages.size() > b.pages.size();
        });
    return out;
}

std::vector<PaperWent> where_paper_went(const std::vector<PageRecord>& records, const std::vector<int>& pages,
                                        const Stash& now) {
    std::vector<int> oldest_first = pages;
    std::stable_sort(oldest_first.begin(), oldest_first.end(), [&](int a, int b) {
        return made_on(records[static_cast<std::size_t>(a)]) < made_on(records[static_cast<std::size_t>(b)]);
    });
    std::map<std::string, PaperWent> papers;
    for (const int page : oldest_first)
        for (const RecordPaper& p : facts_of(records[static_cast<std::size_t>(page)]).papers) {
            PaperWent& went = papers[p.uid.empty() ? p.name : p.uid];
            went.name = p.name;
            went.uid = p.uid;
            went.colour = p.colour;
            went.parts.push_back({page, p.used, std::max(0.0, p.taken - p.returned - p.used)});
        }
    std::vector<PaperWent> out;
    for (auto& [key, went] : papers) {
        for (const Paper& paper : now.papers) {
            if (went.uid.empty() ? paper.name != went.name : paper.uid != went.uid) continue;
            went.name = paper.name;
            went.known = true;
            went.in_drawer += stock_area(paper);
            for (const SheetStock& s : paper.sheets)
                if (s.irregular) went.scraps += s.count;
        }
        out.push_back(std::move(went));
    }
    const auto used = [](const PaperWent& w) {
        double sum = 0;
        for (const PaperWent::Part& p : w.parts) sum += p.used;
        return sum;
    };
    std::stable_sort(out.begin(), out.end(),
                     [&](const PaperWent& a, const PaperWent& b) { return used(a) > used(b); });
    return out;
}

LookBack look_back(const std::vector<PageRecord>& records, const Stash& now, const std::string& since) {
    LookBack out;
    std::map<std::string, int> months;
    std::set<std::string> used_since;
    for (const PageRecord& r : records) {
        const PageFacts& facts = facts_of(r);
        out.saved_by_scraps += facts.from_scraps / whole_sheet;
        out.saved_by_gutting += facts.from_gutting / whole_sheet;
        out.minutes += facts.worked;
        const TakenOf taken = taken_of(facts);
        out.sheets += taken.sheets;
        out.scraps += taken.scraps;
        if (r.finished.empty() || r.finished >= since)
            for (const RecordPaper& p : facts.papers) used_since.insert(p.uid);
        if (r.finished.empty()) continue;
        ++out.pages;
        if (const std::string day = made_on(r); is_day(day)) ++months[day.substr(0, 7)];
    }
    if (!months.empty()) {
        constexpr int most_months = 600;
        const std::string last = months.rbegin()->first;
        std::string month = months.begin()->first;
        for (int i = 0; i < most_months && month <= last; ++i, month = next_month(month))
            out.months.push_back({month, months.contains(month) ? months[month] : 0});
    }
    for (std::size_t p = 0; p < now.papers.size(); ++p) {
        const Paper& paper = now.papers[p];
        if (sheet_count(paper) > 0 && !used_since.contains(paper.uid) && paper.touched < since)
            out.unused.push_back(static_cast<int>(p));
    }
    return out;
}

std::vector<OwnPace> own_pace(const std::vector<PageRecord>& records) {
    std::map<std::string, std::pair<double, double>> all; // took, usual
    for (const PageRecord& r : records)
        for (const RecordPace& p : facts_of(r).pace) {
            all[p.step].first += p.took;
            all[p.step].second += p.usual;
        }
    std::vector<OwnPace> out;
    for (const auto& [step, times] : all)
        if (times.second > 0) out.push_back({step, times.first / times.second, times.first});
    return out;
}

std::string short_name(const std::string& title) {
    std::string out;
    for (const unsigned char c : title) {
        if (std::isalnum(c) && c < 128)
            out += static_cast<char>(std::tolower(c));
        else if (!out.empty() && out.back() != '-')
            out += '-';
    }
    while (!out.empty() && out.back() == '-') out.pop_back();
    if (out.size() > 60) out.resize(60);
    return out.empty() ? "page" : out;
}

} // namespace zesty

#pragma once
// The stages' decisions described once each. A description names every member with its limits; a Writer makes
// JSON of what it is shown, a Reader fills it in, a Settler brings it within the limits:
//
//     template <class F, Describes<CuttingMat> T> void describe(F& f, T& mat) {
//         f.number("width_mm", mat.width, cutting_mat_limits);
//         f.number("height_mm", mat.height, cutting_mat_limits);
//     }
//
// What a Reader accepts is exactly what a Settler leaves alone.

#include "core/geometry/shapes.h"
#include "core/limits.h"
#include "core/names.h"
#include "core/result.h"
#include "core/setout/placed_cut.h"
#include "core/stash/colour.h"
#include "io/edge.h"

#include <map>
#include <nlohmann/json.hpp>
#include <optional>
#include <span>
#include <string>
#include <type_traits>
#include <vector>

namespace zesty {

/// Allows one description for what is written (const) and what is read.
template <class T, class What>
concept Describes = std::is_same_v<std::remove_const_t<T>, What>;

inline constexpr Limits spot_cut_limits{-1, most_cut_ids - 1};
inline constexpr Limits spot_opening_limits{1, 10'000'000};
inline constexpr Limits spot_part_limits{0, 999'999};
/// Longest list of decisions, and longest text, that is stored.
inline constexpr std::size_t most_listed = 100'000;
inline constexpr std::size_t longest_text = 1'000'000;

class Writer {
public:
    nlohmann::json done() { return std::move(out_); }

    void number(const char* key, double value, Limits) { out_[key] = value; }
    void number(const char* key, const std::optional<double>& value, Limits) {
        if (value) out_[key] = *value;
    }
    template <class Int> void whole(const char* key, Int value, Limits) { out_[key] = value; }
    /// A number that counts from 1 outside and from 0 inside.
    void index(const char* key, int value, Limits) { out_[key] = value + 1; }
    void flag(const char* key, bool value) { out_[key] = value; }
    void text(const char* key, const std::string& value) { out_[key] = value; }
    template <WithWords Enum> void word(const char* key, Enum value) { out_[key] = key_of(value); }
    template <WithWords Enum> void word(const char* key, const std::optional<Enum>& value) {
        if (value) out_[key] = key_of(*value);
    }
    void point(const char* key, Point value, Limits) { out_[key] = {value.x, value.y}; }
    void box(const char* key, const Box& b, Limits) { out_[key] = {b.x0, b.y0, b.x1, b.y1}; }
    void spot(const char* key, Spot value) { out_[key] = {value.cut, value.opening + 1, value.part}; }
    void spot(const char* key, const std::optional<Spot>& value) {
        if (value) spot(key, *value);
    }
    void colour(const char* key, Rgb value) { out_[key] = format_colour(value); }
    template <class Each> void object(const char* key, Each&& each) {
        Writer inner;
        each(inner);
        out_[key] = inner.done();
    }
    /// A member that may be missing.
    template <class T, class Each>
    void optional(const char* key, const std::optional<T>& value, Each&& each) {
        if (!value) return;
        object(key, [&](Writer& f) { each(f, *value); });
    }
    /// Objects, one for each item; each(field, item).
    template <class T, class Each> void list(const char* key, const std::vector<T>& items, Each&& each) {
        nlohmann::json all = nlohmann::json::array();
        for (const T& item : items) {
            Writer inner;
            each(inner, item);
            all.push_back(inner.done());
        }
        out_[key] = std::move(all);
    }
    /// Objects again, one for each entry; each(field, key, value).
    template <class K, class V, class Each>
    void map(const char* key, const std::map<K, V>& items, Each&& each) {
        nlohmann::json all = nlohmann::json::array();
        for (const auto& [k, v] : items) {
            Writer inner;
            each(inner, k, v);
            all.push_back(inner.done());
        }
        out_[key] = std::move(all);
    }
    /// Plain values in a list; each(field, key, item) describes one under whatever key it is given.
    template <class T, class Each> void values(const char* key, const std::vector<T>& items, Each&& each) {
        nlohmann::json all = nlohmann::json::array();
        for (const T& item : items) {
            Writer inner;
            each(inner, "value", item);
            all.push_back(std::move(inner.out_["value"]));
        }
        out_[key] = std::move(all);
    }
    /// Says in JSON what has no description of its own: make(value) -> json.
    template <class T, class Make, class Take>
    void other(const char* key, const T& value, Make&& make, Take&&) {
        out_[key] = make(value);
    }
    template <class Holds> void check(const char*, Holds&&) {}

private:
    nlohmann::json out_ = nlohmann::json::object();
};

/// Reads members and remembers the first that is not what it should be. What is missing keeps its value.
class Reader {
public:
    /// `what` names the file, `in` must outlive this.
    Reader(const nlohmann::json& in, std::string what) : Reader(in, std::move(what), {}, nullptr) {}
    Reader(const Reader&) = delete;
    Reader& operator=(const Reader&) = delete;

    const std::optional<Error>& error() const { return root_ ? root_->error_ : error_; }

    /// One that has no usual value, because what it begins with lies outside its limits, must be there.
    void number(const char* key, double& value, Limits limits) {
        if (const auto* j = member(key))
            read_number(*j, key, value, limits);
        else if (!limits.hold(value))
            complain(key);
    }
    void number(const char* key, std::optional<double>& value, Limits limits) {
        if (const auto* j = member(key)) read_number(*j, key, value.emplace(), limits);
    }
    template <class Int> void whole(const char* key, Int& value, Limits limits) {
        const auto* j = member(key);
        if (!j) return;
        if (!j->is_number_integer() || !limits.hold(j->get<double>()))
            complain(key);
        else
            value = j->get<Int>();
    }
    void index(const char* key, int& value, Limits limits) {
        int counted = value + 1;
        whole(key, counted, limits);
        value = counted - 1;
    }
    void flag(const char* key, bool& value) {
        const auto* j = member(key);
        if (!j) return;
        if (j->is_boolean())
            value = j->get<bool>();
        else
            complain(key);
    }
    void text(const char* key, std::string& value) {
        const auto* j = member(key);
        if (!j) return;
        if (!j->is_string() || j->get_ref<const std::string&>().size() > longest_text) return complain(key);
        value = j->get<std::string>();
        // Control characters that older versions let in are left behind.
        if (!is_text(value)) value = as_text(value);
    }
    template <WithWords Enum> void word(const char* key, Enum& value) {
        std::optional<Enum> read;
        word(key, read);
        if (read) value = *read;
    }
    template <WithWords Enum> void word(const char* key, std::optional<Enum>& value) {
        const auto* j = member(key);
        if (!j) return;
        value = j->is_string() ? named<Enum>(j->get_ref<const std::string&>()) : std::nullopt;
        if (!value) complain(key);
    }
    void point(const char* key, Point& value, Limits limits) {
        double* const all[]{&value.x, &value.y};
        if (const auto* j = member(key)) read_numbers(*j, key, all, limits);
    }
    void box(const char* key, Box& b, Limits limits) {
        double* const all[]{&b.x0, &b.y0, &b.x1, &b.y1};
        if (const auto* j = member(key)) read_numbers(*j, key, all, limits);
    }
    void spot(const char* key, Spot& value) {
        std::optional<Spot> read;
        spot(key, read);
        if (read) value = *read;
    }
    void spot(const char* key, std::optional<Spot>& value);
    void colour(const char* key, Rgb& value) {
        const auto* j = member(key);
        if (!j) return;
        const auto read = j->is_string() ? parse_colour(j->get<std::string>()) : std::nullopt;
        if (read)
            value = *read;
        else
            complain(key);
    }
    template <class Each> void object(const char* key, Each&& each) {
        const auto* j = member(key);
        if (!j) return;
        if (!j->is_object()) return complain(key);
        Reader inner(*j, what_, path_ + key + ".", root());
        each(inner);
    }
    template <class T, class Each> void optional(const char* key, std::optional<T>& value, Each&& each) {
        if (!member(key)) return;
        object(key, [&](Reader& f) { each(f, value.emplace()); });
    }
    template <class T, class Each> void list(const char* key, std::vector<T>& items, Each&& each) {
        items.clear();
        each_of(key, [&](Reader& f) { each(f, items.emplace_back()); });
    }
    template <class K, class V, class Each> void map(const char* key, std::map<K, V>& items, Each&& each) {
        items.clear();
        each_of(key, [&](Reader& f) {
            K k{};
            V v{};
            each(f, k, v);
            if (!items.emplace(std::move(k), std::move(v)).second) f.complain("");
        });
    }
    template <class T, class Each> void values(const char* key, std::vector<T>& items, Each&& each) {
        const auto* j = member(key);
        if (!j) return;
        if (!j->is_array() || j->size() > most_listed) return complain(key);
        items.clear();
        for (const auto& item : *j) {
            const nlohmann::json one{{"value", item}};
            Reader inner(one, what_, path_ + key + ".", root());
            inner.value_of_list_ = key;
            each(inner, "value", items.emplace_back());
            if (error()) return;
        }
    }
    /// take(json, value) -> bool, false where it is not what it should be.
    template <class T, class Make, class Take> void other(const char* key, T& value, Make&&, Take&& take) {
        const auto* j = member(key);
        if (j && !take(*j, value)) complain(key);
    }
    /// What must hold between members; complains about `key` where holds() is false.
    template <class Holds> void check(const char* key, Holds&& holds) {
        if (!error() && !holds()) complain(key);
    }
    void complain(const std::string& key);

private:
    Reader(const nlohmann::json& in, std::string what, std::string path, Reader* root)
        : in_(in), what_(std::move(what)), path_(std::move(path)), root_(root) {}
    Reader* root() { return root_ ? root_ : this; }
    const nlohmann::json* member(const char* key) const {
        const auto at = in_.find(key);
        return at == in_.end() ? nullptr : &*at;
    }
    void read_number(const nlohmann::json& j, const char* key, double& value, Limits limits) {
        if (!j.is_number() || !limits.hold(j.get<double>()))
            complain(key);
        else
            value = j.get<double>();
    }
    void read_numbers(const nlohmann::json& list, const char* key, std::span<double* const> all,
                      Limits limits);
    template <class Each> void each_of(const char* key, Each&& each) {
        const auto* j = member(key);
        if (!j) return;
        if (!j->is_array() || j->size() > most_listed) return complain(key);
        for (std::size_t i = 0; i < j->size() && !error(); ++i) {
            if (!(*j)[i].is_object()) return complain(key);
            Reader inner((*j)[i], what_, path_ + key + "[" + std::to_string(i + 1) + "].", root());
            each(inner);
        }
    }

    const nlohmann::json& in_;
    std::string what_;
    std::string path_; ///< of this object in the document
    Reader* root_;     ///< that holds the error; null for the outermost
    const char* value_of_list_ = nullptr;
    std::optional<Error> error_;
};

/// Brings numbers within their limits.
class Settler {
public:
    void number(const char*, double& value, Limits limits) { value = limits.nearest(value); }
    void number(const char*, std::optional<double>& value, Limits limits) {
        if (value) value = limits.nearest(*value);
    }
    template <class Int> void whole(const char*, Int& value, Limits limits) {
        value = static_cast<Int>(limits.nearest(static_cast<double>(value)));
    }
    void index(const char* key, int& value, Limits limits) {
        int counted = value + 1;
        whole(key, counted, limits);
        value = counted - 1;
    }
    void flag(const char*, bool) {}
    void text(const char*, std::string& value) {
        if (value.size() > longest_text) value = as_text(value.substr(0, longest_text / 2));
        if (!is_text(value)) value = as_text(value);
    }
    template <class Enum> void word(const char*, const Enum&) {}
    void point(const char*, Point& value, Limits limits) {
        value = {limits.nearest(value.x), limits.nearest(value.y)};
    }
    void box(const char*, Box& b, Limits limits) {
        for (double* side : {&b.x0, &b.y0, &b.x1, &b.y1}) *side = limits.nearest(*side);
    }
    template <class S> void spot(const char*, const S&) {}
    void colour(const char*, Rgb) {}
    template <class Each> void object(const char*, Each&& each) { each(*this); }
    template <class T, class Each> void optional(const char*, std::optional<T>& value, Each&& each) {
        if (value) each(*this, *value);
    }
    template <class T, class Each> void list(const char*, std::vector<T>& items, Each&& each) {
        for (T& item : items) each(*this, item);
    }
    template <class K, class V, class Each> void map(const char*, std::map<K, V>& items, Each&& each) {
        for (auto& [k, v] : items) {
            K name = k;
            each(*this, name, v);
        }
    }
    template <class T, class Each> void values(const char*, std::vector<T>& items, Each&& each) {
        for (T& item : items) each(*this, "value", item);
    }
    template <class T, class Make, class Take> void other(const char*, const T&, Make&&, Take&&) {}
    template <class Holds> void check(const char*, Holds&&) {}
};

/// A list that holds no more than so many: what is beyond is refused, and dropped where an edit makes it.
template <class F, class List, class Each>
void short_list(F& f, const char* key, List& all, std::size_t most, Each&& each) {
    f.list(key, all, std::forward<Each>(each));
    if constexpr (std::is_same_v<F, Settler>)
        if (all.size() > most) all.resize(most);
    f.check(key, [&] { return all.size() <= most; });
}

} // namespace zesty

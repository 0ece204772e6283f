#include "cli/command.h"
#include "core/project/own_numbers.h"
#include "io/own_numbers_file.h"

#include <iostream>
#include <map>
#include <nlohmann/json.hpp>

namespace zesty::cli {

namespace {

/// The household's own numbers: of a page, or those that new pages begin with.
struct Numbers {
    std::vector<std::string> edits; ///< options that are to change the page
    std::string project;            ///< empty for those of new pages
    std::string out;
    std::map<std::string, std::string> typed; ///< by OwnNumberRow::key
    bool remember = false;
    bool usual = false;
    bool json = false;
};

Result<void> take_typed(const Numbers& args, OwnNumbers& own) {
    for (const OwnNumberRow& row : own_number_rows()) {
        const auto typed = args.typed.find(row.key);
        if (typed == args.typed.end() || typed->second.empty()) continue;
        const std::string option = std::string("--") + row.key;
        if (row.kind == NumberKind::Length) {
            const auto length = typed_length(option, typed->second, row.limits.least, row.limits.most);
            if (!length) return tl::make_unexpected(length.error());
            row.of(own) = **length;
        } else {
            const auto number = typed_number(option, typed->second, row.limits);
            if (!number) return tl::make_unexpected(number.error());
            row.of(own) = *number;
        }
    }
    return {};
}

std::string in_words(const OwnNumberRow& row, double value, Units units) {
    switch (row.kind) {
    case NumberKind::Length:
        return format_length(value, units) + " (" + format_mm(value) + ")";
    case NumberKind::Speed:
        return format_mm(value) + " a second";
    case NumberKind::Seconds:
    case NumberKind::Minutes:
        break;
    }
    std::string seconds = std::to_string(value);
    seconds.erase(seconds.find_last_not_of('0') + 1);
    if (seconds.back() == '.') seconds.pop_back();
    return seconds + (row.kind == NumberKind::Minutes ? " min" : " s");
}

void print(OwnNumbers own, Units units, bool as_json) {
    nlohmann::json j{{"format", "zesty-own-numbers/1"}};
    const char* group = "";
    for (const OwnNumberRow& row : own_number_rows()) {
        j[row.key] = row.of(own);
        if (as_json) continue;
        if (std::string(group) != row.group) std::cout << (group = row.group) << ":\n";
        std::cout << "  " << row.words << ": " << in_words(row, row.of(own), units) << "\n";
    }
    if (as_json) std::cout << j.dump(1) << "\n";
}

} // namespace

static int run(const Numbers& args) {
    const QString kept = own_numbers_path();
    auto remembered = read_own_numbers(kept);
    // A file that cannot be read is only in the way of what would overwrite or show it.
    if (!remembered && !args.usual && (args.project.empty() || args.remember))
        return complain(remembered.error().message);
    if (args.project.empty()) {
        OwnNumbers own = args.usual ? OwnNumbers{} : *remembered;
        if (const auto r = take_typed(args, own); !r) return complain(r.error().message);
        if (!remembered || !(own == *remembered))
            if (const auto r = write_own_numbers(own, kept); !r) return complain(r.error().message);
        print(own, Units::Inches, args.json);
        return done;
    }
    auto project = read_project(args.project);
    if (!project) return complain(project.error().message);
    const Project before = *project;
    OwnNumbers own = args.usual ? OwnNumbers{} : own_numbers_of(before);
    if (const auto r = take_typed(args, own); !r) return complain(r.error().message);
    begin_with(own, *project);
    if (const auto r = save_changes(before, *project, args.project, args.out, args.edits); !r)
        return complain(r.error().message);
    if (args.remember)
        if (const auto r = write_own_numbers(own, kept); !r) return complain(r.error().message);
    print(own, project->units, args.json);
    return done;
}

namespace {

CLI::App* add_numbers(CLI::App& app, Numbers& a) {
    auto* c =
        app.add_subcommand("numbers", "A household's own numbers: of a page, or what new pages begin with");
    c->add_option("PROJECT", a.project, ".zesty file; without it, what new pages begin with");
    c->add_option("--out", a.out, "Write here instead of the project");
    c->add_flag("--remember", a.remember, "New pages begin with the numbers of this page");
    c->add_flag("--usual", a.usual, "Back to the usual numbers");
    for (const OwnNumberRow& row : own_number_rows()) {
        const char* unit = row.kind == NumberKind::Length    ? ""
                           : row.kind == NumberKind::Speed   ? ", mm a second"
                           : row.kind == NumberKind::Seconds ? ", seconds"
                                                             : ", minutes";
        c->add_option(std::string("--") + row.key, a.typed[row.key], std::string(row.words) + unit)
            ->group(row.group);
    }
    c->add_flag("--json", a.json, "Print zesty-own-numbers/1");
    needs(*c, {{"--remember", "PROJECT"}, {"--out", "PROJECT"}});
    return c;
}

const Registered<Numbers> numbers_command(8, add_numbers, run, {"--remember"});

} // namespace

} // namespace zesty::cli

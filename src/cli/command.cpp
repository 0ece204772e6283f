#include "cli/command.h"

#include "cli/at_hand.h"
#include "cli/deadline.h"
#include "core/cutfile/cut_file.h"
#include "core/project/planner.h"
#include "core/sentences.h"
#include "io/drawing_import.h"
#include "io/edge.h"
#include "io/project_file.h"

#include <iostream>

namespace zesty::cli {

std::vector<CommandRow>& command_rows() {
    static std::vector<CommandRow> rows;
    return rows;
}

void needs(CLI::App& command, const OptionPairs& pairs) {
    for (const auto& [option, other] : pairs) command.get_option(option)->needs(command.get_option(other));
}

void either(CLI::App& command, const OptionPairs& pairs) {
    for (const auto& [option, other] : pairs) command.get_option(option)->excludes(command.get_option(other));
}

int exit_code(const Plan& plan) {
    return plan.has_problems() || !plan.sheets.short_patches.empty() ? problems : done;
}

int complain(const std::string& message) {
    std::cerr << one_line(message) << "\n";
    return bad_input;
}

Result<Project> read_project(const std::string& path) {
    const Watch watch(path + ": reading this takes over 10 s; it was given up", longest_reading);
    auto project = open_project(QString::fromStdString(path));
    if (!project) return project;
    return at_hand(std::move(*project));
}

Result<Shared<DrawingFile>> read_drawing(const std::string& path, double square, bool light_paper,
                                         const std::string& named) {
    const Watch watch(path + ": reading this takes over 10 s; it was given up", longest_reading);
    TraceOptions options{.square = square};
    if (light_paper) options.light_paper = true;
    auto file = drawing_file(QString::fromStdString(path), options, named);
    if (!file) return file;
    if (const auto cut = read_cut((*file)->drawing); !cut)
        return fail(cut.error().kind, path + ": " + cut.error().message);
    return file;
}

Result<Plan> shapes_with_cut(Planner& planner, const Project& project) {
    auto plan = planner.shapes(project);
    if (plan && !plan->sections.cut) return fail(ErrorKind::NothingToDo, "the page has no cut yet");
    return plan;
}

std::vector<std::string> typed_edits(const CLI::App& command, const Questions& questions) {
    static const Questions of_all{"--json", "--out", "--stash", "--seconds", "--seed"};
    std::vector<std::string> out;
    for (const CLI::Option* option : command.get_options()) {
        const std::string name = option->get_single_name();
        if (option->count() > 0 && !option->get_positional() && !of_all.contains("--" + name) &&
            !questions.contains("--" + name))
            out.push_back("--" + name);
    }
    return out;
}

Result<void> save_changes(const Project& before, const Project& after, const std::string& path,
                          const std::string& out, const std::vector<std::string>& edits) {
    const bool in_vain = before == after && !edits.empty();
    if (!out.empty())
        if (auto r = save_project(after, QString::fromStdString(out)); !r) return r;
    if (in_vain)
        return fail(ErrorKind::NothingToDo, in_a_row(edits) + (edits.size() == 1 ? " changes" : " change") +
                                                " nothing: " + path + " is as that says already" +
                                                (out.empty() ? "" : "; " + out + " is a copy of it"));
    if (before == after || !out.empty()) return {};
    auto now = open_project(QString::fromStdString(path));
    // Which papers the stash has by now is another matter.
    if (now) now->stash = before.stash;
    if (!now || !(*now == before))
        return fail(ErrorKind::ChangedOutside,
                    path + ": somebody else has changed it meanwhile; nothing was written");
    return save_project(after, QString::fromStdString(path));
}

} // namespace zesty::cli

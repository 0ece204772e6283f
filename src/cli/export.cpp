#include "cli/at_hand.h"
#include "cli/command.h"
#include "cli/painting.h"
#include "cli/proposed.h"
#include "cli/typed.h"
#include "io/guide/export_all.h"

#include <iostream>

namespace zesty::cli {

namespace {

struct Export {
    std::string project;
    std::string out;
    std::string paper = "a4";
    std::string chapters;
};

} // namespace

static int run(const Export& args) {
    const auto p = planned(args.project, std::nullopt, 10);
    if (!p) return complain(p.error().message);
    Chapters chapters = usual_chapters;
    if (!args.chapters.empty()) {
        chapters.clear();
        for (const std::string& word : split(args.chapters, ',')) {
            const auto chapter = typed_word<Chapter>("--chapters", word);
            if (!chapter) return complain(chapter.error().message);
            chapters.insert(*chapter);
        }
    }
    const Painting painting;
    const auto files =
        export_all(p->project, p->plan, args.paper == "a4" ? PrinterPaper::A4 : PrinterPaper::Letter,
                   QString::fromStdString(args.out), chapters);
    if (!files) return complain(files.error().message);
    for (const QString& f : *files) std::cout << f.toStdString() << "\n";
    return exit_code(p->plan);
}

namespace {

CLI::App* add_export(CLI::App& app, Export& a) {
    auto* c = app.add_subcommand("export",
                                 "Write the guide, a cutting file for every sheet and a picture of the page");
    c->add_option("PROJECT", a.project, ".zesty file")->required();
    add_stash_option(*c);
    c->add_option("--out", a.out, "Folder to write to")->required();
    c->add_option("--paper", a.paper, "Paper of the printer")
        ->capture_default_str()
        ->check(CLI::IsMember({"a4", "letter"}));
    c->add_option("--chapters", a.chapters, "Of the guide, with commas: " + all_words<Chapter>());
    return c;
}

const Registered<Export> export_command(9, add_export, run);

} // namespace

} // namespace zesty::cli

#include "cli/command.h"
#include "cli/deadline.h"
#include "cli/typed.h"
#include "core/cutfile/cut_file.h"
#include "core/geometry/lengths.h"
#include "core/sentences.h"
#include "io/drawing_import.h"
#include "io/inspect_json.h"
#include "io/papers_file.h"
#include "io/picture.h"
#include "io/project_file.h"
#include "io/read_file.h"

#include <cstdio>
#include <iostream>
#include <nlohmann/json.hpp>

namespace zesty::cli {

namespace {

struct Inspect {
    std::string cut;
    std::string width;
    bool light_paper = false;
    std::string drawing; ///< of a bundle
    std::string square;  ///< side of the square beside a scanned cut
    std::string as;      ///< what it is read as; empty: by its ending
    bool json = false;
};

/// Whether the program can read a file that is no drawing, and what it holds.
Result<std::string> contents(const std::string& path, const std::string& as) {
    const Watch watch(path + ": reading this takes over 10 s; it was given up", longest_reading);
    const QString file = QString::fromStdString(path);
    if (as == "page") {
        const auto page = open_project(file);
        if (!page) return tl::make_unexpected(page.error());
        return count_of(page->set_out.cuts.size(), "cut", "cuts") + " and " +
               count_of(page->set_out.photos.size(), "photo", "photos") + " on a page of " +
               format_size(page->set_out.page.width, page->set_out.page.height, page->units);
    }
    if (as == "papers") {
        const auto papers = read_papers(file);
        if (!papers) return tl::make_unexpected(papers.error());
        return count_of(papers->papers.size(), "paper", "papers");
    }
    const auto picture = brought_from(file);
    if (!picture) return tl::make_unexpected(picture.error());
    return "a picture of " + std::to_string((*picture)->width) + " x " + std::to_string((*picture)->height) +
           " pixels";
}

/// What else there is in a ZIP.
void say_bundle(const std::string& path) {
    const auto data = read_file(QString::fromStdString(path));
    const auto all = data ? drawings_of_bundle(*data) : Result<std::vector<BundleDrawing>>{};
    if (!all || all->size() < 2) return;
    std::cout << "drawings in it: ";
    for (std::size_t i = 0; i < all->size(); ++i)
        std::cout << (i ? ", " : "") << (*all)[i].name << " ("
                  << count_of(static_cast<std::size_t>((*all)[i].openings), "opening", "openings") << ")";
    std::cout << "; this is the first, --drawing chooses another\n";
}

} // namespace

static int run(const Inspect& args) {
    const bool is_page =
        args.as.empty() && QString::fromStdString(args.cut).endsWith(".zesty", Qt::CaseInsensitive);
    const std::string as = is_page ? "page" : args.as;
    if (!as.empty() && as != "cut") {
        const auto holds = contents(args.cut, as);
        if (!holds) return complain(holds.error().message);
        std::cout << args.cut << ": " << *holds << "\n";
        return done;
    }
    const auto square = typed_length("--square", args.square, 2, 500);
    if (!square) return complain(square.error().message);
    const auto file = read_drawing(args.cut, square->value_or(0), args.light_paper, args.drawing);
    if (!file) return complain(file.error().message);
    const auto cut = read_cut((*file)->drawing);
    if (!cut) return complain(args.cut + ": " + cut.error().message);
    double scale = 1;
    if (!args.width.empty()) {
        const auto width = parse_length(args.width);
        if (!width) return complain("--width: " + width.error().message);
        if (*width < 0.1 || *width > 10000)
            return complain("--width: " + args.width + " is not between 0.1 mm and 10 m");
        scale = *width / cut->box.width();
    }
    if (args.json) {
        std::cout << inspect_json(*cut, scale).dump(1) << "\n";
        return done;
    }
    std::size_t loose = 0;
    for (const Piece& p : cut->pieces) loose += p.in_opening >= 0;
    std::cout << args.cut << ": "
              << format_size(cut->box.width() * scale, cut->box.height() * scale, Units::Inches) << "\n"
              << count_of(cut->pieces.size(), "piece", "pieces") << ", " << loose << " of them loose\n"
              << count_of(cut->openings.size(), "opening", "openings") << "\n";
    if (!cut->bars.empty()) std::cout << "thinnest bar " << format_mm(cut->narrowest_bar() * scale) << "\n";
    std::cout << "cut length " << format_length(cut->cut_length * scale, Units::Inches) << "\n";
    if (args.drawing.empty()) say_bundle(args.cut);
    for (const std::string& w : cut->warnings) std::cout << "note: " << w << "\n";
    return done;
}

namespace {

CLI::App* add_inspect(CLI::App& app, Inspect& a) {
    auto* c = app.add_subcommand("inspect", "Measure a cut file: pieces, openings, bars, cut length; or say "
                                            "whether a page, picture or list of papers opens");
    c->add_option("CUT", a.cut, "SVG, SVGZ, DXF, PNG or JPEG, or a ZIP with one of them")->required();
    c->add_option("--width", a.width, "Scale so that the material is this wide, such as 11.5in or 292.1mm");
    c->add_option("--drawing", a.drawing, "Which drawing of a ZIP, by its file name");
    c->add_flag("--light-paper", a.light_paper, "In a picture: what is light is paper, what is dark is open");
    c->add_option("--square", a.square, "Side of the square that lies beside the cut in a scan or photo");
    auto* as = c->add_option("--as", a.as, "What it is read as: cut, page, picture or papers")
                   ->check(CLI::IsMember({"cut", "page", "picture", "papers"}));
    c->add_flag("--json", a.json, "Print zesty-inspect/1")->excludes(as);
    return c;
}

const Registered<Inspect> inspect_command(1, add_inspect, run);

} // namespace

} // namespace zesty::cli

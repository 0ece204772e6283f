#include "cli/command.h"
#include "cli/typed.h"
#include "core/cutfile/cut_file.h"
#include "core/geometry/lengths.h"
#include "core/project/edits.h"
#include "core/project/own_numbers.h"
#include "core/sentences.h"
#include "io/drawing_import.h"
#include "io/own_numbers_file.h"
#include "io/project_file.h"
#include "io/stash_json.h"

#include <QFileInfo>
#include <iostream>

namespace zesty::cli {

namespace {

struct New {
    std::string cut;
    std::string page = "12x12in";
    std::string margin;
    std::string width;
    std::string height;
    std::string reveal;
    std::string lip;
    double turn_deg = 0;
    bool mirrored = false;
    std::string square;
    bool light_paper = false;
    std::string drawing; ///< of a bundle
    std::string stash;
    std::string out;

    bool says_size() const { return !margin.empty() || !width.empty() || !height.empty(); }
};

/// With the household's own numbers.
Result<Project> empty_page(const New& args) {
    const auto own = read_own_numbers(own_numbers_path());
    if (!own) return tl::make_unexpected(own.error());
    const auto page = typed_page(args.page);
    if (!page) return tl::make_unexpected(page.error());
    Project p;
    begin_with(*own, p);
    p.set_out.page = *page;
    return p;
}

/// Photos, papers and words make a page, too.
int without_cut(const New& args, Project& p) {
    for (const auto& [option, given] : {std::pair{"--margin", !args.margin.empty()},
                                        {"--width", !args.width.empty()},
                                        {"--height", !args.height.empty()},
                                        {"--turn", args.turn_deg != 0},
                                        {"--mirror", args.mirrored},
                                        {"--drawing", !args.drawing.empty()},
                                        {"--light-paper", args.light_paper},
                                        {"--square", !args.square.empty()}})
        if (given)
            return complain(std::string(option) +
                            ": there is no cut file to size; name one, or leave this out");
    p.title = QFileInfo(QString::fromStdString(args.out)).completeBaseName().toStdString();
    if (const auto r = save_project(p, QString::fromStdString(args.out)); !r)
        return complain(r.error().message);
    std::cout << args.out << ": a page of "
              << format_size(p.set_out.page.width, p.set_out.page.height, Units::Inches)
              << " without a cut\n";
    return done;
}

} // namespace

static int run(const New& args) {
    auto begun = empty_page(args);
    if (!begun) return complain(begun.error().message);
    Project p = std::move(*begun);
    CutPlacement place;
    double reveal = 0;
    struct Wanted {
        const char* option;
        const std::string& text;
        double* value;
        double least;
    };
    if (!args.width.empty()) place.rule = SizeRule::Width;
    if (!args.height.empty()) place.rule = SizeRule::Height;
    for (const Wanted& w :
         {Wanted{"--margin", args.margin, &place.length, -3000},
          Wanted{"--width", args.width, &place.length, 1}, Wanted{"--height", args.height, &place.length, 1},
          Wanted{"--reveal", args.reveal, &reveal, 0}, Wanted{"--lip", args.lip, &p.sections.lip, 0}}) {
        if (w.text.empty()) continue;
        const auto length = parse_length(w.text);
        if (!length) return complain(std::string(w.option) + ": " + length.error().message);
        if (*length < w.least || *length > 3000)
            return complain(std::string(w.option) + ": " + w.text + " is out of range");
        *w.value = *length;
    }
    if (p.sections.lip > 50) return complain("--lip: " + args.lip + " is more than 50 mm");
    if (place.rule == SizeRule::Margin &&
        2 * place.length > std::min(p.set_out.page.width, p.set_out.page.height) - 1)
        return complain("--margin: a border of " + format_length(place.length, Units::Inches) +
                        " leaves nothing of the page");
    place.turn_deg = std::remainder(args.turn_deg, 360.0);
    place.mirrored = args.mirrored;
    place = sized(place, place.rule, place.length);
    p.set_out.page.reveal = Sides::even(reveal);
    if (!args.stash.empty()) {
        auto stash = read_stash(QString::fromStdString(args.stash));
        if (!stash) return complain(stash.error().message);
        p.stash = std::make_shared<const Stash>(std::move(*stash));
    }
    if (args.cut.empty()) return without_cut(args, p);
    const auto square = typed_length("--square", args.square, 2, 500);
    if (!square) return complain(square.error().message);
    auto drawing = read_drawing(args.cut, square->value_or(0), args.light_paper, args.drawing);
    if (!drawing) return complain(drawing.error().message);
    const auto cut = read_cut((*drawing)->drawing);
    if (!cut) return complain(args.cut + ": " + cut.error().message);
    // What has been measured is set out at the size it has.
    if ((*drawing)->drawing.size_real && !args.says_size())
        place = {SizeRule::Width, cut->box.width(), place.turn_deg, place.mirrored, {}};
    set_only_cut(p, *drawing);
    p.set_out.cuts.front().place = place;
    p.title = QFileInfo(QString::fromStdString(args.cut)).completeBaseName().toStdString();
    if (const auto r = save_project(p, QString::fromStdString(args.out)); !r)
        return complain(r.error().message);
    if (!(*drawing)->drawing.size_known && !args.says_size())
        std::cout << "the drawing does not say how large it is; give --width or --height if you know\n";
    std::cout << args.out << ": " << count_of(cut->openings.size(), "opening", "openings") << " on a page of "
              << format_size(p.set_out.page.width, p.set_out.page.height, Units::Inches) << "\n";
    return done;
}

namespace {

CLI::App* add_new(CLI::App& app, New& a) {
    auto* c = app.add_subcommand("new", "Set a cut out on a page, or begin a page without one, and save it");
    c->add_option("CUT", a.cut,
                  "SVG, SVGZ, DXF, PNG or JPEG, or a ZIP with one of them; none for a page without a cut");
    c->add_option("--page", a.page, "Page size, such as 12x12in or 210x297mm")->capture_default_str();
    auto* margin =
        c->add_option("--margin", a.margin, "Border left around the cut (1/2 in unless a size is given)");
    auto* width = c->add_option("--width", a.width, "Width of the cut instead of a border");
    auto* height = c->add_option("--height", a.height, "Height of the cut instead of a border");
    width->excludes(margin)->excludes(height);
    height->excludes(margin);
    c->add_option("--reveal", a.reveal, "How much of a frame paper shows round the base");
    c->add_option("--lip", a.lip, "Lip wanted behind the bars (1/8 in)");
    add_number(*c, "--turn", a.turn_deg, "Turn of the cut in degrees, clockwise", turn_limits);
    c->add_flag("--mirror", a.mirrored, "Mirror the cut left to right");
    c->add_option("--drawing", a.drawing, "Which drawing of a ZIP, by its file name");
    c->add_flag("--light-paper", a.light_paper, "In a picture: what is light is paper, what is dark is open");
    c->add_option("--square", a.square, "Side of the square that lies beside the cut in a scan or photo");
    c->add_option("--stash", a.stash, "zesty-stash/1 file with the paper at hand");
    c->add_option("--out", a.out, "Project file to write (.zesty)")->required();
    return c;
}

const Registered<New> new_command(2, add_new, run);

} // namespace

} // namespace zesty::cli

#include "support/full_page.h"

#include "core/project/edits.h"
#include "support/between.h"
#include "support/lattice.h"
#include "support/pages.h"

namespace zesty::testing {

namespace {

constexpr double inch = 25.4;

class Filling {
public:
    explicit Filling(unsigned seed) : random_(seed) {}

    Project page() {
        set_only_cut(p_, drawing());
        p_.title = "Kite Hill";
        p_.seed = 1;
        stash();
        set_out();
        sections();
        papers();
        photos();
        layers();
        words();
        wet();
        build();
        return std::move(p_);
    }

private:
    bool chance(int percent) { return static_cast<int>(random_() % 100) < percent; }
    int below(int n) { return static_cast<int>(random_() % static_cast<unsigned>(n)); }
    double from(double a, double b) { return between(random_, a, b); }
    template <class Enum> Enum any() { return static_cast<Enum>(below(count_of_values<Enum>)); }
    const std::string& some_paper() { return ids_[random_() % ids_.size()]; }
    std::string maybe_paper(int percent) { return chance(percent) ? some_paper() : std::string(); }

    Shared<DrawingFile> drawing() {
        const Drawing d = random_lattice(random_, 2 + below(3), 2 + below(3), 3 + below(3));
        openings_ = static_cast<int>(read_cut(d)->openings.size());
        return std::make_shared<const DrawingFile>(DrawingFile{"kite.svg", "", d});
    }

    void stash() {
        Stash s;
        const char* names[] = {"barley", "brick-dust", "gull",  "hedge", "straw",  "harbour",
                               "fog",    "thistle",    "skein", "sky",   "picnic", "midnight"};
        const double sides[] = {6, 8, 12, 12, 12.5, 12, 4, 13};
        for (const char* name : names) {
            ids_.emplace_back(name);
            s.papers.push_back(
                paper(name,
                      {static_cast<std::uint8_t>(below(256)), static_cast<std::uint8_t>(below(256)),
                       static_cast<std::uint8_t>(below(256))},
                      sides[below(8)] * inch, 1 + below(3), any<Pattern>(),
                      chance(60) ? Direction::Free : Direction::Half));
            if (chance(30))
                s.papers.back().back = PaperFace{{90, 30, 60}, "", Pattern::Solid, Direction::Half};
            if (chance(20)) s.papers.back().strip = 12;
        }
        for (const LetterKind kind :
             {LetterKind::Stickers, LetterKind::Dies, LetterKind::Stamps, LetterKind::Cut}) {
            LetterSet set;
            set.id = key_of(kind);
            set.name = set.id;
            set.kind = kind;
            set.height = 12;
            for (const char* letter : {"W", "I", "N", "D", "Y", "H", "L"})
                set.letters[letter] = {8, 1 + below(3)};
            s.letters.push_back(set);
        }
        for (const char* name : {"bow", "brass-dot"}) {
            Embellishment e;
            e.id = name;
            e.name = name;
            e.outline = {polygon({0, 0}, 6, 12), {}};
            e.count = 4;
            s.embellishments.push_back(e);
        }
        p_.stash = std::make_shared<const Stash>(std::move(s));
    }

    void set_out() {
        Page& page = p_.set_out.page;
        page.spread = chance(20);
        if (chance(55)) {
            page.reveal = Sides::even(from(3, 15));
            page.frame = chance(40) ? FrameKind::Strips : FrameKind::Whole;
            page.gut = chance(80);
            page.frame_paper = maybe_paper(70);
        }
        page.base_paper = maybe_paper(60);
        page.under_photos = chance(60);
        p_.set_out.cuts[0].place = {
            SizeRule::Width, from(110, 280), chance(30) ? from(-40, 40) : 0, false, {}};
        while (p_.set_out.cuts.size() < 3 && chance(35))
            copy_cut(p_, p_.set_out.cuts.front().id, chance(50), {from(-90, 90), from(-90, 90)});
        if (chance(20)) add_shadow(p_, p_.set_out.cuts.front().id, from(1, 3));
        for (PlacedCut& cut : p_.set_out.cuts) {
            cut.paper = maybe_paper(50);
            cut.above_photos = chance(70);
            cut.pieces_from_paper = chance(10);
            if (chance(25)) cut.edge = Rgb{20, 20, 40};
            cut.held.how = any<Mount>();
        }
    }

    std::vector<Spot> openings() {
        std::vector<Spot> out;
        for (const PlacedCut& cut : p_.set_out.cuts)
            for (int o = 0; o < openings_; ++o) out.emplace_back(cut.id, o);
        return out;
    }

    void sections() {
        p_.sections.backing.lips = chance(25) ? LipMode::Overlap : LipMode::Meet;
        p_.sections.backing.method = chance(50) ? BackingMethod::MachinePatches : any<BackingMethod>();
        p_.sections.backing.punch_on_top = chance(30);
        for (const Spot& spot : openings()) {
            if (chance(10))
                divide(p_, {spot}, {any<Division::Kind>(), 2 + below(2), 2, from(-90, 90), {0.5, 0.5}});
            SectionChoice c = p_.sections.choice(spot);
            if (chance(35)) c.treatment = any<Treatment>();
            if (chance(25)) c.method = any<BackingMethod>();
            if (chance(10)) c.order = 1 + below(4);
            p_.sections.choose(spot, c);
        }
        if (chance(25))
            divide(p_, {base_spot}, {any<Division::Kind>(), 2 + below(2), 2, from(-90, 90), {0.5, 0.5}});
    }

    void papers() {
        const auto give = [&](const Spot& spot) {
            PaperChoice c;
            c.paper = maybe_paper(88);
            c.side = chance(15) ? Side::B : Side::A;
            p_.match.choose(spot, c);
            if (chance(4)) p_.sheets.pins[spot] = {c.paper + "#1", 0, {from(0, 60), from(0, 60)}};
        };
        for (const Spot& spot : openings())
            for (int part = 0; part < 5; ++part) give({spot.cut, spot.opening, part});
        for (int part = 0; part < 8; ++part) give({-1, 0, part});
        for (int piece = 0; piece < 3; ++piece)
            for (const PlacedCut& cut : p_.set_out.cuts) give({cut.id, first_piece_spot + piece});
    }

    void photos() {
        for (int n = below(4); n > 0; --n) {
            Photo photo{chance(50) ? "Mia" : "",        from(50, 152), from(50, 110), chance(20),
                        {from(40, 260), from(40, 260)}, from(-12, 12), chance(50),    {}};
            for (int m = below(3); m > 0; --m) {
                PhotoMat mat;
                mat.paper = maybe_paper(75);
                mat.border = from(2, 8);
                mat.gut = chance(50);
                mat.torn = chance(20);
                photo.mats.push_back(mat);
            }
            photo.held.how = any<Mount>();
            p_.set_out.photos.push_back(photo);
        }
    }

    void layers() {
        for (int n = below(4); n > 0; --n) {
            PaperLayer layer;
            layer.shape = any<LayerShape>();
            layer.paper = maybe_paper(70);
            layer.centre = {from(30, 270), from(30, 270)};
            layer.width = from(40, 250);
            layer.height = from(8, 50);
            layer.turn_deg = chance(40) ? from(-20, 20) : 0;
            layer.place = any<LayerPlace>();
            layer.held.how = any<Mount>();
            p_.dress.layers.push_back(layer);
        }
        if (chance(30)) {
            p_.dress.frame.how = chance(50) ? LateFraming::Trimmed : LateFraming::Over;
            p_.dress.frame.paper = maybe_paper(70);
            p_.dress.frame.side_paper = maybe_paper(30);
        }
    }

    void words() {
        const char* sets[] = {"stickers", "dies", "stamps", "cut", "none of these"};
        for (int n = below(3); n > 0; --n) {
            PageTitle title;
            title.text = chance(50) ? "WINDY HILL" : "HILL";
            if (chance(85)) title.sets = {sets[below(5)]};
            title.path.centre = {from(60, 240), from(30, 270)};
            title.path.length = from(60, 200);
            title.label = chance(40);
            title.held.how = any<Mount>();
            p_.dress.titles.push_back(title);
        }
        for (int n = below(5); n > 0; --n)
            p_.dress.embellishments.push_back({chance(90) ? (chance(50) ? "bow" : "brass-dot") : "lost",
                                               {from(10, 290), from(10, 290)},
                                               0,
                                               {any<Mount>()}});
        for (int n = below(3); n > 0; --n) {
            Writing w;
            w.shape = any<WritingShape>();
            w.text = "the wind took the red one\nand we ran";
            w.centre = {from(60, 240), from(60, 240)};
            p_.dress.writings.push_back(w);
        }
        if (chance(30)) p_.dress.stitchings.push_back({});
    }

    void wet() {
        for (int n = below(3); n > 0; --n) {
            WetZone zone;
            zone.kind = any<WetKind>();
            zone.shape = any<WetShape>();
            zone.centre = {from(20, 280), from(20, 280)};
            zone.cut = p_.set_out.cuts[random_() % p_.set_out.cuts.size()].id;
            zone.primer = chance(40);
            p_.dress.wet.push_back(zone);
        }
    }

    void build() {
        BuildDecisions& b = p_.build;
        b.habits = {any<TrimBase>(), any<FirstWork>(), any<FrameBase>(), any<CutMats>()};
        b.cutting.face_down = chance(20);
        b.pairs = 1 + below(4);
        if (chance(30)) b.sittings = {{90, 0, false}, {60, 600, chance(50)}};
        if (chance(30)) b.own_steps.push_back({1, "Press the kite", "lay-out", "finish", 5, 10});
    }

    std::mt19937 random_;
    Project p_;
    std::vector<std::string> ids_;
    int openings_ = 0;
};

} // namespace

Project full_page(unsigned seed) {
    return Filling(seed).page();
}

} // namespace zesty::testing

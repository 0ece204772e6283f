// Writes a picture of a scrap as a scanner would see it: scan_scrap OUT.jpg. The scrap is made up: a torn
// sheet with a round hole, lying a little askew.

#include "devices/scanner.h"

#include <QGuiApplication>
#include <cmath>

int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    const QGuiApplication application(argc, argv);
    if (argc != 2) return 2;
    zesty::Polygon scrap;
    scrap.outer = {{0, 0}, {96, 2}, {93, 21}, {99, 34}, {71, 41}, {68, 66}, {40, 70}, {2, 68}};
    zesty::Ring hole;
    for (int k = 0; k < 40; ++k)
        hole.push_back({34 + 9 * std::cos(k * M_PI / 20), 32 + 9 * std::sin(k * M_PI / 20)});
    scrap.holes = {hole};
    zesty::devices::ScanLook look;
    look.turn_deg = 4;
    look.slant = 0.03;
    look.slant_deg = 30;
    return zesty::devices::scanned(scrap, look, 1).save(QString::fromLocal8Bit(argv[1]), nullptr, 88) ? 0 : 1;
}

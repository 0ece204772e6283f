#include <QGuiApplication>
#include <gtest/gtest.h>

#ifdef __SANITIZE_ADDRESS__
// GEOS 3.11 loses the rings it was building when an overlay fails in floating point, as it may; it is then
// tried again on a grid (core/geometry/boolean).
extern "C" const char* __lsan_default_suppressions();
extern "C" const char* __lsan_default_suppressions() {
    return "leak:geos::operation::overlay::PolygonBuilder::buildMaximalEdgeRings\n"
           "leak:geos::operation::overlay::MaximalEdgeRing::buildMinimalRings\n";
}
#endif

int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    ::testing::InitGoogleTest(&argc, argv);
    QGuiApplication application(argc, argv);
    return RUN_ALL_TESTS();
}

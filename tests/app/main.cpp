#include "app/bench.h"
#include "app/bench/theme.h"

#include <gtest/gtest.h>

int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    ::testing::InitGoogleTest(&argc, argv);
    zesty::testing::TimedApplication application(argc, argv);
    zesty::theme::apply(application);
    return RUN_ALL_TESTS();
}

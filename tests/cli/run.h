#pragma once
// Runs `zesty` as a person or a script does.

#include "support/patience.h"

#include <QFile>
#include <QProcess>
#include <QStringList>
#include <QTemporaryDir>
#include <gtest/gtest.h>
#include <string>

namespace zesty {

struct Ran {
    int code;
    std::string out;
    std::string err;
};

/// Where the tests' own stash is, so that nobody's is touched.
inline QString data_home() {
    static const QTemporaryDir home;
    return home.path();
}

inline Ran zesty(const QStringList& arguments) {
    QProcess process;
    QProcessEnvironment environment = QProcessEnvironment::systemEnvironment();
    environment.insert("XDG_DATA_HOME", data_home());
    process.setProcessEnvironment(environment);
    process.start(ZESTY_BINARY, arguments);
    EXPECT_TRUE(process.waitForFinished(patience_ms));
    if (process.exitStatus() != QProcess::NormalExit) return {-1, "", "ended by a signal"};
    return {process.exitCode(), process.readAllStandardOutput().toStdString(),
            process.readAllStandardError().toStdString()};
}

/// Ended by itself, without or with problems found, and had nothing to complain about.
inline testing::AssertionResult done(const Ran& r) {
    if ((r.code == 0 || r.code == 1) && r.err.empty()) return testing::AssertionSuccess();
    return testing::AssertionFailure() << "code " << r.code << ": " << r.err;
}

inline void write(const QString& path, const QByteArray& data) {
    QFile f(path);
    ASSERT_TRUE(f.open(QIODevice::WriteOnly));
    f.write(data);
}

inline void expect_one_line(const Ran& r, const char* part) {
    EXPECT_EQ(r.code, 2) << r.out;
    EXPECT_EQ(std::count(r.err.begin(), r.err.end(), '\n'), 1) << r.err;
    EXPECT_NE(r.err.find(part), std::string::npos) << "wanted: " << part << "\nsaid: " << r.err;
    EXPECT_TRUE(r.out.empty()) << r.out;
}

} // namespace zesty

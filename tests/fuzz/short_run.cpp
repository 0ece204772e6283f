// Where there is no fuzzer to link: every file of the corpus as it is, then changed a few hundred times from
// a fixed seed. Faults end it the way they end a fuzzer: by the sanitizers, by a signal, or by taking too
// long.
//
//     fuzz_readers READER CORPUS [RUNS]

#include "readers.h"

#include <QDir>
#include <QFile>
#include <chrono>
#include <iostream>
#include <random>

namespace {

using Random = std::mt19937;

std::size_t any(Random& random, std::size_t below) {
    return std::uniform_int_distribution<std::size_t>(0, below - 1)(random);
}

/// What breaks readers: wrong bytes, parts that are missing, doubled or from elsewhere, and numbers nobody
/// counts on.
QByteArray changed(QByteArray bytes, const QByteArray& other, Random& random) {
    static const QByteArrayList nasty{"1e999",    "nan",      "-1",  "0",   "99999999999999999999",
                                      "[[[[[[[[", "\xff\xfe", "\"",  "<g>", "null",
                                      "1e-320",   "--",       ";;;;"};
    for (std::size_t turns = 1 + any(random, 4); turns > 0; --turns) {
        if (bytes.isEmpty()) return other;
        const auto size = static_cast<std::size_t>(bytes.size());
        const auto at = static_cast<qsizetype>(any(random, size));
        const auto part = static_cast<qsizetype>(1 + any(random, std::min<std::size_t>(size, 64)));
        switch (any(random, 6)) {
        case 0:
            bytes[at] = static_cast<char>(random());
            break;
        case 1:
            bytes.remove(at, part);
            break;
        case 2:
            bytes.insert(at, bytes.mid(at, part));
            break;
        case 3:
            bytes.insert(at, other.mid(at % std::max<qsizetype>(1, other.size()), part));
            break;
        case 4:
            bytes.replace(at, 1 + part % 8, nasty[static_cast<qsizetype>(any(random, nasty.size()))]);
            break;
        default:
            bytes.truncate(at);
            break;
        }
    }
    return bytes;
}

void run(const std::string& reader, const QByteArray& bytes) {
    const auto begin = std::chrono::steady_clock::now();
    zesty::read_as(reader, bytes);
    if (std::chrono::steady_clock::now() - begin < std::chrono::seconds(60)) return;
    std::cerr << "a reader took longer than a minute\n";
    std::abort();
}

} // namespace

int main(int count, char** words) {
    const std::string reader = count > 1 ? words[1] : "";
    if (!zesty::is_reader(reader)) {
        std::cerr << "there is no reader \"" << reader << "\"\n";
        return 2;
    }
    QByteArrayList corpus;
    const QDir folder(count > 2 ? words[2] : "");
    for (const QFileInfo& info : folder.entryInfoList(QDir::Files, QDir::Name)) {
        QFile file(info.filePath());
        if (file.open(QIODevice::ReadOnly)) corpus.push_back(file.readAll());
    }
    if (corpus.isEmpty()) {
        std::cerr << "there is no corpus in " << folder.path().toStdString() << "\n";
        return 2;
    }
    for (const QByteArray& bytes : corpus) run(reader, bytes);
    const int runs = count > 3 ? std::atoi(words[3]) : 300;
    Random random(1);
    for (int i = 0; i < runs; ++i) {
        const auto one = static_cast<qsizetype>(any(random, static_cast<std::size_t>(corpus.size())));
        const auto other = static_cast<qsizetype>(any(random, static_cast<std::size_t>(corpus.size())));
        run(reader, changed(corpus[one], corpus[other], random));
    }
    std::cout << corpus.size() << " files as they are, " << runs << " changed\n";
    return 0;
}

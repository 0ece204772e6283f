#pragma once
// Papers that come into the stash from files, pictures, folders and pasted lists, and go out again.

#include "app/bench/document.h"
#include "app/bench/worker.h"

#include <functional>

namespace zesty {

class NoticeBar;

class BringIn : public QObject {
    Q_OBJECT
public:
    using Say = std::function<void(const QString& message, bool trouble)>;
    BringIn(Document& document, Worker& worker, NoticeBar& notices, Say say, QObject* parent);

    /// Whether it is for the drawer rather than for the page, by its ending.
    static bool brings_papers(const QString& path);
    void files(const QStringList& paths);
    /// Lists are shown as they were understood before they are taken.
    void list(const QString& text);
    void write_out(const QString& path);

private:
    void take(const Stash& papers, const QString& from);
    void show_what_was_understood(const std::shared_ptr<const Stash>& papers, const QString& from);
    QString said_of_columns() const;
    template <class Read> void read(Read read_there, const QString& from, bool ask);

    Document& document_;
    Worker& worker_;
    NoticeBar& notices_;
    Say say_;
    std::vector<std::string> left_out_; ///< columns of the lists that are read
};

} // namespace zesty

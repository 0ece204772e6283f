#pragma once
// What the window remembers between runs: one table of keys with their defaults, over a QSettings that a test
// can point elsewhere.

#include <QSettings>
#include <QStringList>
#include <cstdint>
#include <functional>
#include <memory>

namespace zesty {

class Settings {
public:
    /// `file` empty: the user's own settings.
    explicit Settings(const QString& file = {});

    QStringList recent_files() const; ///< newest first, only those that exist
    void add_recent(const QString& path);
    QByteArray window_geometry() const;
    void set_window_geometry(const QByteArray& geometry);
    QString last_folder() const;
    void set_last_folder(const QString& folder);
    /// The stash that is always open: in the user's data folder, or beside the file of these settings.
    QString stash_file() const;
    /// Another one for this run.
    void use_stash(const QString& file) { another_stash_ = file; }
    /// What the drawer calls it; empty for the user's own.
    QString stash_name() const;
    /// Where work in hand is kept: in the user's data folder, or beside the file of these settings.
    QString recovery_folder() const;
    /// The household's own numbers, beside the stash.
    QString numbers_file() const;
    /// At the waypoints that are about the page.
    bool drawer_folded() const;
    void set_drawer_folded(bool folded);
    /// How large letters are, in percent: 0 for as the desktop has them.
    int letters() const;
    void set_letters(int percent);
    /// Where the stand-in for a cutting machine keeps what it has cut, and listens.
    QString machine_folder() const;
    /// Times as fast as a real one the stand-in works.
    double machine_speed() const;
    void set_machine_speed(double faster);
    /// Seconds since 1970: the clock, or another for trials.
    std::int64_t now() const;
    void set_clock(std::function<std::int64_t()> clock) { clock_ = std::move(clock); }
    bool letter_paper() const;
    void set_letter_paper(bool letter);

private:
    QString data_folder() const;
    std::unique_ptr<QSettings> store_;
    QString another_stash_;
    std::function<std::int64_t()> clock_;
    QString beside_; ///< folder of the settings file, where one was given
};

} // namespace zesty

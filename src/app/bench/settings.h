#pragma once
// What the window remembers between runs: one table of keys with their defaults, over a QSettings that a test
// can point elsewhere.

#include <QSettings>
#include <QStringList>

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
    /// The user's own papers: a database in the user's data folder, or beside the file of these settings.
    QString own_papers() const;
    /// Where work in hand is kept: in the user's data folder, or beside the file of these settings.
    QString recovery_folder() const;
    bool letter_paper() const;
    void set_letter_paper(bool letter);

private:
    QString data_folder() const;
    std::unique_ptr<QSettings> store_;
    QString beside_; ///< folder of the settings file, where one was given
};

} // namespace zesty

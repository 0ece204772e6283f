#pragma once
// What the window asks about files; a test answers itself.

#include <QStringList>
#include <functional>

class QWidget;

namespace zesty {

struct FileQuestions {
    std::function<QString(QWidget*, const QString& folder)> open_cut;
    std::function<QStringList(QWidget*, const QString& folder)> open_papers;
    std::function<QString(QWidget*, const QString& suggestion)> save_papers;
    std::function<QString(QWidget*, const QString& suggestion)> save;
    std::function<QString(QWidget*, const QString& folder)> export_folder;
    std::function<QString(QWidget*, const QString& folder)> open_picture;
    /// True to go on although the project has unsaved changes.
    std::function<bool(QWidget*)> discard;
    static FileQuestions dialogs();
};

} // namespace zesty

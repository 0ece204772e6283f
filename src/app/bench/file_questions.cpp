#include "app/bench/file_questions.h"

#include <QFileDialog>
#include <QMessageBox>

namespace zesty {

FileQuestions FileQuestions::dialogs() {
    return {
        [](QWidget* w, const QString& folder) {
            return QFileDialog::getOpenFileName(
                w, "Open a drawing or project", folder,
                "Drawings and projects (*.svg *.svgz *.dxf *.png *.jpg *.jpeg *.zip *.zesty);;All files (*)");
        },
        [](QWidget* w, const QString& folder) {
            return QFileDialog::getOpenFileNames(
                w, "Papers to bring in", folder,
                "Papers and backups (*.csv *.json *.stash *.zestybackup *.png *.jpg *.jpeg);;All files (*)");
        },
        [](QWidget* w, const QString& suggestion) {
            return QFileDialog::getSaveFileName(w, "Write the papers out", suggestion,
                                                "Papers and backups (*.csv *.json *.stash *.zestybackup)");
        },
        [](QWidget* w, const QString& suggestion) {
            return QFileDialog::getSaveFileName(w, "Save the project", suggestion, "Projects (*.zesty)");
        },
        [](QWidget* w, const QString& folder) {
            return QFileDialog::getExistingDirectory(w, "Folder for guide and cutting files", folder);
        },
        [](QWidget* w, const QString& folder) {
            return QFileDialog::getOpenFileName(w, "Open a picture", folder,
                                                "Pictures (*.png *.jpg *.jpeg);;All files (*)");
        },
        [](QWidget* w) {
            return QMessageBox::question(w, "Zesty Panel",
                                         "The project has changes that are not saved. Go on without them?",
                                         QMessageBox::Discard | QMessageBox::Cancel) == QMessageBox::Discard;
        },
    };
}

} // namespace zesty

// What the window does with files: opening, saving, and what is left of other programs.
#include <QFileDialog>
#include <QFileInfo>
#include <QMessageBox>
#include <QPushButton>
#include <QVBoxLayout>

#include "app/desk/journal_keeper.h"
#include "app/mat/mat.h"
#include "app/window/main_window.h"
#include "app/window/recovery_strip.h"

namespace widecut {
namespace {

const char* const projectFilter = "Wide Cut projects (*.widecut)";

enum class Answer : unsigned char { First, Second, Stay };

/// Asks for one of two ways on, or to go on working; the first is the usual one.
Answer ask(QWidget* over, const char* name, const QString& title, const QString& text, const QString& first,
           const QString& second) {
  QMessageBox box(QMessageBox::NoIcon, title, text, QMessageBox::NoButton, over);
  box.setObjectName(name);
  auto* usual = box.addButton(first, QMessageBox::AcceptRole);
  auto* other = box.addButton(second, QMessageBox::DestructiveRole);
  auto* stay = box.addButton(MainWindow::tr("Go on working"), QMessageBox::RejectRole);
  box.setDefaultButton(usual);
  box.setEscapeButton(stay);
  box.exec();
  return box.clickedButton() == usual ? Answer::First : box.clickedButton() == other ? Answer::Second : Answer::Stay;
}

}  // namespace

bool MainWindow::take(const Result<void>& opened) {
  if (!opened) {
    complain(QString::fromStdString(opened.error().message));
    return false;
  }
  mat_->fitSheet();
  return true;
}

bool MainWindow::mayDiscard() {
  if (desk_.isSaved()) return true;
  const Answer answer = ask(this, "unsavedChanges", tr("Unsaved changes"),
                            tr("There are unsaved changes in “%1”.").arg(QString::fromStdString(desk_.settled().name)),
                            tr("Save"), tr("Close without saving"));
  return answer == Answer::First ? save() : answer == Answer::Second;
}

bool MainWindow::mayReplaceChanged() {
  const Answer answer =
      ask(this, "changedMeanwhile", tr("Changed meanwhile"),
          tr("“%1” was changed by somebody else since it was opened here.\nSaving would replace those changes.")
              .arg(QFileInfo(desk_.path()).fileName()),
          tr("Save under another name"), tr("Replace their changes"));
  if (answer == Answer::First) return saveAs();
  return answer == Answer::Second && saved(desk_.save(desk_.path(), true));
}

bool MainWindow::saved(const Result<void>& result) {
  if (!result) complain(QString::fromStdString(result.error().message));
  return result.has_value();
}

bool MainWindow::save() {
  if (desk_.path().isEmpty() || desk_.isOpenElsewhere()) return saveAs();
  if (desk_.isChangedElsewhere()) return mayReplaceChanged();
  return saved(desk_.save(desk_.path()));
}

bool MainWindow::saveAs() {
  QString path = QFileDialog::getSaveFileName(this, tr("Save the project as"), desk_.path(), projectFilter);
  if (path.isEmpty()) return false;
  if (QFileInfo(path).suffix().isEmpty()) path += ".widecut";
  // The dialog has asked whether to replace it.
  return saved(desk_.save(path, true));
}

void MainWindow::keepJournals(const QString& home) {
  desk_.setClaims(home.toStdString());
  const std::string journals = (home + "/journals").toStdString();
  auto left = leftBehind(journals);
  auto journal = Journal::begin(journals);
  if (journal)
    keeper_ = std::make_unique<JournalKeeper>(desk_, std::move(*journal));
  else
    emit desk_.told(QString::fromStdString(journal.error().message));
  if (left.empty()) return;
  const auto takeUp = [this](const LeftBehind& work) {
    settleTyping();
    if (!mayDiscard()) return false;
    auto project = work.project();
    if (!project) {
      complain(QString::fromStdString(project.error().message));
      return false;
    }
    desk_.takeUp(std::move(*project), QString::fromStdString(work.path));
    mat_->fitSheet();
    // Its journal goes once this window's own holds the same.
    QTimer::singleShot(3000, this, [gone = LeftBehind(work)]() mutable { gone.putAway(); });
    return true;
  };
  aroundMat_->insertWidget(0, new RecoveryStrip(std::move(left), takeUp, this));
}

}  // namespace widecut

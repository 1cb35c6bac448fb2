// The window: everything that is seen, put together.
#pragma once

#include <QMainWindow>
#include <memory>

#include "app/commands/command_actions.h"
#include "app/desk/desk.h"
#include "app/window/errands.h"

class QBoxLayout;
class QLabel;
class QVBoxLayout;

namespace widecut {

class JournalKeeper;
class KeysHome;
class Mat;
class StartView;

class MainWindow : public QMainWindow {
  Q_OBJECT
 public:
  explicit MainWindow(QWidget* parent = nullptr);
  ~MainWindow() override;
  Desk& desk() { return desk_; }
  Errands& errands() { return errands_; }
  /// The window as large as it was last time, where there is a screen for that. False the first time.
  bool restoreSize();
  /// Opens the file that was open last time, at its sheet.
  void reopenLast();
  /// True when nothing that shows is still being painted, read or written.
  bool isFinished() const;
  /// Keeps a journal below this folder, and offers what other programs left behind there. Called once, before anything
  /// is opened.
  void keepJournals(const QString& home);

 protected:
  void closeEvent(QCloseEvent* event) override;
  bool event(QEvent* event) override;

 private:
  QWidget* buildLeft();
  QWidget* buildDetails();
  QWidget* buildColumns();
  QWidget* buildBench();
  void buildStart(QBoxLayout& column);
  void showStart(bool anotherPiece);
  void hideStart();
  void buildLayout();
  void refreshTitle();
  /// Makes what is being typed, or was just tried and is finished, before anything else is done.
  void settleTyping();

  Desk desk_;
  Errands errands_{desk_, *this};
  Mat* mat_ = nullptr;
  QVBoxLayout* whole_ = nullptr;
  QWidget* work_ = nullptr;  ///< The tool row, the panels, the mat and the bench; the start view takes their place.
  StartView* start_ = nullptr;
  bool hasBegun_ = false;        ///< There is a project to go back to.
  bool isAnotherPiece_ = false;  ///< What is chosen at the start is one of the project that is open.
  QLabel* title_ = nullptr;
  KeysHome* keysHome_ = nullptr;
  CommandActions* commands_ = nullptr;
  ProjectPtr mayBeLost_;                   ///< What the person said need not be saved.
  std::unique_ptr<JournalKeeper> keeper_;  ///< After the desk, so that it ends first.
};

}  // namespace widecut

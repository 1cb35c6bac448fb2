// The window: everything that is seen, put together.
#pragma once

#include <QMainWindow>
#include <memory>

#include "app/commands/command_actions.h"
#include "app/desk/desk.h"
#include "app/window/errands.h"

class QLabel;
class QVBoxLayout;

namespace widecut {

class JournalKeeper;
class Mat;

class MainWindow : public QMainWindow {
  Q_OBJECT
 public:
  explicit MainWindow(QWidget* parent = nullptr);
  ~MainWindow() override;
  Desk& desk() { return desk_; }
  Errands& errands() { return errands_; }
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
  QWidget* buildAround();
  QWidget* buildDetails();
  QWidget* buildColumns();
  QWidget* buildBench();
  void buildLayout();
  void refreshTitle();
  /// Makes what is being typed, or was just tried and is finished, before anything else is done.
  void settleTyping();

  Desk desk_;
  Errands errands_{desk_, *this};
  Mat* mat_ = nullptr;
  QVBoxLayout* aroundMat_ = nullptr;
  QLabel* title_ = nullptr;
  CommandActions* commands_ = nullptr;
  ProjectPtr mayBeLost_;                   ///< What the person said need not be saved.
  std::unique_ptr<JournalKeeper> keeper_;  ///< After the desk, so that it ends first.
};

}  // namespace widecut

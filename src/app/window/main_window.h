// The window: everything that is seen, put together.
#pragma once

#include <QMainWindow>
#include <QTimer>
#include <functional>
#include <memory>

#include "app/desk/desk.h"

class QAction;
class QActionGroup;
class QLabel;
class QMenu;
class QVBoxLayout;

namespace widecut {

class JournalKeeper;
class Mat;

class MainWindow : public QMainWindow {
  Q_OBJECT
 public:
  explicit MainWindow(QWidget* parent = nullptr);
  ~MainWindow() override;
  /// Opens a project file; on a problem says so and leaves what is open alone.
  bool openFile(const QString& path) { return take(desk_.open(path)); }
  /// The same as Desk::openCopy.
  bool openCopy(const QString& path) { return take(desk_.openCopy(path)); }
  Desk& desk() { return desk_; }
  /// Keeps a journal below this folder, and offers what other programs left behind there. Called once, before anything
  /// is opened.
  void keepJournals(const QString& home);

 protected:
  void closeEvent(QCloseEvent* event) override;
  bool event(QEvent* event) override;

 private:
  /// One command of the menus: declared once; the menu, the key and when it applies follow.
  struct Command {
    QString menu, text;
    QList<QKeySequence> keys;
    std::function<void()> run;
    std::function<bool()> applies;
    QString name = {};
    bool lineBefore = false;
  };
  void addCommands();
  std::vector<Command> projectCommands();
  std::vector<Command> editCommands();
  std::vector<Command> cutCommands();
  std::vector<Command> otherCommands();
  QWidget* buildToolRow();
  void buildLayout();
  void refreshActions();
  void refreshTitle();

  bool take(const Result<void>& opened);
  bool mayDiscard();
  bool save();
  bool saveAs();
  bool saved(const Result<void>& result);
  bool mayReplaceChanged();
  void placePhoto(const QString& path, std::optional<Point> at);
  void askForPhoto();
  void deliverSomething();
  void deleteSelection();
  void duplicateSelection();
  void reframeSelection();
  void trimSelection(bool toBleed);
  std::vector<Command> pieceCommands();
  void stepSheet(int by);
  void complain(const QString& message);
  /// Makes what is being typed, or was just tried and is finished, before anything else is done.
  void settleTyping();

  Desk desk_;
  Mat* mat_ = nullptr;
  QVBoxLayout* aroundMat_ = nullptr;
  QLabel *hint_ = nullptr, *position_ = nullptr, *title_ = nullptr;
  QAction* zoomButton_ = nullptr;
  std::vector<std::pair<QAction*, std::function<bool()>>> conditional_;
  QAction *undo_ = nullptr, *redo_ = nullptr;
  QTimer toldEnd_;
  std::unique_ptr<JournalKeeper> keeper_;  ///< After the desk, so that it ends first.
};

}  // namespace widecut

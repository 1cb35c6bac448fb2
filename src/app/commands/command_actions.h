// The commands as Qt's actions: menus, keys, and the buttons that stand for them.
#pragma once

#include <QObject>
#include <array>
#include <functional>

#include "app/commands/command.h"

class QAction;
class QMenu;
class QMenuBar;
class QPushButton;

namespace widecut {

class CommandActions : public QObject {
  Q_OBJECT
 public:
  /// `before` runs before any command acts; `after` behind it, where what had the keys has them still.
  CommandActions(const CommandSite& site, std::function<void()> before, std::function<void()> after, QObject* parent);
  void addMenus(QMenuBar& bar);
  /// What can be done with what is selected, where the pointer is. Deletes itself once it is closed.
  void openByPointer(QPoint where);
  /// While the project is hidden by what one begins with, nothing acts on it.
  void setHidden(bool hidden);
  /// Runs the command when it applies.
  void run(CommandId id);
  /// Runs the command of this key alone, when there is one and it applies.
  void runOf(int key);
  QAction* action(CommandId id) const { return actions_[static_cast<std::size_t>(id)]; }
  /// Opens a menu of these, as far as they apply.
  void openMenu(std::initializer_list<CommandId> ids, QPoint where);

 private:
  /// What an action does before, and instead of, what it is for. `looksOnly` may be done while a project is opened.
  void act(bool looksOnly, const std::function<void()>& what);
  void refresh();
  CommandSite site_;
  std::function<void()> before_, after_;
  bool isHidden_ = false;
  std::vector<QAction*> toolActions_;
  std::array<QAction*, static_cast<std::size_t>(CommandId::count)> actions_{};
};

/// A button that stands for a command: its words with the key, its tip, its name.
QPushButton* commandButton(CommandId id, QWidget* parent);
/// Whether it applies and is on, and what its words say now, as its action in the menus does.
void showState(QPushButton& button, CommandId id, const Desk& desk);

}  // namespace widecut

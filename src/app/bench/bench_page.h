// What every page of the bench has in common.
#pragma once

#include <QWidget>

#include "app/commands/command_actions.h"
#include "app/desk/desk.h"

namespace widecut {

/// A page that is brought up to date only while it shows.
class BenchPage : public QWidget {
  Q_OBJECT
 public:
  BenchPage(Desk& desk, QWidget* parent) : QWidget(parent), desk_(desk) {}
  /// `selection` is true when the selection, not only the project, changed.
  virtual void refresh(bool selection) = 0;

 signals:
  /// The person wants one of the window's commands.
  void commandWanted(widecut::CommandId command);
  /// A photo is to be brought in, whose credit is this.
  void photoWanted(const QString& path, const QString& credit);
  /// The keys belong to the mat again.
  void keysBack();

 protected:
  /// A button of the page that stands for a command, so that keys and menus do the same.
  QPushButton* buttonFor(CommandId id, QWidget* parent);
  Desk& desk_;
};

}  // namespace widecut

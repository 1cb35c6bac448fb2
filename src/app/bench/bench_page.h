// What every page of the bench has in common.
#pragma once

#include <QWidget>

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
  /// The person wants to bring in a photo for what is selected.
  void photoWanted();
  /// The person wants one of the window's commands, by its name.
  void commandWanted(const QString& name);

 protected:
  Desk& desk_;
};

}  // namespace widecut

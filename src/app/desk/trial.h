// Changes that are shown before they are made.
#pragma once

#include <QPointer>
#include <QString>

#include "app/desk/desk.h"

namespace widecut {

/// A hold on what is being tried. Only the one who shows a change can make it or take it back, so that none makes
/// another one's by mistake.
class Trial {
 public:
  explicit Trial(Desk& desk) : desk_(&desk) {}
  Trial(const Trial&) = delete;
  Trial& operator=(const Trial&) = delete;

  /// Shows a change without making it, in the place of whatever was being tried. What is beyond the limits is not
  /// shown.
  void show(Project changed) { preview(std::move(changed), false); }
  /// The same of what the pointer only passes over: panels keep what they show.
  void point(Project changed) { preview(std::move(changed), true); }
  /// True while it is this one's change that shows.
  bool isShown() const;
  /// Makes the change that it shows: one undo step. Nothing, and false, when another one's shows, or none, or one that
  /// is only pointed at.
  bool settle(const QString& name);
  /// Takes back what it shows; another one's change stays.
  void drop();

 private:
  void preview(Project changed, bool isPointing);
  QPointer<Desk> desk_;  // panels outlive the desk when the window closes
};

}  // namespace widecut

// What is dropped on the mat: files of the desktop, and what the bench offers, shown where it would lie.
#pragma once

#include "app/desk/offer.h"
#include "app/desk/trial.h"

namespace widecut {

class MatDrops {
 public:
  explicit MatDrops(Desk& desk) : desk_(desk), trial_(desk) {}
  bool takes(const QMimeData& data) const;
  /// Shows what the bench offers about a point of the sheet.
  void show(const QMimeData& data, Point about);
  void leave() { trial_.drop(); }
  /// Lays what the bench offers; else the file that was dropped, for others to take.
  QString drop(const QMimeData& data, Point about);

 private:
  Desk& desk_;
  Trial trial_;
};

}  // namespace widecut

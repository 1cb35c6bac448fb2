// Guides on the mat: pulled out of the rulers, dragged, typed, nudged and thrown away.
#pragma once

#include <QPainter>
#include <optional>

#include "app/desk/desk.h"
#include "app/desk/trial.h"
#include "app/tools/snapper.h"
#include "app/tools/tool.h"
#include "project/edits/guides.h"

class QKeyEvent;

namespace widecut {

/// A press in a ruler pulls out a guide; on a guide's tab there it takes hold of that one. Back in the ruler, or off
/// the mat, it is thrown away. A click on the tab chooses the guide: digits set its place, arrows nudge it.
class GuideDrags {
 public:
  GuideDrags(Mat& mat, Desk& desk) : mat_(mat), desk_(desk), trial_(desk), snapper_(mat, desk) {}

  /// False when the press is not in a ruler.
  bool press(const Pointer& pointer);
  void drag(const Pointer& pointer);
  void release(const Pointer& pointer);
  bool isHeld() const { return held_; }
  void cancel();
  /// True when the chosen guide used the key.
  bool key(const QKeyEvent& event);
  /// True for a key that is the chosen guide's, although a command has it.
  bool wants(const QKeyEvent& event) const;
  /// The cursor over the rulers; nothing elsewhere.
  std::optional<Qt::CursorShape> cursorAt(QPointF onMat) const;
  QString hint() const;
  bool hasHint(QPointF onMat) const { return held_ || cursorAt(onMat).has_value(); }
  /// The guides of the open sheet, and their tabs.
  void paint(QPainter& painter) const;

 private:
  std::optional<GuidePlace> tabAt(QPointF onMat) const;
  bool isInRuler(QPointF onMat, bool upright) const;
  void openEntry(const GuidePlace& place, QPointF onMat);
  QPointF tabOf(const Guide& guide) const;

  Mat& mat_;
  Desk& desk_;
  Trial trial_;
  Snapper snapper_;
  bool held_ = false, moved_ = false;
  bool upright_ = false;             ///< Of the guide that is held.
  std::optional<GuidePlace> taken_;  ///< The guide that is held; nothing for a new one.
  std::optional<GuidePlace> chosen_;
  Pointer pressed_{};
};

}  // namespace widecut

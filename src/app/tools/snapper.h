// Drags that come to rest at what lies on the sheet, with the reason drawn in amber.
#pragma once

#include <QPainter>
#include <memory>

#include "app/desk/desk.h"
#include "app/mat/selection_frame.h"
#include "app/tools/tool.h"
#include "scene/snapping.h"

namespace widecut {

/// As it is said to the person.
QString wordOf(SnapKind kind);

/// Held by a tool. Between begin and end it turns the way of a drag, or a place, into the one where it comes to rest;
/// Ctrl lets it pass, and cycle() takes the next best reason. The kinds that count are the person's preferences.
class Snapper {
 public:
  Snapper(const Mat& mat, const Desk& desk) : mat_(mat), desk_(desk) {}

  /// A drag begins, of these items or of something that is on no sheet yet. Places are others to rest at.
  void begin(std::vector<Id> without = {}, std::vector<Point> places = {});
  /// The same of nodes: other nodes of these items are places to rest at, too.
  void beginNodes(const NodesOfItems& moved);
  void end();

  /// The way by which the items of begin() move, or copies of them, which rest at the items too.
  Point moved(Point by, const Pointer& pointer, bool copies = false);
  /// A single place; the end of a line from `from`.
  Point placed(Point at, const Pointer& pointer, const std::optional<Point>& from = std::nullopt);
  /// The same of a pointer, from a press on and before it; with Shift, which has a say of its own, as it is.
  Pointer resting(const Pointer& pointer, const std::optional<Point>& from = std::nullopt);
  /// The moving corner of a box whose other corner stays. Along an axis that is not free it stays as it is.
  Point cornered(Point at, Point opposite, const Pointer& pointer, bool freeX = true, bool freeY = true);
  /// Radians, for something that is turned so far on the sheet.
  double turned(double turn, const Pointer& pointer);
  /// The way once more, so that what came to rest lies there to the last bit, where any number does that.
  Point exactly(Point by) const;

  /// True while something came to rest.
  bool isResting() const { return chosen_.has_value() || angle_; }
  /// True for the keys that take the next reason, or the one before; the drag is to be worked out again then.
  bool takes(const QKeyEvent& key);
  void paint(QPainter& painter) const;

 private:
  const SnapField& field();
  Point take(const SnapProbe& probe, const Pointer& pointer);
  Box boxOfItems(const Project& project) const;

  const Mat& mat_;
  const Desk& desk_;
  bool active_ = false;
  std::vector<Id> items_;
  std::vector<Point> places_;
  std::unique_ptr<SnapField> field_;
  /// What it was made of.
  struct FieldOf {
    ProjectPtr state;
    Id sheet = 0;
    SnapKinds kinds = {};
    bool operator==(const FieldOf&) const = default;
  } fieldOf_;
  Box box_;
  std::vector<Point> nodes_;
  std::optional<Snap> chosen_;
  std::optional<QPointF> said_;  ///< Where the reason is said.
  bool angle_ = false;
  bool copies_ = false;
  int turn_ = 0;  ///< Which of the reasons.
  QPointF turnedAt_;
};

}  // namespace widecut

// The arcs in the corners of an item, on the mat, by which their treatment is set.
#pragma once

#include <QPainter>
#include <optional>

#include "app/mat/mat.h"
#include "project/edits/reshaping.h"

namespace widecut {

/// A corner whose arc lies under the pointer.
struct CornerHit {
  Id item = 0;
  CornerPlace corner;
};

/// The corners of the items, with an arc each, as far as there is room for one on the mat; cutouts come last.
std::vector<CornerHit> cornersWithArcs(const Mat& mat, const Project& project, const std::vector<ItemPtr>& items);
std::optional<CornerHit> cornerAt(const Mat& mat, const Project& project, const std::vector<ItemPtr>& items,
                                  QPointF onMat);
void paintCorners(QPainter& painter, const Mat& mat, const Project& project, const std::vector<ItemPtr>& items,
                  const std::optional<CornerHit>& lit);

/// The treatment after its arc was dragged from one place of the sheet to another; round where it was sharp.
Corner cornerFor(const Project& project, const CornerHit& hit, Point pressed, Point now);
/// The item with that corner, and all others but for those that have one of their own; or, alone, with that one.
Project withCornerDragged(const Project& project, const CornerHit& hit, const NodesOfItems& chosen,
                          const Corner& corner, bool alone);
/// As in “round 5 mm”, and what there is room for.
QString textOfCorner(const Desk& desk, const CornerHit& hit);

}  // namespace widecut

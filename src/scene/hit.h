// Which item is under the pointer.
#pragma once

#include "project/model.h"

namespace widecut {

/// True when the point (parent space of the item) is on what the item paints, or within `reach` of its edge.
/// Items without fill or photo are hit at their line only.
bool isHit(const Item& item, Point inParent, double reach);
/// The frontmost visible item of the sheet at this point; 0 when there is none.
Id itemAt(const Sheet& sheet, Point point, double reach);
/// The visible item inside a cutout, group or repeat at this sheet point, found by its area: the smallest one there; 0
/// when there is none.
Id partAt(const Project& project, Id whole, Point point, double reach);
/// Visible items that lie wholly inside the box, back to front.
std::vector<Id> itemsWithin(const Sheet& sheet, const Box& box);

}  // namespace widecut

// Which item is under the pointer.
#pragma once

#include "project/model.h"

namespace widecut {

/// True when the point (parent space of the item) is on what the item paints, or within `reach` of its edge.
/// Items without fill or photo are hit at their line only.
bool isHit(const Item& item, Point inParent, double reach);
/// The frontmost item of the sheet at this point that can be taken hold of there; 0 when there is none.
Id itemAt(const Sheet& sheet, Point point, double reach);
/// All of them, front first.
std::vector<Id> itemsAt(const Sheet& sheet, Point point, double reach);
/// True when the item is there to be taken hold of: neither hidden nor locked.
inline bool isAtHand(const Item& item) { return !item.hidden && !item.locked; }
/// What of the inside of an item is at a sheet point: the frontmost of what it shows, or a part as partAt finds it; 0
/// when nothing is.
Id childAt(const Project& project, Id whole, Point point, double reach);
/// The visible item inside a cutout, group or repeat at this sheet point, found by its area: the smallest one there; 0
/// when there is none.
Id partAt(const Project& project, Id whole, Point point, double reach);
/// The frontmost words at this sheet point, wherever they are inside of; those in a text frame all over it. 0 when
/// there are none at hand.
Id wordsAt(const Sheet& sheet, Point point);
/// What a marquee takes: what lies wholly inside it, or all that it touches.
enum class Taken : unsigned char { Inside, Touched };
/// Items at hand that a box of the sheet takes, back to front.
std::vector<Id> itemsWithin(const Sheet& sheet, const Box& box, Taken taken = Taken::Inside);

}  // namespace widecut

// Edits of repeats: making them, their pattern, single copies, and letting them go.
#pragma once

#include <span>

#include "project/model.h"
#include "shapes/pattern.h"

namespace widecut {

/// The items of one sheet as the first copy of a repeat, in the place of the frontmost; a single part of a cutout or of
/// a group where it is. The pattern's points are measured from the middle of the items. No items change nothing.
Project repeated(const Project& project, std::span<const Id> items, const Pattern& pattern, Id& made);
/// Copies of the items along a line, which is given on their sheet: the first one lies where it starts. A single
/// repeat along a line takes up this one instead, and is `made`.
Project repeatedAlong(const Project& project, std::span<const Id> items, const Contour& line, Id& made);
/// The repeat with another pattern, measured in its frame. Copies that it does not have are no longer left out.
Project withPattern(const Project& project, Id repeat, const Pattern& pattern);
/// The copy left out, or shown again.
Project withLeftOut(const Project& project, Id repeat, int copy, bool isOut);
/// The style of one item of a repeat in one of its copies alone.
Project withOwnLook(const Project& project, Id repeat, int copy, Id item, const Style& style);
/// The copy like the others again.
Project withoutOwnLook(const Project& project, Id repeat, int copy);
/// All copies like this one.
Project withLookForAll(const Project& project, Id repeat, int copy);
/// The repeat's copies as items of their own, which look as they did; the first one that shows keeps its ids.
Project withCopiesFreed(const Project& project, Id repeat, std::vector<Id>& made);

}  // namespace widecut

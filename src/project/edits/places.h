// Edits of where items lie and how large they are.
#pragma once

#include <span>

#include "project/model.h"

namespace widecut {

/// The item after a map of its parent's space. Turns and shifts move the frame; what remains reshapes the form, and
/// pictures are fitted anew without stretching.
Item mapped(const Item& item, const Affine& map);
/// The item after a map that resizes its frame: what its form keeps at its size stays (see resized in forms/form.h),
/// where the map keeps the frame's sides square to one another; everything else is mapped.
Item resized(const Item& item, const Affine& map);
/// Both for several items of a project, by a map of the sheet. Those inside others too; those inside another one of
/// the items move with it.
Project withMapped(const Project& project, std::span<const Id> items, const Affine& sheetMap);
Project withResized(const Project& project, std::span<const Id> items, const Affine& sheetMap);
/// The outermost of the items, those inside others too, as they lie on their sheets; back to front.
std::vector<ItemPtr> asOnSheet(const Project& project, std::span<const Id> items);
/// The item's outline brought to this width and height (frame space, > 0) with its top left corner kept.
Project withSize(const Project& project, Id item, double width, double height);

}  // namespace widecut

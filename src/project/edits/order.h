// Edits of the order of items, and of what they are inside of.
#pragma once

#include <span>

#include "cutting/formula.h"
#include "project/model.h"

namespace widecut {

/// The items one step further to the front, or to the back, among those they lie beside; their own order stays. Parts
/// of a recipe keep their places: there the order is the formula.
Project broughtForward(const Project& project, std::span<const Id> items);
Project sentBackward(const Project& project, std::span<const Id> items);

/// A place in the stack of a sheet: in an item that has others inside it, or on the sheet itself.
struct StackPlace {
  Id sheet = 0;
  Id inside = 0;          ///< 0: on the sheet.
  std::size_t place = 0;  ///< Before which of those that are there already: back to front, a recipe's in its order.
};
/// Items moved to a place; on the sheet they stay where they are. In a recipe each takes the role of its neighbours, or
/// keeps its own when it was a part of it before; `role` receives it. What cannot be (an item inside itself, a group
/// that would be left empty around the place) changes nothing.
Project withItemsMoved(const Project& project, std::span<const Id> items, const StackPlace& to,
                       std::optional<Role>& role);

/// Copies of the items, shifted on their sheet: on top of it, or, of what is inside of something, beside it, in a
/// recipe with the same role. `copies` receives their ids.
Project withCopies(const Project& project, std::span<const Id> items, Point shift, std::vector<Id>& copies);

}  // namespace widecut

// Straight lines: items of two nodes.
#pragma once

#include <optional>
#include <utility>

#include "project/lookup.h"

namespace widecut {

/// A straight line between two points of its parent's space.
Item lineItem(Id id, std::string name, Point from, Point to, Style style);
/// The ends of an item that is one straight open line, in its parent's space; nothing for others.
std::optional<std::pair<Point, Point>> endsOf(const Item& item);
/// The line with other ends, given on the sheet. What is no line stays as it is.
Project withEnds(const Project& project, Id item, Point from, Point to);

}  // namespace widecut

// The tools there are.
#pragma once

namespace widecut {

/// What each one is, and does, stands in the table of tools (tool_table.cpp).
enum class ToolKind : unsigned char { Select, Rectangle, Ellipse, Polygon, Words, Reframe, Knife, Offset, LineOutline };

/// True for tools that lay down a new shape.
constexpr bool draws(ToolKind kind) {
  return kind == ToolKind::Rectangle || kind == ToolKind::Ellipse || kind == ToolKind::Polygon ||
         kind == ToolKind::Words;
}

}  // namespace widecut

// The tools there are.
#pragma once

namespace widecut {

/// What each one is, and does, stands in the table of tools (tool_table.cpp).
enum class ToolKind : unsigned char {
  Select,
  Nodes,
  Pen,
  Rectangle,
  Ellipse,
  Polygon,
  Line,
  Words,
  Reframe,
  Knife,
  Starter,
  Measure,
  Offset,
  LineOutline
};

/// True for tools that lay down a starter.
constexpr bool laysStarters(ToolKind kind) {
  return kind == ToolKind::Rectangle || kind == ToolKind::Ellipse || kind == ToolKind::Polygon ||
         kind == ToolKind::Starter;
}

/// True for tools that lay down a new shape, which can be joined to another one.
constexpr bool draws(ToolKind kind) { return laysStarters(kind) || kind == ToolKind::Words || kind == ToolKind::Pen; }

}  // namespace widecut

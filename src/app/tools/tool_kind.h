// The tools there are.
#pragma once

namespace widecut {

/// What each one is, and does, stands in the table of tools (tool_table.cpp).
enum class ToolKind : unsigned char { Select, Rectangle, Ellipse, Polygon, Reframe, Knife, Offset, LineOutline };

}  // namespace widecut

#include "project/columns.h"

namespace widecut {

Box marginBox(const Sheet& sheet, const Setting& s) {
  return {{s.left, s.top}, {sheet.width - s.right, sheet.height - s.bottom}};
}

std::vector<Box> columnsOf(const Sheet& sheet, const Setting& s) {
  const Box inside = marginBox(sheet, s);
  const double width = (sheet.width - s.left - s.right - s.gutter * (s.columns - 1)) / s.columns;
  std::vector<Box> columns;
  if (!(width > 0) || inside.isEmpty()) return columns;
  for (int i = 0; i < s.columns; ++i) {
    const double left = s.left + i * (width + s.gutter);
    columns.push_back({{left, inside.low.y}, {left + width, inside.high.y}});
  }
  return columns;
}

}  // namespace widecut

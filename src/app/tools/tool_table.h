// The table of tools: the row above the mat, the menu, the keys and the mat follow from it.
#pragma once

#include <QKeySequence>
#include <QString>
#include <memory>
#include <span>

#include "app/tools/tool.h"
#include "app/tools/tool_kind.h"

namespace widecut {

struct ToolEntry {
  ToolKind kind;
  Qt::Key key;  ///< A digit; 0 when it is not in the row.
  const char* name;
  /// The picture in the tool row; null for a tool that a command begins, which is not in the row.
  const char* icon;
  std::unique_ptr<Tool> (*make)(Mat& mat, Desk& desk);

  bool isInRow() const { return icon != nullptr; }
  QString words() const;
  QString keyText() const { return QKeySequence(key).toString(); }
};

/// Every tool once, in the order of the row.
std::span<const ToolEntry> toolTable();
const ToolEntry& toolEntry(ToolKind kind);

}  // namespace widecut

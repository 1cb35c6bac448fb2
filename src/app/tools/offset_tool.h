// In hand while an offset, or the outline of a line, is being set on the bench.
#pragma once

#include "app/tools/tool.h"

namespace widecut {

/// On the mat only Escape works: what is being set shows there.
class OffsetTool : public Tool {
 public:
  using Tool::Tool;
  bool key(QKeyEvent& event) override;
  void paint(QPainter& painter) override;
  QString hint() const override;
};

}  // namespace widecut

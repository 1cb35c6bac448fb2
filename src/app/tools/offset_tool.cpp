#include "app/tools/offset_tool.h"

#include <QKeyEvent>
#include <QPainter>

#include "app/desk/desk.h"
#include "app/look/theme.h"
#include "app/mat/mat.h"
#include "app/mat/selection_frame.h"

namespace widecut {

bool OffsetTool::key(QKeyEvent& event) {
  if (event.key() != Qt::Key_Escape) return false;
  desk_.setTool(ToolKind::Select);
  return true;
}

void OffsetTool::paint(QPainter& painter) {
  painter.setBrush(Qt::NoBrush);
  // The outline as it was, dashed, and as it would be.
  painter.setPen(QPen(theme::plum, 1.2, Qt::DashLine));
  for (const Id id : desk_.selection()) paintOutline(painter, mat_, desk_.settled(), id);
  painter.setPen(QPen(theme::plum, 1.6));
  for (const Id id : desk_.selection()) paintOutline(painter, mat_, desk_.project(), id);
}

QString OffsetTool::hint() const {
  return Mat::tr("Type a length below: it shows at once · Enter makes it · Esc leaves things as they were");
}

}  // namespace widecut

#include "app/tools/tool_table.h"

#include <QCoreApplication>
#include <algorithm>

#include "app/tools/draw_tool.h"
#include "app/tools/knife_tool.h"
#include "app/tools/offset_tool.h"
#include "app/tools/reframe_tool.h"
#include "app/tools/select_tool.h"

namespace widecut {
namespace {

template <class T>
std::unique_ptr<Tool> make(Mat& mat, Desk& desk) {
  return std::make_unique<T>(mat, desk);
}
template <DrawTool::Shape Shape>
std::unique_ptr<Tool> makeDrawing(Mat& mat, Desk& desk) {
  return std::make_unique<DrawTool>(mat, desk, Shape);
}

constexpr ToolEntry table[] = {
    {ToolKind::Select, QT_TRANSLATE_NOOP("Tools", "Select"), "select", Qt::Key_1, make<SelectTool>},
    {ToolKind::Rectangle, QT_TRANSLATE_NOOP("Tools", "Rectangle"), "rectangle", Qt::Key_4,
     makeDrawing<DrawTool::Shape::Rectangle>},
    {ToolKind::Ellipse, QT_TRANSLATE_NOOP("Tools", "Ellipse"), "ellipse", Qt::Key_5,
     makeDrawing<DrawTool::Shape::Ellipse>},
    {ToolKind::Polygon, QT_TRANSLATE_NOOP("Tools", "Polygon"), "polygon", Qt::Key_6,
     makeDrawing<DrawTool::Shape::Polygon>},
    {ToolKind::Reframe, QT_TRANSLATE_NOOP("Tools", "Reframe"), "reframe", Qt::Key_9, make<ReframeTool>},
    {ToolKind::Knife, QT_TRANSLATE_NOOP("Tools", "Knife"), "knife", Qt::Key_0, make<KnifeTool>},
    {ToolKind::Offset, QT_TRANSLATE_NOOP("Tools", "Offset"), nullptr, Qt::Key(0), make<OffsetTool>},
    {ToolKind::LineOutline, QT_TRANSLATE_NOOP("Tools", "Outline of the line"), nullptr, Qt::Key(0), make<OffsetTool>},
};

}  // namespace

QString ToolEntry::words() const { return QCoreApplication::translate("Tools", name); }

std::span<const ToolEntry> toolTable() { return table; }

const ToolEntry& toolEntry(ToolKind kind) {
  return *std::find_if(std::begin(table), std::end(table), [&](const ToolEntry& e) { return e.kind == kind; });
}

}  // namespace widecut

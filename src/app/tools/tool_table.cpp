#include "app/tools/tool_table.h"

#include <QCoreApplication>
#include <algorithm>

#include "app/tools/draw_tool.h"
#include "app/tools/knife_tool.h"
#include "app/tools/line_tool.h"
#include "app/tools/node_tool.h"
#include "app/tools/offset_tool.h"
#include "app/tools/pen_tool.h"
#include "app/tools/reframe_tool.h"
#include "app/tools/select_tool.h"
#include "app/tools/words_tool.h"

namespace widecut {
namespace {

template <class T>
std::unique_ptr<Tool> make(Mat& mat, Desk& desk) {
  return std::make_unique<T>(mat, desk);
}

constexpr ToolEntry table[] = {
    {ToolKind::Select, Qt::Key_1, QT_TRANSLATE_NOOP("Tools", "Select"), "select", make<SelectTool>},
    {ToolKind::Nodes, Qt::Key_2, QT_TRANSLATE_NOOP("Tools", "Nodes"), "nodes", make<NodeTool>},
    {ToolKind::Pen, Qt::Key_3, QT_TRANSLATE_NOOP("Tools", "Pen"), "pen", make<PenTool>},
    {ToolKind::Rectangle, Qt::Key_4, QT_TRANSLATE_NOOP("Tools", "Rectangle"), "rectangle", make<DrawTool>},
    {ToolKind::Ellipse, Qt::Key_5, QT_TRANSLATE_NOOP("Tools", "Ellipse"), "ellipse", make<DrawTool>},
    {ToolKind::Polygon, Qt::Key_6, QT_TRANSLATE_NOOP("Tools", "Polygon"), "polygon", make<DrawTool>},
    {ToolKind::Line, Qt::Key_7, QT_TRANSLATE_NOOP("Tools", "Line"), "line", make<LineTool>},
    {ToolKind::Words, Qt::Key_8, QT_TRANSLATE_NOOP("Tools", "Words"), "words", make<WordsTool>},
    {ToolKind::Reframe, Qt::Key_9, QT_TRANSLATE_NOOP("Tools", "Reframe"), "reframe", make<ReframeTool>},
    {ToolKind::Knife, Qt::Key_0, QT_TRANSLATE_NOOP("Tools", "Knife"), "knife", make<KnifeTool>},
    {ToolKind::Starter, Qt::Key(0), QT_TRANSLATE_NOOP("Tools", "Starter"), nullptr, make<DrawTool>},
    {ToolKind::Measure, Qt::Key(0), QT_TRANSLATE_NOOP("Tools", "Measuring line"), nullptr, make<LineTool>},
    {ToolKind::Offset, Qt::Key(0), QT_TRANSLATE_NOOP("Tools", "Offset"), nullptr, make<OffsetTool>},
    {ToolKind::LineOutline, Qt::Key(0), QT_TRANSLATE_NOOP("Tools", "Outline of the line"), nullptr, make<OffsetTool>},
};

}  // namespace

QString ToolEntry::words() const { return QCoreApplication::translate("Tools", name); }

std::span<const ToolEntry> toolTable() { return table; }

const ToolEntry& toolEntry(ToolKind kind) {
  return *std::find_if(std::begin(table), std::end(table), [&](const ToolEntry& e) { return e.kind == kind; });
}

}  // namespace widecut

// Shapes from elsewhere, laid on the sheet.
#pragma once

#include <string_view>

#include "app/desk/read_then.h"
#include "storage/svg_in.h"

namespace widecut {

/// True when these bytes, or this text, begin like an SVG.
bool isSvg(std::string_view bytes);

/// Lays the shapes of an SVG on the open sheet as one item, a group where there are several, in the middle or at a
/// place; what is larger than the sheet comes smaller. Says what could not be taken over.
Result<void> layShapes(Desk& desk, SvgShapes shapes, const QString& name, std::optional<Point> at, const QString& step);
/// Reads them in the background first, in an SVG.
void readShapes(Desk& desk, std::string svg, const QString& name, const QString& step, const Otherwise& otherwise);
/// The same in a file; its problems begin with its name.
void layShapesFile(Desk& desk, const QString& path, std::optional<Point> at, const Otherwise& otherwise);

}  // namespace widecut

// Shapes from elsewhere, laid on the sheet.
#pragma once

#include <string_view>

#include "app/desk/desk.h"

namespace widecut {

/// True when these bytes, or this text, begin like an SVG.
bool isSvg(std::string_view bytes);

/// Lays the shapes of an SVG on the open sheet as one item, a group where there are several, in the middle or at a
/// place; what is larger than the sheet comes smaller. Says what could not be taken over.
Result<void> layShapes(Desk& desk, std::string_view svg, const QString& name, std::optional<Point> at,
                       const QString& step);

}  // namespace widecut

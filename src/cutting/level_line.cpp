#include "cutting/level_line.h"

#include <algorithm>
#include <cmath>

#include "cutting/knife.h"
#include "cutting/level_along.h"
#include "geometry/affine.h"

namespace widecut {

Result<LevelLine> levelLine(const Operand& shape, double share, LevelBy by, const Contour* line) {
  const auto level = levelAt(shape, share, by == LevelBy::Area ? LevelBy::Area : LevelBy::Height);
  if (!level) return tl::unexpected(level.error());
  const Box box = bounds(shape.outline);
  const double x = box.low.x + share * box.width(), angle = 2 * pi * share;
  if (by == LevelBy::Along) {
    const LevelPath path(line, box);
    const auto [at, way] = path.at(share);
    const Point across = Point{-way.y, way.x} * reachOf(shape.outline, path).beside;
    return LevelLine{at - across, at + across};
  }
  if (by == LevelBy::Width) return LevelLine{{x, box.low.y}, {x, box.high.y}};
  if (by == LevelBy::Turn) {
    const double reach = std::min(box.width(), box.height()) / 2;
    return LevelLine{box.centre(), box.centre() + Point{std::sin(angle), -std::cos(angle)} * reach};
  }
  return LevelLine{{box.low.x, level->y}, {box.high.x, level->y}};
}

Result<double> shareThrough(const Operand& shape, Point at, LevelBy by, const Contour* line) {
  const auto clean = simplified(shape);
  if (!clean) return tl::unexpected(clean.error());
  const Box box = bounds(*clean);
  const double whole = signedArea(*clean);
  if (box.isEmpty() || !(whole > 0)) return problem("the outline has no area to fill");
  double share = 0;
  switch (by) {
    case LevelBy::Height:
      share = (box.high.y - at.y) / box.height();
      break;
    case LevelBy::Width:
      share = (at.x - box.low.x) / box.width();
      break;
    case LevelBy::Area:
      share = areaBelow(*clean, at.y) / whole;
      break;
    case LevelBy::Along:
      share = LevelPath(line, box).nearest(at).share;
      break;
    case LevelBy::Turn: {
      const Point way = at - box.centre();
      share = std::atan2(way.x, -way.y) / (2 * pi);
      if (share < 0) share += 1;
    }
  }
  return std::clamp(share, 0.0, 1.0);
}

}  // namespace widecut

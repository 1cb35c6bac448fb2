#include "cutting/level.h"

#include "cutting/knife.h"
#include "cutting/level_along.h"
#include "cutting/planar_map.h"
#include "cutting/rising.h"

namespace widecut {
namespace {

/// ∫ x dy along a cubic, exact.
double underCubic(const Bezier& c) {
  const double x0 = c[0].x, x1 = c[1].x, x2 = c[2].x, x3 = c[3].x;
  const double y0 = c[0].y, y1 = c[1].y, y2 = c[2].y, y3 = c[3].y;
  return (x0 * (-10 * y0 + 6 * y1 + 3 * y2 + y3) + x1 * (-6 * y0 + 3 * y2 + 3 * y3) + x2 * (-3 * y0 - 3 * y1 + 6 * y3) +
          x3 * (-y0 - 3 * y1 - 6 * y2 + 10 * y3)) /
         20;
}

/// Parameters at which the cubic's y turns back, ascending, with 0 and 1 around them.
int monotoneParts(const Bezier& c, double* out) {
  const double a = c[0].y, b = c[1].y, d = c[2].y, e = c[3].y;
  const double qa = -a + 3 * b - 3 * d + e, qb = 2 * (a - 2 * b + d), qc = b - a;
  double roots[2] = {-1, -1};
  const double disc = qb * qb - 4 * qa * qc;
  if (qa == 0) {
    if (qb != 0) roots[0] = -qc / qb;
  } else if (disc > 0) {
    const double q = -0.5 * (qb + std::copysign(std::sqrt(disc), qb));
    roots[0] = q / qa;
    if (q != 0) roots[1] = qc / q;
    if (roots[0] > roots[1]) std::swap(roots[0], roots[1]);
  }
  int n = 0;
  out[n++] = 0;
  for (const double t : roots)
    if (t > 0 && t < 1) out[n++] = t;
  out[n] = 1;
  return n;
}

/// ∫ x dy over the parts of the cubic that lie below y. Level edges along y add nothing.
double underPart(const Bezier& c, double y) {
  double cuts[4], sum = 0;
  const int n = monotoneParts(c, cuts);
  for (int i = 0; i < n; ++i) {
    Bezier m = pieceOf(c, cuts[i], cuts[i + 1]);
    const bool in0 = m[0].y > y, in1 = m[3].y > y;
    if (!in0 && !in1) continue;
    if (in0 != in1) {
      const double sign = in1 ? 1 : -1;
      const double t = solveRising(sign * m[0].y, sign * m[1].y, sign * m[2].y, sign * m[3].y, sign * y);
      m = in1 ? pieceOf(m, t, 1) : pieceOf(m, 0, t);
    }
    sum += underCubic(m);
  }
  return sum;
}

}  // namespace

double areaBelow(const Outline& outline, double y) {
  // Measured from the outline's own middle, so that far-off drawings lose no digits.
  const Point origin = bounds(outline).isEmpty() ? Point{} : bounds(outline).centre();
  double sum = 0;
  for (const Contour& contour : outline.contours) {
    Point at = contour.start;
    const auto add = [&](const Segment& s) {
      Bezier c = asCubic(at, s);
      for (Point& p : c) p = p - origin;
      sum += underPart(c, y - origin.y);
      at = s.end;
    };
    for (const Segment& s : contour.segments) add(s);
    if (at != contour.start) add(Segment::line(contour.start));
  }
  return sum;
}

namespace {

/// The shape without overlaps, where a share of it can be filled.
Result<Outline> fillable(const Operand& shape, double share) {
  if (!(share >= 0 && share <= 1)) return problem("a level must be from 0 to 100 per cent");
  auto clean = simplified(shape);
  if (clean && !(signedArea(*clean) > 0)) return problem("the outline has no area to fill");
  return clean;
}

}  // namespace

Result<Level> levelAt(const Operand& shape, double share, LevelBy by) {
  if (by != LevelBy::Height && by != LevelBy::Area) return problem("a level of that kind has no surface");
  const auto clean = fillable(shape, share);
  if (!clean) return tl::unexpected(clean.error());
  const Box box = bounds(*clean);
  Level level;
  level.y = box.high.y - share * box.height();
  if (by == LevelBy::Area) {
    const double filled = share * signedArea(*clean);
    double low = box.low.y, high = box.high.y;
    for (int i = 0; i < 200 && low < high; ++i) {
      level.y = 0.5 * (low + high);
      if (level.y == low || level.y == high) break;
      (areaBelow(*clean, level.y) > filled ? low : high) = level.y;
    }
  }
  if (share == 0) return level;
  const double wide = box.width() + 1;
  const auto filled = trimmed({*clean}, {{box.low.x - wide, level.y}, {box.high.x + wide, box.high.y + wide}});
  if (!filled) return tl::unexpected(filled.error());
  level.filled = share == 1 ? *clean : *filled;
  return level;
}

Result<Outline> filledTo(const Operand& shape, double share, LevelBy by, const Contour* line) {
  if (by == LevelBy::Height || by == LevelBy::Area) {
    auto level = levelAt(shape, share, by);
    if (!level) return tl::unexpected(level.error());
    return std::move(level->filled);
  }
  const auto clean = fillable(shape, share);
  if (!clean) return tl::unexpected(clean.error());
  const Box box = bounds(*clean);
  if (share == 0) return Outline{};
  if (share == 1) return *clean;
  if (by == LevelBy::Width) {
    const double wide = box.height() + 1;
    return trimmed({*clean},
                   {{box.low.x - wide, box.low.y - wide}, {box.low.x + share * box.width(), box.high.y + wide}});
  }
  if (by == LevelBy::Along) return filledAlong(*clean, LevelPath(line, box), share);
  // A fan of straight edges far outside the box, in steps that stay outside it.
  const double reach = 2 * (box.width() + box.height());
  const int steps = std::max(1, static_cast<int>(std::ceil(share * 8)));
  std::vector<Point> fan{box.centre()};
  for (int i = 0; i <= steps; ++i) {
    const double angle = 2 * pi * share * i / steps;
    fan.push_back(box.centre() + Point{std::sin(angle), -std::cos(angle)} * reach);
  }
  const Operand operands[] = {{*clean}, {polygon(fan)}};
  const auto map = PlanarMap::of(operands);
  if (!map) return tl::unexpected(map.error());
  return map->intersect();
}

}  // namespace widecut

#include "shapes/primitives.h"

namespace widecut {

Outline rectangleOutline(double width, double height) {
  const double x = width / 2, y = height / 2;
  return polygon({{-x, -y}, {x, -y}, {x, y}, {-x, y}});
}

Outline ellipseOutline(double width, double height) {
  const double rx = width / 2, ry = height / 2;
  const double k = 4.0 / 3 * (std::sqrt(2.0) - 1);  // 4/3·tan(90°/4)
  const double hx = rx * k, hy = ry * k;
  Contour c{{0, -ry}, {}, true};
  c.segments = {Segment::cubic({hx, -ry}, {rx, -hy}, {rx, 0}), Segment::cubic({rx, hy}, {hx, ry}, {0, ry}),
                Segment::cubic({-hx, ry}, {-rx, hy}, {-rx, 0}), Segment::cubic({-rx, -hy}, {-hx, -ry}, {0, -ry})};
  return {{c}};
}

Outline polygonOutline(double width, double height, int sides) {
  const int n = std::max(3, sides);
  std::vector<Point> corners;
  for (int i = 0; i < n; ++i) {
    const double a = 2 * pi * i / n;
    corners.push_back({width / 2 * std::sin(a), -height / 2 * std::cos(a)});
  }
  return polygon(corners);
}

Outline starOutline(double width, double height, int points, double depth) {
  const int n = std::max(3, points);
  std::vector<Point> corners;
  for (int i = 0; i < 2 * n; ++i) {
    const double a = pi * i / n, r = i % 2 == 0 ? 1 : 1 - std::clamp(depth, 0.0, 1.0);
    corners.push_back({r * width / 2 * std::sin(a), -r * height / 2 * std::cos(a)});
  }
  return polygon(corners);
}

Outline fitted(const Outline& outline, const Box& box) {
  const Box from = bounds(outline);
  if (from.isEmpty()) return outline;
  const double sx = from.width() > 0 ? box.width() / from.width() : 1;
  const double sy = from.height() > 0 ? box.height() / from.height() : 1;
  return transformed(outline, Affine::move(box.centre()) * Affine::scale(sx, sy) * Affine::move(-from.centre()));
}

}  // namespace widecut

#include "geometry/affine.h"

namespace widecut {

Affine operator*(const Affine& a, const Affine& b) {
  return {a.xx * b.xx + a.xy * b.yx, a.yx * b.xx + a.yy * b.yx,        a.xx * b.xy + a.xy * b.yy,
          a.yx * b.xy + a.yy * b.yy, a.xx * b.dx + a.xy * b.dy + a.dx, a.yx * b.dx + a.yy * b.dy + a.dy};
}

Affine Affine::about(Point p) const { return move(p) * *this * move(-p); }

Box Affine::operator()(const Box& b) const {
  Box image;
  if (!b.isEmpty())
    for (int i = 0; i < 4; ++i) image.add((*this)(b.corner(i)));
  return image;
}

std::optional<Affine> Affine::inverse() const {
  const double d = determinant();
  if (!std::isfinite(d) || d == 0) return std::nullopt;
  const Affine i{yy / d, -yx / d, -xy / d, xx / d, 0, 0};
  const Point shift = i.vector({dx, dy});
  if (!std::isfinite(i.xx) || !isFinite(shift)) return std::nullopt;
  return Affine{i.xx, i.yx, i.xy, i.yy, -shift.x, -shift.y};
}

}  // namespace widecut

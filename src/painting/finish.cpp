#include "painting/finish.h"

#include <algorithm>
#include <cmath>

#include "geometry/affine.h"
#include "painting/gaussian.h"

namespace widecut {
namespace {

constexpr float solidFrom = 4;  // a quarter opaque counts as there

constexpr float half = 0.5F;  // what is rounded is never negative; a call a pixel would cost more

/// Half of the softness is the standard deviation.
double deviationOf(double softness, double scale) { return softness / 2 * scale; }
int reachOfBlur(double deviation) { return static_cast<int>(std::ceil(3.6 * deviation)) + 3; }

Point shiftOf(double distance, double directionDeg, double scale) {
  const double angle = radians(directionDeg);
  return Point{std::cos(angle), std::sin(angle)} * (distance * scale);
}

double softnessOf(const Effect& e) {
  switch (e.kind) {
    case EffectKind::Shadow:
    case EffectKind::InnerShadow:
      return e.numbers[2];
    case EffectKind::MirrorBelow:
      return 0;
    default:
      return e.numbers[0];
  }
}

/// The body's alpha on these pixels.
Plane alphaOn(const PlacedPicture& body, const QRect& on) {
  Plane plane(on.width(), on.height());
  const QRect shared = on & body.rect();
  for (int y = shared.top(); y <= shared.bottom(); ++y) {
    const auto* from = reinterpret_cast<const QRgb*>(body.image.constScanLine(y - body.at.y())) - body.at.x();
    float* to = plane.row(y - on.top()) - on.left();
    for (int x = shared.left(); x <= shared.right(); ++x) to[x] = static_cast<float>(qAlpha(from[x])) / 255;
  }
  return plane;
}

/// A plane on pixels of its own, read anywhere: between pixels evenly, beyond them as `outside`.
class Reader {
 public:
  Reader(const Plane& plane, QPoint at, Point shift, float outside) : plane_(plane), outside_(outside) {
    const double x = -shift.x - at.x(), y = -shift.y - at.y();
    left_ = static_cast<int>(std::floor(x));
    top_ = static_cast<int>(std::floor(y));
    u_ = static_cast<float>(x - left_);
    v_ = static_cast<float>(y - top_);
  }
  float operator()(int x, int y) const {
    const int i = x + left_, j = y + top_;
    const float above = at(i, j) * (1 - u_) + at(i + 1, j) * u_;
    const float below = at(i, j + 1) * (1 - u_) + at(i + 1, j + 1) * u_;
    return above * (1 - v_) + below * v_;
  }

 private:
  float at(int i, int j) const {
    return i >= 0 && j >= 0 && i < plane_.width && j < plane_.height ? plane_.row(j)[i] : outside_;
  }
  const Plane& plane_;
  float outside_;
  int left_, top_;
  float u_, v_;
};

QRgb premultiplied(Colour c, float alpha) {
  const float a = std::clamp(alpha, 0.0F, 1.0F);
  const auto one = [&](std::uint8_t v) { return static_cast<int>(static_cast<float>(v) * a + half); };
  return qRgba(one(c.red), one(c.green), one(c.blue), static_cast<int>(255 * a + half));
}

/// A picture of one colour, whose alpha is asked for at each pixel.
template <class AlphaAt>
PlacedPicture tinted(const QRect& on, Colour colour, double opacity, const AlphaAt& alphaAt) {
  PlacedPicture out{QImage(on.size(), QImage::Format_ARGB32_Premultiplied), on.topLeft()};
  if (out.image.isNull()) return out;
  const float full = static_cast<float>(opacity * colour.alpha / 255);
  for (int y = on.top(); y <= on.bottom(); ++y) {
    auto* to = reinterpret_cast<QRgb*>(out.image.scanLine(y - on.top())) - on.left();
    for (int x = on.left(); x <= on.right(); ++x) to[x] = premultiplied(colour, full * alphaAt(x, y));
  }
  return out;
}

/// Where the softened body is read to paint in `wanted`.
QRect readBy(const Effect& effect, double scale, const QRect& wanted) {
  int more = 2;
  Point shift;
  if (effect.kind == EffectKind::Shadow || effect.kind == EffectKind::InnerShadow)
    shift = shiftOf(effect.numbers[0], effect.numbers[1], scale);
  if (effect.kind == EffectKind::RaisedEdge) more += static_cast<int>(std::ceil(effect.numbers[0] / 4 * scale));
  return wanted.translated(-static_cast<int>(std::floor(shift.x)), -static_cast<int>(std::floor(shift.y)))
      .adjusted(-more, -more, more, more);
}

PlacedPicture mirrored(const Effect& e, const PlacedPicture& body, double scale, const QRect& wanted,
                       const QRectF& box) {
  PlacedPicture out{QImage(wanted.size(), QImage::Format_ARGB32_Premultiplied), wanted.topLeft()};
  if (out.image.isNull()) return out;
  out.image.fill(Qt::transparent);
  const double gap = e.numbers[0] * scale, height = e.numbers[1] * box.height(), edge = box.bottom() + gap;
  // Rows fall between rows where the edge does.
  for (int y = wanted.top(); y <= wanted.bottom(); ++y) {
    const double below = y + 0.5 - edge;
    if (below < -0.5 || below > height + 0.5 || height <= 0) continue;
    const double seen = std::clamp(1 - below / height, 0.0, 1.0) * e.opacity;
    const double from = box.bottom() - below - 0.5 - body.at.y();
    const int row = static_cast<int>(std::floor(from));
    const double share = from - row;
    auto* to = reinterpret_cast<QRgb*>(out.image.scanLine(y - wanted.top())) - wanted.left();
    const auto line = [&](int r) {
      return r >= 0 && r < body.image.height() ? reinterpret_cast<const QRgb*>(body.image.constScanLine(r)) : nullptr;
    };
    const QRgb *a = line(row), *b = line(row + 1);
    for (int x = std::max(wanted.left(), body.at.x()); x <= std::min(wanted.right(), body.rect().right()); ++x) {
      const QRgb p = a ? a[x - body.at.x()] : 0, q = b ? b[x - body.at.x()] : 0;
      const auto one = [&](int u, int v) { return static_cast<int>((u * (1 - share) + v * share) * seen + half); };
      to[x] =
          qRgba(one(qRed(p), qRed(q)), one(qGreen(p), qGreen(q)), one(qBlue(p), qBlue(q)), one(qAlpha(p), qAlpha(q)));
    }
  }
  return out;
}

}  // namespace

QRect bodyNeeded(const Effect& effect, double scale, const QRect& wanted, const QRect& body) {
  if (effect.kind == EffectKind::MirrorBelow) return body;
  const int reach = reachOfBlur(deviationOf(softnessOf(effect), scale));
  // A shadow sees what throws it there; all others, and what keeps one inside, see what is there.
  QRect needed = readBy(effect, scale, wanted).adjusted(-reach, -reach, reach, reach) & body;
  if (effect.kind == EffectKind::InnerShadow) needed |= wanted & body;
  return needed;
}

QRect roomFor(const Effect& effect, double scale, const QRect& wanted, const QRect& body) {
  const QRect needed = bodyNeeded(effect, scale, wanted, body);
  if (needed.isEmpty() || effect.kind == EffectKind::MirrorBelow) return needed;
  const int reach = reachOfBlur(deviationOf(softnessOf(effect), scale));
  return needed | (readBy(effect, scale, wanted) & body.adjusted(-reach, -reach, reach, reach));
}

PlacedPicture effectPicture(const Effect& e, const PlacedPicture& body, double scale, const QRect& wanted,
                            const QRectF& box, bool isWide) {
  if (e.kind == EffectKind::MirrorBelow) return mirrored(e, body, scale, wanted, box);
  const double deviation = deviationOf(softnessOf(e), scale);
  const QRect room = roomFor(e, scale, wanted, body.rect());
  if (room.isEmpty() && e.kind != EffectKind::InnerShadow) return {};
  Plane alpha = alphaOn(body, room);
  if (e.kind == EffectKind::SoftEdge)
    // What is see-through all over fades at its edge alone.
    for (float& a : alpha.values) a = std::min(1.0F, solidFrom * a);
  const Plane soft = blurred(alpha, deviation);
  const Reader own(alpha, room.topLeft(), {}, 0);
  const auto within = [&](int x, int y) { return isWide ? 1.0F : own(x, y); };
  switch (e.kind) {
    case EffectKind::Shadow: {
      const Reader at(soft, room.topLeft(), shiftOf(e.numbers[0], e.numbers[1], scale), 0);
      return tinted(wanted, e.colour, e.opacity, at);
    }
    case EffectKind::InnerShadow: {
      const Reader at(soft, room.topLeft(), shiftOf(e.numbers[0], e.numbers[1], scale), 0);
      return tinted(wanted, e.colour, e.opacity, [&](int x, int y) { return (1 - at(x, y)) * within(x, y); });
    }
    case EffectKind::Glow: {
      const Reader at(soft, room.topLeft(), {}, 0);
      const auto force = static_cast<float>(e.numbers[1]);
      return tinted(wanted, e.colour, e.opacity, [&](int x, int y) { return std::min(1.0F, force * at(x, y)); });
    }
    case EffectKind::InnerGlow: {
      const Reader at(soft, room.topLeft(), {}, 0);
      const auto force = static_cast<float>(e.numbers[1]);
      return tinted(wanted, e.colour, e.opacity,
                    [&](int x, int y) { return std::min(1.0F, force * (1 - at(x, y))) * within(x, y); });
    }
    case EffectKind::RaisedEdge: {
      // How steep the softened edge is, along the light.
      const Point way = shiftOf(e.numbers[0] / 4, e.numbers[1], scale);
      const Reader lit(soft, room.topLeft(), way, 0), dark(soft, room.topLeft(), Point{} - way, 0);
      const auto force = static_cast<float>(e.numbers[2] * 2);
      PlacedPicture out{QImage(wanted.size(), QImage::Format_ARGB32_Premultiplied), wanted.topLeft()};
      if (out.image.isNull()) return out;
      const auto full = static_cast<float>(e.opacity * e.colour.alpha / 255);
      for (int y = wanted.top(); y <= wanted.bottom(); ++y) {
        auto* to = reinterpret_cast<QRgb*>(out.image.scanLine(y - wanted.top())) - wanted.left();
        for (int x = wanted.left(); x <= wanted.right(); ++x) {
          const float slope = (dark(x, y) - lit(x, y)) * force;
          const float a = std::min(1.0F, std::abs(slope)) * within(x, y) * full;
          to[x] = premultiplied(slope > 0 ? e.colour : Colour{0, 0, 0}, a);
        }
      }
      return out;
    }
    case EffectKind::SoftEdge: {
      const Reader at(soft, room.topLeft(), {}, 0);
      return tinted(wanted, Colour{255, 255, 255}, 1,
                    [&](int x, int y) { return std::clamp(2 * at(x, y) - 1, 0.0F, 1.0F); });
    }
    default:
      return {};
  }
}

void fade(PlacedPicture& picture, const PlacedPicture& mask) {
  const QRect on = picture.rect();
  for (int y = on.top(); y <= on.bottom(); ++y) {
    auto* to = reinterpret_cast<QRgb*>(picture.image.scanLine(y - on.top())) - on.left();
    const bool has = y >= mask.at.y() && y <= mask.rect().bottom();
    const auto* by =
        has ? reinterpret_cast<const QRgb*>(mask.image.constScanLine(y - mask.at.y())) - mask.at.x() : nullptr;
    for (int x = on.left(); x <= on.right(); ++x) {
      const int a = by && x >= mask.at.x() && x <= mask.rect().right() ? qAlpha(by[x]) : 0;
      const auto one = [&](int v) { return (v * a + 127) / 255; };
      const QRgb p = to[x];
      to[x] = qRgba(one(qRed(p)), one(qGreen(p)), one(qBlue(p)), one(qAlpha(p)));
    }
  }
}

}  // namespace widecut

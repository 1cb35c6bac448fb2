#include "painting/finish.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <vector>

#include "geometry/affine.h"
#include "media/bands.h"
#include "media/gaussian.h"
#include "media/pixel_buffers.h"

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

/// A row of the body's alpha, from a pixel on.
void alphaRow(const PlacedPicture& body, int y, int left, int count, float* to) {
  const QRect shared = QRect(left, y, count, 1) & body.rect();
  if (shared.isEmpty()) {
    std::fill_n(to, count, 0.0F);
    return;
  }
  const auto* from = reinterpret_cast<const QRgb*>(body.image.constScanLine(y - body.at.y())) - body.at.x();
  const int begin = shared.left() - left, end = begin + shared.width();
  std::fill_n(to, begin, 0.0F);
  constexpr float share = 1.0F / 255;
  for (int i = begin; i < end; ++i) to[i] = static_cast<float>(qAlpha(from[left + i])) * share;
  std::fill(to + end, to + count, 0.0F);
}

QRgb premultiplied(Colour c, float alpha) {
  const auto one = [&](std::uint8_t v) { return static_cast<int>(static_cast<float>(v) * alpha + half); };
  return qRgba(one(c.red), one(c.green), one(c.blue), static_cast<int>(255 * alpha + half));
}

/// A colour at any opacity, premultiplied: looked up, since a picture has millions of them.
class Tints {
 public:
  explicit Tints(Colour c) {
    for (int i = 0; i <= steps; ++i) tints_[static_cast<std::size_t>(i)] = premultiplied(c, i / float{steps});
  }
  QRgb operator()(float alpha) const {
    return tints_[static_cast<std::size_t>(std::clamp(alpha, 0.0F, 1.0F) * steps + half)];
  }

 private:
  static constexpr int steps = 16 * 255;
  std::array<QRgb, steps + 1> tints_;
};

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

/// The body's alpha, softened for an effect: as it was kept, or anew.
KeptSoft softBody(const Effect& e, const PlacedPicture& body, const EffectAsk& ask) {
  const double deviation = deviationOf(softnessOf(e), ask.scale);
  const bool isOfSolid = e.kind == EffectKind::SoftEdge;
  QRect room = roomFor(e, ask.scale, ask.wanted, body.rect());
  if (ask.kept) {
    const QRect there = room.translated(-body.at);
    for (const KeptSoft& kept : *ask.kept)
      if (kept.deviation == deviation && kept.isOfSolid == isOfSolid && kept.room.contains(there)) return kept;
    // Room for other directions and distances.
    const int reach = reachOfBlur(deviation);
    const QRect all = body.rect().adjusted(-reach, -reach, reach, reach) | room;
    if (all.width() / 2.0 * all.height() < static_cast<double>(room.width()) * room.height()) room = all;
  }
  const auto rowOf = [&](int y, float* to) {
    alphaRow(body, room.top() + y, room.left(), room.width(), to);
    // What is see-through all over fades at its edge alone.
    if (isOfSolid)
      for (int x = 0; x < room.width(); ++x) to[x] = std::min(1.0F, solidFrom * to[x]);
  };
  KeptSoft made{deviation, isOfSolid, room.translated(-body.at),
                std::make_shared<Softened>(room.width(), room.height(), deviation, rowOf)};
  constexpr std::size_t most = 4;
  if (ask.kept) {
    if (ask.kept->size() >= most) ask.kept->erase(ask.kept->begin());
    ask.kept->push_back(made);
  }
  return made;
}

/// Rows of what an effect paints, worked out from the softened body.
class EffectRows {
 public:
  EffectRows(const Effect& effect, const PlacedPicture& body, const EffectAsk& ask, const Softened& soft, QRect room)
      : e_(effect), body_(body), ask_(ask), soft_(soft), room_(room), tints_(tintOf(effect)) {}

  template <class RowAt>
  void write(int begin, int end, const RowAt& rowAt) const {
    const auto force = static_cast<float>(e_.numbers[1]);
    switch (e_.kind) {
      case EffectKind::Shadow:
        return shaded(begin, end, rowAt, thrown(), [](float a) { return a; });
      case EffectKind::InnerShadow:
        return shaded(begin, end, rowAt, thrown(), [](float a) { return 1 - a; });
      case EffectKind::Glow:
        return shaded(begin, end, rowAt, {}, [&](float a) { return std::min(1.0F, force * a); });
      case EffectKind::InnerGlow:
        return shaded(begin, end, rowAt, {}, [&](float a) { return std::min(1.0F, force * (1 - a)); });
      case EffectKind::SoftEdge:
        return shaded(begin, end, rowAt, {}, [](float a) { return 2 * a - 1; });
      case EffectKind::RaisedEdge:
        return raised(begin, end, rowAt);
      default:
        return;
    }
  }

 private:
  static Colour tintOf(const Effect& e) { return e.kind == EffectKind::SoftEdge ? Colour{255, 255, 255} : e.colour; }
  Point thrown() const { return shiftOf(e_.numbers[0], e_.numbers[1], ask_.scale); }
  int width() const { return ask_.wanted.width(); }
  SoftRows rowsShifted(Point by) const {
    return {soft_, ask_.wanted.left() - room_.left() - by.x, ask_.wanted.top() - room_.top() - by.y, width()};
  }
  float full() const {
    return e_.kind == EffectKind::SoftEdge ? 1 : static_cast<float>(e_.opacity * e_.colour.alpha / 255);
  }
  /// How much of what is painted in a row is kept.
  void readKept(int y, float* to) const {
    const bool isInFront = declarationOf(e_.kind).place == EffectPlace::InFront;
    if (isInFront && !ask_.isWide)
      alphaRow(body_, ask_.wanted.top() + y, ask_.wanted.left(), width(), to);
    else
      std::fill_n(to, width(), 1.0F);
  }
  /// The stretches of a row that are not hidden by an opaque body; what is, is left see-through.
  template <class Paint>
  void eachStretch(int y, QRgb* to, const Paint& paint) const {
    const QRect shared = QRect(ask_.wanted.left(), ask_.wanted.top() + y, width(), 1) & body_.rect();
    if (!ask_.isCovered || shared.isEmpty()) return paint(0, width());
    const int left = ask_.wanted.left();
    const auto* own = reinterpret_cast<const QRgb*>(body_.image.constScanLine(shared.top() - body_.at.y()));
    const auto isHidden = [&](int x) { return qAlpha(own[x - body_.at.x()]) == 255; };
    int begin = 0;
    for (int x = shared.left(); x <= shared.right(); ++x) {
      if (!isHidden(x)) continue;
      const int hidden = x;
      while (x <= shared.right() && isHidden(x)) ++x;
      if (hidden - left > begin) paint(begin, hidden - left);
      begin = x - left;
      std::fill(to + (hidden - left), to + begin, QRgb{0});
    }
    if (begin < width()) paint(begin, width());
  }

  template <class RowAt, class AlphaOf>
  void shaded(int begin, int end, const RowAt& rowAt, Point shift, const AlphaOf& alphaOf) const {
    SoftRows rows = rowsShifted(shift);
    std::vector<float> alpha(static_cast<std::size_t>(width())), kept(alpha.size());
    const float all = full();
    for (int y = begin; y < end; ++y) {
      QRgb* to = rowAt(y);
      readKept(y, kept.data());
      rows.toRow(y);
      eachStretch(y, to, [&](int from, int until) {
        rows.read(from, until, alpha.data());
        for (int x = from; x < until; ++x) {
          const auto i = static_cast<std::size_t>(x);
          to[i] = tints_(all * alphaOf(alpha[i]) * kept[i]);
        }
      });
    }
  }

  /// How steep the softened edge is, along the light.
  template <class RowAt>
  void raised(int begin, int end, const RowAt& rowAt) const {
    const Point way = shiftOf(e_.numbers[0] / 4, e_.numbers[1], ask_.scale);
    SoftRows lit = rowsShifted(way), dark = rowsShifted(Point{} - way);
    const auto strength = static_cast<float>(e_.numbers[2] * 2);
    const Tints blacks(Colour{0, 0, 0});
    std::vector<float> light(static_cast<std::size_t>(width())), shade(light.size()), kept(light.size());
    for (int y = begin; y < end; ++y) {
      lit.toRow(y);
      lit.read(0, width(), light.data());
      dark.toRow(y);
      dark.read(0, width(), shade.data());
      readKept(y, kept.data());
      QRgb* to = rowAt(y);
      for (std::size_t x = 0; x < light.size(); ++x) {
        const float slope = (shade[x] - light[x]) * strength;
        const float a = std::min(1.0F, std::abs(slope)) * kept[x] * full();
        to[x] = slope > 0 ? tints_(a) : blacks(a);
      }
    }
  }

  const Effect& e_;
  const PlacedPicture& body_;
  const EffectAsk& ask_;
  const Softened& soft_;
  QRect room_;
  Tints tints_;
};

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

PlacedPicture effectPicture(const Effect& e, const PlacedPicture& body, const EffectAsk& ask) {
  if (e.kind == EffectKind::MirrorBelow) return mirrored(e, body, ask.scale, ask.wanted, ask.box);
  const KeptSoft soft = softBody(e, body, ask);
  if (soft.room.isEmpty() && e.kind != EffectKind::InnerShadow) return {};
  const EffectRows rows{e, body, ask, *soft.soft, soft.room.translated(body.at)};
  PlacedPicture out{unpaintedImage(ask.wanted.size()), ask.wanted.topLeft()};
  if (out.image.isNull()) return out;
  uchar* const pixels = out.image.bits();
  const qsizetype stride = out.image.bytesPerLine();
  inBands(ask.wanted.height(), ask.wanted.width(), [&](int begin, int end) {
    rows.write(begin, end, [&](int y) { return reinterpret_cast<QRgb*>(pixels + stride * y); });
  });
  return out;
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

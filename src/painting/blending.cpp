#include "painting/blending.h"

#include <QPainter>
#include <QRegion>
#include <algorithm>
#include <cmath>
#include <optional>

namespace widecut {
namespace {

constexpr float half = 0.5F;  // what is rounded is never negative; a call a pixel would cost more

struct Rgb {
  float r, g, b;
};

float separable(float under, float over, Blend blend) {
  switch (blend) {
    case Blend::Multiply:
      return under * over;
    case Blend::Screen:
      return under + over - under * over;
    case Blend::Overlay:
      return separable(over, under, Blend::HardLight);
    case Blend::Darken:
      return std::min(under, over);
    case Blend::Lighten:
      return std::max(under, over);
    case Blend::ColourDodge:
      return under <= 0 ? 0 : over >= 1 ? 1 : std::min(1.0F, under / (1 - over));
    case Blend::ColourBurn:
      return under >= 1 ? 1 : over <= 0 ? 0 : 1 - std::min(1.0F, (1 - under) / over);
    case Blend::HardLight:
      return over <= 0.5F ? under * 2 * over : separable(under, 2 * over - 1, Blend::Screen);
    case Blend::SoftLight: {
      if (over <= 0.5F) return under - (1 - 2 * over) * under * (1 - under);
      const float d = under <= 0.25F ? ((16 * under - 12) * under + 4) * under : std::sqrt(under);
      return under + (2 * over - 1) * (d - under);
    }
    case Blend::Difference:
      return std::abs(under - over);
    case Blend::Exclusion:
      return under + over - 2 * under * over;
    default:
      return over;
  }
}

float luminosityOf(Rgb c) { return 0.3F * c.r + 0.59F * c.g + 0.11F * c.b; }
float saturationOf(Rgb c) { return std::max({c.r, c.g, c.b}) - std::min({c.r, c.g, c.b}); }

Rgb clipped(Rgb c) {
  const float l = luminosityOf(c), least = std::min({c.r, c.g, c.b}), most = std::max({c.r, c.g, c.b});
  const auto toward = [&](float by) { return Rgb{l + (c.r - l) * by, l + (c.g - l) * by, l + (c.b - l) * by}; };
  if (least < 0) c = toward(l / (l - least));
  if (most > 1) c = toward((1 - l) / (most - l));
  return c;
}
Rgb withLuminosity(Rgb c, float l) {
  const float d = l - luminosityOf(c);
  return clipped({c.r + d, c.g + d, c.b + d});
}
Rgb withSaturation(Rgb c, float s) {
  const float least = std::min({c.r, c.g, c.b}), range = saturationOf(c);
  if (range <= 0) return {0, 0, 0};
  return {(c.r - least) * s / range, (c.g - least) * s / range, (c.b - least) * s / range};
}

Rgb mixed(Rgb under, Rgb over, Blend blend) {
  switch (blend) {
    case Blend::Hue:
      return withLuminosity(withSaturation(over, saturationOf(under)), luminosityOf(under));
    case Blend::Saturation:
      return withLuminosity(withSaturation(under, saturationOf(over)), luminosityOf(under));
    case Blend::Colour:
      return withLuminosity(over, luminosityOf(under));
    case Blend::Luminosity:
      return withLuminosity(under, luminosityOf(over));
    default:
      return {separable(under.r, over.r, blend), separable(under.g, over.g, blend), separable(under.b, over.b, blend)};
  }
}

/// Where the painter's own mode does the same.
std::optional<QPainter::CompositionMode> painterMode(Blend blend) {
  switch (blend) {
    case Blend::Normal:
      return QPainter::CompositionMode_SourceOver;
    case Blend::Multiply:
      return QPainter::CompositionMode_Multiply;
    case Blend::Screen:
      return QPainter::CompositionMode_Screen;
    case Blend::Darken:
      return QPainter::CompositionMode_Darken;
    case Blend::Lighten:
      return QPainter::CompositionMode_Lighten;
    default:
      return std::nullopt;
  }
}

}  // namespace

QRgb blended(QRgb over, QRgb under, Blend blend, float opacity) {
  const float own = static_cast<float>(qAlpha(over)) / 255, ab = static_cast<float>(qAlpha(under)) / 255;
  const float as = own * opacity;
  if (as <= 0) return under;
  const auto plain = [](QRgb p, float a) {
    const float by = a > 0 ? 1 / (255 * a) : 0;
    return Rgb{std::min(1.0F, static_cast<float>(qRed(p)) * by), std::min(1.0F, static_cast<float>(qGreen(p)) * by),
               std::min(1.0F, static_cast<float>(qBlue(p)) * by)};
  };
  const Rgb s = plain(over, own), b = plain(under, ab), m = mixed(b, s, blend);
  const auto one = [&](float cs, float cb, float cm) {
    const float v = as * (1 - ab) * cs + as * ab * cm + (1 - as) * ab * cb;
    return static_cast<int>(std::clamp(v * 255 + half, 0.0F, 255.0F));
  };
  const int alpha = static_cast<int>((as + ab - as * ab) * 255 + half);
  return qRgba(std::min(alpha, one(s.r, b.r, m.r)), std::min(alpha, one(s.g, b.g, m.g)),
               std::min(alpha, one(s.b, b.b, m.b)), alpha);
}

void drawBlended(QPainter& painter, QPoint at, const QImage& picture, double opacity, Blend blend) {
  auto* device = dynamic_cast<QImage*>(painter.device());
  const auto own = painterMode(blend);
  const bool hasPixels =
      device && (device->format() == QImage::Format_ARGB32_Premultiplied || device->format() == QImage::Format_RGB32);
  if (own || !hasPixels) {
    const double ratio = painter.device()->devicePixelRatioF();
    painter.save();
    painter.setTransform(QTransform::fromScale(1 / ratio, 1 / ratio));
    painter.setOpacity(opacity);
    painter.setCompositionMode(own.value_or(QPainter::CompositionMode_SourceOver));
    painter.drawImage(at, picture);
    painter.restore();
    return;
  }
  QRegion on(QRect(at, picture.size()) & device->rect());
  if (painter.hasClipping()) on &= painter.deviceTransform().map(painter.clipRegion());
  const QRgb solid = device->format() == QImage::Format_RGB32 ? 0xff000000U : 0;
  for (const QRect& part : on)
    for (int y = part.top(); y <= part.bottom(); ++y) {
      const auto* from = reinterpret_cast<const QRgb*>(picture.constScanLine(y - at.y())) - at.x();
      auto* to = reinterpret_cast<QRgb*>(device->scanLine(y));
      for (int x = part.left(); x <= part.right(); ++x)
        if (qAlpha(from[x]) > 0) to[x] = blended(from[x], to[x] | solid, blend, static_cast<float>(opacity));
    }
}

}  // namespace widecut

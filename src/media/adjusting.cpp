#include "media/adjusting.h"

#include <QColor>
#include <algorithm>
#include <cmath>
#include <functional>

#include "geometry/affine.h"
#include "media/bands.h"
#include "media/gaussian.h"
#include "media/photo_level.h"

namespace widecut {
namespace {

/// What a channel becomes, for each of its values.
using Curve = std::array<float, 256>;

double clamped(double v) { return std::clamp(v, 0.0, 1.0); }

double contrasted(double v, double c) {
  if (c <= 0) return 0.5 + (v - 0.5) * (1 + 0.9 * c);
  const double steep = 10 * c;
  const auto logistic = [&](double x) { return 1 / (1 + std::exp(-steep * (x - 0.5))); };
  const double low = logistic(0), high = logistic(1);
  return (logistic(v) - low) / (high - low);
}

Curve curveOf(const Adjustments& a, double channelWarmth) {
  const double black = a.of(Adjusting::BlackPoint), white = std::max(black + 0.01, a.of(Adjusting::WhitePoint));
  const double power = std::exp2(-1.6 * a.of(Adjusting::Brightness));
  const double warm = std::exp2(0.35 * channelWarmth * a.of(Adjusting::Warmth));
  Curve out;
  for (int i = 0; i < 256; ++i) {
    double v = clamped((i / 255.0 - black) / (white - black));
    v = std::pow(v, power);
    v = contrasted(v, a.of(Adjusting::Contrast));
    out[static_cast<std::size_t>(i)] = static_cast<float>(clamped(v * warm));
  }
  return out;
}

struct Rgb {
  float r, g, b;
};

/// The colours of two tones, from dark to light.
std::array<Rgb, 256> tonesOf(const Adjustments& a) {
  std::array<Rgb, 256> out;
  for (int i = 0; i < 256; ++i) {
    const Colour c = mixed(a.dark, a.light, i / 255.0);
    out[static_cast<std::size_t>(i)] = {static_cast<float>(c.red) / 255, static_cast<float>(c.green) / 255,
                                        static_cast<float>(c.blue) / 255};
  }
  return out;
}

/// How much of the vignette lies at a distance: 1 in the corners.
float vignetteAt(float squared) {
  constexpr float begins = 0.35F;
  const float t = std::clamp((std::sqrt(squared) - begins) / (1 - begins), 0.0F, 1.0F);
  return t * t * (3 - 2 * t);
}

constexpr float half = 0.5F;
int asByte(float v) { return static_cast<int>(std::clamp(v, 0.0F, 1.0F) * 255 + half); }

/// All that looks at one pixel alone.
class PixelChange {
 public:
  explicit PixelChange(const Adjustments& a, QSize size)
      : red_(curveOf(a, 1)),
        green_(curveOf(a, 0)),
        blue_(curveOf(a, -1)),
        colour_(static_cast<float>((1 + a.of(Adjusting::Saturation)) * (1 - a.of(Adjusting::Grey)))),
        toned_(static_cast<float>(a.of(Adjusting::TwoTones))),
        vignette_(static_cast<float>(a.of(Adjusting::Vignette))),
        size_(size) {
    if (toned_ > 0) tones_ = tonesOf(a);
  }

  void row(int y, QRgb* pixels) const {
    const float v = (static_cast<float>(y) + half) / static_cast<float>(size_.height()) - half;
    for (int x = 0; x < size_.width(); ++x) {
      const QRgb before = pixels[x];
      const int alpha = qAlpha(before);
      if (alpha == 0) continue;
      const QRgb plain = alpha < 255 ? qUnpremultiply(before) : before;
      Rgb c = changed(plain);
      if (vignette_ != 0) {
        const float u = (static_cast<float>(x) + half) / static_cast<float>(size_.width()) - half;
        shade(c, vignetteAt(2 * (u * u + v * v)));
      }
      const QRgb after = qRgba(asByte(c.r), asByte(c.g), asByte(c.b), alpha);
      pixels[x] = alpha < 255 ? qPremultiply(after) : after;
    }
  }

 private:
  Rgb changed(QRgb p) const {
    Rgb c{red_[static_cast<std::size_t>(qRed(p))], green_[static_cast<std::size_t>(qGreen(p))],
          blue_[static_cast<std::size_t>(qBlue(p))]};
    const auto luma = [](const Rgb& of) { return 0.2126F * of.r + 0.7152F * of.g + 0.0722F * of.b; };
    if (colour_ != 1) {
      const float y = luma(c);
      c = {y + (c.r - y) * colour_, y + (c.g - y) * colour_, y + (c.b - y) * colour_};
    }
    if (toned_ > 0) {
      const Rgb& tone = tones_[static_cast<std::size_t>(asByte(luma(c)))];
      c = {c.r + (tone.r - c.r) * toned_, c.g + (tone.g - c.g) * toned_, c.b + (tone.b - c.b) * toned_};
    }
    return c;
  }
  void shade(Rgb& c, float share) const {
    const float by = std::abs(vignette_) * share, to = vignette_ > 0 ? 0.0F : 1.0F;
    c = {c.r + (to - c.r) * by, c.g + (to - c.g) * by, c.b + (to - c.b) * by};
  }

  Curve red_, green_, blue_;
  float colour_, toned_, vignette_;
  QSize size_;
  std::array<Rgb, 256> tones_{};
};

/// Every channel of a picture softened, its edge pixels counting on: what is asked for is `take`n.
void eachSoftened(const QImage& picture, double deviation,
                  const std::function<void(int y, int channel, const float* row)>& take) {
  const int w = picture.width(), h = picture.height();
  const int more = std::min(static_cast<int>(std::ceil(3.6 * deviation)) + 3, 4 * std::max(w, h));
  for (int channel = 0; channel < 4; ++channel) {
    if (channel == 3 && !picture.hasAlphaChannel()) break;
    const int shift = channel == 3 ? 24 : 16 - 8 * channel;
    const Softened soft(w + 2 * more, h + 2 * more, deviation, [&](int y, float* to) {
      const auto* from = reinterpret_cast<const QRgb*>(picture.constScanLine(std::clamp(y - more, 0, h - 1)));
      const auto at = [&](int x) { return static_cast<float>((from[x] >> shift) & 255) / 255; };
      std::fill_n(to, more, at(0));
      for (int x = 0; x < w; ++x) to[more + x] = at(x);
      std::fill_n(to + more + w, more, at(w - 1));
    });
    SoftRows rows(soft, more, more, w);
    std::vector<float> row(static_cast<std::size_t>(w));
    for (int y = 0; y < h; ++y) {
      rows.toRow(y);
      rows.read(0, w, row.data());
      take(y, channel, row.data());
    }
  }
}

/// Each channel of each pixel taken from its own value and its softened one.
template <class Mix>
QImage softenedBy(const QImage& picture, double deviation, const Mix& mix) {
  QImage out = picture;
  eachSoftened(picture, deviation, [&](int y, int channel, const float* row) {
    const int shift = channel == 3 ? 24 : 16 - 8 * channel;
    const auto* from = reinterpret_cast<const QRgb*>(picture.constScanLine(y));
    auto* to = reinterpret_cast<QRgb*>(out.scanLine(y));
    for (int x = 0; x < picture.width(); ++x) {
      const float own = static_cast<float>((from[x] >> shift) & 255) / 255;
      const auto value = static_cast<QRgb>(asByte(mix(own, row[x])));
      to[x] = (to[x] & ~(255U << shift)) | value << shift;
    }
  });
  return out;
}

/// Premultiplied colours are never above their alpha.
void limit(QImage& picture) {
  if (!picture.hasAlphaChannel()) return;
  for (int y = 0; y < picture.height(); ++y) {
    auto* row = reinterpret_cast<QRgb*>(picture.scanLine(y));
    for (int x = 0; x < picture.width(); ++x) {
      const int a = qAlpha(row[x]);
      row[x] = qRgba(std::min(a, qRed(row[x])), std::min(a, qGreen(row[x])), std::min(a, qBlue(row[x])), a);
    }
  }
}

}  // namespace

QImage adjustedPhoto(const QImage& photo, const Adjustments& a, double pixelsWide) {
  QImage out = photo;
  if (a.isNeutral() || photo.isNull()) return out;
  const double longer = std::max(photo.width(), photo.height());
  if (const double blur = a.of(Adjusting::Blur) * longer; blur > 0)
    out = softenedBy(out, blur, [](float, float soft) { return soft; });
  if (const auto force = static_cast<float>(a.of(Adjusting::Sharpness)); force > 0)
    out = softenedBy(out, std::max(longer / 1500, 0.7 / pixelsWide),
                     [&](float own, float soft) { return own + force * (own - soft); });
  limit(out);
  const PixelChange change(a, out.size());
  uchar* const pixels = out.bits();
  const qsizetype stride = out.bytesPerLine();
  inBands(out.height(), out.width(), [&](int begin, int end) {
    for (int y = begin; y < end; ++y) change.row(y, reinterpret_cast<QRgb*>(pixels + stride * y));
  });
  return out;
}

QImage adjustedLevel(const QImage& level, const Adjustments& a, double pixelsWide) {
  if (a.isNeutral() || level.isNull()) return level;
  return bordered(adjustedPhoto(level.copy(1, 1, level.width() - 2, level.height() - 2), a, pixelsWide));
}

}  // namespace widecut

#include "media/area_scale.h"

#include <algorithm>
#include <cmath>
#include <vector>

namespace widecut {
namespace {

/// The pixels that one pixel of the result covers along an axis, with the share that each has in it.
struct Span {
  int first = 0;
  std::vector<float> shares;
};

std::vector<Span> spansOf(double from, double length, int pixels, int count) {
  std::vector<Span> spans(static_cast<std::size_t>(count));
  const double each = length / count;
  for (int i = 0; i < count; ++i) {
    const double low = from + each * i, high = low + each;
    const auto inside = [&](double v) { return std::clamp(static_cast<int>(std::floor(v)), 0, pixels - 1); };
    Span& span = spans[static_cast<std::size_t>(i)];
    span.first = inside(low);
    const int last = inside(std::nextafter(high, low));
    for (int p = span.first; p <= last; ++p) {
      // Edge pixels reach on for ever.
      const double a = p == 0 ? low : std::max(low, double(p)), b = p == pixels - 1 ? high : std::min(high, p + 1.0);
      span.shares.push_back(static_cast<float>(std::max(0.0, b - a) / each));
    }
  }
  return spans;
}

}  // namespace

QImage areaScaled(const QImage& picture, const QRectF& from, QSize size) {
  QImage out(size, picture.format());
  if (out.isNull() || picture.isNull()) return {};
  const auto across = spansOf(from.x(), from.width(), picture.width(), size.width());
  const auto down = spansOf(from.y(), from.height(), picture.height(), size.height());
  const std::size_t channels = 4 * static_cast<std::size_t>(size.width());
  std::vector<float> row(channels), sum(channels);
  int rowHeld = -1;
  const auto fillRow = [&](int y) {
    if (rowHeld == y) return;
    rowHeld = y;
    const auto* pixels = reinterpret_cast<const QRgb*>(picture.constScanLine(y));
    for (std::size_t x = 0; x < across.size(); ++x) {
      float b = 0, g = 0, r = 0, a = 0;
      const QRgb* p = pixels + across[x].first;
      for (const float share : across[x].shares) {
        const QRgb v = *p++;
        b += share * static_cast<float>(v & 255u);
        g += share * static_cast<float>(v >> 8 & 255u);
        r += share * static_cast<float>(v >> 16 & 255u);
        a += share * static_cast<float>(v >> 24);
      }
      row[4 * x] = b;
      row[4 * x + 1] = g;
      row[4 * x + 2] = r;
      row[4 * x + 3] = a;
    }
  };
  for (int y = 0; y < size.height(); ++y) {
    const Span& span = down[static_cast<std::size_t>(y)];
    std::fill(sum.begin(), sum.end(), 0.5f);  // to round
    for (std::size_t i = 0; i < span.shares.size(); ++i) {
      fillRow(span.first + static_cast<int>(i));
      for (std::size_t c = 0; c < channels; ++c) sum[c] += span.shares[i] * row[c];
    }
    auto* to = reinterpret_cast<QRgb*>(out.scanLine(y));
    for (std::size_t x = 0; x < across.size(); ++x)
      to[x] = static_cast<QRgb>(sum[4 * x]) | static_cast<QRgb>(sum[4 * x + 1]) << 8 |
              static_cast<QRgb>(sum[4 * x + 2]) << 16 | static_cast<QRgb>(sum[4 * x + 3]) << 24;
  }
  return out;
}

}  // namespace widecut

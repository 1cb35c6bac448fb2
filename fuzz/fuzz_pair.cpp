// Pairs of outlines, read from raw bytes or from path data, cut in every way.
#include <cstdint>
#include <cstdlib>
#include <cstring>

#include "cutting/knife.h"
#include "cutting/planar_map.h"

namespace {

using widecut::Contour, widecut::Operand, widecut::Outline, widecut::Point, widecut::Segment;

/// Coordinates on a small lattice, so that edges meet, coincide and touch, or near it, so that they nearly do.
class Bytes {
 public:
  Bytes(const std::uint8_t* data, std::size_t size) : data_(data), size_(size) {}
  bool isEmpty() const { return at_ >= size_; }
  std::uint8_t next() { return isEmpty() ? std::uint8_t{0} : data_[at_++]; }
  double coordinate() {
    const std::uint8_t b = next();
    const double v = (b & 31) * 4.0;
    switch (b >> 5) {
      case 5:
        return v + 1e-10 * next();
      case 6:
        return v + 1e-14 * next();
      case 7: {
        double raw = 0;
        std::uint64_t bits = 0;
        for (int i = 0; i < 8; ++i) bits = bits << 8 | next();
        std::memcpy(&raw, &bits, sizeof raw);
        return raw > -1e12 && raw < 1e12 ? raw : v;
      }
      default:
        return v;
    }
  }
  Point point() {
    const double x = coordinate();
    return {x, coordinate()};
  }
  Outline outline() {
    Outline out;
    const int contours = 1 + next() % 3;
    for (int c = 0; c < contours; ++c) {
      Contour contour{point(), {}, true};
      const int segments = 1 + next() % 6;
      for (int i = 0; i < segments; ++i) {
        const std::uint8_t kind = next() % 3;
        const bool last = i + 1 == segments && next() % 2 == 0;
        const Point a = kind > 0 ? point() : Point{}, b = kind > 1 ? point() : Point{};
        const Point end = last ? contour.start : point();
        contour.segments.push_back(kind == 0   ? Segment::line(end)
                                   : kind == 1 ? Segment::quadratic(a, end)
                                               : Segment::cubic(a, b, end));
      }
      out.contours.push_back(std::move(contour));
    }
    return out;
  }

 private:
  const std::uint8_t* data_;
  std::size_t size_, at_ = 0;
};

void check(bool holds) {
  if (!holds) std::abort();
}

}  // namespace

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  Bytes bytes(data, size);
  const auto rule = [&] { return bytes.next() % 2 == 0 ? widecut::FillRule::Nonzero : widecut::FillRule::EvenOdd; };
  std::vector<Operand> pair(2);
  for (Operand& o : pair) {
    o.outline = bytes.outline();
    o.rule = rule();
  }
  const auto map = widecut::PlanarMap::of(pair);
  check(map.has_value() && map->report().consistent);
  const double extent = [&] {
    widecut::Box box;
    for (const Operand& o : pair) box.add(bounds(o.outline));
    return std::max({box.width(), box.height(), std::abs(box.low.x), std::abs(box.low.y), std::abs(box.high.x),
                     std::abs(box.high.y), 1e-300});
  }();
  // Areas add up, whatever the outlines are.
  const double all = signedArea(map->unite()), both = signedArea(map->intersect());
  const double rest = signedArea(map->subtract()), apart = signedArea(map->exclude());
  const double close = 1e-6 * extent * extent;
  check(std::abs(all - both - apart) <= close && rest <= all + close && rest >= -close && both >= -close);
  (void)map->divide();
  (void)widecut::knifed(pair[0], pair[1].outline, bytes.next() % 2 == 0 ? 0 : 3);
  return 0;
}

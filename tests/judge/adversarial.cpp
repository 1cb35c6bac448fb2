#include <cmath>

#include "cutting/planar_map.h"
#include "geometry/path_data.h"
#include "judge/corpus.h"
#include "shapes/primitives.h"

namespace widecut::judge {
namespace {

double tiny(Random& r) { return std::pow(10.0, -uniform(r, 3, 16)); }
double signedTiny(Random& r) { return tiny(r) * (whole(r, 0, 1) ? 1 : -1); }
double anyAngle(Random& r) { return uniform(r, 0, 2 * pi); }

Outline base(Random& r) {
  switch (whole(r, 0, 4)) {
    case 0:
      return ellipseOutline(uniform(r, 50, 100), uniform(r, 50, 100));
    case 1:
      return blob(r, whole(r, 4, 8), 60, 0.5);
    case 2:
      return starOutline(100, 100, whole(r, 3, 9), uniform(r, 0.2, 0.7));
    case 3:
      return rectangleOutline(whole(r, 3, 9) * 10.0, whole(r, 3, 9) * 10.0);
    default:
      return loops(r, whole(r, 4, 7), 50);
  }
}

Outline jittered(const Outline& outline, Random& r, double by) {
  Outline out = outline;
  const auto move = [&](Point p) { return p + Point{by * uniform(r, -1, 1), by * uniform(r, -1, 1)}; };
  for (Contour& c : out.contours) {
    const Point start = move(c.start);
    for (Segment& s : c.segments) {
      if (s.kind != SegmentKind::Line) s.handle1 = move(s.handle1);
      if (s.kind == SegmentKind::Cubic) s.handle2 = move(s.handle2);
      s.end = s.end == c.start ? start : move(s.end);
    }
    c.start = start;
  }
  return out;
}

/// Each segment in two, at t, by de Casteljau; lines too.
Outline splitAt(const Outline& outline, Random& r) {
  Outline out;
  for (const Contour& c : outline.contours) {
    Contour next{c.start, {}, true};
    Point at = c.start;
    for (const Segment& s : c.segments) {
      const double t = uniform(r, 0.1, 0.9);
      if (s.kind == SegmentKind::Line) {
        next.segments.push_back(Segment::line(mix(at, s.end, t)));
        next.segments.push_back(s);
      } else {
        const auto p = asCubic(at, s);
        const Point a = mix(p[0], p[1], t), b = mix(p[1], p[2], t), d = mix(p[2], p[3], t);
        const Point ab = mix(a, b, t), bd = mix(b, d, t);
        next.segments.push_back(Segment::cubic(a, ab, mix(ab, bd, t)));
        next.segments.push_back(Segment::cubic(bd, d, s.end));
      }
      at = s.end;
    }
    out.contours.push_back(next);
  }
  return out;
}

std::vector<Operand> tangentDiscs(Random& r) {
  const double a = uniform(r, 30, 80), b = uniform(r, 10, 60), e = whole(r, 0, 3) ? signedTiny(r) : 0,
               turn = anyAngle(r);
  const bool inside = whole(r, 0, 1);
  const double apart = inside ? (a - b) / 2 + e : (a + b) / 2 + e;
  return {{ellipseOutline(a, a)},
          {placed(ellipseOutline(b, b), apart * std::cos(turn), apart * std::sin(turn), whole(r, 0, 1) ? turn : 0)}};
}

std::vector<Operand> pinwheels(Random& r) {
  std::vector<Operand> out(2);
  const int n = whole(r, 3, 12);
  for (int k = 0; k < 2; ++k)
    for (int i = 0; i < n; ++i) {
      const double a = 2 * pi * i / n + (k ? (whole(r, 0, 1) ? pi / n : tiny(r)) : 0);
      const Outline blade = polygon(
          {{0, 0}, {50 * std::cos(a), 50 * std::sin(a)}, {50 * std::cos(a + pi / n), 50 * std::sin(a + pi / n)}});
      out[static_cast<std::size_t>(k)].outline.contours.push_back(blade.contours[0]);
    }
  return out;
}

Outline latticeShape(Random& r, int size, bool curves) {
  const auto node = [&] { return Point{double(whole(r, 0, size)) * 10, double(whole(r, 0, size)) * 10}; };
  Contour c{node(), {}, true};
  const int n = whole(r, 3, 8);
  for (int i = 0; i < n; ++i)
    c.segments.push_back(curves && whole(r, 0, 1) ? Segment::cubic(node(), node(), i + 1 == n ? c.start : node())
                                                  : Segment::line(i + 1 == n ? c.start : node()));
  return {{c}};
}

std::vector<Operand> sliver(Random& r) {
  const double w = std::pow(10.0, -uniform(r, 0, 10)), turn = anyAngle(r);
  const Outline needle = whole(r, 0, 1) ? rectangleOutline(120, 50 * w) : ellipseOutline(120, 50 * w);
  return {{base(r)}, {placed(needle, uniform(r, -20, 20), uniform(r, -20, 20), turn)}};
}

std::vector<Operand> throughOnePoint(Random& r) {
  std::vector<Operand> out(2);
  const int n = whole(r, 3, 20);
  for (int i = 0; i < n; ++i) {
    const double a = pi * i / n + (whole(r, 0, 2) ? 0 : tiny(r));
    Outline bar = polygon({{-60, 0}, {60, 0}, {60, 3}});
    if (whole(r, 0, 1)) bar = *parsePathData("M-60 0C-20 30 20 -30 60 0L60 4Z");
    out[static_cast<std::size_t>(i % 2)].outline.contours.push_back(placed(bar, 0, 0, a).contours[0]);
  }
  return out;
}

std::vector<Operand> sharedTangents(Random& r) {
  std::vector<Operand> out(2);
  const int n = whole(r, 2, 8);
  const double turn = whole(r, 0, 1) ? anyAngle(r) : 0;
  for (int i = 0; i < n; ++i) {
    const double reach = uniform(r, 20, 60), high = uniform(r, -60, 60);
    Contour c{{0, 0}, {}, true};
    c.segments = {Segment::cubic({reach * uniform(r, 0.2, 1), 0}, {80, high * uniform(r, 0, 1)}, {80, high}),
                  Segment::line({80, high + 10}), Segment::line({0, 40.0 + i}), Segment::line({0, 0})};
    out[static_cast<std::size_t>(i % 2)].outline.contours.push_back(placed({{c}}, 0, 0, turn).contours[0]);
  }
  return out;
}

std::vector<Operand> jitteredGrid(Random& r, bool discs) {
  std::vector<Operand> out(2);
  const double by = whole(r, 0, 3) ? tiny(r) : 0;
  const int n = whole(r, 2, 5);
  for (int i = 0; i < n; ++i)
    for (int k = 0; k < n; ++k) {
      const Outline cell = discs && whole(r, 0, 1) ? ellipseOutline(20, 20) : rectangleOutline(20, 20);
      out[static_cast<std::size_t>(whole(r, 0, 1))].outline.contours.push_back(
          placed(jittered(cell, r, by), 20.0 * i + by * uniform(r, -1, 1), 20.0 * k).contours[0]);
    }
  return out;
}

std::vector<Operand> cusps(Random& r) {
  const auto cusp = [&] {
    const double e = whole(r, 0, 1) ? signedTiny(r) * 100 : 0;
    Contour c{{0, 0}, {}, true};
    c.segments = {Segment::cubic({100 + e, 80}, {0 + e, 80}, {100, 0}), Segment::line({100, -40}),
                  Segment::line({0, -40}), Segment::line({0, 0})};
    return Outline{{c}};
  };
  const Outline a = cusp();
  if (whole(r, 0, 2) == 0) return {{a}, {jittered(a, r, tiny(r))}};
  return {{a}, {placed(cusp(), whole(r, -3, 3) * 10, whole(r, -3, 3) * 10, whole(r, 0, 1) ? anyAngle(r) : pi)}};
}

std::vector<Operand> fedBack(Random& r) {
  const Outline a = base(r), b = placed(base(r), uniform(r, -40, 40), uniform(r, -40, 40));
  const std::vector<Operand> pair{{a}, {b}};
  const auto map = PlanarMap::of(pair);
  const auto outcome = [&] {
    switch (whole(r, 0, 3)) {
      case 0:
        return map->unite();
      case 1:
        return map->subtract();
      case 2:
        return map->intersect();
      default:
        return map->exclude();
    }
  };
  return {{outcome()}, {whole(r, 0, 1) ? outcome() : b}};
}

}  // namespace

const char* adversarialName(int family) {
  static const char* const names[] = {"jitters",       "turns",     "split copies",    "ten near-copies",
                                      "tangent discs", "many-gons", "pinwheels",       "lattices",
                                      "slivers",       "one point", "shared tangents", "jittered grids",
                                      "cusps",         "fed back",  "lattice cubics",  "grids with discs"};
  return names[family];
}

std::vector<Operand> adversarial(int family, std::uint64_t seed) {
  Random r(seed * 32 + static_cast<std::uint64_t>(family) + 977);
  switch (family) {
    case 0: {
      const Outline a = base(r);
      return {{a}, {jittered(a, r, tiny(r))}};
    }
    case 1: {
      const Outline a = base(r);
      return {{a}, {placed(a, 0, 0, tiny(r))}};
    }
    case 2: {
      const Outline a = placed(base(r), 0, 0, anyAngle(r));
      return {{a}, {whole(r, 0, 1) ? splitAt(a, r) : jittered(splitAt(a, r), r, tiny(r))}};
    }
    case 3: {
      const Outline a = base(r);
      std::vector<Operand> out;
      for (int i = 0; i < 10; ++i)
        out.push_back({whole(r, 0, 1) ? jittered(a, r, tiny(r)) : placed(a, signedTiny(r), signedTiny(r))});
      return out;
    }
    case 4:
      return tangentDiscs(r);
    case 5: {
      const int n = whole(r, 3, 60), m = whole(r, 0, 1) ? n * whole(r, 2, 4) : whole(r, 3, 90);
      return {{polygonOutline(100, 100, n)}, {whole(r, 0, 1) ? polygonOutline(100, 100, m) : ellipseOutline(100, 100)}};
    }
    case 6:
      return pinwheels(r);
    case 7:
      return {{latticeShape(r, 5, false)},
              {latticeShape(r, 5, false), whole(r, 0, 1) ? FillRule::Nonzero : FillRule::EvenOdd}};
    case 8:
      return sliver(r);
    case 9:
      return throughOnePoint(r);
    case 10:
      return sharedTangents(r);
    case 11:
      return jitteredGrid(r, false);
    case 12:
      return cusps(r);
    case 13:
      return fedBack(r);
    case 14:
      return {{latticeShape(r, 4, true)},
              {latticeShape(r, 4, true), whole(r, 0, 1) ? FillRule::Nonzero : FillRule::EvenOdd}};
    default:
      return jitteredGrid(r, true);
  }
}

}  // namespace widecut::judge

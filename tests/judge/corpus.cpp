#include "judge/corpus.h"

#include <cmath>
#include <functional>

#include "geometry/path_data.h"
#include "shapes/primitives.h"
#include "words/set_words.h"

namespace widecut::judge {

double uniform(Random& random, double low, double high) {
  // The standard distributions differ between libraries; this does not.
  return low + (high - low) * static_cast<double>(random() >> 11) * 0x1p-53;
}

int whole(Random& random, int low, int high) {
  return low + static_cast<int>(random() % static_cast<std::uint64_t>(high - low + 1));
}

Outline placed(const Outline& outline, double x, double y, double angle) {
  return transformed(outline, Affine::move({x, y}) * Affine::turn(angle));
}

namespace {

/// A smooth closed curve through the points, with handles along the chord of the neighbours.
Contour smoothThrough(const std::vector<Point>& points) {
  const std::size_t n = points.size();
  Contour c{points[0], {}, true};
  const auto tangent = [&](std::size_t i) { return (points[(i + 1) % n] - points[(i + n - 1) % n]) / 6; };
  for (std::size_t i = 0; i < n; ++i) {
    const std::size_t j = (i + 1) % n;
    c.segments.push_back(Segment::cubic(points[i] + tangent(i), points[j] - tangent(j), points[j]));
  }
  return c;
}

double anyAngle(Random& r) { return uniform(r, 0, 2 * pi); }
FillRule anyRule(Random& r) { return whole(r, 0, 3) == 0 ? FillRule::EvenOdd : FillRule::Nonzero; }

Outline joined(const Outline& a, const Outline& b) {
  Outline out = a;
  out.contours.insert(out.contours.end(), b.contours.begin(), b.contours.end());
  return out;
}

Outline ring(double outer, double inner) {
  Outline hole = ellipseOutline(inner, inner);
  return joined(ellipseOutline(outer, outer), transformed(hole, Affine::scale(-1, 1)));
}

Outline roundedBox(double w, double h, double r) {
  const double k = r * 0.5522847498;
  const double x = w / 2, y = h / 2;
  Contour c{{-x + r, -y}, {}, true};
  c.segments = {Segment::line({x - r, -y}),  Segment::cubic({x - r + k, -y}, {x, -y + r - k}, {x, -y + r}),
                Segment::line({x, y - r}),   Segment::cubic({x, y - r + k}, {x - r + k, y}, {x - r, y}),
                Segment::line({-x + r, y}),  Segment::cubic({-x + r - k, y}, {-x, y - r + k}, {-x, y - r}),
                Segment::line({-x, -y + r}), Segment::cubic({-x, -y + r - k}, {-x + r - k, -y}, {-x + r, -y})};
  return {{c}};
}

Outline primitive(Random& r) {
  const double w = uniform(r, 40, 120), h = uniform(r, 40, 120);
  switch (whole(r, 0, 6)) {
    case 0:
      return rectangleOutline(w, h);
    case 1:
      return ellipseOutline(w, h);
    case 2:
      return polygonOutline(w, h, whole(r, 3, 9));
    case 3:
      return starOutline(w, h, whole(r, 4, 10), uniform(r, 0.2, 0.7));
    case 4:
      return roundedBox(w, h, uniform(r, 4, 15));
    case 5:
      return ring(w, w * uniform(r, 0.4, 0.8));
    default:
      return *parsePathData("M0 -40Q45 -40 45 0T0 40Q-45 40 -45 0T0 -40Z");
  }
}

std::vector<Operand> primitivePair(Random& r) {
  const Outline a = primitive(r), b = primitive(r);
  return {{placed(a, 0, 0, whole(r, 0, 1) ? anyAngle(r) : 0)},
          {placed(b, uniform(r, -50, 50), uniform(r, -50, 50), whole(r, 0, 1) ? anyAngle(r) : 0)}};
}

std::vector<Operand> alignedPair(Random& r) {
  const double w = whole(r, 4, 12) * 10.0, h = whole(r, 4, 12) * 10.0;
  const Outline box = rectangleOutline(w, h), disc = ellipseOutline(w, h);
  switch (whole(r, 0, 9)) {
    case 0:
      return {{box}, {placed(box, w, 0)}};
    case 1:
      return {{box}, {placed(box, w / 2, 0)}};
    case 2:
      return {{box}, {disc}};
    case 3:
      return {{disc}, {placed(disc, w, 0)}};
    case 4:
      return {{disc}, {disc}};
    case 5:
      return {{roundedBox(w, h, 10)}, {placed(box, w / 2, h / 4)}};
    case 6:
      return {{disc}, {placed(rectangleOutline(w, h / 2), 0, h / 4)}};
    case 7:
      return {{roundedBox(w, h, 10)}, {placed(roundedBox(w, h, 10), 0, h / 2)}};
    case 8:
      return {{polygonOutline(w, w, 6)}, {polygonOutline(w, w, whole(r, 0, 1) ? 3 : 12)}};
    default: {
      const double turn = whole(r, 1, 7) * pi / 4;
      return {{starOutline(w, w, 8, 0.4)}, {placed(starOutline(w, w, 8, 0.4), 0, 0, turn)}};
    }
  }
}

/// The same outline with its curves cut in two.
Outline withMoreNodes(const Outline& outline, double t) {
  Outline out = outline;
  for (Contour& c : out.contours) {
    std::vector<Segment> segments;
    Point at = c.start;
    for (const Segment& s : c.segments) {
      const auto p = asCubic(at, s);
      const Point a = mix(p[0], p[1], t), b = mix(p[1], p[2], t), d = mix(p[2], p[3], t);
      const Point ab = mix(a, b, t), bd = mix(b, d, t), m = mix(ab, bd, t);
      if (s.kind == SegmentKind::Line) {
        segments.push_back(Segment::line(mix(at, s.end, t)));
        segments.push_back(s);
      } else {
        segments.push_back(Segment::cubic(a, ab, m));
        segments.push_back(Segment::cubic(bd, d, s.end));
      }
      at = s.end;
    }
    c.segments = segments;
  }
  return out;
}

std::vector<Operand> nearlyPair(Random& r) {
  const Outline shape = whole(r, 0, 2) == 0   ? primitive(r)
                        : whole(r, 0, 1) == 0 ? blob(r, whole(r, 4, 9), 60, 0.4)
                                              : ellipseOutline(uniform(r, 40, 90), uniform(r, 40, 90));
  const double e = std::pow(10.0, -whole(r, 2, 12)) * uniform(r, 0.5, 2);
  Outline copy = shape;
  switch (whole(r, 0, 4)) {
    case 0:
      copy = placed(shape, e * uniform(r, -1, 1), e * uniform(r, -1, 1));
      break;
    case 1:
      copy = placed(shape, 0, 0, e / 50);
      break;
    case 2:
      copy = transformed(shape, Affine::scale(1 + e / 50, 1 + e / 50));
      break;
    case 3:
      copy = withMoreNodes(shape, uniform(r, 0.2, 0.8));
      break;
    default:
      copy = placed(withMoreNodes(shape, 0.5), e, 0);
  }
  const double angle = anyAngle(r);
  return {{placed(shape, 0, 0, angle)}, {placed(copy, 0, 0, angle)}};
}

std::vector<Operand> wordPair(Random& r) {
  static const FaceChoice faces[] = {{"Cabin", 700}, {"League Spartan", 700}, {"EB Garamond", 400}};
  static const char* const words[] = {"Peak", "snow", "Bridge 8", "&@%", "cog", "Skarrow", "Open", "R&B"};
  // In the order in which arguments were worked out when the figures were taken: from the last to the first.
  const double size = uniform(r, 40, 90);
  const char* const word = words[whole(r, 0, 7)];
  const Outline text = outlineOf(setWords(word, {faces[whole(r, 0, 2)], size}, {}));
  const Box box = bounds(text);
  const Outline shape = whole(r, 0, 1) ? primitive(r) : blob(r, whole(r, 5, 9), 60, 0.4);
  return {{placed(text, -box.centre().x, -box.centre().y)},
          {placed(shape, uniform(r, -30, 30), uniform(r, -15, 15), anyAngle(r))}};
}

std::vector<Operand> manyPair(Random& r) {
  switch (whole(r, 0, 4)) {
    case 0:
      return {
          {starOutline(120, 120, 400, uniform(r, 0.1, 0.5))},
          {placed(starOutline(120, 120, 400, uniform(r, 0.1, 0.5)), uniform(r, 1, 9), uniform(r, 1, 9), anyAngle(r))}};
    case 1: {
      Outline bands;
      for (int i = 0; i < 120; ++i) bands = joined(bands, placed(rectangleOutline(140, 0.6), 0, -60 + 1.0 * i));
      return {{bands}, {placed(blob(r, 40, 60, 0.6), 0, 0, anyAngle(r))}};
    }
    case 2: {
      Outline upright, level;
      for (int i = 0; i < 40; ++i) {
        upright = joined(upright, placed(rectangleOutline(1.2, 130), -60 + 3.0 * i, 0));
        level = joined(level, placed(rectangleOutline(130, 1.2), 0, -60 + 3.0 * i));
      }
      const double angle = whole(r, 0, 1) ? anyAngle(r) : 0;
      return {{upright}, {placed(level, uniform(r, -2, 2), 0, angle)}};
    }
    case 3: {
      Outline discs;
      for (int i = 0; i < 160; ++i) {
        const double d = uniform(r, 8, 20);
        discs = joined(discs, placed(ellipseOutline(d, d), uniform(r, -60, 60), uniform(r, -60, 60)));
      }
      return {{discs}, {placed(blob(r, 14, 60, 0.5), 0, 0)}};
    }
    default:
      return {{wavyRing(400, 60, 0.1, 80, 0)}, {placed(wavyRing(400, 60, 0.1, 77, 0.3), uniform(r, -5, 5), 1)}};
  }
}

std::vector<Operand> degeneratePair(Random& r) {
  static const char* const odd[] = {
      "M0 0C120 90 -20 90 100 0Z",                             // a loop
      "M0 0C100 80 0 80 100 0L100 90L0 90Z",                   // a cusp
      "M0 0H80V50H80V20V50H0ZM10 10H10Z",                      // doubled back
      "M0 0C60 -60 60 60 0 0Z",                                // a loop on one anchor
      "M0 0C60 -60 60 60 0 0C-60 60 -60 -60 0 0Z",             // two loops on one anchor
      "M0 0L60 0L60 60L0 60ZM0 0L60 0L60 60L0 60Z",            // the same contour twice
      "M0 0C0 0 60 0 60 0C60 0 60 60 60 60L0 60Z",             // handles on their nodes
      "M0 0L60 0L30 0L90 0L90 40L0 40Z",                       // a line that goes back and on
      "M0 0L40 0L40 40L0 40ZM40 40L80 40L80 80L40 80Z",        // two that touch in a corner
      "M0 0C30 0 30 0 60 0C60 30 60 30 60 60L0 60L0 0Z",       // straight cubics
      "M0 0C90 0 -30 0 60 0L60 50L0 50Z",                      // a cubic that doubles back on a line
      "M0 30C0 -10 60 -10 60 30C60 70 0 70 0 30ZM30 0L30 60Z"  // a needle through a disc
  };
  const Outline a = *parsePathData(odd[whole(r, 0, 11)]), b = *parsePathData(odd[whole(r, 0, 11)]);
  const bool grid = whole(r, 0, 1) == 0;
  const double x = grid ? whole(r, -4, 4) * 10 : uniform(r, -40, 40),
               y = grid ? whole(r, -4, 4) * 10 : uniform(r, -40, 40);
  return {{a, anyRule(r)}, {placed(b, x, y, grid ? whole(r, 0, 3) * pi / 2 : anyAngle(r)), anyRule(r)}};
}

/// Sizes from 1e-3 to 1e7 with any offset, now and then.
void resized(std::vector<Operand>& operands, Random& r) {
  if (whole(r, 0, 5) != 0) return;
  const double size = std::pow(10.0, uniform(r, -5, 5));
  const Point shift = whole(r, 0, 1) ? Point{uniform(r, -1, 1) * 1e7, uniform(r, -1, 1) * 1e5} : Point{};
  // A drawing must not be so far off that its own coordinates no longer tell it.
  const double far = size < 1 ? size : 1;
  for (Operand& o : operands) o.outline = transformed(o.outline, Affine::move(shift * far) * Affine::scale(size, size));
}

}  // namespace

Outline blob(Random& random, int nodes, double size, double roughness) {
  std::vector<Point> points;
  const double turn = anyAngle(random);
  for (int i = 0; i < nodes; ++i) {
    const double a = turn + 2 * pi * i / nodes, r = size * (1 - roughness * uniform(random, 0, 1));
    points.push_back({r * std::cos(a), r * std::sin(a)});
  }
  return {{smoothThrough(points)}};
}

Outline loops(Random& random, int nodes, double size) {
  std::vector<Point> points;
  for (int i = 0; i < nodes; ++i) points.push_back({uniform(random, -size, size), uniform(random, -size, size)});
  return {{smoothThrough(points)}};
}

Outline wavyRing(int n, double radius, double depth, int waves, double phase) {
  std::vector<Point> points;
  for (int i = 0; i < n; ++i) {
    const double a = 2 * pi * i / n, r = radius * (1 + depth * std::sin(waves * a + phase));
    points.push_back({r * std::cos(a), r * std::sin(a)});
  }
  return {{smoothThrough(points)}};
}

const char* nameOf(Category category) {
  static const char* const names[] = {"blobs",  "self-crossing", "primitives", "aligned",
                                      "nearly", "words",         "many",       "degenerate"};
  return names[static_cast<int>(category)];
}

std::vector<Operand> corpusPair(Category category, std::uint64_t seed) {
  Random r(seed * 8 + static_cast<std::uint64_t>(category) + 1);
  std::vector<Operand> pair;
  switch (category) {
    case Category::Blobs:
      pair = {{blob(r, whole(r, 8, 24), 60, 0.7)},
              {placed(blob(r, whole(r, 8, 24), 60, 0.7), uniform(r, -40, 40), uniform(r, -40, 40))}};
      break;
    case Category::SelfCrossing:
      pair = {{loops(r, whole(r, 10, 20), 60), anyRule(r)},
              {placed(loops(r, whole(r, 10, 20), 60), uniform(r, -30, 30), uniform(r, -30, 30)), anyRule(r)}};
      break;
    case Category::Primitives:
      pair = primitivePair(r);
      break;
    case Category::Aligned:
      pair = alignedPair(r);
      break;
    case Category::Nearly:
      pair = nearlyPair(r);
      break;
    case Category::Words:
      pair = wordPair(r);
      break;
    case Category::Many:
      pair = manyPair(r);
      break;
    case Category::Degenerate:
      pair = degeneratePair(r);
      break;
  }
  // Outlines whose boxes do not touch are nothing to cut.
  if (!bounds(pair[0].outline).touches(bounds(pair[1].outline))) return corpusPair(category, seed + (1ULL << 40));
  resized(pair, r);
  return pair;
}

}  // namespace widecut::judge

#include "judge/exact_oracle.h"

#include <algorithm>
#include <cmath>

namespace widecut::judge {
namespace {

/// A piece of a curve on which v grows or falls all along; u and v are turned coordinates.
struct Monotone {
  double u[4], v[4];
  bool grows;
  int owner;
};

double bezier(const double* c, double t) {
  const double s = 1 - t;
  return c[0] * s * s * s + 3 * c[1] * s * s * t + 3 * c[2] * s * t * t + c[3] * t * t * t;
}

/// The part of a cubic from t0 to t1, by two splits.
void part(const double* c, double t0, double t1, double* out) {
  const auto at = [&](double a, double b, double d) {
    const auto lerp = [](double p, double q, double t) { return p + (q - p) * t; };
    const double x = lerp(lerp(c[0], c[1], a), lerp(c[1], c[2], a), b),
                 y = lerp(lerp(c[1], c[2], a), lerp(c[2], c[3], a), b);
    return lerp(x, y, d);
  };
  out[0] = at(t0, t0, t0);
  out[1] = at(t0, t0, t1);
  out[2] = at(t0, t1, t1);
  out[3] = at(t1, t1, t1);
}

class Scanner {
 public:
  Scanner(double angle, Point centre) : c_(std::cos(angle)), s_(std::sin(angle)), centre_(centre) {}

  void add(const Outline& outline, int owner) {
    for (const Contour& contour : outline.contours) {
      Point at = contour.start;
      for (const Segment& s : contour.segments) {
        addSegment(asCubic(at, s), owner, s.kind == SegmentKind::Line);
        at = s.end;
      }
      if (at != contour.start) addSegment(asCubic(at, Segment::line(contour.start)), owner, true);
    }
  }
  void range(double* low, double* high) const {
    for (const Monotone& m : pieces_) {
      *low = std::min({*low, m.v[0], m.v[3]});
      *high = std::max({*high, m.v[0], m.v[3]});
    }
  }
  /// The length of the line v = const on which the two sets differ.
  template <class Differ>
  double lengthAt(double v, int owners, const Differ& differ) {
    hits_.clear();
    for (const Monotone& m : pieces_)
      if ((m.v[0] <= v) != (m.v[3] <= v)) hits_.push_back({across(m, v), m.owner, m.grows ? 1 : -1});
    std::sort(hits_.begin(), hits_.end(), [](const Hit& a, const Hit& b) { return a.u < b.u; });
    std::vector<int> windings(static_cast<std::size_t>(owners), 0);
    double sum = 0;
    for (std::size_t i = 0; i + 1 < hits_.size(); ++i) {
      windings[static_cast<std::size_t>(hits_[i].owner)] += hits_[i].by;
      if (differ(windings)) sum += hits_[i + 1].u - hits_[i].u;
    }
    return sum;
  }
  /// The middle height of each contour, and its extent.
  std::vector<std::pair<double, double>> spans(const Outline& outline) const {
    std::vector<std::pair<double, double>> out;
    for (const Contour& contour : outline.contours) {
      double low = 1e300, high = -1e300;
      Point at = contour.start;
      for (const Segment& s : contour.segments) {
        for (int k = 0; k <= 4; ++k) {
          const double v = turned(pointAt(at, s, k / 4.0)).y;
          low = std::min(low, v);
          high = std::max(high, v);
        }
        at = s.end;
      }
      if (high > low) out.emplace_back(0.5 * (low + high), high - low);
    }
    return out;
  }

 private:
  struct Hit {
    double u;
    int owner, by;
  };
  Point turned(Point p) const {
    const Point q = p - centre_;
    return {c_ * q.x - s_ * q.y, s_ * q.x + c_ * q.y};
  }
  void addSegment(const std::array<Point, 4>& c, int owner, bool line) {
    double u[4], v[4];
    for (int i = 0; i < 4; ++i) {
      const Point q = turned(c[static_cast<std::size_t>(i)]);
      u[i] = q.x;
      v[i] = q.y;
    }
    std::vector<double> cuts{0};
    if (!line) {
      const double qa = -v[0] + 3 * v[1] - 3 * v[2] + v[3], qb = 2 * (v[0] - 2 * v[1] + v[2]), qc = v[1] - v[0];
      const double disc = qb * qb - 4 * qa * qc;
      std::vector<double> roots;
      if (qa == 0 && qb != 0) roots.push_back(-qc / qb);
      if (qa != 0 && disc >= 0) {
        const double q = -0.5 * (qb + std::copysign(std::sqrt(disc), qb));
        roots.push_back(q / qa);
        if (q != 0) roots.push_back(qc / q);
      }
      std::sort(roots.begin(), roots.end());
      for (const double t : roots)
        if (t > 0 && t < 1) cuts.push_back(t);
    }
    cuts.push_back(1);
    double last = v[0];
    for (std::size_t i = 0; i + 1 < cuts.size(); ++i) {
      Monotone m;
      part(u, cuts[i], cuts[i + 1], m.u);
      part(v, cuts[i], cuts[i + 1], m.v);
      m.v[0] = last;
      if (i + 2 == cuts.size()) m.v[3] = v[3];
      last = m.v[3];
      m.grows = m.v[3] > m.v[0];
      m.owner = owner;
      if (m.v[3] != m.v[0]) pieces_.push_back(m);
    }
  }
  static double across(const Monotone& m, double v) {
    double low = 0, high = 1;
    for (int i = 0; i < 60; ++i) {
      const double t = 0.5 * (low + high);
      ((bezier(m.v, t) < v) == m.grows ? low : high) = t;
    }
    return bezier(m.u, low);
  }

  double c_, s_;
  Point centre_;
  std::vector<Monotone> pieces_;
  std::vector<Hit> hits_;
};

}  // namespace

double difference(std::span<const Operand> operands, const std::function<bool(const std::vector<bool>&)>& truth,
                  const Outline& result, Random& random, bool evenOdd, int lines) {
  Box box;
  for (const Operand& o : operands) box.add(bounds(o.outline));
  if (box.isEmpty()) return result.isEmpty() ? 0 : 1;
  const double side = std::max({box.width(), box.height(), 1e-300});
  const int n = static_cast<int>(operands.size());
  double worst = 0;
  for (int direction = 0; direction < 2; ++direction) {
    Scanner scanner(uniform(random, 0.1, 1.4) + direction * 1.57, box.centre());
    for (int i = 0; i < n; ++i) scanner.add(operands[static_cast<std::size_t>(i)].outline, i);
    scanner.add(result, n);
    std::vector<bool> covers(operands.size());
    const auto differ = [&](const std::vector<int>& windings) {
      for (int i = 0; i < n; ++i) {
        const int w = windings[static_cast<std::size_t>(i)];
        covers[static_cast<std::size_t>(i)] =
            operands[static_cast<std::size_t>(i)].rule == FillRule::Nonzero ? w != 0 : w % 2 != 0;
      }
      const int w = windings[static_cast<std::size_t>(n)];
      return truth(covers) != (evenOdd ? w % 2 != 0 : w != 0);
    };
    double low = 1e300, high = -1e300;
    scanner.range(&low, &high);
    double sum = 0;
    for (int k = 0; k < lines; ++k) {
      const double v = low + (high - low) * (k + uniform(random, 0.02, 0.98)) / lines;
      sum += scanner.lengthAt(v, n + 1, differ) * (high - low) / lines;
    }
    worst = std::max(worst, sum / (side * side));
    // Each contour of the result is met at least once.
    auto spans = scanner.spans(result);
    for (std::size_t k = 0; k < std::min<std::size_t>(spans.size(), 12); ++k) {
      const auto& [middle, height] = spans[spans.size() <= 12 ? k : random() % spans.size()];
      const double v = middle + height * uniform(random, -0.3, 0.3);
      worst = std::max(worst, scanner.lengthAt(v, n + 1, differ) * height / (side * side));
    }
  }
  return worst;
}

}  // namespace widecut::judge

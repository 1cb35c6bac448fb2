#include "shapes/corner_fit.h"

#include <algorithm>
#include <cmath>

namespace widecut {
namespace {

bool isLine(const Bezier& c) {
  const Point along = unit(c[3] - c[0]);
  const double close = 1e-12 * distance(c[0], c[3]);
  return std::abs(cross(along, c[1] - c[0])) <= close && std::abs(cross(along, c[2] - c[0])) <= close;
}

class Fitter {
 public:
  Fitter(CornerKind kind, const CurveChain& in, const CurveChain& out) : kind_(kind), in_(in), out_(out) {
    const Point a = in.direction(0), b = out.direction(0);
    turn_ = cross(a, b) > 0 ? 1 : -1;
    angle_ = std::atan2(std::abs(cross(a, b)), dot(a, b));
  }

  /// As large as asked for, or as reaches no further along the sides than these lengths.
  CornerFit fitted(double size, double mostIn, double mostOut) const {
    return kind_ == CornerKind::Round ? rounded(size, mostIn, mostOut) : reaching(size, mostIn, mostOut);
  }

 private:
  static bool isWithin(const CornerFit& fit, double mostIn, double mostOut) {
    constexpr double rounding = 1 + 1e-12;
    return fit.in.length <= mostIn * rounding && fit.out.length <= mostOut * rounding;
  }

  Trim trimAt(const CurveChain& side, double size) const {
    const double place = side.firstAtDistance(size);
    return {place, side.lengthTo(place)};
  }

  CornerFit reaching(double size, double mostIn, double mostOut) const {
    const auto at = [&](double s) { return CornerFit{trimAt(in_, s), trimAt(out_, s), s, {}}; };
    if (const CornerFit whole = at(size); isWithin(whole, mostIn, mostOut)) {
      const double reached =
          std::min(distance(in_.at(0), in_.at(whole.in.place)), distance(out_.at(0), out_.at(whole.out.place)));
      if (reached >= size * (1 - 1e-12)) return whole;
    }
    double low = 0, high = std::min({size, mostIn, mostOut});
    for (int i = 0; i < 60; ++i) {
      const double middle = i == 0 ? high : (low + high) / 2;
      const CornerFit fit = at(middle);
      const bool fits = isWithin(fit, mostIn, mostOut) && fit.in.place < in_.end() + 1 &&
                        distance(in_.at(0), in_.at(fit.in.place)) >= middle * (1 - 1e-9) &&
                        distance(out_.at(0), out_.at(fit.out.place)) >= middle * (1 - 1e-9);
      (fits ? low : high) = middle;
      if (fits && i == 0) break;
    }
    return at(low);
  }

  /// How far apart the places are that lie `radius` beside both sides, and how that changes.
  struct Gap {
    Point value, byIn, byOut, byRadius;
    double stretchIn = 1, stretchOut = 1;
  };
  Gap gapAt(double in, double out, double radius) const {
    const auto beside = [](Point way, double turn) { return Point{-way.y, way.x} * turn; };
    const Point a = beside(in_.direction(in), turn_), b = beside(out_.direction(out), -turn_);
    const double stretchIn = 1 - radius * turn_ * in_.curvature(in),
                 stretchOut = 1 + radius * turn_ * out_.curvature(out);
    return {in_.at(in) + a * radius - out_.at(out) - b * radius,
            in_.derivative(in) * stretchIn,
            -out_.derivative(out) * stretchOut,
            a - b,
            stretchIn,
            stretchOut};
  }
  /// What changes of both places change the gap by this.
  static std::optional<Point> solved(const Gap& gap, Point value) {
    const double det = cross(gap.byIn, gap.byOut);
    if (!(std::abs(det) > 1e-300)) return std::nullopt;
    return Point{cross(value, gap.byOut) / det, cross(gap.byIn, value) / det};
  }

  std::optional<CornerFit> solvedAt(double radius, double in, double out) const {
    constexpr int mostSteps = 30;
    constexpr double leastStretch = 0.01;
    const double close = 1e-14 * (in_.length() + out_.length());
    for (int i = 0; i < mostSteps; ++i) {
      const Gap gap = gapAt(in, out, radius);
      if (gap.stretchIn < leastStretch || gap.stretchOut < leastStretch) return std::nullopt;
      const auto by = solved(gap, gap.value);
      if (!by) return std::nullopt;
      const double newIn = std::clamp(in - by->x, 0.0, in_.end()), newOut = std::clamp(out - by->y, 0.0, out_.end());
      const bool still = std::abs(newIn - in) + std::abs(newOut - out) < 1e-15 * (1 + in + out);
      in = newIn;
      out = newOut;
      const double left = length(gapAt(in, out, radius).value);
      if (left > close && !(still && left < 1e3 * close)) continue;
      const Point a = in_.direction(in);
      const Point centre = in_.at(in) + Point{-a.y, a.x} * (turn_ * radius);
      return CornerFit{{in, in_.lengthTo(in)}, {out, out_.lengthTo(out)}, radius, centre};
    }
    return std::nullopt;
  }

  CornerFit rounded(double radius, double mostIn, double mostOut) const {
    const double perLength = std::tan(angle_ / 2);  // radius by length of a straight side
    // Between straight edges there is a formula.
    const double straight = radius / perLength;
    const auto lineFits = [&](const CurveChain& side) {
      return isLine(side.curve(0)) && straight <= distance(side.curve(0)[0], side.curve(0)[3]);
    };
    if (straight <= mostIn && straight <= mostOut && lineFits(in_) && lineFits(out_)) {
      const Trim in{straight / distance(in_.curve(0)[0], in_.curve(0)[3]), straight},
          out{straight / distance(out_.curve(0)[0], out_.curve(0)[3]), straight};
      const Point a = in_.direction(0);
      return {in, out, radius, in_.at(in.place) + Point{-a.y, a.x} * (turn_ * radius)};
    }
    // From a radius that hardly leaves the corner up to the one that is wanted, or the last one that fits.
    CornerFit best;
    const double smallest = std::min(radius, 1e-3 * std::min(mostIn, mostOut) * perLength);
    double now = smallest, step = smallest;
    double in = in_.placeAt(now / perLength), out = out_.placeAt(now / perLength);
    const double finest = 1e-12 * radius;
    while (true) {
      const auto fit = solvedAt(now, in, out);
      if (fit && isWithin(*fit, mostIn, mostOut) && isOnTheWay(best, *fit)) {
        best = *fit;
        if (now >= radius) return best;
        step = std::min({step * 1.6, now, radius - now});
      } else {
        step /= 2;
        if (step < finest || (best.size == 0 && step < 1e-6 * smallest)) return best;
      }
      // Newton's method starts from where the places are heading.
      const double from = best.size > 0 ? best.size : 0;
      now = from > 0 ? std::min(radius, from + step) : step;
      if (from > 0) {
        const Gap gap = gapAt(best.in.place, best.out.place, from);
        const auto by = solved(gap, gap.byRadius * (now - from));
        in = std::clamp(best.in.place - (by ? by->x : 0), 0.0, in_.end());
        out = std::clamp(best.out.place - (by ? by->y : 0), 0.0, out_.end());
      } else {
        in = in_.placeAt(now / perLength);
        out = out_.placeAt(now / perLength);
      }
    }
  }

  /// The touching places go steadily away from the corner.
  static bool isOnTheWay(const CornerFit& before, const CornerFit& after) {
    return after.in.place > before.in.place && after.out.place > before.out.place;
  }

  CornerKind kind_;
  const CurveChain &in_, &out_;
  double turn_ = 1, angle_ = 0;
};

}  // namespace

CornerFit fittedCorner(const Corner& wanted, const CurveChain& in, const CurveChain& out, double mostIn,
                       double mostOut) {
  return Fitter(wanted.kind, in, out).fitted(wanted.size, mostIn, mostOut);
}

}  // namespace widecut

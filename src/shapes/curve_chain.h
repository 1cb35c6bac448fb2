// Curves that follow one another smoothly, as one.
#pragma once

#include <vector>

#include "geometry/curve.h"

namespace widecut {

/// Places are numbered along it: 2.25 is a quarter along the third curve.
class CurveChain {
 public:
  CurveChain() = default;
  explicit CurveChain(std::vector<Bezier> curves);

  double end() const { return static_cast<double>(curves_.size()); }
  double length() const { return starts_.empty() ? 0 : starts_.back(); }
  const Bezier& curve(std::size_t i) const { return curves_[i]; }
  Point at(double place) const;
  Point derivative(double place) const;
  Point direction(double place) const;
  double curvature(double place) const;
  /// The length up to a place, and the place of a length.
  double lengthTo(double place) const;
  double placeAt(double along) const;
  /// The first place this far from where the chain starts, as the crow flies; its end when it never is.
  double firstAtDistance(double distance) const;
  CurveChain reversed() const;

 private:
  std::pair<std::size_t, double> split(double place) const;
  std::vector<Bezier> curves_;
  std::vector<double> starts_;  ///< Lengths up to each curve, and of all of them.
};

}  // namespace widecut

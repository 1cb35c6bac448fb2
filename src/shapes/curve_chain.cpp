#include "shapes/curve_chain.h"

#include <algorithm>

namespace widecut {

CurveChain::CurveChain(std::vector<Bezier> curves) : curves_(std::move(curves)), starts_{0} {
  for (const Bezier& c : curves_) starts_.push_back(starts_.back() + arcLength(c));
}

std::pair<std::size_t, double> CurveChain::split(double place) const {
  const double whole = std::clamp(std::floor(place), 0.0, end() - 1);
  return {static_cast<std::size_t>(whole), std::clamp(place - whole, 0.0, 1.0)};
}

Point CurveChain::at(double place) const {
  const auto [i, t] = split(place);
  return pointOn(curves_[i], t);
}
Point CurveChain::derivative(double place) const {
  const auto [i, t] = split(place);
  return widecut::derivative(curves_[i], t);
}
Point CurveChain::direction(double place) const {
  const auto [i, t] = split(place);
  return widecut::direction(curves_[i], t);
}
double CurveChain::curvature(double place) const {
  const auto [i, t] = split(place);
  return widecut::curvature(curves_[i], t);
}

double CurveChain::lengthTo(double place) const {
  const auto [i, t] = split(place);
  return starts_[i] + arcLength(curves_[i], 0, t);
}

double CurveChain::placeAt(double along) const {
  const auto after = std::upper_bound(starts_.begin() + 1, starts_.end() - 1, along);
  const auto i = static_cast<std::size_t>(after - starts_.begin()) - 1;
  return static_cast<double>(i) + parameterAtLength(curves_[i], along - starts_[i]);
}

double CurveChain::firstAtDistance(double wanted) const {
  const Point start = at(0);
  constexpr int steps = 16;
  double before = 0;
  for (int i = 1; i <= steps * static_cast<int>(curves_.size()); ++i) {
    const double place = static_cast<double>(i) / steps;
    if (distance(start, at(place)) < wanted) {
      before = place;
      continue;
    }
    double low = before, high = place;
    for (int k = 0; k < 60; ++k) {
      const double middle = (low + high) / 2;
      (distance(start, at(middle)) < wanted ? low : high) = middle;
    }
    return high;
  }
  return end();
}

CurveChain CurveChain::reversed() const {
  CurveChain out;
  for (auto c = curves_.rbegin(); c != curves_.rend(); ++c) out.curves_.push_back(widecut::reversed(*c));
  out.starts_.push_back(0);
  for (std::size_t i = starts_.size() - 1; i > 0; --i)
    out.starts_.push_back(out.starts_.back() + starts_[i] - starts_[i - 1]);
  return out;
}

}  // namespace widecut

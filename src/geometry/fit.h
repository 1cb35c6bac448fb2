// Curves through, or near, many places: the fewest cubics within a tolerance.
#pragma once

#include <optional>
#include <span>
#include <vector>

#include "geometry/curve.h"
#include "geometry/outline.h"

namespace widecut {

/// A place to pass, and the direction of the way there.
struct Sample {
  Point at;
  Point way;  ///< Of length 1.
};

/// One cubic from the first sample to the last with their directions, and how far it stays away from the others.
struct CubicFit {
  Bezier curve;
  double error = 0;
};
/// The lengths of the two handles by least squares: Gauss and Newton's method on the distances along the normals at the
/// feet of the samples, which are found anew after each step (reparametrisation; J. Hoschek, “Intrinsic parametrization
/// for approximation”, 1988). Handles never point backwards. At least two samples; it is content with an error of
/// `enough`.
CubicFit fittedCubic(std::span<const Sample> samples, double enough = 0);

/// Smooth cubics that stay within `tolerance` (> 0) of the samples, from the first to the last. Each goes on for as far
/// as one reaches, so that they are few; then they are evened out: by the least tolerance that needs no more of them.
/// Nodes are samples.
std::vector<Bezier> fittedCurves(std::span<const Sample> samples, double tolerance);

/// A contour of fewer nodes, and how far the old one lies from it at most.
struct Simplified {
  Contour contour;
  double error = 0;
};
/// The contour with fewer nodes, within `tolerance` (> 0) of what it was. Corners stay where they are: nodes at which
/// it turns sharply, seen from four tolerances before to four after; smaller kinks and wobbles are evened out. So do
/// edges that are straight.
Simplified simplified(const Contour& contour, double tolerance);

/// A stroke, as a hand draws it, as a contour within `tolerance` of its places, which turns sharply where the stroke
/// does. Nothing for fewer than two places that differ.
std::optional<Contour> fittedStroke(std::span<const Point> places, bool closed, double tolerance);

}  // namespace widecut

// Draws contours step by step.
#pragma once

#include "geometry/outline.h"

namespace widecut {

/// A point of the unit circle: angle 0 is at the top, positive ones go clockwise on the sheet.
/// Exactly on an axis after quarter turns.
inline Point around(double angle) {
  constexpr double rounding = 1e-15;
  const double x = std::sin(angle), y = -std::cos(angle);
  return {std::abs(x) < rounding ? 0 : x, std::abs(y) < rounding ? 0 : y};
}
/// Where around() is going.
inline Point aroundStep(double angle) {
  const Point p = around(angle);
  return {-p.y, p.x};
}
/// How long the handles of an arc through this angle are, in radii: 4/3·tan(angle/4).
inline double arcHandle(double angle) { return 4.0 / 3 * std::tan(angle / 4); }
/// Into how many segments an arc is cut: none through more than a quarter turn.
int arcSteps(double angle);

/// A contour that is being drawn. Lines to where it is already are left out.
class ContourMaker {
 public:
  explicit ContourMaker(Point start) : at_(start) { contour_.start = start; }
  Point at() const { return at_; }
  ContourMaker& line(Point to);
  ContourMaker& curve(Point handle1, Point handle2, Point to);
  /// The arc of an ellipse between two angles of around(), with a line to its beginning where it is elsewhere.
  ContourMaker& arc(Point centre, double rx, double ry, double from, double to);
  /// Goes on along an open run, with a line to its beginning.
  ContourMaker& run(const Contour& open);
  Contour closed();
  Contour open() { return contour_; }

 private:
  Contour contour_;
  Point at_;
};

/// The box with round corners, as far as there is room for them; from its top left corner.
Contour roundedBox(const Box& box, double radius);
Contour ellipseContour(Point centre, double rx, double ry);
/// The contour the other way round, as a hole has to run.
Contour reversed(const Contour& contour);
/// A contour through corners, each rounded by a share (0…1) of the halves of its edges.
Contour softened(const std::vector<Point>& corners, const std::vector<double>& shares);
/// The part of a segment between two parameters.
Segment part(Point start, const Segment& segment, double from, double to);

}  // namespace widecut

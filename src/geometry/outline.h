// Outlines: contours of lines and Bézier curves.
#pragma once

#include <array>
#include <vector>

#include "geometry/affine.h"

namespace widecut {

enum class SegmentKind : unsigned char { Line, Quadratic, Cubic };

/// One step of a contour, from the node before it to `end`. Lines use no handle, quadratics `handle1`
/// alone, cubics both; the unused handles are zero so that equal segments compare equal.
struct Segment {
  SegmentKind kind = SegmentKind::Line;
  Point handle1{};
  Point handle2{};
  Point end{};
  bool operator==(const Segment&) const = default;

  static Segment line(Point end) { return {SegmentKind::Line, {}, {}, end}; }
  static Segment quadratic(Point handle, Point end) { return {SegmentKind::Quadratic, handle, {}, end}; }
  static Segment cubic(Point handle1, Point handle2, Point end) { return {SegmentKind::Cubic, handle1, handle2, end}; }
};

/// A run of segments from `start`. A closed contour ends where it starts: when the last segment ends
/// elsewhere, a straight edge back to `start` is understood.
struct Contour {
  Point start{};
  std::vector<Segment> segments;
  bool closed = true;
  bool operator==(const Contour&) const = default;
};

/// Which points count as inside when contours overlap.
enum class FillRule : unsigned char { Nonzero, EvenOdd };

/// The contours of one shape, holes included.
struct Outline {
  std::vector<Contour> contours;
  bool operator==(const Outline&) const = default;
  bool isEmpty() const { return contours.empty(); }
};

/// A segment together with the node it starts from, raised to the four points of a cubic.
std::array<Point, 4> asCubic(Point start, const Segment& segment);
/// The point at parameter t (0…1) of a segment that starts at `start`.
Point pointAt(Point start, const Segment& segment, double t);

Outline transformed(const Outline& outline, const Affine& map);
/// The tight box: extrema of curves, not of handles.
Box bounds(const Outline& outline);
/// The box of a segment's points, handles included: it holds the segment.
Box hull(Point start, const Segment& segment);
/// True when every coordinate is a finite number.
bool isFinite(const Outline& outline);
/// Green's integral of the outline: positive for contours that run clockwise on the sheet. Exact for
/// polynomials; overlapping contours add up.
double signedArea(const Outline& outline);

struct OutlineCounts {
  int nodes = 0;
  int curves = 0;
  int contours = 0;
};
OutlineCounts counts(const Outline& outline);
/// The starts and ends of segments that are kept of it.
std::size_t storedNodes(const Outline& outline);
/// What it takes of memory, in bytes.
std::size_t storedBytes(const Outline& outline);

/// Straight runs along each contour, nowhere further than `tolerance` (> 0) from the curve.
/// The closing point is not repeated.
std::vector<std::vector<Point>> flattened(const Outline& outline, double tolerance);
/// The closed outline through these corners.
Outline polygon(const std::vector<Point>& corners);
/// True when p is inside by the rule. Points on the edge may count either way.
bool isInside(const Outline& outline, FillRule rule, Point p);
/// How far p is from the nearest point of the outline's edge, to within `tolerance`.
double edgeDistance(const Outline& outline, Point p, double tolerance);

}  // namespace widecut

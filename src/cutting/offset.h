// Outlines moved outwards or inwards, and the outline of a drawn line.
#pragma once

#include <vector>

#include "cutting/operand.h"
#include "geometry/problem.h"

namespace widecut {

/// How two pieces of a line meet at a corner.
enum class Join : unsigned char { Mitre, Round, Bevel };
/// How a line ends.
enum class Cap : unsigned char { Butt, Round, Square };
/// Where a line lies on a closed outline.
enum class Alignment : unsigned char { Centre, Inside, Outside };

/// The ways a line is drawn. Lengths in points.
struct LineShape {
  double width = 1;  ///< > 0
  Join join = Join::Mitre;
  /// A mitre longer than this many half-widths becomes a bevel; ≥ 1.
  double mitreLimit = 4;
  Cap cap = Cap::Butt;
  /// Lengths drawn and left out in turn; empty for a whole line. All ≥ 0 with a positive sum.
  std::vector<double> dashes;
  double dashStart = 0;  ///< Where in the dashes the line begins.
  /// For closed outlines; open ones are always centred.
  Alignment alignment = Alignment::Centre;
  bool operator==(const LineShape&) const = default;
};

/// How far an offset curve may stray from the true one, as a share of the distance (at least 1e-6 points).
inline constexpr double offsetPrecision = 3e-4;

/// The outline grown by `distance` points, or shrunk when it is negative. Corners that open are joined as asked.
/// Offsets of curves are cubics within offsetPrecision of the true curve.
/// Refuses what is not finite and distances beyond 1e6 points.
Result<Outline> offset(const Operand& shape, double distance, Join join = Join::Mitre, double mitreLimit = 4);

/// The box of what a line covers, mitres included, without cutting anything. Widths of 0 and less give the outline's
/// box.
Box lineBounds(const Outline& outline, const LineShape& line);

/// The area that the line along every contour covers. Open contours get caps.
Result<Outline> lineOutline(const Operand& shape, const LineShape& line);

}  // namespace widecut

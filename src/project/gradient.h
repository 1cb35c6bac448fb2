// Gradients and hatches: what fills that are neither one colour nor a picture are made of.
#pragma once

#include <vector>

#include "geometry/affine.h"
#include "project/colour.h"

namespace widecut {

/// A colour of a gradient, and where along it: 0…1.
struct GradientStop {
  double at = 0;
  Colour colour;
  bool operator==(const GradientStop&) const = default;
};

enum class GradientKind : unsigned char { Linear, Radial, Conical };
/// What a gradient is laid over: the item, what the item is in (on the sheet, or outermost), or the sheet.
enum class Reach : unsigned char { Item, Whole, Sheet };

/// Colours that run into one another. Beyond its ends the last colours go on.
struct Gradient {
  GradientKind kind = GradientKind::Linear;
  Reach reach = Reach::Item;
  /// Its line, in shares of the box of what it reaches over. A radial one runs from its middle outwards; a conical one
  /// round `from`, clockwise, beginning towards `to`.
  Point from{0, 0.5}, to{1, 0.5};
  double across = 1;                ///< Of a radial one: its width across the line, as a share of that along it. > 0
  std::vector<GradientStop> stops;  ///< Ascending; two at least.
  bool eased = false;               ///< Slower near every stop, so that none shows as an edge.
  bool operator==(const Gradient&) const = default;

  /// The map from gradient space, where the line runs from (0, 0) to (1, 0), given that from the unit square of what it
  /// reaches over.
  Affine placed(const Affine& fromUnit) const;
};

/// The same gradient by stops between which plain mixing of sRGB will do: colours mix in OKLab, so stops are added
/// until a quarter, half and three quarters of the way between two are within 1 of 255 of what is meant, or 64 pieces
/// are made.
std::vector<GradientStop> plainStops(const std::vector<GradientStop>& stops, bool eased);
/// The colour there, by OKLab. Two stops at one place are an edge, where the later one counts.
Colour colourAt(const std::vector<GradientStop>& stops, bool eased, double at);
/// The stops of a gradient between two colours.
std::vector<GradientStop> twoStops(Colour from, Colour to);

enum class HatchKind : unsigned char { Lines, Dots };
/// Lines or dots at a pitch, over the item.
struct Hatch {
  HatchKind kind = HatchKind::Lines;
  Colour colour;
  double pitch = 6;     ///< Points from one to the next, > 0.
  double share = 0.4;   ///< Width or diameter, as a share of the pitch: 0…1, and for dots up to 1.4.
  double turnDeg = 45;  ///< Of the lines, clockwise; of the rows of dots.
  bool operator==(const Hatch&) const = default;
};

}  // namespace widecut

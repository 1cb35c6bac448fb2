// Where inside an outline a line of words has room.
#pragma once

#include <optional>
#include <utility>
#include <vector>

#include "geometry/curve.h"
#include "geometry/outline.h"

namespace widecut {

/// Where lines go on beside something that they keep clear of: on both sides; left or right of it; on the side with
/// more room; only above and below it.
enum class ClearSide : unsigned char { Both, Left, Right, Wider, AboveAndBelow };

/// The inside of an outline by the nonzero rule, cut into pieces that rise or fall all along, so that the room between
/// two heights is found from their true places.
class Region {
 public:
  explicit Region(const Outline& outline);

  /// Takes the inside of something else away, and what is on the wrong side of it. Its contours may cross.
  void keepClearOf(const Outline& outline, ClearSide side);

  using Stretch = std::pair<double, double>;
  /// The stretches of x that are inside at every height from `top` to `bottom` (top < bottom), from left to right.
  std::vector<Stretch> free(double top, double bottom) const;
  /// The stretch of x that the edge reaches between two heights; nothing where there is none of it.
  std::optional<Stretch> reach(double top, double bottom) const;
  const Box& box() const { return box_; }

 private:
  struct Piece {
    Bezier curve;  ///< Its y does not turn back.
    double top, bottom;
    bool isLine;
  };
  /// The x that a piece reaches between two heights.
  static Stretch reach(const Piece& piece, double top, double bottom);
  /// What is between two heights, from left to right.
  struct Row {
    std::vector<Stretch> inside;  ///< The stretches that are inside at every height.
    std::vector<Stretch> taken;   ///< Those that are inside, or on the edge, at some height.
  };
  Row row(double top, double bottom) const;

  std::vector<Piece> pieces_;
  Box box_;
  std::vector<std::pair<Region, ClearSide>> clear_;
};

}  // namespace widecut

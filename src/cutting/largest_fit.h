// Zones of a picture laid whole into a window, as large as they go.
#pragma once

#include <optional>
#include <span>
#include <vector>

#include "cutting/operand.h"

namespace widecut {

/// A picture that is scaled and shifted behind a window until its zones lie whole in it: places p of the picture come
/// to scale · turned(p) + shift.
struct FitTask {
  std::vector<Operand> windows;  ///< What the picture is seen through: all of them together.
  std::vector<Outline> zones;    ///< On the picture. At least one, all with an area.
  Affine turned;                 ///< A turn, with a mirroring or without: no scale, no shift.
  std::optional<Box> picture;    ///< The picture itself, where it has to cover `covered`.
  std::vector<Point> covered;    ///< Where the windows lie.
};

struct LargestFit {
  double scale = 1;
  Point shift;
};

/// The largest scale at which every zone lies whole in what the windows have together; at that scale in the middle of
/// what room there is. The true outlines count: each zone may lie in another window, and none reaches over a hole or a
/// gap; a hundred-thousandth of their sizes is left as room. Found by branch and bound over scale and shift: a range of
/// both is left out where some place of a zone's edge lies further outside than it can move within the range, or an
/// edge of the windows lies further inside a zone. What is left once better scales than that by more than a thousandth
/// are ruled out grows from the middle of its room for as long as it can. Where `mostRanges` ranges do not rule them
/// out, the best one that was found; nothing where none was.
std::optional<LargestFit> largestFit(const FitTask& task, int mostRanges = 60'000);

/// The share (0…1) of a zone's area that lies in what the windows have together.
double shareSeen(const Outline& zone, std::span<const Operand> windows);

}  // namespace widecut

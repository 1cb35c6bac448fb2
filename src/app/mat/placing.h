// What the fields of a selection's place speak of, and what they change.
#pragma once

#include <functional>

#include "app/desk/pivot.h"
#include "app/mat/selection_frame.h"

namespace widecut {

/// The box on the sheet for x and y, the frame's own size for width and height.
struct Placing {
  Box onSheet;
  double width = 0, height = 0;
  std::optional<double> turnDeg;  ///< Of one item.
};
Placing placingOf(const Project& project, const std::vector<Id>& ids);

/// Where x and y are measured: the pivot, or usually the top left corner of the box.
Point measuredPoint(const Placing& placing, const Pivot& pivot);

enum class Together : bool { No, Yes };
/// Whether words in a frame are scaled with it, or broken anew to its size.
enum class Frames : bool { Scaled, Resized };
/// The items after a map of the frame's own space, about the pivot or else about `usual` (a place of the box); all as
/// one, or each in its own frame about its own place.
Project withFrameMap(const Project& project, const std::vector<Id>& ids, const Pivot& pivot, PivotPlace usual,
                     Together together, const std::function<Affine(const SelectionFrame&)>& map,
                     Frames frames = Frames::Scaled);

}  // namespace widecut

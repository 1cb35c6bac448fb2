// The photos of the whole project: where they are used, and what is put in their place.
#pragma once

#include <functional>

#include "project/model.h"

namespace widecut {

/// The node that the project has of a medium, so that each is in memory once; the medium itself where it has none.
MediumPtr mediumIn(const Project& project, const MediumPtr& medium);

/// Calls `change` for a node of each medium with this hash, a video's file included; the others stay as they are.
Project withMediumChanged(const Project& project, const std::string& hash,
                          const std::function<void(Medium& medium)>& change);
/// The media that are referred to, and are not there: their bytes are unknown. Each once.
std::vector<MediumPtr> missingMedia(const Project& project);

/// One photo of the project.
struct MediumUse {
  MediumPtr medium;
  std::vector<Id> items;  ///< Those that it fills, in the order of sheets and from back to front.
  /// The largest size at which a pixel of it is shown, in points; 0 where it fills copies of a repeat alone.
  double pointsPerPixel = 0;
};
/// All photos that the project shows, covered ones included, in the order in which they come up first.
std::vector<MediumUse> mediaUsed(const Project& project);

/// Where a photo lies that takes the place of another: by their subjects, where both have some, so that those of the
/// new one lie and are as large as those of the other; or else middle on middle, just covering what the other covered.
/// A map from the new one's pixels to the other's.
Affine inPlaceOf(const Medium& was, const std::vector<Subject>& subjectsWas, const Medium& now,
                 const std::vector<Subject>& subjectsNow);
/// Another photo, or video, everywhere in the place of one; frames, adjustments and sharing stay. It goes on covering
/// the frames that were covered.
Project withMediumReplaced(const Project& project, const Medium& was, const MediumPtr& now);

}  // namespace widecut

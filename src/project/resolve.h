// What an item's form comes to: recipes worked out, memoised by node identity.
#pragma once

#include "project/model.h"

namespace widecut {

/// An outline with its box, in the frame space of the item it belongs to.
struct Resolved {
  Outline outline;
  Box box;
};

/// The outline an item shows. Nested recipes are evaluated as one formula over all their visible parts.
/// The same form node gives the same object for as long as anything uses it. Safe from several threads.
std::shared_ptr<const Resolved> resolved(const Item& item);

/// The box of the item in its parent's space: of its outline, lines not counted.
Box boxInParent(const Item& item);

/// The photo that shows in an item, and where it lies in the item's frame space. For a cutout that shows
/// a part's photo this is that part's; nothing when no photo shows.
struct ShownPhoto {
  std::string medium;
  Affine pixelsToFrame;
  double pointsPerPixel = 1;
};
std::optional<ShownPhoto> shownPhoto(const Item& item, const Media& media);
/// The same as a fill that the item could have of its own, in register.
std::optional<PhotoFill> shownFill(const Item& item, const Media& media);

}  // namespace widecut

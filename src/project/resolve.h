// What an item's form comes to, memoised by node identity.
#pragma once

#include "project/model.h"
#include "shapes/nodes.h"

namespace widecut {

/// An outline with its box, in the frame space of the item it belongs to.
struct Resolved {
  Outline outline;
  Box box;
  /// Of a form whose corners are treated once its children are cut: before that.
  std::optional<Outline> sharp = {};
};

/// The outline of an item: what recipes, hit testing and the knife see of it. Forms inside one another are worked out
/// as one formula over all their visible outlines. The same form node gives the same object for as long as anything
/// uses it. Safe from several threads.
std::shared_ptr<const Resolved> resolved(const Form& form);
inline std::shared_ptr<const Resolved> resolved(const Item& item) { return resolved(item.form); }

/// True for a repeat, or what holds one, of so many copies that working out what they cover together takes too long to
/// be only looked at: then the box stands for it.
bool isCrowd(const Item& item);

/// The nodes at whose corners an item can be treated, with what is done to them: its own, and a cutout's, as it is
/// before. Nothing for others.
std::optional<NodePaths> corneredPaths(const Item& item);

/// What the memo tells forms apart by.
std::shared_ptr<const void> nodeOf(const Form& form);

/// The box of the item's outline in its frame space; of words in a text frame, that frame. Of groups and repeats it is
/// known without their outline.
Box boxInFrame(const Item& item);
/// The box of the item in its parent's space: of its outline, lines not counted.
Box boxInParent(const Item& item);

/// The box of an item, its lines not counted, through a map from its parent's space: exact where that only shifts.
Box boxThrough(const Item& item, const Affine& map);
/// The same on the sheet; empty when there is no such item.
Box boxOnSheet(const Project& project, Id item);

/// The photo that shows in an item, and where it lies in the item's frame space. For a cutout that shows
/// a part's photo this is that part's; nothing when no photo shows.
struct ShownPhoto {
  MediumPtr medium;
  Affine pixelsToFrame;
  double pointsPerPixel = 1;
  FramingHabits habits = {};
  AdjustmentsPtr adjustments = nullptr;
  PlayingPtr playing = nullptr;
};
std::optional<ShownPhoto> shownPhoto(const Item& item);
/// The photo of one of the item's fills; nothing for a colour.
std::optional<ShownPhoto> photoIn(const Item& item, const Fill& fill);
/// The same as a picture that the item could have of its own, in register.
std::optional<Picture> shownPicture(const Item& item);
/// True when the item is filled by a picture, its own or a part's.
bool showsPicture(const Item& item);

/// The style that an outline made from the item takes: its own or, when it has none and only shows what is inside it,
/// that of the frontmost visible item there.
const StylePtr& lookOf(const Item& item);

}  // namespace widecut

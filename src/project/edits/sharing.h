// One photo behind several frames: it lies on the sheet, and each frame looks at the part of it that is behind it.
#pragma once

#include <functional>
#include <span>
#include <vector>

#include "project/framing.h"

namespace widecut {

/// The number of the shared photo that shows in the item; 0 for none, and for one of its own.
Id shareOf(const Item& item);
/// The items that show the same shared photo, from back to front, this one included: on its sheet or, where it is
/// shared over sheets, sheet by sheet of its piece. Only this one where it shows a photo of its own.
std::vector<Id> sharersOf(const Project& project, Id item);
/// The items, and those that share photos with them, each once.
std::vector<Id> withSharersOf(const Project& project, std::span<const Id> items);
/// What they take up together, on the sheet.
Box boxOfSharers(const Project& project, Id item);
/// All outlines that show that photo, on the sheet; they may overlap.
Outline windowOnSheet(const Project& project, Id item);
/// Where the photo that shows in the item lies on the sheet; nothing for items without one.
std::optional<Framing> framingOnSheet(const Project& project, Id item);

/// The photo of one of the items behind all of them, just covering what they take up together; frames that shared
/// another one leave it. Nothing changes for fewer than two items, or where `source` shows none.
Project withSharedPhoto(const Project& project, std::span<const Id> items, Id source);
/// The photo of an item behind whole sheets of its piece too, bleed included, as an item at the back of each that
/// shares it; behind its own where none of them is said. The photo stays where it is, or grows about there until it
/// covers them. `made` receives the new items; nothing changes where no photo shows.
Project withPhotoBehindSheets(const Project& project, Id item, std::span<const Id> sheets, std::vector<Id>& made);
/// The photos of the items shared over all sheets of their pieces, so that they lie at one place of each, or on their
/// own sheets alone: then those on other sheets keep what they show. One that no other frame shares yet may be.
Project withPhotosOverSheets(const Project& project, std::span<const Id> items, bool on);
/// Photos that stay where they are, but are the items' own from then on.
Project withPhotosOfTheirOwn(const Project& project, std::span<const Id> items);

/// A change of a framing in a frame; both are on the sheet for shared photos, and in the item's frame space for others.
using FramingChange = std::function<void(Framing& framing, const Box& frame, const Medium& medium)>;
/// The framings of the photos that show in the items, each shared one changed once for all its frames. It goes on
/// covering them where it does not lie freely.
Project withFramings(const Project& project, std::span<const Id> items, const FramingChange& change);
/// Photos grown and shifted as little as they need to cover their frames, where they do not lie freely.
Project withPhotosCovering(const Project& project, std::span<const Id> items);
/// The project after the items, with all that is inside of them, were mapped by a similarity of the sheet: a shared
/// photo all of whose frames went goes along, though it may cover them no more than before; where some stayed, those
/// inside groups and cutouts look at another part of it, as the items themselves do.
Project withSharesFollowing(const Project& before, const Project& after, std::span<const Id> items,
                            const Affine& sheetMap);

/// The item after its frame changed from what it was before: a photo that it shares is where it was.
Item withShareKept(const Item& before, Item after);

}  // namespace widecut

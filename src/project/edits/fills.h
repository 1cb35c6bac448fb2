// Edits of what fills items: colours and photos.
#pragma once

#include <functional>
#include <span>

#include "project/framing.h"
#include "project/model.h"

namespace widecut {

/// The photo put into the item: it covers the outline. Where it and the photo that showed there have subjects, those
/// lie where the others lay. A photo that the project has already is kept once.
Project withPhotoIn(const Project& project, Id item, const MediumPtr& photo);
/// A new photo item: the whole picture as a frame, as large as fits `within` (sheet space), centred.
Project withPhotoItem(const Project& project, Id sheet, const MediumPtr& photo, const Box& within, Id& made);
/// The fill colour of the items, or none. A photo that shows, of the item's own or of one of its parts, makes way.
Project withFill(const Project& project, std::span<const Id> items, std::optional<Colour> colour);

/// The colours of fill and outline changed for one another. What has no outline gets one of `width` points and loses
/// its fill; what has no fill gets one and loses its outline. Pictures stay, and so do items without either.
Project withPaintSwapped(const Project& project, std::span<const Id> items, double width);
/// The picture at the place nearest to where it is, and as large, that covers the item.
Picture keptCovering(Picture picture, const Item& item);
/// Calls `change` for the picture that shows in each of the items; of a cutout that shows a part's, for that part.
Project withPictures(const Project& project, std::span<const Id> items,
                     const std::function<void(Picture& picture, const Item& item)>& change);
/// The pictures fitted into their frames; `ppi` is for true pixels.
Project withFit(const Project& project, std::span<const Id> items, Fit fit, double ppi);
/// What is seen of the pictures mirrored left to right, in frames that stay.
Project withPicturesMirrored(const Project& project, std::span<const Id> items);
Project withHabits(const Project& project, std::span<const Id> items,
                   const std::function<void(FramingHabits&)>& change);
/// The picture of an item turned about the middle of its frame, by radians clockwise.
Project withPictureTurned(const Project& project, Id item, double turn);
/// The photos adjusted further.
Project withAdjustments(const Project& project, std::span<const Id> items,
                        const std::function<void(Adjustments&)>& change);
/// The picture of the item moved by a similarity of the sheet. It goes on covering its frame. When a cutout shows
/// a part's photo, that part moves.
Project withReframing(const Project& project, Id item, const Affine& sheetMap);

}  // namespace widecut

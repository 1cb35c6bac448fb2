#include "project/edits/fills.h"

#include <algorithm>

#include "project/edits/media.h"
#include "project/edits/places.h"
#include "project/edits/sharing.h"
#include "project/edits/subjects.h"
#include "project/edits/tree.h"
#include "project/forms/form.h"
#include "project/framing.h"
#include "project/limits.h"
#include "project/resolve.h"

namespace widecut {
namespace {

/// The gradient that fills, where it is the frontmost that is no picture.
const Gradient* frontGradient(const Style& style) {
  for (auto fill = style.fills.rbegin(); fill != style.fills.rend(); ++fill)
    if (!isPicture(*fill)) return std::get_if<Gradient>(&fill->paint);
  return nullptr;
}

/// The part after a map of its cutout's space; where the part covered the window before, it does so after.
Item reframedPart(const Item& part, const Affine& map, const Box& window) {
  const bool covered = boxInParent(part).grown(1e-6).contains(window);
  Item moved = mapped(part, map);
  Box box = boxInParent(moved);
  if (!covered || window.isEmpty() || !(box.width() > 0 && box.height() > 0)) return moved;
  const double grow = std::max({1.0, window.width() / box.width(), window.height() / box.height()});
  if (grow > 1) moved = mapped(moved, Affine::scale(grow, grow).about(box.centre()));
  box = boxInParent(moved);
  const auto shift = [](double low, double high, double wantLow, double wantHigh) {
    return std::min(0.0, wantLow - low) + std::max(0.0, wantHigh - high);
  };
  moved.position = moved.position + Point{shift(box.low.x, box.high.x, window.low.x, window.high.x),
                                          shift(box.low.y, box.high.y, window.low.y, window.high.y)};
  return moved;
}

/// The cutout with the part whose picture it shows moved. The window that the picture has to cover is the cutout
/// without that part.
Item withPartReframed(const Item& cutout, Id part, const Affine& map) {
  ItemList children = childrenOf(cutout);
  for (std::size_t i = 0; i < children.size(); ++i) {
    const ItemPtr before = children[i];
    if (before->id != part) continue;
    Item unseen = *before;
    unseen.hidden = true;
    children.set(i, std::make_shared<const Item>(std::move(unseen)));
    const Box window = boxInFrame(*withChildren(cutout, children));
    children.set(i, std::make_shared<const Item>(reframedPart(*before, map, window)));
  }
  return *withChildren(cutout, std::move(children));
}

/// The picture that shows, of an item that has one of its own.
Picture& frontPicture(Item& item) {
  const auto place = static_cast<std::size_t>(pictureFillOf(*item.style) - item.style->fills.data());
  return std::get<Picture>(changeable(item).fills[place].paint);
}

}  // namespace

Project withPaintSwapped(const Project& project, std::span<const Id> items, double width) {
  return withEach(project, items, [&](const Item& item) {
    const auto fill = colourOf(*item.style);
    const std::optional<Line> line = lineOf(*item.style) ? std::optional(*lineOf(*item.style)) : std::nullopt;
    if (showsPicture(item) || (!fill && !line)) return item;
    const auto lineColour = line ? std::optional(line->colour) : std::nullopt;
    const double lineWidth = line ? line->shape.width : width;
    Item out = item;
    Style& style = changeable(out);
    const auto* gradient = frontGradient(*item.style);
    Line kept = line ? *line : Line{};
    kept.shape.width = lineWidth;
    kept.colour = fill.value_or(Colour{});
    kept.colours = gradient ? std::optional(LineColours{gradient->stops, false}) : std::nullopt;
    const auto before = line ? line->colours : std::nullopt;
    setColour(style, lineColour);
    if (before) style.fills = {Fill{Gradient{.stops = before->stops}}};
    setLine(style, fill ? std::optional(std::move(kept)) : std::nullopt);
    return out;
  });
}

Picture keptCovering(Picture picture, const Item& item) {
  if (picture.share != 0) return picture;  // it covers all its frames together
  picture.framing = keptCovering(picture.framing, boxInFrame(item), picture.medium->width, picture.medium->height);
  return picture;
}

Project withPhotoIn(const Project& project, Id id, const MediumPtr& photo) {
  const MediumPtr medium = mediumIn(project, photo);
  return withItem(project, id, [&](const Item& item) {
    Item out = item;
    Picture placed{medium, coveringFraming(boxInFrame(item), medium->width, medium->height)};
    if (const auto before = shownPhoto(item)) {
      const auto& was = subjectsOf(project, *before->medium);
      const auto& now = subjectsOf(project, *medium);
      if (!was.empty() && !now.empty()) {
        placed.framing = framingOf(before->pixelsToFrame * inPlaceOf(*before->medium, was, *medium, now), medium->width,
                                   medium->height, before->habits);
        placed = keptCovering(std::move(placed), item);
      }
    }
    setPicture(changeable(out), placed);
    return out;
  });
}

Project withPhotoItem(const Project& project, Id sheet, const MediumPtr& photo, const Box& within, Id& made) {
  const MediumPtr medium = mediumIn(project, photo);
  const Medium& m = *medium;
  const double scale = std::min(within.width() / m.width, within.height() / m.height);
  const Point half{m.width * scale / 2, m.height * scale / 2};
  std::string name = shortened(m.name.substr(0, m.name.rfind('.')));
  Style style;
  setPicture(style, Picture{medium, {{0, 0}, scale, 0}});
  Item item = plainItem(project.nextId, std::move(name), polygon({-half, {half.x, -half.y}, half, {-half.x, half.y}}),
                        std::move(style));
  item.position = within.centre();
  made = item.id;
  Project next = project;
  ++next.nextId;
  return withItemsOnTop(next, sheet, {std::move(item)});
}

Project withFill(const Project& project, std::span<const Id> items, std::optional<Colour> colour) {
  return withEach(project, items, [&](const Item& item) {
    Item out = item;
    setColour(changeable(out), colour);
    return out;
  });
}

Project withPictures(const Project& project, std::span<const Id> items,
                     const std::function<void(Picture& picture, const Item& item)>& change) {
  return withEach(project, items, [&](const Item& item) {
    const Fill* shown = pictureFillOf(*item.style);
    if (!shown) return item;
    Item out = item;
    if (const Id part = picturePartOf(*item.style); part != 0) {
      ItemList children = childrenOf(item);
      for (std::size_t i = 0; i < children.size(); ++i)
        if (children[i]->id == part && pictureOf(*children[i]->style)) {
          Item changed = *children[i];
          change(frontPicture(changed), *children[i]);
          children.set(i, std::make_shared<const Item>(std::move(changed)));
        }
      return *withChildren(item, std::move(children));
    }
    change(frontPicture(out), item);
    return out;
  });
}

Project withFit(const Project& project, std::span<const Id> items, Fit fit, double ppi) {
  return withFramings(project, items, [&](Framing& framing, const Box& frame, const Medium& medium) {
    framing = fitted(framing, frame, medium.width, medium.height, fit, ppi);
  });
}

Project withPicturesMirrored(const Project& project, std::span<const Id> items) {
  return withFramings(project, items,
                      [](Framing& framing, const Box& frame, const Medium&) { framing = mirroredIn(framing, frame); });
}

Project withHabits(const Project& project, std::span<const Id> items,
                   const std::function<void(FramingHabits&)>& change) {
  return withFramings(project, items, [&](Framing& framing, const Box&, const Medium&) { change(framing.habits); });
}

Project withPictureTurned(const Project& project, Id id, double turn) {
  return withFramings(project, std::vector{id}, [&](Framing& framing, const Box& frame, const Medium&) {
    framing = turnedAbout(framing, frame.isEmpty() ? Point{} : frame.centre(), turn);
  });
}

Project withAdjustments(const Project& project, std::span<const Id> items,
                        const std::function<void(Adjustments&)>& change) {
  // All frames of a shared photo show it alike.
  return withPictures(project, withSharersOf(project, items), [&](Picture& picture, const Item&) {
    Adjustments adjustments = picture.adjustments ? *picture.adjustments : Adjustments{};
    change(adjustments);
    picture.adjustments = shared(adjustments);
  });
}

Project withReframing(const Project& project, Id id, const Affine& sheetMap) {
  if (const ItemPtr item = findItem(project, id); item && shareOf(*item) != 0)
    return withFramings(project, std::vector{id},
                        [&](Framing& framing, const Box&, const Medium&) { framing = moved(framing, sheetMap); });
  const Affine frame = frameToSheet(project, id);
  const auto back = frame.inverse();
  if (!back) return project;
  const Affine map = *back * sheetMap * frame;
  return withItem(project, id, [&](const Item& item) {
    if (pictureOf(*item.style)) {
      Item out = item;
      Picture& picture = frontPicture(out);
      picture.framing = moved(picture.framing, map);
      picture = keptCovering(std::move(picture), item);
      return out;
    }
    const Id part = picturePartOf(*item.style);
    return part == 0 ? item : withPartReframed(item, part, map);
  });
}

}  // namespace widecut

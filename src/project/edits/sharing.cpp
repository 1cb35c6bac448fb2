#include "project/edits/sharing.h"

#include <algorithm>
#include <iterator>
#include <set>

#include "project/edits/fills.h"
#include "project/edits/sheets.h"
#include "project/edits/tree.h"
#include "project/forms/form.h"
#include "project/lookup.h"
#include "project/resolve.h"
#include "shapes/primitives.h"

namespace widecut {
namespace {

void gather(const ItemList& items, Id share, bool overSheets, std::vector<Id>& found) {
  for (const ItemPtr& item : items) {
    if (shareOf(*item) == share && pictureOf(*item->style)->isOverSheets == overSheets) found.push_back(item->id);
    gather(childrenOf(*item), share, overSheets, found);
  }
}

/// The frames of shared photos of an item and all that is inside of it.
void gatherSharers(const Item& item, std::vector<Id>& found) {
  if (shareOf(item) != 0) found.push_back(item.id);
  for (const ItemPtr& child : childrenOf(item)) gatherSharers(*child, found);
}

/// The photo laid there on the sheet, in one item's frame space.
Project withLaidOnSheet(const Project& project, Id id, const Framing& onSheet, const Picture& shared) {
  const auto back = frameToSheet(project, id).inverse();
  if (!back) return project;
  const int width = shared.medium->width, height = shared.medium->height;
  return withItem(project, id, [&](const Item& item) {
    Item out = item;
    Picture picture = shared;
    picture.framing = framingOf(*back * pixelsToFrame(onSheet, width, height), width, height, onSheet.habits);
    setPicture(changeable(out), picture);
    return out;
  });
}

Project withAllLaid(const Project& project, std::span<const Id> items, const Framing& onSheet, const Picture& shared) {
  Project out = project;
  for (const Id id : items) out = withLaidOnSheet(out, id, onSheet, shared);
  return out;
}

Box boxOf(const Project& project, std::span<const Id> items) {
  Box box;
  for (const Id id : items) box.add(boxOnSheet(project, id));
  return box;
}

}  // namespace

Id shareOf(const Item& item) {
  const Picture* picture = pictureOf(*item.style);
  return picture ? picture->share : 0;
}

std::vector<Id> sharersOf(const Project& project, Id id) {
  const ItemPtr item = findItem(project, id);
  const Id share = item ? shareOf(*item) : 0;
  if (share == 0) return {id};
  std::vector<Id> found;
  const SheetPtr own = sheetOf(project, id);
  if (!pictureOf(*item->style)->isOverSheets) {
    gather(own->items, share, false, found);
    return found;
  }
  for (const SheetPtr& sheet : pieceOf(project, own->id)->sheets) gather(sheet->items, share, true, found);
  return found;
}

std::vector<Id> withSharersOf(const Project& project, std::span<const Id> items) {
  std::vector<Id> all;
  for (const Id id : items)
    for (const Id sharer : sharersOf(project, id))
      if (!contains(all, sharer)) all.push_back(sharer);
  return all;
}

Box boxOfSharers(const Project& project, Id item) { return boxOf(project, sharersOf(project, item)); }

Outline windowOnSheet(const Project& project, Id item) {
  Outline out;
  for (const Id id : sharersOf(project, item)) {
    const Outline one = transformed(resolved(*findItem(project, id))->outline, frameToSheet(project, id));
    out.contours.insert(out.contours.end(), one.contours.begin(), one.contours.end());
  }
  return out;
}

std::optional<Framing> framingOnSheet(const Project& project, Id id) {
  const ItemPtr item = findItem(project, id);
  const auto shown = item ? shownPhoto(*item) : std::nullopt;
  if (!shown) return std::nullopt;
  return framingOf(frameToSheet(project, id) * shown->pixelsToFrame, shown->medium->width, shown->medium->height,
                   shown->habits);
}

Project withSharedPhoto(const Project& project, std::span<const Id> ids, Id source) {
  const ItemPtr from = findItem(project, source);
  const auto shown = from ? shownPicture(*from) : std::nullopt;
  const std::vector<Id> items = outermost(project, ids);
  if (!shown || items.size() < 2) return project;
  Picture shared = *shown;
  shared.share = project.nextId;
  const Framing onSheet = fitted(*framingOnSheet(project, source), boxOf(project, items), shared.medium->width,
                                 shared.medium->height, Fit::Cover, 72);
  Project out = withAllLaid(project, items, onSheet, shared);
  ++out.nextId;
  return out;
}

Project withPhotoBehindSheets(const Project& project, Id id, std::span<const Id> sheets, std::vector<Id>& made) {
  const ItemPtr item = findItem(project, id);
  const auto shown = item ? shownPicture(*item) : std::nullopt;
  if (!shown) return project;
  const Framing onSheet = *framingOnSheet(project, id);
  std::vector<Id> behind;
  for (const SheetPtr& sheet : pieceOf(project, sheetOf(project, id)->id)->sheets)
    if (contains(sheets, sheet->id)) behind.push_back(sheet->id);
  if (behind.empty()) behind.push_back(sheetOf(project, id)->id);
  std::vector<Id> sharers = sharersOf(project, id);
  Project out = project;
  Picture shared = *shown;
  if (shared.share == 0) shared.share = out.nextId++;
  shared.isOverSheets = shared.isOverSheets || behind.size() > 1 || behind.front() != sheetOf(project, id)->id;
  for (const Id on : behind) {
    const SheetPtr sheet = findSheet(out, on);
    const Id fresh = out.nextId++;
    const Box all = sheet->box().grown(sheet->bleed);
    out = withItemsOnTop(out, on, {plainItem(fresh, "background", fitted(rectangleOutline(1, 1), all), Style{})});
    out = sentToBack(out, std::vector{fresh});
    sharers.push_back(fresh);
    made.push_back(fresh);
  }
  out = withAllLaid(out, sharers, onSheet, shared);
  return withPhotosCovering(out, std::vector{made.front()});
}

Project withPhotosOverSheets(const Project& project, std::span<const Id> items, bool on) {
  Project out = project;
  for (const Id id : items) {
    const ItemPtr item = findItem(out, id);
    const Picture* picture = item ? pictureOf(*item->style) : nullptr;
    if (!picture || picture->isOverSheets == on) continue;
    const auto sharers = sharersOf(out, id);
    const Id share = picture->share != 0 ? picture->share : out.nextId++;
    out = withPictures(out, sharers, [&](Picture& one, const Item&) {
      one.share = share;
      one.isOverSheets = on;
    });
  }
  return out;
}

Project withPhotosOfTheirOwn(const Project& project, std::span<const Id> items) {
  return withPictures(project, items, [](Picture& picture, const Item&) {
    picture.share = 0;
    picture.isOverSheets = false;
  });
}

Project withFramings(const Project& project, std::span<const Id> items, const FramingChange& change) {
  std::vector<Id> own;
  std::set<Id> shares;
  Project out = project;
  for (const Id id : items) {
    const ItemPtr item = findItem(out, id);
    const Id share = item ? shareOf(*item) : 0;
    if (share == 0) {
      own.push_back(id);
      continue;
    }
    if (!shares.insert(share).second) continue;
    const auto sharers = sharersOf(out, id);
    const Picture picture = *pictureOf(*item->style);
    const Box box = boxOf(out, sharers);
    Framing onSheet = *framingOnSheet(out, id);
    change(onSheet, box, *picture.medium);
    out = withAllLaid(out, sharers, keptCovering(onSheet, box, picture.medium->width, picture.medium->height), picture);
  }
  return withPictures(out, own, [&](Picture& picture, const Item& item) {
    change(picture.framing, boxInFrame(item), *picture.medium);
    picture = keptCovering(std::move(picture), item);
  });
}

Project withPhotosCovering(const Project& project, std::span<const Id> items) {
  return withFramings(project, items, [](Framing&, const Box&, const Medium&) {});
}

Project withSharesFollowing(const Project& before, const Project& after, std::span<const Id> items,
                            const Affine& sheetMap) {
  std::vector<Id> went, done;
  for (const Id id : items)
    if (const ItemPtr item = findItem(before, id)) gatherSharers(*item, went);
  Project out = after;
  for (const Id id : went) {
    if (contains(done, id)) continue;
    const auto onSheet = framingOnSheet(before, id);
    const ItemPtr now = findItem(after, id);
    if (!onSheet || !now || shareOf(*now) == 0) continue;
    const auto sharers = sharersOf(before, id);
    std::vector<Id> those;
    std::copy_if(sharers.begin(), sharers.end(), std::back_inserter(those),
                 [&](Id one) { return contains(went, one); });
    done.insert(done.end(), those.begin(), those.end());
    out = withAllLaid(out, those, those.size() == sharers.size() ? moved(*onSheet, sheetMap) : *onSheet,
                      *pictureOf(*now->style));
  }
  return out;
}

Item withShareKept(const Item& before, Item after) {
  if (shareOf(before) == 0 || shareOf(after) == 0) return after;
  const Picture was = *pictureOf(*before.style);
  const auto back = after.toParent().inverse();
  if (!back) return after;
  Picture now = *pictureOf(*after.style);
  now.framing = moved(was.framing, *back * before.toParent());
  setPicture(changeable(after), now);
  return after;
}

}  // namespace widecut

#include "project/edits/places.h"

#include <algorithm>

#include "project/edits/fills.h"
#include "project/edits/sharing.h"
#include "project/edits/tree.h"
#include "project/forms/form.h"
#include "project/framing.h"
#include "project/lookup.h"
#include "project/resolve.h"

namespace widecut {
namespace {

bool isIdentity(const Affine& m) {
  constexpr double close = 1e-12;
  return std::abs(m.xx - 1) < close && std::abs(m.yy - 1) < close && std::abs(m.xy) < close && std::abs(m.yx) < close;
}

template <class Change>
void eachPicture(Item& item, const Change& change) {
  for (Fill& fill : changeable(item).fills)
    if (auto* picture = std::get_if<Picture>(&fill.paint)) change(*picture);
}

/// Pictures of an item that was that one before it was resized.
void refitPictures(Item& item, const Item& before) {
  const Box from = boxInFrame(before), to = boxInFrame(item);
  const Affine map = *item.toParent().inverse() * before.toParent();
  eachPicture(item, [&](Picture& picture) {
    Framing& framing = picture.framing;
    const int width = picture.medium->width, height = picture.medium->height;
    if (!framing.habits.keepsScale) {
      framing = refitted(framing, from, to, width, height);
      return;
    }
    // It stays where it is on the sheet.
    framing = keptCovering(moved(framing, map), to, width, height);
  });
}

/// Pictures that stay upright, of an item that has been turned.
void setUpright(Item& item, double turn) {
  const auto stays = [](const Fill& fill) {
    const auto* picture = std::get_if<Picture>(&fill.paint);
    return picture && picture->framing.habits.staysUpright;
  };
  if (std::none_of(item.style->fills.begin(), item.style->fills.end(), stays)) return;
  const Box box = boxInFrame(item);
  eachPicture(item, [&](Picture& picture) {
    if (!picture.framing.habits.staysUpright) return;
    picture.framing = turnedAbout(picture.framing, box.isEmpty() ? Point{} : box.centre(), -turn);
    picture = keptCovering(picture, item);
  });
}

}  // namespace

Item mapped(const Item& item, const Affine& map) {
  Item out = item;
  out.position = map(item.position);
  const double turn = map.turnAngle();
  if (turn != 0) out.turn = std::remainder(item.turn + turn, 2 * pi);
  const Affine rest = Affine::turn(-out.turn) * map.linear() * Affine::turn(item.turn);
  if (turn != 0) setUpright(out, turn);
  if (!isIdentity(rest)) {
    Item before = out;
    before.position = item.position;
    out.form = mapped(out.form, rest);
    if (pictureOf(*out.style)) refitPictures(out, before);
  }
  return out;
}

Item resized(const Item& item, const Affine& map) {
  constexpr double rounding = 1e-9;
  const Affine frame = item.toParent(), inFrame = *frame.inverse() * map * frame;
  const bool square = std::abs(inFrame.xy) < rounding && std::abs(inFrame.yx) < rounding;
  auto anew = square ? resized(item.form, inFrame) : std::nullopt;
  if (!anew) return mapped(item, map);
  Item out = item;
  out.form = std::move(anew->form);
  out.position = frame(anew->origin);
  if (pictureOf(*out.style) && !boxInFrame(out).isEmpty()) {
    if (statedBox(out.form))  // what shows it keeps its size
      setPicture(changeable(out), keptCovering(*pictureOf(*out.style), out));
    else
      refitPictures(out, item);
  }
  return out;
}

namespace {

template <class Map>
Project withEachMapped(const Project& project, std::span<const Id> items, const Affine& sheetMap, const Map& mapOne) {
  Project out = withFate(project, items, Meets::InsteadOfThem, [&](const ItemPtr& item, const Affine& parent) {
    const Affine map = parent == Affine{} ? sheetMap : parent.inverse().value_or(Affine{}) * sheetMap * parent;
    return std::make_shared<const Item>(withShareKept(*item, mapOne(*item, map)));
  });
  return withSharesFollowing(project, out, items, sheetMap);
}

}  // namespace

Project withMapped(const Project& project, std::span<const Id> items, const Affine& sheetMap) {
  return withEachMapped(project, items, sheetMap,
                        [](const Item& item, const Affine& map) { return mapped(item, map); });
}

Project withResized(const Project& project, std::span<const Id> items, const Affine& sheetMap) {
  return withEachMapped(project, items, sheetMap,
                        [](const Item& item, const Affine& map) { return resized(item, map); });
}

std::vector<ItemPtr> asOnSheet(const Project& project, std::span<const Id> items) {
  std::vector<std::pair<Path, ItemPtr>> ordered;
  for (const Id id : outermost(project, items)) {
    const SheetPtr sheet = sheetOf(project, id);
    if (!sheet) continue;
    const Item item = mapped(*findItem(project, id), parentToSheet(project, id));
    ordered.emplace_back(*SheetIndex::of(sheet)->find(id), std::make_shared<const Item>(item));
  }
  std::sort(ordered.begin(), ordered.end(), [](const auto& a, const auto& b) { return a.first < b.first; });
  std::vector<ItemPtr> found;
  found.reserve(ordered.size());
  for (auto& [path, item] : ordered) found.push_back(std::move(item));
  return found;
}

Project withSize(const Project& project, Id id, double width, double height) {
  return withItem(project, id, [&](const Item& item) {
    const Box box = boxInFrame(item);
    if (box.isEmpty()) return item;
    const double sx = box.width() > 0 ? width / box.width() : 1, sy = box.height() > 0 ? height / box.height() : 1;
    const Affine inFrame = Affine::scale(sx, sy).about(box.low);
    const Affine frame = item.toParent();
    return withShareKept(item, resized(item, frame * inFrame * *frame.inverse()));
  });
}

}  // namespace widecut

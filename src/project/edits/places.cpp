#include "project/edits/places.h"

#include <algorithm>

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

void reshape(Item& item, const Affine& linear) {
  const bool framed = pictureOf(*item.style) != nullptr;
  const Box from = framed ? boxInFrame(item) : Box{};
  item.form = mapped(item.form, linear);
  if (!framed) return;
  const Box to = boxInFrame(item);
  for (Fill& fill : changeable(item).fills)
    if (auto* picture = std::get_if<Picture>(&fill.paint))
      picture->framing = refitted(picture->framing, from, to, picture->medium->width, picture->medium->height);
}

}  // namespace

Item mapped(const Item& item, const Affine& map) {
  Item out = item;
  out.position = map(item.position);
  const double turn = map.turnAngle();
  if (turn != 0) out.turn = std::remainder(item.turn + turn, 2 * pi);
  const Affine rest = Affine::turn(-out.turn) * map.linear() * Affine::turn(item.turn);
  if (!isIdentity(rest)) reshape(out, rest);
  return out;
}

Project withMapped(const Project& project, std::span<const Id> items, const Affine& sheetMap) {
  return withFate(project, items, Meets::InsteadOfThem, [&](const ItemPtr& item, const Affine& parent) {
    const Affine map = parent == Affine{} ? sheetMap : parent.inverse().value_or(Affine{}) * sheetMap * parent;
    return std::make_shared<const Item>(mapped(*item, map));
  });
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
    return mapped(item, frame * inFrame * *frame.inverse());
  });
}

}  // namespace widecut

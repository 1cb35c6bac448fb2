#include "project/resolve.h"

#include <algorithm>
#include <array>

#include "cutting/live_cut.h"
#include "project/framing.h"
#include "project/node_memo.h"

namespace widecut {
namespace {

/// Leaves of nested recipes, in the space of the outermost one, and the formula over them.
struct Flat {
  std::vector<Operand> operands;

  std::optional<Formula> add(const Recipe& recipe, const Affine& map) {
    std::vector<std::optional<Formula>> leaves;
    leaves.reserve(recipe.parts.size());
    for (const ItemPtr& part : recipe.parts)
      leaves.push_back(part->hidden ? std::nullopt : add(*part, map * part->toParent()));
    const auto of = [&](int part) -> const std::optional<Formula>& { return leaves[static_cast<std::size_t>(part)]; };
    const auto whole = recipe.formula.without([&](int part) { return !of(part); });
    if (!whole) return std::nullopt;
    return whole->with([&](int part) { return *of(part); });
  }

 private:
  std::optional<Formula> add(const Item& part, const Affine& map) {
    if (const Recipe* inner = part.recipe()) return add(*inner, map);
    operands.push_back({transformed(*std::get<std::shared_ptr<const Outline>>(part.form), map)});
    return Formula::part(static_cast<int>(operands.size()) - 1);
  }
};

Outline workedOut(const Recipe& recipe) {
  Flat flat;
  const auto formula = flat.add(recipe, {});
  if (!formula) return {};
  // While a part is dragged its recipe is worked out for every frame: a few recipes keep their maps for that.
  static thread_local std::array<LiveCut, 4> live;
  static thread_local std::size_t next = 0;
  const auto follows = [&](const LiveCut& l) { return l.follows(flat.operands); };
  auto used = std::find_if(live.begin(), live.end(), follows);
  if (used == live.end()) used = live.begin() + static_cast<std::ptrdiff_t>(next++ % live.size());
  return used->cut(flat.operands, *formula).value_or(Outline{});
}

}  // namespace

std::shared_ptr<const Resolved> resolved(const Item& item) {
  static NodeMemo<Resolved> memo;
  const auto node = std::visit([](const auto& held) -> std::shared_ptr<const void> { return held; }, item.form);
  if (auto known = memo.find(node)) return known;
  auto result = std::make_shared<Resolved>();
  if (const Recipe* recipe = item.recipe())
    result->outline = workedOut(*recipe);
  else
    result->outline = *std::get<std::shared_ptr<const Outline>>(item.form);
  result->box = bounds(result->outline);
  memo.keep(node, result);
  return result;
}

Box boxInParent(const Item& item) {
  const auto shape = resolved(item);
  if (item.turn == 0) return Affine::move(item.position)(shape->box);
  return bounds(transformed(shape->outline, item.toParent()));
}

std::optional<ShownPhoto> shownPhoto(const Item& item, const Media& media) {
  if (const Recipe* recipe = item.recipe(); recipe && recipe->photoFrom && !item.style.photo) {
    for (const ItemPtr& part : recipe->parts) {
      if (part->id != *recipe->photoFrom) continue;
      auto shown = shownPhoto(*part, media);
      if (shown) shown->pixelsToFrame = part->toParent() * shown->pixelsToFrame;
      return shown;
    }
  }
  if (!item.style.photo) return std::nullopt;
  const auto medium = media.find(item.style.photo->medium);
  if (medium == media.end()) return std::nullopt;
  const Framing& framing = item.style.photo->framing;
  return ShownPhoto{medium->first, pixelsToFrame(framing, medium->second->width, medium->second->height),
                    framing.pointsPerPixel};
}

std::optional<PhotoFill> shownFill(const Item& item, const Media& media) {
  const auto shown = shownPhoto(item, media);
  if (!shown) return std::nullopt;
  const Medium& m = *media.at(shown->medium);
  return PhotoFill{shown->medium,
                   {shown->pixelsToFrame(Point{m.width / 2.0, m.height / 2.0}), shown->pointsPerPixel,
                    shown->pixelsToFrame.turnAngle()}};
}

}  // namespace widecut

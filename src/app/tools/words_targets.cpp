// What a click of the words tool would write in, or along.
#include "app/mat/mat.h"
#include "app/tools/words_tool.h"
#include "project/resolve.h"
#include "project/usual_colours.h"
#include "scene/hit.h"

namespace widecut {

std::optional<WordsTool::Target> WordsTool::targetOn(const ItemPtr& item, Point onSheet, Takes takes) const {
  constexpr double reach = 7;  // pixels
  if (!item || !item->isShown() || item->locked || wordsOf(*item) || isCrowd(*item)) return std::nullopt;
  const auto back = frameToSheet(desk_.project(), item->id).inverse();
  if (!back) return std::nullopt;
  const Outline& outline = resolved(*item)->outline;
  if (outline.isEmpty()) return std::nullopt;
  const Point p = (*back)(onSheet);
  const double points = reach / mat_.zoom();
  const bool isOpen = !outline.contours.front().closed;
  const auto shows = [](const Fill& fill) { return fill.shown; };
  const bool isFilled = std::any_of(item->style->fills.begin(), item->style->fills.end(), shows);
  if (isOpen || takes != Takes::Bare || !isFilled)
    if (edgeDistance(outline, p, points / 4) <= points) return Target{item->id, true};
  if (!isOpen && (takes == Takes::All || !isFilled) && isInside(outline, FillRule::Nonzero, p))
    return Target{item->id, false};
  return std::nullopt;
}

std::optional<WordsTool::Target> WordsTool::targetAt(const Pointer& p) const {
  if (desk_.joinForNew()) return std::nullopt;
  const bool isAny = bool(p.keys & (Qt::AltModifier | Qt::ControlModifier));
  if (const ItemPtr chosen = desk_.onlyItem())
    if (const auto target = targetOn(chosen, p.onSheet, isAny ? Takes::All : Takes::Edge)) return target;
  const ItemList& items = desk_.sheet()->items;
  for (auto item = items.rbegin(); item != items.rend(); ++item)
    if (const auto target = targetOn(*item, p.onSheet, isAny ? Takes::All : Takes::Bare)) return target;
  return std::nullopt;
}

/// Dark letters, or light ones on what is dark, or on a photo.
Colour WordsTool::legibleAt(Point onSheet) const {
  constexpr Colour dark = usualInk, light{0xFF, 0xFF, 0xFF};
  const Id under = itemAt(*desk_.sheet(), onSheet, 0);
  // Beside the sheet they lie on the mat.
  if (under == 0 && !desk_.sheet()->box().contains(onSheet)) return light;
  const ItemPtr item = under != 0 ? findItem(desk_.project(), under) : nullptr;
  if (item && showsPicture(*item)) return light;
  const Colour ground = item ? colourOf(*lookOf(*item)).value_or(desk_.sheet()->paper) : desk_.sheet()->paper;
  return qGray(ground.red, ground.green, ground.blue) < 128 ? light : dark;
}

}  // namespace widecut

#include "app/mat/offer_drop.h"

#include "project/edits/tree.h"

namespace widecut {

void OfferDrop::show(const Offer& offer, Point about) {
  const auto items = itemsOf(desk_, offer, about);
  std::vector<Id> made;
  if (!items.empty()) trial_.show(withCopiesOnTop(desk_.settled(), desk_.sheet()->id, items, {}, made));
}

void OfferDrop::drop(const Offer& offer, Point about) {
  trial_.drop();
  if (laysStarters(desk_.tool())) desk_.setTool(ToolKind::Select);
  lay(desk_, offer, about);
}

}  // namespace widecut

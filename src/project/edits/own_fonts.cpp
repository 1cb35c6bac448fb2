#include "project/edits/own_fonts.h"

#include <functional>

#include "project/edits/families.h"
#include "project/edits/tree.h"
#include "project/edits/words.h"
#include "project/forms/form.h"
#include "project/lookup.h"
#include "words/font_library.h"

namespace widecut {
namespace {

using See = std::function<void(const ItemPtr& words)>;

void eachWords(const ItemPtr& item, const See& see) {
  if (wordsOf(*item)) see(item);
  for (const ItemPtr& child : childrenOf(*item)) eachWords(child, see);
}

/// The words in what differs.
void eachNewWords(const Project& before, const Project& after, const See& see) {
  for (const SheetPtr& sheet : sheetsOf(after)) {
    const SheetPtr was = findSheet(before, sheet->id);
    if (was == sheet) continue;
    const ItemList none, &known = was ? was->items : none;
    eachDifference(sheet->items, known, [&](std::size_t i) { eachWords(sheet->items[i], see); });
    for (std::size_t i = known.size(); i < sheet->items.size(); ++i) eachWords(sheet->items[i], see);
  }
}

const OwnFontsPtr& fontsOf(const ItemPtr& words) { return wordsOf(*words)->content().style.face.own; }

}  // namespace

Project withOwnFonts(const Project& before, const Project& after) {
  OwnFontsPtr fonts = after.fonts;
  std::vector<ItemPtr> others;
  eachNewWords(before, after, [&](const ItemPtr& words) {
    if (fontsOf(words) != after.fonts) others.push_back(words);
  });
  for (const ItemPtr& words : others) {
    const OwnFontsPtr& theirs = fontsOf(words);
    if (!theirs) continue;
    for (const std::string& family : familiesOf(*words)) {
      if (homeOf(family, after.fonts) != FontHome::Nowhere) continue;
      for (const std::size_t place : theirs->of(family)) fonts = OwnFonts::with(fonts, theirs->all()[place]);
    }
  }
  std::vector<Id> ids;
  if (fonts != after.fonts || before.fonts != after.fonts) others = allWords(after);
  for (const ItemPtr& words : others)
    if (fontsOf(words) != fonts) ids.push_back(words->id);
  if (ids.empty() && fonts == after.fonts) return after;
  Project next = withEach(after, ids, [&](const Item& item) {
    const Words* words = wordsOf(item);
    if (!words) return item;
    // Not an edit: what is asked for stays, and is equal.
    Words::Content content = words->content();
    content.style.face.own = fonts;
    return withWords(item, std::move(content));
  });
  next.fonts = fonts;
  return next;
}

}  // namespace widecut

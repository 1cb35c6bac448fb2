#include "app/desk/cuts.h"

#include <algorithm>

#include "project/edits/levels.h"
#include "project/edits/pieces.h"
#include "project/edits/tree.h"
#include "project/forms/treated.h"
#include "project/forms/words.h"
#include "project/resolve.h"

namespace widecut {

void keepOffcuts(Desk& desk) {
  std::vector<Id> made;
  Project changed = withOffcuts(desk.settled(), desk.openCutout()->id, made);
  if (made.empty()) {
    emit desk.told(Desk::tr("This recipe removes nothing: there are no offcuts"));
    return;
  }
  desk.commit(Desk::tr("Keep offcuts"), std::move(changed));
  desk.select(made);
  emit desk.told(made.size() == 1 ? Desk::tr("One offcut, behind the cutout")
                                  : Desk::tr("%1 offcuts, behind the cutout").arg(made.size()));
}

void splitLoose(Desk& desk) {
  std::vector<Id> made;
  const Id id = desk.openCutout() ? desk.openCutout()->id : desk.onlyItem()->id;
  Project changed = withSplitLoose(desk.settled(), id, made);
  if (made.empty()) {
    emit desk.told(Desk::tr("It is one piece: there is nothing to split"));
    return;
  }
  desk.commit(Desk::tr("Split loose"), std::move(changed));
  desk.select(made);
  emit desk.told(Desk::tr("%1 pieces").arg(made.size()));
}

void bake(Desk& desk) {
  // Words and starters inside a cutout are baked alone: the recipe stays.
  const bool isText = desk.onlyItem() && wordsOf(*desk.onlyItem());
  const bool isStarter = desk.onlyItem() && starterOf(*desk.onlyItem());
  const bool isTreated = desk.onlyItem() && treatedOf(*desk.onlyItem());
  const Id id = isText || isStarter || isTreated ? desk.onlyItem()->id : desk.openCutout()->id;
  desk.commit(Desk::tr("Bake"), withBaked(desk.settled(), id));
  desk.select({id});
  emit desk.told(isText      ? Desk::tr("Baked: a plain outline now. Undo brings the text back.")
                 : isStarter ? Desk::tr("Baked: nodes instead of numbers now. Undo brings the numbers back.")
                 : isTreated ? Desk::tr("Baked: its corners are nodes now. Undo brings their numbers back.")
                             : Desk::tr("Baked: a plain outline now. Undo brings the recipe back."));
}

void liftParts(Desk& desk) {
  std::vector<Id> parts;
  desk.commit(Desk::tr("Lift parts out"), withPartsLifted(desk.settled(), desk.openCutout()->id, parts));
  desk.select(parts);
}

ItemPtr openLineAmong(const Desk& desk) {
  ItemPtr line;
  for (const Id id : desk.selection()) {
    const ItemPtr item = findItem(desk.settled(), id);
    const auto paths = item ? nodesOf(*item) : std::nullopt;
    const bool isOpen = paths && std::none_of(paths->begin(), paths->end(), [](const NodePath& p) { return p.closed; });
    if (!isOpen) continue;
    if (line) return nullptr;
    line = item;
  }
  return line;
}

bool isLineToCutAlong(const Desk& desk) { return openLineAmong(desk) != nullptr; }

bool isLineAmongOthers(const Desk& desk) { return desk.selection().size() > 1 && openLineAmong(desk) != nullptr; }

void fillUpAlong(Desk& desk) {
  const ItemPtr line = openLineAmong(desk);
  if (!line) return;
  const Outline onSheet = transformed(resolved(*line)->outline, frameToSheet(desk.settled(), line->id));
  std::vector<Id> items = desk.selection();
  std::erase(items, line->id);
  Project filled = withLevelAlong(desk.settled(), items, onSheet.contours.front());
  if (!desk.commit(Desk::tr("Fill up along a line"), withoutItems(filled, std::vector{line->id}))) return;
  desk.select(items);
  emit desk.told(Desk::tr("Filled to a level along the line: drag the level, or paste a list of numbers"));
}

void cutAlong(Desk& desk) {
  const ItemPtr line = openLineAmong(desk);
  if (!line) return;
  const Outline stroke = transformed(resolved(*line)->outline, frameToSheet(desk.settled(), line->id));
  std::vector<Id> targets = desk.selection();
  std::erase(targets, line->id);
  if (targets.empty())
    for (const ItemPtr& item : desk.sheet()->items)
      if (item->id != line->id && !item->hidden && !item->locked && boxInParent(*item).touches(bounds(stroke)))
        targets.push_back(item->id);
  std::vector<Id> made;
  const std::vector<Id> gone{line->id};
  auto cut = withKnife(withoutItems(desk.settled(), gone), targets, stroke, desk.knifeGap, made);
  if (!cut) {
    emit desk.told(QString::fromStdString(cut.error().message));
    return;
  }
  desk.commit(Desk::tr("Cut along a line"), std::move(*cut));
  desk.select(made);
}

void trim(Desk& desk, bool toBleed) {
  const SheetPtr sheet = desk.sheet();
  const Box box = toBleed ? sheet->box().grown(sheet->bleed) : sheet->box();
  std::vector<Id> made;
  const QString edge = toBleed ? Desk::tr("bleed edge") : Desk::tr("sheet edge");
  Project changed = withTrimmed(desk.settled(), desk.selection(), box, edge.toStdString(), made);
  int count = 0;
  for (const Id id : desk.selection()) {
    const ItemPtr before = findItem(desk.settled(), id), after = findItem(changed, id);
    count += after && before->form != after->form;
  }
  if (count == 0) {
    emit desk.told(Desk::tr("Nothing of it overhangs the %1").arg(edge));
    return;
  }
  desk.commit(toBleed ? Desk::tr("Trim to bleed") : Desk::tr("Trim to sheet"), std::move(changed));
  emit desk.told(Desk::tr("%1 trimmed: what overhangs is hidden, not lost")
                     .arg(count == 1 ? Desk::tr("One item") : Desk::tr("%1 items").arg(count)));
}

}  // namespace widecut

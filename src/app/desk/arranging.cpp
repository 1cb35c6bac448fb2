#include "app/desk/arranging.h"

#include <algorithm>

#include "project/edits/arranging.h"
#include "project/edits/colours.h"
#include "project/edits/fills.h"
#include "project/edits/guides.h"
#include "project/edits/levels.h"
#include "project/edits/places.h"
#include "project/edits/templates.h"
#include "project/edits/tree.h"
#include "project/resolve.h"

namespace widecut {
namespace {

constexpr double usualOutline = 1 * pointsPerMillimetre;

}  // namespace

void neaten(Desk& desk) {
  const Project neat = neatened(desk.settled(), desk.selection());
  if (isSame(neat, desk.settled())) {
    emit desk.told(Desk::tr("It is neat already"));
    return;
  }
  desk.commit(Desk::tr("Neaten"), neat);
}

void swapPaint(Desk& desk) {
  const auto change = [](const Project& p, const std::vector<Id>& ids) {
    return withPaintSwapped(p, ids, usualOutline);
  };
  const QString name = Desk::tr("Swap fill and outline");
  if (desk.commit(name, change(desk.settled(), desk.selection()))) desk.noteAgain({name, change});
}

void addLevel(Desk& desk) {
  const auto change = [](const Project& p, const std::vector<Id>& ids) {
    return withStyle(p, ids, [](Style& style) { addLevel(style); });
  };
  const QString name = Desk::tr("Level");
  if (desk.commit(name, change(desk.settled(), desk.selection()))) desk.noteAgain({name, change});
  const ItemPtr first = findItem(desk.settled(), desk.selection().front());
  for (std::size_t i = first ? first->style->fills.size() : 0; i-- > 0;)
    if (first->style->fills[i].level) {
      desk.choosePaint(PaintPlace{false, i});
      return;
    }
}

bool areTemplates(const Desk& desk) {
  return !desk.selection().empty() && std::all_of(desk.selection().begin(), desk.selection().end(), [&](Id id) {
    const ItemPtr item = findItem(desk.settled(), id);
    return item && item->isTemplate();
  });
}

void toggleTemplate(Desk& desk) {
  const bool was = areTemplates(desk);
  if (!desk.commit(was ? Desk::tr("No template any more") : Desk::tr("Template"),
                   withPaleness(desk.settled(), desk.selection(), was ? 0 : usualPaleness)))
    return;
  if (!was) emit desk.told(Desk::tr("A template: to draw over, not delivered · how pale it is stands on the right"));
}

void fillSheet(Desk& desk) {
  const ItemPtr item = desk.onlyItem();
  const Box box = item ? boxOnSheet(desk.settled(), item->id) : Box{};
  if (box.isEmpty() || !(box.width() > 0 && box.height() > 0)) return;
  const SheetPtr sheet = desk.sheet();
  const Box wanted = sheet->box().grown(sheet->bleed);
  const Affine map = Affine::move(wanted.centre()) *
                     Affine::scale(wanted.width() / box.width(), wanted.height() / box.height()) *
                     Affine::move(Point{} - box.centre());
  const Id id = item->id;
  desk.commit(Desk::tr("Fill the sheet"), withResized(desk.settled(), std::vector<Id>{id}, map));
}

void layGuidesAround(Desk& desk) {
  if (!preferences().showsGuides) prefer([](Preferences& p) { p.showsGuides = true; });
  desk.commit(Desk::tr("Guides at its edges"), withGuidesAround(desk.settled(), desk.selection()));
}

void showOrHide(Desk& desk, bool Preferences::*shows) {
  prefer([&](Preferences& p) { p.*shows = !(p.*shows); });
  emit desk.viewChanged();
}

}  // namespace widecut

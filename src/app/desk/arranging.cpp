#include "app/desk/arranging.h"

#include "project/edits/arranging.h"
#include "project/edits/fills.h"
#include "project/edits/guides.h"

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

void layGuidesAround(Desk& desk) {
  if (!preferences().showsGuides) prefer([](Preferences& p) { p.showsGuides = true; });
  desk.commit(Desk::tr("Guides at its edges"), withGuidesAround(desk.settled(), desk.selection()));
}

void showOrHide(Desk& desk, bool Preferences::*shows) {
  prefer([&](Preferences& p) { p.*shows = !(p.*shows); });
  emit desk.viewChanged();
}

}  // namespace widecut

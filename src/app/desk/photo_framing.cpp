#include "app/desk/photo_framing.h"

#include <algorithm>

#include "project/edits/fills.h"
#include "project/edits/sharing.h"
#include "project/lookup.h"
#include "project/resolve.h"

namespace widecut {
namespace {

using Ids = std::vector<Id>;

/// One step, that can be done again on others.
template <class Edit>
void make(Desk& desk, const QString& name, const Edit& edit) {
  if (desk.commit(name, edit(desk.settled(), desk.selection()))) desk.noteAgain({name, edit});
}

}  // namespace

ItemPtr reframedItem(const Desk& desk) {
  const auto& ids = desk.selection();
  const ItemPtr first = ids.empty() ? nullptr : findItem(desk.project(), ids.front());
  if (!first || !shownPhoto(*first)) return nullptr;
  const Id share = shareOf(*first);
  const bool isOne = ids.size() == 1 || (share != 0 && std::all_of(ids.begin(), ids.end(), [&](Id id) {
                                           const ItemPtr item = findItem(desk.project(), id);
                                           return item && shareOf(*item) == share;
                                         }));
  return isOne ? first : nullptr;
}

void sharePhoto(Desk& desk) {
  Id source = 0;
  for (const ItemPtr& item : desk.sheet()->items)
    if (contains(desk.selection(), item->id) && shownPhoto(*item)) source = item->id;
  if (source == 0) {
    emit desk.told(Desk::tr("None of these shows a photo yet: bring one into any of them first"));
    return;
  }
  const ItemPtr item = findItem(desk.settled(), source);
  if (desk.commit(Desk::tr("Share one photo"), withSharedPhoto(desk.settled(), desk.selection(), source)))
    emit desk.told(Desk::tr("“%1” lies behind %2 frames: R reframes it for all")
                       .arg(QString::fromStdString(shownPhoto(*item)->medium->name))
                       .arg(sharersOf(desk.settled(), source).size()));
}

void layPhotoBehindSheet(Desk& desk) {
  const ItemPtr item = reframedItem(desk);
  if (!item) return;
  std::vector<Id> made;
  const auto sheets = desk.chosenSheets();
  if (!desk.commit(Desk::tr("Lay the photo behind the sheet"),
                   withPhotoBehindSheets(desk.settled(), item->id, sheets, made)))
    return;
  emit desk.told(made.size() > 1
                     ? Desk::tr("It fills %1 sheets behind all, in register: R reframes them as one").arg(made.size())
                     : Desk::tr("It fills the sheet behind all, in register: R reframes both"));
}

bool isOverSheets(const Desk& desk) {
  const ItemPtr item = reframedItem(desk);
  const Picture* picture = item ? pictureOf(*item->style) : nullptr;
  return picture && picture->isOverSheets;
}

void toggleOverSheets(Desk& desk) {
  const bool on = !isOverSheets(desk);
  if (!desk.commit(on ? Desk::tr("Share over sheets") : Desk::tr("Share on this sheet alone"),
                   withPhotosOverSheets(desk.settled(), desk.selection(), on)))
    return;
  emit desk.told(on ? Desk::tr("Copies of it in their place on other sheets look at the same photo")
                    : Desk::tr("Frames on other sheets keep what they show, and have photos of their own sheets"));
}

bool sharesPhoto(const Desk& desk) {
  return std::any_of(desk.selection().begin(), desk.selection().end(), [&](Id id) {
    const ItemPtr item = findItem(desk.settled(), id);
    return item && shareOf(*item) != 0;
  });
}

void leaveSharedPhoto(Desk& desk) {
  desk.commit(Desk::tr("A photo of its own"), withPhotosOfTheirOwn(desk.settled(), desk.selection()));
}

void mirrorPhotos(Desk& desk) {
  make(desk, Desk::tr("Mirror the photo"),
       [](const Project& p, const Ids& ids) { return withPicturesMirrored(p, ids); });
}

void fitPhotos(Desk& desk, Fit fit) {
  constexpr double screenPpi = 96, printPpi = 300;
  const double ppi = desk.unit() == Unit::Pixel ? screenPpi : printPpi;
  make(desk, Desk::tr("Fit the photo"),
       [fit, ppi](const Project& p, const Ids& ids) { return withFit(p, ids, fit, ppi); });
}

void toggleHabit(Desk& desk, bool FramingHabits::*habit, const QString& name) {
  const auto has = [&](Id id) {
    const auto shown = shownPhoto(*findItem(desk.settled(), id));
    return !shown || shown->habits.*habit;
  };
  const bool on = !std::all_of(desk.selection().begin(), desk.selection().end(), has);
  make(desk, name, [habit, on](const Project& p, const Ids& ids) {
    return withHabits(p, ids, [&](FramingHabits& habits) { habits.*habit = on; });
  });
}

}  // namespace widecut

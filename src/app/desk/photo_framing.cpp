#include "app/desk/photo_framing.h"

#include <algorithm>

#include "project/edits/fills.h"
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

#include "app/desk/turning.h"

#include "app/desk/selecting.h"
#include "app/mat/placing.h"
#include "project/edits/places.h"
#include "project/edits/tree.h"
#include "project/forms/starter_form.h"
#include "project/forms/words.h"

namespace widecut {
namespace {

constexpr PivotPlace ownMiddle{0, 0};

/// What is left of a stretch without its slant: whether it mirrors.
Affine withoutSlant(const Affine& stretch) { return stretch.determinant() < 0 ? Affine::scale(-1, 1) : Affine{}; }

Form unslanted(const Form& form) {
  if (const auto* words = std::get_if<std::shared_ptr<const Words>>(&form)) {
    Words::Content content = (*words)->content();
    content.stretch = withoutSlant(content.stretch);
    return wordsForm(std::move(content));
  }
  if (const auto* starter = std::get_if<std::shared_ptr<const Starter>>(&form)) {
    Starter::Content content = (*starter)->content();
    content.stretch = withoutSlant(content.stretch);
    return starterForm(std::move(content));
  }
  return form;
}

}  // namespace

void turnSelection(Desk& desk, double angleDeg) {
  const auto change = [&desk, angleDeg](const Project& p, const std::vector<Id>& ids) {
    return withFrameMap(p, unlocked(p, ids), desk.pivot(), ownMiddle, Together::Yes,
                        [&](const SelectionFrame&) { return Affine::turn(radians(angleDeg)); });
  };
  const QString name = std::abs(angleDeg) == 180 ? Desk::tr("Half turn") : Desk::tr("Quarter turn");
  if (desk.commit(name, change(desk.settled(), desk.selection()))) desk.noteAgain({name, change});
}

void clearTurnAndSlant(Desk& desk) {
  const auto change = [](const Project& p, const std::vector<Id>& ids) {
    const std::vector<Id> free = unlocked(p, ids);
    const Project straight = withEach(p, free, [](const Item& before) {
      Item after = before;
      after.form = unslanted(before.form);
      return after;
    });
    return withFrameMap(straight, free, {}, ownMiddle, Together::No,
                        [](const SelectionFrame& frame) { return Affine::turn(-frame.toSheet.turnAngle()); });
  };
  const QString name = Desk::tr("Clear turn and slant");
  if (desk.commit(name, change(desk.settled(), desk.selection()))) desk.noteAgain({name, change});
}

}  // namespace widecut

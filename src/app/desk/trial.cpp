#include "app/desk/trial.h"

#include "project/edits/words_following.h"
#include "project/lookup.h"

namespace widecut {

bool Trial::isShown() const { return desk_ && desk_->trying_ == this; }

void Trial::preview(Project changed, bool isPointing) {
  if (!desk_) return;
  changed = withWordsFollowing(desk_->settled(), changed);
  // What was worked out before the sheet was there is of no use any more.
  if (!desk_->admits(changed) || !findSheet(changed, desk_->sheet_)) {
    drop();
    return;
  }
  desk_->preview_ = std::move(changed);
  desk_->trying_ = this;
  desk_->isPointing_ = isPointing;
  emit desk_->projectChanged();
}

bool Trial::settle(const QString& name) {
  return isShown() && !desk_->isPointing() && desk_->commit(name, Project(*desk_->preview_));
}

void Trial::drop() {
  if (!isShown()) return;
  desk_->dropPreview();
  emit desk_->projectChanged();
}

}  // namespace widecut

#include "app/desk/subject_watch.h"

#include "app/desk/desk.h"
#include "app/desk/subjects.h"
#include "project/edits/media.h"
#include "project/forms/form.h"
#include "project/resolve.h"

namespace widecut {
namespace {

void gather(const Project& project, const ItemList& items, std::map<Id, std::vector<SubjectSeen>>& cuts) {
  for (const ItemPtr& item : items) {
    if (!item->isShown()) continue;
    if (auto cut = subjectsCut(project, item->id); !cut.empty()) cuts[item->id] = std::move(cut);
    if (showsChildren(item->form)) gather(project, childrenOf(*item), cuts);
  }
}

/// The file that an item's picture misses; null where it misses none.
const Medium* missingOf(const Item& item) {
  const auto shown = shownPhoto(item);
  if (!shown) return nullptr;
  if (!shown->medium->bytes) return shown->medium.get();
  const VideoPtr& video = shown->medium->video;
  return video && !video->file.bytes ? &video->file : nullptr;
}

void gatherMissing(const ItemList& items, std::map<Id, std::string>& missing) {
  for (const ItemPtr& item : items) {
    if (const Medium* file = missingOf(*item)) missing[item->id] = file->name;
    if (showsChildren(item->form)) gatherMissing(childrenOf(*item), missing);
  }
}

}  // namespace

SubjectWatch::SubjectWatch(Desk& desk) : QObject(&desk), desk_(desk) {
  for (const auto signal : {&Desk::projectChanged, &Desk::sheetChanged})
    connect(&desk, signal, this, &SubjectWatch::look);
  for (const auto signal : {&Desk::fileChanged, &Desk::begun})
    connect(&desk, signal, this, &SubjectWatch::lookForMissing);
  connect(&desk, &Desk::toolChanged, this, [this] { setMarking(false); });
}

std::vector<SubjectSeen> SubjectWatch::cutBy(Id item) const {
  const auto found = cuts_.find(item);
  return found == cuts_.end() ? std::vector<SubjectSeen>{} : found->second;
}

void SubjectWatch::setMarking(bool on) {
  if (on == isMarking_) return;
  isMarking_ = on;
  emit changed();
}

std::map<Id, QString> SubjectWatch::troubles() const {
  std::map<Id, QString> out;
  for (const auto& [id, cuts] : cuts_) out[id] = cutText(cuts);
  for (const auto& [id, name] : missing_) out[id] = tr("%1 is missing").arg(QString::fromStdString(name));
  return out;
}

void SubjectWatch::lookForMissing() {
  const auto missing = missingMedia(desk_.settled());
  mayMiss_ = !missing.empty();
  for (const MediumPtr& medium : missing) desk_.photos().forget(medium->hash);
  look();
}

/// What came meanwhile is looked at next, so that marks follow a drag.
void SubjectWatch::look() {
  if (desk_.project().subjects.empty() && !mayMiss_) {
    task_.drop();
    if (!cuts_.empty() || !missing_.empty()) {
      cuts_.clear();
      missing_.clear();
      emit changed();
    }
    return;
  }
  if (task_.isBusy()) {
    again_ = true;
    return;
  }
  again_ = false;
  task_.run([this, project = desk_.project(), sheet = desk_.sheet()] {
    auto cuts = std::make_shared<std::map<Id, std::vector<SubjectSeen>>>();
    auto missing = std::make_shared<std::map<Id, std::string>>();
    gather(project, sheet->items, *cuts);
    gatherMissing(sheet->items, *missing);
    return [this, cuts, missing] {
      cuts_ = std::move(*cuts);
      missing_ = std::move(*missing);
      emit changed();
      if (again_) look();
    };
  });
}

}  // namespace widecut

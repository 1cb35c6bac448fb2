#include "app/desk/subject_watch.h"

#include "app/desk/desk.h"
#include "project/forms/form.h"

namespace widecut {
namespace {

void gather(const Project& project, const ItemList& items, std::map<Id, std::vector<SubjectSeen>>& cuts) {
  for (const ItemPtr& item : items) {
    if (!item->isDelivered()) continue;
    if (auto cut = subjectsCut(project, item->id); !cut.empty()) cuts[item->id] = std::move(cut);
    if (showsChildren(item->form)) gather(project, childrenOf(*item), cuts);
  }
}

}  // namespace

SubjectWatch::SubjectWatch(Desk& desk) : QObject(&desk), desk_(desk) {
  for (const auto signal : {&Desk::projectChanged, &Desk::sheetChanged})
    connect(&desk, signal, this, &SubjectWatch::look);
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

/// What came meanwhile is looked at next, so that marks follow a drag.
void SubjectWatch::look() {
  if (desk_.project().subjects.empty()) {
    task_.drop();
    if (!cuts_.empty()) {
      cuts_.clear();
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
    gather(project, sheet->items, *cuts);
    return [this, cuts] {
      cuts_ = std::move(*cuts);
      emit changed();
      if (again_) look();
    };
  });
}

}  // namespace widecut

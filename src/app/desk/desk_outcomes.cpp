// Making cutouts of the selection, and another one in their stead.
#include "app/desk/desk.h"
#include "project/edits/pieces.h"
#include "project/edits/tree.h"
#include "project/resolve.h"

namespace widecut {

std::vector<Id> Desk::outcomeItems() const {
  const bool justMade = lastOutcome_ && lastOutcome_->state == history_.current() && selection_ == lastOutcome_->made;
  return justMade ? lastOutcome_->items : selection_;
}

LookChoice Desk::lookFor(std::span<const Id> items, Outcome outcome) const {
  LookChoice choice = usualLook(settled(), items, outcome);
  if (chosenLook_ != 0) choice.look = chosenLook_;
  if (chosenPhoto_) choice.photo = *chosenPhoto_;
  return choice;
}

LookChoice Desk::lookForPieces(std::span<const Id> items) const {
  LookChoice choice = lookFor(items, Outcome::Union);
  choice.look = chosenLook_;
  return choice;
}

void Desk::chooseLook(Id item) {
  chosenLook_ = item;
  emit selectionChanged();
}

void Desk::choosePhoto(std::optional<Id> item) {
  chosenPhoto_ = item;
  emit selectionChanged();
}

std::optional<std::vector<Id>> Desk::takeOutcomeItems() {
  const std::vector<Id> items = outcomeItems();
  if (items != selection_) history_.undo();
  if (combinable(settled(), items).size() > 1) return items;
  emit told(tr("Select two or more items first: then the letters combine them."));
  return std::nullopt;
}

void Desk::putOutcomeBack(const std::vector<Id>& items) {
  if (items == selection_) return;
  history_.redo();
  emit projectChanged();
}

void Desk::remember(std::vector<Id> items, std::vector<Id> made) {
  lastOutcome_ = LastOutcome{std::move(items), made, history_.current()};
  // The ids may be those of the outcome before, but they are other items.
  selection_.clear();
  select(std::move(made));
}

void Desk::makeOutcome(Outcome outcome) {
  const auto items = takeOutcomeItems();
  if (!items) return;
  Id made = 0;
  const LookChoice look = lookFor(*items, outcome);
  if (commit(QString::fromUtf8(nameOf(outcome).data()), combined(settled(), *items, outcome, look, made)))
    remember(*items, {made});
  else
    putOutcomeBack(*items);
  if (const ItemPtr cutout = findItem(settled(), made); cutout && resolved(*cutout)->outline.isEmpty())
    emit told(outcome == Outcome::Intersect ? tr("Nothing is left: there is no place that all of them share")
                                            : tr("Nothing is left of them"));
}

void Desk::makeDivision() {
  const auto items = takeOutcomeItems();
  if (!items) return;
  std::vector<Id> made;
  if (!commit(tr("Divide"), withDivided(settled(), *items, lookForPieces(*items), made))) {
    putOutcomeBack(*items);
    return;
  }
  remember(*items, made);
  emit told(tr("%1 pieces: drag one to move it apart").arg(made.size()));
}

}  // namespace widecut

// Steps through the history, and the last change made once more.
#include <algorithm>

#include "app/desk/desk.h"
#include "project/edits/order.h"

namespace widecut {
namespace {

template <class Noted>
void note(std::vector<Noted>& all, Noted one) {
  constexpr std::size_t most = 200;  // steps
  all.push_back(std::move(one));
  if (all.size() > most) all.erase(all.begin());
}

}  // namespace

void Desk::noteAgain(Again again) {
  note(agains_, {history_.current(), again});
  again_ = std::move(again);
  emit againNoted();
}

std::optional<Point> Desk::spacingOfCopies() const {
  if (selection_.empty() || selection_.front() != duplicated_.second) return std::nullopt;
  const ItemPtr from = findItem(settled(), duplicated_.first), to = findItem(settled(), duplicated_.second);
  return from && to ? std::optional(to->position - from->position) : std::nullopt;
}

void Desk::noteSelection() { note(selections_, {history_.current(), selection_}); }

void Desk::doAgain(bool onCopy) {
  if (!again_ || selection_.empty()) return;
  const Again again = *again_;
  Project from = settled();
  std::vector<Id> items = selection_;
  if (onCopy || again.copies) {
    items.clear();
    from = withCopies(settled(), selection_, {}, items);
  }
  // What it is made of counts as selected meanwhile.
  const std::vector<Id> before = std::exchange(selection_, items);
  Project changed = again.change(from, items);
  selection_ = before;
  const bool made = commit(again.copies ? again.name : tr("Again: %1").arg(again.name), std::move(changed));
  if (!made || items == before) return;
  // What went round a pivot goes on round it.
  const Pivot about = pivot_;
  select(items);
  setPivot(about);
}

void Desk::undo() {
  if (!history_.canUndo()) return;
  emit told(tr("Undone: %1").arg(QString::fromStdString(history_.undoName())));
  history_.undo();
  goneThrough();
}

void Desk::redo() {
  if (!history_.canRedo()) return;
  emit told(tr("Done again: %1").arg(QString::fromStdString(history_.redoName())));
  history_.redo();
  goneThrough();
}

void Desk::goneThrough() {
  dropPreview();
  lastOutcome_.reset();
  dropMissing();
  // What was selected when the step was made, where nothing of what is selected now is left.
  const auto was = std::find_if(selections_.rbegin(), selections_.rend(),
                                [&](const auto& one) { return one.state.lock() == history_.current(); });
  if (selection_.empty() && was != selections_.rend()) select(was->what);
  // Again repeats what stands, and not what was undone.
  const auto stands = std::find_if(agains_.rbegin(), agains_.rend(), [&](const auto& one) {
    const ProjectPtr state = one.state.lock();
    return state && history_.isBehind(state);
  });
  again_ = stands == agains_.rend() ? std::nullopt : std::optional(stands->what);
  emit againNoted();
  emit projectChanged();
  emit fileChanged();
}

}  // namespace widecut

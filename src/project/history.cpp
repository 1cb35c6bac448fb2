#include "project/history.h"

#include <algorithm>
#include <set>

#include "project/budgets.h"
#include "project/forms/form.h"
#include "project/lookup.h"
#include "project/resolve.h"

namespace widecut {
namespace {

std::size_t bytesOf(const Item& item) {
  std::size_t bytes = sizeof(Item) + item.name.size() + item.extra.size();
  constexpr std::size_t forLetter = 64;  // where it is set; paragraphs that stay are shared
  bytes += countOfNodes(item.form) * sizeof(Segment) + countOfLetters(item.form) * forLetter;
  for (const ItemPtr& child : childrenOf(item)) bytes += bytesOf(*child);
  // What it comes to, and what it paints, is worked out once and kept with it.
  return 2 * bytes;
}

using MediaSeen = std::set<MediumPtr>;

void gather(const Item& item, MediaSeen& media) {
  for (const Fill& fill : item.style->fills)
    if (const auto* picture = std::get_if<Picture>(&fill.paint)) {
      media.insert(picture->medium);
      if (const VideoPtr& video = picture->medium->video) media.insert(MediumPtr(video, &video->file));
    }
  for (const ItemPtr& child : childrenOf(item)) gather(*child, media);
}

}  // namespace

std::size_t bytesNewIn(const Project& project, const Project& before) {
  std::size_t bytes = sizeof(Project);
  MediaSeen shown, shownBefore;
  const auto now = sheetsOf(project), then = sheetsOf(before);
  for (std::size_t k = 0; k < now.size(); ++k) {
    const SheetPtr& sheet = now[k];
    if (k < then.size() && then[k] == sheet) continue;
    const SheetPtr old = findSheet(before, sheet->id);
    if (sheet == old) continue;
    bytes += sizeof(Sheet);
    // What only moved, or looks otherwise, shares its form and what it comes to.
    const auto count = [&](const Item& item, const Item* was) {
      bytes += was && nodeOf(was->form) == nodeOf(item.form) ? sizeof(Item) : bytesOf(item);
      gather(item, shown);
    };
    const ItemList none, &known = old ? old->items : none;
    eachDifference(sheet->items, known, [&](std::size_t i) {
      count(*sheet->items[i], known[i].get());
      gather(*known[i], shownBefore);
    });
    for (std::size_t i = known.size(); i < sheet->items.size(); ++i) count(*sheet->items[i], nullptr);
    for (std::size_t i = sheet->items.size(); i < known.size(); ++i) gather(*known[i], shownBefore);
  }
  for (const MediumPtr& medium : shown)
    if (medium->bytes && !shownBefore.contains(medium)) bytes += medium->bytes->size();
  return bytes;
}

void History::commit(std::string editName, ProjectPtr project) {
  while (states_.size() > at_ + 1) {
    bytes_ -= states_.back().bytes;
    states_.pop_back();
  }
  if (saved_ != neverSaved && saved_ > at_) saved_ = neverSaved;
  const std::size_t added = bytesNewIn(*project, *current());
  states_.push_back({std::move(editName), std::move(project), added});
  bytes_ += added;
  ++at_;
  while (bytes_ > budgets::undoBytes && states_.size() > budgets::leastUndoSteps + 1) {
    states_.erase(states_.begin());
    bytes_ -= states_.front().bytes;  // of the step that cannot be taken back any more
    states_.front().bytes = 0;
    ++forgotten_;
    --at_;
    if (saved_ != neverSaved) saved_ = saved_ == 0 ? neverSaved : saved_ - 1;
  }
}

void History::markSaved(const ProjectPtr& state) {
  const auto found = std::find_if(states_.begin(), states_.end(), [&](const State& s) { return s.project == state; });
  saved_ = found == states_.end() ? neverSaved : static_cast<std::size_t>(found - states_.begin());
}

}  // namespace widecut

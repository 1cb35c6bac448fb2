#include "app/desk/word_looks.h"

#include "project/edits/words.h"
#include "project/edits/words_following.h"

namespace widecut {
namespace {

/// Of a text that flows on, the words that keep it.
std::vector<Id> withTextOf(const Project& project, std::span<const Id> items) {
  std::vector<Id> out;
  for (const ItemPtr& item : wordsAmong(project, items)) {
    const Id from = wordsOf(*item)->content().flowsFrom, id = from != 0 ? from : item->id;
    if (!contains(out, id)) out.push_back(id);
  }
  return out;
}

/// The words that are typed on, once they are in the project.
const Words* typedWords(const Desk& desk, const Project& project) {
  const ItemPtr item = desk.typedOn() == 0 ? nullptr : findItem(project, desk.typedOn());
  return item ? wordsOf(*item) : nullptr;
}

/// Whether a change is of nothing but drop caps.
bool isOfDropCap(const TextStyleChange& change) {
  TextStyle before, after;
  before.dropLines = 0;
  after = before;
  change(after);
  const Look changed = difference(before, after);
  return !changed.empty() && std::all_of(changed.begin(), changed.end(), [](const auto& one) {
    return one.first >= TextAspect::DropLines && one.first <= TextAspect::DropHugs;
  });
}

/// Of whole texts, the first paragraph alone has one.
Project withDropCaps(const Project& project, std::span<const Id> words, const TextStyleChange& change) {
  Project out = project;
  for (const Id id : words) {
    const Words::Content& content = wordsOf(*findItem(project, id))->content();
    const TextStyle before = paragraphStyle(content.looks, content.style, 0);
    TextStyle after = before;
    change(after);
    out = withLookBetween(out, id, 0, 0, difference(before, after));
  }
  return out;
}

TextStyle styleThere(const Words& words, std::size_t at) {
  const Words::Content& c = words.content();
  return styleAt(c.text, c.looks, c.style, std::min(at, c.text.size()));
}

}  // namespace

ItemPtr chosenWords(const Desk& desk) {
  const auto ids = withTextOf(desk.project(), desk.selection());
  return ids.empty() ? nullptr : findItem(desk.project(), ids.front());
}

std::vector<ChosenStretch> chosenStretches(const Desk& desk) {
  if (typedWords(desk, desk.settled())) {
    const auto [from, to] = desk.typedStretch();
    return {{desk.typedOn(), from, to}};
  }
  std::vector<ChosenStretch> out;
  for (const Id id : withTextOf(desk.settled(), desk.selection()))
    out.push_back({id, 0, wordsOf(*findItem(desk.settled(), id))->content().text.size()});
  return out;
}

TextStyle chosenTextStyle(const Desk& desk) {
  if (const Words* typed = typedWords(desk, desk.project())) {
    const auto [from, to] = desk.typedStretch();
    return styleThere(*typed, from < to || from == 0 ? from : from - 1);
  }
  const ItemPtr item = chosenWords(desk);
  return item ? styleThere(*wordsOf(*item), 0) : desk.textStyleForNew();
}

Project withChosenTextStyle(const Desk& desk, const TextStyleChange& change) {
  const Project& project = desk.settled();
  const Words* typed = typedWords(desk, project);
  if (!typed) {
    const auto ids = withTextOf(project, desk.selection());
    return isOfDropCap(change) ? withDropCaps(project, ids, change) : withTextStyle(project, ids, change);
  }
  const auto [from, to] = desk.typedStretch();
  const TextStyle before = styleThere(*typed, from);
  TextStyle after = before;
  change(after);
  const Look changed = difference(before, after);
  const Id id = desk.typedOn();
  if (from < to) return withLookBetween(project, id, from, to, changed);
  const bool isOneParagraph = typed->content().text.find('\n') == std::string::npos;
  const bool isOfParagraphs =
      std::all_of(changed.begin(), changed.end(), [](const auto& one) { return entryOf(one.first).isOfParagraphs; });
  if (isOfParagraphs && !isOneParagraph) return withLookBetween(project, id, from, from, changed);
  return withTextStyle(project, {&id, 1}, change);
}

}  // namespace widecut

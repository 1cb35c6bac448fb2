#include "app/tools/typing.h"

#include <algorithm>

#include "project/edits/cutouts.h"
#include "project/edits/tree.h"
#include "project/edits/words.h"
#include "project/limits.h"
#include "project/names.h"

namespace widecut {
namespace {

constexpr int pauseMilliseconds = 600;

}  // namespace

Typing::Typing(Desk& desk) : desk_(desk), trial_(desk) {
  pause_.setSingleShot(true);
  pause_.setInterval(pauseMilliseconds);
  QObject::connect(&pause_, &QTimer::timeout, &desk, [this] { settle(); });
  QObject::connect(&desk, &Desk::settleWanted, &pause_, [this] { settle(); });
  QObject::connect(&desk, &Desk::projectChanged, &pause_, [this] { follow(); });
  QObject::connect(&desk, &Desk::toolSet, &pause_, [this] {
    if (!draft_ || !text_.empty()) return;
    Words::Content content = wordsOf(draft_->item)->content();
    content.style = desk_.textStyleForNew();
    draft_->item.form = wordsForm(std::move(content));
  });
  QObject::connect(&desk, &Desk::sheetChanged, &pause_, [this] { clear(); });
}

void Typing::clear() {
  pause_.stop();
  item_ = 0;
  draft_.reset();
  text_.clear();
  preedit_.clear();
  caret_ = anchor_ = 0;
  wantedX_.reset();
  desk_.setTypedOn(0);
}

void Typing::beginOn(Id words, std::size_t caret) {
  end();
  const ItemPtr item = findItem(desk_.settled(), words);
  if (!item || !wordsOf(*item)) return;
  item_ = words;
  text_ = wordsOf(*item)->content().text;
  caret_ = anchor_ = std::min(caret, text_.size());
  desk_.select({words});
  desk_.setTypedOn(words);
}

void Typing::beginWith(WordsDraft draft) {
  end();
  draft_ = std::move(draft);
}

void Typing::end() {
  if (!isOn()) return;
  setPreedit({});
  settle();
  const Id id = item_;
  const bool isEmpty = text_.empty();
  clear();
  if (id != 0 && isEmpty) desk_.commit(Desk::tr("Delete"), withoutItems(desk_.settled(), std::vector<Id>{id}));
}

/// What of the project is as it was typed, not what an input method is at.
void Typing::settle() {
  pause_.stop();
  if (settling_ || !trial_.isShown()) return;
  settling_ = true;
  if (!preedit_.empty()) {
    preedit_.clear();
    showNow();
  }
  const bool settled = trial_.settle(Desk::tr("Type"));
  settling_ = false;
  if (!settled || !draft_ || text_.empty()) return;
  // The words are there now.
  draft_.reset();
  desk_.select({item_});
}

/// After a step through the history, or another change of the words.
void Typing::follow() {
  if (!isOn() || settling_ || trial_.isShown()) return;
  if (draft_) return;
  const ItemPtr item = findItem(desk_.project(), item_);
  const Words* words = item ? wordsOf(*item) : nullptr;
  if (!words) {
    clear();
    return;
  }
  if (words->content().text == text_) return;
  text_ = words->content().text;
  caret_ = anchor_ = std::min(caret_, text_.size());
  while (caret_ > 0 && caret_ < text_.size() && (text_[caret_] & '\xC0') == '\x80') anchor_ = --caret_;
}

ItemPtr Typing::shown() const {
  if (item_ != 0)
    if (ItemPtr item = findItem(desk_.project(), item_); item && wordsOf(*item)) return item;
  return std::make_shared<const Item>(draft_->item);
}

Affine Typing::setToSheet() const {
  const bool isThere = item_ != 0 && findItem(desk_.project(), item_);
  const Affine frame = isThere ? frameToSheet(desk_.project(), item_) : draft_->item.toParent();
  return frame * words().content().stretch;
}

QString Typing::selectedText() const {
  return QString::fromStdString(text_.substr(selectionBegin(), selectionEnd() - selectionBegin()));
}

void Typing::moveTo(std::size_t place, Keep keep) {
  setPreedit({});
  settle();
  caret_ = std::min(place, text_.size());
  if (keep == Keep::No) anchor_ = caret_;
  wantedX_.reset();
}

void Typing::step(int direction, Stride stride, Keep keep) {
  // Without Shift a selection is left at its end.
  if (keep == Keep::No && hasSelection() && stride == Stride::Letter)
    moveTo(direction > 0 ? selectionEnd() : selectionBegin(), keep);
  else
    moveTo(stepped(text_, caret_, direction, stride), keep);
}

void Typing::stepLine(int down, Keep keep) {
  const SetWords& set = words().set();
  const double x = wantedX_.value_or(caretAt(set, caret_).x);
  const auto line = static_cast<std::ptrdiff_t>(lineAt(set, caret_)) + down;
  if (line < 0)
    moveTo(0, keep);
  else if (line >= std::ssize(set.lines))
    moveTo(text_.size(), keep);
  else
    moveTo(placeOnLine(set.lines[static_cast<std::size_t>(line)], x), keep);
  wantedX_ = x;
}

void Typing::toLineEnd(int direction, Keep keep) {
  const SetWords& set = words().set();
  const std::size_t number = lineAt(set, caret_);
  const SetLine& line = set.lines[number];
  std::size_t place = direction > 0 ? line.to : line.from;
  // The end of a broken line is the beginning of the next: the caret stays before the space there.
  const bool isBroken = number + 1 < set.lines.size() && set.lines[number + 1].from == line.to;
  if (direction > 0 && isBroken && place > line.from) place = stepped(text_, place, -1, Stride::Letter);
  moveTo(place, keep);
}

void Typing::selectAll() {
  moveTo(0, Keep::No);
  moveTo(text_.size(), Keep::Selection);
}

void Typing::selectWord(std::size_t at) {
  const auto [from, to] = wordAt(text_, at);
  moveTo(from, Keep::No);
  moveTo(to, Keep::Selection);
}

void Typing::insert(const QString& text) {
  preedit_.clear();
  const std::string added = cleanText(text.toStdString());
  if (added.empty() && !hasSelection()) return;
  std::string changed = text_;
  changed.replace(selectionBegin(), selectionEnd() - selectionBegin(), added);
  if (changed.size() > limits::mostTextBytes) {
    emit desk_.told(Desk::tr("Not typed: an item's words have 100,000 bytes of text at most"));
    return;
  }
  show(std::move(changed), selectionBegin() + added.size());
}

void Typing::erase(int direction, Stride stride) {
  if (!hasSelection()) {
    const std::size_t to = stepped(text_, caret_, direction, stride);
    anchor_ = to;
    if (!hasSelection()) return;
  }
  insert({});
}

void Typing::setPreedit(const QString& text) {
  const std::string now = cleanText(text.toStdString());
  if (now == preedit_) return;
  preedit_ = now;
  showNow();
}

void Typing::show(std::string text, std::size_t caret) {
  const std::string before = std::exchange(text_, std::move(text));
  const std::size_t caretBefore = std::exchange(caret_, caret);
  wantedX_.reset();
  if (showNow()) {
    anchor_ = caret_;
    pause_.start();
    return;
  }
  text_ = before;
  caret_ = anchor_ = caretBefore;
  showNow();
}

/// False when what would be shown is beyond the limits.
bool Typing::showNow() {
  std::string text = text_;
  text.insert(caret_, preedit_);
  if (!draft_) {
    trial_.show(withText(desk_.settled(), item_, text));
    return trial_.isShown();
  }
  if (text.empty()) {
    trial_.drop();
    item_ = 0;
    desk_.setTypedOn(0);
    return true;
  }
  Item item = draft_->item;
  item.name = UniqueNames(*findSheet(desk_.settled(), desk_.sheet()->id)).take(nameOfWords(text));
  Words::Content content = wordsOf(item)->content();
  content.text = text;
  item.form = wordsForm(std::move(content));
  const Id id = desk_.settled().nextId;
  Id joined = 0;
  trial_.show(draft_->role ? withJoined(desk_.settled(), draft_->target, item, *draft_->role, joined)
                           : withItemsOnTop(desk_.settled(), desk_.sheet()->id, {item}));
  if (!trial_.isShown()) return false;
  item_ = id;
  desk_.setTypedOn(id);
  return true;
}

}  // namespace widecut

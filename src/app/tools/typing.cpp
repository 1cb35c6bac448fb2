#include "app/tools/typing.h"

#include <algorithm>

#include "app/desk/read_then.h"
#include "project/edits/cutouts.h"
#include "project/edits/tree.h"
#include "project/edits/words.h"
#include "project/edits/words_following.h"
#include "project/limits.h"
#include "project/names.h"
#include "storage/text_in.h"

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
    if (!draft_ || !typed_.text.empty()) return;
    Words::Content content = wordsOf(draft_->item)->content();
    content.style = desk_.textStyleForNew();
    draft_->item.form = wordsForm(std::move(content));
  });
  QObject::connect(&desk, &Desk::sheetChanged, &pause_, [this] { clear(); });
}

void Typing::clear() {
  pause_.stop();
  item_ = 0;
  session_.reset();
  draft_.reset();
  typed_ = {};
  preedit_.clear();
  caret_ = anchor_ = 0;
  wantedX_.reset();
  desk_.setTypedOn(0);
}

void Typing::tellDesk() { desk_.setTypedOn(item_, selectionBegin(), selectionEnd()); }

std::vector<Id> Typing::frames() const {
  return item_ == 0 ? std::vector<Id>{} : framesOfStory(desk_.project(), item_);
}

void Typing::beginOn(Id words, std::size_t caret) {
  end();
  const ItemPtr frame = findItem(desk_.settled(), words);
  if (!frame || !wordsOf(*frame)) return;
  // A text that flows on is typed where it is kept: in the first of its frames.
  const Id first = framesOfStory(desk_.settled(), words).front();
  const ItemPtr item = findItem(desk_.settled(), first);
  if (!item || !wordsOf(*item)) return;
  item_ = first;
  session_ = std::make_shared<char>();
  typed_ = lookedTextOf(*wordsOf(*item));
  caret_ = anchor_ = std::min(caret, typed_.text.size());
  desk_.select({words});
  tellDesk();
}

void Typing::beginWith(WordsDraft draft) {
  end();
  session_ = std::make_shared<char>();
  draft_ = std::move(draft);
}

void Typing::end() {
  if (!isOn()) return;
  setPreedit({});
  settle();
  const Id id = item_;
  const bool isEmpty = typed_.text.empty() && frames().size() < 2;
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
  if (!settled || !draft_ || typed_.text.empty()) return;
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
  if (words->content().text == typed_.text) {
    typed_.looks = words->content().looks;
    return;
  }
  typed_ = lookedTextOf(*words);
  caret_ = anchor_ = std::min(caret_, typed_.text.size());
  while (caret_ > 0 && caret_ < typed_.text.size() && (typed_.text[caret_] & '\xC0') == '\x80') anchor_ = --caret_;
  tellDesk();
}

Id Typing::shownId() const {
  const auto all = frames();
  for (const Id id : all) {
    const ItemPtr item = findItem(desk_.project(), id);
    const Words* words = item ? wordsOf(*item) : nullptr;
    if (!words || words->set().lines.empty()) continue;
    const auto& lines = words->set().lines;
    if (shownCaret() >= lines.front().from && shownCaret() <= lines.back().to) return id;
  }
  return item_;
}

ItemPtr Typing::shown() const {
  if (item_ != 0)
    if (ItemPtr item = findItem(desk_.project(), shownId()); item && wordsOf(*item)) return item;
  return std::make_shared<const Item>(draft_->item);
}

Affine Typing::setToSheet() const {
  const bool isThere = item_ != 0 && findItem(desk_.project(), item_);
  const Affine frame = isThere ? frameToSheet(desk_.project(), shownId()) : draft_->item.toParent();
  return frame * words().content().stretch;
}

QString Typing::selectedText() const {
  return QString::fromStdString(typed_.text.substr(selectionBegin(), selectionEnd() - selectionBegin()));
}

void Typing::moveTo(std::size_t place, Keep keep) {
  setPreedit({});
  settle();
  caret_ = std::min(place, typed_.text.size());
  if (keep == Keep::No) anchor_ = caret_;
  wantedX_.reset();
  tellDesk();
}

void Typing::step(int direction, Stride stride, Keep keep) {
  // Without Shift a selection is left at its end.
  if (keep == Keep::No && hasSelection() && stride == Stride::Letter)
    moveTo(direction > 0 ? selectionEnd() : selectionBegin(), keep);
  else
    moveTo(stepped(typed_.text, caret_, direction, stride), keep);
}

void Typing::stepLine(int down, Keep keep) {
  const SetWords& set = words().set();
  const double x = wantedX_.value_or(caretAt(set, caret_).x);
  const auto line = static_cast<std::ptrdiff_t>(lineAt(set, caret_)) + down;
  if (line < 0)
    moveTo(set.lines.front().from > 0 ? set.lines.front().from - 1 : 0, keep);
  else if (line >= std::ssize(set.lines))
    moveTo(set.lines.back().to < typed_.text.size() ? set.lines.back().to + 1 : typed_.text.size(), keep);
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
  if (direction > 0 && isBroken && place > line.from) place = stepped(typed_.text, place, -1, Stride::Letter);
  moveTo(place, keep);
}

void Typing::selectAll() {
  moveTo(0, Keep::No);
  moveTo(typed_.text.size(), Keep::Selection);
}

void Typing::selectWord(std::size_t at) {
  const auto [from, to] = wordAt(typed_.text, at);
  moveTo(from, Keep::No);
  moveTo(to, Keep::Selection);
}

bool Typing::beginsWord(const std::string& added) const {
  const auto isBlank = [](char c) { return c == ' ' || c == '\t' || c == '\n'; };
  return !hasSelection() && !added.empty() && !isBlank(added.front()) && caret_ > 0 && isBlank(typed_.text[caret_ - 1]);
}

void Typing::insert(const LookedText& added) {
  preedit_.clear();
  if (added.text.empty() && !hasSelection()) return;
  if (beginsWord(added.text)) settle();  // so that words are undone one by one
  const std::size_t end = selectionBegin() + added.text.size();
  LookedText changed = withReplaced(typed_, selectionBegin(), selectionEnd(), added);
  if (changed.text.size() > limits::mostTextBytes) {
    emit desk_.told(Desk::tr("Not typed: an item's words have 2,000,000 bytes of text at most"));
    return;
  }
  show(std::move(changed), end);
}

void Typing::paste(const QMimeData& data) {
  if (!data.hasHtml()) return insert(data.text());
  const std::weak_ptr<char> session = session_;
  readThen<LookedText>(
      desk_, Desk::tr("Reading the text on the clipboard"),
      [html = data.html().toStdString(), style = words().content().style](const Progress& progress) {
        return textFromFile(html, TextKind::Html, style, {.progress = progress});
      },
      [this, session](LookedText text) -> Result<void> {
        if (session.expired()) return {};
        text.looks.paragraphs.clear();
        insert(text);
        return {};
      },
      [this, session, plain = data.text()](const Problem& why) {
        if (session.expired()) return;
        insert(plain);
        emit desk_.told(Desk::tr("Pasted without its looks: %1").arg(QString::fromStdString(why.message)));
      });
}

void Typing::erase(int direction, Stride stride) {
  if (!hasSelection()) {
    const std::size_t to = stepped(typed_.text, caret_, direction, stride);
    anchor_ = to;
    if (!hasSelection()) return;
  }
  insert(LookedText{});
}

void Typing::toggle(TextAspect aspect, double on, double off) {
  if (item_ == 0 || !hasSelection()) return;
  settle();
  const ItemPtr item = findItem(desk_.settled(), item_);
  const TextStyle& whole = wordsOf(*item)->content().style;
  bool isOn = true;
  for (std::size_t at = selectionBegin(); at < selectionEnd(); at = stepped(typed_.text, at, 1, Stride::Letter))
    isOn = isOn && valueOf(styleAt(typed_.text, typed_.looks, whole, at), aspect) == AspectValue(on);
  desk_.commit(Desk::tr("Look of letters"),
               withLookBetween(desk_.settled(), item_, selectionBegin(), selectionEnd(), {{aspect, isOn ? off : on}}));
}

void Typing::setPreedit(const QString& text) {
  const std::string now = cleanText(text.toStdString());
  if (now == preedit_) return;
  preedit_ = now;
  showNow();
}

void Typing::show(LookedText text, std::size_t caret) {
  const LookedText before = std::exchange(typed_, std::move(text));
  const std::size_t caretBefore = std::exchange(caret_, caret);
  wantedX_.reset();
  if (showNow()) {
    anchor_ = caret_;
    pause_.start();
    return;
  }
  typed_ = before;
  caret_ = anchor_ = caretBefore;
  showNow();
}

/// False when what would be shown is beyond the limits.
bool Typing::showNow() {
  const LookedText shown = preedit_.empty() ? typed_ : withReplaced(typed_, caret_, caret_, {preedit_, {}});
  const std::string& text = shown.text;
  if (!draft_) {
    trial_.show(withLookedText(desk_.settled(), item_, shown));
    if (trial_.isShown()) desk_.setTypedOn(item_, caret_, caret_);
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
  content.looks = shown.looks;
  item.form = wordsForm(std::move(content));
  const Id id = desk_.settled().nextId;
  Id joined = 0;
  trial_.show(draft_->role ? withJoined(desk_.settled(), draft_->target, item, *draft_->role, joined)
                           : withItemsOnTop(desk_.settled(), desk_.sheet()->id, {item}));
  if (!trial_.isShown()) return false;
  item_ = id;
  desk_.setTypedOn(id, caret_, caret_);
  return true;
}

}  // namespace widecut

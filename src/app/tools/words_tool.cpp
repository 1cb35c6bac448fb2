#include "app/tools/words_tool.h"

#include <QApplication>
#include <QClipboard>
#include <QInputMethodEvent>
#include <QKeyEvent>
#include <QMimeData>

#include "app/mat/mat.h"
#include "app/tools/join_key.h"
#include "project/edits/words_following.h"
#include "project/resolve.h"
#include "project/usual_colours.h"
#include "scene/hit.h"
#include "storage/text_in.h"

namespace widecut {
namespace {

constexpr double leastDrag = 6;  // pixels before a click is a frame

/// What keys do to the caret.
struct CaretKey {
  QKeySequence::StandardKey moves, selects;
  void (*step)(Typing& typing, Typing::Keep keep);
};
constexpr CaretKey caretKeys[] = {
    {QKeySequence::MoveToNextChar, QKeySequence::SelectNextChar,
     [](Typing& t, Typing::Keep keep) { t.step(1, Stride::Letter, keep); }},
    {QKeySequence::MoveToPreviousChar, QKeySequence::SelectPreviousChar,
     [](Typing& t, Typing::Keep keep) { t.step(-1, Stride::Letter, keep); }},
    {QKeySequence::MoveToNextWord, QKeySequence::SelectNextWord,
     [](Typing& t, Typing::Keep keep) { t.step(1, Stride::Word, keep); }},
    {QKeySequence::MoveToPreviousWord, QKeySequence::SelectPreviousWord,
     [](Typing& t, Typing::Keep keep) { t.step(-1, Stride::Word, keep); }},
    {QKeySequence::MoveToNextLine, QKeySequence::SelectNextLine,
     [](Typing& t, Typing::Keep keep) { t.stepLine(1, keep); }},
    {QKeySequence::MoveToPreviousLine, QKeySequence::SelectPreviousLine,
     [](Typing& t, Typing::Keep keep) { t.stepLine(-1, keep); }},
    {QKeySequence::MoveToStartOfLine, QKeySequence::SelectStartOfLine,
     [](Typing& t, Typing::Keep keep) { t.toLineEnd(-1, keep); }},
    {QKeySequence::MoveToEndOfLine, QKeySequence::SelectEndOfLine,
     [](Typing& t, Typing::Keep keep) { t.toLineEnd(1, keep); }},
    {QKeySequence::MoveToStartOfDocument, QKeySequence::SelectStartOfDocument,
     [](Typing& t, Typing::Keep keep) { t.moveTo(0, keep); }},
    {QKeySequence::MoveToEndOfDocument, QKeySequence::SelectEndOfDocument,
     [](Typing& t, Typing::Keep keep) { t.moveTo(t.text().size(), keep); }},
};

bool isTab(const QKeyEvent& event) { return event.key() == Qt::Key_Tab && event.modifiers() == Qt::NoModifier; }

/// What other keys do to the text.
struct EditKey {
  QKeySequence::StandardKey key;
  void (*act)(Typing& typing);
};
void copy(Typing& typing) {
  if (!typing.hasSelection()) return;
  auto* data = new QMimeData;
  data->setText(typing.selectedText());
  if (const LookedText selected = typing.selected(); !selected.looks.letters.empty())
    data->setHtml(QString::fromStdString(htmlOf(selected, typing.words().content().style)));
  QApplication::clipboard()->setMimeData(data);
}
void paste(Typing& typing) {
  if (const QMimeData* data = QApplication::clipboard()->mimeData()) typing.paste(*data);
}
constexpr EditKey editKeys[] = {
    {QKeySequence::Backspace, [](Typing& t) { t.erase(-1, Stride::Letter); }},
    {QKeySequence::DeleteStartOfWord, [](Typing& t) { t.erase(-1, Stride::Word); }},
    {QKeySequence::DeleteEndOfWord, [](Typing& t) { t.erase(1, Stride::Word); }},
    {QKeySequence::Delete, [](Typing& t) { t.erase(1, Stride::Letter); }},
    {QKeySequence::SelectAll, [](Typing& t) { t.selectAll(); }},
    {QKeySequence::Copy, copy},
    {QKeySequence::Cut,
     [](Typing& t) {
       copy(t);
       if (t.hasSelection()) t.erase(1, Stride::Letter);
     }},
    {QKeySequence::Paste, paste},
    {QKeySequence::Bold, [](Typing& t) { t.toggle(TextAspect::Weight, 700, 400); }},
    {QKeySequence::Italic, [](Typing& t) { t.toggle(TextAspect::Italic, 1, 0); }},
    {QKeySequence::Underline, [](Typing& t) { t.toggle(TextAspect::Underlined, 1, 0); }},
};

bool isPlainText(const QKeyEvent& event) {
  const bool isCommand = event.modifiers() & (Qt::ControlModifier | Qt::AltModifier | Qt::MetaModifier);
  return !isCommand && !event.text().isEmpty() && event.text().front().isPrint();
}

}  // namespace

WordsTool::WordsTool(Mat& mat, Desk& desk) : Tool(mat, desk), typing_(desk) {
  QObject::connect(&desk, &Desk::typingWanted, &mat, [this](Id words, std::optional<Point> at) {
    typing_.beginOn(words, static_cast<std::size_t>(-1));
    if (at && typing_.isOn()) typing_.moveTo(placeUnder(*at), Typing::Keep::No);
    showCaret();
    mat_.setFocus(Qt::OtherFocusReason);
  });
  QObject::connect(&desk, &Desk::writingWanted, &mat, [this](Id id) {
    const ItemPtr item = findItem(desk_.project(), id);
    const bool isOpen =
        item && !resolved(*item)->outline.isEmpty() && !resolved(*item)->outline.contours.front().closed;
    if (item) beginOn(boxOnSheet(desk_.project(), id).centre(), {id, isOpen});
    mat_.setFocus(Qt::OtherFocusReason);
  });
  blink_.setInterval(QApplication::cursorFlashTime() / 2);
  QObject::connect(&blink_, &QTimer::timeout, &mat, [this] {
    caretShows_ = !caretShows_ || blink_.interval() == 0;
    if (!typing_.isOn()) blink_.stop();
    mat_.update();
  });
}

void WordsTool::showCaret() {
  caretShows_ = true;
  if (typing_.isOn() && blink_.interval() > 0) blink_.start();
  mat_.update();
}

Id WordsTool::frameUnder(Point onSheet) const {
  Id nearest = 0;
  double least = 0;
  for (const Id id : typing_.frames()) {
    if (const SheetPtr on = sheetOf(desk_.project(), id); !on || on->id != desk_.sheet()->id) continue;
    const Box box = boxOnSheet(desk_.project(), id);
    const double away =
        std::max({box.low.x - onSheet.x, onSheet.x - box.high.x, box.low.y - onSheet.y, onSheet.y - box.high.y, 0.0});
    if (nearest == 0 || away < least) {
      nearest = id;
      least = away;
    }
  }
  return nearest;
}

std::size_t WordsTool::placeUnder(Point onSheet) const {
  const Id frame = frameUnder(onSheet);
  const ItemPtr item = frame == 0 ? nullptr : findItem(desk_.project(), frame);
  if (!item || !wordsOf(*item)) {
    const auto back = typing_.setToSheet().inverse();
    return back ? placeAt(typing_.words().set(), (*back)(onSheet)) : 0;
  }
  const Words& words = *wordsOf(*item);
  const auto back = (frameToSheet(desk_.project(), frame) * words.content().stretch).inverse();
  return back ? placeAt(words.set(), (*back)(onSheet)) : 0;
}

bool WordsTool::isOnTyped(Point onSheet) const {
  if (!typing_.isOn()) return false;
  const auto frames = typing_.frames();
  if (frames.size() > 1) return contains(frames, wordsAt(*desk_.sheet(), onSheet));
  const auto back = typing_.setToSheet().inverse();
  if (!back) return false;
  const Point p = (*back)(onSheet);
  const Words& words = typing_.words();
  if (words.content().frame && Box{{0, 0}, {words.content().frame->width, words.content().frame->height}}.contains(p))
    return true;
  for (const SetLine& line : words.set().lines)
    if (boxOf(line).grown(words.set().descent).contains(p)) return true;
  return false;
}

void WordsTool::press(const Pointer& p) {
  pressed_ = now_ = p;
  if (!isOnTyped(p.onSheet)) {
    if (const Id words = wordsAt(*desk_.sheet(), p.onSheet)) {
      typing_.beginOn(words, 0);
    } else if (typing_.isOn()) {
      // Away from the words: done with them.
      desk_.setTool(ToolKind::Select);
      return;
    } else {
      doing_ = Doing::Drawing;
      return;
    }
  }
  doing_ = Doing::Selecting;
  typing_.moveTo(placeUnder(p.onSheet), p.keys & Qt::ShiftModifier ? Typing::Keep::Selection : Typing::Keep::No);
  showCaret();
}

void WordsTool::drag(const Pointer& p) {
  now_ = p;
  if (doing_ == Doing::Selecting && typing_.isOn()) typing_.moveTo(placeUnder(p.onSheet), Typing::Keep::Selection);
}

void WordsTool::release(const Pointer& p) {
  now_ = p;
  if (std::exchange(doing_, Doing::Nothing) != Doing::Drawing) return;
  const QPointF way = p.onMat - pressed_.onMat;
  if (std::abs(way.x()) < leastDrag || std::abs(way.y()) < leastDrag) {
    const auto target = targetAt(pressed_);
    if (target)
      beginOn(pressed_.onSheet, *target);
    else
      begin(pressed_.onSheet, std::nullopt);
  } else {
    const Box box = Box::between(pressed_.onSheet, p.onSheet);
    begin(box.low, TextFrame{box.width(), box.height()});
  }
}

void WordsTool::begin(Point at, std::optional<TextFrame> frame) {
  Style look;
  setColour(look, legibleAt(at));
  Item words = plainItem(0, "", {}, std::move(look));
  words.position = at;
  words.form = wordsForm({{}, desk_.textStyleForNew(), std::move(frame), {}, {}});
  beginWith(std::move(words), desk_.joinForNew());
}

void WordsTool::beginOn(Point at, const Target& target) {
  constexpr double margin = 0.5;        // of the letters' size
  constexpr double rectangular = 0.88;  // of the area of the box
  Style look;
  setColour(look, target.isAlong ? usualInk : legibleAt(at));
  Words::Content content;
  content.style = desk_.textStyleForNew();
  if (!target.isAlong) {
    content.frame = TextFrame{1, 1};
    content.frame->inset = std::round(content.style.size * margin);
    // In what is far from a rectangle, words stand in the middle.
    const Outline& outline = resolved(*findItem(desk_.project(), target.item))->outline;
    const Box box = bounds(outline);
    if (std::abs(signedArea(outline)) < rectangular * box.width() * box.height()) {
      content.frame->upright = Upright::Middle;
      content.style.align = Align::Centre;
    }
  }
  auto words = target.isAlong ? wordsAlong(desk_.settled(), target.item, std::move(content), std::move(look))
                              : wordsInside(desk_.settled(), target.item, std::move(content), std::move(look));
  if (words) beginWith(std::move(*words), std::nullopt);
}

void WordsTool::beginWith(Item words, std::optional<Role> role) {
  WordsDraft draft;
  draft.role = role;
  draft.target = role ? desk_.onlyItem()->id : 0;
  draft.item = std::move(words);
  if (!role) desk_.select({});
  target_.reset();
  typing_.beginWith(std::move(draft));
  showCaret();
}

void WordsTool::hover(const Pointer& p) {
  now_ = p;
  under_ = isOnTyped(p.onSheet) ? 0 : wordsAt(*desk_.sheet(), p.onSheet);
  target_ = under_ == 0 && !typing_.isOn() ? targetAt(p) : std::nullopt;
}

void WordsTool::doubleClick(const Pointer& p) {
  const auto back = typing_.isOn() ? typing_.setToSheet().inverse() : std::nullopt;
  if (back && isOnTyped(p.onSheet)) typing_.selectWord(letterUnder(typing_.words().set(), (*back)(p.onSheet)));
}

bool WordsTool::wants(const QKeyEvent& event) const {
  if (!typing_.isOn()) return event.modifiers() == Qt::NoModifier && roleOf(event.key()) && desk_.canJoin();
  if (isPlainText(event) || isTab(event) || event.key() == Qt::Key_Escape || event.key() == Qt::Key_Return ||
      event.key() == Qt::Key_Enter)
    return true;
  for (const CaretKey& key : caretKeys)
    if (event.matches(key.moves) || event.matches(key.selects)) return true;
  for (const EditKey& key : editKeys)
    if (event.matches(key.key)) return true;
  return false;
}

bool WordsTool::key(QKeyEvent& event) {
  if (typing_.isOn()) return keyWhileTyping(event);
  if (event.key() == Qt::Key_Escape) {
    desk_.setTool(ToolKind::Select);
    return true;
  }
  if (const auto role = roleOf(event.key()); role && wants(event)) {
    desk_.setJoinForNew(desk_.joinForNew() == role ? std::nullopt : role);
    return true;
  }
  if (event.key() == Qt::Key_Return || event.key() == Qt::Key_Enter) {
    const ItemPtr chosen = desk_.joinForNew() ? nullptr : desk_.onlyItem();
    const Point middle = chosen ? boxOnSheet(desk_.project(), chosen->id).centre() : desk_.sheet()->box().centre();
    const auto target = chosen ? targetOn(chosen, middle, Takes::All) : std::nullopt;
    if (target)
      beginOn(middle, *target);
    else
      begin(desk_.sheet()->box().centre(), std::nullopt);
    return true;
  }
  return false;
}

bool WordsTool::keyWhileTyping(QKeyEvent& event) {
  showCaret();
  if (event.key() == Qt::Key_Escape) {
    desk_.setTool(ToolKind::Select);
    return true;
  }
  if (event.key() == Qt::Key_Return || event.key() == Qt::Key_Enter) {
    typing_.insert("\n");
    return true;
  }
  if (isTab(event)) {
    typing_.insert("\t");
    return true;
  }
  for (const CaretKey& key : caretKeys)
    if (event.matches(key.moves) || event.matches(key.selects)) {
      key.step(typing_, event.matches(key.selects) ? Typing::Keep::Selection : Typing::Keep::No);
      return true;
    }
  for (const EditKey& key : editKeys)
    if (event.matches(key.key)) {
      key.act(typing_);
      return true;
    }
  if (!isPlainText(event)) return false;
  typing_.insert(event.text());
  return true;
}

void WordsTool::inputMethod(const QInputMethodEvent& event) {
  if (!event.commitString().isEmpty() || event.replacementLength() > 0) {
    typing_.setPreedit({});
    for (int i = 0; i < event.replacementLength(); ++i) typing_.erase(-1, Stride::Letter);
    typing_.insert(event.commitString());
  }
  typing_.setPreedit(event.preeditString());
  showCaret();
}

QVariant WordsTool::inputMethodQuery(Qt::InputMethodQuery query) const {
  switch (query) {
    case Qt::ImEnabled:
      return typing_.isOn();
    case Qt::ImCursorRectangle:
      return typing_.isOn() ? QVariant(caretOnMat()) : QVariant();
    case Qt::ImSurroundingText:
      return QString::fromStdString(typing_.text());
    case Qt::ImCursorPosition:
      return QString::fromStdString(typing_.text().substr(0, typing_.caret())).size();
    case Qt::ImAnchorPosition:
    case Qt::ImCurrentSelection:
      return query == Qt::ImCurrentSelection
                 ? QVariant(typing_.selectedText())
                 : QVariant(QString::fromStdString(typing_.text().substr(0, typing_.caret())).size());
    default:
      return {};
  }
}

void WordsTool::putAway() {
  doing_ = Doing::Nothing;
  under_ = 0;
  target_.reset();
  typing_.end();
  blink_.stop();
}

QCursor WordsTool::cursor() const { return Qt::IBeamCursor; }

}  // namespace widecut

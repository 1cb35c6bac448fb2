#include "app/tools/words_tool.h"

#include <QApplication>
#include <QClipboard>
#include <QInputMethodEvent>
#include <QKeyEvent>
#include <QPainter>

#include "app/look/theme.h"
#include "app/mat/mat.h"
#include "app/mat/pointer_label.h"
#include "app/tools/join_key.h"
#include "project/resolve.h"
#include "project/usual_colours.h"
#include "scene/hit.h"

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

/// What other keys do to the text.
struct EditKey {
  QKeySequence::StandardKey key;
  void (*act)(Typing& typing);
};
void copy(Typing& typing) {
  if (typing.hasSelection()) QApplication::clipboard()->setText(typing.selectedText());
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
    {QKeySequence::Paste, [](Typing& t) { t.insert(QApplication::clipboard()->text()); }},
};

bool isPlainText(const QKeyEvent& event) {
  const bool isCommand = event.modifiers() & (Qt::ControlModifier | Qt::AltModifier | Qt::MetaModifier);
  return !isCommand && !event.text().isEmpty() && event.text().front().isPrint();
}

QPolygonF onMat(const Mat& mat, const Affine& toSheet, const Box& box) {
  QPolygonF corners;
  for (int i = 0; i < 4; ++i) corners << mat.toMat(toSheet(box.corner(i)));
  return corners;
}

}  // namespace

WordsTool::WordsTool(Mat& mat, Desk& desk) : Tool(mat, desk), typing_(desk) {
  QObject::connect(&desk, &Desk::typingWanted, &mat, [this](Id words, std::optional<Point> at) {
    typing_.beginOn(words, static_cast<std::size_t>(-1));
    if (at && typing_.isOn()) typing_.moveTo(placeUnder(*at), Typing::Keep::No);
    showCaret();
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

std::size_t WordsTool::placeUnder(Point onSheet) const {
  const auto back = typing_.setToSheet().inverse();
  return back ? placeAt(typing_.words().set(), (*back)(onSheet)) : 0;
}

bool WordsTool::isOnTyped(Point onSheet) const {
  if (!typing_.isOn()) return false;
  const auto back = typing_.setToSheet().inverse();
  if (!back) return false;
  const Point p = (*back)(onSheet);
  const Words& words = typing_.words();
  if (words.content().frame && Box{{0, 0}, {words.content().frame->width, words.content().frame->height}}.contains(p))
    return true;
  for (const SetLine& line : words.set().lines)
    if (boxOf(words.set(), line).grown(words.set().descent).contains(p)) return true;
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
    begin(pressed_.onSheet, std::nullopt);
  } else {
    const Box box = Box::between(pressed_.onSheet, p.onSheet);
    begin(box.low, TextFrame{box.width(), box.height()});
  }
}

void WordsTool::begin(Point at, std::optional<TextFrame> frame) {
  WordsDraft draft;
  draft.role = desk_.joinForNew();
  draft.target = draft.role ? desk_.onlyItem()->id : 0;
  Style look;
  setColour(look, legibleAt(at));
  draft.item = plainItem(0, "", {}, std::move(look));
  draft.item.position = at;
  draft.item.form = wordsForm({{}, desk_.textStyleForNew(), frame, {}, {}});
  if (!draft.role) desk_.select({});
  typing_.beginWith(std::move(draft));
  showCaret();
}

/// Dark letters, or light ones on what is dark, or on a photo.
Colour WordsTool::legibleAt(Point onSheet) const {
  constexpr Colour dark = usualInk, light{0xFF, 0xFF, 0xFF};
  const Id under = itemAt(*desk_.sheet(), onSheet, 0);
  const ItemPtr item = under != 0 ? findItem(desk_.project(), under) : nullptr;
  if (item && showsPicture(*item)) return light;
  const Colour ground = item ? colourOf(*lookOf(*item)).value_or(desk_.sheet()->paper) : desk_.sheet()->paper;
  return qGray(ground.red, ground.green, ground.blue) < 128 ? light : dark;
}

void WordsTool::hover(const Pointer& p) {
  now_ = p;
  under_ = isOnTyped(p.onSheet) ? 0 : wordsAt(*desk_.sheet(), p.onSheet);
}

void WordsTool::doubleClick(const Pointer& p) {
  const auto back = typing_.isOn() ? typing_.setToSheet().inverse() : std::nullopt;
  if (back && isOnTyped(p.onSheet)) typing_.selectWord(letterUnder(typing_.words().set(), (*back)(p.onSheet)));
}

bool WordsTool::wants(const QKeyEvent& event) const {
  if (!typing_.isOn()) return event.modifiers() == Qt::NoModifier && roleOf(event.key()) && desk_.canJoin();
  if (isPlainText(event) || event.key() == Qt::Key_Escape || event.key() == Qt::Key_Return ||
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
  typing_.end();
  blink_.stop();
}

QRectF WordsTool::caretOnMat() const {
  const SetWords& set = typing_.words().set();
  const Point foot = caretAt(set, typing_.shownCaret());
  const Affine toSheet = typing_.setToSheet();
  return QRectF(mat_.toMat(toSheet(foot - Point{0, set.ascent})), mat_.toMat(toSheet(foot + Point{0, set.descent})));
}

void WordsTool::paint(QPainter& painter) {
  painter.setBrush(Qt::NoBrush);
  const QPen thin(theme::plum, 1), dashed(theme::plum, 1, Qt::DashLine);
  if (doing_ == Doing::Drawing && now_.onMat != pressed_.onMat) {
    const Box box = Box::between(pressed_.onSheet, now_.onSheet);
    painter.setPen(dashed);
    painter.drawRect(QRectF(pressed_.onMat, now_.onMat).normalized());
    paintPointerLabel(painter, mat_, now_.onMat,
                      desk_.lengthText(box.width()) + " × " + desk_.lengthText(box.height()));
    return;
  }
  if (under_ != 0)
    if (const ItemPtr item = findItem(desk_.project(), under_); item && wordsOf(*item)) {
      painter.setPen(dashed);
      const SetWords& set = wordsOf(*item)->set();
      const Affine toSheet = frameToSheet(desk_.project(), under_) * wordsOf(*item)->content().stretch;
      for (std::size_t i = 0; i < set.shown; ++i) painter.drawPolygon(onMat(mat_, toSheet, boxOf(set, set.lines[i])));
    }
  if (!typing_.isOn()) return;
  const Words& words = typing_.words();
  const Affine toSheet = typing_.setToSheet();
  if (words.content().frame) {
    painter.setPen(dashed);
    painter.drawPolygon(onMat(mat_, toSheet, {{0, 0}, {words.content().frame->width, words.content().frame->height}}));
  }
  painter.setPen(Qt::NoPen);
  painter.setBrush(QColor(theme::plum.red(), theme::plum.green(), theme::plum.blue(), 70));
  for (const Box& box : boxesOf(words.set(), typing_.selectionBegin(), typing_.selectionEnd()))
    painter.drawPolygon(onMat(mat_, toSheet, box));
  if (!caretShows_) return;
  const SetWords& set = words.set();
  const Point foot = caretAt(set, typing_.shownCaret());
  // Light round it, so that it shows on photos and on dark grounds too.
  const QLineF caret(mat_.toMat(toSheet(foot - Point{0, set.ascent})),
                     mat_.toMat(toSheet(foot + Point{0, set.descent})));
  painter.setPen(QPen(QColor(255, 255, 255, 190), 4));
  painter.drawLine(caret);
  painter.setPen(QPen(theme::plum, 2));
  painter.drawLine(caret);
}

QString WordsTool::hint() const {
  if (doing_ == Doing::Drawing) return Mat::tr("Let go for a frame that lines are broken to");
  if (typing_.isOn())
    return Mat::tr("Type · Shift+arrows select · the style is on the right · Esc or a click beside it is the end");
  if (under_ != 0) return Mat::tr("Click to type on in these words");
  if (desk_.joinForNew()) return Mat::tr("Click and type: the words do this to the selected item, and stay words");
  return Mat::tr("Click and type a line · drag a frame to type in · click words to type on in them");
}

QCursor WordsTool::cursor() const { return Qt::IBeamCursor; }

}  // namespace widecut

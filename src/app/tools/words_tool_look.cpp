#include "app/tools/words_tool.h"

#include <QPainter>

#include "app/desk/preferences.h"
#include "app/desk/word_looks.h"
#include "app/look/theme.h"
#include "app/mat/mat.h"
#include "app/mat/pointer_label.h"
#include "painting/raster.h"
#include "project/resolve.h"
#include "words/spelling.h"

namespace widecut {
namespace {

QPolygonF onMat(const Mat& mat, const Affine& toSheet, const Box& box) {
  QPolygonF corners;
  for (int i = 0; i < 4; ++i) corners << mat.toMat(toSheet(box.corner(i)));
  return corners;
}

}  // namespace

QRectF WordsTool::caretOnMat() const {
  const QLineF caret = caretLine();
  return QRectF(caret.p1(), caret.p2());
}

QLineF WordsTool::caretLine() const {
  const SetWords& set = typing_.words().set();
  const std::size_t at = typing_.shownCaret();
  const SetLine& line = set.lines[lineAt(set, at)];
  const Affine toSheet = typing_.setToSheet() * caretPlace(set, at);
  return {mat_.toMat(toSheet(Point{0, -line.ascent})), mat_.toMat(toSheet(Point{0, line.descent}))};
}

void WordsTool::paintEdge(QPainter& painter, const Words& words, const Affine& toSheet) const {
  if (!words.content().frame) return;
  painter.drawPath(mat_.sheetToMat().map(painterPath(transformed(edgeOf(*words.content().frame), toSheet))));
}

/// What a click would write in, with a word on it.
void WordsTool::paintTarget(QPainter& painter) const {
  const ItemPtr item = findItem(desk_.project(), target_->item);
  if (!item) return;
  const Outline onSheet = transformed(resolved(*item)->outline, frameToSheet(desk_.project(), target_->item));
  painter.drawPath(mat_.sheetToMat().map(painterPath(onSheet)));
  paintPointerLabel(painter, mat_, now_.onMat, target_->isAlong ? Mat::tr("write along it") : Mat::tr("write in it"));
}

const Words* WordsTool::shownWords(Id frame) const {
  const ItemPtr item = findItem(desk_.project(), frame);
  const SheetPtr on = sheetOf(desk_.project(), frame);
  return item && on && on->id == desk_.sheet()->id ? wordsOf(*item) : nullptr;
}

/// The letters that are selected, in one of the frames of the text.
void WordsTool::paintSelection(QPainter& painter, Id frame) const {
  const Words* words = shownWords(frame);
  if (!words) return;
  const Affine toSheet = frameToSheet(desk_.project(), frame) * words->content().stretch;
  for (const auto& area : areasOf(words->set(), typing_.selectionBegin(), typing_.selectionEnd())) {
    QPolygonF corners;
    for (const Point p : area) corners << mat_.toMat(toSheet(p));
    painter.drawPolygon(corners);
  }
}

void WordsTool::paintSpelling(QPainter& painter, Id frame) const {
  const Words* words = shownWords(frame);
  if (!words || words->set().shown == 0) return;
  const SetWords& set = words->set();
  const std::size_t first = set.lines.front().from, last = set.lines[set.shown - 1].to, caret = typing_.caret();
  const std::string_view shown = std::string_view(words->story()).substr(first, last - first);
  const Affine toSheet = frameToSheet(desk_.project(), frame) * words->content().stretch;
  for (const auto& [from, to] : misspelled(shown, chosenTextStyle(desk_).language)) {
    if (first + from <= caret && caret <= first + to) continue;
    for (const auto& area : areasOf(set, first + from, first + to)) {
      // Dots below the base line, so that colour is not the only sign.
      const Point left = area[3] + (area[0] - area[3]) * 0.1, right = area[2] + (area[1] - area[2]) * 0.1;
      painter.drawLine(mat_.toMat(toSheet(left)), mat_.toMat(toSheet(right)));
    }
  }
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
      if (set.lines.front().bends.empty())
        for (std::size_t i = 0; i < set.shown; ++i) painter.drawPolygon(onMat(mat_, toSheet, boxOf(set.lines[i])));
      else
        painter.drawPolygon(onMat(mat_, toSheet, boxOf(set)));
      paintEdge(painter, *wordsOf(*item), toSheet);
    }
  if (target_) {
    painter.setPen(dashed);
    paintTarget(painter);
  }
  if (!typing_.isOn()) return;
  const Words& words = typing_.words();
  const Affine toSheet = typing_.setToSheet();
  painter.setPen(dashed);
  paintEdge(painter, words, toSheet);
  painter.setPen(Qt::NoPen);
  painter.setBrush(QColor(theme::plum.red(), theme::plum.green(), theme::plum.blue(), 70));
  for (const Id id : typing_.frames()) paintSelection(painter, id);
  if (preferences().marksSpelling) {
    QPen dots(theme::rust, 2, Qt::DotLine, Qt::RoundCap);
    painter.setPen(dots);
    for (const Id id : typing_.frames()) paintSpelling(painter, id);
    painter.setPen(Qt::NoPen);
  }
  if (!caretShows_) return;
  // Light round it, so that it shows on photos and on dark grounds too.
  const QLineF caret = caretLine();
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
  if (target_)
    return target_->isAlong ? Mat::tr("Click to write along this line: the words follow it from then on")
                            : Mat::tr("Click to write in this outline: the words follow its edge from then on");
  if (desk_.joinForNew()) return Mat::tr("Click and type: the words do this to the selected item, and stay words");
  return Mat::tr(
      "Click and type a line · drag a frame · click close to a line to write along it · Ctrl+click writes in an item");
}

}  // namespace widecut

// What panels say, on every page: in the unit of the piece, and whole.
#include <gtest/gtest.h>

#include <QRegularExpression>
#include <QStyleOptionFrame>

#include "project/edits/sheets.h"
#include "walked.h"

namespace widecut {
namespace {

/// How many pixels of what it says do not show; 0 for what is whole, or shortened with a sign for that.
int cutOff(const Walker::Said& said) {
  if (said.text.contains(u'…') || qobject_cast<Card*>(said.by)) return 0;
  const int wide = said.by->fontMetrics().horizontalAdvance(said.text);
  if (auto* label = qobject_cast<QLabel*>(said.by)) {
    const bool isPlain = !label->wordWrap() && !Qt::mightBeRichText(said.text) && !said.text.contains(u'\n');
    return isPlain ? std::max(0, wide - label->contentsRect().width()) : 0;
  }
  if (auto* field = qobject_cast<QLineEdit*>(said.by)) {
    QStyleOptionFrame option;
    option.initFrom(field);
    const int room = field->style()->subElementRect(QStyle::SE_LineEditContents, &option, field).width();
    return std::max(0, wide - room);
  }
  return std::max(0, wide - said.by->width());
}

TEST(Units, APieceInPixelsSaysPixelsOnEveryPageAndNothingIsCutOff) {
  Walker walk;
  WindowDriver& w = walk.w;
  const QRegularExpression other(R"(\d\s?(mm|cm|pt|in)\b)");
  int lengths = 0;
  for (const Walker::Page& page : walk.pages()) {
    if (page.name == "the tray" || page.name.starts_with("words, group")) continue;
    walk.bringUp(page);
    const PiecePtr piece = pieceOf(w.desk().settled(), w.desk().sheet()->id);
    PieceForm form = formOf(*piece);
    form.setting.unit = Unit::Pixel;
    w.desk().commit("Unit", withPieceForm(w.desk().settled(), piece->id, form, Kept::WhereTheyAre));
    w.settle();
    for (const Walker::Said& one : walk.said()) {
      EXPECT_FALSE(one.text.contains(other))
          << page.name << ": " << one.text.toStdString() << " in " << one.by->accessibleName().toStdString();
      EXPECT_EQ(cutOff(one), 0) << page.name << ": " << one.text.toStdString() << " in "
                                << one.by->accessibleName().toStdString() << one.by->objectName().toStdString();
      lengths += one.text.contains(QRegularExpression(R"(\d\s?px\b)")) ? 1 : 0;
    }
  }
  EXPECT_GT(lengths, 200);
}

}  // namespace
}  // namespace widecut

// A piece in pixels says pixels, wherever a length shows.
#include <gtest/gtest.h>

#include <QRegularExpression>

#include "project/edits/sheets.h"
#include "walked.h"

namespace widecut {
namespace {

TEST(Units, APieceInPixelsSaysPixelsOnEveryPage) {
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
      lengths += one.text.contains(QRegularExpression(R"(\d\s?px\b)")) ? 1 : 0;
    }
  }
  EXPECT_GT(lengths, 200);
}

}  // namespace
}  // namespace widecut

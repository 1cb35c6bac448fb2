#include "project/edits/sheets.h"

#include <gtest/gtest.h>

#include "project/edits/places.h"
#include "project/limits.h"
#include "project/resolve.h"
#include "sample.h"

namespace widecut {
namespace {

struct SheetsTest : testing::Test, Sample {
  std::vector<std::string> names(const Project& p) {
    std::vector<std::string> all;
    for (const PiecePtr& piece : p.pieces) {
      all.push_back("[" + piece->name + "]");
      for (const SheetPtr& s : piece->sheets) all.push_back(s->name);
    }
    return all;
  }
};

TEST_F(SheetsTest, NewSheetsAreLikeTheOneBeforeAndEmpty) {
  Id made = 0;
  const Project p = withSheetAfter(project, sheet, made);
  ASSERT_TRUE(findSheet(p, made));
  EXPECT_EQ(findSheet(p, made)->width, 200);
  EXPECT_TRUE(findSheet(p, made)->items.empty());
  EXPECT_EQ(names(p), (std::vector<std::string>{"[piece]", "sheet", "Sheet 1"}));
  EXPECT_FALSE(beyondLimits(p, &project));
}

TEST_F(SheetsTest, CopiesHoldCopiesOfEverythingAndAnotherName) {
  Id made = 0;
  const Project p = withSheetCopied(project, sheet, made);
  ASSERT_EQ(findSheet(p, made)->items.size(), 2U);
  EXPECT_NE(findSheet(p, made)->items[0]->id, box);
  EXPECT_EQ(findSheet(p, made)->name, "sheet 2");
  EXPECT_EQ(findItem(p, findSheet(p, made)->items[0]->id)->name, "box");
}

TEST_F(SheetsTest, TheLastSheetStaysAndEmptyPiecesGo) {
  EXPECT_TRUE(isSame(withoutSheets(project, std::vector<Id>{sheet}), project));
  Project p = withNewPiece(project, [](Id& next) { return newPiece(*formatNamed("A4 poster"), next); });
  ASSERT_EQ(p.pieces.size(), 2U);
  p = withoutSheets(p, std::vector<Id>{sheet});
  ASSERT_EQ(p.pieces.size(), 1U);
  EXPECT_EQ(p.pieces[0]->name, "A4 poster");
}

TEST_F(SheetsTest, SheetsMoveWithinAndBetweenPieces) {
  Id second = 0;
  Project p = withSheetAfter(project, sheet, second);
  p = withNewPiece(p, [](Id& next) { return newPiece(*formatNamed("A5 flyer"), next); });
  const Id flyer = p.pieces[1]->id, first = p.pieces[0]->id;
  EXPECT_EQ(names(withSheetMoved(p, sheet, first, 1)),
            (std::vector<std::string>{"[piece]", "Sheet 1", "sheet", "[A5 flyer]", "Front", "Back"}));
  EXPECT_EQ(names(withSheetMoved(p, sheet, flyer, 1)),
            (std::vector<std::string>{"[piece]", "Sheet 1", "[A5 flyer]", "Front", "sheet", "Back"}));
  EXPECT_EQ(names(withPieceMoved(p, flyer, 0)).front(), "[A5 flyer]");
}

TEST_F(SheetsTest, ItemsGoToAnotherSheetAndCopiesStayUnique) {
  Id second = 0;
  const Project p = withSheetAfter(project, sheet, second);
  const Project moved = withItemsOnSheet(p, std::vector<Id>{disc}, second);
  EXPECT_EQ(widecut::sheetOf(moved, disc)->id, second);
  EXPECT_EQ(findItem(moved, disc)->position, (Point{100, 50}));
  std::vector<Id> copies;
  const Project copied = withCopiesOnSheet(p, std::vector<Id>{disc}, sheet, {7, 0}, copies);
  EXPECT_EQ(findItem(copied, copies.at(0))->name, "disc 2");
  EXPECT_EQ(findItem(copied, copies.at(0))->position, (Point{107, 50}));
}

TEST_F(SheetsTest, ATriFoldHasTrueWidthsOfItsPanels) {
  Id next = 1;
  const PiecePtr piece = newPiece(*formatNamed("A4 tri-fold brochure"), next);
  ASSERT_EQ(piece->sheets.size(), 2U);
  const double mm = pointsPerMillimetre;
  const auto& out = piece->sheets[0]->folds;
  const auto& in = piece->sheets[1]->folds;
  EXPECT_NEAR(out[0], 97 * mm, 1e-9) << "the panel that folds inwards";
  EXPECT_NEAR(297 * mm - in[1], 97 * mm, 1e-9) << "the same panel from within";
  EXPECT_NEAR(out[1] - out[0], 100 * mm, 1e-9);
}

TEST_F(SheetsTest, EveryFormatIsWithinTheLimitsAndPixelsAreWhole) {
  for (const Format& format : formatTable()) {
    const Project p = newProject([&](Id& next) { return newPiece(format, next); });
    EXPECT_FALSE(beyondLimits(p, nullptr)) << format.name;
    const Sheet& s = *p.pieces[0]->sheets[0];
    if (format.unit == Unit::Pixel) {
      EXPECT_EQ(s.width * 96 / 72, format.width);
    }
  }
}

TEST_F(SheetsTest, AnotherSizeKeepsItemsOrScalesThemAlong) {
  const PieceForm before = formOf(*project.pieces[0]);
  PieceForm twice = before;
  twice.width *= 2;
  twice.height *= 3;
  twice.setting.unit = Unit::Pixel;
  const Project kept = withPieceForm(project, 1, twice, Kept::WhereTheyAre);
  EXPECT_EQ(sheetOf(kept).width, 400);
  EXPECT_EQ(kept.pieces[0]->setting.unit, Unit::Pixel);
  EXPECT_EQ(findItem(kept, box), findItem(project, box));
  const Project scaled = withPieceForm(project, 1, twice, Kept::Scaled);
  const Box b = boxInParent(*findItem(scaled, box));
  EXPECT_NEAR(b.width(), 200, 1e-9) << "by the smaller of both ratios";
  EXPECT_NEAR(b.low.y, 75, 1e-9) << "and centred";
  EXPECT_TRUE(isSame(withPieceForm(project, 1, before, Kept::Scaled), project));
}

}  // namespace
}  // namespace widecut

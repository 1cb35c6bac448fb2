// Shapes and commands are found by the words that people have for them.
#include <gtest/gtest.h>

#include <QLabel>
#include <QTreeWidget>

#include "app/bench/starter_strip.h"
#include "app/commands/other_words.h"
#include "shapes/other_names.h"
#include "walked.h"

namespace widecut {
namespace {

struct OtherWordsTest : testing::Test {
  Walker walk;
  WindowDriver& w = walk.w;

  QStringList found(const char* typed) {
    auto* search = walk.bench().findChild<QLineEdit*>("findShape");
    search->setText(typed);
    w.settle();
    auto* row = walk.bench().findChild<StarterRow*>("starters");
    QStringList names;
    for (int i = 0; i < row->model()->rowCount(); ++i) names << row->model()->index(i, 0).data().toString();
    return names;
  }
  /// The rows that a search of the commands leaves.
  QStringList commandsFor(const char* typed) {
    walk.command("keySheet");
    QWidget* sheet = QApplication::activePopupWidget();
    sheet->findChild<QLineEdit*>("keySearch")->setText(typed);
    QStringList rows;
    auto* list = sheet->findChild<QTreeWidget*>("keyList");
    for (int g = 0; g < list->topLevelItemCount(); ++g)
      for (int i = 0; i < list->topLevelItem(g)->childCount(); ++i)
        if (!list->topLevelItem(g)->isHidden() && !list->topLevelItem(g)->child(i)->isHidden())
          rows << list->topLevelItem(g)->child(i)->text(0);
    saysNothing = sheet->findChild<QLabel*>("keysNotFound")->isVisible();
    sheet->close();
    w.settle();
    return rows;
  }
  bool saysNothing = false;
};

TEST(OtherNames, EveryKindHasOtherWordsAndNoneIsAKindsName) {
  std::map<std::string_view, int> count;
  for (const OtherName& name : otherNames()) {
    EXPECT_TRUE(starterKind(name.kind)) << name.word;
    EXPECT_FALSE(starterKind(name.word)) << name.word;
    ++count[name.kind];
  }
  for (const StarterKind* kind : starterKinds()) EXPECT_GE(count[kind->name], 1) << kind->name;
}

TEST_F(OtherWordsTest, ShapesAreFoundByThem) {
  const std::pair<const char*, const char*> cases[] = {
      {"rectangle", "box"}, {"circle", "ellipse"},      {"oval", "ellipse"}, {"square", "box"},
      {"moon", "crescent"}, {"jigsaw", "puzzle piece"}, {"cube", "slant"}};
  for (const auto& [typed, kind] : cases) {
    ASSERT_FALSE(found(typed).isEmpty()) << typed;
    w.window.findChild<QLineEdit*>("findShape")->setFocus();
    QTest::keyClick(w.window.findChild<QLineEdit*>("findShape"), Qt::Key_Return);
    w.settle();
    ASSERT_TRUE(w.desk().nextKind()) << typed;
    EXPECT_EQ(w.desk().nextKind()->name, kind) << typed;
    w.key(Qt::Key_Escape);
    w.key(Qt::Key_Escape);
  }
  for (const auto& [typed, corners] : {std::pair{"hexagon", 6}, {"pentagon", 5}, {"octagon", 8}}) {
    found(typed);
    QTest::keyClick(w.window.findChild<QLineEdit*>("findShape"), Qt::Key_Return);
    w.settle();
    EXPECT_EQ(w.desk().nextKind()->name, "polygon");
    EXPECT_EQ(w.desk().nextNumbers()[0], corners);
    w.key(Qt::Key_Escape);
    w.key(Qt::Key_Escape);
  }
}

TEST_F(OtherWordsTest, NothingFoundIsNoEmptyPage) {
  EXPECT_FALSE(found("rectangel").isEmpty());
  EXPECT_FALSE(found("qqqqqqqq").isEmpty());
  EXPECT_FALSE(commandsFor("grup").isEmpty());
  EXPECT_TRUE(saysNothing);
  EXPECT_FALSE(commandsFor("group").isEmpty());
  EXPECT_FALSE(saysNothing);
}

TEST_F(OtherWordsTest, WhatIsTypedShowsWithItsNumbers) {
  found("star 6 depth 25");
  auto* row = walk.bench().findChild<StarterRow*>("starters");
  const Offer first = row->starters().at(row->model()->index(0, 0));
  ASSERT_TRUE(first.kind);
  EXPECT_EQ(first.kind->name, "star");
  ASSERT_GE(first.numbers.size(), 2U);
  EXPECT_EQ(first.numbers[0], 6);
  EXPECT_NEAR(first.numbers[1], 0.25, 1e-12);
}

TEST_F(OtherWordsTest, ABoxOf60Is60Wide) {
  found("box 60");
  QTest::keyClick(w.window.findChild<QLineEdit*>("findShape"), Qt::Key_Return);
  w.settle();
  ASSERT_EQ(w.sheet().items.size(), 1U);
  EXPECT_NEAR(boxInFrame(*w.sheet().items[0]).width(), 60 * pointsPerMillimetre, 1e-6);
}

TEST_F(OtherWordsTest, CommandsAreFoundByThem) {
  const std::pair<const char*, const char*> cases[] = {{"quarter turn", "Quarter turn to the right"},
                                                       {"placeholder", "Fill the frame with words"},
                                                       {"level", "Level: fill up to a share"},
                                                       {"percent", "Level: fill up to a share"},
                                                       {"fill up", "Level: fill up to a share"},
                                                       {"mask", "Intersect"},
                                                       {"crop", "Trim to sheet"},
                                                       {"align", "Align and space"},
                                                       {"snap", "Snap to what is near"},
                                                       {"rotate", "Half turn"},
                                                       {"export", "Deliver…"},
                                                       {"hexagon", "Polygon"}};
  for (const auto& [typed, wanted] : cases)
    EXPECT_TRUE(commandsFor(typed).contains(QString::fromUtf8(wanted))) << typed;
}

TEST_F(OtherWordsTest, EveryCommandHasSeveral) {
  for (const Command& c : commandTable())
    EXPECT_GE(otherWordsFor(c.id).split(' ', Qt::SkipEmptyParts).size(), 1) << c.name;
}

TEST_F(OtherWordsTest, ALevelIsSeenOnTheFillBelow) {
  walk.box();
  walk.command("addLevel");
  const Style& style = *w.desk().onlyItem()->style;
  ASSERT_EQ(style.fills.size(), 2U);
  ASSERT_TRUE(style.fills[1].level);
  EXPECT_GT(contrast(std::get<Colour>(style.fills[0].paint), std::get<Colour>(style.fills[1].paint)), 1.5);
  EXPECT_TRUE(w.desk().chosenPaint()) << "its numbers are on the bench";
}

}  // namespace
}  // namespace widecut

#include "cutting/formula.h"

#include <gtest/gtest.h>

namespace widecut {
namespace {

const std::vector<std::string> names{"panel", "disc", "tab", "bar 1"};

TEST(Formula, IsReadFromLeftToRight) {
  const auto f = Formula::parse("panel - disc + tab & 'bar 1'", names);
  ASSERT_TRUE(f) << f.error().message;
  EXPECT_EQ(f->text(names), "panel - disc + tab & 'bar 1'");
  EXPECT_EQ(f->leaves(), (std::vector<int>{0, 1, 2, 3}));
  // ((panel − disc) + tab) & bar: the tab alone is not enough, tab and bar are.
  EXPECT_FALSE(f->holds([](int part) { return part == 2; }));
  EXPECT_TRUE(f->holds([](int part) { return part >= 2; }));
}

TEST(Formula, BracketsGroupAndAreWrittenBack) {
  const auto f = Formula::parse("panel-(disc^(tab+'bar 1'))", names);
  ASSERT_TRUE(f);
  EXPECT_EQ(f->text(names), "panel - (disc ^ (tab + 'bar 1'))");
  EXPECT_EQ(f->brackets()[1].before, 1);
  EXPECT_EQ(f->brackets()[2].before, 1);
  EXPECT_EQ(f->brackets()[3].after, 2);
  EXPECT_EQ(Formula::parse("(panel - disc)", names)->text(names), "panel - disc");
}

TEST(Formula, OneOperatorCanBeChanged) {
  const auto f = Formula::parse("panel - disc - tab", names);
  EXPECT_EQ(f->withOperator(1, Role::Exclude).text(names), "panel - disc ^ tab");
  EXPECT_EQ(f->withOperator(7, Role::Exclude).text(names), "panel - disc - tab");
}

TEST(Formula, APartCanGo) {
  const auto f = Formula::parse("panel - disc & tab", names);
  EXPECT_EQ(f->without(1)->text(names), "panel & tab");
  EXPECT_EQ(f->without(0)->text(names), "disc & tab");
  EXPECT_FALSE(Formula::part(0).without(0));
}

TEST(Formula, SaysWhatIsWrongAndWhere) {
  struct Case {
    const char* text;
    const char* says;
  };
  for (const Case& c :
       {Case{"panel -", "character 8: unfinished"}, Case{"panel - moon", "character 9: there is no part named 'moon'"},
        Case{"(panel", "closing bracket is missing"}, Case{"", "unfinished"}, Case{"panel disc", "expected + - & or ^"},
        Case{"- panel", "expected a part"}, Case{"'panel", "closing quote"}}) {
    const auto f = Formula::parse(c.text, names);
    ASSERT_FALSE(f) << c.text;
    EXPECT_NE(f.error().message.find(c.says), std::string::npos) << f.error().message;
  }
  EXPECT_FALSE(Formula::parse(std::string(100000, '('), names)) << "deep nesting is refused, not a crash";
}

TEST(Formula, NamesWithQuotesAreWrittenAndReadAgain) {
  const std::vector<std::string> odd{"Anna's", "''", "a b", "", "Zoë"};
  const auto f = Formula::chain(5, Role::Subtract);
  EXPECT_EQ(f.text(odd), "'Anna''s' - '''''' - 'a b' - '' - Zoë");
  const auto again = Formula::parse(f.text(odd), odd);
  ASSERT_TRUE(again) << again.error().message;
  EXPECT_TRUE(*again == f);
  EXPECT_FALSE(Formula::parse("'Anna''s", odd));
}

TEST(Formula, ALetterOfSeveralBytesIsNamedWhole) {
  const auto f = Formula::parse("panel × disc", names);
  ASSERT_FALSE(f);
  EXPECT_NE(f.error().message.find("found '×'"), std::string::npos) << f.error().message;
}

TEST(Formula, ThreeHundredThousandPartsNeedNoStack) {
  const std::vector<std::string> few{"a", "b"};
  std::string text = "a";
  for (int i = 0; i < 300000; ++i) text += i % 2 == 0 ? " - b" : " ^ a";
  const auto f = Formula::parse(text, few);
  ASSERT_TRUE(f);
  EXPECT_EQ(f->text(few), text);
  EXPECT_EQ(f->leaves().size(), 300001U);
  EXPECT_EQ(f->operators().size(), 300000U);
  EXPECT_EQ(f->brackets().size(), 300001U);
  EXPECT_EQ(f->renumbered([](int part) { return 1 - part; }).leaves()[0], 1);
  EXPECT_EQ(f->without(1)->leaves().size(), 150001U);
  EXPECT_TRUE(f->withOperator(3, Role::Exclude) == *f);
  // a − b ^ a − b … with a alone: the first a, then 150,000 times turned over.
  EXPECT_TRUE(f->holds([](int part) { return part == 0; }));
}

}  // namespace
}  // namespace widecut

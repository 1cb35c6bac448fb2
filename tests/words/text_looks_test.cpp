#include "words/text_looks.h"

#include <gtest/gtest.h>

namespace widecut {
namespace {

const Look bold{{TextAspect::Weight, 700.0}}, large{{TextAspect::Size, 40.0}};
const Look centred{{TextAspect::Align, 1.0}};

LookedText marked() {
  LookedText out{"one two three\nfour", {}};
  out.looks = withLetters(out.looks, 4, 7, [](OwnTextLook& own) { own.look = bold; });
  out.looks = withParagraphs(out.text, out.looks, 14, 14, [](OwnTextLook& own) { own.look = centred; });
  return out;
}

TEST(TextAspects, EachIsSetAndAskedForByItsName) {
  for (int i = 0; i < countOfTextAspects; ++i) {
    const AspectEntry& entry = entryOf(static_cast<TextAspect>(i));
    EXPECT_EQ(entry.aspect, static_cast<TextAspect>(i));
    EXPECT_EQ(findAspect(entry.name), &entry);
    TextStyle style;
    const AspectValue before = valueOf(style, entry.aspect);
    AspectValue other = std::string("x");
    if (entry.kind != AspectKind::Words)
      other = std::get<double>(before) == entry.least ? entry.least + 1 : std::max(entry.least, 0.5) + 1;
    if (entry.kind == AspectKind::Switch) other = std::get<double>(before) == 0 ? 1.0 : 0.0;
    ASSERT_NE(other, before) << entry.name;
    EXPECT_EQ(whatIsWrong(entry.aspect, other), "") << entry.name;
    setValue(style, entry.aspect, other);
    EXPECT_EQ(valueOf(style, entry.aspect), other) << entry.name;
    EXPECT_EQ(difference({}, style), (Look{{entry.aspect, other}}));
    EXPECT_EQ(with(TextStyle{}, difference({}, style)), style);
  }
}

TEST(TextAspects, NumbersAreKeptInTheirRange) {
  TextStyle style;
  setValue(style, TextAspect::Size, 1e9);
  EXPECT_EQ(style.size, 10'000);
  setValue(style, TextAspect::Size, std::string("large"));
  EXPECT_EQ(style.size, 10'000);
  EXPECT_EQ(whatIsWrong(TextAspect::Weight, 1001.0), "is not from 1 to 1000");
}

TEST(TextLooks, AStretchLooksOtherwise) {
  const LookedText text = marked();
  EXPECT_EQ(styleAt(text.text, text.looks, {}, 5).face.weight, 700);
  EXPECT_EQ(styleAt(text.text, text.looks, {}, 7).face.weight, 400);
  EXPECT_EQ(styleAt(text.text, text.looks, {}, 15).align, Align::Centre);
  EXPECT_EQ(styleAt(text.text, text.looks, {}, 3).align, Align::Left);
}

TEST(TextLooks, WhatIsTypedGoesOnAsTheLetterBefore) {
  const LookedText text = marked();
  const LookedText more = withReplaced(text, 7, 7, {"xy", {}});
  EXPECT_EQ(more.text, "one twoxy three\nfour");
  ASSERT_EQ(more.looks.letters.size(), 1U);
  EXPECT_EQ(more.looks.letters[0].to, 9U);
  EXPECT_EQ(more.looks.paragraphs[0].at, 16U);
  const LookedText before = withReplaced(text, 4, 4, {"xy", {}});
  EXPECT_EQ(before.looks.letters[0].from, 6U);
}

TEST(TextLooks, ALineFeedMakesAnotherParagraphAlike) {
  const LookedText text = withReplaced(marked(), 16, 16, {"\n", {}});
  EXPECT_EQ(text.text, "one two three\nfo\nur");
  EXPECT_EQ(paragraphStyle(text.looks, {}, 14).align, Align::Centre);
  EXPECT_EQ(paragraphStyle(text.looks, {}, 17).align, Align::Centre);
  EXPECT_EQ(paragraphStyle(text.looks, {}, 0).align, Align::Left);
}

TEST(TextLooks, WhatIsDeletedTakesItsLooksAlong) {
  const LookedText text = withReplaced(marked(), 3, 14, {"", {}});
  EXPECT_EQ(text.text, "onefour");
  EXPECT_TRUE(text.looks.isPlain());
  // A paragraph that is deleted whole leaves the next one as it was.
  const LookedText whole = withReplaced(marked(), 0, 14, {"", {}});
  EXPECT_EQ(whole.text, "four");
  EXPECT_EQ(paragraphStyle(whole.looks, {}, 0).align, Align::Centre);
}

TEST(TextLooks, WhatIsCutOutIsPutBackAlike) {
  const LookedText text = marked();
  for (std::size_t from = 0; from < text.text.size(); ++from)
    for (std::size_t to = from; to <= text.text.size(); ++to) {
      const LookedText piece = cutOut(text, from, to);
      const LookedText back = withReplaced(withReplaced(text, from, to, {"", {}}), from, from, piece);
      EXPECT_EQ(back.text, text.text);
      if (piece.looks.letters.empty()) continue;  // it goes on as what it is put into
      for (std::size_t at = 0; at < text.text.size(); ++at) {
        EXPECT_EQ(styleAt(back.text, back.looks, {}, at).face.weight,
                  styleAt(text.text, text.looks, {}, at).face.weight)
            << from << " " << to << " " << at;
      }
    }
}

TEST(TextLooks, NamedLooksAreBasedOnOneAnother) {
  const auto body = std::make_shared<const NamedLook>(NamedLook{1, "Body", true, nullptr, large});
  const auto head = std::make_shared<const NamedLook>(NamedLook{2, "Head", true, body, bold});
  const TextLooks looks{{}, {{0, head, centred}}};
  const TextStyle style = paragraphStyle(looks, {}, 0);
  EXPECT_EQ(style.size, 40);
  EXPECT_EQ(style.face.weight, 700);
  EXPECT_EQ(style.align, Align::Centre);
  EXPECT_EQ(paragraphStyle(scaled(looks, 0.5), {}, 0).size, 20);
}

}  // namespace
}  // namespace widecut

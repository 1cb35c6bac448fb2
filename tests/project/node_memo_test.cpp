#include "project/node_memo.h"

#include <gtest/gtest.h>

#include <set>

#include "project/edits/words.h"
#include "project/forms/words.h"
#include "project/history.h"
#include "project/resolve.h"
#include "scene/scene.h"

namespace widecut {
namespace {

using Node = std::shared_ptr<const int>;

Node node(int value = 0) { return std::make_shared<const int>(value); }

std::size_t sizeOfText(const std::string& text) { return text.size(); }

MemoUse useOf(const std::string& name) {
  for (const MemoUse& use : memoUses())
    if (use.name == name) return use;
  return {};
}

TEST(NodeMemo, KeepsAResultForANodeAsLongAsThatIs) {
  static NodeMemo<std::string> memo("test: one", 1 << 20);
  Node a = node(), b = node();
  memo.keep({a}, std::make_shared<const std::string>("of a"));
  ASSERT_TRUE(memo.find({a}));
  EXPECT_EQ(*memo.find({a}), "of a");
  EXPECT_FALSE(memo.find({b}));
  const void* place = a.get();
  a = nullptr;
  // Another node may come to lie in the same place: it is not taken for the first.
  const Node alias(b, static_cast<const int*>(place));
  EXPECT_FALSE(memo.find({alias}));
}

TEST(NodeMemo, WhatTheNewestStoodForGoesAtOnceWhenTheirNodesAreGone) {
  static NodeMemo<std::string> memo("test: newest", 1 << 20, sizeOfText);
  std::weak_ptr<const std::string> held;
  const Node stays = node();
  {
    const Node tried = node();
    auto result = std::make_shared<const std::string>(1000, 'x');
    held = result;
    memo.keep({tried}, std::move(result));
  }
  EXPECT_FALSE(held.expired());
  memo.keep({stays}, std::make_shared<const std::string>("y"));
  EXPECT_TRUE(held.expired());
  EXPECT_EQ(useOf("test: newest").entries, 1U);
}

TEST(NodeMemo, HoldsNoMoreThanItsBudgetTheLastUsedOnes) {
  static NodeMemo<std::string> memo("test: budget", 10'000, sizeOfText);
  std::vector<Node> nodes;
  for (int i = 0; i < 100; ++i) {
    nodes.push_back(node(i));
    memo.keep({nodes.back()}, std::make_shared<const std::string>(1000, 'x'));
    EXPECT_TRUE(memo.find({nodes.front()})) << "used at every step: " << i;
    EXPECT_LE(useOf("test: budget").bytes, useOf("test: budget").budget);
  }
  EXPECT_FALSE(memo.find({nodes[50]}));
  EXPECT_TRUE(memo.find({nodes[99]}));
  EXPECT_GT(useOf("test: budget").entries, 5U);
}

TEST(NodeMemo, TheSameNodeAgainTakesThePlaceOfWhatThereWas) {
  static NodeMemo<std::string> memo("test: again", 1 << 20, sizeOfText);
  const Node a = node();
  for (int i = 0; i < 10; ++i) memo.keep({a}, std::make_shared<const std::string>(100, 'x'));
  EXPECT_EQ(useOf("test: again").entries, 1U);
  EXPECT_LT(useOf("test: again").bytes, 1000U);
}

ItemPtr wordsItem(const std::string& text) {
  Item item;
  item.id = 1;
  item.name = "words";
  Style style;
  setColour(style, Colour{0, 0, 0});
  item.style = std::make_shared<const Style>(std::move(style));
  Words::Content content;
  content.text = text;
  content.style.size = 9;
  content.style.leading = 11;
  content.frame = TextFrame{300, 700};
  item.form = wordsForm(std::move(content));
  return std::make_shared<const Item>(std::move(item));
}

TEST(NodeMemo, NoResultOfWordsOwnsThem) {
  std::weak_ptr<const void> words;
  {
    const ItemPtr item = wordsItem("gone when nobody has them");
    words = nodeOf(item->form);
    (void)layerOf(item);
    (void)resolved(*item);
    (void)boxInFrame(*item);
    EXPECT_FALSE(words.expired());
  }
  EXPECT_TRUE(words.expired());
}

TEST(NodeMemo, TypingALongTextHoldsNoMoreThanAFewStatesOfIt) {
  std::string text;
  while (text.size() < 3000) text += "letters and words ";
  std::vector<std::weak_ptr<const Content>> contents;
  std::vector<ItemPtr> undo;
  for (int i = 0; i < 300; ++i) {
    text += static_cast<char>('a' + i % 26);
    const ItemPtr item = wordsItem(text);
    contents.push_back(layerOf(item).content);
    if (i % 6 == 0) undo.push_back(item);  // each word is a step
  }
  const MemoUse held = useOf("contents"), outlines = useOf("outlines"), letters = useOf("outlines of letters");
  EXPECT_LE(held.bytes, held.budget);
  EXPECT_LE(outlines.bytes, outlines.budget);
  EXPECT_LE(letters.bytes, letters.budget);
  const auto alive = std::count_if(contents.begin(), contents.end(), [](const auto& one) { return !one.expired(); });
  EXPECT_LE(alive, 80) << "those of undo, and the newest";
}

}  // namespace
}  // namespace widecut

#include "words/spelling.h"

#include <gtest/gtest.h>

#include <algorithm>

namespace widecut {
namespace {

using Places = std::vector<std::pair<std::size_t, std::size_t>>;

TEST(Spelling, WhatNoDictionaryHasIsFound) {
  const auto& languages = spelledLanguages();
  ASSERT_NE(std::find(languages.begin(), languages.end(), "en-US"), languages.end()) << "the package hunspell-en-us";
  EXPECT_EQ(misspelled("The carriage leavs at nine", "en"), (Places{{13, 18}}));
  EXPECT_EQ(misspelled("The carriage leavs at nine", "en-US"), (Places{{13, 18}}));
  EXPECT_TRUE(misspelled("It isn\xE2\x80\x99t far: the viaduct, 2318 m", "en").empty());
  EXPECT_TRUE(misspelled("", "en").empty());
  // Words with digits are names of something.
  EXPECT_TRUE(misspelled("route A2b", "en").empty());
}

TEST(Spelling, WithoutADictionaryNothingIsWrong) { EXPECT_TRUE(misspelled("qwrtz plmm", "xx").empty()); }

}  // namespace
}  // namespace widecut

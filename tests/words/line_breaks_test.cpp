#include "words/line_breaks.h"

#include <gtest/gtest.h>

#include <random>

namespace widecut {
namespace {

/// A made-up paragraph: words of random widths, some of which can be parted.
BreakText madeUp(std::mt19937& random, int words) {
  BreakText out;
  double width = 0, stretch = 0, shrink = 0;
  const auto add = [&](double w, double more, double less) {
    out.width.push_back(width);
    out.stretch.push_back(stretch);
    out.shrink.push_back(shrink);
    out.hangs.push_back(0);
    width += w;
    stretch += more;
    shrink += less;
  };
  std::uniform_real_distribution<double> letters(4, 40);
  for (int i = 0; i < words; ++i) {
    const int syllables = 1 + static_cast<int>(random() % 3);
    for (int k = 0; k < syllables; ++k) {
      add(letters(random), 0, 0);
      if (k + 1 < syllables) {
        BreakPlace place;
        place.end = place.next = out.width.size();
        place.hyphen = 4;
        place.isHyphen = true;
        out.places.push_back(place);
      }
    }
    BreakPlace place;
    place.end = out.width.size();
    if (i + 1 < words) add(5, 2.5, 5.0 / 3);
    place.next = out.width.size();
    out.places.push_back(place);
  }
  out.width.push_back(width);
  out.stretch.push_back(stretch);
  out.shrink.push_back(shrink);
  return out;
}

LineWidths alternating(std::mt19937& random) {
  std::vector<double> widths(64);
  std::uniform_real_distribution<double> any(60, 200);
  for (double& w : widths) w = any(random);
  return {[widths](std::size_t line) { return widths[line % widths.size()]; }};
}

/// All ways to break a paragraph, by the same rules: lines looser than `most` are not taken, and a line too narrow for
/// the next piece is left out.
class AllWays {
 public:
  AllWays(const BreakText& text, const LineWidths& widths, const BreakRules& rules)
      : text_(text), widths_(widths), rules_(rules) {}
  double least() {
    for (const double most : looseness) {
      most_ = most;
      best_ = std::numeric_limits<double>::infinity();
      go(0, 0);
      if (std::isfinite(best_)) break;
    }
    return best_;
  }

 private:
  void go(std::size_t from, std::size_t line) {
    if (from == text_.places.size()) {
      best_ = std::min(best_, demerits(text_, widths_, rules_, lines_));
      return;
    }
    line = lineWithRoom(text_, widths_, rules_, from, line);
    for (std::size_t place = from; place < text_.places.size(); ++place) {
      const double ratio = ratioOf(text_, rules_, from, place, widths_(line));
      if (ratio < -1 && place > from) break;
      if (ratio > most_) continue;
      lines_.push_back({line, place});
      go(place + 1, line + 1);
      lines_.pop_back();
      if (ratio < -1) break;
    }
  }
  const BreakText& text_;
  const LineWidths& widths_;
  const BreakRules& rules_;
  double most_ = 0, best_ = 0;
  std::vector<BrokenLine> lines_;
};

TEST(LineBreaks, NoWayToBreakAShortParagraphHasFewerDemerits) {
  std::mt19937 random(1);
  for (int i = 0; i < 300; ++i) {
    const BreakText text = madeUp(random, 3 + static_cast<int>(random() % 8));
    const BreakRules rules{i % 2 == 0, 40};
    const LineWidths even{[](std::size_t) { return 110.0; }, 0};
    const LineWidths widths = i % 3 == 0 ? even : alternating(random);
    const double found = demerits(text, widths, rules, bestLines(text, widths, rules));
    const double least = AllWays(text, widths, rules).least();
    EXPECT_NEAR(found, least, 1e-6 * least) << "paragraph " << i;
  }
}

TEST(LineBreaks, AWholeParagraphIsNeverWorseThanLineByLine) {
  std::mt19937 random(2);
  int better = 0;
  for (int i = 0; i < 1000; ++i) {
    const BreakText text = madeUp(random, 20 + static_cast<int>(random() % 100));
    const BreakRules rules{i % 2 == 0, 40};
    const LineWidths widths = i % 3 == 0 ? alternating(random) : LineWidths{[](std::size_t) { return 140.0; }, 0};
    const auto looser = [&](const std::vector<BrokenLine>& lines) {
      double most = 0;
      std::size_t from = 0;
      for (const BrokenLine& line : lines) {
        most = std::max(most, ratioOf(text, rules, from, line.place, widths(line.line)));
        from = line.place + 1;
      }
      return *std::find_if(std::begin(looseness), std::end(looseness), [&](double l) { return most <= l; });
    };
    const auto best = bestLines(text, widths, rules), greedy = greedyLines(text, widths, rules);
    const double ours = demerits(text, widths, rules, best), theirs = demerits(text, widths, rules, greedy);
    // Where line by line gives lines that are looser than asked for, those are worse whatever they cost.
    EXPECT_TRUE(ours <= theirs * (1 + 1e-9) || looser(greedy) > looser(best)) << "paragraph " << i;
    better += ours < theirs ? 1 : 0;
  }
  EXPECT_GT(better, 500);
}

TEST(LineBreaks, LinesTooNarrowForAWordAreLeftOut) {
  std::mt19937 random(3);
  const BreakText text = madeUp(random, 12);
  const LineWidths widths{[](std::size_t line) { return line % 2 == 0 ? 2.0 : 150.0; }};
  for (const BrokenLine& line : bestLines(text, widths, {})) EXPECT_EQ(line.line % 2, 1U);
}

TEST(LineBreaks, AWordWiderThanAllLinesSticksOut) {
  BreakText text;
  text.width = {0, 500, 505, 525};
  text.stretch = text.shrink = {0, 0, 0, 0};
  text.hangs = {0, 0, 0};
  text.places.resize(2);
  text.places[0].end = 1;
  text.places[0].next = 2;
  text.places[1].end = text.places[1].next = 3;
  const auto lines = bestLines(text, {[](std::size_t) { return 100.0; }, 0}, {});
  EXPECT_EQ(lines, (std::vector<BrokenLine>{{0, 0}, {1, 1}}));
}

TEST(LineBreaks, AWordWithoutEndIsLookedAtInProportionToItsLength) {
  const auto asked = [](std::size_t letters) {
    BreakText text;
    for (std::size_t i = 0; i <= letters; ++i) {
      text.width.push_back(7.0 * static_cast<double>(i));
      text.stretch.push_back(0);
      text.shrink.push_back(0);
      if (i == 0) continue;
      BreakPlace place;
      place.end = place.next = i;
      place.isForced = i < letters;
      text.places.push_back(place);
    }
    std::size_t count = 0;
    // Lines that are never all alike, as in an outline.
    const LineWidths widths{[&](std::size_t line) {
      ++count;
      return 100.0 + static_cast<double>(line % 7);
    }};
    const auto lines = bestLines(text, widths, {});
    EXPECT_EQ(lines.back().place, letters - 1);
    EXPECT_NEAR(static_cast<double>(lines.size()), static_cast<double>(letters) / 14.0,
                static_cast<double>(letters) / 100)
        << "each line is as full as can be";
    return count;
  };
  EXPECT_LT(asked(8000), 5 * asked(2000));
}

}  // namespace
}  // namespace widecut

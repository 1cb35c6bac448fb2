// A story of a hundred pages: set all anew, and after a letter typed on its first page; a frame whose node is dragged;
// and words of two hundred letters that cut a panel. Against shaping the same text with HarfBuzz alone.
#include <benchmark/benchmark.h>
#include <hb.h>

#include "project/edits/cutouts.h"
#include "project/edits/words.h"
#include "project/forms/words.h"
#include "project/resolve.h"
#include "sample.h"
#include "words/region.h"

namespace widecut {
namespace {

constexpr int pages = 100;

TextStyle body() {
  TextStyle style;
  style.face.family = "EB Garamond";
  style.size = 11;
  style.leading = 14;
  style.align = Align::Justified;
  style.hyphens = true;
  return style;
}

/// About as much as a hundred pages hold; each paragraph is another one.
const std::string& story() {
  static const std::string text = [] {
    const char* const parts[] = {"The line climbs from the lake to the ridge in nineteen minutes",
                                 "nobody has ever counted the teeth of the rack",
                                 "the last carriage leaves the upper station when the lamps on the viaduct are lit",
                                 "in the winter of the long snow the cog wheel was finished",
                                 "the oldest driver says that there are as many of them as days in a long life"};
    std::string out;
    for (int paragraph = 0; paragraph < 830; ++paragraph) {
      for (int i = 0; i < 6; ++i)
        out += std::string(i == 0 ? "" : ", ") + parts[(paragraph * 7 + i * 3) % 5] + " " +
               std::to_string(paragraph * 6 + i);
      out += ".\n";
    }
    return out;
  }();
  return text;
}

const std::vector<FrameToFill>& frames() {
  static const std::vector<FrameToFill> all(pages, FrameToFill{{400, 560}, nullptr});
  return all;
}

/// Another text each time, so that nothing of it is known.
std::string unknown(int round) {
  std::string text = story();
  for (std::size_t at = 0; at < text.size(); at = text.find('\n', at) + 1) {
    text.insert(at, std::to_string(round) + " ");
    at = text.find('\n', at);
    if (at == std::string::npos) break;
  }
  return text;
}

void HarfBuzzAlone(benchmark::State& state) {
  const std::string text = story();
  hb_blob_t* blob = hb_blob_create_from_file(WIDECUT_FONTS "/EBGaramond12-Regular.otf");
  hb_face_t* face = hb_face_create(blob, 0);
  hb_font_t* font = hb_font_create(face);
  hb_buffer_t* buffer = hb_buffer_create();
  for (auto round : state) {
    for (std::size_t from = 0; from < text.size();) {
      const std::size_t to = std::min(text.find('\n', from), text.size());
      hb_buffer_reset(buffer);
      hb_buffer_add_utf8(buffer, text.data() + from, static_cast<int>(to - from), 0, -1);
      hb_buffer_guess_segment_properties(buffer);
      hb_shape(font, buffer, nullptr, 0);
      from = to + 1;
    }
  }
  hb_buffer_destroy(buffer);
  hb_font_destroy(font);
  hb_face_destroy(face);
  hb_blob_destroy(blob);
}
BENCHMARK(HarfBuzzAlone)->Name("words/HarfBuzz alone")->Unit(benchmark::kMillisecond);

void AllAnew(benchmark::State& state) {
  const TextStyle style = body();
  const TextLooks plain;
  int round = 0;
  for (auto one : state) {
    state.PauseTiming();
    const std::string text = unknown(++round);
    state.ResumeTiming();
    benchmark::DoNotOptimize(setStory({text, plain, style}, frames()));
  }
}
BENCHMARK(AllAnew)->Name("words/100 pages all anew")->Unit(benchmark::kMillisecond);

void ALetterTyped(benchmark::State& state) {
  const TextStyle style = body();
  const TextLooks plain;
  std::string text = story();
  benchmark::DoNotOptimize(setStory({text, plain, style}, frames()));
  std::size_t shown = 0;
  for (auto round : state) {
    text.insert(40, "e");
    const auto sets = setStory({text, plain, style}, frames());
    shown = sets.back().lines.size();
  }
  state.counters["last page's lines"] = static_cast<double>(shown);
}
BENCHMARK(ALetterTyped)->Name("words/a letter typed on page 1")->Unit(benchmark::kMillisecond);

void ANodeDragged(benchmark::State& state) {
  const TextStyle style = body();
  const TextLooks plain;
  const std::string text = story().substr(0, 3000);
  double x = 0;
  for (auto round : state) {
    x = x > 80 ? 0 : x + 0.7;
    const Outline outline = polygon({{x, 0}, {400, 0}, {400, 560}, {0, 560}});
    const FrameToFill room{{400, 560}, std::make_shared<const Region>(outline)};
    benchmark::DoNotOptimize(setStory({text, plain, style}, {&room, 1}));
  }
}
BENCHMARK(ANodeDragged)->Name("words/a node of a full page's frame dragged")->Unit(benchmark::kMillisecond);

/// A photo's outline of 200 nodes over a full page, that its lines keep clear of, and that is dragged.
void AnItemDraggedOverThem(benchmark::State& state) {
  const TextStyle style = body();
  const TextLooks plain;
  const std::string text = story().substr(0, 3000);
  std::vector<Point> corners;
  constexpr int nodes = 200;
  for (int i = 0; i < nodes; ++i) {
    const double angle = 2 * 3.14159265 * i / nodes, reach = i % 2 == 0 ? 90 : 80;
    corners.push_back({200 + reach * std::cos(angle), 250 + reach * std::sin(angle)});
  }
  TextFrame frame{400, 560};
  frame.clear = {{std::make_shared<const Outline>(polygon(corners)), {}, ClearSide::Both}};
  double x = 0;
  for (auto round : state) {
    x = x > 80 ? 0 : x + 0.7;
    frame.clear.front().place = Affine::move({x, 0});
    const FrameToFill room = roomIn(frame);
    benchmark::DoNotOptimize(setStory({text, plain, style}, {&room, 1}));
  }
}
BENCHMARK(AnItemDraggedOverThem)
    ->Name("words/an item of 200 nodes dragged over a full page")
    ->Unit(benchmark::kMillisecond);

/// A panel that 240 letters are cut out of.
struct CutPanel : Sample {
  Id text = 0, made = 0;
  const std::string letters = story().substr(0, 240);

  CutPanel() {
    const Id panel = add("panel", fitted(rectangleOutline(1, 1), {{0, 0}, {520, 400}}), {0, 0, 0});
    Item words = plainItem(project.nextId, "words", {}, {});
    Words::Content content;
    content.text = letters;
    content.style = body();
    content.style.size = 24;
    content.style.leading = 30;
    content.frame = TextFrame{500, 380};
    words.form = wordsForm(std::move(content));
    words.position = {10, 10};
    project = withItemsOnTop(project, sheet, {words});
    text = project.nextId - 1;
    project = combined(project, std::vector<Id>{panel, text}, Outcome::SubtractFront, {panel, 0}, made);
  }
};

void LettersAsCutters(benchmark::State& state) {
  const CutPanel s;
  std::size_t round = 0;
  for (auto one : state) {
    const Project typed = withText(s.project, s.text, s.letters + std::string(1 + ++round % 9, 'a'));
    benchmark::DoNotOptimize(resolved(*findItem(typed, s.made)));
  }
}
BENCHMARK(LettersAsCutters)->Name("words/200 letters cut a panel, one typed")->Unit(benchmark::kMillisecond);

void LettersMoved(benchmark::State& state) {
  const CutPanel s;
  const Id moved[] = {s.text};
  double x = 0;
  for (auto one : state) {
    x = x > 20 ? 0 : x + 0.31;
    const Project next = withMapped(s.project, moved, Affine::move({x, x / 3}));
    benchmark::DoNotOptimize(resolved(*findItem(next, s.made)));
  }
}
BENCHMARK(LettersMoved)->Name("words/200 letters cut a panel, moved")->Unit(benchmark::kMillisecond);

}  // namespace
}  // namespace widecut

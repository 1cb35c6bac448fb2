#include "scene/live_text.h"

#include <algorithm>

namespace widecut {
namespace {

constexpr const char* softHyphen = "\xC2\xAD";

void addClusters(const SetLine& line, const SetRun& run, const std::string& story, std::vector<LiveCluster>& out) {
  const auto& glyphs = run.glyphs;
  const std::size_t inParagraph = line.to - line.paragraph;
  double x = run.x;
  for (std::size_t i = 0; i < glyphs.size();) {
    std::size_t after = i;
    double width = 0;
    for (; after < glyphs.size() && glyphs[after].at == glyphs[i].at; ++after) width += glyphs[after].advance;
    const std::size_t from = glyphs[i].at;
    const std::size_t to =
        run.leftward ? (i == 0 ? run.to : glyphs[i - 1].at) : (after < glyphs.size() ? glyphs[after].at : run.to);
    LiveCluster cluster{{}, &run, i, after - i, x};
    if (run.from < run.to)
      cluster.says = story.substr(line.paragraph + from, to - from);
    else if (line.endsInHyphen && from == inParagraph)
      cluster.says = softHyphen;
    out.push_back(std::move(cluster));
    x += width;
    i = after;
  }
}

}  // namespace

std::vector<LiveCluster> clustersOf(const SetLine& line, const std::string& story) {
  std::vector<LiveCluster> out;
  for (const SetRun& run : line.body->runs) addClusters(line, run, story, out);
  const auto at = [](const LiveCluster& c) { return c.run->glyphs[c.first].at; };
  std::stable_sort(out.begin(), out.end(), [&](const auto& a, const auto& b) { return at(a) < at(b); });
  return out;
}

bool isStraight(const SetWords& words) {
  for (std::size_t i = 0; i < words.shown; ++i)
    if (!words.lines[i].bends.empty()) return false;
  return true;
}

}  // namespace widecut

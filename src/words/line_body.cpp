#include "words/line_body.h"

#include <algorithm>
#include <cmath>

#include "geometry/measure.h"

namespace widecut {
namespace {

enum class TabAlign : unsigned char { Left, Centre, Right, Decimal };
struct Tab {
  double at = 0;
  TabAlign align = TabAlign::Left;
};
constexpr double usualTab = 36;  // points, half an inch

/// “20mm, 60mm right, 90mm decimal”: what cannot be read is passed over.
std::vector<Tab> tabsOf(const std::string& list) {
  std::vector<Tab> out;
  for (std::size_t from = 0; from < list.size();) {
    const std::size_t comma = std::min(list.find(',', from), list.size());
    std::string part = list.substr(from, comma - from);
    from = comma + 1;
    Tab tab;
    for (const auto& [name, align] : {std::pair(" right", TabAlign::Right), std::pair(" centre", TabAlign::Centre),
                                      std::pair(" decimal", TabAlign::Decimal)})
      if (const auto at = part.find(name); at != std::string::npos) {
        tab.align = align;
        part.resize(at);
      }
    const auto place = parseMeasure(part, Unit::Millimetre, 0);
    if (!place || !(*place > 0)) continue;
    tab.at = *place;
    out.push_back(tab);
  }
  std::sort(out.begin(), out.end(), [](const Tab& a, const Tab& b) { return a.at < b.at; });
  return out;
}

/// What stands between a tab and the next one.
struct BehindTab {
  double width = 0;
  double whole = 0;  ///< Of it, what is before the sign of its decimals; all of it where there is none.
};
/// The sign before decimals.
char decimalSign(const TextStyle& style) {
  constexpr std::string_view withPoints[] = {"en", "zh", "ja", "ko", "th", "he", "hi"};
  const std::string_view language = std::string_view(style.language).substr(0, 2);
  return std::find(std::begin(withPoints), std::end(withPoints), language) != std::end(withPoints) ? '.' : ',';
}

/// How wide a tab is that begins at x.
double tabWidth(const std::vector<Tab>& tabs, double x, const BehindTab& behind) {
  constexpr double least = 1;
  const auto next = std::find_if(tabs.begin(), tabs.end(), [&](const Tab& t) { return t.at > x + least; });
  if (next == tabs.end()) {
    const double last = tabs.empty() ? 0 : tabs.back().at;
    return last + (std::floor((x + least - last) / usualTab) + 1) * usualTab - x;
  }
  const double back = next->align == TabAlign::Right     ? behind.width
                      : next->align == TabAlign::Centre  ? behind.width / 2
                      : next->align == TabAlign::Decimal ? behind.whole
                                                         : 0;
  return std::max(next->at - x - back, 0.0);
}

/// Gives tabs their widths, and moves what is behind them.
void layTabs(const Paragraph& paragraph, std::vector<SetRun>& runs) {
  const auto isTab = [&](const SetRun& run) { return run.from < run.to && paragraph.text()[run.from] == '\t'; };
  if (std::none_of(runs.begin(), runs.end(), isTab)) return;
  const auto tabs = tabsOf(paragraph.style().tabs);
  const char sign = decimalSign(paragraph.style());
  double x = 0;
  for (std::size_t i = 0; i < runs.size(); ++i) {
    runs[i].x = x;
    if (isTab(runs[i])) {
      BehindTab behind;
      bool isWhole = true;
      for (std::size_t k = i + 1; k < runs.size() && !isTab(runs[k]); ++k) {
        behind.width += runs[k].width;
        for (const SetGlyph& glyph : runs[k].glyphs) {
          isWhole = isWhole && paragraph.text()[glyph.at] != sign;
          if (isWhole) behind.whole += glyph.advance;
        }
      }
      runs[i].width = tabWidth(tabs, x, behind);
    }
    x += runs[i].width;
  }
}

/// A place of the caret, with the byte counted from the paragraph's beginning; a cluster of several letters, such as a
/// ligature, is shared out evenly among them.
void addStops(const SetRun& run, const std::vector<std::size_t>& letters, std::vector<CaretStop>& out) {
  double x = run.x;
  const auto add = [&](std::size_t from, std::size_t to, double width) {
    const auto first = std::lower_bound(letters.begin(), letters.end(), from);
    const auto end = std::lower_bound(first, letters.end(), to);
    const auto count = static_cast<double>(end - first);
    for (auto letter = first; letter != end; ++letter) {
      const double share = static_cast<double>(letter - first) / count;
      out.push_back({*letter, run.leftward ? x + width * (1 - share) : x + width * share});
    }
    x += width;
  };
  const auto& glyphs = run.glyphs;
  if (glyphs.empty()) add(run.from, run.to, run.width);
  for (std::size_t i = 0; i < glyphs.size();) {
    double width = 0;
    std::size_t after = i;
    for (; after < glyphs.size() && glyphs[after].at == glyphs[i].at; ++after) width += glyphs[after].advance;
    const std::size_t next =
        run.leftward ? (i == 0 ? run.to : glyphs[i - 1].at) : (after < glyphs.size() ? glyphs[after].at : run.to);
    add(glyphs[i].at, next, width);
    i = after;
  }
}

std::vector<CaretStop> stopsOf(const Paragraph& paragraph, const std::vector<SetRun>& runs, std::size_t from,
                               std::size_t to) {
  std::vector<CaretStop> out;
  for (const SetRun& run : runs) addStops(run, paragraph.letterPlaces(), out);
  std::stable_sort(out.begin(), out.end(), [](const CaretStop& a, const CaretStop& b) { return a.at < b.at; });
  // The end of the line is behind its last letter.
  if (runs.empty()) return {{0, 0}};
  const auto last =
      std::max_element(runs.begin(), runs.end(), [](const auto& a, const auto& b) { return a.to < b.to; });
  out.push_back({to, last->leftward ? last->x : last->x + last->width});
  for (CaretStop& stop : out) stop.at -= from;
  return out;
}

/// Adds to the advance of every space between two bytes a share of what it may be stretched or shrunk by.
void stretchSpaces(const Paragraph& paragraph, std::vector<SetRun>& runs, std::size_t from, std::size_t end,
                   double room) {
  const auto& clusters = paragraph.clusters();
  // What ends the line is not parted from what is behind it.
  const std::size_t behind = paragraph.clusterAt(end), lastOne = behind > 0 ? behind - 1 : 0;
  const auto limit = [&](const Cluster& c) {
    if (&c == &clusters[lastOne] && !c.isSpace) return 0.0;
    return room > 0 ? c.stretch : c.shrink;
  };
  double sum = 0;
  for (std::size_t i = paragraph.clusterAt(from); i < clusters.size() && clusters[i].from < end; ++i)
    sum += limit(clusters[i]);
  if (!(sum > 0)) return;
  const double share = std::max(room / sum, -1.0);
  double x = 0;
  for (SetRun& run : runs) {
    run.x = run.x + x;
    double grown = 0;
    for (SetGlyph& glyph : run.glyphs) {
      if (glyph.at >= end) continue;
      const std::size_t i = paragraph.clusterAt(glyph.at);
      if (i >= clusters.size() || clusters[i].from != glyph.at) continue;
      if (&glyph != run.glyphs.data() && (&glyph - 1)->at == glyph.at) continue;  // once for each cluster
      const double more = limit(clusters[i]) * share;
      glyph.advance += more;
      grown += more;
    }
    run.width += grown;
    x += grown;
  }
}

/// The bytes up to the white space that ends a line.
std::size_t endOfLetters(const Paragraph& paragraph, std::size_t from, std::size_t to) {
  const auto& clusters = paragraph.clusters();
  std::size_t i = paragraph.clusterAt(to);
  while (i > 0 && clusters[i - 1].from >= from && clusters[i - 1].isSpace && !clusters[i - 1].isTab) --i;
  return i == clusters.size() ? to : clusters[i].from;
}

double widthOf(const std::vector<SetRun>& runs, std::size_t from, std::size_t to) {
  double width = 0;
  for (const SetRun& run : runs) {
    if (run.glyphs.empty() && run.from >= from && run.from < to) width += run.width;
    for (const SetGlyph& glyph : run.glyphs)
      if (glyph.at >= from && glyph.at < to) width += glyph.advance;
  }
  return width;
}

}  // namespace

double tabbedWidth(const Paragraph& paragraph, std::size_t from, std::size_t to) {
  const auto tabs = tabsOf(paragraph.style().tabs);
  const auto& clusters = paragraph.clusters();
  const char sign = decimalSign(paragraph.style());
  double x = 0;
  for (std::size_t i = from; i < to; ++i) {
    if (!clusters[i].isTab) {
      x += clusters[i].width;
      continue;
    }
    BehindTab behind;
    bool isWhole = true;
    for (std::size_t k = i + 1; k < to && !clusters[k].isTab; ++k) {
      behind.width += clusters[k].width;
      isWhole = isWhole && paragraph.text()[clusters[k].from] != sign;
      if (isWhole) behind.whole += clusters[k].width;
    }
    x += tabWidth(tabs, x, behind);
  }
  return x;
}

LaidLine laidLine(const Paragraph& paragraph, const LineAsk& ask) {
  auto body = std::make_shared<LineBody>();
  body->runs = paragraph.line(ask.from, ask.to);
  auto& runs = body->runs;
  layTabs(paragraph, runs);
  const std::size_t end = ask.isLast ? ask.to : endOfLetters(paragraph, ask.from, ask.to);
  const bool isLeftward = paragraph.isLeftward();
  LaidLine out;
  std::optional<SetRun> hyphen;
  if (ask.endsInHyphen) hyphen = paragraph.hyphenBefore(ask.to);
  const auto& clusters = paragraph.clusters();
  if (const std::size_t first = paragraph.clusterAt(ask.from); first < clusters.size())
    out.hangsBefore = clusters[first].hangsBefore;
  if (const std::size_t last = paragraph.clusterAt(end); last > 0 && clusters[last - 1].from >= ask.from)
    out.hangsAfter = hyphen && paragraph.style().hanging ? hyphen->width * 0.4 : clusters[last - 1].hangsAfter;
  if (isLeftward) std::swap(out.hangsBefore, out.hangsAfter);
  const auto visible = [&] {
    return widthOf(runs, ask.from, end) + (hyphen ? hyphen->width : 0) - out.hangsBefore - out.hangsAfter;
  };
  if (const double room = ask.width - visible(); ask.isFilled && std::isfinite(room) && (!ask.isLast || room < 0))
    stretchSpaces(paragraph, runs, ask.from, end, room);
  out.width = visible();
  // From the right, white space at the end stands at the left end, outside of the line; and so does a hyphen.
  double shift = -out.hangsBefore;
  if (isLeftward) shift += (hyphen ? hyphen->width : 0) - widthOf(runs, end, ask.to);
  for (SetRun& run : runs) run.x += shift;
  if (hyphen) {
    hyphen->x = isLeftward ? -out.hangsBefore : out.width + out.hangsAfter - hyphen->width;
    hyphen->from = hyphen->to = ask.to;
    for (SetGlyph& glyph : hyphen->glyphs) glyph.at = ask.to;
  }
  body->stops = stopsOf(paragraph, runs, ask.from, ask.to);
  if (hyphen) runs.insert(isLeftward ? runs.begin() : runs.end(), std::move(*hyphen));
  out.body = std::move(body);
  return out;
}

}  // namespace widecut

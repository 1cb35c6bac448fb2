#include "cli/words_command.h"

#include <algorithm>
#include <cmath>
#include <iostream>

#include "cli/json_lines.h"
#include "geometry/measure.h"
#include "geometry/path_data.h"
#include "project/forms/words.h"
#include "project/limits.h"
#include "words/font_library.h"
#include "words/text_breaks.h"

namespace widecut {
namespace {

using json = OrderedJson;

Result<AspectValue> valueIn(const AspectEntry& entry, const std::string& typed) {
  switch (entry.kind) {
    case AspectKind::Words:
      return typed;
    case AspectKind::Switch:
      if (typed == "yes" || typed == "no") return typed == "yes" ? 1.0 : 0.0;
      return problem(std::string(entry.name) + " is yes or no, not '" + typed + "'");
    case AspectKind::Choice: {
      double place = 0;
      for (std::string_view rest = entry.choices; !rest.empty(); ++place) {
        const std::size_t end = std::min(rest.find('|'), rest.size());
        if (rest.substr(0, end) == typed) return place;
        rest.remove_prefix(std::min(end + 1, rest.size()));
      }
      return problem(std::string(entry.name) + " is one of " + std::string(entry.choices) + ", not '" + typed + "'");
    }
    default: {
      const auto number = parseMeasure(typed, entry.kind == AspectKind::Length ? Unit::Point : Unit::Plain, 0);
      if (!number) return problem(std::string(entry.name) + ": " + number.error().message);
      return *number;
    }
  }
}

Result<TextStyle> styleOf(const WordsRequest& request) {
  constexpr double usualLeading = 1.2;
  TextStyle style;
  style.face.family = request.font;
  std::vector<std::string> looks{"size=" + request.size};
  looks.insert(looks.end(), request.looks.begin(), request.looks.end());
  for (const std::string& look : looks) {
    const std::size_t sign = look.find('=');
    const AspectEntry* entry = sign == std::string::npos ? nullptr : findAspect(look.substr(0, sign));
    if (!entry) return problem("words have no '" + look.substr(0, sign) + "', as in align=justified");
    const auto value = valueIn(*entry, look.substr(sign + 1));
    if (!value) return tl::unexpected(value.error());
    if (const std::string wrong = whatIsWrong(entry->aspect, *value); !wrong.empty())
      return problem(std::string(entry->name) + " " + wrong);
    setValue(style, entry->aspect, *value);
    if (entry->aspect == TextAspect::Size) style.leading = style.size * usualLeading;
  }
  return style;
}

Result<std::shared_ptr<const Outline>> outlineIn(const std::string& data, const char* option) {
  auto parsed = parsePathData(data);
  if (!parsed) return problem(std::string(option) + ": " + parsed.error().message);
  const Box box = bounds(*parsed);
  if (box.isEmpty() || parsed->isEmpty()) return problem(std::string(option) + " has no outline");
  return std::make_shared<const Outline>(std::move(*parsed));
}

double rounded(double v) { return std::round(v * 1e4) / 1e4; }

json listed(const Words& words, Point shift) {
  json lines = json::array();
  const SetWords& set = words.set();
  for (std::size_t i = 0; i < set.lines.size(); ++i) {
    const SetLine& line = set.lines[i];
    const Point start = caretAt(set, line.from) + shift;
    json one{{"text", words.story().substr(line.from, line.to - line.from)},
             {"from", line.from},
             {"to", line.to},
             {"x", rounded(start.x)},
             {"y", rounded(start.y)},
             {"width", rounded(line.width)},
             {"shown", i < set.shown}};
    if (line.endsInHyphen) one["hyphen"] = true;
    lines.push_back(std::move(one));
  }
  return {{"lines", std::move(lines)}, {"fits", set.fits()}};
}

}  // namespace

Result<void> words(const WordsRequest& request) {
  if (!request.in.empty() && !request.along.empty()) return problem("words are either in an outline or along a line");
  const auto style = styleOf(request);
  if (!style) return tl::unexpected(style.error());
  Words::Content content;
  content.text = cleanText(request.text);
  if (content.text.size() > limits::mostTextBytes) return problem("the text is longer than 2000000 bytes");
  content.style = *style;
  Point shift;
  if (!request.in.empty()) {
    const auto outline = outlineIn(request.in, "--in");
    if (!outline) return tl::unexpected(outline.error());
    const Box box = bounds(**outline);
    if (!(box.width() > 0 && box.height() > 0)) return problem("--in has no area");
    content.frame = TextFrame{box.width(), box.height()};
    content.frame->outline = std::make_shared<const Outline>(transformed(**outline, Affine::move(-box.low)));
    shift = box.low;
  } else if (!request.along.empty()) {
    const auto line = outlineIn(request.along, "--along");
    if (!line) return tl::unexpected(line.error());
    content.along = AlongLine{*line};
  }
  const Words set(std::move(content));
  if (const std::string beyond = whatIsBeyond(set); !beyond.empty()) return problem("the words " + beyond);
  if (fontFor(style->face).isStandIn)
    std::cerr << "widecut: note: '" << request.font << "' is not on this machine: Cabin stands in\n";
  if (request.asJson)
    std::cout << listed(set, shift).dump(2, ' ', false, json::error_handler_t::replace) << '\n';
  else
    std::cout << pathData(transformed(*set.outline(), Affine::move(shift))) << '\n';
  return {};
}

}  // namespace widecut

#include "storage/words_json.h"

#include <algorithm>

#include "geometry/path_data.h"
#include "project/limits.h"
#include "words/text_breaks.h"

namespace widecut {
namespace {

using nlohmann::json;

std::vector<std::string_view> choicesOf(const AspectEntry& entry) {
  std::vector<std::string_view> out;
  for (std::string_view rest = entry.choices; !rest.empty();) {
    const std::size_t end = std::min(rest.find('|'), rest.size());
    out.push_back(rest.substr(0, end));
    rest.remove_prefix(std::min(end + 1, rest.size()));
  }
  return out;
}

json valueJson(TextAspect aspect, const AspectValue& value) {
  const AspectEntry& entry = entryOf(aspect);
  if (const auto* words = std::get_if<std::string>(&value)) return *words;
  const double number = std::get<double>(value);
  if (entry.kind == AspectKind::Switch) return number != 0;
  if (entry.kind == AspectKind::Choice) return std::string(choicesOf(entry)[static_cast<std::size_t>(number)]);
  if (entry.kind == AspectKind::Count) return static_cast<int>(number);
  return number;
}

AspectValue readValue(Members& m, const AspectEntry& entry) {
  const std::string name(entry.name);
  AspectValue out;
  switch (entry.kind) {
    case AspectKind::Words:
      out = m.text(name);
      break;
    case AspectKind::Switch:
      out = m.flag(name, false) ? 1.0 : 0.0;
      break;
    case AspectKind::Choice: {
      const auto choices = choicesOf(entry);
      const auto found = std::find(choices.begin(), choices.end(), m.text(name));
      if (found == choices.end()) m.wrong(name, "is none of " + std::string(entry.choices));
      out = static_cast<double>(found - choices.begin());
      break;
    }
    case AspectKind::Count:
      out = static_cast<double>(m.count(name, static_cast<int>(entry.least), static_cast<int>(entry.most)));
      break;
    case AspectKind::Length:
    case AspectKind::Number:
      out = m.number(name, entry.least, entry.most);
      break;
  }
  if (const std::string wrong = whatIsWrong(entry.aspect, out); !wrong.empty()) m.wrong(name, wrong);
  return out;
}

json lookJson(const Look& look) {
  json out = json::object();
  for (const auto& [aspect, value] : look) out[std::string(entryOf(aspect).name)] = valueJson(aspect, value);
  return out;
}

Look readLook(Members m) {
  Look out;
  for (int i = 0; i < countOfTextAspects; ++i) {
    const AspectEntry& entry = entryOf(static_cast<TextAspect>(i));
    if (m.find(std::string(entry.name))) out.emplace_back(entry.aspect, readValue(m, entry));
  }
  return out;
}

/// What the first version of the file had for all words, and still has.
bool isAlwaysWritten(TextAspect aspect) {
  return aspect == TextAspect::Family || aspect == TextAspect::Weight || aspect == TextAspect::Size ||
         aspect == TextAspect::Leading || aspect == TextAspect::Align;
}

template <class One>
json ownJson(const One& one) {
  json out = json::object();
  if (one.named) out["style"] = one.named->number;
  if (!one.look.empty()) out["look"] = lookJson(one.look);
  return out;
}

template <class One>
void readOwn(Members& m, const ItemReader& reader, One& out) {
  if (m.find("style")) {
    out.named = reader.textStyle(static_cast<std::uint32_t>(m.count("style", 1, 1'000'000)));
    if (!out.named) m.wrong("style", "is the number of no style");
  }
  if (const json* look = m.find("look")) out.look = readLook(Members(*look, m.placeOf("look")));
}

std::size_t byteOf(Members& m, const char* name, std::size_t most) {
  return static_cast<std::size_t>(m.count(name, 0, static_cast<int>(most)));
}

TextLooks readLooks(Members& m, const ItemReader& reader, std::size_t size) {
  TextLooks out;
  const auto each = [&](const char* name, const auto& read) {
    if (!m.find(name)) return;
    const json& list = m.array(name);
    for (std::size_t i = 0; i < list.size(); ++i)
      read(Members(list[i], m.placeOf(name + ("[" + std::to_string(i) + "]"))));
  };
  each("letters", [&](Members one) {
    LetterLook look;
    look.from = byteOf(one, "from", size);
    look.to = byteOf(one, "to", size);
    readOwn(one, reader, look);
    const std::size_t last = out.letters.empty() ? 0 : out.letters.back().to;
    if (look.from < last || look.to <= look.from) one.wrong("from", "does not follow what is before it");
    out.letters.push_back(std::move(look));
  });
  each("paragraphs", [&](Members one) {
    ParagraphLook look;
    look.at = byteOf(one, "at", size);
    readOwn(one, reader, look);
    if (!out.paragraphs.empty() && look.at <= out.paragraphs.back().at)
      one.wrong("at", "does not follow what is before it");
    out.paragraphs.push_back(std::move(look));
  });
  return out;
}

constexpr std::string_view uprights[] = {"top", "middle", "bottom", "spread"};
constexpr std::string_view firsts[] = {"ascent", "capitals", "leading"};

Outline readPath(Members& m, const std::string& name) {
  const auto parsed = parsePathData(m.text(name));
  if (!parsed) m.wrong(name, "cannot be read: " + parsed.error().message);
  const Box box = bounds(*parsed);
  constexpr double far = limits::mostLength;
  if (box.isEmpty() || !Box{{-far, -far}, {far, far}}.contains(box)) m.wrong(name, "is empty, or leaves ±1e6 points");
  return *parsed;
}

void write(const TextFrame& frame, json& out) {
  out["frame"] = pointJson({frame.width, frame.height});
  if (frame.outline) out["frameOutline"] = pathData(*frame.outline);
  if (frame.inset != 0) out["inset"] = frame.inset;
  if (frame.columns != 1) {
    out["columns"] = frame.columns;
    out["gutter"] = frame.gutter;
    if (frame.isBalanced) out["balanced"] = true;
  }
  if (frame.upright != Upright::Top) out["upright"] = std::string(uprights[static_cast<std::size_t>(frame.upright)]);
  if (frame.first != FirstLine::Ascent) out["first"] = std::string(firsts[static_cast<std::size_t>(frame.first)]);
}

TextFrame readFrame(Members& m) {
  const Point size = m.point("frame");
  if (!(size.x > 0 && size.y > 0)) m.wrong("frame", "has no area");
  TextFrame out{size.x, size.y};
  if (m.find("frameOutline")) out.outline = std::make_shared<const Outline>(readPath(m, "frameOutline"));
  out.inset = m.number("inset", 0, limits::mostLength, 0);
  if (m.find("columns")) out.columns = m.count("columns", 1, limits::mostTextColumns);
  out.gutter = m.number("gutter", 0, limits::mostLength, out.gutter);
  out.isBalanced = m.flag("balanced", false);
  out.upright = m.word<Upright>("upright", uprights);
  out.first = m.word<FirstLine>("first", firsts);
  return out;
}

json alongJson(const AlongLine& along) {
  json out{{"line", pathData(*along.line)}};
  if (along.start != 0) out["start"] = along.start;
  if (along.offset != 0) out["offset"] = along.offset;
  if (along.isOtherSide) out["otherSide"] = true;
  if (along.isSpread) out["spread"] = true;
  return out;
}

AlongLine readAlong(Members m) {
  AlongLine out;
  out.line = std::make_shared<const Outline>(readPath(m, "line"));
  out.start = m.number("start", -limits::mostLength, limits::mostLength, 0);
  out.offset = m.number("offset", -limits::mostLength, limits::mostLength, 0);
  out.isOtherSide = m.flag("otherSide", false);
  out.isSpread = m.flag("spread", false);
  return out;
}

}  // namespace

json stretchJson(const Affine& s) { return {s.xx, s.yx, s.xy, s.yy}; }

Affine readStretch(Members& m) {
  const json& list = m.array("stretch");
  double numbers[4];
  if (list.size() != std::size(numbers)) m.wrong("stretch", "is not a list of four numbers");
  for (std::size_t i = 0; i < std::size(numbers); ++i) {
    if (!list[i].is_number() || !(std::abs(list[i].get<double>()) <= limits::mostLength))
      m.wrong("stretch", "is not a list of four numbers within a million");
    numbers[i] = list[i].get<double>();
  }
  return {numbers[0], numbers[1], numbers[2], numbers[3], 0, 0};
}

json wordsJson(const Words& words) {
  const Words::Content& content = words.content();
  json out = withExtra(content.extra);
  out["text"] = content.text;
  const TextStyle usual;
  for (int i = 0; i < countOfTextAspects; ++i) {
    const auto aspect = static_cast<TextAspect>(i);
    const AspectValue value = valueOf(content.style, aspect);
    if (isAlwaysWritten(aspect) || value != valueOf(usual, aspect))
      out[std::string(entryOf(aspect).name)] = valueJson(aspect, value);
  }
  if (content.frame) write(*content.frame, out);
  if (content.along) out["along"] = alongJson(*content.along);
  for (const LetterLook& one : content.looks.letters) {
    json look = ownJson(one);
    look["from"] = one.from;
    look["to"] = one.to;
    out["letters"].push_back(std::move(look));
  }
  for (const ParagraphLook& one : content.looks.paragraphs) {
    json look = ownJson(one);
    look["at"] = one.at;
    out["paragraphs"].push_back(std::move(look));
  }
  if (content.stretch != Affine{}) out["stretch"] = stretchJson(content.stretch);
  if (content.levelOf != 0) out["levelOf"] = content.levelOf;
  if (content.on != 0) out["on"] = content.on;
  if (content.flowsFrom != 0) {
    out["flowsFrom"] = content.flowsFrom;
    out["flowPlace"] = content.flowPlace;
  }
  return out;
}

Form readWords(Members m, const ItemReader& reader) {
  Words::Content out;
  const std::string text = m.text("text");
  out.text = cleanText(text);
  // Before it is set: that takes its time.
  if (out.text.size() > limits::mostTextBytes) m.wrong("text", "is longer than 2000000 bytes");
  for (int i = 0; i < countOfTextAspects; ++i) {
    const AspectEntry& entry = entryOf(static_cast<TextAspect>(i));
    if (isAlwaysWritten(entry.aspect) || m.find(std::string(entry.name)))
      setValue(out.style, entry.aspect, readValue(m, entry));
  }
  out.style.face.own = reader.fonts();
  if (out.style.face.family.size() > limits::mostNameBytes) m.wrong("family", "is too long");
  if (m.find("frame")) out.frame = readFrame(m);
  if (const json* along = m.find("along"); along && !out.frame)
    out.along = readAlong(Members(*along, m.placeOf("along")));
  // Looks are of the text as it was written.
  if (out.text == text) out.looks = readLooks(m, reader, out.text.size());
  if (m.find("stretch")) out.stretch = readStretch(m);
  if (m.find("levelOf")) out.levelOf = m.id("levelOf");
  if (m.find("on")) out.on = m.id("on");
  if (m.find("flowsFrom")) {
    out.flowsFrom = m.id("flowsFrom");
    out.flowPlace = m.count("flowPlace", 1, 1'000'000);
  }
  out.extra = m.extra();
  return wordsForm(std::move(out));
}

json textStylesJson(const std::vector<NamedLookPtr>& styles) {
  json out = json::array();
  for (const NamedLookPtr& one : styles) {
    json style{{"number", one->number}, {"name", one->name}, {"look", lookJson(one->look)}};
    if (!one->isOfParagraphs) style["letters"] = true;
    if (one->basedOn) style["basedOn"] = one->basedOn->number;
    out.push_back(std::move(style));
  }
  return out;
}

std::vector<NamedLookPtr> readTextStyles(const json& list) {
  std::vector<NamedLookPtr> out;
  for (std::size_t i = 0; i < list.size(); ++i) {
    Members m(list[i], "textStyles[" + std::to_string(i) + "]");
    NamedLook style;
    style.number = static_cast<std::uint32_t>(m.count("number", 1, 1'000'000));
    style.name = m.text("name");
    if (style.name.size() > limits::mostNameBytes) m.wrong("name", "is too long");
    style.isOfParagraphs = !m.flag("letters", false);
    style.look = readLook(Members(m.need("look"), m.placeOf("look")));
    const auto find = [&](std::uint32_t number) {
      const auto found = std::find_if(out.begin(), out.end(), [&](const auto& one) { return one->number == number; });
      return found == out.end() ? nullptr : *found;
    };
    if (find(style.number)) m.wrong("number", "is another style's");
    if (m.find("basedOn")) {
      style.basedOn = find(static_cast<std::uint32_t>(m.count("basedOn", 1, 1'000'000)));
      if (!style.basedOn) m.wrong("basedOn", "is the number of no style before it");
    }
    out.push_back(std::make_shared<const NamedLook>(std::move(style)));
  }
  return out;
}

}  // namespace widecut

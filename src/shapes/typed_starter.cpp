#include "shapes/typed_starter.h"

#include <algorithm>

#include "shapes/other_names.h"

namespace widecut {
namespace {

bool isBlank(char c) { return c == ' ' || c == '\t'; }
bool isDigit(char c) { return c >= '0' && c <= '9'; }
bool isLetter(char c) { return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z'); }

std::string trimmed(std::string_view text) {
  while (!text.empty() && isBlank(text.front())) text.remove_prefix(1);
  while (!text.empty() && isBlank(text.back())) text.remove_suffix(1);
  return std::string(text);
}

std::string lowered(std::string_view text) {
  std::string out(text);
  for (char& c : out)
    if (c >= 'A' && c <= 'Z') c = static_cast<char>(c - 'A' + 'a');
  return out;
}

/// A value that was said, and of which number; −1 for what stands before any name.
struct Said {
  int number = -1;
  std::string value;
};

/// Where the rest of the text names a number, the longest name first: its index and how long the name is.
std::pair<int, std::size_t> nameAt(const StarterKind& kind, std::string_view text) {
  std::pair<int, std::size_t> best{-1, 0};
  for (std::size_t i = 0; i < kind.numbers.size(); ++i) {
    const std::string_view name = kind.numbers[i].name;
    const bool ends = text.size() == name.size() || (text.size() > name.size() && !isLetter(text[name.size()]));
    if (text.starts_with(name) && ends && name.size() > best.second) best = {static_cast<int>(i), name.size()};
  }
  return best;
}

std::vector<Said> partedByNames(const StarterKind& kind, std::string_view text) {
  std::vector<Said> all{{}};
  for (std::size_t at = 0; at < text.size();) {
    const bool begins = at == 0 || !isLetter(text[at - 1]);
    const auto [number, length] = begins ? nameAt(kind, text.substr(at)) : std::pair<int, std::size_t>{-1, 0};
    if (number < 0) {
      all.back().value += text[at++];
      continue;
    }
    all.push_back({number, {}});
    at += length;
    while (at < text.size() && (isBlank(text[at]) || text[at] == '=' || text[at] == ':')) ++at;
  }
  for (Said& said : all) {
    said.value = trimmed(said.value);
    while (!said.value.empty() && (said.value.back() == ',' || said.value.back() == ';'))
      said.value = trimmed(std::string_view(said.value).substr(0, said.value.size() - 1));
  }
  return all;
}

/// The unit of length that a text ends with.
std::optional<Unit> unitAtEnd(std::string_view text) {
  std::size_t at = text.size();
  while (at > 0 && isLetter(text[at - 1])) --at;
  return at > 0 ? unitNamed(text.substr(at)) : std::nullopt;
}

/// The two lengths of a size with an x or × between them.
std::optional<std::pair<std::string, std::string>> sizeIn(const std::string& text) {
  for (std::size_t i = 1; i < text.size(); ++i) {
    const bool times = text.compare(i, 2, "\xC3\x97") == 0;
    // The x of px has a letter before it.
    if (!times && !((text[i] == 'x' || text[i] == 'X') && !(isLetter(text[i - 1]) && text[i - 1] == 'p'))) continue;
    const std::string first = trimmed(std::string_view(text).substr(0, i)),
                      second = trimmed(std::string_view(text).substr(i + (times ? 2 : 1)));
    if (!first.empty() && !second.empty()) return std::pair{first, second};
  }
  return std::nullopt;
}

Result<void> takeSize(TypedStarter& out, const std::string& text, Unit unit) {
  const auto parts = sizeIn(text);
  if (!parts) {
    // One length is the width, and the kind has its own proportions.
    if (const auto side = parseMeasure(text, unit, 0); side && *side > 0) {
      const StarterSize usual = usualSize(*out.kind, out.numbers);
      out.width = *side;
      out.height = *side * usual.height / usual.width;
      return {};
    }
    return problem("“" + text + "” is neither a size, as in 50 x 75, nor a number of " + std::string(out.kind->name));
  }
  // In “60 x 90 mm” the unit is that of both.
  const Unit ofWidth = unitAtEnd(parts->first) ? unit : unitAtEnd(parts->second).value_or(unit);
  const auto width = parseMeasure(parts->first, ofWidth, 0), height = parseMeasure(parts->second, unit, 0);
  if (!width) return tl::unexpected(width.error());
  if (!height) return tl::unexpected(height.error());
  if (!(*width > 0 && *height > 0)) return problem("a size is above 0, not " + text);
  out.width = *width;
  out.height = *height;
  return {};
}

/// A bare number is what the kind counts, or else its first measure; where that is a length or a share, or there is
/// none, it is its size.
int bareNumber(const StarterKind& kind) {
  for (std::size_t i = 0; i < kind.numbers.size(); ++i)
    if (kind.numbers[i].kind == NumberKind::Count) return static_cast<int>(i);
  const bool isMeasured = !kind.numbers.empty() && kind.numbers.front().isMeasure();
  const NumberKind first = kind.numbers.empty() ? NumberKind::Length : kind.numbers.front().kind;
  return isMeasured && first != NumberKind::Length && first != NumberKind::Share ? 0 : -1;
}

Result<void> takeNumber(TypedStarter& out, int index, std::string text, Unit unit) {
  const StarterNumber& number = out.kind->numbers[static_cast<std::size_t>(index)];
  if (number.kind == NumberKind::Switch && text.empty()) text = "on";
  if (number.kind == NumberKind::Share && !text.ends_with('%')) text += " %";
  const auto value = parseValue(number, text, unit);
  if (!value) return tl::unexpected(value.error());
  out.numbers[static_cast<std::size_t>(index)] = *value;
  return {};
}

/// How long the count is that a size follows, as the 5 of “5 60” and of “5 60 x 40”; 0 without one.
std::size_t countBefore(std::string_view text) {
  std::size_t at = 0, end = 0;
  while (at < text.size() && isDigit(text[at])) end = ++at;
  while (at < text.size() && isBlank(text[at])) ++at;
  return at > end && at < text.size() && isDigit(text[at]) ? end : 0;
}

/// What stands before any name: a size, what the kind counts, or both. What was counted already is not again.
Result<void> takeBare(TypedStarter& out, const std::string& text, Unit unit, bool isCounted) {
  const int number = bareNumber(*out.kind);
  if (number < 0 || isCounted) return takeSize(out, text, unit);
  if (const std::size_t length = countBefore(text); length > 0) {
    if (const auto taken = takeNumber(out, number, text.substr(0, length), unit); !taken) return taken;
    return takeSize(out, trimmed(std::string_view(text).substr(length)), unit);
  }
  return sizeIn(text) || unitAtEnd(text) ? takeSize(out, text, unit) : takeNumber(out, number, text, unit);
}

}  // namespace

std::string typedName(std::string_view text) {
  std::size_t end = 0;
  while (end < text.size() && !isDigit(text[end]) && text[end] != '=' && text[end] != '-' && text[end] != '.') ++end;
  return lowered(trimmed(text.substr(0, end)));
}

Result<TypedStarter> parseTyped(std::string_view text, Unit unit, const StarterKind* likeliest) {
  const std::string all = lowered(trimmed(text)), name = typedName(text);
  TypedStarter out;
  bool isCounted = false;
  // The longest name of a kind that the text begins with; what stands before the first number may go on with a number's
  // name, as in “star depth 25”.
  std::size_t length = 0;
  for (const StarterKind* kind : starterKinds())
    if (all.starts_with(kind->name) && kind->name.size() > length &&
        (all.size() == kind->name.size() || !isLetter(all[kind->name.size()]))) {
      out.kind = kind;
      length = kind->name.size();
    }
  for (const OtherName& other : otherNames())
    if (all.starts_with(other.word) && other.word.size() > length &&
        (all.size() == other.word.size() || !isLetter(all[other.word.size()]))) {
      out.kind = starterKind(other.kind);
      out.numbers = valuesOf(other);
      isCounted = other.count > 0;
      length = other.word.size();
    }
  if (!out.kind && likeliest && !name.empty()) {
    out.kind = likeliest;
    length = name.size();
  }
  if (!out.kind) return problem("there is no shape called “" + name + "”");
  if (out.numbers.empty()) out.numbers = usualValues(*out.kind);
  const std::string rest = trimmed(std::string_view(all).substr(length));
  out.saysMore = !rest.empty();
  for (const Said& said : partedByNames(*out.kind, rest)) {
    if (said.number < 0 && said.value.empty()) continue;
    const Result<void> taken =
        said.number >= 0 ? takeNumber(out, said.number, said.value, unit) : takeBare(out, said.value, unit, isCounted);
    if (!taken) return tl::unexpected(taken.error());
  }
  return out;
}

}  // namespace widecut

#include "shapes/starter.h"

#include <algorithm>
#include <numeric>

#include "shapes/kinds/kinds.h"
#include "shapes/primitives.h"

namespace widecut {
namespace kinds {

Point nodeOf(const Outline& outline, std::size_t contour, std::size_t n) {
  const Contour& c = outline.contours[std::min(contour, outline.contours.size() - 1)];
  if (n == 0 || c.segments.empty()) return c.start;
  return c.segments[std::min(n, c.segments.size()) - 1].end;
}

Affine quarterTurns(int count) {
  constexpr double cosine[] = {1, 0, -1, 0}, sine[] = {0, 1, 0, -1};
  const double c = cosine[count % 4], s = sine[count % 4];
  return {c, s, -s, c, 0, 0};
}

double chance(double seed, unsigned index) {
  // SplitMix64, the finalizer of Steele, Lea and Flood (2014), of the two numbers side by side.
  std::uint64_t z = (static_cast<std::uint64_t>(seed) << 32U) + index + 0x9E3779B97F4A7C15U;
  z = (z ^ (z >> 30U)) * 0xBF58476D1CE4E5B9U;
  z = (z ^ (z >> 27U)) * 0x94D049BB133111EBU;
  z ^= z >> 31U;
  return static_cast<double>(z >> 11U) * 0x1p-53;
}

}  // namespace kinds

namespace {

std::vector<const StarterKind*> gathered() {
  std::vector<const StarterKind*> all;
  for (const auto family : {kinds::plain, kinds::corners, kinds::edges, kinds::signs, kinds::balloons, kinds::lines,
                            kinds::cutters, kinds::soft, kinds::figures})
    for (const StarterKind& kind : family()) all.push_back(&kind);
  return all;
}

bool isStretched(const StarterKind& kind) { return kind.keeps.empty(); }

double rounded(double value, double step) { return std::round(value / step) * step; }

}  // namespace

std::span<const StarterKind* const> starterKinds() {
  static const std::vector<const StarterKind*> all = gathered();
  return all;
}

const StarterKind* starterKind(std::string_view name) {
  const auto all = starterKinds();
  const auto found = std::find_if(all.begin(), all.end(), [&](const auto* kind) { return kind->name == name; });
  return found == all.end() ? nullptr : *found;
}

std::size_t lettersApart(std::string_view a, std::string_view b) {
  std::vector<std::size_t> row(b.size() + 1);
  std::iota(row.begin(), row.end(), std::size_t{0});
  for (std::size_t i = 0; i < a.size(); ++i) {
    std::size_t corner = row[0]++;
    for (std::size_t j = 0; j < b.size(); ++j) {
      const std::size_t change = corner + (a[i] == b[j] ? 0 : 1);
      corner = row[j + 1];
      row[j + 1] = std::min({change, row[j] + 1, row[j + 1] + 1});
    }
  }
  return row.back();
}

std::vector<std::string_view> namesLike(std::string_view name) {
  std::vector<std::pair<std::size_t, std::string_view>> near;
  for (const StarterKind* kind : starterKinds()) {
    const bool isPart = !name.empty() && kind->name.find(name) != std::string_view::npos;
    const std::size_t apart = isPart ? 0 : lettersApart(name, kind->name);
    if (apart <= std::max<std::size_t>(2, name.size() / 3)) near.emplace_back(apart, kind->name);
  }
  std::stable_sort(near.begin(), near.end(), [](const auto& a, const auto& b) { return a.first < b.first; });
  std::vector<std::string_view> names;
  for (std::size_t i = 0; i < std::min<std::size_t>(3, near.size()); ++i) names.push_back(near[i].second);
  return names;
}

std::string keyOf(const StarterNumber& number) {
  std::string key(number.name);
  std::replace(key.begin(), key.end(), ' ', '-');
  return key;
}

std::vector<std::string_view> choicesOf(const StarterNumber& choice) {
  std::vector<std::string_view> words;
  for (std::string_view rest = choice.choices; !rest.empty();) {
    const std::size_t end = std::min(rest.find('|'), rest.size());
    words.push_back(rest.substr(0, end));
    rest.remove_prefix(std::min(end + 1, rest.size()));
  }
  return words;
}

std::string valueText(const StarterNumber& number, double value, Unit unit) {
  switch (number.kind) {
    case NumberKind::Choice:
      return std::string(choicesOf(number)[static_cast<std::size_t>(value)]);
    case NumberKind::Switch:
      return value > 0 ? "on" : "off";
    case NumberKind::Share:
      return measureText(value * 100, Unit::Plain) + " %";
    case NumberKind::Times:
      return measureText(value, Unit::Plain);
    case NumberKind::Angle:
      return measureText(value, Unit::Plain) + "°";
    case NumberKind::Length:
      return measureText(value, unit);
    case NumberKind::Count:
    case NumberKind::Seed:
      break;
  }
  return measureText(value, Unit::Plain, 0);
}

std::string rangeText(const StarterNumber& number, Unit unit) {
  if (number.kind == NumberKind::Choice) return std::string(number.choices);
  if (number.kind == NumberKind::Switch) return "on|off";
  return valueText(number, number.least, unit) + " to " + valueText(number, number.most, unit);
}

Result<double> parseValue(const StarterNumber& number, std::string_view text, Unit unit) {
  if (number.kind == NumberKind::Choice) {
    const auto words = choicesOf(number);
    const auto found = std::find(words.begin(), words.end(), text);
    if (found != words.end()) return static_cast<double>(found - words.begin());
    std::string list;
    for (const std::string_view word : words) list += (list.empty() ? "" : ", ") + std::string(word);
    return problem(std::string(number.name) + " is one of: " + list + "; not '" + std::string(text) + "'");
  }
  if (number.kind == NumberKind::Switch) {
    if (text == "on" || text == "off") return text == "on" ? 1.0 : 0.0;
    return problem(std::string(number.name) + " is on or off, not '" + std::string(text) + "'");
  }
  std::string_view digits = text;
  double scale = 1;
  const auto drop = [&](std::string_view sign) {
    if (!digits.ends_with(sign)) return false;
    digits.remove_suffix(sign.size());
    return true;
  };
  if (number.kind == NumberKind::Share && drop("%")) scale = 0.01;
  if (number.kind == NumberKind::Angle) drop("°");
  const auto value = parseMeasure(digits, number.kind == NumberKind::Length ? unit : Unit::Plain, 0);
  if (!value) return problem(std::string(number.name) + ": " + value.error().message);
  const double out = *value * scale;
  const bool isWhole = number.isMeasure() || out == std::round(out);
  if (!(out >= number.least && out <= number.most) || !isWhole)
    return problem(std::string(number.name) + " must be " + (number.isMeasure() ? "" : "whole, ") + "from " +
                   rangeText(number, unit) + ", not '" + std::string(text) + "'");
  return out;
}

std::vector<double> usualValues(const StarterKind& kind) { return within(kind, {}); }

double within(const StarterNumber& number, double value) {
  if (!std::isfinite(value)) return number.usual;
  return std::clamp(number.isMeasure() ? value : std::round(value), number.least, number.most);
}

std::vector<double> within(const StarterKind& kind, Values values) {
  std::vector<double> out;
  for (std::size_t i = 0; i < kind.numbers.size(); ++i)
    out.push_back(within(kind.numbers[i], i < values.size() ? values[i] : kind.numbers[i].usual));
  return out;
}

Outline starterOutline(const StarterKind& kind, StarterSize size, Values values) {
  const Outline drawn = kind.draw(size, within(kind, values));
  return fitted(drawn, {{-size.width / 2, -size.height / 2}, {size.width / 2, size.height / 2}});
}

StarterSize usualSize(const StarterKind& kind, Values values) {
  if (!isStretched(kind)) return kind.usual;
  const Box box = bounds(kind.draw(kind.usual, within(kind, values)));
  const double scale = std::max(kind.usual.width, kind.usual.height) / std::max(box.width(), box.height());
  return {box.width() * scale, box.height() * scale};
}

std::vector<double> dragged(const StarterKind& kind, StarterSize size, Values values, const NumberHandle& handle,
                            Point to) {
  std::vector<double> now = within(kind, values);
  const std::vector<double> before = now;
  if (handle.toward) {
    handle.toward(size, to, now);
    return within(kind, now);
  }
  const Box frame{{-size.width / 2, -size.height / 2}, {size.width / 2, size.height / 2}};
  const double scale = std::min(size.width, size.height);
  const auto miss = [&](int number, double value) {
    std::vector<double> tried = now;
    tried[static_cast<std::size_t>(number)] = value;
    const Box after = kind.frameAfter ? kind.frameAfter(frame, before, tried) : frame;
    const Outline outline = starterOutline(kind, {after.width(), after.height()}, tried);
    return distance(after.centre() + handle.at(outline, tried), to);
  };
  // The best of some values over the range, then golden sections round it.
  const auto improve = [&](int index) {
    const StarterNumber& number = kind.numbers[static_cast<std::size_t>(index)];
    const double most =
        number.kind == NumberKind::Length ? std::min(number.most, std::max(size.width, size.height)) : number.most;
    constexpr int samples = 40;
    const double step = (most - number.least) / samples;
    double best = now[static_cast<std::size_t>(index)], least = miss(index, best);
    for (int i = 0; i <= samples; ++i) {
      const double value = number.least + i * step, off = miss(index, value);
      if (off < least - 1e-9) {
        least = off;
        best = value;
      }
    }
    const double golden = (std::sqrt(5.0) - 1) / 2;
    double low = std::max(number.least, best - step), high = std::min(most, best + step);
    for (int i = 0; i < 22; ++i) {
      const double a = high - golden * (high - low), b = low + golden * (high - low);
      (miss(index, a) < miss(index, b) ? high : low) = miss(index, a) < miss(index, b) ? b : a;
    }
    if (miss(index, (low + high) / 2) < least) best = (low + high) / 2;
    now[static_cast<std::size_t>(index)] = within(number, best);
  };
  improve(handle.number);
  // Two numbers in turn, until they have come close.
  constexpr int mostRounds = 5;
  for (int i = 0; i < mostRounds && handle.second >= 0; ++i) {
    improve(handle.second);
    if (miss(handle.number, now[static_cast<std::size_t>(handle.number)]) < 0.01 * scale) break;
    improve(handle.number);
  }
  return now;
}

std::vector<double> dealt(const StarterKind& kind, Values values, unsigned turn) {
  std::vector<double> out = within(kind, values);
  const bool isRandom = std::any_of(kind.numbers.begin(), kind.numbers.end(),
                                    [](const StarterNumber& n) { return n.kind == NumberKind::Seed; });
  const double reach = isRandom ? 0.1 : 0.4;
  for (std::size_t i = 0; i < out.size(); ++i) {
    const StarterNumber& n = kind.numbers[i];
    const double throwing = kinds::chance(turn + 1, static_cast<unsigned>(i)) - 0.5;
    if (n.kind == NumberKind::Seed)
      out[i] = std::floor(kinds::chance(out[i], turn + 1) * (n.most + 1));
    else if (n.kind == NumberKind::Times)
      out[i] = within(n, rounded(out[i] * std::exp(throwing), 0.1));
    else if (n.kind == NumberKind::Share || n.kind == NumberKind::Angle)
      out[i] = within(
          n, rounded(out[i] + 2 * throwing * reach * (n.most - n.least), n.kind == NumberKind::Share ? 0.01 : 1));
    else if (n.kind == NumberKind::Count || n.kind == NumberKind::Length)
      out[i] = within(n, rounded(std::max(out[i], n.kind == NumberKind::Length ? 6.0 : 1.0) *
                                     std::exp(2 * throwing * (isRandom ? 0.25 : 0.7)),
                                 n.kind == NumberKind::Count ? 1 : 0.01));
  }
  return out;
}

}  // namespace widecut

#include "words/text_aspects.h"

#include <algorithm>
#include <cmath>

namespace widecut {
namespace {

using enum TextAspect;
using enum AspectKind;
constexpr double far = 10'000;  // points

constexpr AspectEntry entries[] = {
    {Family, "family", "family", false, Words},
    {Weight, "weight", "weight", false, Count, 1, 1000},
    {Italic, "italic", "italic", false, Switch},
    {Size, "size", "size", false, Length, 0.1, far, {}, "the em"},
    {Tracking, "tracking", "tracking", false, Number, -500, 5000, {}, "more between letters, in thousandths of the em"},
    {Shift, "shift", "raised", false, Length, -far, far, {}, "above the base line"},
    {Case, "case", "letters", false, Choice, 0, 3, "as typed|capitals|small letters|small capitals"},
    {Underlined, "underlined", "underlined", false, Switch},
    {TextAspect::Colour,
     "colour",
     "colour",
     false,
     Words,
     0,
     0,
     {},
     "of its own, as “#2b5c9e”; none for that of the item"},
    {Features, "features", "features", false, Words, 0, 0, {}, "OpenType’s, as “onum, liga=0”"},
    {Axes, "axes", "axes", false, Words, 0, 0, {}, "of a variable font, as “wdth 80”"},
    {Language, "language", "language", false, Words, 0, 0, {}, "as “en”, “de”, “fr”: of hyphens"},
    {Leading, "leading", "leading", true, Length, 0, far, {}, "from base line to base line"},
    {Align, "align", "alignment", true, Choice, 0, 3, "left|centre|right|justified"},
    {Breaking, "breaking", "lines end", true, Choice, 0, 1, "by paragraph|line by line"},
    {Hyphens, "hyphens", "hyphens", true, Switch, 0, 0, {}, "words are parted at the ends of lines"},
    {Hanging, "hanging", "hanging points", true, Switch, 0, 0, {}, "full stops and hyphens hang out of the lines"},
    {IndentLeft, "indentLeft", "indent left", true, Length, -far, far},
    {IndentRight, "indentRight", "indent right", true, Length, -far, far},
    {IndentFirst, "indentFirst", "first line", true, Length, -far, far, {}, "more indent of the first line"},
    {SpaceBefore, "spaceBefore", "space before", true, Length, 0, far},
    {SpaceAfter, "spaceAfter", "space after", true, Length, 0, far},
    {List, "list", "list", true, Choice, 0, 4, "none|dots|dashes|numbers|letters"},
    {Tabs, "tabs", "tabs", true, Words, 0, 0, {}, "where they lead to, as “20mm, 60mm right, 90mm decimal”"},
    {KeptLines, "keptLines", "kept lines", true, Count, 1, 9, {}, "so many lines of a paragraph stand together"},
    {DropLines, "dropLines", "drop cap", true, Count, 0, 20, {}, "so many lines high"},
    {DropLetters, "dropLetters", "letters", true, Count, 1, 40, {}, "of the drop cap"},
    {DropGap, "dropGap", "gap", true, Length, 0, far, {}, "between drop cap and lines"},
    {DropHugs, "dropHugs", "hugged", true, Switch, 0, 0, {}, "lines follow the shape of the drop cap"},
    {RuleAbove, "ruleAbove", "rule above", true, Length, 0, far, {}, "its thickness"},
    {RuleBelow, "ruleBelow", "rule below", true, Length, 0, far, {}, "its thickness"},
    {RuleGap, "ruleGap", "rule’s gap", true, Length, 0, far, {}, "between rules and lines"},
};
static_assert(std::size(entries) == countOfTextAspects);

/// Calls `use` with the member that an aspect is.
template <class Style, class Use>
void withMember(Style& s, TextAspect aspect, const Use& use) {
  switch (aspect) {
    case Family:
      return use(s.face.family);
    case Weight:
      return use(s.face.weight);
    case Italic:
      return use(s.face.italic);
    case Size:
      return use(s.size);
    case Tracking:
      return use(s.tracking);
    case Shift:
      return use(s.shift);
    case Case:
      return use(s.letterCase);
    case Underlined:
      return use(s.underlined);
    case TextAspect::Colour:
      return use(s.colour);
    case Features:
      return use(s.features);
    case Axes:
      return use(s.axes);
    case Language:
      return use(s.language);
    case Leading:
      return use(s.leading);
    case TextAspect::Align:
      return use(s.align);
    case TextAspect::Breaking:
      return use(s.breaking);
    case Hyphens:
      return use(s.hyphens);
    case Hanging:
      return use(s.hanging);
    case IndentLeft:
      return use(s.indentLeft);
    case IndentRight:
      return use(s.indentRight);
    case IndentFirst:
      return use(s.indentFirst);
    case SpaceBefore:
      return use(s.spaceBefore);
    case SpaceAfter:
      return use(s.spaceAfter);
    case List:
      return use(s.list);
    case Tabs:
      return use(s.tabs);
    case KeptLines:
      return use(s.keptLines);
    case DropLines:
      return use(s.dropLines);
    case DropLetters:
      return use(s.dropLetters);
    case DropGap:
      return use(s.dropGap);
    case DropHugs:
      return use(s.dropHugs);
    case RuleAbove:
      return use(s.ruleAbove);
    case RuleBelow:
      return use(s.ruleBelow);
    case RuleGap:
      return use(s.ruleGap);
  }
}

double mostOf(const AspectEntry& entry) { return entry.kind == Switch ? 1 : entry.most; }

}  // namespace

const AspectEntry& entryOf(TextAspect aspect) { return entries[static_cast<std::size_t>(aspect)]; }

const AspectEntry* findAspect(std::string_view name) {
  const auto* found =
      std::find_if(std::begin(entries), std::end(entries), [&](const auto& e) { return e.name == name; });
  return found == std::end(entries) ? nullptr : found;
}

AspectValue valueOf(const TextStyle& style, TextAspect aspect) {
  AspectValue out;
  withMember(style, aspect, [&](const auto& member) {
    if constexpr (std::is_same_v<std::decay_t<decltype(member)>, std::string>)
      out = member;
    else
      out = static_cast<double>(member);
  });
  return out;
}

void setValue(TextStyle& style, TextAspect aspect, const AspectValue& value) {
  const AspectEntry& entry = entryOf(aspect);
  withMember(style, aspect, [&]<class Member>(Member& member) {
    if constexpr (std::is_same_v<Member, std::string>) {
      if (const auto* words = std::get_if<std::string>(&value)) member = *words;
    } else if (const auto* number = std::get_if<double>(&value); number && std::isfinite(*number)) {
      const double kept = std::clamp(*number, entry.least, mostOf(entry));
      if constexpr (std::is_same_v<Member, bool>)
        member = kept >= 0.5;
      else if constexpr (std::is_same_v<Member, double>)
        member = kept;
      else
        member = static_cast<Member>(std::lround(kept));
    }
  });
}

std::string whatIsWrong(TextAspect aspect, const AspectValue& value) {
  constexpr std::size_t mostWords = 500;
  const AspectEntry& entry = entryOf(aspect);
  if (entry.kind == Words) {
    const auto* words = std::get_if<std::string>(&value);
    if (!words) return "is not words";
    return words->size() > mostWords ? "is too long" : "";
  }
  const auto* number = std::get_if<double>(&value);
  if (!number) return "is not a number";
  if (*number >= entry.least && *number <= mostOf(entry)) return "";
  const auto text = [](double v) { return std::to_string(static_cast<long>(v)); };
  return "is not from " + (entry.least == 0.1 ? "0.1" : text(entry.least)) + " to " + text(mostOf(entry));
}

TextStyle with(TextStyle style, const Look& look) {
  for (const auto& [aspect, value] : look) setValue(style, aspect, value);
  return style;
}

Look joined(const Look& first, const Look& second) {
  Look out = second;
  for (const auto& one : first)
    if (std::none_of(second.begin(), second.end(), [&](const auto& other) { return other.first == one.first; }))
      out.push_back(one);
  std::sort(out.begin(), out.end(), [](const auto& a, const auto& b) { return a.first < b.first; });
  return out;
}

TextStyle scaled(TextStyle style, double scale) {
  for (const AspectEntry& entry : entries) {
    if (entry.kind != Length) continue;
    withMember(style, entry.aspect, [&]<class Member>(Member& member) {
      if constexpr (std::is_same_v<Member, double>) member *= scale;
    });
  }
  return style;
}

Look difference(const TextStyle& a, const TextStyle& b) {
  Look out;
  for (const AspectEntry& entry : entries)
    if (AspectValue now = valueOf(b, entry.aspect); now != valueOf(a, entry.aspect))
      out.emplace_back(entry.aspect, std::move(now));
  return out;
}

}  // namespace widecut

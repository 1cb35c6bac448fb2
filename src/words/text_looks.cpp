#include "words/text_looks.h"

#include <algorithm>

namespace widecut {
namespace {

std::vector<const NamedLook*> lineage(const NamedLookPtr& named) {
  constexpr std::size_t deepest = 20;
  std::vector<const NamedLook*> out;
  for (const NamedLook* one = named.get(); one && out.size() < deepest; one = one->basedOn.get()) out.push_back(one);
  return out;
}

TextStyle with(TextStyle style, const NamedLookPtr& named, const Look& look) {
  return with(named ? with(std::move(style), wholeLook(named)) : std::move(style), look);
}

bool isNothing(const OwnTextLook& own) { return !own.named && own.look.empty(); }

/// Stretches that meet and look alike become one.
void add(std::vector<LetterLook>& out, LetterLook one) {
  if (one.from >= one.to || (!one.named && one.look.empty())) return;
  if (!out.empty() && out.back().to == one.from && areSame(out.back().named, one.named) && out.back().look == one.look)
    out.back().to = one.to;
  else
    out.push_back(std::move(one));
}

const ParagraphLook* findParagraph(const TextLooks& looks, std::size_t begin) {
  const auto found = std::lower_bound(looks.paragraphs.begin(), looks.paragraphs.end(), begin,
                                      [](const ParagraphLook& p, std::size_t at) { return p.at < at; });
  return found != looks.paragraphs.end() && found->at == begin ? &*found : nullptr;
}

const LetterLook* findLetters(const TextLooks& looks, std::size_t at) {
  const auto after = std::upper_bound(looks.letters.begin(), looks.letters.end(), at,
                                      [](std::size_t place, const LetterLook& l) { return place < l.from; });
  if (after == looks.letters.begin()) return nullptr;
  const LetterLook& last = *(after - 1);
  return at < last.to ? &last : nullptr;
}

/// The looks from one place to another, moved on by `by`.
void addShifted(const TextLooks& looks, std::size_t from, std::size_t to, std::ptrdiff_t by, TextLooks& out) {
  const auto moved = [by](std::size_t at) { return static_cast<std::size_t>(static_cast<std::ptrdiff_t>(at) + by); };
  for (LetterLook one : looks.letters) {
    one.from = std::max(one.from, from);
    one.to = std::min(one.to, to);
    if (one.from >= one.to) continue;
    one.from = moved(one.from);
    one.to = moved(one.to);
    add(out.letters, std::move(one));
  }
}

}  // namespace

bool NamedLook::operator==(const NamedLook& other) const {
  return number == other.number && name == other.name && isOfParagraphs == other.isOfParagraphs && look == other.look &&
         areSame(basedOn, other.basedOn);
}

bool areSame(const NamedLookPtr& a, const NamedLookPtr& b) { return a == b || (a && b && *a == *b); }

bool LetterLook::operator==(const LetterLook& other) const {
  return from == other.from && to == other.to && look == other.look && areSame(named, other.named);
}
bool ParagraphLook::operator==(const ParagraphLook& other) const {
  return at == other.at && look == other.look && areSame(named, other.named);
}

Look wholeLook(const NamedLookPtr& named) {
  const auto line = lineage(named);
  Look out;
  for (auto one = line.rbegin(); one != line.rend(); ++one) out = joined(out, (*one)->look);
  return out;
}

std::size_t paragraphBegin(std::string_view text, std::size_t at) {
  if (at == 0) return 0;
  const auto feed = text.rfind('\n', at - 1);
  return feed == std::string_view::npos ? 0 : feed + 1;
}

std::size_t paragraphEnd(std::string_view text, std::size_t at) { return std::min(text.find('\n', at), text.size()); }

TextStyle paragraphStyle(const TextLooks& looks, const TextStyle& whole, std::size_t begin) {
  const ParagraphLook* look = findParagraph(looks, begin);
  return look ? with(whole, look->named, look->look) : whole;
}

TextStyle styleAt(std::string_view text, const TextLooks& looks, const TextStyle& whole, std::size_t at) {
  const TextStyle style = paragraphStyle(looks, whole, paragraphBegin(text, at));
  const LetterLook* letters = findLetters(looks, at);
  return letters ? with(style, letters->named, letters->look) : style;
}

LookedText cutOut(const LookedText& text, std::size_t from, std::size_t to) {
  LookedText out{text.text.substr(from, to - from), {}};
  addShifted(text.looks, from, to, -static_cast<std::ptrdiff_t>(from), out.looks);
  for (ParagraphLook one : text.looks.paragraphs) {
    if (one.at < from || one.at >= to) continue;
    one.at -= from;
    out.looks.paragraphs.push_back(std::move(one));
  }
  return out;
}

LookedText withReplaced(const LookedText& text, std::size_t from, std::size_t to, const LookedText& put) {
  LookedText out;
  out.text = text.text.substr(0, from) + put.text + text.text.substr(to);
  const std::size_t end = from + put.text.size();
  const auto by = static_cast<std::ptrdiff_t>(end) - static_cast<std::ptrdiff_t>(to);

  addShifted(text.looks, 0, from, 0, out.looks);
  if (!put.looks.letters.empty()) {
    addShifted(put.looks, 0, put.text.size(), static_cast<std::ptrdiff_t>(from), out.looks);
  } else {
    const bool begins = from == paragraphBegin(text.text, from);
    const LetterLook* like = begins ? findLetters(text.looks, from) : findLetters(text.looks, from - 1);
    if (like) add(out.looks.letters, {from, end, like->named, like->look});
  }
  addShifted(text.looks, to, text.text.size(), by, out.looks);

  // Paragraphs: those before, those put, and those after, which begin after a line feed that stays.
  const bool isWhole =
      put.text.empty() && to > from && from == paragraphBegin(text.text, from) && to == paragraphBegin(text.text, to);
  for (const ParagraphLook& one : text.looks.paragraphs)
    if (one.at < from || (one.at == from && !isWhole)) out.looks.paragraphs.push_back(one);
  if (const ParagraphLook* next = isWhole ? findParagraph(text.looks, to) : nullptr)
    out.looks.paragraphs.push_back({from, next->named, next->look});
  const ParagraphLook* here = findParagraph(text.looks, paragraphBegin(text.text, from));
  for (std::size_t at = 0; at < put.text.size(); ++at) {
    const ParagraphLook* own = findParagraph(put.looks, at);
    const bool begins = at == 0 ? from == paragraphBegin(text.text, from) : put.text[at - 1] == '\n';
    if (!begins) continue;
    if (at == 0) {
      if (!own) continue;
      std::erase_if(out.looks.paragraphs, [&](const auto& p) { return p.at == from; });
      out.looks.paragraphs.push_back({from, own->named, own->look});
    } else if (own) {
      out.looks.paragraphs.push_back({from + at, own->named, own->look});
    } else if (here && put.looks.paragraphs.empty()) {
      out.looks.paragraphs.push_back({from + at, here->named, here->look});
    }
  }
  if (!put.text.empty() && put.text.back() == '\n') {
    // What stood behind begins a paragraph now.
    const ParagraphLook* after = findParagraph(text.looks, to);
    const ParagraphLook* like = after && to > from ? after : here;
    if (like) out.looks.paragraphs.push_back({end, like->named, like->look});
  }
  for (const ParagraphLook& one : text.looks.paragraphs) {
    if (one.at <= to || one.at <= from) continue;
    out.looks.paragraphs.push_back(
        {static_cast<std::size_t>(static_cast<std::ptrdiff_t>(one.at) + by), one.named, one.look});
  }
  return out;
}

TextLooks withLetters(const TextLooks& looks, std::size_t from, std::size_t to,
                      const std::function<void(OwnTextLook&)>& change) {
  TextLooks out;
  out.paragraphs = looks.paragraphs;
  const auto changed = [&](std::size_t begin, std::size_t end, const LetterLook* was) {
    OwnTextLook own = was ? OwnTextLook{was->named, was->look} : OwnTextLook{};
    change(own);
    if (!isNothing(own)) add(out.letters, {begin, end, own.named, own.look});
  };
  std::size_t done = from;
  const auto changeUpTo = [&](std::size_t end, const LetterLook* was) {
    if (end > done) changed(done, end, was);
    done = std::max(done, end);
  };
  for (const LetterLook& one : looks.letters) {
    if (one.to <= from) {
      add(out.letters, one);
    } else if (one.from >= to) {
      changeUpTo(to, nullptr);
      add(out.letters, one);
    } else {
      if (one.from < from) add(out.letters, {one.from, from, one.named, one.look});
      changeUpTo(std::max(one.from, from), nullptr);
      changeUpTo(std::min(one.to, to), &one);
      if (one.to > to) add(out.letters, {to, one.to, one.named, one.look});
    }
  }
  changeUpTo(to, nullptr);
  std::stable_sort(out.letters.begin(), out.letters.end(),
                   [](const LetterLook& a, const LetterLook& b) { return a.from < b.from; });
  return out;
}

TextLooks withParagraphs(std::string_view text, const TextLooks& looks, std::size_t from, std::size_t to,
                         const std::function<void(OwnTextLook&)>& change) {
  TextLooks out;
  out.letters = looks.letters;
  const std::size_t first = paragraphBegin(text, from);
  for (const ParagraphLook& one : looks.paragraphs)
    if (one.at < first) out.paragraphs.push_back(one);
  for (std::size_t at = first;;) {
    const ParagraphLook* was = findParagraph(looks, at);
    OwnTextLook own = was ? OwnTextLook{was->named, was->look} : OwnTextLook{};
    change(own);
    if (!isNothing(own)) out.paragraphs.push_back({at, own.named, own.look});
    const std::size_t end = paragraphEnd(text, at);
    if (end >= to || end == text.size()) break;
    at = end + 1;
  }
  const std::size_t last = paragraphEnd(text, std::max(to, from));
  for (const ParagraphLook& one : looks.paragraphs)
    if (one.at > last) out.paragraphs.push_back(one);
  return out;
}

namespace {

Look scaled(Look look, double scale) {
  for (auto& [aspect, value] : look)
    if (auto* number = std::get_if<double>(&value); number && entryOf(aspect).kind == AspectKind::Length)
      *number *= scale;
  return look;
}

}  // namespace

TextLooks scaled(const TextLooks& looks, double scale) {
  TextLooks out = looks;
  for (LetterLook& one : out.letters) {
    one.look = scaled(joined(wholeLook(one.named), one.look), scale);
    one.named = nullptr;
  }
  for (ParagraphLook& one : out.paragraphs) {
    one.look = scaled(joined(wholeLook(one.named), one.look), scale);
    one.named = nullptr;
  }
  return out;
}

}  // namespace widecut

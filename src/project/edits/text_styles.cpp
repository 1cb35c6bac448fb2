#include "project/edits/text_styles.h"

#include <algorithm>

#include "project/edits/tree.h"
#include "project/edits/words.h"
#include "project/lookup.h"
#include "project/names.h"

namespace widecut {
namespace {

bool says(const Look& look, TextAspect aspect) {
  return std::any_of(look.begin(), look.end(), [&](const auto& one) { return one.first == aspect; });
}

Look onlyLetters(const Look& look) {
  Look out;
  for (const auto& one : look)
    if (!entryOf(one.first).isOfParagraphs) out.push_back(one);
  return out;
}

/// A name that no other style has.
std::string freshName(const Project& project, const std::string& wanted, std::uint32_t but) {
  std::vector<std::string> taken;
  for (const NamedLookPtr& style : project.textStyles)
    if (style->number != but) taken.push_back(style->name);
  return UniqueNames(taken).take(wanted.empty() ? "style" : wanted);
}

/// Every text after a change of its looks, where that changes something.
Project withEachText(const Project& project, const std::function<bool(TextLooks&)>& change) {
  std::map<Id, TextLooks> changed;
  std::vector<Id> ids;
  for (const ItemPtr& item : allWords(project)) {
    TextLooks looks = wordsOf(*item)->content().looks;
    if (looks.isPlain() || !change(looks)) continue;
    changed[item->id] = std::move(looks);
    ids.push_back(item->id);
  }
  return withEach(project, ids, [&](const Item& item) {
    return withWordsChanged(item, [&](Words::Content& content) { content.looks = changed.at(item.id); });
  });
}

/// What stands in the place of a style; null where nothing does.
using Instead = std::map<std::uint32_t, NamedLookPtr>;
/// The styles of the project, those that others are based on first, after `change` of each, which may leave it out.
/// What is based on what changed is made anew.
Project withStyles(const Project& project, const std::function<NamedLookPtr(const NamedLookPtr&)>& change) {
  Instead instead;
  Project next = project;
  next.textStyles.clear();
  const std::function<NamedLookPtr(const NamedLookPtr&)> made = [&](const NamedLookPtr& style) -> NamedLookPtr {
    if (!style) return nullptr;
    if (const auto known = instead.find(style->number); known != instead.end()) return known->second;
    NamedLookPtr out = change(style);
    if (out) {
      const NamedLookPtr base = made(out->basedOn);
      if (base != out->basedOn) {
        NamedLook own = *out;
        own.basedOn = base;
        out = std::make_shared<const NamedLook>(std::move(own));
      }
      next.textStyles.push_back(out);
    }
    instead[style->number] = out;
    return out;
  };
  for (const NamedLookPtr& style : project.textStyles) made(style);
  return withEachText(next, [&](TextLooks& looks) {
    bool isChanged = false;
    const auto replace = [&](auto& one) {
      if (!one.named) return;
      const auto found = instead.find(one.named->number);
      if (found == instead.end() || found->second == one.named) return;
      // Where there is none any more, the words keep the look.
      if (!found->second) one.look = joined(wholeLook(one.named), one.look);
      one.named = found->second;
      isChanged = true;
    };
    for (LetterLook& one : looks.letters) replace(one);
    for (ParagraphLook& one : looks.paragraphs) replace(one);
    return isChanged;
  });
}

}  // namespace

NamedLookPtr findTextStyle(const Project& project, std::uint32_t number) {
  for (const NamedLookPtr& style : project.textStyles)
    if (style->number == number) return style;
  return nullptr;
}

bool isBasedOn(const NamedLookPtr& style, std::uint32_t number) {
  for (const NamedLook* at = style.get(); at; at = at->basedOn.get())
    if (at->number == number) return true;
  return false;
}

Look lookOfParagraph(const TextStyle& style, const NamedLookPtr& basedOn) {
  const Look out = difference(with(TextStyle{}, wholeLook(basedOn)), style);
  if (basedOn) return out;
  Look stated;
  for (const TextAspect aspect : {TextAspect::Family, TextAspect::Weight, TextAspect::Size, TextAspect::Leading})
    stated.emplace_back(aspect, valueOf(style, aspect));
  return joined(stated, out);
}

Look lookOfLetters(const TextStyle& style, const TextStyle& paragraph, const NamedLookPtr& basedOn) {
  Look out = onlyLetters(difference(with(paragraph, wholeLook(basedOn)), style));
  if (out.empty() && !basedOn)
    for (const TextAspect aspect : {TextAspect::Family, TextAspect::Weight})
      out.emplace_back(aspect, valueOf(style, aspect));
  return out;
}

Project withTextStyleAdded(const Project& project, NamedLook style, std::uint32_t& number) {
  number = 1;
  for (const NamedLookPtr& one : project.textStyles) number = std::max(number, one->number + 1);
  style.number = number;
  style.name = freshName(project, style.name, number);
  Project next = project;
  next.textStyles.push_back(std::make_shared<const NamedLook>(std::move(style)));
  return next;
}

Project withTextStyleChanged(const Project& project, std::uint32_t number,
                             const std::function<void(NamedLook& style)>& change) {
  return withStyles(project, [&](const NamedLookPtr& style) {
    if (style->number != number) return style;
    NamedLook own = *style;
    change(own);
    own.number = number;
    own.isOfParagraphs = style->isOfParagraphs;
    own.name = freshName(project, own.name, number);
    const bool isWrong =
        own.basedOn && (own.basedOn->isOfParagraphs != own.isOfParagraphs || isBasedOn(own.basedOn, number));
    if (isWrong) own.basedOn = style->basedOn;
    return own == *style ? style : std::make_shared<const NamedLook>(std::move(own));
  });
}

Project withoutTextStyle(const Project& project, std::uint32_t number) {
  // What is based on it says from now on what it said.
  return withStyles(project, [&](const NamedLookPtr& style) -> NamedLookPtr {
    if (style->number == number) return nullptr;
    if (!style->basedOn || style->basedOn->number != number) return style;
    NamedLook own = *style;
    own.look = joined(style->basedOn->look, style->look);
    own.basedOn = style->basedOn->basedOn;
    return std::make_shared<const NamedLook>(std::move(own));
  });
}

Project withTextStyleGiven(const Project& project, Id words, std::size_t from, std::size_t to, bool isOfParagraphs,
                           const NamedLookPtr& style) {
  const ItemPtr item = findItem(project, words);
  const Words* typed = item ? wordsOf(*item) : nullptr;
  if (!typed || (style && style->isOfParagraphs != isOfParagraphs)) return project;
  LookedText text = lookedTextOf(*typed);
  to = std::min(to, text.text.size());
  from = std::min(from, to);
  const auto give = [&](OwnTextLook& own) {
    own.named = style;
    if (style) std::erase_if(own.look, [&](const auto& one) { return says(wholeLook(style), one.first); });
  };
  text.looks =
      isOfParagraphs ? withParagraphs(text.text, text.looks, from, to, give) : withLetters(text.looks, from, to, give);
  return withLookedText(project, words, text);
}

NamedLookPtr textStyleAt(const Words::Content& content, std::size_t at, bool isOfParagraphs) {
  if (isOfParagraphs) {
    const std::size_t begin = paragraphBegin(content.text, std::min(at, content.text.size()));
    for (const ParagraphLook& one : content.looks.paragraphs)
      if (one.at == begin) return one.named;
    return nullptr;
  }
  for (const LetterLook& one : content.looks.letters)
    if (one.from <= at && at < one.to) return one.named;
  return nullptr;
}

}  // namespace widecut

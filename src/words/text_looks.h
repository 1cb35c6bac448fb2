// How stretches and paragraphs of a text look, where that is not as all of it does.
#pragma once

#include <cstdint>
#include <functional>
#include <memory>

#include "words/text_aspects.h"

namespace widecut {

struct NamedLook;
using NamedLookPtr = std::shared_ptr<const NamedLook>;
/// A style with a name: of paragraphs, or of letters. What is based on another one says only what is different.
struct NamedLook {
  std::uint32_t number = 0;  ///< Its own, not 0.
  std::string name;
  bool isOfParagraphs = true;
  NamedLookPtr basedOn;  ///< Of the same sort; null for none.
  Look look;
  bool operator==(const NamedLook& other) const;
};
bool areSame(const NamedLookPtr& a, const NamedLookPtr& b);
/// With all that it is based on.
Look wholeLook(const NamedLookPtr& named);

/// A stretch of letters, from one byte of the text to another.
struct LetterLook {
  std::size_t from = 0, to = 0;
  NamedLookPtr named;
  Look look;
  bool operator==(const LetterLook& other) const;
};
/// A paragraph, by the byte where it begins.
struct ParagraphLook {
  std::size_t at = 0;
  NamedLookPtr named;
  Look look;  ///< Letters' aspects too.
  bool operator==(const ParagraphLook& other) const;
};

/// By their places; stretches do not overlap, and none is empty.
struct TextLooks {
  std::vector<LetterLook> letters;
  std::vector<ParagraphLook> paragraphs;
  bool operator==(const TextLooks&) const = default;
  bool isPlain() const { return letters.empty() && paragraphs.empty(); }
};

/// The byte where the paragraph of a place begins, and the one where it ends, before its line feed.
std::size_t paragraphBegin(std::string_view text, std::size_t at);
std::size_t paragraphEnd(std::string_view text, std::size_t at);

/// The style of the paragraph that begins there.
TextStyle paragraphStyle(const TextLooks& looks, const TextStyle& whole, std::size_t begin);
/// The style of the letter at a place.
TextStyle styleAt(std::string_view text, const TextLooks& looks, const TextStyle& whole, std::size_t at);

/// A text with its looks.
struct LookedText {
  std::string text;
  TextLooks looks;
};
/// The stretch between two places, with the looks of its letters, and of its paragraphs where it begins with them.
LookedText cutOut(const LookedText& text, std::size_t from, std::size_t to);
/// Something else between two places. What is put there without looks of its own goes on as the letter before it (at
/// the beginning of a paragraph, the one after it); paragraphs that it begins go on as the one that it is in.
LookedText withReplaced(const LookedText& text, std::size_t from, std::size_t to, const LookedText& put);
/// The same of all letters between two places: what `change` makes of the look of each stretch.
struct OwnTextLook {
  NamedLookPtr named;
  Look look;
};
TextLooks withLetters(const TextLooks& looks, std::size_t from, std::size_t to,
                      const std::function<void(OwnTextLook&)>& change);
/// Of all paragraphs that reach into these places.
TextLooks withParagraphs(std::string_view text, const TextLooks& looks, std::size_t from, std::size_t to,
                         const std::function<void(OwnTextLook&)>& change);
/// All lengths and sizes of the looks themselves times a scale (> 0); named ones become looks of their own, for they
/// are not to change.
TextLooks scaled(const TextLooks& looks, double scale);
}  // namespace widecut

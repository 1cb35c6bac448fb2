// Words: a form that is typed.
#pragma once

#include "project/forms/form.h"
#include "words/set_words.h"

namespace widecut {

/// A text in one style, on lines of its own or broken to a frame. Its letters are its outline, so that it can be a part
/// of a recipe, hold a photo and be cut; typing on changes what they show. The origin of the frame space is the first
/// base line's beginning (its middle or its end, as it is aligned), or the top left of the text frame.
class Words {
 public:
  /// What words are made of.
  struct Content {
    std::string text;  ///< As cleanText leaves it.
    TextStyle style;
    std::optional<TextFrame> frame;
    /// What is left of maps that stretch, slant or flip the letters, once their scale is in the style: a linear map
    /// with a determinant of ±1.
    Affine stretch;
    std::string extra;
    Id levelOf = 0;  ///< The item whose level its last per cent says; 0 for words that say what is typed.
    bool operator==(const Content&) const = default;
  };
  explicit Words(Content content)
      : content_(std::move(content)), set_(setWords(content_.text, content_.style, content_.frame)) {}

  const Content& content() const { return content_; }
  /// As it is set, before the stretch.
  const SetWords& set() const { return set_; }
  /// The letters that show, in the frame space.
  Outline outline() const { return transformed(set_.outline, content_.stretch); }

 private:
  Content content_;
  SetWords set_;
};

inline Form wordsForm(Words::Content content) { return std::make_shared<const Words>(std::move(content)); }
/// The item's words; null for all other forms.
const Words* wordsOf(const Item& item);

inline std::string_view kindName(const Words&) { return "words"; }
inline std::optional<Outline> ownOutline(const Words& words) { return words.outline(); }
/// The text frame.
std::optional<Box> statedBox(const Words& words);
inline std::size_t countOfNodes(const Words& words) { return storedNodes(words.set().outline); }
std::string whatIsBeyond(const Words& words);
/// The scale goes into the style and the frame.
Form mapped(const Words& words, const Affine& linear);
/// A text frame of the new size; nothing for words on lines of their own, or stretched ones.
std::optional<Resized> resized(const Words& words, const Affine& inFrame);
inline bool isSameRule(const Words& a, const Words& b) { return a.content() == b.content(); }
std::optional<Formula> flatten(const Words& words, const Affine& frame, Flat& flat);

}  // namespace widecut

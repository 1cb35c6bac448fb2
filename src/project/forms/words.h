// Words: a form that is typed.
#pragma once

#include <mutex>

#include "project/forms/form.h"
#include "words/set_along.h"

namespace widecut {

/// A text on lines of its own, broken to a frame, or along a line. Its letters are its outline, so that it can be a
/// part of a recipe, hold a photo and be cut; typing on changes what they show. The origin of the frame space is the
/// first base line's beginning (its middle or its end, as it is aligned), the top left of the text frame, or that of
/// the space of the line.
class Words : public std::enable_shared_from_this<Words> {
 public:
  /// What words are made of.
  struct Content {
    std::string text;  ///< As cleanText leaves it. Empty where it flows on from other words.
    TextStyle style;
    std::optional<TextFrame> frame;
    /// What is left of maps that stretch, slant or flip the letters, once their scale is in the style: a linear map
    /// with a determinant of ±1.
    Affine stretch;
    std::string extra;
    Id levelOf = 0;  ///< The item whose level its last per cent says; 0 for words that say what is typed.
    TextLooks looks = {};
    std::optional<AlongLine> along = std::nullopt;  ///< Only without a frame.
    /// The item of the same sheet whose outline its frame, or its line, follows; 0 for one of its own.
    Id on = 0;
    /// The words whose text flows on in this frame, and its place in their row of frames, from 1 on; 0 for a text of
    /// its own.
    Id flowsFrom = 0;
    int flowPlace = 0;
    bool operator==(const Content&) const = default;
  };
  explicit Words(Content content) : content_(std::move(content)) {}
  /// What others say, as it is set in this frame.
  Words(Content content, std::shared_ptr<const std::string> story, SetWords set);

  const Content& content() const { return content_; }
  /// As it is set, before the stretch; set when it is first asked for. Places are bytes of `story`.
  const SetWords& set() const;
  std::shared_ptr<const SetWords> sharedSet() const { return {made_, &set()}; }
  /// The text of which this shows a part: its own, or that of the words that it flows on from.
  const std::string& story() const { return story_ ? *story_ : content_.text; }
  /// The letters that show, in the frame space; worked out when they are asked for, and kept for a while. It does not
  /// belong to the words: those of undo have texts, and no outlines.
  std::shared_ptr<const Outline> outline() const;
  /// The letters between two places of the text, in the frame space.
  Outline outlineBetween(std::size_t from, std::size_t to) const {
    return transformed(outlineOf(set(), from, to), content_.stretch);
  }

 private:
  Content content_;
  std::shared_ptr<const std::string> story_;
  struct Made {
    std::once_flag once;
    SetWords set;
  };
  std::shared_ptr<Made> made_ = std::make_shared<Made>();
};

inline Form wordsForm(Words::Content content) { return std::make_shared<const Words>(std::move(content)); }
/// The item's words; null for all other forms.
const Words* wordsOf(const Item& item);
/// The room in a frame of these words, for setStory.
FrameToFill roomIn(const TextFrame& frame);
/// The frame's edge in the space in which words are set: its outline, or the rectangle.
Outline edgeOf(const TextFrame& frame);
/// The frame in another size; its outline is scaled along.
TextFrame sized(TextFrame frame, double width, double height);

inline std::string_view kindName(const Words&) { return "words"; }
inline std::optional<Outline> ownOutline(const Words& words) { return *words.outline(); }
/// The text frame.
std::optional<Box> statedBox(const Words& words);
/// Bytes of its own text.
std::size_t countOfLetters(const Words& words);
std::string whatIsBeyond(const Words& words);
/// The scale goes into the style and the frame.
Form mapped(const Words& words, const Affine& linear);
/// A text frame of the new size; nothing for words on lines of their own, or stretched ones.
std::optional<Resized> resized(const Words& words, const Affine& inFrame);
inline bool isSameRule(const Words& a, const Words& b) { return a.content() == b.content(); }
std::optional<Formula> flatten(const Words& words, const Affine& frame, Flat& flat);

}  // namespace widecut

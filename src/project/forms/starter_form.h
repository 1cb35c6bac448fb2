// Starters as a form: shapes that keep the numbers they are made from.
#pragma once

#include "project/forms/form.h"
#include "shapes/starter.h"

namespace widecut {

/// A shape of a kind in a frame. The origin of the frame space is the middle of the frame.
class Starter {
 public:
  /// What a starter is made of.
  struct Content {
    const StarterKind* kind = nullptr;  ///< Never null.
    std::vector<double> numbers;        ///< As many as the kind has, within their ranges.
    StarterSize size;
    /// What is left of maps that flip or slant it, once their scale is in the size: a linear map with a determinant
    /// of ±1.
    Affine stretch;
    std::string extra;
    bool operator==(const Content&) const = default;
  };
  explicit Starter(Content content)
      : content_(std::move(content)),
        outline_(transformed(starterOutline(*content_.kind, content_.size, content_.numbers), content_.stretch)) {}

  const Content& content() const { return content_; }
  const StarterKind& kind() const { return *content_.kind; }
  /// In the frame space.
  const Outline& outline() const { return outline_; }

 private:
  Content content_;
  Outline outline_;
};

inline Form starterForm(Starter::Content content) { return std::make_shared<const Starter>(std::move(content)); }
/// The item's starter, its corners treated or not; null for all other forms.
const Starter* starterOf(const Item& item);

/// True for plain outlines and starters, treated or not.
bool isPlainShape(const Form& form);
inline bool isPlainShape(const Item& item) { return isPlainShape(item.form); }

inline std::string_view kindName(const Starter&) { return "starter"; }
inline std::optional<Outline> ownOutline(const Starter& starter) { return starter.outline(); }
inline std::size_t countOfNodes(const Starter& starter) { return storedNodes(starter.outline()); }
std::string whatIsBeyond(const Starter& starter);
/// The scale goes into the size, and, on the whole, into the lengths among its numbers.
Form mapped(const Starter& starter, const Affine& linear);
/// The size alone: its lengths stay.
std::optional<Resized> resized(const Starter& starter, const Affine& inFrame);
inline bool isSameRule(const Starter& a, const Starter& b) { return a.content() == b.content(); }
std::optional<Formula> flatten(const Starter& starter, const Affine& frame, Flat& flat);

}  // namespace widecut

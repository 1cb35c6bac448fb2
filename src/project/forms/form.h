// What can be asked of a form of any kind. Lookup, edits, copying, ids, the file and the stack walk inwards through
// these alone.
#pragma once

#include <optional>
#include <string>
#include <string_view>

#include "cutting/planar_map.h"
#include "project/model.h"
#include "shapes/corners.h"

namespace widecut {

/// "outline", "cutout", "group", "repeat" or "words".
std::string_view kindOf(const Form& form);

/// The items inside the form, back to front; a recipe's in the order of its formula.
const ItemList& childrenOf(const Form& form);
inline const ItemList& childrenOf(const Item& item) { return childrenOf(item.form); }

/// The item with other children: one for each that it has, null for one that goes. What the item has of a part that
/// goes (its picture, its place in the formula) goes with it. Nothing when it cannot be without them: then the item
/// goes too.
std::optional<Item> withChildren(const Item& item, ItemList children);

/// The item with several children in the place of one. Where there is a formula, `joined`, over the numbers of the new
/// ones, stands in brackets in the child's place. A picture of the child goes, unless one of the new ones has its id.
Item withChildReplaced(const Item& item, std::size_t child, const ItemList& children, const Formula& joined);

/// True when the form shows its children as they are; false when it makes an outline of them, or has none.
bool showsChildren(const Form& form);
/// One of the places where a form that shows its children does so.
struct Copy {
  int number = 0;  ///< From 0 on, the ones that are left out counted.
  Affine place;    ///< In the item's frame space.
};
/// The copies that show; none for forms that show no children.
std::vector<Copy> copiesOf(const Form& form);
/// The children as one copy shows them: a repeat may have a look of its own for some of them there.
ItemList shownIn(const Form& form, int copy);
/// The styles that a form has for some copies of its children.
std::vector<StylePtr> ownLooks(const Form& form);

/// How many times a form shows, or counts, each of its children: 1 for most.
std::size_t countOfCopies(const Form& form);
/// The outline of a form that has one of its own, and not that of its children; nothing for those.
std::optional<Outline> ownOutline(const Form& form);
/// What is done to every corner of the outline that a form makes of its children; sharp for most.
Corner resultCorners(const Form& form);
/// The box that a form states itself, where that is not the box of its outline.
std::optional<Box> statedBox(const Form& form);
/// How many nodes the form has itself, those of its children not counted.
std::size_t countOfNodes(const Form& form);
/// Bytes of text that it has of its own.
std::size_t countOfLetters(const Form& form);
/// What of the form's own numbers, as in “would reach too far”, breaks the limits; empty when nothing does. Its
/// children are not looked at.
std::string whatIsBeyond(const Form& form);

/// The form after a linear map of its frame space.
Form mapped(const Form& form, const Affine& linear);
/// A form in another frame, and where its origin lies in the frame space as it was.
struct Resized {
  Form form;
  Point origin;
};
/// The form after its frame, and not all that is in it, took another size: a text frame's letters stay, and what a
/// starter's kind keeps. `inFrame` keeps the frame's sides square to one another. Nothing where all of it is mapped.
std::optional<Resized> resized(const Form& form, const Affine& inFrame);

/// True when the two are of one kind and alike in all but their children.
bool isSameRule(const Form& a, const Form& b);

/// What the form adds to a recipe of all its parts as they are placed: outlines and the formula over them.
struct Flat {
  std::vector<Operand> operands;
  /// The outlines of an item, through a map from its parent's space; the formula over their numbers. Nothing when
  /// nothing of it is visible.
  std::optional<Formula> add(const Item& item, const Affine& parent);
  std::optional<Formula> add(const Form& form, const Affine& frame);
  /// The same of a form whose corners are not treated yet.
  std::optional<Formula> addSharp(const Form& form, const Affine& frame);
  /// One more outline.
  Formula add(Outline outline);
};

}  // namespace widecut

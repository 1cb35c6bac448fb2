// A plain outline or a starter, with what is kept of it beside its nodes.
#pragma once

#include "project/forms/starter_form.h"
#include "shapes/corners.h"
#include "shapes/symmetry.h"

namespace widecut {

/// A shape whose corners are treated by numbers, or whose halves mirror one another while it is edited.
class Treated {
 public:
  struct Content {
    Form base;   ///< A plain outline or a starter: never treated itself.
    Corner all;  ///< Of every corner that has none of its own.
    /// Nodes, counted over all paths, whose corners are treated otherwise; rising.
    std::vector<std::pair<std::size_t, Corner>> own;
    std::optional<MirrorAxis> axis = {};  ///< In the frame space.
    std::string extra = {};
  };
  explicit Treated(Content content);

  const Content& content() const { return content_; }
  /// The base's nodes, each with what is done to its corner.
  const NodePaths& paths() const { return paths_; }
  const std::vector<CornerPlace>& corners() const { return treated_.corners; }
  /// With its corners treated.
  const Outline& outline() const { return treated_.outline; }

 private:
  Content content_;
  NodePaths paths_;
  TreatedOutline treated_;
};

/// The form, or what it is a treatment of.
const Form& baseOf(const Form& form);
/// The item's treatment; null when it has none.
const Treated* treatedOf(const Item& item);
/// The item's nodes as they were drawn, with what is done to their corners. Nothing for forms that are made of others,
/// and for words.
std::optional<NodePaths> nodesOf(const Item& item);
/// The axis at which the item is mirrored while it is edited.
std::optional<MirrorAxis> axisOf(const Item& item);
/// Another base with the same treatment: corners of nodes that it does not have are gone.
Form withBase(const Form& form, Form base);
/// The base alone where the content says nothing more.
Form treatedForm(Treated::Content content);
/// What the item's treatment is made of; of an untreated one, its form and nothing more.
Treated::Content treatmentOf(const Item& item);
/// The treatment with the corners that these nodes have, as far as they differ from `all`.
Treated::Content withCornersOf(Treated::Content treatment, const NodePaths& paths);
/// A plain outline of these nodes, with their corners and the rest of a treatment.
Form formOf(const NodePaths& paths, Treated::Content treatment);

std::string_view kindName(const Treated& treated);
inline std::optional<Outline> ownOutline(const Treated& treated) { return treated.outline(); }
inline std::size_t countOfNodes(const Treated& treated) { return storedNodes(treated.outline()); }
std::string whatIsBeyond(const Corner& corner);
std::string whatIsBeyond(const Treated& treated);
/// Sizes of corners grow along, on the whole.
Form mapped(const Treated& treated, const Affine& linear);
/// They stay.
std::optional<Resized> resized(const Treated& treated, const Affine& inFrame);
bool isSameRule(const Treated& a, const Treated& b);
std::optional<Formula> flatten(const Treated& treated, const Affine& frame, Flat& flat);

}  // namespace widecut

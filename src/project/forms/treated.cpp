#include "project/forms/treated.h"
#include "project/forms/words.h"

#include <algorithm>

#include "project/forms/outline_form.h"
#include "project/limits.h"

namespace widecut {
Treated::Treated(Content content) : content_(std::move(content)) {
  // What is sharp is said in one way.
  if (content_.all.isSharp()) content_.all = {};
  for (auto& [node, corner] : content_.own)
    if (corner.isSharp()) corner = {};
  paths_ = nodesOf(*ownOutline(content_.base));
  auto own = content_.own.begin();
  std::size_t number = 0;
  for (NodePath& path : paths_)
    for (Node& node : path.nodes) {
      while (own != content_.own.end() && own->first < number) ++own;
      node.corner = own != content_.own.end() && own->first == number ? own->second : content_.all;
      ++number;
    }
  treated_ = treatedOutline(paths_);
}

const Form& baseOf(const Form& form) {
  const auto* held = std::get_if<std::shared_ptr<const Treated>>(&form);
  return held ? (*held)->content().base : form;
}

const Treated* treatedOf(const Item& item) {
  const auto* held = std::get_if<std::shared_ptr<const Treated>>(&item.form);
  return held ? held->get() : nullptr;
}

std::optional<NodePaths> nodesOf(const Item& item) {
  if (const Treated* treated = treatedOf(item)) return treated->paths();
  // Of words in a frame, the frame's: unless it follows another item's outline.
  if (const Words* words = wordsOf(item)) {
    const Words::Content& content = words->content();
    if (!content.frame || content.on != 0 || content.stretch != Affine{}) return std::nullopt;
    return nodesOf(edgeOf(*content.frame));
  }
  if (!isPlainShape(item)) return std::nullopt;
  return nodesOf(*ownOutline(item.form));
}

std::optional<MirrorAxis> axisOf(const Item& item) {
  const Treated* treated = treatedOf(item);
  return treated ? treated->content().axis : std::nullopt;
}

Form treatedForm(Treated::Content content) {
  const bool says = !content.all.isSharp() || !content.own.empty() || content.axis || !content.extra.empty();
  return says ? std::make_shared<const Treated>(std::move(content)) : std::move(content.base);
}

Form withBase(const Form& form, Form base) {
  const auto* held = std::get_if<std::shared_ptr<const Treated>>(&form);
  if (!held) return base;
  Treated::Content content = (*held)->content();
  const std::size_t nodes = countOfNodes(nodesOf(*ownOutline(base)));
  content.base = std::move(base);
  std::erase_if(content.own, [&](const auto& one) { return one.first >= nodes; });
  return treatedForm(std::move(content));
}

Treated::Content treatmentOf(const Item& item) {
  const Treated* treated = treatedOf(item);
  return treated ? treated->content() : Treated::Content{item.form, {}, {}, {}, {}};
}

Treated::Content withCornersOf(Treated::Content treatment, const NodePaths& paths) {
  treatment.own.clear();
  std::size_t number = 0;
  for (const NodePath& path : paths)
    for (const Node& node : path.nodes) {
      const bool alike = node.corner == treatment.all || (node.corner.isSharp() && treatment.all.isSharp());
      if (!alike) treatment.own.emplace_back(number, node.corner);
      ++number;
    }
  return treatment;
}

Form formOf(const NodePaths& paths, Treated::Content treatment) {
  treatment.base = std::make_shared<const Outline>(outlineOf(paths));
  return treatedForm(withCornersOf(std::move(treatment), paths));
}

std::string_view kindName(const Treated& treated) { return kindOf(treated.content().base); }

std::string whatIsBeyond(const Corner& corner) {
  const bool isBeyond = !(corner.size >= 0 && corner.size <= limits::mostLength);
  return isBeyond ? "would have a corner larger than 1000000 points (353 m)" : "";
}

std::string whatIsBeyond(const Treated& treated) {
  const Treated::Content& c = treated.content();
  if (std::string base = whatIsBeyond(c.base); !base.empty()) return base;
  for (const auto& [node, corner] : c.own)
    if (std::string own = whatIsBeyond(corner); !own.empty()) return own;
  if (std::string all = whatIsBeyond(c.all); !all.empty()) return all;
  if (c.axis && !(isPlace(c.axis->through) && isPlace(c.axis->along) && isPlace(c.axis->across)))
    return "would be mirrored at a line further away than 1000000 points (353 m)";
  return whatIsBeyond(treated.outline());
}

Form mapped(const Treated& treated, const Affine& linear) {
  Treated::Content c = treated.content();
  c.base = mapped(c.base, linear);
  const double scale = linear.meanScale();
  c.all.size *= scale;
  for (auto& [node, corner] : c.own) corner.size *= scale;
  if (c.axis) c.axis = mapped(*c.axis, linear);
  return treatedForm(std::move(c));
}

std::optional<Resized> resized(const Treated& treated, const Affine& inFrame) {
  Treated::Content c = treated.content();
  Resized base = resized(c.base, inFrame).value_or(Resized{mapped(c.base, inFrame.linear()), inFrame(Point{0, 0})});
  c.base = std::move(base.form);
  if (c.axis) c.axis = mapped(*c.axis, inFrame.linear());
  return Resized{treatedForm(std::move(c)), base.origin};
}

bool isSameRule(const Treated& a, const Treated& b) {
  const Treated::Content &x = a.content(), &y = b.content();
  return x.all == y.all && x.own == y.own && x.axis == y.axis && x.extra == y.extra && isSameRule(x.base, y.base);
}

std::optional<Formula> flatten(const Treated& treated, const Affine& frame, Flat& flat) {
  return flat.add(transformed(treated.outline(), frame));
}

}  // namespace widecut

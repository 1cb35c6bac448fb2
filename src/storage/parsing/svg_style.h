// How an element of an SVG looks, by its attributes, its style and the rules of a style sheet.
#pragma once

#include <map>
#include <memory>
#include <optional>
#include <pugixml.hpp>
#include <string>
#include <vector>

#include "project/style.h"

namespace widecut::parsing {

/// Properties of the elements that are matched by plain selectors: a tag, a class, an id.
class SvgSheet {
 public:
  /// Adds the rules of a <style> element; others are passed over.
  void add(const std::string& css);
  /// The value for an element: of its style, a rule, or an attribute. Nothing when none says it.
  std::optional<std::string> valueOf(const pugi::xml_node& element, const std::string& property) const;

 private:
  using Declarations = std::map<std::string, std::string>;
  static Declarations declarations(const std::string& text);
  /// What an element says of itself.
  struct Own {
    Declarations style;
    std::vector<std::string> selectors;
  };
  const Own& ownOf(const pugi::xml_node& element) const;
  /// By selector, the last rule last. A rule with several selectors is shared by them.
  std::map<std::string, std::vector<std::shared_ptr<const Declarations>>> rules_;
  /// Many properties of an element are asked for, and of some elements many times.
  mutable std::map<pugi::xml_node, Own> own_;
};

/// A length in SVG's units; nothing when it is none. Shares of anything count as none.
std::optional<double> svgLength(const std::string& text);
/// #rgb, #rrggbb, rgb(…), rgba(…), or a name of SVG. Nothing for none, and for what is not a colour.
std::optional<Colour> svgColour(const std::string& text);

/// What elements inherit.
struct SvgLook {
  std::string fill = "black", stroke = "none", fillRule = "nonzero";
  double strokeWidth = 1, fillOpacity = 1, strokeOpacity = 1;
  std::string fontFamily = "Cabin", fontWeight = "400", fontStyle = "normal", textAnchor = "start";
  double fontSize = 16;
  bool shown = true;
};
/// The look of an element within others of this look.
SvgLook lookOf(const SvgSheet& sheet, const pugi::xml_node& element, SvgLook outer);

}  // namespace widecut::parsing

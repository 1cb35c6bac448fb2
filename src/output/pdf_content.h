// The content of a PDF's pages and groups, and its words for numbers, maps, paths and gradients.
#pragma once

#include <map>
#include <qpdf/QPDF.hh>
#include <qpdf/QPDFObjectHandle.hh>

#include "scene/scene.h"

namespace widecut::pdf {

using Object = QPDFObjectHandle;

/// A number rounded to a unit, in plain decimals: PDF knows no exponents.
std::string number(double v, double unit = 1e4);
/// “… cm”, which maps what follows.
std::string matrix(const Affine& map);
std::string path(const Outline& outline);
/// A colour, without its alpha, and the operator that takes it.
std::string colour(Colour c, const char* op);
Object rectangle(const Box& box);
/// A form that is painted as one.
Object groupForm(QPDF& pdf, const std::string& text, const Object& resources, const Box& box, const char* colours);

/// Content with the objects that it names: a page, or a group that is painted as one.
class Content {
 public:
  std::string text;
  /// The name of an object in these resources; the same object has the same one.
  std::string nameOf(const char* kind, const char* prefix, const std::string& key, const Object& object);
  /// Sets how opaque what follows is, fills, strokes and groups alike, and how it is mixed with what is behind it.
  void setState(double opacity, Blend blend);
  /// What follows is multiplied by how light a group is. `key` tells masks apart.
  void setMask(const std::string& key, const Object& group);
  const Object& resources() const { return resources_; }

 private:
  Object resources_ = Object::newDictionary();
  std::map<std::string, std::map<std::string, std::string>> names_;
};

/// A shading of colours, or of how opaque they are, as grey, in lengths of the outline's own; it is painted behind what
/// `toShading` says.
Object shadingOf(const GradientBrush& gradient, bool isAlpha);
/// “… cm”, or nothing, which brings a shading to its place on the outline.
std::string toShading(const GradientBrush& gradient);
/// True when some of it is see-through.
bool hasAlpha(const GradientBrush& gradient);

}  // namespace widecut::pdf

// The content of a PDF's pages and groups, and its words for numbers, maps and paths.
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

}  // namespace widecut::pdf

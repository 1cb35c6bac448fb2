#include "output/pdf_content.h"

#include <algorithm>
#include <cmath>

#include "geometry/path_data.h"

namespace widecut::pdf {
namespace {

std::string place(Point p) { return number(p.x) + " " + number(p.y) + " "; }

Object numbers(std::initializer_list<double> values) {
  Object out = Object::newArray();
  for (const double v : values) out.appendItem(Object::newReal(v, 6));
  return out;
}

Object coloursOf(Colour c, bool isAlpha) {
  return isAlpha ? numbers({c.alpha / 255.0}) : numbers({c.red / 255.0, c.green / 255.0, c.blue / 255.0});
}

/// A blend mode's name in a PDF, by ISO 32000.
std::string pdfName(Blend blend) {
  std::string out = "/";
  bool isFirst = true;
  for (const char c : nameOf(blend)) {
    if (c == '-') {
      isFirst = true;
      continue;
    }
    out += isFirst ? static_cast<char>(std::toupper(c)) : c;
    isFirst = false;
  }
  return out;
}

/// Colours from 0 to 1, straight from one stop to the next.
Object functionOf(const std::vector<GradientStop>& stops, bool isAlpha) {
  const auto straight = [&](Colour from, Colour to) {
    Object f = Object::newDictionary();
    f.replaceKey("/FunctionType", Object::newInteger(2));
    f.replaceKey("/Domain", numbers({0, 1}));
    f.replaceKey("/N", Object::newInteger(1));
    f.replaceKey("/C0", coloursOf(from, isAlpha));
    f.replaceKey("/C1", coloursOf(to, isAlpha));
    return f;
  };
  Object functions = Object::newArray(), bounds = Object::newArray(), encode = Object::newArray();
  double last = 0;
  Colour before = stops.front().colour;
  const auto add = [&](double to, Colour from, Colour colour) {
    constexpr double least = 1e-6;  // readers want places to grow
    const bool isJump = to - last < least;
    if (isJump) return;
    if (functions.getArrayNItems() > 0) bounds.appendItem(Object::newReal(last, 6));
    functions.appendItem(straight(from, colour));
    encode.appendItem(Object::newInteger(0));
    encode.appendItem(Object::newInteger(1));
    last = to;
  };
  for (const GradientStop& stop : stops) {
    add(std::clamp(stop.at, 0.0, 1.0), before, stop.colour);
    before = stop.colour;
  }
  add(1, before, before);
  Object out = Object::newDictionary();
  out.replaceKey("/FunctionType", Object::newInteger(3));
  out.replaceKey("/Domain", numbers({0, 1}));
  out.replaceKey("/Functions", functions);
  out.replaceKey("/Bounds", bounds);
  out.replaceKey("/Encode", encode);
  return out;
}

}  // namespace

std::string number(double v, double unit) { return decimalNumber(std::round(v * unit) / unit); }
std::string matrix(const Affine& m) {
  constexpr double fine = 1e8;  // these multiply whole pictures
  return number(m.xx, fine) + " " + number(m.yx, fine) + " " + number(m.xy, fine) + " " + number(m.yy, fine) + " " +
         number(m.dx) + " " + number(m.dy) + " cm\n";
}

std::string path(const Outline& outline) {
  std::string out;
  for (const Contour& contour : outline.contours) {
    out += place(contour.start) + "m\n";
    Point at = contour.start;
    for (const Segment& s : contour.segments) {
      if (s.kind == SegmentKind::Line) {
        out += place(s.end) + "l\n";
      } else {
        const auto c = asCubic(at, s);
        out += place(c[1]) + place(c[2]) + place(c[3]) + "c\n";
      }
      at = s.end;
    }
    if (contour.closed) out += "h\n";
  }
  return out;
}

std::string colour(Colour c, const char* op) {
  return number(c.red / 255.0) + " " + number(c.green / 255.0) + " " + number(c.blue / 255.0) + " " + op + "\n";
}

Object rectangle(const Box& b) {
  if (b.isEmpty()) return Object::newArray(Object::Rectangle(0, 0, 0, 0));  // of what has nothing in it
  return Object::newArray(Object::Rectangle(b.low.x, b.low.y, b.high.x, b.high.y));
}

Object groupForm(QPDF& pdf, const std::string& text, const Object& resources, const Box& box, const char* colours) {
  Object form = Object::newStream(&pdf, text);
  Object d = form.getDict();
  d.replaceKey("/Type", Object::newName("/XObject"));
  d.replaceKey("/Subtype", Object::newName("/Form"));
  d.replaceKey("/BBox", rectangle(box));
  d.replaceKey("/Group", Object::parse(std::string("<< /S /Transparency /I true /CS ") + colours + " >>"));
  d.replaceKey("/Resources", resources);
  return form;
}

std::string Content::nameOf(const char* kind, const char* prefix, const std::string& key, const Object& object) {
  auto& names = names_[kind];
  const auto [known, fresh] = names.emplace(key, "/" + std::string(prefix) + std::to_string(names.size() + 1));
  if (fresh) {
    if (!resources_.hasKey(kind)) resources_.replaceKey(kind, Object::newDictionary());
    resources_.getKey(kind).replaceKey(known->second, object);
  }
  return known->second;
}

void Content::setState(double opacity, Blend blend) {
  Object state = Object::newDictionary();
  std::string key = number(opacity);
  state.replaceKey("/ca", Object::newReal(opacity, 4));
  state.replaceKey("/CA", Object::newReal(opacity, 4));
  if (blend != Blend::Normal) {
    state.replaceKey("/BM", Object::newName(pdfName(blend)));
    key += pdfName(blend);
  }
  text += nameOf("/ExtGState", "S", key, state) + " gs\n";
}

void Content::setMask(const std::string& key, const Object& group) {
  Object mask = Object::newDictionary();
  mask.replaceKey("/Type", Object::newName("/Mask"));
  mask.replaceKey("/S", Object::newName("/Luminosity"));
  mask.replaceKey("/G", group);
  Object state = Object::newDictionary();
  state.replaceKey("/SMask", mask);
  text += nameOf("/ExtGState", "S", "mask " + key, state) + " gs\n";
}

Object shadingOf(const GradientBrush& gradient, bool isAlpha) {
  const bool isLinear = gradient.kind == GradientKind::Linear;
  Object shading = Object::newDictionary();
  shading.replaceKey("/ShadingType", Object::newInteger(isLinear ? 2 : 3));
  shading.replaceKey("/ColorSpace", Object::newName(isAlpha ? "/DeviceGray" : "/DeviceRGB"));
  const OwnUnits own = inOwnUnits(gradient.toOutline);
  shading.replaceKey("/Coords", isLinear ? numbers({own.from.x, own.from.y, own.to.x, own.to.y})
                                         : numbers({0, 0, 0, 0, 0, own.radius}));
  shading.replaceKey("/Function", functionOf(*gradient.stops, isAlpha));
  shading.replaceKey("/Extend", Object::parse("[ true true ]"));
  return shading;
}

std::string toShading(const GradientBrush& gradient) {
  return gradient.kind == GradientKind::Linear ? "" : matrix(inOwnUnits(gradient.toOutline).map);
}

bool hasAlpha(const GradientBrush& gradient) {
  return std::any_of(gradient.stops->begin(), gradient.stops->end(),
                     [](const GradientStop& stop) { return stop.colour.alpha != 255; });
}

}  // namespace widecut::pdf

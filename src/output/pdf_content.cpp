#include "output/pdf_content.h"

#include <algorithm>
#include <cmath>

#include "geometry/path_data.h"

namespace widecut::pdf {
namespace {

std::string place(Point p) { return number(p.x) + " " + number(p.y) + " "; }

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

}  // namespace widecut::pdf

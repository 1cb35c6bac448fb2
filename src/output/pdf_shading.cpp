#include "output/pdf_shading.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace widecut::pdf {
namespace {

Object numbers(std::initializer_list<double> values) {
  Object out = Object::newArray();
  for (const double v : values) out.appendItem(Object::newReal(v, 6));
  return out;
}

Object coloursOf(Colour c, bool isAlpha) {
  return isAlpha ? numbers({c.alpha / 255.0}) : numbers({c.red / 255.0, c.green / 255.0, c.blue / 255.0});
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

Object shadingOf(const GradientBrush& gradient, const std::vector<GradientStop>& stops, bool isAlpha) {
  const bool isLinear = gradient.kind == GradientKind::Linear;
  Object shading = Object::newDictionary();
  shading.replaceKey("/ShadingType", Object::newInteger(isLinear ? 2 : 3));
  shading.replaceKey("/ColorSpace", Object::newName(isAlpha ? "/DeviceGray" : "/DeviceRGB"));
  const OwnUnits own = inOwnUnits(gradient.toOutline);
  shading.replaceKey("/Coords", isLinear ? numbers({own.from.x, own.from.y, own.to.x, own.to.y})
                                         : numbers({0, 0, 0, 0, 0, own.radius}));
  shading.replaceKey("/Function", functionOf(stops, isAlpha));
  shading.replaceKey("/Extend", Object::parse("[ true true ]"));
  return shading;
}

/// What lies beyond a place of a straight gradient, as far as a box reaches.
Outline beyond(const OwnUnits& own, double at, const Box& box) {
  const Point along = own.to - own.from, edge = own.from + along * at;
  const double far = length(box.centre() - edge) + box.width() + box.height();
  const Point on = along * (far / length(along)), aside{-on.y, on.x};
  return polygon({edge + aside, edge + aside + on, edge - aside + on, edge - aside});
}

/// What lies within a place of a round gradient, in the space of its circle.
Outline within(double radius) {
  constexpr int arcs = 16;  // whose cubics leave the circle by less than a ten millionth
  constexpr double step = 2 * std::numbers::pi / arcs;
  const double handle = 4.0 / 3 * std::tan(step / 4) * radius;
  Contour circle;
  circle.closed = true;
  circle.start = {radius, 0};
  for (int i = 0; i < arcs; ++i) {
    const Point a{std::cos(i * step), std::sin(i * step)}, b{std::cos((i + 1) * step), std::sin((i + 1) * step)};
    const Point leaving = a * radius + Point{-a.y, a.x} * handle, arriving = b * radius - Point{-b.y, b.x} * handle;
    circle.segments.push_back(Segment::cubic(leaving, arriving, b * radius));
  }
  return {{circle}};
}

using Stops = std::vector<GradientStop>;

/// A gradient's stops, apart where its colour jumps.
std::vector<Stops> piecesOf(const Stops& stops) {
  std::vector<Stops> out{{stops.front()}};
  for (std::size_t i = 1; i < stops.size(); ++i) {
    const GradientStop &before = stops[i - 1], &stop = stops[i];
    if (stop.at == before.at && !(stop.colour == before.colour)) out.emplace_back();
    out.back().push_back(stop);
  }
  return out;
}

}  // namespace

void paintGradient(QPDF& pdf, Content& content, const GradientBrush& gradient, const Box& box, bool isAlpha,
                   const std::string& key) {
  const OwnUnits own = inOwnUnits(gradient.toOutline);
  const bool isLinear = gradient.kind == GradientKind::Linear;
  std::vector<Stops> pieces = piecesOf(*gradient.stops);
  // The first lies under all others: of a round one that is the outermost.
  if (!isLinear) std::reverse(pieces.begin(), pieces.end());
  if (!isLinear) content.text += matrix(own.map);
  for (std::size_t i = 0; i < pieces.size(); ++i) {
    const Object shading = pdf.makeIndirectObject(shadingOf(gradient, pieces[i], isAlpha));
    const std::string name = content.nameOf("/Shading", "G", key + " " + std::to_string(i), shading);
    if (i == 0) {
      content.text += name + " sh\n";
      continue;
    }
    const Outline edge = isLinear ? beyond(own, pieces[i].front().at, box) : within(pieces[i].back().at * own.radius);
    content.text += "q\n" + path(edge) + "W n\n" + name + " sh\nQ\n";
  }
}

bool hasAlpha(const GradientBrush& gradient) {
  return std::any_of(gradient.stops->begin(), gradient.stops->end(),
                     [](const GradientStop& stop) { return stop.colour.alpha != 255; });
}

}  // namespace widecut::pdf

#include "storage/parsing/svg_shapes.h"

#include <algorithm>
#include <charconv>
#include <set>

#include "cutting/knife.h"
#include "geometry/path_data.h"
#include "project/edits/places.h"
#include "project/edits/words.h"
#include "project/forms/group.h"
#include "project/limits.h"
#include "shapes/primitives.h"
#include "storage/parsing/svg_style.h"
#include "words/text_breaks.h"

namespace widecut::parsing {
namespace {

constexpr double pointsPerUnit = 72.0 / 96;
constexpr int deepestUse = 20;

/// Only thrown inside this file.
struct Unreadable {
  std::string what;
};

std::string_view localName(const pugi::xml_node& element) {
  const std::string_view name = element.name();
  const auto colon = name.rfind(':');
  return colon == std::string_view::npos ? name : name.substr(colon + 1);
}

/// The numbers of a list, which white space or commas part.
std::vector<double> numbersIn(std::string_view text) {
  std::vector<double> out;
  for (std::size_t at = 0; at < text.size();) {
    if (text[at] == '+') ++at;
    double value = 0;
    const auto read = std::from_chars(text.data() + at, text.data() + text.size(), value);
    if (read.ec == std::errc() && std::isfinite(value)) {
      out.push_back(value);
      at = static_cast<std::size_t>(read.ptr - text.data());
    } else {
      ++at;
    }
  }
  return out;
}

/// One function of a transform attribute.
Affine functionOf(std::string_view name, const std::vector<double>& v) {
  const auto at = [&](std::size_t i, double usual) { return i < v.size() ? v[i] : usual; };
  if (name == "matrix" && v.size() >= 6) return {v[0], v[1], v[2], v[3], v[4], v[5]};
  if (name == "translate") return Affine::move({at(0, 0), at(1, 0)});
  if (name == "scale") return Affine::scale(at(0, 1), at(1, at(0, 1)));
  if (name == "rotate") return Affine::turn(radians(at(0, 0))).about({at(1, 0), at(2, 0)});
  if (name == "skewX") return {1, 0, std::tan(radians(at(0, 0))), 1, 0, 0};
  if (name == "skewY") return {1, std::tan(radians(at(0, 0))), 0, 1, 0, 0};
  return {};
}

Affine transformOf(std::string_view text) {
  Affine all;
  while (true) {
    const auto open = text.find('('), close = text.find(')');
    if (open == std::string_view::npos || close == std::string_view::npos || close < open) return all;
    std::string_view name = text.substr(0, open);
    const auto from = name.find_first_not_of(" ,\t\r\n");
    name = from == std::string_view::npos ? std::string_view{} : name.substr(from);
    while (!name.empty() && name.back() == ' ') name.remove_suffix(1);
    all = all * functionOf(name, numbersIn(text.substr(open + 1, close - open - 1)));
    text.remove_prefix(close + 1);
  }
}

double lengthOf(const pugi::xml_node& element, const char* name, double usual = 0) {
  return svgLength(element.attribute(name).value()).value_or(usual);
}

Outline roundedRectangle(const pugi::xml_node& e) {
  const double x = lengthOf(e, "x"), y = lengthOf(e, "y"), w = lengthOf(e, "width"), h = lengthOf(e, "height");
  if (!(w > 0 && h > 0)) return {};
  const double either = lengthOf(e, "rx", lengthOf(e, "ry", 0));
  const double rx = std::clamp(lengthOf(e, "rx", either), 0.0, w / 2);
  const double ry = std::clamp(lengthOf(e, "ry", either), 0.0, h / 2);
  if (rx == 0 || ry == 0) return fitted(rectangleOutline(1, 1), {{x, y}, {x + w, y + h}});
  const auto n = [](double v) { return shortestNumber(v) + " "; };
  const std::string arc = "a" + n(rx) + n(ry) + "0 0 1 ";
  return parsePathData("M" + n(x + rx) + n(y) + "h" + n(w - 2 * rx) + arc + n(rx) + n(ry) + "v" + n(h - 2 * ry) + arc +
                       n(-rx) + n(ry) + "h" + n(2 * rx - w) + arc + n(-rx) + n(-ry) + "v" + n(2 * ry - h) + arc +
                       n(rx) + n(-ry) + "z")
      .value_or(Outline{});
}

Outline polyline(const pugi::xml_node& e, bool closed) {
  const auto v = numbersIn(e.attribute("points").value());
  std::vector<Point> points;
  for (std::size_t i = 0; i + 1 < v.size(); i += 2) points.push_back({v[i], v[i + 1]});
  if (points.size() < 2) return {};
  Outline outline = polygon(points);
  if (!closed) {
    outline.contours.front().closed = false;
    if (outline.contours.front().segments.size() >= points.size()) outline.contours.front().segments.pop_back();
  }
  return outline;
}

class Reader {
 public:
  explicit Reader(const pugi::xml_document& document) : root_(document.document_element()) { gather(root_); }

  SvgShapes read() {
    if (localName(root_) != "svg") throw Unreadable{"it is no SVG: its outermost element is not svg"};
    read(root_, Affine::scale(pointsPerUnit, pointsPerUnit) * viewMap(root_), {}, 1, shapes_.items, 0);
    for (const std::string& note : notes_) shapes_.notes.push_back(note);
    return std::move(shapes_);
  }

 private:
  /// Ids and style sheets, wherever they stand.
  void gather(const pugi::xml_node& element) {
    for (const pugi::xml_node& child : element.children()) {
      if (const auto id = child.attribute("id")) byId_.emplace(id.value(), child);
      if (localName(child) == "style") sheet_.add(child.child_value());
      if (++gathered_ > limits::mostItems || depth_ > limits::deepestItem) throw Unreadable{"it has too many elements"};
      ++depth_;
      gather(child);
      --depth_;
    }
  }

  /// From the units inside an svg element to those outside.
  static Affine viewMap(const pugi::xml_node& svg) {
    const auto box = numbersIn(svg.attribute("viewBox").value());
    if (box.size() < 4 || !(box[2] > 0 && box[3] > 0)) return {};
    const double w = lengthOf(svg, "width", box[2]), h = lengthOf(svg, "height", box[3]);
    const double scale = std::min(w / box[2], h / box[3]);
    return Affine::scale(scale, scale) * Affine::move({-box[0], -box[1]});
  }

  void read(const pugi::xml_node& element, const Affine& map, const SvgLook& look, double opacity,
            std::vector<Item>& into, int uses) {
    for (const pugi::xml_node& child : element.children()) {
      if (child.type() != pugi::node_element) continue;
      add(child, map, look, opacity, into, uses);
    }
  }

  void add(const pugi::xml_node& e, const Affine& outer, const SvgLook& outerLook, double opacity,
           std::vector<Item>& into, int uses) {
    // Uses of uses may come to more than anyone could draw.
    if (++visited_ > limits::mostItems) throw Unreadable{"it comes to more than 100000 elements"};
    const std::string_view name = localName(e);
    const SvgLook look = lookOf(sheet_, e, outerLook);
    if (!look.shown) return;
    noteWhatIsLeft(e, name);
    const Affine map = outer * transformOf(e.attribute("transform").value());
    if (name == "g" || name == "a" || name == "switch" || name == "svg" || name == "symbol") {
      if (name == "symbol" && uses == 0) return;
      addGroup(e, name == "svg" ? map * Affine::move({lengthOf(e, "x"), lengthOf(e, "y")}) * viewMap(e) : map, look,
               opacity * opacityOf(e), into, uses);
    } else if (name == "use") {
      addUse(e, map * Affine::move({lengthOf(e, "x"), lengthOf(e, "y")}), look, opacity * opacityOf(e), into, uses);
    } else if (name == "text") {
      addText(e, map, look, opacity * opacityOf(e), into);
    } else {
      Outline outline = outlineOf(e, name);
      if (!outline.isEmpty())
        addShape(e, transformed(outline, map), map.meanScale(), look, opacity * opacityOf(e), into);
    }
  }

  void noteWhatIsLeft(const pugi::xml_node& e, std::string_view name) {
    if (name == "image") notes_.insert("pictures were left out");
    for (const char* property : {"clip-path", "mask"})
      if (const auto value = sheet_.valueOf(e, property); value && *value != "none")
        notes_.insert("masks were left out: what they hide shows");
    if (const auto value = sheet_.valueOf(e, "filter"); value && *value != "none")
      notes_.insert("filters were left out");
  }

  double opacityOf(const pugi::xml_node& e) const {
    const auto value = sheet_.valueOf(e, "opacity");
    const auto numbers = value ? numbersIn(*value) : std::vector<double>{};
    if (numbers.empty()) return 1;
    return std::clamp(value->ends_with('%') ? numbers[0] / 100 : numbers[0], 0.0, 1.0);
  }

  static Outline outlineOf(const pugi::xml_node& e, std::string_view name) {
    if (name == "path") {
      const auto outline = parsePathData(e.attribute("d").value());
      if (!outline) {
        const std::string id = e.attribute("id").value();
        throw Unreadable{"the path" + (id.empty() ? "" : " “" + id + "”") + ": " + outline.error().message};
      }
      return *outline;
    }
    if (name == "rect") return roundedRectangle(e);
    if (name == "circle" || name == "ellipse") {
      const double r = lengthOf(e, "r");
      const double rx = name == "circle" ? r : lengthOf(e, "rx"), ry = name == "circle" ? r : lengthOf(e, "ry");
      if (!(rx > 0 && ry > 0)) return {};
      return transformed(ellipseOutline(2 * rx, 2 * ry), Affine::move({lengthOf(e, "cx"), lengthOf(e, "cy")}));
    }
    if (name == "line") {
      const Point from{lengthOf(e, "x1"), lengthOf(e, "y1")}, to{lengthOf(e, "x2"), lengthOf(e, "y2")};
      return {{{from, {Segment::line(to)}, false}}};
    }
    if (name == "polyline") return polyline(e, false);
    if (name == "polygon") return polyline(e, true);
    return {};
  }

  /// The colour of a paint; of a gradient, that of its first stop.
  std::optional<Colour> paint(const std::string& text, double opacity, int hops = 0) {
    std::optional<Colour> colour;
    if (text.starts_with("url(")) {
      notes_.insert("gradients and patterns became one colour");
      const auto from = text.find('#'), to = text.find(')');
      const auto found =
          from < to && to != std::string::npos ? byId_.find(text.substr(from + 1, to - from - 1)) : byId_.end();
      if (found != byId_.end()) colour = firstStop(found->second, hops);
      if (!colour) colour = Colour{128, 128, 128};
    } else {
      colour = svgColour(text);
    }
    if (colour) colour->alpha = static_cast<std::uint8_t>(std::lround(colour->alpha * opacity));
    return colour;
  }

  std::optional<Colour> firstStop(const pugi::xml_node& gradient, int hops) {
    for (const pugi::xml_node& child : gradient.children())
      if (localName(child) == "stop") return svgColour(sheet_.valueOf(child, "stop-color").value_or("black"));
    const auto other = targetOf(gradient);
    return other && hops < deepestUse ? firstStop(*other, hops + 1) : std::nullopt;
  }

  std::optional<pugi::xml_node> targetOf(const pugi::xml_node& e) const {
    std::string href = e.attribute("href").value();
    if (href.empty()) href = e.attribute("xlink:href").value();
    const auto found = href.starts_with('#') ? byId_.find(href.substr(1)) : byId_.end();
    return found == byId_.end() ? std::nullopt : std::optional(found->second);
  }

  static std::string nameFor(const pugi::xml_node& e, const char* usual) {
    const std::string id = cleanText(e.attribute("id").value());
    return shortened(id.empty() ? usual : id);
  }

  static void needWithin(const Outline& outline, const std::string& name) {
    const Box box = bounds(outline);
    if (!isFinite(outline) || (!box.isEmpty() && !(isPlace(box.low) && isPlace(box.high))))
      throw Unreadable{"“" + name + "” reaches too far"};
  }

  void addShape(const pugi::xml_node& e, Outline outline, double scale, const SvgLook& look, double opacity,
                std::vector<Item>& into) {
    if (++items_ > limits::mostItems) throw Unreadable{"it has more than 100000 shapes"};
    Style style;
    style.opacity = opacity;
    const auto fill = paint(look.fill, look.fillOpacity), stroke = paint(look.stroke, look.strokeOpacity);
    if (fill) {
      setColour(style, *fill);
      for (Contour& contour : outline.contours) contour.closed = true;
    }
    if (stroke && look.strokeWidth * scale > limits::leastLine)
      setLine(style, plainLine(*stroke, std::min(look.strokeWidth * scale, limits::mostLine)));
    if (!fill && !stroke) return;
    if (fill && look.fillRule == "evenodd")
      if (auto worked = simplified({outline, FillRule::EvenOdd})) outline = std::move(*worked);
    needWithin(outline, nameFor(e, "shape"));
    into.push_back(plainItem(++lastId_, nameFor(e, "shape"), outline, std::move(style)));
  }

  void addGroup(const pugi::xml_node& e, const Affine& map, const SvgLook& look, double opacity,
                std::vector<Item>& into, int uses) {
    std::vector<Item> members;
    read(e, map, look, 1, members, uses);
    if (members.size() == 1) {
      members.front().style = withOpacity(members.front(), opacity);
      into.push_back(std::move(members.front()));
      return;
    }
    if (members.empty()) return;
    Item group;
    group.id = ++lastId_;
    group.name = nameFor(e, "group");
    group.style = withOpacity(group, opacity);
    auto form = std::make_shared<Group>();
    for (Item& member : members) form->members.push_back(std::make_shared<const Item>(std::move(member)));
    group.form = std::shared_ptr<const Group>(std::move(form));
    into.push_back(std::move(group));
  }

  static StylePtr withOpacity(const Item& item, double opacity) {
    if (opacity == 1) return item.style;
    Style style = *item.style;
    style.opacity *= opacity;
    return std::make_shared<const Style>(std::move(style));
  }

  void addUse(const pugi::xml_node& e, const Affine& map, const SvgLook& look, double opacity, std::vector<Item>& into,
              int uses) {
    const auto target = targetOf(e);
    if (!target) return;
    if (uses >= deepestUse) throw Unreadable{"its uses are nested too deeply"};
    add(*target, map, look, opacity, into, uses + 1);
  }

  void addText(const pugi::xml_node& e, const Affine& map, const SvgLook& look, double opacity,
               std::vector<Item>& into) {
    std::string text;
    const auto gatherText = [&](const auto& self, const pugi::xml_node& node) -> void {
      for (const pugi::xml_node& child : node.children()) {
        if (child.type() == pugi::node_pcdata || child.type() == pugi::node_cdata) text += child.value();
        if (localName(child) == "tspan" && child.attribute("y") && !text.empty()) text += '\n';
        self(self, child);
      }
    };
    gatherText(gatherText, e);
    text = cleanText(text);
    while (!text.empty() && (text.back() == ' ' || text.back() == '\n')) text.pop_back();
    text.erase(0, std::min(text.find_first_not_of(" \n"), text.size()));
    if (text.empty()) return;
    if (text.size() > limits::mostTextBytes) throw Unreadable{"one of its texts is longer than 2000000 bytes"};
    if (++items_ > limits::mostItems) throw Unreadable{"it has more than 100000 shapes"};
    Words::Content content;
    content.text = std::move(text);
    content.style.face = {familyOf(look.fontFamily), weightOf(look.fontWeight), look.fontStyle != "normal"};
    content.style.size = std::clamp(look.fontSize, limits::leastTextSize, limits::mostTextSize);
    content.style.leading = std::min(content.style.size * 1.2, limits::mostTextSize);
    content.style.align = look.textAnchor == "middle" ? Align::Centre
                          : look.textAnchor == "end"  ? Align::Right
                                                      : Align::Left;
    Style style;
    style.opacity = opacity;
    if (const auto fill = paint(look.fill, look.fillOpacity)) setColour(style, *fill);
    Item item = plainItem(++lastId_, nameOfWords(content.text), {}, std::move(style));
    const auto x = numbersIn(e.attribute("x").value()), y = numbersIn(e.attribute("y").value());
    item.position = {x.empty() ? 0 : x[0], y.empty() ? 0 : y[0]};
    item.form = wordsForm(std::move(content));
    item = mapped(item, map);
    if (!isPlace(item.position) || !whatIsBeyond(item.form).empty())
      throw Unreadable{"“" + item.name + "” reaches too far"};
    into.push_back(std::move(item));
  }

  static std::string familyOf(const std::string& list) {
    std::string first = list.substr(0, list.find(','));
    std::erase_if(first, [](char c) { return c == '"' || c == '\''; });
    while (!first.empty() && first.back() == ' ') first.pop_back();
    if (first.empty() || first == "sans-serif" || first == "serif" || first == "monospace") return FaceChoice{}.family;
    return shortened(cleanText(first));
  }
  static int weightOf(const std::string& text) {
    if (text == "bold" || text == "bolder") return 700;
    const auto numbers = numbersIn(text);
    return numbers.empty() ? 400 : static_cast<int>(std::clamp(numbers[0], 1.0, 1000.0));
  }

  pugi::xml_node root_;
  std::map<std::string, pugi::xml_node> byId_;
  SvgSheet sheet_;
  SvgShapes shapes_;
  std::set<std::string> notes_;
  std::size_t gathered_ = 0, visited_ = 0, items_ = 0;
  Id lastId_ = 0;
  int depth_ = 0;
};

}  // namespace

Result<SvgShapes> shapesFromSvg(std::string_view text) {
  pugi::xml_document document;
  const auto parsed =
      document.load_buffer(text.data(), text.size(), pugi::parse_default | pugi::parse_ws_pcdata_single);
  if (!parsed)
    return problem("the SVG cannot be read: " + std::string(parsed.description()) + " at byte " +
                   std::to_string(parsed.offset));
  try {
    SvgShapes shapes = Reader(document).read();
    if (shapes.items.empty()) return problem("the SVG holds no shapes that show");
    return shapes;
  } catch (const Unreadable& why) {
    return problem("the SVG cannot be read: " + why.what);
  }
}

}  // namespace widecut::parsing

#include "storage/parsing/svg_style.h"

#include <QColor>
#include <algorithm>
#include <charconv>
#include <sstream>

namespace widecut::parsing {
namespace {

std::string trimmed(const std::string& text) {
  const auto from = text.find_first_not_of(" \t\r\n");
  if (from == std::string::npos) return {};
  return text.substr(from, text.find_last_not_of(" \t\r\n") - from + 1);
}

std::optional<double> number(const std::string& text, std::size_t* used = nullptr) {
  double value = 0;
  const char* from = text.data() + (text.starts_with('+') ? 1 : 0);
  const auto read = std::from_chars(from, text.data() + text.size(), value);
  if (read.ec != std::errc() || !std::isfinite(value)) return std::nullopt;
  if (used) *used = static_cast<std::size_t>(read.ptr - text.data());
  return value;
}

double share(const std::string& text, double usual) {
  const auto value = number(text);
  if (!value) return usual;
  return std::clamp(text.ends_with('%') ? *value / 100 : *value, 0.0, 1.0);
}

std::optional<Colour> fromRgb(std::string text) {
  text = text.substr(text.find('(') + 1);
  for (char& c : text)
    if (c == ',' || c == ')' || c == '/') c = ' ';
  std::istringstream in(text);
  std::string word;
  std::vector<double> values;
  while (in >> word && values.size() < 4) {
    const auto value = number(word);
    if (!value) return std::nullopt;
    const bool isAlpha = values.size() == 3;
    const double of = word.ends_with('%') ? 2.55 : isAlpha ? 255 : 1;
    values.push_back(std::clamp(*value * of, 0.0, 255.0));
  }
  if (values.size() < 3) return std::nullopt;
  const auto byte = [&](std::size_t i) { return static_cast<std::uint8_t>(std::lround(values[i])); };
  return Colour{byte(0), byte(1), byte(2), values.size() > 3 ? byte(3) : std::uint8_t{255}};
}

}  // namespace

SvgSheet::Declarations SvgSheet::declarations(const std::string& text) {
  Declarations out;
  std::istringstream in(text);
  for (std::string part; std::getline(in, part, ';');) {
    const auto colon = part.find(':');
    if (colon == std::string::npos) continue;
    std::string value = trimmed(part.substr(colon + 1));
    if (const auto important = value.find("!important"); important != std::string::npos)
      value = trimmed(value.substr(0, important));
    out[trimmed(part.substr(0, colon))] = value;
  }
  return out;
}

void SvgSheet::add(const std::string& css) {
  std::istringstream in(css);
  for (std::string rule; std::getline(in, rule, '}');) {
    const auto brace = rule.find('{');
    if (brace == std::string::npos) continue;
    std::istringstream selectors(rule.substr(0, brace));
    const auto said = std::make_shared<const Declarations>(declarations(rule.substr(brace + 1)));
    for (std::string selector; std::getline(selectors, selector, ',');) rules_[trimmed(selector)].push_back(said);
  }
}

const SvgSheet::Own& SvgSheet::ownOf(const pugi::xml_node& element) const {
  const auto [place, isNew] = own_.try_emplace(element);
  Own& own = place->second;
  if (!isNew) return own;
  own.style = declarations(element.attribute("style").value());
  own.selectors.push_back("#" + std::string(element.attribute("id").value()));
  std::istringstream classes(element.attribute("class").value());
  for (std::string name; classes >> name;) own.selectors.push_back("." + name);
  own.selectors.emplace_back(element.name());
  return own;
}

std::optional<std::string> SvgSheet::valueOf(const pugi::xml_node& element, const std::string& property) const {
  const Own& own = ownOf(element);
  if (const auto found = own.style.find(property); found != own.style.end()) return found->second;
  for (const std::string& selector : own.selectors)
    if (const auto rules = rules_.find(selector); rules != rules_.end())
      for (auto rule = rules->second.rbegin(); rule != rules->second.rend(); ++rule)
        if (const auto found = (*rule)->find(property); found != (*rule)->end()) return found->second;
  if (const auto attribute = element.attribute(property.c_str())) return trimmed(attribute.value());
  return std::nullopt;
}

std::optional<double> svgLength(const std::string& text) {
  std::size_t used = 0;
  const auto value = number(text, &used);
  if (!value) return std::nullopt;
  const std::string unit = trimmed(text.substr(used));
  constexpr double perInch = 96;
  const std::pair<const char*, double> units[] = {{"", 1},
                                                  {"px", 1},
                                                  {"pt", perInch / 72},
                                                  {"pc", perInch / 6},
                                                  {"mm", perInch / 25.4},
                                                  {"cm", perInch / 2.54},
                                                  {"in", perInch}};
  for (const auto& [name, factor] : units)
    if (unit == name) return *value * factor;
  return std::nullopt;
}

std::optional<Colour> svgColour(const std::string& text) {
  if (text.starts_with("rgb")) return fromRgb(text);
  if (text == "none" || text == "transparent" || text.empty() || text.size() > 40) return std::nullopt;
  const QColor c = QColor::fromString(QString::fromStdString(text == "currentColor" ? "black" : text));
  if (!c.isValid()) return std::nullopt;
  const auto byte = [](int v) { return static_cast<std::uint8_t>(v); };
  return Colour{byte(c.red()), byte(c.green()), byte(c.blue()), byte(c.alpha())};
}

SvgLook lookOf(const SvgSheet& sheet, const pugi::xml_node& element, SvgLook look) {
  const auto take = [&](const char* property, std::string& into) {
    if (const auto value = sheet.valueOf(element, property); value && *value != "inherit") into = *value;
  };
  const auto takeShare = [&](const char* property, double& into) {
    if (const auto value = sheet.valueOf(element, property)) into = share(*value, into);
  };
  const auto takeLength = [&](const char* property, double& into) {
    const auto value = sheet.valueOf(element, property);
    if (const auto length = value ? svgLength(*value) : std::nullopt) into = *length;
  };
  take("fill", look.fill);
  take("stroke", look.stroke);
  take("fill-rule", look.fillRule);
  takeLength("stroke-width", look.strokeWidth);
  takeShare("fill-opacity", look.fillOpacity);
  takeShare("stroke-opacity", look.strokeOpacity);
  take("font-family", look.fontFamily);
  take("font-weight", look.fontWeight);
  take("font-style", look.fontStyle);
  take("text-anchor", look.textAnchor);
  takeLength("font-size", look.fontSize);
  if (const auto display = sheet.valueOf(element, "display"); display == "none") look.shown = false;
  if (const auto visible = sheet.valueOf(element, "visibility"); visible && *visible != "inherit")
    look.shown = look.shown && *visible == "visible";
  return look;
}

}  // namespace widecut::parsing

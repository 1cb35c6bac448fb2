#include "cli/shape_command.h"

#include <iostream>

#include "cli/json_lines.h"
#include "geometry/path_data.h"
#include "project/limits.h"
#include "shapes/starter.h"

namespace widecut {
namespace {

using json = OrderedJson;

std::string_view nameOf(NumberKind kind) {
  switch (kind) {
    case NumberKind::Count:
      return "count";
    case NumberKind::Share:
      return "share";
    case NumberKind::Times:
      return "times";
    case NumberKind::Angle:
      return "degrees";
    case NumberKind::Length:
      return "points";
    case NumberKind::Choice:
      return "choice";
    case NumberKind::Switch:
      return "switch";
    case NumberKind::Seed:
      break;
  }
  return "seed";
}

json listed(const StarterKind& kind) {
  json numbers = json::array();
  for (const StarterNumber& n : kind.numbers) {
    json one{{"key", keyOf(n)}, {"name", n.name}, {"unit", nameOf(n.kind)}, {"meaning", n.meaning}};
    if (n.kind == NumberKind::Choice)
      one["words"] = choicesOf(n);
    else
      one.update({{"least", n.least}, {"most", n.most}, {"step", n.step}});
    one["usual"] = n.usual;
    numbers.push_back(std::move(one));
  }
  const StarterSize size = usualSize(kind, usualValues(kind));
  return {{"name", kind.name},   {"family", kind.family}, {"keeps", kind.keeps},
          {"width", size.width}, {"height", size.height}, {"numbers", std::move(numbers)}};
}

void list(bool asJson) {
  if (asJson) {
    json all = json::array();
    for (const StarterKind* kind : starterKinds()) all.push_back(listed(*kind));
    std::cout << all.dump(2) << '\n';
    return;
  }
  std::string_view family;
  for (const StarterKind* kind : starterKinds()) {
    if (kind->family != family) std::cout << (family.empty() ? "" : "\n") << (family = kind->family) << '\n';
    std::cout << "  " << kind->name << (kind->keeps.empty() ? "" : "  (keeps ") << kind->keeps
              << (kind->keeps.empty() ? "" : ")") << '\n';
    for (const StarterNumber& n : kind->numbers) {
      std::cout << "    " << keyOf(n) << "  " << rangeText(n) << ", usually " << valueText(n, n.usual) << ": "
                << n.meaning << '\n';
    }
  }
}

/// A kind by its name, with hyphens or blanks.
Result<const StarterKind*> kindNamed(std::string name) {
  std::replace(name.begin(), name.end(), '-', ' ');
  if (const StarterKind* kind = starterKind(name)) return kind;
  std::string hint;
  for (const std::string_view like : namesLike(name)) hint += (hint.empty() ? "" : ", ") + std::string(like);
  return problem("there is no shape '" + name + "'" +
                 (hint.empty() ? " (widecut shape --list tells them)" : "; close to it: " + hint));
}

/// A starter that is being described, word by word.
class Described {
 public:
  explicit Described(const StarterKind& kind) : kind_(kind), values_(usualValues(kind)) {}

  Result<void> set(const std::string& key, const std::string& text) {
    if (key == "width" || key == "height") return setSide(key, text);
    for (std::size_t i = 0; i < kind_.numbers.size(); ++i)
      if (keyOf(kind_.numbers[i]) == key) {
        const auto value = parseValue(kind_.numbers[i], text);
        if (!value) return tl::unexpected(value.error());
        values_[i] = *value;
        return {};
      }
    std::string keys = "width, height";
    for (const StarterNumber& n : kind_.numbers) keys += ", " + keyOf(n);
    return problem(std::string(kind_.name) + " has no number '" + key + "'; it has " + keys);
  }

  Outline outline() const {
    StarterSize size = usualSize(kind_, values_);
    if (width_ && !height_) size.height *= *width_ / size.width;
    if (height_ && !width_) size.width *= *height_ / size.height;
    return starterOutline(kind_, {width_.value_or(size.width), height_.value_or(size.height)}, values_);
  }

 private:
  Result<void> setSide(const std::string& key, const std::string& text) {
    const auto value = parseMeasure(text, Unit::Point, 0);
    if (!value) return problem(key + ": " + value.error().message);
    if (!(*value > 0 && *value <= limits::mostLength))
      return problem(key + " must be above 0 and up to 1000000 points, not '" + text + "'");
    (key == "width" ? width_ : height_) = *value;
    return {};
  }

  const StarterKind& kind_;
  std::vector<double> values_;
  std::optional<double> width_, height_;
};

Result<std::string> pathOf(const std::vector<std::string>& words) {
  if (words.empty()) return problem("which shape? (widecut shape --list tells them)");
  std::string name = words.front();
  std::size_t next = 1;
  // A name of two words may come as two.
  for (; next < words.size() && words[next].find('=') == std::string::npos; ++next) name += " " + words[next];
  const auto kind = kindNamed(name);
  if (!kind) return tl::unexpected(kind.error());
  Described described(**kind);
  for (; next < words.size(); ++next) {
    const std::size_t sign = words[next].find('=');
    if (sign == std::string::npos) return problem("expected key=value, found '" + words[next] + "'");
    if (auto set = described.set(words[next].substr(0, sign), words[next].substr(sign + 1)); !set)
      return tl::unexpected(set.error());
  }
  return pathData(described.outline());
}

Result<json> answered(const json& line) {
  if (!line.contains("shape") || !line["shape"].is_string()) return problem("the line has no shape");
  const auto kind = kindNamed(line["shape"].get<std::string>());
  if (!kind) return tl::unexpected(kind.error());
  Described described(**kind);
  for (const auto& [key, value] : line.items()) {
    if (key == "shape" || key == "id") continue;
    if (!value.is_string() && !value.is_number()) return problem(key + " is neither a number nor a text");
    if (auto set = described.set(key, value.is_string() ? value.get<std::string>() : value.dump()); !set)
      return tl::unexpected(set.error());
  }
  return json{{"result", pathData(described.outline())}};
}

}  // namespace

Result<void> shape(const ShapeRequest& request) {
  if (request.list) {
    list(request.asJson);
    return {};
  }
  if (!request.batch.empty()) return answerLines(request.batch, [](const json& line, int) { return answered(line); });
  const auto path = pathOf(request.words);
  if (!path) return tl::unexpected(path.error());
  std::cout << *path << '\n';
  return {};
}

}  // namespace widecut

#include "storage/project_json.h"

#include <nlohmann/json.hpp>
#include <set>

#include "geometry/path_data.h"
#include "project/limits.h"

namespace widecut {
namespace {

using nlohmann::json;

// Writing.

json withExtra(const std::string& extra) {
  if (extra.empty()) return json::object();
  json object = json::parse(extra, nullptr, false);
  return object.is_object() ? object : json::object();
}

/// Degrees to 13 digits: steady when read and written again.
double degreesForFile(double angle) {
  const double d = degrees(angle);
  if (d == 0) return 0;
  const double unit = std::pow(10.0, 12 - std::floor(std::log10(std::abs(d))));
  return std::round(d * unit) / unit;
}

json pointJson(Point p) { return json::array({p.x, p.y}); }

json itemJson(const Item& item);

json recipeJson(const Recipe& recipe) {
  json out = withExtra(recipe.extra);
  std::vector<std::string> names;
  out["parts"] = json::array();
  for (const ItemPtr& part : recipe.parts) {
    names.push_back(std::to_string(part->id));
    out["parts"].push_back(itemJson(*part));
  }
  out["formula"] = recipe.formula.text(names);
  if (recipe.photoFrom) out["photoFrom"] = *recipe.photoFrom;
  return out;
}

json itemJson(const Item& item) {
  json out = withExtra(item.extra);
  out["id"] = item.id;
  out["name"] = item.name;
  out["at"] = pointJson(item.position);
  if (item.turn != 0) out["turnDeg"] = degreesForFile(item.turn);
  if (const Recipe* recipe = item.recipe())
    out["recipe"] = recipeJson(*recipe);
  else
    out["outline"] = pathData(*std::get<std::shared_ptr<const Outline>>(item.form));
  if (item.style.fill) out["fill"] = colourText(*item.style.fill);
  if (const auto& photo = item.style.photo) {
    out["photo"] = {{"medium", photo->medium},
                    {"centre", pointJson(photo->framing.centre)},
                    {"pointsPerPixel", photo->framing.pointsPerPixel}};
    if (photo->framing.turn != 0) out["photo"]["turnDeg"] = degreesForFile(photo->framing.turn);
  }
  if (item.style.line)
    out["line"] = {{"colour", colourText(item.style.line->colour)}, {"width", item.style.line->width}};
  if (item.style.opacity != 1) out["opacity"] = item.style.opacity;
  if (item.hidden) out["hidden"] = true;
  return out;
}

json sheetJson(const Sheet& sheet) {
  json out = withExtra(sheet.extra);
  out["id"] = sheet.id;
  out["name"] = sheet.name;
  out["width"] = sheet.width;
  out["height"] = sheet.height;
  if (sheet.bleed != 0) out["bleed"] = sheet.bleed;
  if (!sheet.folds.empty()) out["folds"] = sheet.folds;
  out["paper"] = colourText(sheet.paper);
  out["items"] = json::array();
  for (const ItemPtr& item : sheet.items) out["items"].push_back(itemJson(*item));
  return out;
}

// Reading.

/// A wrong value, and where it stands. Only thrown inside this file.
struct Wrong {
  std::string message;
};

/// A JSON object being read: hands out members by name and remembers which were asked for.
class Members {
 public:
  Members(const json& object, std::string place) : object_(object), place_(std::move(place)) {
    if (!object.is_object()) throw Wrong{place_ + " is not an object"};
  }

  [[noreturn]] void wrong(const std::string& name, const std::string& what) const {
    throw Wrong{(place_.empty() ? name : place_ + "." + name) + " " + what};
  }
  std::string placeOf(const std::string& name) const { return place_.empty() ? name : place_ + "." + name; }

  const json* find(const std::string& name) {
    known_.insert(name);
    const auto found = object_.find(name);
    return found == object_.end() ? nullptr : &*found;
  }
  const json& need(const std::string& name) {
    if (const json* value = find(name)) return *value;
    wrong(name, "is missing");
  }
  double number(const std::string& name, double low, double high) { return numberOf(need(name), name, low, high); }
  double number(const std::string& name, double low, double high, double otherwise) {
    const json* value = find(name);
    return value ? numberOf(*value, name, low, high) : otherwise;
  }
  std::string text(const std::string& name) {
    const json& value = need(name);
    if (!value.is_string()) wrong(name, "is not a text");
    return value.get<std::string>();
  }
  Colour colour(const std::string& name) {
    const auto c = parseColour(text(name));
    if (!c) wrong(name, "is not a colour as #rrggbb");
    return *c;
  }
  Point point(const std::string& name) {
    const json& value = need(name);
    if (!value.is_array() || value.size() != 2) wrong(name, "is not a pair of numbers");
    return {numberOf(value[0], name, -limits::mostLength, limits::mostLength),
            numberOf(value[1], name, -limits::mostLength, limits::mostLength)};
  }
  Id id(const std::string& name) {
    const json& value = need(name);
    if (!value.is_number_unsigned() || value.get<Id>() == 0 || value.get<Id>() > (Id{1} << 53))
      wrong(name, "is not an id");
    return value.get<Id>();
  }
  const json& array(const std::string& name) {
    const json& value = need(name);
    if (!value.is_array()) wrong(name, "is not a list");
    return value;
  }
  /// What nobody asked for, as text to be written back.
  std::string extra() const {
    json rest = json::object();
    for (const auto& [name, value] : object_.items())
      if (!known_.count(name)) rest[name] = value;
    return rest.empty() ? "" : rest.dump();
  }

 private:
  double numberOf(const json& value, const std::string& name, double low, double high) const {
    if (!value.is_number()) wrong(name, "is not a number");
    const double v = value.get<double>();
    if (!(v >= low && v <= high))
      wrong(name, "is out of range (" + shortestNumber(low) + " to " + shortestNumber(high) + ")");
    return v;
  }

  const json& object_;
  std::string place_;
  std::set<std::string> known_;
};

class ProjectReader {
 public:
  Project read(const json& root) {
    Members m(root, "");
    if (const json* format = m.find("format"); !format || *format != "widecut")
      throw Wrong{"this is not a Wide Cut project"};
    if (m.number("version", 1, 1e9) > projectFileVersion)
      throw Wrong{"the project was saved by a newer Wide Cut; this one reads up to version " +
                  std::to_string(projectFileVersion)};
    Project project;
    project.name = m.text("name");
    const json* media = m.find("media");
    if (media && !media->is_array()) m.wrong("media", "is not a list");
    for (std::size_t i = 0; media && i < media->size(); ++i) addMedium((*media)[i], i, project);
    const json& pieces = m.array("pieces");
    for (std::size_t i = 0; i < pieces.size(); ++i)
      project.pieces.push_back(piece(pieces[i], "pieces[" + std::to_string(i) + "]"));
    project.nextId = ids_.empty() ? 1 : *ids_.rbegin() + 1;
    if (sheetsOf(project).empty()) throw Wrong{"the project has no sheet"};
    for (const auto& [place, hash] : wanted_)
      if (!project.media.count(hash)) throw Wrong{place + " wants a photo that the project does not hold"};
    project.extra = m.extra();
    if (const auto beyond = beyondLimits(project, nullptr)) throw Wrong{beyond->message};
    return project;
  }

 private:
  static void addMedium(const json& value, std::size_t index, Project& project) {
    Members m(value, "media[" + std::to_string(index) + "]");
    auto medium = std::make_shared<Medium>();
    medium->hash = m.text("hash");
    if (medium->hash.size() != 64 || medium->hash.find_first_not_of("0123456789abcdef") != std::string::npos)
      m.wrong("hash", "is not a SHA-256");
    medium->name = m.text("name");
    medium->width = static_cast<int>(m.number("width", 1, 1e6));
    medium->height = static_cast<int>(m.number("height", 1, 1e6));
    medium->extra = m.extra();
    project.media[medium->hash] = std::move(medium);
  }

  Id freshId(Members& m) {
    const Id id = m.id("id");
    if (!ids_.insert(id).second) m.wrong("id", "is used twice");
    return id;
  }

  PiecePtr piece(const json& value, const std::string& place) {
    Members m(value, place);
    auto out = std::make_shared<Piece>();
    out->id = freshId(m);
    out->name = m.text("name");
    const json& sheets = m.array("sheets");
    for (std::size_t i = 0; i < sheets.size(); ++i)
      out->sheets.push_back(sheet(sheets[i], place + ".sheets[" + std::to_string(i) + "]"));
    out->extra = m.extra();
    return out;
  }

  SheetPtr sheet(const json& value, const std::string& place) {
    Members m(value, place);
    auto out = std::make_shared<Sheet>();
    out->id = freshId(m);
    out->name = m.text("name");
    out->width = m.number("width", limits::leastSide, limits::mostSide);
    out->height = m.number("height", limits::leastSide, limits::mostSide);
    out->bleed = m.number("bleed", 0, limits::mostBleed, 0);
    out->paper = m.colour("paper");
    if (const json* folds = m.find("folds")) {
      if (!folds->is_array()) m.wrong("folds", "is not a list");
      for (const json& fold : *folds) {
        if (!fold.is_number() || !(std::abs(fold.get<double>()) <= limits::mostSide))
          m.wrong("folds", "has a wrong number");
        out->folds.push_back(fold.get<double>());
      }
    }
    const json& items = m.array("items");
    for (std::size_t i = 0; i < items.size(); ++i)
      out->items.push_back(item(items[i], place + ".items[" + std::to_string(i) + "]", 0));
    out->extra = m.extra();
    return out;
  }

  ItemPtr item(const json& value, const std::string& place, int depth) {
    Members m(value, place);
    if (depth > limits::deepestRecipe) throw Wrong{place + " is nested too deeply"};
    auto out = std::make_shared<Item>();
    out->id = freshId(m);
    out->name = m.text("name");
    out->position = m.point("at");
    out->turn = radians(m.number("turnDeg", -limits::mostTurnDeg, limits::mostTurnDeg, 0));
    const json* recipe = m.find("recipe");
    if (recipe)
      out->form = this->recipe(*recipe, place + ".recipe", depth);
    else
      out->form = outline(m);
    if (m.find("fill")) out->style.fill = m.colour("fill");
    if (const json* photo = m.find("photo")) out->style.photo = photoFill(*photo, place + ".photo");
    if (const json* line = m.find("line")) {
      Members l(*line, place + ".line");
      out->style.line = Line{l.colour("colour"), l.number("width", limits::leastLine, limits::mostLine)};
    }
    out->style.opacity = m.number("opacity", 0, 1, 1);
    if (const json* hidden = m.find("hidden")) out->hidden = hidden->is_boolean() && hidden->get<bool>();
    out->extra = m.extra();
    return out;
  }

  static std::shared_ptr<const Outline> outline(Members& m) {
    const auto parsed = parsePathData(m.text("outline"));
    if (!parsed) m.wrong("outline", "cannot be read: " + parsed.error().message);
    const Box box = bounds(*parsed);
    if (!box.isEmpty() &&
        !Box{{-limits::mostLength, -limits::mostLength}, {limits::mostLength, limits::mostLength}}.contains(box))
      m.wrong("outline", "leaves ±1e6 points");
    return std::make_shared<const Outline>(*parsed);
  }

  std::shared_ptr<const Recipe> recipe(const json& value, const std::string& place, int depth) {
    Members m(value, place);
    auto out = std::make_shared<Recipe>();
    const json& parts = m.array("parts");
    if (parts.empty()) m.wrong("parts", "is empty");
    std::vector<std::string> names;
    for (std::size_t i = 0; i < parts.size(); ++i) {
      out->parts.push_back(item(parts[i], place + ".parts[" + std::to_string(i) + "]", depth + 1));
      names.push_back(std::to_string(out->parts.back()->id));
    }
    const auto formula = Formula::parse(m.text("formula"), names);
    if (!formula) m.wrong("formula", "cannot be read: " + formula.error().message);
    out->formula = *formula;
    // Leaf n is part n: the bench shows one chip a leaf.
    const auto leaves = formula->leaves();
    for (std::size_t i = 0; i < std::max(leaves.size(), parts.size()); ++i)
      if (i >= leaves.size() || i >= parts.size() || leaves[i] != static_cast<int>(i))
        m.wrong("formula", "must use every part once, in order");
    if (m.find("photoFrom")) out->photoFrom = m.id("photoFrom");
    out->extra = m.extra();
    return out;
  }

  PhotoFill photoFill(const json& value, const std::string& place) {
    Members m(value, place);
    PhotoFill fill;
    fill.medium = m.text("medium");
    fill.framing = {m.point("centre"), m.number("pointsPerPixel", limits::leastPixel, limits::mostPixel),
                    radians(m.number("turnDeg", -limits::mostTurnDeg, limits::mostTurnDeg, 0))};
    wanted_.emplace_back(place, fill.medium);
    return fill;
  }

  std::set<Id> ids_;
  std::vector<std::pair<std::string, std::string>> wanted_;
};

}  // namespace

std::string projectJson(const Project& project) {
  json out = withExtra(project.extra);
  out["format"] = "widecut";
  out["version"] = projectFileVersion;
  out["name"] = project.name;
  out["pieces"] = json::array();
  for (const PiecePtr& piece : project.pieces) {
    json p = withExtra(piece->extra);
    p["id"] = piece->id;
    p["name"] = piece->name;
    p["sheets"] = json::array();
    for (const SheetPtr& sheet : piece->sheets) p["sheets"].push_back(sheetJson(*sheet));
    out["pieces"].push_back(std::move(p));
  }
  out["media"] = json::array();
  for (const auto& [hash, medium] : project.media) {
    json m = withExtra(medium->extra);
    m["hash"] = hash;
    m["name"] = medium->name;
    m["width"] = medium->width;
    m["height"] = medium->height;
    out["media"].push_back(std::move(m));
  }
  return out.dump(1) + "\n";
}

Result<Project> projectFromJson(const std::string& text) {
  if (text.size() > limits::mostJsonBytes) return problem("project.json is larger than a project's can be");
  // Values are counted before they are in memory, where each takes far more room than in the text.
  std::size_t values = 0;
  const auto watch = [&](int depth, json::parse_event_t, json&) {
    if (depth > limits::deepestJson) throw Wrong{"project.json is nested too deeply"};
    if (++values > limits::mostJsonValues) throw Wrong{"project.json has more values than a project can have"};
    return true;
  };
  try {
    return ProjectReader().read(json::parse(text, watch));
  } catch (const Wrong& wrong) {
    return problem(wrong.message);
  } catch (const json::exception& error) {
    return problem(std::string("project.json is damaged: ") + error.what());
  }
}

}  // namespace widecut

#include "storage/members.h"

#include <cmath>

#include "geometry/path_data.h"
#include "project/limits.h"

namespace widecut {

using nlohmann::json;

Members::Members(const json& object, std::string place) : object_(object), place_(std::move(place)) {
  if (!object.is_object()) throw Wrong{place_ + " is not an object"};
}

void Members::wrong(const std::string& name, const std::string& what) const {
  // Of what lies very deep, the beginning and the end.
  constexpr std::size_t most = 160, end = 60;
  std::string place = placeOf(name);
  if (place.size() > most) place = place.substr(0, most - end) + "…" + place.substr(place.size() - end);
  throw Wrong{place + " " + what};
}

std::string Members::placeOf(const std::string& name) const {
  if (place_.empty()) return name;
  return place_ + (place_.ends_with(".json") ? ": " : ".") + name;
}

const json* Members::find(const std::string& name) {
  known_.insert(name);
  const auto found = object_.find(name);
  return found == object_.end() ? nullptr : &*found;
}

const json& Members::need(const std::string& name) {
  if (const json* value = find(name)) return *value;
  wrong(name, "is missing");
}

double Members::number(const std::string& name, double low, double high) {
  return numberOf(need(name), name, low, high);
}

double Members::number(const std::string& name, double low, double high, double otherwise) {
  const json* value = find(name);
  return value ? numberOf(*value, name, low, high) : otherwise;
}

int Members::count(const std::string& name, int low, int high) {
  const json& value = need(name);
  if (!value.is_number_integer()) wrong(name, "is not a whole number");
  return static_cast<int>(numberOf(value, name, low, high));
}

bool Members::flag(const std::string& name, bool otherwise) {
  const json* value = find(name);
  if (!value) return otherwise;
  if (!value->is_boolean()) wrong(name, "is neither true nor false");
  return value->get<bool>();
}

std::string Members::text(const std::string& name) {
  const json& value = need(name);
  if (!value.is_string()) wrong(name, "is not a text");
  return value.get<std::string>();
}

Colour Members::colour(const std::string& name) {
  const auto c = parseColour(text(name));
  if (!c) wrong(name, "is not a colour as #rrggbb");
  return *c;
}

Point Members::point(const std::string& name) {
  const json& value = need(name);
  if (!value.is_array() || value.size() != 2) wrong(name, "is not a pair of numbers");
  return {numberOf(value[0], name, -limits::mostLength, limits::mostLength),
          numberOf(value[1], name, -limits::mostLength, limits::mostLength)};
}

Id Members::id(const std::string& name) {
  const json& value = need(name);
  if (!value.is_number_unsigned() || value.get<Id>() == 0 || value.get<Id>() > (Id{1} << 53))
    wrong(name, "is not an id");
  return value.get<Id>();
}

const json& Members::array(const std::string& name) {
  const json& value = need(name);
  if (!value.is_array()) wrong(name, "is not a list");
  return value;
}

std::string Members::extra() const {
  json rest = json::object();
  for (const auto& [name, value] : object_.items())
    if (!known_.count(name)) rest[name] = value;
  return rest.empty() ? "" : rest.dump();
}

double Members::numberOf(const json& value, const std::string& name, double low, double high) const {
  if (!value.is_number()) wrong(name, "is not a number");
  const double v = value.get<double>();
  if (!(v >= low && v <= high))
    wrong(name, "is out of range (" + shortestNumber(low) + " to " + shortestNumber(high) + ")");
  return v;
}

json withExtra(const std::string& extra) {
  if (extra.empty()) return json::object();
  json object = json::parse(extra, nullptr, false);
  return object.is_object() ? object : json::object();
}

json pointJson(Point p) { return json::array({p.x, p.y}); }

double degreesForFile(double angle) {
  const double d = degrees(angle);
  if (d == 0) return 0;
  const double unit = std::pow(10.0, 12 - std::floor(std::log10(std::abs(d))));
  return std::round(d * unit) / unit;
}

}  // namespace widecut

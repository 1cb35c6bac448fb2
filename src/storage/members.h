// Reading JSON objects member by member, strictly.
#pragma once

#include <algorithm>
#include <nlohmann/json.hpp>
#include <optional>
#include <set>
#include <span>
#include <string>
#include <string_view>

#include "project/model.h"

namespace widecut {

/// A wrong value, and where it stands. Only thrown between the readers of this room.
struct Wrong {
  std::string message;
};

/// A JSON object being read: hands out members by name and remembers which were asked for.
class Members {
 public:
  using json = nlohmann::json;

  Members(const json& object, std::string place);

  [[noreturn]] void wrong(const std::string& name, const std::string& what) const;
  /// Where a member stands, as in `pieces[0].sheets[1]`.
  std::string placeOf(const std::string& name) const;

  const json* find(const std::string& name);
  const json& need(const std::string& name);
  double number(const std::string& name, double low, double high);
  double number(const std::string& name, double low, double high, double otherwise);
  int count(const std::string& name, int low, int high);
  bool flag(const std::string& name, bool otherwise);
  std::string text(const std::string& name);
  /// One of these words, as its place among them; the first where there is none.
  template <class Value>
  Value word(const std::string& name, std::span<const std::string_view> words) {
    if (!find(name)) return Value{};
    const auto found = std::find(words.begin(), words.end(), text(name));
    if (found == words.end()) wrong(name, "is not a word that is known here");
    return static_cast<Value>(found - words.begin());
  }
  Colour colour(const std::string& name);
  Point point(const std::string& name);
  Id id(const std::string& name);
  const json& array(const std::string& name);
  /// What nobody asked for, as text to be written back.
  std::string extra() const;

 private:
  double numberOf(const json& value, const std::string& name, double low, double high) const;

  const json& object_;
  std::string place_;
  std::set<std::string> known_;
};

/// An object with the members that were kept as text; an empty one when there are none.
nlohmann::json withExtra(const std::string& extra);
nlohmann::json pointJson(Point p);
/// Degrees to 13 digits: steady when read and written again.
double degreesForFile(double angle);

}  // namespace widecut

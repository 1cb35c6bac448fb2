#include "geometry/measure.h"

#include <cctype>
#include <charconv>
#include <cmath>

namespace widecut {
namespace {

struct UnitWords {
  Unit unit;
  std::string_view name;
  double points;
};
constexpr UnitWords unitWords[] = {{Unit::Millimetre, "mm", pointsPerMillimetre},
                                   {Unit::Centimetre, "cm", 10 * pointsPerMillimetre},
                                   {Unit::Inch, "in", 72},
                                   {Unit::Point, "pt", 1},
                                   {Unit::Pixel, "px", 0.75}};

/// A number that may carry a unit: `isLength` once a unit has been seen, which is `unit` points.
struct Amount {
  double value = 0;
  bool isLength = false;
  double unit = 1;
};

class MeasureReader {
 public:
  MeasureReader(std::string_view text, Unit unit, double before) : text_(text), unit_(unit), before_(before) {}

  Result<double> read() {
    const double before = before_;
    skipSpace();
    const char first = peek();
    if ((first == '+' || first == '-') && peek(1) == '=') {
      at_ += 2;
      const double by = inPoints(sum());
      return finished(first == '+' ? before + by : before - by);
    }
    if (first == '*' || first == '/') {
      ++at_;
      before_ = 1;  // of which a share is meant
      const double by = sum().value;
      return finished(first == '*' ? before * by : before / by);
    }
    return finished(inPoints(sum()));
  }

 private:
  Result<double> finished(double value) {
    skipSpace();
    if (!good_ || at_ < text_.size()) return problem("“" + std::string(text_) + "” is not a number here");
    if (!std::isfinite(value) || std::abs(value) > 1e9) return problem("“" + std::string(text_) + "” is out of range");
    return value;
  }
  double bareUnit() const { return pointsPer(unit_); }
  double inPoints(Amount a) const { return a.value * (a.isLength ? a.unit : bareUnit()); }
  char peek(std::size_t ahead = 0) const { return at_ + ahead < text_.size() ? text_[at_ + ahead] : '\0'; }
  void skipSpace() {
    while (std::isspace(static_cast<unsigned char>(peek()))) ++at_;
  }
  bool take(std::string_view word) {
    skipSpace();
    if (text_.substr(at_, word.size()) != word) return false;
    at_ += word.size();
    return true;
  }

  Amount sum() {
    Amount total = product();
    while (good_) {
      const bool plus = take("+");
      if (!plus && !take("-")) break;
      const Amount next = product();
      // Once one side has a unit, a bare number beside it is in the field's own.
      if (total.isLength != next.isLength)
        total = {inPoints(total) + (plus ? inPoints(next) : -inPoints(next)), true, 1};
      else if (total.isLength)
        total = {total.value * total.unit + (plus ? next.value : -next.value) * next.unit, true, 1};
      else
        total.value += plus ? next.value : -next.value;
    }
    return total;
  }

  Amount product() {
    Amount total = factor();
    while (good_) {
      const bool times = take("*") || take("of");
      if (!times && !take("/")) break;
      const Amount next = factor();
      // In `297/3 mm` and `1/8in` the unit belongs to the whole quotient.
      total.value = times ? total.value * next.value : total.value / next.value;
      if (!total.isLength) total.unit = next.unit;
      total.isLength = total.isLength || next.isLength;
    }
    return total;
  }

  Amount factor() {
    skipSpace();
    if (++depth_ > 50) good_ = false;
    if (!good_) return {};
    Amount a;
    if (take("-")) {
      a = factor();
      a.value = -a.value;
    } else if (take("(")) {
      a = sum();
      good_ = good_ && take(")");
    } else {
      const auto [end, error] =
          std::from_chars(text_.data() + at_, text_.data() + text_.size(), a.value, std::chars_format::general);
      good_ = good_ && error == std::errc();
      at_ = static_cast<std::size_t>(end - text_.data());
      unit(a);
    }
    --depth_;
    return a;
  }

  void unit(Amount& a) {
    if (unit_ == Unit::Plain) {
      if (take("%") || take("°")) return;
      if (take("pt")) a.isLength = true;
      return;
    }
    if (take("%")) {
      a = {a.value / 100 * before_, true, 1};
      good_ = good_ && before_ != 0;
      return;
    }
    for (const UnitWords& u : unitWords)
      if (take(u.name)) {
        a = {a.value, true, u.points};
        return;
      }
  }

  std::string_view text_;
  Unit unit_;
  double before_;
  std::size_t at_ = 0;
  int depth_ = 0;
  bool good_ = true;
};

}  // namespace

double pointsPer(Unit unit) {
  for (const UnitWords& u : unitWords)
    if (u.unit == unit) return u.points;
  return 1;
}

std::string_view nameOf(Unit unit) {
  for (const UnitWords& u : unitWords)
    if (u.unit == unit) return u.name;
  return {};
}

std::optional<Unit> unitNamed(std::string_view name) {
  for (const UnitWords& u : unitWords)
    if (u.name == name) return u.unit;
  return std::nullopt;
}

Result<double> parseMeasure(std::string_view text, Unit unit, double before) {
  return MeasureReader(text, unit, before).read();
}

std::string measureText(double value, Unit unit, int decimals) {
  value /= pointsPer(unit);
  const double rounding = std::pow(10.0, decimals);
  const double shown = std::round(value * rounding) / rounding;
  char digits[64];
  const auto end =
      std::to_chars(digits, digits + sizeof digits, shown == 0 ? 0.0 : shown, std::chars_format::fixed).ptr;
  std::string text(digits, end);
  const std::string_view name = nameOf(unit);
  return name.empty() ? text : text + " " + std::string(name);
}

}  // namespace widecut

// Formulas over parts: `panel - disc + tab`, `photo & word`.
#pragma once

#include <functional>
#include <memory>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "geometry/problem.h"

namespace widecut {

/// What an operator does with the part on its right.
enum class Role : unsigned char { Add, Subtract, Intersect, Exclude };

/// The sign of a role in formulas: + - & ^.
char signOf(Role role);
/// Its name in the file and on screen: add, subtract, intersect, exclude.
std::string_view nameOf(Role role);
/// A part's name as formulas write it: in quotes where it needs them.
std::string writtenInFormulas(const std::string& name);

/// An expression over numbered parts. All operators bind alike and are read from left to right, as a
/// recipe is; brackets group. In reading order the operator k stands just before leaf k + 1, so a formula
/// with n leaves has n − 1 operators, numbered from 0.
class Formula {
 public:
  /// The part alone.
  static Formula part(int index);
  static Formula joined(const Formula& left, Role role, const Formula& right);
  /// The parts 0 … count − 1 in order, each joined by the same role. Needs count ≥ 1.
  static Formula chain(int count, Role role);
  /// Reads a formula whose words are `names` (case matters; a name with other characters than letters,
  /// digits, _ and . is written in 'quotes', with a quote in it twice). The problem says where it went wrong, counting
  /// from 1.
  static Result<Formula> parse(std::string_view text, std::span<const std::string> names);

  /// The formula as text that `parse` reads back, with the same names.
  std::string text(std::span<const std::string> names) const;

  /// The part index of each leaf, in reading order.
  std::vector<int> leaves() const;
  /// The role of each operator, in reading order.
  std::vector<Role> operators() const;
  /// How many brackets open just before each leaf, and close just after it, in reading order.
  struct Brackets {
    int before = 0;
    int after = 0;
  };
  std::vector<Brackets> brackets() const;

  /// This formula with operator `index` changed. An index out of range changes nothing.
  Formula withOperator(int index, Role role) const;
  /// This formula with every part renumbered.
  Formula renumbered(const std::function<int(int)>& number) const;
  /// This formula without the leaves of a part; the operator before goes too. Nothing is left when the
  /// part was the only one.
  std::optional<Formula> without(int partIndex) const;
  /// The same for all parts of which `goes` is true.
  std::optional<Formula> without(const std::function<bool(int)>& goes) const;
  /// This formula with another one, in brackets, in the place of each part.
  Formula with(const std::function<Formula(int)>& inPlaceOf) const;
  bool operator==(const Formula& other) const;

  /// The truth of the formula when `covers(part)` tells which parts cover a place.
  bool holds(const std::function<bool(int)>& covers) const;

  /// For engines: a leaf has a part ≥ 0; an operator has role, left and right.
  struct Node;
  const Node& root() const { return *root_; }

 private:
  explicit Formula(std::shared_ptr<const Node> root) : root_(std::move(root)) {}
  std::shared_ptr<const Node> root_;
};

struct Formula::Node {
  int part = -1;
  Role role = Role::Add;
  std::shared_ptr<const Node> left;
  std::shared_ptr<const Node> right;
  ~Node();
};

}  // namespace widecut

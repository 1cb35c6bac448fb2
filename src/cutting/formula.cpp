#include "cutting/formula.h"

#include <cctype>

namespace widecut {
namespace {

using Node = Formula::Node;
using NodePtr = std::shared_ptr<const Node>;

constexpr Role allRoles[] = {Role::Add, Role::Subtract, Role::Intersect, Role::Exclude};

bool isWordCharacter(char c) {
  return std::isalnum(static_cast<unsigned char>(c)) != 0 || c == '_' || c == '.' || (c & 0x80) != 0;
}

/// Recursive descent; `deepest` keeps absurd nesting from using up the stack.
class FormulaReader {
 public:
  FormulaReader(std::string_view text, std::span<const std::string> names) : text_(text), names_(names) {}

  Result<NodePtr> read() {
    auto root = expression(0);
    if (!root) return root;
    skipSpace();
    if (at_ < text_.size()) return fail(std::string("expected + - & or ^, found '") + text_[at_] + "'");
    return root;
  }

 private:
  static constexpr int deepest = 200;

  tl::unexpected<Problem> fail(const std::string& what) const {
    return problem("formula, character " + std::to_string(at_ + 1) + ": " + what);
  }
  void skipSpace() {
    while (at_ < text_.size() && std::isspace(static_cast<unsigned char>(text_[at_]))) ++at_;
  }

  Result<NodePtr> expression(int depth) {
    auto left = operand(depth);
    while (left) {
      skipSpace();
      if (at_ >= text_.size()) break;
      const Role* role = nullptr;
      for (const Role& r : allRoles)
        if (signOf(r) == text_[at_]) role = &r;
      if (!role) break;
      ++at_;
      auto right = operand(depth);
      if (!right) return right;
      left = std::make_shared<Node>(Node{-1, *role, *left, *right});
    }
    return left;
  }

  Result<NodePtr> operand(int depth) {
    skipSpace();
    if (at_ >= text_.size()) return fail("unfinished: a part is missing");
    if (text_[at_] == '(') {
      if (depth >= deepest) return fail("too many brackets");
      ++at_;
      auto inner = expression(depth + 1);
      if (!inner) return inner;
      skipSpace();
      if (at_ >= text_.size() || text_[at_] != ')') return fail("unfinished: a closing bracket is missing");
      ++at_;
      return inner;
    }
    const std::size_t from = at_;
    std::string word;
    if (text_[at_] == '\'') {
      const std::size_t end = text_.find('\'', at_ + 1);
      if (end == std::string_view::npos) return fail("unfinished: a closing quote is missing");
      word = text_.substr(at_ + 1, end - at_ - 1);
      at_ = end + 1;
    } else {
      while (at_ < text_.size() && isWordCharacter(text_[at_])) ++at_;
      if (at_ == from) return fail(std::string("expected a part, found '") + text_[at_] + "'");
      word = text_.substr(from, at_ - from);
    }
    for (std::size_t i = 0; i < names_.size(); ++i)
      if (names_[i] == word) return std::make_shared<Node>(Node{static_cast<int>(i), Role::Add, {}, {}});
    at_ = from;
    return fail("there is no part named '" + word + "'");
  }

  std::string_view text_;
  std::span<const std::string> names_;
  std::size_t at_ = 0;
};

void write(const Node& node, std::span<const std::string> names, std::string& out) {
  if (node.part >= 0) {
    const std::string& name = names[static_cast<std::size_t>(node.part)];
    bool plain = !name.empty();
    for (const char c : name) plain = plain && isWordCharacter(c);
    out += plain ? name : "'" + name + "'";
    return;
  }
  write(*node.left, names, out);
  out += std::string(" ") + signOf(node.role) + " ";
  const bool grouped = node.right->part < 0;
  if (grouped) out += '(';
  write(*node.right, names, out);
  if (grouped) out += ')';
}

template <class Leaf, class Operator>
void walk(const Node& node, const Leaf& leaf, const Operator& op) {
  if (node.part >= 0) {
    leaf(node.part);
    return;
  }
  walk(*node.left, leaf, op);
  op(node.role);
  walk(*node.right, leaf, op);
}

NodePtr changed(const NodePtr& node, int& counter, int index, Role role) {
  if (node->part >= 0) return node;
  const NodePtr left = changed(node->left, counter, index, role);
  const Role mine = counter++ == index ? role : node->role;
  const NodePtr right = changed(node->right, counter, index, role);
  return std::make_shared<Node>(Node{-1, mine, left, right});
}

NodePtr renumber(const NodePtr& node, const std::function<int(int)>& number) {
  if (node->part >= 0) return std::make_shared<Node>(Node{number(node->part), Role::Add, {}, {}});
  return std::make_shared<Node>(Node{-1, node->role, renumber(node->left, number), renumber(node->right, number)});
}

NodePtr remove(const NodePtr& node, int part) {
  if (node->part >= 0) return node->part == part ? nullptr : node;
  const NodePtr left = remove(node->left, part), right = remove(node->right, part);
  if (!left || !right) return left ? left : right;
  return std::make_shared<Node>(Node{-1, node->role, left, right});
}

bool truth(const Node& node, const std::function<bool(int)>& covers) {
  if (node.part >= 0) return covers(node.part);
  const bool a = truth(*node.left, covers), b = truth(*node.right, covers);
  switch (node.role) {
    case Role::Add:
      return a || b;
    case Role::Subtract:
      return a && !b;
    case Role::Intersect:
      return a && b;
    case Role::Exclude:
      return a != b;
  }
  return false;
}

void bracket(const Node& node, std::vector<Formula::Brackets>& out) {
  if (node.part >= 0) {
    out.emplace_back();
    return;
  }
  bracket(*node.left, out);
  const std::size_t first = out.size();
  bracket(*node.right, out);
  if (node.right->part < 0) {
    ++out[first].before;
    ++out.back().after;
  }
}

}  // namespace

char signOf(Role role) {
  switch (role) {
    case Role::Add:
      return '+';
    case Role::Subtract:
      return '-';
    case Role::Intersect:
      return '&';
    case Role::Exclude:
      return '^';
  }
  return '?';
}

std::string_view nameOf(Role role) {
  switch (role) {
    case Role::Add:
      return "add";
    case Role::Subtract:
      return "subtract";
    case Role::Intersect:
      return "intersect";
    case Role::Exclude:
      return "exclude";
  }
  return "";
}

Formula Formula::part(int index) { return Formula(std::make_shared<Node>(Node{index, Role::Add, {}, {}})); }

Formula Formula::joined(const Formula& left, Role role, const Formula& right) {
  return Formula(std::make_shared<Node>(Node{-1, role, left.root_, right.root_}));
}

Formula Formula::chain(int count, Role role) {
  Formula f = part(0);
  for (int i = 1; i < count; ++i) f = joined(f, role, part(i));
  return f;
}

Result<Formula> Formula::parse(std::string_view text, std::span<const std::string> names) {
  auto root = FormulaReader(text, names).read();
  if (!root) return tl::unexpected(root.error());
  return Formula(*root);
}

std::string Formula::text(std::span<const std::string> names) const {
  std::string out;
  write(*root_, names, out);
  return out;
}

std::vector<int> Formula::leaves() const {
  std::vector<int> parts;
  walk(
      *root_, [&](int part) { parts.push_back(part); }, [](Role) {});
  return parts;
}

std::vector<Role> Formula::operators() const {
  std::vector<Role> roles;
  walk(
      *root_, [](int) {}, [&](Role role) { roles.push_back(role); });
  return roles;
}

std::vector<Formula::Brackets> Formula::brackets() const {
  std::vector<Brackets> out;
  bracket(*root_, out);
  return out;
}

Formula Formula::withOperator(int index, Role role) const {
  int counter = 0;
  return Formula(changed(root_, counter, index, role));
}

Formula Formula::renumbered(const std::function<int(int)>& number) const { return Formula(renumber(root_, number)); }

std::optional<Formula> Formula::without(int partIndex) const {
  const NodePtr rest = remove(root_, partIndex);
  if (!rest) return std::nullopt;
  return Formula(rest);
}

bool Formula::holds(const std::function<bool(int)>& covers) const { return truth(*root_, covers); }

}  // namespace widecut

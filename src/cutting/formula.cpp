#include "cutting/formula.h"

#include <algorithm>
#include <cctype>
#include <unordered_map>

namespace widecut {
namespace {

using Node = Formula::Node;
using NodePtr = std::shared_ptr<const Node>;

constexpr Role allRoles[] = {Role::Add, Role::Subtract, Role::Intersect, Role::Exclude};

bool isWordCharacter(char c) {
  return std::isalnum(static_cast<unsigned char>(c)) != 0 || c == '_' || c == '.' || (c & 0x80) != 0;
}

/// What a node starts from, and what follows it, in reading order. Formulas lean to the left however long they are, so
/// that walks go along spines in loops, and recurse for brackets alone.
struct Spine {
  const Node* leaf = nullptr;
  std::vector<const Node*> operators;

  explicit Spine(const Node& node) : leaf(&node) {
    for (; leaf->part < 0; leaf = leaf->left.get()) operators.push_back(leaf);
    std::reverse(operators.begin(), operators.end());
  }
};

/// Recursive descent; `deepest` keeps absurd nesting from using up the stack.
class FormulaReader {
 public:
  FormulaReader(std::string_view text, std::span<const std::string> names) : text_(text) {
    for (std::size_t i = 0; i < names.size(); ++i) numbers_.emplace(names[i], static_cast<int>(i));
  }

  Result<NodePtr> read() {
    auto root = expression(0);
    if (!root) return root;
    skipSpace();
    if (at_ < text_.size()) return fail(std::string("expected + - & or ^, found '") + letterAt(at_) + "'");
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
  /// The whole letter at a byte, which in UTF-8 may be several bytes.
  std::string letterAt(std::size_t at) const {
    std::size_t end = at + 1;
    while (end < text_.size() && (text_[end] & 0xC0) == 0x80) ++end;
    return std::string(text_.substr(at, end - at));
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
    auto word = text_[at_] == '\'' ? quoted() : plain();
    if (!word) return tl::unexpected(word.error());
    const auto found = numbers_.find(*word);
    if (found != numbers_.end()) return std::make_shared<Node>(Node{found->second, Role::Add, {}, {}});
    at_ = from;
    return fail("there is no part named '" + *word + "'");
  }

  /// A name in quotes; a quote within it stands twice.
  Result<std::string> quoted() {
    std::string word;
    for (++at_;; ++at_) {
      const std::size_t end = text_.find('\'', at_);
      if (end == std::string_view::npos) return fail("unfinished: a closing quote is missing");
      word += text_.substr(at_, end - at_);
      at_ = end + 1;
      if (at_ >= text_.size() || text_[at_] != '\'') return word;
      word += '\'';
    }
  }
  Result<std::string> plain() {
    const std::size_t from = at_;
    while (at_ < text_.size() && isWordCharacter(text_[at_])) ++at_;
    if (at_ == from) return fail("expected a part, found '" + letterAt(at_) + "'");
    return std::string(text_.substr(from, at_ - from));
  }

  std::string_view text_;
  std::unordered_map<std::string, int> numbers_;
  std::size_t at_ = 0;
};

void write(const Node& node, std::span<const std::string> names, std::string& out) {
  const Spine spine(node);
  out += writtenInFormulas(names[static_cast<std::size_t>(spine.leaf->part)]);
  for (const Node* op : spine.operators) {
    out += std::string(" ") + signOf(op->role) + " ";
    const bool grouped = op->right->part < 0;
    if (grouped) out += '(';
    write(*op->right, names, out);
    if (grouped) out += ')';
  }
}

template <class Leaf, class Operator>
void walk(const Node& node, const Leaf& leaf, const Operator& op) {
  const Spine spine(node);
  leaf(spine.leaf->part);
  for (const Node* o : spine.operators) {
    op(o->role);
    walk(*o->right, leaf, op);
  }
}

NodePtr leafOf(int part) { return std::make_shared<Node>(Node{part, Role::Add, {}, {}}); }

NodePtr changed(const NodePtr& node, int& counter, int index, Role role) {
  if (node->part >= 0) return node;
  const Spine spine(*node);
  NodePtr made = leafOf(spine.leaf->part);
  for (const Node* op : spine.operators) {
    const Role mine = counter++ == index ? role : op->role;
    made = std::make_shared<Node>(Node{-1, mine, made, changed(op->right, counter, index, role)});
  }
  return made;
}

NodePtr renumber(const Node& node, const std::function<int(int)>& number) {
  const Spine spine(node);
  NodePtr made = leafOf(number(spine.leaf->part));
  for (const Node* op : spine.operators)
    made = std::make_shared<Node>(Node{-1, op->role, made, renumber(*op->right, number)});
  return made;
}

NodePtr remove(const Node& node, const std::function<bool(int)>& goes) {
  const Spine spine(node);
  NodePtr made = goes(spine.leaf->part) ? nullptr : leafOf(spine.leaf->part);
  for (const Node* op : spine.operators) {
    const NodePtr right = remove(*op->right, goes);
    if (made && right)
      made = std::make_shared<Node>(Node{-1, op->role, made, right});
    else if (right)
      made = right;
  }
  return made;
}

NodePtr substitute(const Node& node, const std::function<NodePtr(int)>& forPart) {
  const Spine spine(node);
  NodePtr made = forPart(spine.leaf->part);
  for (const Node* op : spine.operators)
    made = std::make_shared<Node>(Node{-1, op->role, made, substitute(*op->right, forPart)});
  return made;
}

bool truth(const Node& node, const std::function<bool(int)>& covers) {
  const Spine spine(node);
  bool is = covers(spine.leaf->part);
  for (const Node* op : spine.operators) {
    const bool right = truth(*op->right, covers);
    switch (op->role) {
      case Role::Add:
        is = is || right;
        break;
      case Role::Subtract:
        is = is && !right;
        break;
      case Role::Intersect:
        is = is && right;
        break;
      case Role::Exclude:
        is = is != right;
        break;
    }
  }
  return is;
}

bool isAlike(const Node& a, const Node& b) {
  if (&a == &b) return true;
  const Spine x(a), y(b);
  if (x.leaf->part != y.leaf->part || x.operators.size() != y.operators.size()) return false;
  for (std::size_t i = 0; i < x.operators.size(); ++i)
    if (x.operators[i]->role != y.operators[i]->role || !isAlike(*x.operators[i]->right, *y.operators[i]->right))
      return false;
  return true;
}

void bracket(const Node& node, std::vector<Formula::Brackets>& out) {
  const Spine spine(node);
  out.emplace_back();
  for (const Node* op : spine.operators) {
    const std::size_t first = out.size();
    bracket(*op->right, out);
    if (op->right->part < 0) {
      ++out[first].before;
      ++out.back().after;
    }
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

std::string writtenInFormulas(const std::string& name) {
  bool plain = !name.empty();
  for (const char c : name) plain = plain && isWordCharacter(c);
  if (plain) return name;
  std::string quoted = "'";
  for (const char c : name) {
    if (c == '\'') quoted += c;
    quoted += c;
  }
  return quoted + "'";
}

Formula::Node::~Node() {
  // The spine is let go of node by node: destroying it by recursion would need a stack as deep as it is long.
  auto next = std::move(left);
  while (next && next.use_count() == 1) next = std::move(const_cast<Node&>(*next).left);
}

Formula Formula::part(int index) { return Formula(leafOf(index)); }

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

Formula Formula::renumbered(const std::function<int(int)>& number) const { return Formula(renumber(*root_, number)); }

std::optional<Formula> Formula::without(int partIndex) const {
  return without([&](int part) { return part == partIndex; });
}

std::optional<Formula> Formula::without(const std::function<bool(int)>& goes) const {
  const NodePtr rest = remove(*root_, goes);
  if (!rest) return std::nullopt;
  return Formula(rest);
}

Formula Formula::with(const std::function<Formula(int)>& inPlaceOf) const {
  return Formula(substitute(*root_, [&](int part) { return inPlaceOf(part).root_; }));
}

bool Formula::operator==(const Formula& other) const { return isAlike(*root_, *other.root_); }

bool Formula::holds(const std::function<bool(int)>& covers) const { return truth(*root_, covers); }

}  // namespace widecut

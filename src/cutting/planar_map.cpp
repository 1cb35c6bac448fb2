#include "cutting/planar_map.h"

#include <string>

#include "cutting/faces.h"
#include "cutting/live_cut.h"
#include "cutting/tracing.h"
#include "geometry/stop_point.h"

namespace widecut {
namespace {

std::optional<Problem> refused(std::span<const Operand> operands) {
  for (std::size_t i = 0; i < operands.size(); ++i)
    if (!isFinite(operands[i].outline))
      return Problem{"outline " + std::to_string(i + 1) + " has a coordinate that is not a finite number"};
  return std::nullopt;
}

/// The truth of a formula for a label.
class Rule {
 public:
  Rule(const Formula& formula, const Cover& cover, std::span<const FillRule> rules)
      : formula_(&formula), cover_(&cover), rules_(rules), many_(rules.size() > 64 ? rules.size() : 0, 0) {}
  bool operator()(Cover::Label label) {
    mark(label, true);
    const bool truth = holds(formula_->root());
    mark(label, false);
    return truth;
  }

 private:
  void mark(Cover::Label label, bool on) {
    few_ = 0;
    cover_->eachEntry(label, [&](int operand, int winding) {
      const auto i = static_cast<std::size_t>(operand);
      const bool is = on && covers(rules_[i], winding);
      if (!many_.empty())
        many_[i] = is;
      else if (is)
        few_ |= std::uint64_t{1} << i;
    });
  }
  bool isCovered(int part) const {
    const auto i = static_cast<std::size_t>(part);
    if (i >= rules_.size()) return false;
    return many_.empty() ? (few_ >> i & 1) != 0 : many_[i] != 0;
  }
  bool holds(const Formula::Node& whole) const {
    bool turned = false;
    // The shorter side first, and along the left side in a loop: recipes lean to the left, however long they are.
    const Formula::Node* node = &whole;
    for (; node->part < 0; node = node->left.get()) {
      const bool right = holds(*node->right);
      if (node->role == Role::Add && right) return !turned;
      if (node->role == Role::Subtract && right) return turned;
      if (node->role == Role::Intersect && !right) return turned;
      if (node->role == Role::Exclude && right) turned = !turned;
    }
    return isCovered(node->part) != turned;
  }
  const Formula* formula_;
  const Cover* cover_;
  std::span<const FillRule> rules_;
  std::uint64_t few_ = 0;
  std::vector<char> many_;
};

std::vector<FillRule> rulesOf(std::span<const Operand> operands) {
  std::vector<FillRule> rules;
  rules.reserve(operands.size());
  for (const Operand& o : operands) rules.push_back(o.rule);
  return rules;
}

std::vector<const Operand*> pointersTo(std::span<const Operand> operands) {
  std::vector<const Operand*> out;
  out.reserve(operands.size());
  for (const Operand& o : operands) out.push_back(&o);
  return out;
}

Outline bordered(const Arrangement& map, const Formula& formula, std::span<const FillRule> rules) {
  return Tracer(map).border(Chosen(Rule(formula, map.cover(), rules)));
}

}  // namespace

struct PlanarMap::Inside {
  std::vector<FillRule> rules;
  Arrangement map;
};

Result<PlanarMap> PlanarMap::of(std::span<const Operand> operands) {
  if (const auto why = refused(operands)) return tl::unexpected(*why);
  auto inside = std::make_shared<Inside>();
  inside->rules = rulesOf(operands);
  inside->map.build(pointersTo(operands));
  return PlanarMap(std::move(inside));
}

int PlanarMap::operandCount() const { return static_cast<int>(inside_->rules.size()); }

Outline PlanarMap::where(const Formula& formula) const { return bordered(inside_->map, formula, inside_->rules); }

PlanarMap::Report PlanarMap::report() const {
  return {inside_->map.retries(), inside_->map.usedLastResort(), inside_->map.isConsistent()};
}

std::vector<Face> PlanarMap::divide() const { return facesOf(inside_->map, inside_->rules, -1); }

Result<Outline> cut(std::span<const Operand> operands, const Formula& formula) {
  if (const auto why = refused(operands)) return tl::unexpected(*why);
  // Its buffers are kept from one call to the next.
  static thread_local Arrangement map;
  try {
    map.build(pointersTo(operands));
  } catch (const Stopped&) {
    map = Arrangement();
    throw;
  }
  return bordered(map, formula, rulesOf(operands));
}

struct LiveCut::Inside {
  std::vector<Operand> operands;
  Arrangement map;
  int moves = 0;
};

LiveCut::LiveCut() : inside_(std::make_unique<Inside>()) {}
LiveCut::~LiveCut() = default;

int LiveCut::moves() const { return inside_->moves; }

namespace {

/// How many operands differ (more than one counts as two), and the last of them.
std::pair<int, int> changesBetween(std::span<const Operand> before, std::span<const Operand> after) {
  if (before.size() != after.size()) return {2, -1};
  int changes = 0, changed = -1;
  for (std::size_t i = 0; i < after.size() && changes < 2; ++i)
    if (after[i].rule != before[i].rule || !(after[i].outline == before[i].outline)) {
      changed = static_cast<int>(i);
      ++changes;
    }
  return {changes, changed};
}

}  // namespace

bool LiveCut::follows(std::span<const Operand> operands) const {
  return changesBetween(inside_->operands, operands).first < 2;
}

Result<Outline> LiveCut::cut(std::span<const Operand> operands, const Formula& formula) {
  if (const auto why = refused(operands)) return tl::unexpected(*why);
  Inside& in = *inside_;
  const auto [changes, changed] = changesBetween(in.operands, operands);
  const auto pointers = pointersTo(operands);
  // What was stopped half way is begun anew.
  struct Whole {
    std::unique_ptr<Inside>& inside;
    bool isWhole = false;
    ~Whole() {
      if (!isWhole) inside = std::make_unique<Inside>();
    }
  } whole{inside_};
  if (changes == 1 && in.map.moveOperand(pointers, changed)) {
    in.operands[static_cast<std::size_t>(changed)] = operands[static_cast<std::size_t>(changed)];
    ++in.moves;
  } else if (changes > 0) {
    in.map.buildForMoves(pointers);
    in.operands.assign(operands.begin(), operands.end());
  }
  Outline out = bordered(in.map, formula, rulesOf(operands));
  whole.isWhole = true;
  return out;
}

}  // namespace widecut

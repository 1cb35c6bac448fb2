// What the drawing tools lay down next.
#pragma once

#include <map>
#include <vector>

#include "app/tools/tool_kind.h"
#include "shapes/starter.h"

namespace widecut {

/// A kind of starter for each drawing tool, with its numbers: those that it had last.
class NextShapes {
 public:
  NextShapes();
  /// Null for tools that lay none, and for the starter tool until a kind is chosen.
  const StarterKind* kindFor(ToolKind tool) const;
  void setKind(ToolKind tool, const StarterKind* kind) { kinds_[tool] = kind; }
  std::vector<double> numbersOf(ToolKind tool, const StarterKind& kind) const;
  void setNumbers(ToolKind tool, const StarterKind& kind, std::vector<double> numbers);

  /// Kinds that were laid, the last one first; kept from start to start.
  const std::vector<const StarterKind*>& recent() const { return recent_; }
  void noteUse(const StarterKind& kind);

 private:
  std::map<ToolKind, const StarterKind*> kinds_;
  std::map<std::pair<ToolKind, const StarterKind*>, std::vector<double>> numbers_;
  std::vector<const StarterKind*> recent_;
};

}  // namespace widecut

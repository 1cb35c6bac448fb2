// From chosen faces of an arrangement back to outlines.
#pragma once

#include <functional>
#include <span>
#include <vector>

#include "cutting/arrangement.h"

namespace widecut {

/// Says of a label whether its faces are chosen; asked once a label.
class Chosen {
 public:
  explicit Chosen(std::function<bool(Cover::Label)> rule) : rule_(std::move(rule)) {}
  bool operator()(Cover::Label label) {
    if (hasLast_ && label == last_) return lastIs_;
    last_ = label;
    hasLast_ = true;
    if (label >= 0 && label < 64) {
      const std::uint64_t bit = std::uint64_t{1} << label;
      if (!(asked_ & bit)) {
        asked_ |= bit;
        if (rule_(label)) yes_ |= bit;
      }
      return lastIs_ = (yes_ & bit) != 0;
    }
    const auto [found, isNew] = known_.try_emplace(label, false);
    if (isNew) found->second = rule_(label);
    return lastIs_ = found->second;
  }

 private:
  std::function<bool(Cover::Label)> rule_;
  std::unordered_map<Cover::Label, bool> known_;
  std::uint64_t asked_ = 0, yes_ = 0;
  Cover::Label last_ = 0;
  bool hasLast_ = false, lastIs_ = false;
};

/// Walks borders and writes them as pieces of the sources.
class Tracer {
 public:
  explicit Tracer(const Arrangement& map) : map_(map) {}

  /// The border of the chosen faces, which lie on its left: outer contours turn to growing angles.
  Outline border(Chosen& chosen);
  /// The half-edges with chosen faces on their left and others on their right, as closed walks; stable order.
  std::vector<std::vector<int>> walks(const std::function<bool(int)>& isBorder);
  Contour contourOf(std::span<const int> walk);

 private:
  /// A stretch of one source.
  struct Stretch {
    int source;
    double t0, t1;
    int end;  ///< The node it ends at.
  };
  void addStretches(int half);
  Stretch stretchOf(int piece, bool forwards) const;
  void add(const Stretch& stretch);

  const Arrangement& map_;
  std::vector<Stretch> stretches_;
};

}  // namespace widecut

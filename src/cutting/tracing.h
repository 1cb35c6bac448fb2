// From chosen faces of an arrangement back to outlines.
#pragma once

#include <span>
#include <vector>

#include "cutting/arrangement.h"

namespace widecut {

/// Says of a label whether its faces are chosen; asks the rule once a label.
template <class Rule>
class Chosen {
 public:
  explicit Chosen(Rule rule) : rule_(std::move(rule)) {}
  bool operator()(Cover::Label label) {
    if (hasLast_ && label == last_) return lastIs_;
    last_ = label;
    hasLast_ = true;
    if (cheap_ < 16) {
      for (int i = 0; i < cheap_; ++i)
        if (few_[i].first == label) return lastIs_ = few_[i].second;
      lastIs_ = rule_(label);
      few_[cheap_++] = {label, lastIs_};
      return lastIs_;
    }
    bool isNew = false;
    std::int64_t& known = known_.at(static_cast<std::uint64_t>(label), 0, &isNew);
    if (isNew) known = rule_(label);
    return lastIs_ = known != 0;
  }

 private:
  Rule rule_;
  std::pair<Cover::Label, bool> few_[16];
  int cheap_ = 0;
  LabelTable known_;
  Cover::Label last_ = 0;
  bool hasLast_ = false, lastIs_ = false;
};

/// Walks borders and writes them as pieces of the sources.
class Tracer {
 public:
  /// One at a time on a thread: its buffers are the thread's.
  explicit Tracer(const Arrangement& map)
      : map_(map), waiting_(buffers().waiting), walk_(buffers().walk), stretches_(buffers().stretches) {}

  /// The border of the faces whose labels are chosen, which lie on its left: outer contours turn to growing angles.
  template <class Choice>
  Outline border(Choice&& chosen) {
    const std::size_t n = map_.edges().size();
    waiting_.assign(2 * n, 0);
    for (std::size_t e = 0; e < n; ++e) {
      if (map_.edges()[e].isAlias) continue;
      const int half = 2 * static_cast<int>(e);
      const bool left = chosen(map_.label(half)), right = chosen(map_.label(half + 1));
      waiting_[2 * e] = left && !right;
      waiting_[2 * e + 1] = right && !left;
    }
    return outlineOfWaiting();
  }
  /// Walks all half-edges that wait, each once: from each the first that waits clockwise from its twin. Calls
  /// visit(walk) for every closed walk.
  template <class Visit>
  void walk(const Visit& visit) {
    for (std::size_t first = 0; first < waiting_.size(); ++first) {
      if (!waiting_[first]) continue;
      walk_.clear();
      int half = static_cast<int>(first);
      do {
        waiting_[static_cast<std::size_t>(half)] = 0;
        walk_.push_back(half);
        const int twin = half ^ 1;
        half = map_.clockwise(twin);
        while (!waiting_[static_cast<std::size_t>(half)] && half != static_cast<int>(first) && half != twin)
          half = map_.clockwise(half);
      } while (half != static_cast<int>(first) && waiting_[static_cast<std::size_t>(half)]);
      visit(walk_);
    }
  }
  std::vector<char>& waiting() { return waiting_; }
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

  Outline outlineOfWaiting();

  struct Buffers {
    std::vector<char> waiting;
    std::vector<int> walk;
    std::vector<Stretch> stretches;
  };
  static Buffers& buffers();

  const Arrangement& map_;
  std::vector<char>& waiting_;
  std::vector<int>& walk_;
  std::vector<Stretch>& stretches_;
};

}  // namespace widecut

// Results kept by the identity of the node that they were worked out from.
#pragma once

#include <array>
#include <functional>
#include <list>
#include <memory>
#include <mutex>
#include <string>
#include <unordered_map>
#include <vector>

namespace widecut {

/// What a memo holds now.
struct MemoUse {
  std::string name;
  std::size_t entries = 0, bytes = 0;
  std::size_t budget = 0;  ///< Bytes.
};
/// Of all memos that have kept something, by their names; for `widecut info --json` and tests. From any thread.
std::vector<MemoUse> memoUses();
/// For memos alone: they are reported from here on. They live as long as the program.
void reportMemo(std::function<MemoUse()> use);

/// One result per node, or per pair of them, as many as fit a budget in bytes, the last used ones first. Nodes are held
/// weakly, and no result may own a node that it is found by. What is gone is asked for in vain, and worked out anew.
/// Safe from several threads. To be made once, as a static, and never destroyed before the program ends.
template <class Value, std::size_t count = 1>
class NodeMemo {
 public:
  using Nodes = std::array<std::shared_ptr<const void>, count>;
  using SizeOf = std::size_t (*)(const Value&);

  /// `sizeOf` tells what a result takes beyond its own size; without it, nothing.
  NodeMemo(std::string name, std::size_t budget, SizeOf sizeOf = nullptr)
      : name_(std::move(name)), budget_(budget), sizeOf_(sizeOf) {
    reportMemo([this] {
      const std::lock_guard lock(mutex_);
      return MemoUse{name_, kept_.size(), bytes_, budget_};
    });
  }
  NodeMemo(const NodeMemo&) = delete;
  NodeMemo& operator=(const NodeMemo&) = delete;

  std::shared_ptr<const Value> find(const Nodes& nodes) {
    const std::lock_guard lock(mutex_);
    const auto found = kept_.find(keyOf(nodes));
    if (found == kept_.end()) return nullptr;
    for (std::size_t i = 0; i < count; ++i)
      if (found->second->nodes[i].lock() != nodes[i]) return nullptr;
    uses_.splice(uses_.begin(), uses_, found->second);
    return found->second->result;
  }

  void keep(const Nodes& nodes, std::shared_ptr<const Value> result) {
    std::vector<std::shared_ptr<const Value>> gone;  // destroyed when the lock is given back: that may take its time
    const std::lock_guard lock(mutex_);
    const Key key = keyOf(nodes);
    if (const auto known = kept_.find(key); known != kept_.end()) drop(known->second, gone);
    Entry entry;
    entry.key = key;
    for (std::size_t i = 0; i < count; ++i) entry.nodes[i] = nodes[i];
    entry.bytes = sizeof(Entry) + sizeof(Value) + (sizeOf_ ? sizeOf_(*result) : 0);
    entry.result = std::move(result);
    bytes_ += entry.bytes;
    uses_.push_front(std::move(entry));
    kept_[key] = uses_.begin();
    while (bytes_ > budget_ && uses_.size() > 1) drop(std::prev(uses_.end()), gone);
    sweep(gone);
  }

 private:
  using Key = std::array<const void*, count>;
  struct Entry {
    Key key;
    std::array<std::weak_ptr<const void>, count> nodes;
    std::shared_ptr<const Value> result;
    std::size_t bytes = 0;
    bool isGone() const {
      for (const auto& node : nodes)
        if (node.expired()) return true;
      return false;
    }
  };
  using Use = typename std::list<Entry>::iterator;
  struct Hash {
    std::size_t operator()(const Key& key) const {
      std::size_t hash = 0;
      for (const void* node : key) hash = hash * 31 + std::hash<const void*>()(node);
      return hash;
    }
  };
  static Key keyOf(const Nodes& nodes) {
    Key key;
    for (std::size_t i = 0; i < count; ++i) key[i] = nodes[i].get();
    return key;
  }
  void drop(Use use, std::vector<std::shared_ptr<const Value>>& gone) {
    bytes_ -= use->bytes;
    gone.push_back(std::move(use->result));
    kept_.erase(use->key);
    uses_.erase(use);
  }
  /// The newest ones, which is where what was only tried stands, and all of them once in a while.
  void sweep(std::vector<std::shared_ptr<const Value>>& gone) {
    constexpr int newest = 16;
    const bool isAll = uses_.size() >= sweepAt_;
    int looked = 0;
    for (Use use = uses_.begin(); use != uses_.end() && (isAll || looked < newest); ++looked) {
      const Use one = use++;
      if (one->isGone()) drop(one, gone);
    }
    if (isAll) sweepAt_ = 2 * uses_.size() + 256;
  }

  const std::string name_;
  const std::size_t budget_;
  const SizeOf sizeOf_;
  std::mutex mutex_;
  std::list<Entry> uses_;  // the last used ones first
  std::unordered_map<Key, Use, Hash> kept_;
  std::size_t bytes_ = 0, sweepAt_ = 256;
};

}  // namespace widecut

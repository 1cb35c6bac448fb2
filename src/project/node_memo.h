// Results kept by the identity of the node that they were worked out from.
#pragma once

#include <array>
#include <memory>
#include <mutex>
#include <unordered_map>

namespace widecut {

/// One result per node, or per pair of them. Nodes are held weakly: when one is gone, so is the result. Safe from
/// several threads.
template <class Value, std::size_t count = 1>
class NodeMemo {
 public:
  using Nodes = std::array<std::shared_ptr<const void>, count>;

  std::shared_ptr<const Value> find(const Nodes& nodes) {
    const std::lock_guard lock(mutex_);
    const auto found = kept_.find(keyOf(nodes));
    if (found == kept_.end()) return nullptr;
    for (std::size_t i = 0; i < count; ++i)
      if (found->second.nodes[i].lock() != nodes[i]) return nullptr;
    return found->second.result;
  }
  void keep(const Nodes& nodes, std::shared_ptr<const Value> result) {
    const std::lock_guard lock(mutex_);
    if (kept_.size() >= sweepAt_) {
      std::erase_if(kept_, [](const auto& entry) { return isGone(entry.second); });
      sweepAt_ = 2 * kept_.size() + 256;
    }
    Entry entry;
    for (std::size_t i = 0; i < count; ++i) entry.nodes[i] = nodes[i];
    entry.result = std::move(result);
    kept_[keyOf(nodes)] = std::move(entry);
  }

 private:
  using Key = std::array<const void*, count>;
  struct Entry {
    std::array<std::weak_ptr<const void>, count> nodes;
    std::shared_ptr<const Value> result;
  };
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
  static bool isGone(const Entry& entry) {
    for (const auto& node : entry.nodes)
      if (node.expired()) return true;
    return false;
  }

  std::mutex mutex_;
  std::unordered_map<Key, Entry, Hash> kept_;
  std::size_t sweepAt_ = 256;
};

}  // namespace widecut

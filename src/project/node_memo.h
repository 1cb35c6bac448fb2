// Results kept by the identity of the node that they were worked out from.
#pragma once

#include <memory>
#include <mutex>
#include <unordered_map>

namespace widecut {

/// One result per node. The node is held weakly: when it is gone, so is the result. Safe from several threads.
template <class Value>
class NodeMemo {
 public:
  std::shared_ptr<const Value> find(const std::shared_ptr<const void>& node) {
    const std::lock_guard lock(mutex_);
    const auto found = kept_.find(node.get());
    if (found == kept_.end() || found->second.node.lock() != node) return nullptr;
    return found->second.result;
  }
  void keep(const std::shared_ptr<const void>& node, std::shared_ptr<const Value> result) {
    const std::lock_guard lock(mutex_);
    if (kept_.size() >= sweepAt_) {
      std::erase_if(kept_, [](const auto& entry) { return entry.second.node.expired(); });
      sweepAt_ = 2 * kept_.size() + 256;
    }
    kept_[node.get()] = {node, std::move(result)};
  }

 private:
  struct Entry {
    std::weak_ptr<const void> node;
    std::shared_ptr<const Value> result;
  };
  std::mutex mutex_;
  std::unordered_map<const void*, Entry> kept_;
  std::size_t sweepAt_ = 256;
};

}  // namespace widecut

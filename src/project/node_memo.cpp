#include "project/node_memo.h"

#include <algorithm>

namespace widecut {
namespace {

struct Reports {
  std::mutex mutex;
  std::vector<std::function<MemoUse()>> all;
};
Reports& reports() {
  static Reports all;
  return all;
}

}  // namespace

void reportMemo(std::function<MemoUse()> use) {
  const std::lock_guard lock(reports().mutex);
  reports().all.push_back(std::move(use));
}

std::vector<MemoUse> memoUses() {
  const std::lock_guard lock(reports().mutex);
  std::vector<MemoUse> out;
  for (const auto& use : reports().all) out.push_back(use());
  std::sort(out.begin(), out.end(), [](const MemoUse& a, const MemoUse& b) { return a.name < b.name; });
  return out;
}

}  // namespace widecut

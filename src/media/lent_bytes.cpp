#include "media/lent_bytes.h"

#include <map>
#include <mutex>

namespace widecut {
namespace {

struct Known {
  std::weak_ptr<const std::string> bytes;
  std::weak_ptr<reading::Memory> copy;
};

}  // namespace

std::shared_ptr<reading::Memory> lent(const std::shared_ptr<const std::string>& bytes) {
  static std::mutex mutex;
  static std::map<const std::string*, Known> all;
  const std::lock_guard lock(mutex);
  std::erase_if(all, [](const auto& one) { return one.second.copy.expired() || one.second.bytes.expired(); });
  if (const auto found = all.find(bytes.get()); found != all.end())
    if (auto copy = found->second.copy.lock()) return copy;
  auto copy = std::make_shared<reading::Memory>(reading::Memory::of(*bytes));
  all[bytes.get()] = {bytes, copy};
  return copy;
}

}  // namespace widecut

#include "media/pixel_buffers.h"

#include <algorithm>
#include <cstdlib>
#include <mutex>
#include <vector>

namespace widecut {
namespace {

constexpr std::size_t large = 1 << 20;        // bytes
constexpr std::size_t mostReady = 64U << 20;  // bytes

/// Blocks of memory that lie ready.
class Blocks {
 public:
  struct Block {
    std::size_t bytes;
    void* memory;
  };
  Block take(std::size_t bytes) {
    {
      const std::lock_guard lock(mutex_);
      const auto found = std::find_if(ready_.rbegin(), ready_.rend(), [&](const Block& block) {
        return block.bytes >= bytes && block.bytes / 2 <= bytes;
      });
      if (found != ready_.rend()) {
        const Block block = *found;
        ready_.erase(std::next(found).base());
        readyBytes_ -= block.bytes;
        return block;
      }
    }
    const std::size_t some = bytes + bytes / 8;  // what is dragged grows
    return {some, std::malloc(some)};
  }
  void give(Block block) {
    const std::lock_guard lock(mutex_);
    ready_.push_back(block);
    readyBytes_ += block.bytes;
    while (readyBytes_ > mostReady) {
      readyBytes_ -= ready_.front().bytes;
      std::free(ready_.front().memory);
      ready_.erase(ready_.begin());
    }
  }

 private:
  std::mutex mutex_;
  std::vector<Block> ready_;
  std::size_t readyBytes_ = 0;
};

/// Never destroyed: images may go after all else.
Blocks& blocks() {
  static auto* const all = new Blocks;
  return *all;
}

}  // namespace

QImage unpaintedImage(QSize size) {
  const auto bytes = static_cast<std::size_t>(std::max(0, size.width())) * 4 * std::max(0, size.height());
  if (bytes < large || bytes > mostReady) return {size, QImage::Format_ARGB32_Premultiplied};
  const Blocks::Block block = blocks().take(bytes);
  if (!block.memory) return {};
  return {static_cast<uchar*>(block.memory),
          size.width(),
          size.height(),
          static_cast<qsizetype>(size.width()) * 4,
          QImage::Format_ARGB32_Premultiplied,
          [](void* held) {
            const auto* back = static_cast<Blocks::Block*>(held);
            blocks().give(*back);
            delete back;
          },
          new Blocks::Block(block)};
}

}  // namespace widecut

// Memory that two processes share by a descriptor.
#pragma once

#include <cstddef>
#include <string_view>

namespace widecut::reading {

/// A file in memory (memfd_create), mapped into this process. Moves, and does not copy.
class Memory {
 public:
  Memory() = default;
  /// Zeroed memory that both processes can write; empty where the machine has none left.
  static Memory ofSize(std::size_t bytes);
  /// A copy of these bytes, sealed and not mapped: only to be sent.
  static Memory of(std::string_view bytes);
  /// What a reading process sent, as memory that can only be read; takes over the descriptor. Empty unless it is sealed
  /// against every change (F_SEAL_WRITE, F_SEAL_SHRINK), so that it stays what was checked.
  static Memory received(int descriptor);
  /// What the asking process sent, which may be written unless it is sealed; takes over the descriptor.
  static Memory lent(int descriptor);

  /// True where there is nothing to look at.
  bool isEmpty() const { return data_ == nullptr; }
  const char* data() const { return data_; }
  /// Null where it can only be read.
  char* writable() { return isWritable_ ? data_ : nullptr; }
  std::size_t size() const { return size_; }
  std::string_view view() const { return {data_, size_}; }
  /// −1 once it is closed.
  int descriptor() const { return descriptor_; }
  /// Unmaps it and seals it against every change: it can be sent then, and not be looked at.
  bool seal();

  Memory(Memory&& other) noexcept;
  Memory& operator=(Memory&& other) noexcept;
  Memory(const Memory&) = delete;
  Memory& operator=(const Memory&) = delete;
  ~Memory();

 private:
  static Memory mapped(int descriptor, bool isShared);
  static bool isSealed(int descriptor);
  int descriptor_ = -1;
  char* data_ = nullptr;
  std::size_t size_ = 0;
  bool isWritable_ = false;
};

}  // namespace widecut::reading

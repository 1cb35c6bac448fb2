#include "reading/memory.h"

#include <fcntl.h>
#include <sys/mman.h>
#include <sys/stat.h>
#include <unistd.h>

#include <cerrno>
#include <utility>

namespace widecut::reading {
namespace {

constexpr const char* name = "widecut";
constexpr unsigned flags = MFD_CLOEXEC | MFD_ALLOW_SEALING;

/// Of a descriptor's file; 0 where it has none.
std::size_t sizeOf(int descriptor) {
  struct stat facts {};
  if (fstat(descriptor, &facts) != 0 || facts.st_size <= 0) return 0;
  return static_cast<std::size_t>(facts.st_size);
}

}  // namespace

Memory Memory::mapped(int descriptor, bool isShared) {
  Memory out;
  out.descriptor_ = descriptor;
  const std::size_t size = sizeOf(descriptor);
  if (size == 0) return {};
  // A private mapping of what nobody can write is never copied. All pages come at once, not each by a fault of its own.
  void* at = mmap(nullptr, size, isShared ? PROT_READ | PROT_WRITE : PROT_READ,
                  (isShared ? MAP_SHARED : MAP_PRIVATE) | MAP_POPULATE, descriptor, 0);
  if (at == MAP_FAILED) return {};
  out.data_ = static_cast<char*>(at);
  out.size_ = size;
  out.isWritable_ = isShared;
  return out;
}

Memory Memory::ofSize(std::size_t bytes) {
  const int descriptor = memfd_create(name, flags);
  if (descriptor < 0) return {};
  if (ftruncate(descriptor, static_cast<off_t>(bytes)) != 0) {
    close(descriptor);
    return {};
  }
  return mapped(descriptor, true);
}

Memory Memory::of(std::string_view bytes) {
  Memory out;
  out.descriptor_ = memfd_create(name, flags);
  if (out.descriptor_ < 0) return {};
  out.size_ = bytes.size();
  // Not through a mapping, whose every page would have to be asked for.
  while (!bytes.empty()) {
    const ssize_t count = write(out.descriptor_, bytes.data(), bytes.size());
    if (count < 0 && errno == EINTR) continue;
    if (count <= 0) return {};
    bytes.remove_prefix(static_cast<std::size_t>(count));
  }
  return out.seal() ? std::move(out) : Memory();
}

bool Memory::isSealed(int descriptor) {
  constexpr int needed = F_SEAL_WRITE | F_SEAL_SHRINK;
  const int seals = fcntl(descriptor, F_GET_SEALS);
  return seals >= 0 && (seals & needed) == needed;
}

Memory Memory::received(int descriptor) {
  if (isSealed(descriptor)) return mapped(descriptor, false);
  close(descriptor);
  return {};
}

Memory Memory::lent(int descriptor) { return mapped(descriptor, !isSealed(descriptor)); }

bool Memory::seal() {
  if (data_) munmap(data_, size_);
  data_ = nullptr;
  return descriptor_ >= 0 &&
         fcntl(descriptor_, F_ADD_SEALS, F_SEAL_WRITE | F_SEAL_SHRINK | F_SEAL_GROW | F_SEAL_SEAL) == 0;
}

Memory::Memory(Memory&& other) noexcept
    : descriptor_(std::exchange(other.descriptor_, -1)),
      data_(std::exchange(other.data_, nullptr)),
      size_(std::exchange(other.size_, 0)),
      isWritable_(other.isWritable_) {}

Memory& Memory::operator=(Memory&& other) noexcept {
  std::swap(descriptor_, other.descriptor_);
  std::swap(data_, other.data_);
  std::swap(size_, other.size_);
  std::swap(isWritable_, other.isWritable_);
  return *this;
}

Memory::~Memory() {
  if (data_) munmap(data_, size_);
  if (descriptor_ >= 0) close(descriptor_);
}

}  // namespace widecut::reading

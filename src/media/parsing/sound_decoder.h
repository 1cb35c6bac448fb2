// The sound of a video, as samples: the part that decodes. Only used in the reading process, by tests and fuzzers.
#pragma once

#include <cstdint>
#include <memory>
#include <string_view>

#include "geometry/problem.h"

namespace widecut::parsing {

/// Two channels of 16 bits, one sample of each after another, from bytes in memory, which outlive it.
class SoundDecoder {
 public:
  static constexpr int rate = 48'000;  ///< Samples of a channel in a second.

  /// Refuses videos without sound, and sound that cannot be decoded. Faster, it is higher too.
  static Result<SoundDecoder> of(std::string_view bytes, double speed = 1);
  // As SoundReader, which asks for it, has them.
  void seek(double seconds);
  int read(std::int16_t* to, int count);

  SoundDecoder(SoundDecoder&&) noexcept;
  SoundDecoder& operator=(SoundDecoder&&) noexcept;
  ~SoundDecoder();

 private:
  struct Inside;
  explicit SoundDecoder(std::unique_ptr<Inside> inside);
  std::unique_ptr<Inside> inside_;
};

}  // namespace widecut::parsing

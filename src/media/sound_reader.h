// The sound of a video, as samples.
#pragma once

#include <cstdint>
#include <memory>
#include <string>

#include "geometry/problem.h"

namespace widecut {

/// Two channels of 16 bits, one sample of each after another; decoded in a reading process of its own.
class SoundReader {
 public:
  static constexpr int rate = 48'000;  ///< Samples of a channel in a second.

  /// Refuses videos without sound, and sound that cannot be decoded. Faster, it is higher too.
  static Result<SoundReader> of(const std::shared_ptr<const std::string>& bytes, double speed = 1);
  /// Goes to a place of the video.
  void seek(double seconds);
  /// The next samples, so many of each channel at most; how many there were: none at the end.
  int read(std::int16_t* to, int count);

  SoundReader(SoundReader&&) noexcept;
  SoundReader& operator=(SoundReader&&) noexcept;
  ~SoundReader();

 private:
  struct Inside;
  explicit SoundReader(std::unique_ptr<Inside> inside);
  std::unique_ptr<Inside> inside_;
};

}  // namespace widecut

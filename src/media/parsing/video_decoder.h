// The frames of a video, one after another: the part that decodes. Only used in the reading process, by tests and
// fuzzers.
#pragma once

#include <QImage>
#include <memory>
#include <optional>
#include <string_view>

#include "geometry/problem.h"

namespace widecut::parsing {

/// Reads the frames of a video from memory, which outlives it. For one thread at a time.
class VideoDecoder {
 public:
  /// What `videoFromBytes` refuses is refused here. The problem, without a name, says why.
  static Result<VideoDecoder> of(std::string_view bytes);

  // As VideoReader, which asks for it, has them.
  QSize size() const;
  double seconds() const;
  double framesPerSecond() const;
  bool hasSound() const;
  void seek(double seconds);
  std::optional<double> next();
  QImage image(QSize size, bool border = false) const;

  VideoDecoder(VideoDecoder&&) noexcept;
  VideoDecoder& operator=(VideoDecoder&&) noexcept;
  ~VideoDecoder();

 private:
  struct Inside;
  explicit VideoDecoder(std::unique_ptr<Inside> inside);
  std::unique_ptr<Inside> inside_;
};

}  // namespace widecut::parsing

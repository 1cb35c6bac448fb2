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

  /// Pixels of a frame as it is shown: square, and upright.
  QSize size() const;
  /// The length, as far as the file says it, or its last packet tells; > 0.
  double seconds() const;
  double framesPerSecond() const;
  bool hasSound() const;

  /// Goes to a place: the next frame is the one that shows then.
  void seek(double seconds);
  /// Decodes the next frame. Its time in seconds from the video's first one; nothing at the end, or where the rest is
  /// too damaged to be decoded.
  std::optional<double> next();
  /// The frame that was decoded last, in sRGB, as RGB32. With a border of one repeated pixel all round.
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

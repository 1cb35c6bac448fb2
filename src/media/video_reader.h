// The frames of a video, one after another.
#pragma once

#include <QImage>
#include <memory>
#include <optional>
#include <string>

#include "geometry/problem.h"

namespace widecut {

/// Reads the frames of a video, in a reading process of its own. For one thread at a time.
class VideoReader {
 public:
  /// What `videoFromBytes` refuses is refused here; the problem, without a name, says why.
  static Result<VideoReader> of(const std::shared_ptr<const std::string>& bytes);

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
  /// Why no more frames come, where its reading process ended or was stopped; without a name.
  const std::optional<Problem>& failure() const;

  VideoReader(VideoReader&&) noexcept;
  VideoReader& operator=(VideoReader&&) noexcept;
  ~VideoReader();

 private:
  struct Inside;
  explicit VideoReader(std::unique_ptr<Inside> inside);
  std::unique_ptr<Inside> inside_;
};

}  // namespace widecut

// Frames and sound as a video file.
#pragma once

#include <QImage>
#include <cstdint>
#include <memory>
#include <string>

#include "geometry/problem.h"

namespace widecut {

/// What a video is written as: WebM, with pictures in VP8 and sound in Opus.
struct VideoFormat {
  int width = 0, height = 0;  ///< Even, 2…8192.
  int framesPerSecond = 25;   ///< 1…240
  int kilobits = 3000;        ///< A second of pictures, about.
  bool hasSound = false;
  int keyEvery = 0;  ///< Frames from one that can be decoded by itself to the next; 0 leaves it to the coder.
};

/// Codes a video into memory. The same frames give the same bytes.
class VideoWriter {
 public:
  /// Refuses sizes and rates beyond the ranges, and says so where a coder is missing.
  static Result<VideoWriter> of(const VideoFormat& format);
  /// The next frame; it is scaled to the video's size where it has another one.
  Result<void> add(const QImage& frame);
  /// More sound: samples of two channels, one of each after another, 48,000 of each in a second.
  Result<void> addSound(const std::int16_t* samples, int count);
  /// The file. Nothing can be added after.
  Result<std::string> finish();

  VideoWriter(VideoWriter&&) noexcept;
  VideoWriter& operator=(VideoWriter&&) noexcept;
  ~VideoWriter();

 private:
  struct Inside;
  explicit VideoWriter(std::unique_ptr<Inside> inside);
  std::unique_ptr<Inside> inside_;
};

}  // namespace widecut

// Small videos for tests.
#pragma once

#include <QImage>
#include <functional>
#include <string>

namespace widecut {

/// How a made-up video is coded.
struct TestVideo {
  int width = 160, height = 120, frames = 50, framesPerSecond = 25;
  const char* container = "webm";
  const char* coder = "libvpx";
  bool hasSound = false;  ///< A tone of 440 Hz, in the coder that is usual in the container.
  int quarterTurns = 0;   ///< Clockwise, that players are asked for.
  int pixelWidth = 1, pixelHeight = 1;
  int first = 0;  ///< The number of the first frame.
};

/// The grey of a frame's upper half tells its number; its lower half is red on the left and blue on the right.
QImage numberedFrame(int number, int width, int height);
/// The number that a frame's upper half tells.
int numberOf(const QImage& frame);

/// The file; the process ends with a message where a coder is missing.
std::string encodedVideo(const TestVideo& how, const std::function<QImage(int number)>& frame);
std::string encodedVideo(const TestVideo& how = {});

}  // namespace widecut

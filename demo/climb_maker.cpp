// Writes the demo's video.
#include <algorithm>
#include <fstream>
#include <iostream>
#include <string>

#include "climb.h"
#include "output/video_writer.h"

namespace {

int failed(const std::string& why) {
  std::cerr << why << '\n';
  return 2;
}

}  // namespace

int main(int count, char** words) {
  if (count != 2) return failed("usage: skarrow_climb FILE");
  using namespace skarrow;
  widecut::VideoFormat format;
  format.width = climbWidth;
  format.height = climbHeight;
  format.framesPerSecond = climbRate;
  format.kilobits = 1900;
  format.hasSound = true;
  format.keyEvery = 50;
  auto writer = widecut::VideoWriter::of(format);
  if (!writer) return failed(writer.error().message);
  const Climb climb;
  const auto sound = climbSound();
  const std::size_t perFrame = sound.size() / climbFrames;
  for (int i = 0; i < climbFrames; ++i) {
    if (const auto added = writer->add(climb.frame(i)); !added) return failed(added.error().message);
    const std::int16_t* from = sound.data() + static_cast<std::size_t>(i) * perFrame;
    if (const auto added = writer->addSound(from, static_cast<int>(perFrame / 2)); !added)
      return failed(added.error().message);
  }
  const auto bytes = writer->finish();
  if (!bytes) return failed(bytes.error().message);
  if (!(std::ofstream(words[1], std::ios::binary) << *bytes)) return failed(std::string("cannot write ") + words[1]);
  return 0;
}

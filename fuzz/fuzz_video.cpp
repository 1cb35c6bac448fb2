#include <cstddef>
#include <cstdint>

#include "media/sound_reader.h"
#include "media/video.h"
#include "media/video_reader.h"

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  const auto bytes = std::make_shared<const std::string>(reinterpret_cast<const char*>(data), size);
  if (!widecut::looksLikeVideo(*bytes)) return 0;
  if (auto reader = widecut::VideoReader::of(bytes)) {
    constexpr int most = 6;
    for (int i = 0; i < most && reader->next(); ++i) (void)reader->image({20, 16}, true);
    reader->seek(reader->seconds() / 2);
    if (reader->next()) (void)reader->image({20, 16});
  }
  if (auto sound = widecut::SoundReader::of(bytes, 1.5)) {
    std::int16_t samples[2 * 512];
    sound->seek(0.1);
    (void)sound->read(samples, 512);
  }
  return 0;
}

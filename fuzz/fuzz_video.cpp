#include <cstddef>
#include <cstdint>

#include "media/parsing/sound_decoder.h"
#include "media/parsing/video_decoder.h"
#include "media/video.h"

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  const std::string_view bytes(reinterpret_cast<const char*>(data), size);
  if (!widecut::looksLikeVideo(bytes)) return 0;
  if (auto reader = widecut::parsing::VideoDecoder::of(bytes)) {
    constexpr int most = 6;
    for (int i = 0; i < most && reader->next(); ++i) (void)reader->image({20, 16}, true);
    reader->seek(reader->seconds() / 2);
    if (reader->next()) (void)reader->image({20, 16});
  }
  if (auto sound = widecut::parsing::SoundDecoder::of(bytes, 1.5)) {
    std::int16_t samples[2 * 512];
    sound->seek(0.1);
    (void)sound->read(samples, 512);
  }
  return 0;
}

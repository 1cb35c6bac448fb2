#include "media/parsing/sound_decoder.h"

#include <algorithm>
#include <cmath>
#include <vector>

#include "media/av_open.h"

extern "C" {
#include <libavutil/channel_layout.h>
#include <libswresample/swresample.h>
}

namespace widecut::parsing {
namespace {

constexpr int channels = 2;

}  // namespace

struct SoundDecoder::Inside {
  Inside(av::Frames opened, double fast) : frames(std::move(opened)), speed(fast) {}
  struct FreeResampler {
    void operator()(SwrContext* context) const { swr_free(&context); }
  };
  av::Frames frames;
  double speed;
  std::unique_ptr<SwrContext, FreeResampler> resampler;
  int fromRate = 0, fromFormat = -1, fromChannels = 0;
  double skipTo = -1;  // seconds: what is before that is left out
  std::vector<std::int16_t> ready;
  std::size_t taken = 0;

  bool fitResampler(const AVFrame& frame) {
    const int count = frame.ch_layout.nb_channels;
    if (resampler && frame.sample_rate == fromRate && frame.format == fromFormat && count == fromChannels) return true;
    fromRate = frame.sample_rate;
    fromFormat = frame.format;
    fromChannels = count;
    SwrContext* made = nullptr;
    AVChannelLayout to = AV_CHANNEL_LAYOUT_STEREO;
    AVChannelLayout from{};
    if (frame.ch_layout.order == AV_CHANNEL_ORDER_UNSPEC)
      av_channel_layout_default(&from, count);
    else
      av_channel_layout_copy(&from, &frame.ch_layout);
    const auto rateFrom = static_cast<int>(std::lround(fromRate * speed));
    const int error = swr_alloc_set_opts2(&made, &to, AV_SAMPLE_FMT_S16, rate, &from,
                                          static_cast<AVSampleFormat>(frame.format), rateFrom, 0, nullptr);
    resampler.reset(made);
    av_channel_layout_uninit(&from);
    return error >= 0 && swr_init(made) >= 0;
  }

  /// Decodes a frame's worth of samples; false at the end.
  bool more() {
    ready.clear();
    taken = 0;
    while (ready.empty()) {
      if (!frames.next()) return false;
      const AVFrame& frame = frames.frame();
      if (frame.sample_rate <= 0 || frame.nb_samples <= 0 || frame.ch_layout.nb_channels <= 0) continue;
      if (!fitResampler(frame)) return false;
      const int room = swr_get_out_samples(resampler.get(), frame.nb_samples);
      if (room <= 0) continue;
      ready.resize(static_cast<std::size_t>(room) * channels);
      auto* to = reinterpret_cast<std::uint8_t*>(ready.data());
      const int got = swr_convert(resampler.get(), &to, room, const_cast<const std::uint8_t**>(frame.extended_data),
                                  frame.nb_samples);
      ready.resize(static_cast<std::size_t>(std::max(0, got)) * channels);
      leaveOut(frames.timeOf(frame));
    }
    return true;
  }
  void leaveOut(double begin) {
    if (skipTo < 0) return;
    const double before = (skipTo - begin) / speed * rate;
    const auto gone = std::min(ready.size() / channels, static_cast<std::size_t>(std::max(0.0, before)));
    ready.erase(ready.begin(), ready.begin() + static_cast<std::ptrdiff_t>(gone * channels));
    if (!ready.empty()) skipTo = -1;
  }
};

Result<SoundDecoder> SoundDecoder::of(std::string_view bytes, double speed) {
  auto source = av::Source::of(bytes);
  if (!source) return tl::unexpected(source.error());
  const int index = source->stream(AVMEDIA_TYPE_AUDIO);
  if (index < 0) return problem("has no sound");
  auto decoder = av::decoderFor(*source->format()->streams[index], 1);
  if (!decoder) return tl::unexpected(decoder.error());
  return SoundDecoder(std::make_unique<Inside>(av::Frames(std::move(*source), index, std::move(*decoder)), speed));
}

void SoundDecoder::seek(double seconds) {
  Inside& in = *inside_;
  in.frames.seek(std::max(0.0, seconds));
  in.resampler.reset();
  in.ready.clear();
  in.taken = 0;
  in.skipTo = std::max(0.0, seconds);
}

int SoundDecoder::read(std::int16_t* to, int count) {
  Inside& in = *inside_;
  int done = 0;
  while (done < count) {
    if (in.taken == in.ready.size() && !in.more()) break;
    const auto left = static_cast<int>((in.ready.size() - in.taken) / channels);
    const int n = std::min(left, count - done);
    std::copy_n(in.ready.data() + in.taken, static_cast<std::size_t>(n) * channels,
                to + std::ptrdiff_t{done} * channels);
    in.taken += static_cast<std::size_t>(n) * channels;
    done += n;
  }
  return done;
}

SoundDecoder::SoundDecoder(std::unique_ptr<Inside> inside) : inside_(std::move(inside)) {}
SoundDecoder::SoundDecoder(SoundDecoder&&) noexcept = default;
SoundDecoder& SoundDecoder::operator=(SoundDecoder&&) noexcept = default;
SoundDecoder::~SoundDecoder() = default;

}  // namespace widecut::parsing

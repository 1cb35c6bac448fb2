#include "output/video_writer.h"

#include <algorithm>
#include <vector>

#include "media/av_open.h"

extern "C" {
#include <libavutil/channel_layout.h>
#include <libavutil/opt.h>
#include <libswscale/swscale.h>
}

namespace widecut {
namespace {

constexpr int soundRate = 48'000, soundKilobits = 64, channels = 2;

auto failed(const char* what, int error) {
  return problem(std::string("the video cannot be ") + what + ": " + av::why(error));
}

}  // namespace

struct VideoWriter::Inside {
  explicit Inside(const VideoFormat& asked) : format(asked) {}
  ~Inside() {
    if (file && file->pb) {
      std::uint8_t* left = nullptr;
      avio_close_dyn_buf(file->pb, &left);
      av_free(left);
    }
    avformat_free_context(file);
    avcodec_free_context(&pictures);
    avcodec_free_context(&sound);
    av_frame_free(&picture);
    av_frame_free(&samples);
    av_packet_free(&packet);
    sws_freeContext(scaler);
  }
  Inside(const Inside&) = delete;
  Inside& operator=(const Inside&) = delete;

  VideoFormat format;
  AVFormatContext* file = nullptr;
  AVCodecContext *pictures = nullptr, *sound = nullptr;
  AVStream *pictureStream = nullptr, *soundStream = nullptr;
  AVFrame *picture = nullptr, *samples = nullptr;
  AVPacket* packet = nullptr;
  SwsContext* scaler = nullptr;
  std::int64_t nextPicture = 0, nextSample = 0;
  std::vector<float> waiting;  // sound that does not fill a frame yet

  Result<void> open() {
    av_log_set_level(AV_LOG_QUIET);
    int error = avformat_alloc_output_context2(&file, nullptr, "webm", nullptr);
    if (error < 0) return failed("begun", error);
    file->flags |= AVFMT_FLAG_BITEXACT;
    if (const auto made = openPictures(); !made) return made;
    if (format.hasSound)
      if (const auto made = openSound(); !made) return made;
    packet = av_packet_alloc();
    error = avio_open_dyn_buf(&file->pb);
    if (error >= 0) error = avformat_write_header(file, nullptr);
    if (error < 0) return failed("begun", error);
    return {};
  }
  Result<void> openPictures() {
    const AVCodec* codec = avcodec_find_encoder_by_name("libvpx");
    if (!codec) return problem("the coder of pictures (VP8) is missing");
    pictures = avcodec_alloc_context3(codec);
    pictures->width = format.width;
    pictures->height = format.height;
    pictures->time_base = {1, format.framesPerSecond};
    pictures->framerate = {format.framesPerSecond, 1};
    pictures->pix_fmt = AV_PIX_FMT_YUV420P;
    pictures->colorspace = AVCOL_SPC_SMPTE170M;
    pictures->color_range = AVCOL_RANGE_MPEG;
    pictures->bit_rate = std::int64_t{format.kilobits} * 1000;
    pictures->thread_count = 1;  // the same bytes each time
    pictures->flags |= AV_CODEC_FLAG_BITEXACT;
    if (format.keyEvery > 0) pictures->gop_size = format.keyEvery;
    if (file->oformat->flags & AVFMT_GLOBALHEADER) pictures->flags |= AV_CODEC_FLAG_GLOBAL_HEADER;
    av_opt_set(pictures->priv_data, "deadline", "good", 0);
    av_opt_set_int(pictures->priv_data, "cpu-used", 4, 0);
    const int error = avcodec_open2(pictures, codec, nullptr);
    if (error < 0) return failed("coded", error);
    pictureStream = avformat_new_stream(file, nullptr);
    pictureStream->time_base = pictures->time_base;
    pictureStream->avg_frame_rate = pictures->framerate;
    avcodec_parameters_from_context(pictureStream->codecpar, pictures);
    picture = av_frame_alloc();
    picture->format = pictures->pix_fmt;
    picture->width = format.width;
    picture->height = format.height;
    if (const int none = av_frame_get_buffer(picture, 0); none < 0) return failed("coded", none);
    return {};
  }
  Result<void> openSound() {
    const AVCodec* codec = avcodec_find_encoder_by_name("libopus");
    if (!codec) return problem("the coder of sound (Opus) is missing");
    sound = avcodec_alloc_context3(codec);
    sound->sample_rate = soundRate;
    sound->sample_fmt = AV_SAMPLE_FMT_FLT;
    sound->bit_rate = soundKilobits * 1000;
    sound->flags |= AV_CODEC_FLAG_BITEXACT;
    const AVChannelLayout stereo = AV_CHANNEL_LAYOUT_STEREO;
    av_channel_layout_copy(&sound->ch_layout, &stereo);
    if (file->oformat->flags & AVFMT_GLOBALHEADER) sound->flags |= AV_CODEC_FLAG_GLOBAL_HEADER;
    const int error = avcodec_open2(sound, codec, nullptr);
    if (error < 0) return failed("coded", error);
    soundStream = avformat_new_stream(file, nullptr);
    soundStream->time_base = {1, soundRate};
    avcodec_parameters_from_context(soundStream->codecpar, sound);
    samples = av_frame_alloc();
    samples->format = sound->sample_fmt;
    samples->nb_samples = sound->frame_size;
    samples->sample_rate = soundRate;
    av_channel_layout_copy(&samples->ch_layout, &stereo);
    if (const int none = av_frame_get_buffer(samples, 0); none < 0) return failed("coded", none);
    return {};
  }
  /// Codes a frame, or with none what is left, and writes what comes of it.
  Result<void> code(AVCodecContext* coder, AVStream* stream, AVFrame* frame) {
    int error = avcodec_send_frame(coder, frame);
    if (error < 0) return failed("coded", error);
    while ((error = avcodec_receive_packet(coder, packet)) >= 0) {
      av_packet_rescale_ts(packet, coder->time_base, stream->time_base);
      packet->stream_index = stream->index;
      if (const int written = av_interleaved_write_frame(file, packet); written < 0) return failed("written", written);
    }
    if (error != AVERROR(EAGAIN) && error != AVERROR_EOF) return failed("coded", error);
    return {};
  }
  /// Codes what waits, as far as it fills frames; with `last` the rest too.
  Result<void> codeSound(bool last) {
    const auto whole = static_cast<std::size_t>(sound->frame_size) * channels;
    std::size_t taken = 0;
    while (waiting.size() - taken >= whole || (last && waiting.size() > taken)) {
      const std::size_t n = std::min(whole, waiting.size() - taken);
      if (const int error = av_frame_make_writable(samples); error < 0) return failed("coded", error);
      auto* to = reinterpret_cast<float*>(samples->data[0]);
      std::copy_n(waiting.begin() + static_cast<std::ptrdiff_t>(taken), n, to);
      std::fill(to + n, to + whole, 0.0f);
      samples->pts = nextSample;
      nextSample += sound->frame_size;
      taken += n;
      if (const auto coded = code(sound, soundStream, samples); !coded) return coded;
    }
    waiting.erase(waiting.begin(), waiting.begin() + static_cast<std::ptrdiff_t>(taken));
    return {};
  }
};

Result<VideoWriter> VideoWriter::of(const VideoFormat& format) {
  constexpr int most = 8192, fastest = 240;
  const auto isSide = [](int side) { return side >= 2 && side <= most && side % 2 == 0; };
  if (!isSide(format.width) || !isSide(format.height))
    return problem("a video has an even number of pixels a side, from 2 to 8192");
  if (format.framesPerSecond < 1 || format.framesPerSecond > fastest)
    return problem("a video has from 1 to 240 frames a second");
  auto inside = std::make_unique<Inside>(format);
  if (const auto opened = inside->open(); !opened) return tl::unexpected(opened.error());
  return VideoWriter(std::move(inside));
}

Result<void> VideoWriter::add(const QImage& frame) {
  Inside& in = *inside_;
  const QImage pixels = frame.convertToFormat(QImage::Format_RGB32);
  in.scaler = sws_getCachedContext(in.scaler, pixels.width(), pixels.height(), AV_PIX_FMT_BGRA, in.format.width,
                                   in.format.height, AV_PIX_FMT_YUV420P, SWS_BICUBIC, nullptr, nullptr, nullptr);
  if (!in.scaler) return problem("the video cannot be coded: a frame has no size");
  if (const int error = av_frame_make_writable(in.picture); error < 0) return failed("coded", error);
  const std::uint8_t* from[4] = {pixels.constBits(), nullptr, nullptr, nullptr};
  const int stride[4] = {static_cast<int>(pixels.bytesPerLine()), 0, 0, 0};
  sws_scale(in.scaler, from, stride, 0, pixels.height(), in.picture->data, in.picture->linesize);
  in.picture->pts = in.nextPicture++;
  return in.code(in.pictures, in.pictureStream, in.picture);
}

Result<void> VideoWriter::addSound(const std::int16_t* samples, int count) {
  Inside& in = *inside_;
  if (!in.sound) return problem("the video has no sound");
  constexpr float full = 32768;
  in.waiting.reserve(in.waiting.size() + static_cast<std::size_t>(count) * channels);
  for (int i = 0; i < count * channels; ++i) in.waiting.push_back(static_cast<float>(samples[i]) / full);
  return in.codeSound(false);
}

Result<std::string> VideoWriter::finish() {
  Inside& in = *inside_;
  if (in.sound) {
    if (const auto coded = in.codeSound(true); !coded) return tl::unexpected(coded.error());
    if (const auto coded = in.code(in.sound, in.soundStream, nullptr); !coded) return tl::unexpected(coded.error());
  }
  if (const auto coded = in.code(in.pictures, in.pictureStream, nullptr); !coded) return tl::unexpected(coded.error());
  if (const int error = av_write_trailer(in.file); error < 0) return failed("written", error);
  std::uint8_t* bytes = nullptr;
  const int count = avio_close_dyn_buf(in.file->pb, &bytes);
  in.file->pb = nullptr;
  std::string out(reinterpret_cast<const char*>(bytes), static_cast<std::size_t>(count));
  av_free(bytes);
  return out;
}

VideoWriter::VideoWriter(std::unique_ptr<Inside> inside) : inside_(std::move(inside)) {}
VideoWriter::VideoWriter(VideoWriter&&) noexcept = default;
VideoWriter& VideoWriter::operator=(VideoWriter&&) noexcept = default;
VideoWriter::~VideoWriter() = default;

}  // namespace widecut

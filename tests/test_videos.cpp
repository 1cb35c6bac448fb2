#include "test_videos.h"

#include <cmath>
#include <cstdlib>
#include <numbers>
#include <vector>

extern "C" {
#include <libavcodec/avcodec.h>
#include <libavformat/avformat.h>
#include <libavutil/channel_layout.h>
#include <libavutil/display.h>
#include <libswscale/swscale.h>
}

namespace widecut {
namespace {

constexpr int greyStep = 4, firstGrey = 24;

void need(bool isWell, const char* what) {
  if (isWell) return;
  std::fprintf(stderr, "a test video cannot be made: %s\n", what);
  std::abort();
}

class Coder {
 public:
  explicit Coder(const TestVideo& how) : how_(how) {
    av_log_set_level(AV_LOG_QUIET);
    need(avformat_alloc_output_context2(&file_, nullptr, how.container, nullptr) >= 0, "container");
    file_->flags |= AVFMT_FLAG_BITEXACT;
    pictures_ = opened(how.coder, [&](AVCodecContext& c) {
      c.width = how.width;
      c.height = how.height;
      c.time_base = {1, how.framesPerSecond};
      c.framerate = {how.framesPerSecond, 1};
      c.pix_fmt = AV_PIX_FMT_YUV420P;
      c.colorspace = AVCOL_SPC_SMPTE170M;
      c.bit_rate = 4'000'000;
      c.gop_size = 12;
      c.sample_aspect_ratio = {how.pixelWidth, how.pixelHeight};
    });
    if (how.hasSound)
      sound_ = opened(std::string(how.container) == "webm" ? "libopus" : "aac", [](AVCodecContext& c) {
        c.sample_rate = 48'000;
        c.sample_fmt = c.codec->sample_fmts[0];
        c.bit_rate = 96'000;
        const AVChannelLayout stereo = AV_CHANNEL_LAYOUT_STEREO;
        av_channel_layout_copy(&c.ch_layout, &stereo);
      });
    AVStream* shown = file_->streams[0];
    shown->sample_aspect_ratio = {how.pixelWidth, how.pixelHeight};
    if (how.quarterTurns != 0) {
      auto* matrix = reinterpret_cast<std::int32_t*>(
          av_stream_new_side_data(shown, AV_PKT_DATA_DISPLAYMATRIX, 9 * sizeof(std::int32_t)));
      av_display_rotation_set(matrix, 90.0 * how.quarterTurns);
    }
    need(avio_open_dyn_buf(&file_->pb) >= 0 && avformat_write_header(file_, nullptr) >= 0, "header");
  }
  ~Coder() {
    avcodec_free_context(&pictures_);
    avcodec_free_context(&sound_);
    avformat_free_context(file_);
  }
  Coder(const Coder&) = delete;
  Coder& operator=(const Coder&) = delete;

  void add(const QImage& image, int at) {
    const QImage pixels = image.convertToFormat(QImage::Format_RGB32);
    AVFrame* frame = av_frame_alloc();
    frame->format = pictures_->pix_fmt;
    frame->width = how_.width;
    frame->height = how_.height;
    frame->pts = at;
    need(av_frame_get_buffer(frame, 0) >= 0, "memory");
    SwsContext* scaler = sws_getContext(how_.width, how_.height, AV_PIX_FMT_BGRA, how_.width, how_.height,
                                        AV_PIX_FMT_YUV420P, SWS_BICUBIC, nullptr, nullptr, nullptr);
    const std::uint8_t* from[4] = {pixels.constBits(), nullptr, nullptr, nullptr};
    const int stride[4] = {static_cast<int>(pixels.bytesPerLine()), 0, 0, 0};
    sws_scale(scaler, from, stride, 0, how_.height, frame->data, frame->linesize);
    sws_freeContext(scaler);
    code(pictures_, 0, frame);
    av_frame_free(&frame);
  }
  void addTone(double seconds) {
    AVFrame* frame = av_frame_alloc();
    frame->format = sound_->sample_fmt;
    frame->nb_samples = sound_->frame_size;
    frame->sample_rate = sound_->sample_rate;
    av_channel_layout_copy(&frame->ch_layout, &sound_->ch_layout);
    need(av_frame_get_buffer(frame, 0) >= 0, "memory");
    const auto count = static_cast<std::int64_t>(seconds * 48'000);
    for (std::int64_t at = 0; at < count; at += sound_->frame_size) {
      need(av_frame_make_writable(frame) >= 0, "memory");
      for (int i = 0; i < sound_->frame_size; ++i) {
        const double value = 0.5 * std::sin(2 * std::numbers::pi * 440 * static_cast<double>(at + i) / 48'000);
        put(*frame, i, value);
      }
      frame->pts = at;
      code(sound_, 1, frame);
    }
    av_frame_free(&frame);
  }
  std::string finish() {
    if (sound_) code(sound_, 1, nullptr);
    code(pictures_, 0, nullptr);
    need(av_write_trailer(file_) >= 0, "end");
    std::uint8_t* bytes = nullptr;
    const int count = avio_close_dyn_buf(file_->pb, &bytes);
    file_->pb = nullptr;
    std::string out(reinterpret_cast<const char*>(bytes), static_cast<std::size_t>(count));
    av_free(bytes);
    return out;
  }

 private:
  template <class Set>
  AVCodecContext* opened(const char* name, const Set& set) {
    const AVCodec* codec = avcodec_find_encoder_by_name(name);
    need(codec, name);
    AVCodecContext* coder = avcodec_alloc_context3(codec);
    set(*coder);
    coder->thread_count = 1;
    coder->flags |= AV_CODEC_FLAG_BITEXACT;
    if (file_->oformat->flags & AVFMT_GLOBALHEADER) coder->flags |= AV_CODEC_FLAG_GLOBAL_HEADER;
    need(avcodec_open2(coder, codec, nullptr) >= 0, name);
    AVStream* stream = avformat_new_stream(file_, nullptr);
    stream->time_base = coder->codec_type == AVMEDIA_TYPE_VIDEO ? coder->time_base : AVRational{1, 48'000};
    stream->avg_frame_rate = coder->framerate;
    avcodec_parameters_from_context(stream->codecpar, coder);
    return coder;
  }
  static void put(AVFrame& frame, int i, double value) {
    const auto of = static_cast<AVSampleFormat>(frame.format);
    for (int channel = 0; channel < 2; ++channel) {
      const int at = av_sample_fmt_is_planar(of) ? i : 2 * i + channel;
      std::uint8_t* plane = frame.data[av_sample_fmt_is_planar(of) ? channel : 0];
      if (of == AV_SAMPLE_FMT_S16 || of == AV_SAMPLE_FMT_S16P)
        reinterpret_cast<std::int16_t*>(plane)[at] = static_cast<std::int16_t>(value * 32767);
      else
        reinterpret_cast<float*>(plane)[at] = static_cast<float>(value);
    }
  }
  void code(AVCodecContext* coder, int stream, AVFrame* frame) {
    need(avcodec_send_frame(coder, frame) >= 0, "frame");
    AVPacket* packet = av_packet_alloc();
    while (avcodec_receive_packet(coder, packet) >= 0) {
      av_packet_rescale_ts(packet, coder->codec_type == AVMEDIA_TYPE_VIDEO ? coder->time_base : AVRational{1, 48'000},
                           file_->streams[stream]->time_base);
      packet->stream_index = stream;
      need(av_interleaved_write_frame(file_, packet) >= 0, "packet");
    }
    av_packet_free(&packet);
  }

  TestVideo how_;
  AVFormatContext* file_ = nullptr;
  AVCodecContext *pictures_ = nullptr, *sound_ = nullptr;
};

}  // namespace

QImage numberedFrame(int number, int width, int height) {
  QImage image(width, height, QImage::Format_RGB32);
  const int grey = firstGrey + greyStep * number;
  for (int y = 0; y < height; ++y)
    for (int x = 0; x < width; ++x)
      image.setPixel(x, y,
                     y < height / 2  ? qRgb(grey, grey, grey)
                     : x < width / 2 ? qRgb(200, 30, 30)
                                     : qRgb(30, 30, 200));
  return image;
}

int numberOf(const QImage& frame) {
  const int grey = qGray(frame.pixel(frame.width() / 2, frame.height() / 4));
  return static_cast<int>(std::lround(double(grey - firstGrey) / greyStep));
}

std::string encodedVideo(const TestVideo& how, const std::function<QImage(int number)>& frame) {
  Coder coder(how);
  if (how.hasSound) coder.addTone(double(how.frames) / how.framesPerSecond);
  for (int i = 0; i < how.frames; ++i) coder.add(frame(i), i);
  return coder.finish();
}

std::string encodedVideo(const TestVideo& how) {
  return encodedVideo(how, [&](int number) { return numberedFrame(how.first + number, how.width, how.height); });
}

}  // namespace widecut

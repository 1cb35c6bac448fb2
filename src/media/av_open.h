// Media files of libav, opened from memory.
#pragma once

#include <cstdint>
#include <memory>
#include <string>
#include <string_view>

#include "geometry/problem.h"

extern "C" {
#include <libavcodec/avcodec.h>
#include <libavformat/avformat.h>
}

namespace widecut::av {

/// What libav says of one of its errors.
std::string why(int error);

struct FreePacket {
  void operator()(AVPacket* packet) const { av_packet_free(&packet); }
};
struct FreeFrame {
  void operator()(AVFrame* frame) const { av_frame_free(&frame); }
};
struct FreeDecoder {
  void operator()(AVCodecContext* context) const { avcodec_free_context(&context); }
};
using Packet = std::unique_ptr<AVPacket, FreePacket>;
using Frame = std::unique_ptr<AVFrame, FreeFrame>;
using Decoder = std::unique_ptr<AVCodecContext, FreeDecoder>;

/// A file of one of the kinds that are read here, with what reads it from memory, which outlives it.
class Source {
 public:
  /// The problem, without a name, says why it cannot be opened.
  static Result<Source> of(std::string_view bytes);
  AVFormatContext* format() const { return format_; }
  /// The first stream of a kind that is no still picture beside the others; −1 for none.
  int stream(AVMediaType kind) const;

  Source(Source&& other) noexcept;
  Source& operator=(Source&& other) noexcept;
  ~Source();

 private:
  struct Reading {
    std::string_view bytes;
    std::int64_t at = 0;
  };
  Source() = default;
  static int read(void* opaque, std::uint8_t* to, int count);
  static std::int64_t seek(void* opaque, std::int64_t offset, int whence);
  std::unique_ptr<Reading> reading_;
  AVIOContext* io_ = nullptr;
  AVFormatContext* format_ = nullptr;
};

/// What decodes a stream, with so many threads; only by the kinds that are read here.
Result<Decoder> decoderFor(const AVStream& stream, int threads);

/// The frames of one stream of a source, in the order in which they show.
class Frames {
 public:
  Frames(Source source, int stream, Decoder decoder);
  AVFormatContext* format() const { return source_.format(); }
  const AVStream& stream() const { return *format()->streams[stream_]; }
  /// Goes to what can be decoded at or before a place, in seconds from the first frame.
  void seek(double seconds);
  /// Decodes the next one; false at the end, where the last one stays.
  bool next();
  const AVFrame& frame() const { return *frame_; }
  /// The one before it, since the last seek.
  const AVFrame& before() const { return *before_; }
  /// The time of a frame, in seconds from the stream's first one.
  double timeOf(const AVFrame& frame) const;

 private:
  bool decode();
  Source source_;
  int stream_;
  Decoder decoder_;
  Packet packet_{av_packet_alloc()};
  Frame frame_{av_frame_alloc()}, before_{av_frame_alloc()};
  double first_ = 0;
  bool drained_ = false;
};

}  // namespace widecut::av

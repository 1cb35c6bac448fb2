#include "media/av_open.h"

#include <algorithm>
#include <cstdio>
#include <cstring>
#include <string_view>
#include <utility>

#include "project/limits.h"

namespace widecut::av {
namespace {

/// What is not named here is not opened, so that a hostile file reaches few readers.
constexpr const char* containers = "matroska,webm,mov,mp4,m4a,3gp,3g2,mj2,ogg";
constexpr const char* codecs =
    "vp8,vp9,libdav1d,av1,h264,hevc,mpeg4,theora,vorbis,opus,aac,mp3,mp3float,flac,pcm_s16le,ac3,eac3";

/// Whether a list of names with commas between them has this one.
bool isNamed(std::string_view list, std::string_view name) {
  for (std::size_t at = 0; at <= list.size();) {
    const std::size_t end = std::min(list.find(',', at), list.size());
    if (list.substr(at, end - at) == name) return true;
    at = end + 1;
  }
  return false;
}

constexpr int mostInARow = 200;  // packets that do not decode, before the rest counts as damaged

}  // namespace

std::string why(int error) {
  char text[AV_ERROR_MAX_STRING_SIZE] = {};
  av_strerror(error, text, sizeof text);
  return text;
}

int Source::read(void* opaque, std::uint8_t* to, int count) {
  auto& reading = *static_cast<Reading*>(opaque);
  const auto left = static_cast<std::int64_t>(reading.bytes.size()) - reading.at;
  const auto n = static_cast<int>(std::min<std::int64_t>(count, left));
  if (n <= 0) return AVERROR_EOF;
  std::memcpy(to, reading.bytes.data() + reading.at, static_cast<std::size_t>(n));
  reading.at += n;
  return n;
}

std::int64_t Source::seek(void* opaque, std::int64_t offset, int whence) {
  auto& reading = *static_cast<Reading*>(opaque);
  const auto size = static_cast<std::int64_t>(reading.bytes.size());
  if (whence == AVSEEK_SIZE) return size;
  const std::int64_t to = whence == SEEK_CUR ? reading.at + offset : whence == SEEK_END ? size + offset : offset;
  if (to < 0 || to > size) return AVERROR(EINVAL);
  return reading.at = to;
}

Result<Source> Source::of(std::string_view bytes) {
  av_log_set_level(AV_LOG_QUIET);
  Source out;
  out.reading_ = std::make_unique<Reading>(Reading{bytes, 0});
  constexpr int buffer = 1 << 16;
  auto* memory = static_cast<unsigned char*>(av_malloc(buffer));
  out.io_ = avio_alloc_context(memory, buffer, 0, out.reading_.get(), &Source::read, nullptr, &Source::seek);
  out.format_ = avformat_alloc_context();
  if (!memory || !out.io_ || !out.format_) return problem("there is not enough memory to read it");
  out.format_->pb = out.io_;
  out.format_->format_whitelist = av_strdup(containers);
  out.format_->codec_whitelist = av_strdup(codecs);
  out.format_->protocol_whitelist = av_strdup("none");  // a file that names others gets none of them
  constexpr int mostStreams = 64;
  out.format_->max_streams = mostStreams;
  int error = avformat_open_input(&out.format_, nullptr, nullptr, nullptr);
  if (error >= 0) error = avformat_find_stream_info(out.format_, nullptr);
  if (error < 0) return problem("cannot be read: " + why(error));
  return out;
}

int Source::stream(AVMediaType kind) const {
  for (unsigned i = 0; i < format_->nb_streams; ++i) {
    const AVStream& one = *format_->streams[i];
    if (one.codecpar->codec_type == kind && !(one.disposition & AV_DISPOSITION_ATTACHED_PIC))
      return static_cast<int>(i);
  }
  return -1;
}

Source::Source(Source&& other) noexcept
    : reading_(std::move(other.reading_)),
      io_(std::exchange(other.io_, nullptr)),
      format_(std::exchange(other.format_, nullptr)) {}

Source& Source::operator=(Source&& other) noexcept {
  std::swap(reading_, other.reading_);
  std::swap(io_, other.io_);
  std::swap(format_, other.format_);
  return *this;
}

Source::~Source() {
  avformat_close_input(&format_);
  if (io_) av_freep(&io_->buffer);
  avio_context_free(&io_);
}

Result<Decoder> decoderFor(const AVStream& stream, int threads) {
  const AVCodec* codec = avcodec_find_decoder(stream.codecpar->codec_id);
  if (!codec || !isNamed(codecs, codec->name)) {
    const char* name = avcodec_get_name(stream.codecpar->codec_id);
    return problem(std::string("is coded in a way that is not read here (") + name + ")");
  }
  Decoder decoder(avcodec_alloc_context3(codec));
  if (!decoder) return problem("there is not enough memory to read it");
  int error = avcodec_parameters_to_context(decoder.get(), stream.codecpar);
  decoder->thread_count = threads;
  decoder->max_pixels = limits::mostVideoPixels;
  decoder->pkt_timebase = stream.time_base;
  if (error >= 0) error = avcodec_open2(decoder.get(), codec, nullptr);
  if (error < 0) return problem("cannot be decoded: " + why(error));
  return decoder;
}

Frames::Frames(Source source, int stream, Decoder decoder)
    : source_(std::move(source)), stream_(stream), decoder_(std::move(decoder)) {
  for (unsigned i = 0; i < format()->nb_streams; ++i)
    if (static_cast<int>(i) != stream_) format()->streams[i]->discard = AVDISCARD_ALL;
  const AVStream& shown = this->stream();
  if (shown.start_time != AV_NOPTS_VALUE) first_ = static_cast<double>(shown.start_time) * av_q2d(shown.time_base);
}

void Frames::seek(double seconds) {
  const AVStream& shown = stream();
  const double target = (first_ + seconds) / av_q2d(shown.time_base);
  // Where a file has no index, the way is from its beginning.
  if (av_seek_frame(format(), stream_, static_cast<std::int64_t>(target), AVSEEK_FLAG_BACKWARD) < 0)
    avformat_seek_file(format(), -1, INT64_MIN, 0, 0, AVSEEK_FLAG_BYTE);
  avcodec_flush_buffers(decoder_.get());
  drained_ = false;
}

bool Frames::next() {
  std::swap(frame_, before_);
  if (decode()) return true;
  std::swap(frame_, before_);
  return false;
}

bool Frames::decode() {
  for (int failed = 0; failed < mostInARow;) {
    const int got = avcodec_receive_frame(decoder_.get(), frame_.get());
    if (got >= 0) return true;
    if (got == AVERROR_EOF) return false;
    if (got != AVERROR(EAGAIN)) ++failed;
    if (drained_) return false;
    const int read = av_read_frame(format(), packet_.get());
    if (read < 0) {
      avcodec_send_packet(decoder_.get(), nullptr);
      drained_ = true;
      continue;
    }
    if (packet_->stream_index == stream_ && avcodec_send_packet(decoder_.get(), packet_.get()) < 0) ++failed;
    av_packet_unref(packet_.get());
  }
  return false;
}

double Frames::timeOf(const AVFrame& frame) const {
  const std::int64_t stamp = frame.best_effort_timestamp;
  return stamp == AV_NOPTS_VALUE ? 0 : static_cast<double>(stamp) * av_q2d(stream().time_base) - first_;
}

}  // namespace widecut::av

#include "media/parsing/video_decoder.h"

#include <algorithm>
#include <cmath>
#include <cstring>
#include <utility>

#include "media/av_open.h"
#include "project/limits.h"

extern "C" {
#include <libavutil/display.h>
#include <libswscale/swscale.h>
}

namespace widecut::parsing {
namespace {

constexpr int threads = 2;

/// Quarter turns clockwise that the file asks for.
int quarterTurns(const AVStream& stream) {
  const auto* matrix =
      reinterpret_cast<const std::int32_t*>(av_stream_get_side_data(&stream, AV_PKT_DATA_DISPLAYMATRIX, nullptr));
  if (!matrix) return 0;
  const double turn = -av_display_rotation_get(matrix);
  return std::isfinite(turn) ? static_cast<int>(std::lround(turn / 90)) & 3 : 0;
}

/// Width over height of a pixel, where the file says something sensible.
double pixelShape(const AVFormatContext* format, const AVStream& stream) {
  const AVRational shape =
      av_guess_sample_aspect_ratio(const_cast<AVFormatContext*>(format), const_cast<AVStream*>(&stream), nullptr);
  const double ratio = shape.num > 0 && shape.den > 0 ? av_q2d(shape) : 1;
  return ratio >= 0.1 && ratio <= 10 ? ratio : 1;
}

/// As the file says it of the pictures alone; 0 where it does not.
double lengthOf(const AVStream& stream) {
  const bool isSaid = stream.duration != AV_NOPTS_VALUE && stream.duration > 0;
  return isSaid ? static_cast<double>(stream.duration) * av_q2d(stream.time_base) : 0;
}

/// The end of the last frame, for files that do not say how long they are; each lasts `usual` seconds where it does not
/// say otherwise.
double lengthByPackets(const av::Source& source, int index, double usual) {
  const av::Packet packet(av_packet_alloc());
  const AVStream& stream = *source.format()->streams[index];
  double end = 0;
  const double first =
      stream.start_time == AV_NOPTS_VALUE ? 0 : static_cast<double>(stream.start_time) * av_q2d(stream.time_base);
  while (av_read_frame(source.format(), packet.get()) >= 0) {
    if (packet->stream_index == index && packet->pts != AV_NOPTS_VALUE) {
      const double lasts =
          packet->duration > 0 ? static_cast<double>(packet->duration) * av_q2d(stream.time_base) : usual;
      end = std::max(end, static_cast<double>(packet->pts) * av_q2d(stream.time_base) - first + lasts);
    }
    av_packet_unref(packet.get());
  }
  return end;
}

}  // namespace

struct VideoDecoder::Inside {
  explicit Inside(av::Frames opened) : frames(std::move(opened)) {}
  ~Inside() { sws_freeContext(scaler); }
  Inside(const Inside&) = delete;
  Inside& operator=(const Inside&) = delete;

  av::Frames frames;
  SwsContext* scaler = nullptr;
  QSize shown;
  int turns = 0;
  double seconds = 0, rate = 0;
  bool hasSound = false;
  int ahead = 0;  // so many of the frames that are decoded already are still to come
  const AVFrame& current() const { return ahead > 0 ? frames.before() : frames.frame(); }
};

Result<VideoDecoder> VideoDecoder::of(std::string_view bytes) {
  auto source = av::Source::of(bytes);
  if (!source) return tl::unexpected(source.error());
  const int index = source->stream(AVMEDIA_TYPE_VIDEO);
  if (index < 0) return problem("holds no moving pictures");
  const AVStream& stream = *source->format()->streams[index];
  const QSize stored(stream.codecpar->width, stream.codecpar->height);
  if (stored.width() <= 0 || stored.height() <= 0) return problem("does not say how large its frames are");
  if (std::int64_t{stored.width()} * stored.height() > limits::mostVideoPixels)
    return problem("has frames of more than 36 megapixels");
  auto decoder = av::decoderFor(stream, threads);
  if (!decoder) return tl::unexpected(decoder.error());
  constexpr double usualRate = 25;
  const double said = av_q2d(av_guess_frame_rate(source->format(), const_cast<AVStream*>(&stream), nullptr));
  const double rate = said > 0 && said <= limits::mostFramesPerSecond ? said : usualRate;
  double seconds = lengthOf(stream);
  if (!(seconds > 0)) {
    seconds = lengthByPackets(*source, index, 1 / rate);
    source = av::Source::of(bytes);
    if (!source) return tl::unexpected(source.error());
  }
  if (!(seconds > 0 && seconds <= limits::mostSeconds)) return problem("is not from 0 to 24 hours long");
  const AVStream& opened = *source->format()->streams[index];
  const bool hasSound = source->stream(AVMEDIA_TYPE_AUDIO) >= 0;
  const int turns = quarterTurns(opened);
  const double shape = pixelShape(source->format(), opened);
  auto inside = std::make_unique<Inside>(av::Frames(std::move(*source), index, std::move(*decoder)));
  QSize shown(shape > 1 ? static_cast<int>(std::lround(stored.width() * shape)) : stored.width(),
              shape < 1 ? static_cast<int>(std::lround(stored.height() / shape)) : stored.height());
  if (turns % 2 == 1) shown.transpose();
  inside->shown = shown;
  inside->turns = turns;
  inside->seconds = seconds;
  inside->rate = rate;
  inside->hasSound = hasSound;
  return VideoDecoder(std::move(inside));
}

QSize VideoDecoder::size() const { return inside_->shown; }
double VideoDecoder::seconds() const { return inside_->seconds; }
double VideoDecoder::framesPerSecond() const { return inside_->rate; }
bool VideoDecoder::hasSound() const { return inside_->hasSound; }

void VideoDecoder::seek(double seconds) {
  Inside& in = *inside_;
  in.frames.seek(std::max(0.0, seconds));
  // The frame that shows is the last one that begins no later.
  constexpr double same = 1e-4;
  bool isAny = false;
  while (in.frames.next()) {
    const bool isLater = in.frames.timeOf(in.frames.frame()) > seconds + same;
    in.ahead = isLater && isAny ? 2 : 1;
    isAny = true;
    if (isLater) return;
  }
}

std::optional<double> VideoDecoder::next() {
  Inside& in = *inside_;
  if (in.ahead > 0)
    --in.ahead;
  else if (!in.frames.next())
    return std::nullopt;
  return in.frames.timeOf(in.current());
}

QImage VideoDecoder::image(QSize size, bool border) const {
  Inside& in = *inside_;
  const AVFrame& frame = in.current();
  const QSize scaled = in.turns % 2 == 1 ? size.transposed() : size;
  const int edge = border ? 1 : 0;
  QImage out(scaled + QSize(2 * edge, 2 * edge), QImage::Format_RGB32);
  if (out.isNull() || frame.width <= 0 || !frame.data[0]) return {};
  in.scaler =
      sws_getCachedContext(in.scaler, frame.width, frame.height, static_cast<AVPixelFormat>(frame.format),
                           scaled.width(), scaled.height(), AV_PIX_FMT_BGRA, SWS_AREA, nullptr, nullptr, nullptr);
  if (!in.scaler) return {};
  // Where the file does not say how its colours are coded: as in high definition, or for small frames as before it.
  constexpr int highDefinition = 720;
  const int coded = frame.colorspace == AVCOL_SPC_UNSPECIFIED
                        ? (frame.height >= highDefinition ? SWS_CS_ITU709 : SWS_CS_ITU601)
                        : static_cast<int>(frame.colorspace);
  const bool isFull = frame.color_range == AVCOL_RANGE_JPEG;
  sws_setColorspaceDetails(in.scaler, sws_getCoefficients(coded), isFull, sws_getCoefficients(SWS_CS_DEFAULT), 1, 0,
                           1 << 16, 1 << 16);
  std::uint8_t* to[4] = {out.scanLine(edge) + 4 * edge, nullptr, nullptr, nullptr};
  const int stride[4] = {static_cast<int>(out.bytesPerLine()), 0, 0, 0};
  if (sws_scale(in.scaler, frame.data, frame.linesize, 0, frame.height, to, stride) <= 0) return {};
  if (border) {
    for (int y = 1; y <= scaled.height(); ++y) {
      auto* row = reinterpret_cast<QRgb*>(out.scanLine(y));
      row[0] = row[1];
      row[scaled.width() + 1] = row[scaled.width()];
    }
    std::memcpy(out.scanLine(0), out.constScanLine(1), static_cast<std::size_t>(out.bytesPerLine()));
    std::memcpy(out.scanLine(scaled.height() + 1), out.constScanLine(scaled.height()),
                static_cast<std::size_t>(out.bytesPerLine()));
  }
  return in.turns == 0 ? out : out.transformed(QTransform().rotate(90.0 * in.turns));
}

VideoDecoder::VideoDecoder(std::unique_ptr<Inside> inside) : inside_(std::move(inside)) {}
VideoDecoder::VideoDecoder(VideoDecoder&&) noexcept = default;
VideoDecoder& VideoDecoder::operator=(VideoDecoder&&) noexcept = default;
VideoDecoder::~VideoDecoder() = default;

}  // namespace widecut::parsing

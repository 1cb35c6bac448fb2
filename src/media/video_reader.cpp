#include "media/video_reader.h"

#include <cmath>
#include <cstring>

#include "media/lent_bytes.h"
#include "project/limits.h"
#include "reading/process.h"

namespace widecut {

struct VideoReader::Inside {
  explicit Inside(reading::Reader taken) : reader(std::move(taken)) {}
  ~Inside() { (void)ask({"video close"}); }
  Inside(const Inside&) = delete;
  Inside& operator=(const Inside&) = delete;

  std::optional<reading::Message> ask(const reading::Message& question) {
    if (failure) return std::nullopt;
    auto answer = reader.ask(question);
    if (answer) return std::move(*answer);
    failure = answer.error();
    return std::nullopt;
  }

  reading::Reader reader;
  std::shared_ptr<reading::Memory> room;  // for a frame
  QSize size;
  double seconds = 0, rate = 0;
  bool hasSound = false;
  std::optional<Problem> failure;
};

Result<VideoReader> VideoReader::of(const std::shared_ptr<const std::string>& bytes) {
  auto reader = reading::Reader::take();
  if (!reader) return tl::unexpected(reader.error());
  const auto answer = reader->ask({"video open", {}, {}, lent(bytes)});
  if (!answer) return tl::unexpected(answer.error());
  const auto& n = answer->numbers;
  constexpr double most = limits::mostVideoPixels;
  if (n.size() != 5 || !(n[0] >= 1 && n[0] <= most) || !(n[1] >= 1 && n[1] <= most) ||
      !(n[2] > 0 && n[2] <= limits::mostSeconds) || !(n[3] > 0 && n[3] <= limits::mostFramesPerSecond))
    return problem("cannot be read: its reader gave no sensible answer");
  auto inside = std::make_unique<Inside>(std::move(*reader));
  inside->size = {static_cast<int>(n[0]), static_cast<int>(n[1])};
  inside->seconds = n[2];
  inside->rate = n[3];
  inside->hasSound = n[4] != 0;
  return VideoReader(std::move(inside));
}

QSize VideoReader::size() const { return inside_->size; }
double VideoReader::seconds() const { return inside_->seconds; }
double VideoReader::framesPerSecond() const { return inside_->rate; }
bool VideoReader::hasSound() const { return inside_->hasSound; }
const std::optional<Problem>& VideoReader::failure() const { return inside_->failure; }

void VideoReader::seek(double seconds) { (void)inside_->ask({"video seek", {seconds}}); }

std::optional<double> VideoReader::next() {
  const auto answer = inside_->ask({"video next"});
  if (!answer || answer->numbers.size() != 1 || !std::isfinite(answer->numbers[0])) return std::nullopt;
  return answer->numbers[0];
}

QImage VideoReader::image(QSize size, bool border) const {
  Inside& in = *inside_;
  const QSize whole = border ? size + QSize(2, 2) : size;
  QImage out(whole, QImage::Format_RGB32);
  if (out.isNull()) return {};
  const auto bytes = static_cast<std::size_t>(out.sizeInBytes());
  if (!in.room || in.room->size() < bytes) in.room = std::make_shared<reading::Memory>(reading::Memory::ofSize(bytes));
  if (in.room->isEmpty()) return {};
  const auto answer =
      in.ask({"video image",
              {static_cast<double>(size.width()), static_cast<double>(size.height()), border ? 1.0 : 0.0},
              {},
              in.room});
  if (!answer || answer->numbers != std::vector<double>{1}) return {};
  // A copy: what shows is not to change while its reader goes on.
  std::memcpy(out.bits(), in.room->data(), bytes);
  return out;
}

VideoReader::VideoReader(std::unique_ptr<Inside> inside) : inside_(std::move(inside)) {}
VideoReader::VideoReader(VideoReader&&) noexcept = default;
VideoReader& VideoReader::operator=(VideoReader&&) noexcept = default;
VideoReader::~VideoReader() = default;

}  // namespace widecut

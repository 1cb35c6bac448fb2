#include "media/parsing/tasks.h"

#include <QBuffer>
#include <QImageReader>
#include <QImageWriter>
#include <algorithm>
#include <cstring>

#include "media/parsing/photo_decode.h"
#include "media/parsing/photo_header.h"
#include "media/parsing/sound_decoder.h"
#include "media/parsing/video_decoder.h"
#include "media/pixel_exchange.h"
#include "project/limits.h"
#include "reading/confine.h"

namespace widecut::parsing {
namespace {

using reading::bytesOf;
using reading::Message;

/// Decoders have a picture in several forms at a time, with up to 8 bytes a pixel.
constexpr std::size_t bytesForPixel = 16;
/// Decoders of videos keep up to some twenty frames.
constexpr std::size_t bytesForVideoPixel = 64;

double numberIn(const Message& message, std::size_t at) {
  return at < message.numbers.size() ? message.numbers[at] : 0;
}

/// A picture of the formats that are read through plugins, read once, so that all of them are loaded.
void loadPlugins() {
  QImage dot(1, 1, QImage::Format_RGB32);
  dot.fill(Qt::white);
  for (const char* format : {"png", "jpeg", "webp", "tiff"}) {
    QByteArray bytes;
    QBuffer buffer(&bytes);
    buffer.open(QIODevice::ReadWrite);
    QImageWriter(&buffer, format).write(dot);
    buffer.seek(0);
    QImageReader(&buffer, format).read();
  }
}

Result<PhotoHeader> readHeader(const Message& question) {
  auto header = photoHeader(bytesOf(question));
  if (header) {
    const auto pixels = static_cast<std::size_t>(header->storedWidth) * static_cast<std::size_t>(header->storedHeight);
    reading::allowMemory(pixels * bytesForPixel + bytesOf(question).size());
  }
  return header;
}

Result<Message> answerHeader(const Message& question) {
  const auto header = readHeader(question);
  if (!header) return tl::unexpected(header.error());
  return messageOf(*header);
}

Result<Message> answerPhoto(const Message& question) {
  const auto header = readHeader(question);
  if (!header) return tl::unexpected(header.error());
  auto memory = std::make_shared<reading::Memory>();
  const PixelRoom room = [&](QSize size, QImage::Format format) -> QImage {
    constexpr qsizetype pixelBytes = 4;
    const qsizetype line = size.width() * pixelBytes;
    *memory = reading::Memory::ofSize(static_cast<std::size_t>(line * size.height()));
    if (memory->isEmpty()) return {};
    return {reinterpret_cast<uchar*>(memory->writable()), size.width(), size.height(), line, format};
  };
  const auto halvings = static_cast<int>(std::clamp(numberIn(question, 0), 0.0, 30.0));
  const auto image = decodedPhoto(bytesOf(question), *header, halvings, numberIn(question, 1) != 0, room);
  if (!image) return tl::unexpected(image.error());
  if (image->isNull()) return problem("cannot be decoded: there is not enough memory");
  if (memory->isEmpty() || image->constBits() != reinterpret_cast<const uchar*>(memory->data())) {
    const QImage there = room(image->size(), image->format());
    if (there.isNull()) return problem("cannot be decoded: there is not enough memory");
    for (int y = 0; y < image->height(); ++y)
      std::memcpy(memory->writable() + static_cast<std::size_t>(y * there.bytesPerLine()), image->constScanLine(y),
                  static_cast<std::size_t>(there.bytesPerLine()));
  }
  Message answer = messageOf(*header);
  answer.numbers.insert(answer.numbers.end(),
                        {static_cast<double>(image->width()), static_cast<double>(image->height()),
                         image->hasAlphaChannel() ? 1.0 : 0.0});
  answer.memory = std::move(memory);
  return answer;
}

Result<Message> answerCheck(const Message& question) {
  const auto header = readHeader(question);
  if (!header) return tl::unexpected(header.error());
  const auto image = decodedPhoto(bytesOf(question), *header, header->kind == PhotoKind::Jpeg ? 3 : 0, false);
  if (!image) return tl::unexpected(image.error());
  return messageOf(*header);
}

/// What is open, between questions.
struct Opened {
  std::shared_ptr<reading::Memory> bytes, soundBytes;
  std::optional<VideoDecoder> video;
  std::optional<SoundDecoder> sound;
};
Opened opened;

Result<Message> openVideo(const Message& question) {
  reading::allowMemory(limits::mostVideoPixels * bytesForVideoPixel + bytesOf(question).size());
  opened.video.reset();
  opened.bytes = question.memory;
  auto decoder = VideoDecoder::of(bytesOf(question));
  if (!decoder) return tl::unexpected(decoder.error());
  opened.video.emplace(std::move(*decoder));
  const VideoDecoder& video = *opened.video;
  return Message{{},
                 {static_cast<double>(video.size().width()), static_cast<double>(video.size().height()),
                  video.seconds(), video.framesPerSecond(), video.hasSound() ? 1.0 : 0.0}};
}

/// The frames that are decoded are as large as the video says, which is known when it is open.
void allowFrames() {
  const QSize size = opened.video->size();
  reading::allowMemory(static_cast<std::size_t>(size.width()) * static_cast<std::size_t>(size.height()) *
                           bytesForVideoPixel +
                       opened.bytes->size());
}

Result<Message> seekVideo(const Message& question) {
  if (!opened.video) return problem("is not open");
  allowFrames();
  opened.video->seek(numberIn(question, 0));
  return Message{};
}

Result<Message> nextFrame(const Message&) {
  if (!opened.video) return problem("is not open");
  allowFrames();
  const auto at = opened.video->next();
  return at ? Message{{}, {*at}} : Message{};
}

Result<Message> frameImage(const Message& question) {
  if (!opened.video) return problem("is not open");
  allowFrames();
  constexpr double mostSide = 100'000;
  const QSize size(static_cast<int>(std::clamp(numberIn(question, 0), 1.0, mostSide)),
                   static_cast<int>(std::clamp(numberIn(question, 1), 1.0, mostSide)));
  const QImage image = opened.video->image(size, numberIn(question, 2) != 0);
  const auto bytes = static_cast<std::size_t>(image.sizeInBytes());
  if (image.isNull() || !question.memory || !question.memory->writable() || question.memory->size() < bytes)
    return Message{};
  std::memcpy(question.memory->writable(), image.constBits(), bytes);
  return Message{{}, {1}};
}

Result<Message> closeVideo(const Message&) {
  opened.video.reset();
  opened.bytes.reset();
  return Message{};
}

Result<Message> openSound(const Message& question) {
  reading::allowMemory(bytesOf(question).size());
  opened.sound.reset();
  opened.soundBytes = question.memory;
  auto decoder = SoundDecoder::of(bytesOf(question), numberIn(question, 0));
  if (!decoder) return tl::unexpected(decoder.error());
  opened.sound.emplace(std::move(*decoder));
  return Message{};
}

Result<Message> seekSound(const Message& question) {
  if (!opened.sound) return problem("is not open");
  opened.sound->seek(numberIn(question, 0));
  return Message{};
}

Result<Message> readSound(const Message& question) {
  if (!opened.sound) return problem("is not open");
  if (!question.memory || !question.memory->writable()) return problem("has no room for its sound");
  constexpr std::size_t frameBytes = 2 * sizeof(std::int16_t);
  const std::size_t most = question.memory->size() / frameBytes;
  const int count = static_cast<int>(std::clamp(numberIn(question, 0), 0.0, static_cast<double>(most)));
  const int got = opened.sound->read(reinterpret_cast<std::int16_t*>(question.memory->writable()), count);
  return Message{{}, {static_cast<double>(got)}};
}

Result<Message> closeSound(const Message&) {
  opened.sound.reset();
  opened.soundBytes.reset();
  return Message{};
}

}  // namespace

void addMediaTasks(reading::Tasks& tasks) {
  tasks.preparations.emplace_back(loadPlugins);
  tasks.answers["photo header"] = answerHeader;
  tasks.answers["photo"] = answerPhoto;
  tasks.answers["photo check"] = answerCheck;
  tasks.answers["video open"] = openVideo;
  tasks.answers["video seek"] = seekVideo;
  tasks.answers["video next"] = nextFrame;
  tasks.answers["video image"] = frameImage;
  tasks.answers["video close"] = closeVideo;
  tasks.answers["sound open"] = openSound;
  tasks.answers["sound seek"] = seekSound;
  tasks.answers["sound read"] = readSound;
  tasks.answers["sound close"] = closeSound;
}

}  // namespace widecut::parsing

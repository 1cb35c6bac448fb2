#include "media/pixel_exchange.h"

namespace widecut {
namespace {

/// A whole number of a message, between bounds; nothing where there is none.
std::optional<int> wholeIn(const reading::Message& message, std::size_t at, int least, int most) {
  if (at >= message.numbers.size()) return std::nullopt;
  const double value = message.numbers[at];
  if (!(value >= least && value <= most)) return std::nullopt;
  return static_cast<int>(value);
}

constexpr int mostSide = 1 << 28;

}  // namespace

reading::Message messageOf(const PhotoHeader& header) {
  reading::Message out;
  out.numbers = {static_cast<double>(header.kind),         static_cast<double>(header.storedWidth),
                 static_cast<double>(header.storedHeight), static_cast<double>(header.orientation),
                 static_cast<double>(header.components),   header.isAdobe ? 1.0 : 0.0,
                 header.mayHaveAlpha ? 1.0 : 0.0};
  out.text = header.icc;
  return out;
}

Result<PhotoHeader> headerFrom(const reading::Message& message) {
  const auto kind = wholeIn(message, 0, 0, static_cast<int>(PhotoKind::Tiff));
  const auto width = wholeIn(message, 1, 1, mostSide), height = wholeIn(message, 2, 1, mostSide);
  const auto orientation = wholeIn(message, 3, 1, 8), components = wholeIn(message, 4, 0, 255);
  const auto isAdobe = wholeIn(message, 5, 0, 1), mayHaveAlpha = wholeIn(message, 6, 0, 1);
  if (!kind || !width || !height || !orientation || !components || !isAdobe || !mayHaveAlpha)
    return problem("cannot be read: its reader gave no sensible answer");
  PhotoHeader out;
  out.kind = static_cast<PhotoKind>(*kind);
  out.storedWidth = *width;
  out.storedHeight = *height;
  out.orientation = *orientation;
  out.components = *components;
  out.isAdobe = *isAdobe == 1;
  out.mayHaveAlpha = *mayHaveAlpha == 1;
  out.icc = message.text;
  return out;
}

QImage pixelsOf(const reading::Message& message, std::size_t at) {
  const auto width = wholeIn(message, at, 1, mostSide), height = wholeIn(message, at + 1, 1, mostSide);
  const auto hasAlpha = wholeIn(message, at + 2, 0, 1);
  if (!width || !height || !hasAlpha || !message.memory) return {};
  constexpr int pixelBytes = 4;
  const std::size_t line = static_cast<std::size_t>(*width) * pixelBytes;
  if (message.memory->isEmpty() || message.memory->size() / line < static_cast<std::size_t>(*height)) return {};
  const auto* pixels = reinterpret_cast<const uchar*>(message.memory->data());
  using Kept = std::shared_ptr<reading::Memory>;
  return {pixels,
          *width,
          *height,
          static_cast<qsizetype>(line),
          *hasAlpha == 1 ? QImage::Format_ARGB32_Premultiplied : QImage::Format_RGB32,
          [](void* kept) { delete static_cast<Kept*>(kept); },
          new Kept(message.memory)};
}

}  // namespace widecut

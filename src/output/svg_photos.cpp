#include "output/svg_photos.h"

#include <QBuffer>

#include "media/photo_colours.h"
#include "media/photo_decode.h"

namespace widecut {
namespace {

constexpr int overlap = 8;  // pixels by which tiles overlap, so that no seam shows where readers smooth edges

bool isSmall(QSize size) { return size.width() <= mostSvgPhotoSide && size.height() <= mostSvgPhotoSide; }

std::string encoded(const QImage& image, const char* format, int quality) {
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  image.save(&buffer, format, quality);
  return bytes.toStdString();
}

std::pair<QRect, QRect> halvesOf(const QRect& part) {
  QRect first = part, second = part;
  if (part.width() > part.height()) {
    first.setWidth(part.width() / 2);
    second.setLeft(first.right() + 1);
  } else {
    first.setHeight(part.height() / 2);
    second.setTop(first.bottom() + 1);
  }
  return {first, second};
}

/// A part of the picture as one tile, or as two when one would be too large.
void addTiles(const QImage& image, const QRect& part, std::vector<SvgPhoto::Tile>& out) {
  const QRect whole = part.adjusted(0, 0, overlap, overlap) & image.rect();
  if (isSmall(part.size()) || std::max(part.width(), part.height()) < 16) {
    std::string bytes = encoded(image.copy(whole), "JPEG", 95);
    if (bytes.size() <= mostSvgPhotoBytes || std::max(part.width(), part.height()) < 16) {
      out.push_back({"image/jpeg", std::move(bytes), whole.x(), whole.y(), whole.width(), whole.height()});
      return;
    }
  }
  const auto [first, second] = halvesOf(part);
  addTiles(image, first, out);
  addTiles(image, second, out);
}

bool keepsItsBytes(const PhotoHeader& header) {
  if (header.kind != PhotoKind::Jpeg || header.components == 4) return false;
  return !ToSrgb::from(header.icc, inksOf(header.components));
}

}  // namespace

Result<SvgPhoto> svgPhoto(const Medium& medium) {
  const auto header = photoHeader(*medium.bytes);
  if (!header) return problem(medium.name + " " + header.error().message);
  SvgPhoto out;
  const bool small = isSmall({header->width(), header->height()});
  if (small && keepsItsBytes(*header)) {
    std::string bytes = withoutExif(*medium.bytes);
    if (bytes.size() <= mostSvgPhotoBytes) {
      out.tiles.push_back({"image/jpeg", std::move(bytes), 0, 0, header->storedWidth, header->storedHeight});
      out.toUpright = header->toUpright();
      return out;
    }
  }
  const auto image = decodedPhoto(*medium.bytes, 0, false);
  if (!image) return problem(medium.name + " " + image.error().message);
  if (header->kind != PhotoKind::Jpeg) {
    std::string bytes = encoded(*image, "PNG", -1);
    if (small && bytes.size() <= mostSvgPhotoBytes) {
      out.tiles.push_back({"image/png", std::move(bytes), 0, 0, image->width(), image->height()});
      return out;
    }
    if (image->hasAlphaChannel())
      return problem(medium.name + " is too large for an SVG: readers take 7 MB and 16000 pixels a side in one " +
                     "piece, and with its see-through parts it cannot be split (" +
                     std::to_string(bytes.size() / 1'000'000) + " MB); deliver a PDF or a PNG");
  }
  addTiles(*image, image->rect(), out.tiles);
  out.note = medium.name + " was compressed anew (JPEG, 95 %) to go into the SVG";
  return out;
}

std::vector<SvgPhoto::Tile> svgPicture(const QImage& image) {
  std::vector<SvgPhoto::Tile> tiles;
  // Halved until every piece fits. They do not overlap: see-through pixels would count twice.
  std::vector<QRect> parts{image.rect()};
  while (!parts.empty()) {
    const QRect part = parts.back();
    parts.pop_back();
    if (isSmall(part.size())) {
      std::string bytes = encoded(image.copy(part), "PNG", -1);
      if (bytes.size() <= mostSvgPhotoBytes) {
        tiles.push_back({"image/png", std::move(bytes), part.x(), part.y(), part.width(), part.height()});
        continue;
      }
    }
    const auto [first, second] = halvesOf(part);
    parts.push_back(second);
    parts.push_back(first);
  }
  return tiles;
}

std::string svgImage(const SvgPhoto::Tile& tile, const std::string& x, const std::string& y, const std::string& width,
                     const std::string& height) {
  constexpr std::size_t pauseLetters = 5000, large = 100'000;
  const QByteArray bytes =
      QByteArray::fromRawData(tile.bytes.data(), static_cast<qsizetype>(tile.bytes.size())).toBase64();
  std::string out = "<image x=\"" + x + "\" y=\"" + y + "\" width=\"" + width + "\" height=\"" + height +
                    "\" preserveAspectRatio=\"none\" href=\"data:" + tile.type + ";base64,";
  out.append(bytes.data(), static_cast<std::size_t>(bytes.size()));
  out += "\"/>\n";
  if (out.size() > large) out.append(pauseLetters, '\n');
  return out;
}

}  // namespace widecut

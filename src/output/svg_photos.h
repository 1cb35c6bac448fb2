// Photos as image elements of an SVG.
#pragma once

#include <QImage>
#include <string>
#include <vector>

#include "media/photo.h"

namespace widecut {

/// A photo for an SVG: one element, or several tiles of a photo that is too large for one.
struct SvgPhoto {
  struct Tile {
    std::string type;                              ///< image/jpeg or image/png
    std::string bytes;                             ///< At most mostSvgPhotoBytes.
    int left = 0, top = 0, width = 0, height = 0;  ///< In the pixels that `toUpright` maps.
  };
  std::vector<Tile> tiles;
  Affine toUpright;  ///< From the tiles' pixels to those of the upright photo.
  std::string note;  ///< What the person should know of how it went in; empty for nothing.
};

/// Readers take elements up to ten million characters, which are 7.5 million bytes of picture.
inline constexpr std::size_t mostSvgPhotoBytes = 7'000'000;
/// And pictures up to 32767 pixels a side.
inline constexpr int mostSvgPhotoSide = 16000;

/// A JPEG in sRGB keeps its bytes (without EXIF data, which readers take differently); other photos go in as PNG, or,
/// when they are too large for one element and have no alpha, as tiles of JPEG, which overlap a little. The problem
/// says that a photo cannot go into an SVG.
Result<SvgPhoto> svgPhoto(const Medium& medium);

/// Pixels of our own, alpha included, as PNG tiles that readers take.
std::vector<SvgPhoto::Tile> svgPicture(const QImage& image);
/// The image element of a tile, with these attributes; after a large one there is white space, since readers look
/// through ten million characters for the end of what they are in.
std::string svgImage(const SvgPhoto::Tile& tile, const std::string& x, const std::string& y, const std::string& width,
                     const std::string& height);

}  // namespace widecut

// What the first bytes of a photo file say: its kind, size and orientation.
#pragma once

#include <optional>
#include <string>
#include <string_view>

#include "geometry/affine.h"
#include "geometry/problem.h"

namespace widecut {

enum class PhotoKind : unsigned char { Jpeg, Png, WebP, Tiff };

/// What a photo file says of itself, without a pixel being decoded.
struct PhotoHeader {
  PhotoKind kind = PhotoKind::Png;
  int storedWidth = 0, storedHeight = 0;
  /// As EXIF counts them, 1…8: 1 is upright, 6 must be turned by 90° clockwise (CIPA DC-008, tag 0x0112).
  int orientation = 1;
  int components = 3;        ///< Of a JPEG: 1, 3 or 4.
  bool isAdobe = false;      ///< A JPEG by a program that stores inks inverted.
  bool mayHaveAlpha = true;  ///< False where the header rules it out.
  std::string icc;           ///< A JPEG's colour profile; empty when it has none.

  int width() const { return orientation >= 5 ? storedHeight : storedWidth; }
  int height() const { return orientation >= 5 ? storedWidth : storedHeight; }
  /// From the pixels as they are stored to those of the upright photo.
  Affine toUpright() const;
};

/// Qt's name of a kind's format.
const char* formatName(PhotoKind kind);
/// The kind that the first bytes tell, whatever the file is called; nothing for anything that is not a photo.
std::optional<PhotoKind> photoKind(std::string_view bytes);
/// What is said of bytes that are none.
inline constexpr const char* notAPhoto = "is not a picture that can be placed (PNG, JPEG, WebP or TIFF)";
/// Reads the header, in the reading process. Refuses what is not a photo, headers that cannot be read, pictures without
/// pixels and those over limits::mostPhotoPixels.
Result<PhotoHeader> photoHeader(const std::string& bytes);
/// A JPEG without its EXIF data, so that every reader shows its pixels as they are stored.
std::string withoutExif(const std::string& jpeg);

}  // namespace widecut

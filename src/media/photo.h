// Photos: reading files, and scaled copies to paint from.
#pragma once

#include <QImage>
#include <functional>
#include <memory>
#include <mutex>

#include "project/model.h"

namespace widecut {

/// The photo in these bytes (PNG, JPEG, WebP or TIFF), its size as it stands upright. Refuses anything else,
/// pictures that do not decode, and pictures over 200 megapixels; the problem begins with `name`.
Result<std::shared_ptr<const Medium>> photoFromBytes(std::string bytes, const std::string& name);
/// The same for a file.
Result<std::shared_ptr<const Medium>> photoFromFile(const std::string& path);
/// SHA-256 as lower-case hex.
std::string sha256(const std::string& bytes);
/// True when the bytes are a JPEG that is upright as stored, so that it can be embedded unchanged.
bool isUprightJpeg(const Medium& medium);

/// A photo at a half, a quarter … of its size. `image` carries a border of one repeated pixel, so that
/// painting with interpolation never mixes opposite edges.
struct PhotoLevel {
  QImage image;
  Affine toPixels;  ///< From coordinates of `image` to the pixels of the whole photo.
};

/// Decoded photos as levels. Everything may be called from any thread.
class PhotoStore {
 public:
  /// The level to paint from when one pixel of the photo covers `scale` pixels of the target: the smallest
  /// that need not be enlarged. Decodes first when that has not happened yet; an empty image when it fails.
  PhotoLevel level(const Medium& medium, double scale);
  /// The same when the photo is decoded already; otherwise nothing, and decoding starts on another thread.
  std::optional<PhotoLevel> levelIfReady(const std::shared_ptr<const Medium>& medium, double scale);
  /// Called, on some other thread, whenever a photo that levelIfReady asked for is ready.
  void whenReady(std::function<void()> call);
  /// The whole photo without border.
  QImage whole(const Medium& medium);

  PhotoStore();
  ~PhotoStore();
  PhotoStore(const PhotoStore&) = delete;
  PhotoStore& operator=(const PhotoStore&) = delete;

 private:
  struct Inside;
  std::shared_ptr<Inside> inside_;
};

}  // namespace widecut

// Photos: reading files, and scaled copies to paint from.
#pragma once

#include <QImage>
#include <functional>
#include <memory>
#include <optional>

#include "media/live_frames.h"
#include "media/photo_header.h"
#include "media/photo_level.h"
#include "project/budgets.h"
#include "project/model.h"
#include "reading/process.h"

namespace widecut {

/// The photo in these bytes (PNG, JPEG, WebP or TIFF), its size as it stands upright. Refuses anything else,
/// pictures that do not decode, and pictures over 200 megapixels; the problem begins with `name`.
Result<std::shared_ptr<const Medium>> photoFromBytes(std::string bytes, const std::string& name,
                                                     const reading::Patience& patience = {});
/// The same for a file.
Result<std::shared_ptr<const Medium>> photoFromFile(const std::string& path);
/// A photo as it looks, small.
struct SmallPhoto {
  QImage picture;             ///< At least as large as asked for in one direction, where the photo is.
  int width = 0, height = 0;  ///< Pixels of the photo itself, upright.
};
/// The photo in these bytes, at most a little larger than a size. The problem, without a name, says why not.
Result<SmallPhoto> smallPhoto(const std::string& bytes, QSize size);
Result<SmallPhoto> smallPhotoOfFile(const std::string& path, QSize size);
/// What a photo file says of itself; only its beginning is read where that will do.
Result<PhotoHeader> headerOfFile(const std::string& path);
/// SHA-256 as lower-case hex.
std::string sha256(const std::string& bytes);

/// Decoded photos as levels, in sRGB. As many are kept as fit a number of bytes, the last used ones first, and a
/// quarter as many adjusted ones. Everything may be called from any thread.
class PhotoStore {
 public:
  explicit PhotoStore(std::size_t bytes = budgets::photoBytes);
  ~PhotoStore();
  PhotoStore(const PhotoStore&) = delete;
  PhotoStore& operator=(const PhotoStore&) = delete;

  /// The level to paint from when one pixel of the photo covers `scale` pixels of the target: the smallest
  /// that need not be enlarged. Decodes first when that has not happened yet; an empty image when it fails.
  /// Adjusted, where it is to be.
  PhotoLevel level(const Medium& medium, double scale, const Adjustments* adjustments = nullptr);

  struct Ready {
    PhotoLevel level;      ///< An empty image when the photo cannot be decoded.
    bool isFinal = false;  ///< False while a finer one is being decoded.
  };
  /// What there is to paint from now: the level, or a coarser one, or nothing. What is missing is decoded on another
  /// thread, one photo at a time. Levels of up to three megapixels are adjusted at once, others there too; meanwhile
  /// what was last made of the photo stands in, adjusted in another way or not at all.
  std::optional<Ready> levelIfReady(const std::shared_ptr<const Medium>& medium, double scale,
                                    const AdjustmentsPtr& adjustments = nullptr);
  /// Called, on some other thread, whenever a photo that levelIfReady asked for is ready.
  void whenReady(std::function<void()> call);
  /// Why the photo cannot be decoded; nothing when it can. Decodes it, small, when that has not
  /// happened yet.
  std::optional<Problem> problemWith(const Medium& medium);
  /// What was found of the photo with this hash is looked for anew: its file is there now, or no more.
  void forget(const std::string& hash);
  /// True while something that levelIfReady asked for is on its way.
  bool isDecoding() const;
  /// The bytes of decoded levels that are kept now.
  std::size_t bytesHeld() const;
  /// What videos show now, in the place of their posters.
  LiveFrames& live() { return live_; }

 private:
  struct Inside;
  std::shared_ptr<Inside> inside_;
  LiveFrames live_;
};

}  // namespace widecut

// Adjusted photos as files of their own, for outputs that embed files.
#pragma once

#include <map>
#include <string>

#include "media/photo.h"
#include "scene/scene.h"

namespace widecut {

/// Makes each once, as long as it lives.
class AdjustedMedia {
 public:
  /// The brush with a photo that needs no adjusting: the same where it has none, or else one of its adjusted pixels, as
  /// many as it has, but 24 megapixels at most. JPEGs become JPEGs (quality 94), others PNGs. The problem names a photo
  /// that cannot be decoded.
  Result<PictureBrush> plain(const PictureBrush& brush);

 private:
  struct Made {
    MediumPtr medium;
    Affine toPixels;  ///< From its pixels to those of the photo that it was made of.
  };
  static Result<Made> made(const Medium& photo, const Adjustments& adjustments);
  std::map<std::string, Made> made_;
};

}  // namespace widecut

// From a photo's own colours to sRGB.
#pragma once

#include <QRgb>
#include <memory>
#include <string>
#include <string_view>

namespace widecut {

/// How a photo's pixels lie in memory before they are sRGB.
enum class Inks : unsigned char { Grey, Rgb, Cmyk };

/// The inks of a JPEG with 1, 3 or 4 components.
inline Inks inksOf(int components) { return components == 4 ? Inks::Cmyk : components == 1 ? Inks::Grey : Inks::Rgb; }

/// Turns rows of pixels into sRGB by an ICC profile (relative colorimetric, black point compensated).
class ToSrgb {
 public:
  /// Null when the profile cannot be read or is for other inks; then its pixels count as sRGB already. Null also for
  /// profiles that are sRGB's own to within one step of 255.
  static std::unique_ptr<ToSrgb> from(std::string_view iccProfile, Inks inks);
  /// Grey: from the red channel of QRgb pixels. Rgb: QRgb pixels; alpha stays (not premultiplied). Cmyk: four bytes a
  /// pixel, 255 for full ink; the result is opaque. `in` and `out` may be the same.
  void row(const void* in, QRgb* out, int count) const;
  ~ToSrgb();

 private:
  explicit ToSrgb(void* transform, Inks inks) : transform_(transform), inks_(inks) {}
  void* transform_;
  Inks inks_;
};

/// The ICC profile of sRGB, the same bytes each time.
std::string srgbProfile();

/// What four process inks look like without a profile, in 0…1: the sixteen overprints of coated offset, mixed by the
/// share of paper that each covers (Neugebauer, 1937).
QRgb printed(double cyan, double magenta, double yellow, double black);

}  // namespace widecut

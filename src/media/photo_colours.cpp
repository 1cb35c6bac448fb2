#include "media/photo_colours.h"

#include <lcms2.h>

#include <algorithm>
#include <cmath>
#include <vector>

namespace widecut {
namespace {

struct ProfileEnd {
  void operator()(void* p) const { cmsCloseProfile(p); }
};
using Profile = std::unique_ptr<void, ProfileEnd>;

cmsColorSpaceSignature signatureOf(Inks inks) {
  switch (inks) {
    case Inks::Grey:
      return cmsSigGrayData;
    case Inks::Rgb:
      return cmsSigRgbData;
    case Inks::Cmyk:
      return cmsSigCmykData;
  }
  return cmsSigRgbData;
}

cmsUInt32Number layoutOf(Inks inks) {
  switch (inks) {
    case Inks::Grey:
      return TYPE_GRAY_8;
    case Inks::Rgb:
      return TYPE_BGRA_8;
    case Inks::Cmyk:
      return TYPE_CMYK_8;
  }
  return TYPE_BGRA_8;
}

/// True when no colour of a coarse grid moves by more than one step.
bool changesNothing(void* transform) {
  for (int r = 0; r <= 255; r += 51)
    for (int g = 0; g <= 255; g += 51)
      for (int b = 0; b <= 255; b += 51) {
        const QRgb in = qRgb(r, g, b);
        QRgb out = 0;
        cmsDoTransform(transform, &in, &out, 1);
        const int off = std::max({std::abs(qRed(out) - r), std::abs(qGreen(out) - g), std::abs(qBlue(out) - b)});
        if (off > 1) return false;
      }
  return true;
}

}  // namespace

std::unique_ptr<ToSrgb> ToSrgb::from(std::string_view icc, Inks inks) {
  if (icc.empty()) return nullptr;
  const Profile own(cmsOpenProfileFromMem(icc.data(), static_cast<cmsUInt32Number>(icc.size())));
  if (!own || cmsGetColorSpace(own.get()) != signatureOf(inks)) return nullptr;
  const Profile srgb(cmsCreate_sRGBProfile());
  cmsUInt32Number flags = cmsFLAGS_BLACKPOINTCOMPENSATION;
  if (inks == Inks::Rgb) flags |= cmsFLAGS_COPY_ALPHA;
  void* transform =
      cmsCreateTransform(own.get(), layoutOf(inks), srgb.get(), TYPE_BGRA_8, INTENT_RELATIVE_COLORIMETRIC, flags);
  if (!transform) return nullptr;
  std::unique_ptr<ToSrgb> made(new ToSrgb(transform, inks));
  if (inks == Inks::Rgb && changesNothing(transform)) return nullptr;
  return made;
}

std::string srgbProfile() {
  const Profile srgb(cmsCreate_sRGBProfile());
  cmsUInt32Number size = 0;
  if (!srgb || !cmsSaveProfileToMem(srgb.get(), nullptr, &size)) return {};
  std::string bytes(size, '\0');
  if (!cmsSaveProfileToMem(srgb.get(), bytes.data(), &size)) return {};
  // When it was made (twelve bytes of the header) is of no interest, and would make every file another one.
  constexpr std::size_t dateAt = 24;
  static constexpr char date[] = {7, static_cast<char>(0xD0), 0, 1, 0, 1, 0, 0, 0, 0, 0, 0};
  if (bytes.size() > dateAt + sizeof date) bytes.replace(dateAt, sizeof date, date, sizeof date);
  return bytes;
}

ToSrgb::~ToSrgb() { cmsDeleteTransform(transform_); }

void ToSrgb::row(const void* in, QRgb* out, int count) const {
  if (inks_ == Inks::Grey) {
    std::vector<std::uint8_t> grey(static_cast<std::size_t>(count));
    std::vector<std::uint8_t> alpha(static_cast<std::size_t>(count));
    const auto* pixels = static_cast<const QRgb*>(in);
    for (std::size_t i = 0; i < grey.size(); ++i) {
      grey[i] = static_cast<std::uint8_t>(qRed(pixels[i]));
      alpha[i] = static_cast<std::uint8_t>(qAlpha(pixels[i]));
    }
    cmsDoTransform(transform_, grey.data(), out, static_cast<cmsUInt32Number>(count));
    for (std::size_t i = 0; i < grey.size(); ++i) out[i] = (out[i] & 0x00ffffffu) | QRgb{alpha[i]} << 24;
    return;
  }
  cmsDoTransform(transform_, in, out, static_cast<cmsUInt32Number>(count));
  if (inks_ == Inks::Cmyk)
    for (int i = 0; i < count; ++i) out[i] |= 0xff000000u;
}

QRgb printed(double c, double m, double y, double k) {
  // Solid overprints on coated paper in sRGB, black ink last: paper, C, M, CM, Y, CY, MY, CMY; then the same under
  // black.
  static constexpr double solids[16][3] = {{255, 255, 255}, {0, 173, 239}, {236, 0, 140}, {46, 49, 146},
                                           {255, 242, 0},   {0, 166, 80},  {237, 28, 36}, {54, 54, 57},
                                           {35, 31, 32},    {0, 15, 36},   {36, 0, 0},    {0, 0, 2},
                                           {28, 26, 0},     {0, 19, 0},    {34, 0, 0},    {0, 0, 0}};
  double rgb[3] = {0, 0, 0};
  for (int i = 0; i < 16; ++i) {
    const double share = (i & 1 ? c : 1 - c) * (i & 2 ? m : 1 - m) * (i & 4 ? y : 1 - y) * (i & 8 ? k : 1 - k);
    for (int j = 0; j < 3; ++j) rgb[j] += share * solids[i][j];
  }
  return qRgb(static_cast<int>(std::lround(rgb[0])), static_cast<int>(std::lround(rgb[1])),
              static_cast<int>(std::lround(rgb[2])));
}

}  // namespace widecut

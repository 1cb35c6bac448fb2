// What the effective resolution of a photo is good for, in words and a colour.
#pragma once

#include <QColor>
#include <QCoreApplication>
#include <cmath>

#include "app/look/theme.h"

namespace widecut {

struct Resolution {
  int ppi;
  QString goodFor;
  QColor colour;
};

/// From 220 ppi on a photo is good for print, from 96 ppi on for screens.
inline Resolution resolutionOf(double pointsPerPixel) {
  const double ppi = 72 / pointsPerPixel;
  const auto words = [&](const char* text) { return QCoreApplication::translate("Resolution", text); };
  const int whole = static_cast<int>(std::lround(ppi));
  if (ppi >= 220) return {whole, words("good for print"), theme::pine};
  if (ppi >= 96) return {whole, words("good for screen"), theme::ochre};
  return {whole, words("too coarse"), theme::ochre};
}

}  // namespace widecut

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
  if (ppi >= 220) return {whole, words("enough for print, which wants 220"), theme::pine};
  if (ppi >= 96) return {whole, words("enough for screens; print wants 220"), theme::ochre};
  return {whole, words("too coarse: screens want 96"), theme::ochre};
}

}  // namespace widecut

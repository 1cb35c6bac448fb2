// How alike a sheet looks as PNG and in other readers of its SVG and PDF.
#pragma once

#include <QImage>
#include <string>
#include <vector>

#include "project/model.h"

namespace widecut {

/// Differences from our PNG at 144 ppi, as means of all channels, 0…255.
struct Fidelity {
  struct Reader {
    std::string name;
    double worstTile = 0;  ///< Of tiles of 32 × 32 pixels, those at edges of either picture left out.
    double mean = 0;       ///< Of all pixels that are not at edges.
    double meanOfAll = 0;  ///< Edges included.
  };
  std::vector<Reader> readers;
  std::string text() const;
  static std::string heading();
};

/// The sheet as our own PNG (“png”), or as a reader draws its SVG or PDF, at 144 ppi.
QImage drawnBy(const std::string& reader, const Project& project, Id sheet);

/// Readers: rsvg, poppler, splash, chromium (of the SVG), ghostscript, mupdf. Those that are not there are an error.
Fidelity fidelityOf(const Project& project, Id sheet, const std::vector<std::string>& readers);

}  // namespace widecut

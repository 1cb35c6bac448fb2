// The formats that pieces come in.
#pragma once

#include <functional>
#include <span>
#include <string_view>

#include "project/model.h"

namespace widecut {

enum class FormatFamily : unsigned char { Print, Ad, Slides };

/// A format, declared once. Lengths in its unit.
struct Format {
  std::string_view name;  ///< As in “A4 tri-fold brochure”; also what pieces of it are called.
  double width, height;   ///< Of a sheet.
  double bleed, margin;
  /// Sheets by name, and where each is folded (x).
  struct SheetKind {
    std::string_view name;
    std::span<const double> folds = {};
  };
  std::span<const SheetKind> sheets;
  FormatFamily family;
  Unit unit;
};

std::span<const Format> formatTable();
/// The format with this name; null when there is none.
const Format* formatNamed(std::string_view name);

/// An empty piece of a format; its ids are taken from `nextId`.
PiecePtr newPiece(const Format& format, Id& nextId);
/// One of a size of the person's own, in points.
PiecePtr newPiece(double width, double height, Unit unit, Id& nextId);
/// Makes a piece; its ids are taken from the number given.
using PieceMaker = std::function<PiecePtr(Id& nextId)>;
/// A project of one piece, not named yet.
Project newProject(const PieceMaker& make);

}  // namespace widecut

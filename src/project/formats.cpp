#include "project/formats.h"

#include <algorithm>
#include <string>

namespace widecut {
namespace {

using SheetKind = Format::SheetKind;

// A panel that folds inwards is a little narrower than the others; the inside is the mirror image of the outside.
constexpr double outsideFolds[] = {97, 197}, insideFolds[] = {100, 200}, middle[] = {148.5};
constexpr SheetKind triFold[] = {{"Outside", outsideFolds}, {"Inside", insideFolds}};
constexpr SheetKind biFold[] = {{"Outside", middle}, {"Inside", middle}};
constexpr SheetKind bothSides[] = {{"Front"}, {"Back"}};
constexpr SheetKind single[] = {{"Sheet 1"}};

constexpr auto mm = Unit::Millimetre;
constexpr auto px = Unit::Pixel;
constexpr auto print = FormatFamily::Print;
constexpr auto ad = FormatFamily::Ad;
constexpr auto slides = FormatFamily::Slides;

constexpr Format table[] = {
    {"A4 tri-fold brochure", 297, 210, 3, 8, triFold, print, mm},
    {"A4 bi-fold brochure", 297, 210, 3, 10, biFold, print, mm},
    {"A5 flyer", 148, 210, 3, 8, bothSides, print, mm},
    {"A4 poster", 210, 297, 3, 12, single, print, mm},
    {"A3 poster", 297, 420, 3, 15, single, print, mm},
    {"Business card", 85, 55, 3, 5, bothSides, print, mm},
    {"Ad 300 × 250", 300, 250, 0, 12, single, ad, px},
    {"Ad 728 × 90", 728, 90, 0, 8, single, ad, px},
    {"Ad 160 × 600", 160, 600, 0, 10, single, ad, px},
    {"Ad 1080 × 1080", 1080, 1080, 0, 48, single, ad, px},
    {"Ad 1080 × 1920", 1080, 1920, 0, 64, single, ad, px},
    {"Slides 16:9", 1280, 720, 0, 48, single, slides, px},
    {"Slides 4:3", 1024, 768, 0, 40, single, slides, px},
};

Setting settingOf(Unit unit, double margin) { return {unit, margin, margin, margin, margin, 1, 0}; }

PiecePtr pieceOf(std::string name, const Setting& setting, std::vector<Sheet> sheets, Id& nextId) {
  Piece piece;
  piece.id = nextId++;
  piece.name = std::move(name);
  piece.setting = setting;
  for (Sheet& sheet : sheets) {
    sheet.id = nextId++;
    piece.sheets.push_back(std::make_shared<const Sheet>(std::move(sheet)));
  }
  return std::make_shared<const Piece>(std::move(piece));
}

}  // namespace

std::span<const Format> formatTable() { return table; }

const Format* formatNamed(std::string_view name) {
  const auto found = std::find_if(std::begin(table), std::end(table), [&](const Format& f) { return f.name == name; });
  return found == std::end(table) ? nullptr : found;
}

PiecePtr newPiece(const Format& format, Id& nextId) {
  const double unit = pointsPer(format.unit);
  std::vector<Sheet> sheets;
  for (const SheetKind& kind : format.sheets) {
    Sheet sheet;
    sheet.name = kind.name;
    sheet.width = format.width * unit;
    sheet.height = format.height * unit;
    sheet.bleed = format.bleed * unit;
    for (const double fold : kind.folds) sheet.folds.push_back(fold * unit);
    sheets.push_back(std::move(sheet));
  }
  return pieceOf(std::string(format.name), settingOf(format.unit, format.margin * unit), std::move(sheets), nextId);
}

PiecePtr newPiece(double width, double height, Unit unit, Id& nextId) {
  Sheet sheet;
  sheet.name = "Sheet 1";
  sheet.width = width;
  sheet.height = height;
  const std::string name = measureText(width, unit) + " × " + measureText(height, unit);
  return pieceOf(name, settingOf(unit, 0), {sheet}, nextId);
}

Project newProject(const PieceMaker& make) {
  Project project;
  project.name = "Untitled";
  project.pieces = {make(project.nextId)};
  return project;
}

}  // namespace widecut

// Edits of pieces and their sheets. A project keeps at least one sheet: what would take the last one changes nothing.
#pragma once

#include <span>

#include "project/formats.h"

namespace widecut {

/// The piece with this id; null when there is none.
PiecePtr findPiece(const Project& project, Id piece);
/// The piece a sheet belongs to; null when there is none.
PiecePtr pieceOf(const Project& project, Id sheet);

/// An empty sheet like this one (size, bleed, folds, paper), behind it in its piece.
Project withSheetAfter(const Project& project, Id sheet, Id& made);
/// A copy of the sheet with all that is on it, behind it in its piece.
Project withSheetCopied(const Project& project, Id sheet, Id& made);
/// Without these sheets. A piece that has none left goes too.
Project withoutSheets(const Project& project, std::span<const Id> sheets);
/// The sheet as number `place` (0 first, counted without itself) of a piece, its own or another one.
Project withSheetMoved(const Project& project, Id sheet, Id piece, std::size_t place);
/// A sheet or a piece with another name.
Project withName(const Project& project, Id sheetOrPiece, std::string name);
/// The sheet with folds at these x, in points; the other sheets of its piece keep theirs.
Project withFolds(const Project& project, Id sheet, std::vector<double> folds);
Project withPaper(const Project& project, Id sheet, Colour paper);

/// Items of sheets moved to another sheet, on top, where they were; parts of cutouts and members of groups stay.
Project withItemsOnSheet(const Project& project, std::span<const Id> items, Id sheet);
/// Copies of them there; those on the sheet itself lie `shift` points off. `copies` receives their ids.
Project withCopiesOnSheet(const Project& project, std::span<const Id> items, Id sheet, Point shift,
                          std::vector<Id>& copies);

/// Another piece, behind the others.
Project withNewPiece(const Project& project, const PieceMaker& make);
Project withoutPiece(const Project& project, Id piece);
Project withPieceMoved(const Project& project, Id piece, std::size_t place);

/// What all sheets of a piece have in common, and may get otherwise.
struct PieceForm {
  double width = 0, height = 0, bleed = 0;  ///< Points.
  Setting setting;
};
enum class Kept : unsigned char { WhereTheyAre, Scaled };
/// The piece's sheets in another form. Items stay where they are, or are scaled along by the smaller of both ratios and
/// centred; then folds keep their share of the width.
Project withPieceForm(const Project& project, Id piece, const PieceForm& form, Kept kept);
/// The items of a piece's sheets after its margins were others: those whose edge lay on a margin go along with it, and
/// those that lay on two that face each other are resized. Those that are locked stay.
Project withItemsAtMargins(const Project& project, Id piece, const Setting& before);
/// That of the first sheet of a piece.
PieceForm formOf(const Piece& piece);

}  // namespace widecut

#include "app/desk/sheets.h"

#include <algorithm>

#include "project/edits/sheets.h"

namespace widecut {

void newSheet(Desk& desk) {
  Id made = 0;
  if (desk.commit(Desk::tr("New sheet"), withSheetAfter(desk.settled(), desk.sheet()->id, made))) desk.goToSheet(made);
}

void duplicateSheet(Desk& desk) {
  Id made = 0;
  if (desk.commit(Desk::tr("Duplicate sheet"), withSheetCopied(desk.settled(), desk.sheet()->id, made)))
    desk.goToSheet(made);
}

void deleteSheet(Desk& desk) {
  const SheetPtr sheet = desk.sheet();
  const auto sheets = sheetsOf(desk.settled());
  if (sheets.size() < 2) return;
  const auto at = std::find(sheets.begin(), sheets.end(), sheet);
  const Id neighbour = at + 1 != sheets.end() ? (*(at + 1))->id : (*(at - 1))->id;
  desk.goToSheet(neighbour);
  if (desk.commit(Desk::tr("Delete sheet"), withoutSheets(desk.settled(), std::vector<Id>{sheet->id})))
    emit desk.told(Desk::tr("“%1” is deleted: undo brings it back").arg(QString::fromStdString(sheet->name)));
}

void deletePiece(Desk& desk) {
  const PiecePtr piece = pieceOf(desk.settled(), desk.sheet()->id);
  if (desk.commit(Desk::tr("Delete piece"), withoutPiece(desk.settled(), piece->id)))
    emit desk.told(Desk::tr("“%1” is deleted: undo brings it back").arg(QString::fromStdString(piece->name)));
}

}  // namespace widecut

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
  const auto chosen = desk.chosenSheets();
  // The next one that stays opens, or else the last one before.
  SheetPtr neighbour;
  bool isBehind = false;
  for (const SheetPtr& one : sheetsOf(desk.settled())) {
    isBehind = isBehind || one == sheet;
    if (std::find(chosen.begin(), chosen.end(), one->id) != chosen.end()) continue;
    neighbour = one;
    if (isBehind) break;
  }
  if (!neighbour) {
    emit desk.told(Desk::tr("A project keeps one sheet at least"));
    return;
  }
  desk.goToSheet(neighbour->id);
  if (desk.commit(chosen.size() == 1 ? Desk::tr("Delete sheet") : Desk::tr("Delete sheets"),
                  withoutSheets(desk.settled(), chosen)))
    emit desk.told(chosen.size() == 1
                       ? Desk::tr("“%1” is deleted: undo brings it back").arg(QString::fromStdString(sheet->name))
                       : Desk::tr("%1 sheets are deleted: undo brings them back").arg(chosen.size()));
}

void deletePiece(Desk& desk) {
  const PiecePtr piece = pieceOf(desk.settled(), desk.sheet()->id);
  if (desk.commit(Desk::tr("Delete piece"), withoutPiece(desk.settled(), piece->id)))
    emit desk.told(Desk::tr("“%1” is deleted: undo brings it back").arg(QString::fromStdString(piece->name)));
}

}  // namespace widecut

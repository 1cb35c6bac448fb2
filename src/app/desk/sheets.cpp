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
  const auto goes = [&](const SheetPtr& one) {
    return std::find(chosen.begin(), chosen.end(), one->id) != chosen.end();
  };
  const auto sheets = sheetsOf(desk.settled());
  // The next one that stays opens, or else the last one before.
  SheetPtr neighbour;
  for (const SheetPtr& one : sheets) {
    if (goes(one)) continue;
    const bool isBehind = std::find(sheets.begin(), sheets.end(), one) > std::find(sheets.begin(), sheets.end(), sheet);
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

#include "project/edits/sheets.h"

#include <algorithm>

#include "project/columns.h"
#include "project/edits/places.h"
#include "project/edits/tree.h"
#include "project/names.h"
#include "project/resolve.h"

namespace widecut {
namespace {

/// The project with one piece replaced by change(piece).
Project withPiece(const Project& project, Id id, const std::function<Piece(const Piece&)>& change) {
  Project next = project;
  for (PiecePtr& piece : next.pieces)
    if (piece->id == id) piece = std::make_shared<const Piece>(change(*piece));
  return next;
}

Project withSheetBehind(const Project& project, Id before, Sheet sheet) {
  const PiecePtr piece = pieceOf(project, before);
  if (!piece) return project;
  return withPiece(project, piece->id, [&](const Piece& had) {
    Piece out = had;
    const auto at =
        std::find_if(out.sheets.begin(), out.sheets.end(), [&](const SheetPtr& one) { return one->id == before; });
    out.sheets.insert(at + 1, std::make_shared<const Sheet>(std::move(sheet)));
    return out;
  });
}

std::vector<std::string> sheetNames(const Piece& piece) {
  std::vector<std::string> names;
  names.reserve(piece.sheets.size());
  for (const SheetPtr& sheet : piece.sheets) names.push_back(sheet->name);
  return names;
}

}  // namespace

PiecePtr findPiece(const Project& project, Id id) {
  for (const PiecePtr& piece : project.pieces)
    if (piece->id == id) return piece;
  return nullptr;
}

PiecePtr pieceOf(const Project& project, Id id) {
  for (const PiecePtr& piece : project.pieces)
    for (const SheetPtr& sheet : piece->sheets)
      if (sheet->id == id) return piece;
  return nullptr;
}

Project withSheetAfter(const Project& project, Id id, Id& made) {
  const SheetPtr like = findSheet(project, id);
  if (!like) return project;
  Sheet sheet = *like;
  sheet.id = made = project.nextId;
  sheet.name = UniqueNames(sheetNames(*pieceOf(project, id))).take("Sheet 1");
  sheet.items = {};
  sheet.extra.clear();
  Project next = withSheetBehind(project, id, std::move(sheet));
  ++next.nextId;
  return next;
}

Project withSheetCopied(const Project& project, Id id, Id& made) {
  const SheetPtr like = findSheet(project, id);
  if (!like) return project;
  Sheet sheet = *like;
  Id nextId = project.nextId;
  sheet.id = made = nextId++;
  sheet.name = UniqueNames(sheetNames(*pieceOf(project, id))).take(like->name);
  sheet.items = {};
  const std::vector<ItemPtr> items(like->items.begin(), like->items.end());
  for (Item& item : freshCopies(items, nextId)) sheet.items.push_back(std::make_shared<const Item>(std::move(item)));
  Project next = withSheetBehind(project, id, std::move(sheet));
  next.nextId = nextId;
  return next;
}

Project withoutSheets(const Project& project, std::span<const Id> sheets) {
  Project next = project;
  for (PiecePtr& piece : next.pieces) {
    Piece left = *piece;
    std::erase_if(left.sheets, [&](const SheetPtr& sheet) {
      return std::find(sheets.begin(), sheets.end(), sheet->id) != sheets.end();
    });
    if (left.sheets.size() != piece->sheets.size()) piece = std::make_shared<const Piece>(std::move(left));
  }
  std::erase_if(next.pieces, [](const PiecePtr& piece) { return piece->sheets.empty(); });
  return next.pieces.empty() ? project : next;
}

Project withSheetMoved(const Project& project, Id id, Id to, std::size_t place) {
  const SheetPtr sheet = findSheet(project, id);
  if (!sheet || !findPiece(project, to)) return project;
  Project next = project;
  for (PiecePtr& piece : next.pieces) {
    Piece changed = *piece;
    std::erase(changed.sheets, sheet);
    if (piece->id == to) {
      const auto at = static_cast<std::ptrdiff_t>(std::min(place, changed.sheets.size()));
      changed.sheets.insert(changed.sheets.begin() + at, sheet);
    }
    if (changed.sheets != piece->sheets) piece = std::make_shared<const Piece>(std::move(changed));
  }
  std::erase_if(next.pieces, [](const PiecePtr& piece) { return piece->sheets.empty(); });
  return next;
}

Project withName(const Project& project, Id id, std::string name) {
  if (findPiece(project, id))
    return withPiece(project, id, [&](const Piece& piece) {
      Piece out = piece;
      out.name = std::move(name);
      return out;
    });
  return withSheet(project, id, [&](const Sheet& sheet) {
    Sheet out = sheet;
    out.name = std::move(name);
    return out;
  });
}

Project withFolds(const Project& project, Id id, std::vector<double> folds) {
  return withSheet(project, id, [&](const Sheet& sheet) {
    Sheet out = sheet;
    out.folds = std::move(folds);
    return out;
  });
}

Project withPaper(const Project& project, Id id, Colour paper) {
  return withSheet(project, id, [&](const Sheet& sheet) {
    Sheet out = sheet;
    out.paper = paper;
    return out;
  });
}

Project withItemsOnSheet(const Project& project, std::span<const Id> ids, Id to) {
  const auto items = combinable(project, ids);
  if (items.empty() || !findSheet(project, to) || sheetOf(project, items.front()->id)->id == to) return project;
  std::vector<Id> moved;
  moved.reserve(items.size());
  for (const ItemPtr& item : items) moved.push_back(item->id);
  return withSheet(withoutItems(project, moved), to, [&](const Sheet& sheet) {
    Sheet out = sheet;
    for (const ItemPtr& item : items) out.items.push_back(item);
    return out;
  });
}

Project withCopiesOnSheet(const Project& project, std::span<const Id> ids, Id to, Point shift,
                          std::vector<Id>& copies) {
  const auto items = combinable(project, ids);
  const bool onItself = !items.empty() && sheetOf(project, items.front()->id)->id == to;
  return withCopiesOnTop(project, to, items, onItself ? shift : Point{}, copies);
}

Project withNewPiece(const Project& project, const PieceMaker& make) {
  Project next = project;
  std::vector<std::string> names;
  names.reserve(project.pieces.size());
  for (const PiecePtr& piece : project.pieces) names.push_back(piece->name);
  Piece piece = *make(next.nextId);
  piece.name = UniqueNames(names).take(piece.name);
  next.pieces.push_back(std::make_shared<const Piece>(std::move(piece)));
  return next;
}

Project withoutPiece(const Project& project, Id id) {
  if (project.pieces.size() < 2) return project;
  Project next = project;
  std::erase_if(next.pieces, [&](const PiecePtr& piece) { return piece->id == id; });
  return next;
}

Project withPieceMoved(const Project& project, Id id, std::size_t place) {
  const PiecePtr piece = findPiece(project, id);
  if (!piece) return project;
  Project next = project;
  std::erase(next.pieces, piece);
  next.pieces.insert(next.pieces.begin() + static_cast<std::ptrdiff_t>(std::min(place, next.pieces.size())), piece);
  return next;
}

PieceForm formOf(const Piece& piece) {
  const Sheet& first = *piece.sheets.front();
  return {first.width, first.height, first.bleed, piece.setting};
}

Project withPieceForm(const Project& project, Id id, const PieceForm& form, Kept kept) {
  return withPiece(project, id, [&](const Piece& piece) {
    Piece out = piece;
    out.setting = form.setting;
    for (SheetPtr& sheet : out.sheets) {
      Sheet next = *sheet;
      next.width = form.width;
      next.height = form.height;
      next.bleed = form.bleed;
      const double scale = std::min(form.width / sheet->width, form.height / sheet->height);
      const bool sizeChanges = form.width != sheet->width || form.height != sheet->height;
      if (kept == Kept::Scaled && sizeChanges) {
        const Point rest{(form.width - scale * sheet->width) / 2, (form.height - scale * sheet->height) / 2};
        const Affine map = Affine::move(rest) * Affine::scale(scale, scale);
        next.items = {};
        for (const ItemPtr& item : sheet->items) next.items.push_back(std::make_shared<const Item>(mapped(*item, map)));
        for (double& fold : next.folds) fold = fold / sheet->width * form.width;
      }
      if (!isSame(next, *sheet)) sheet = std::make_shared<const Sheet>(std::move(next));
    }
    return out;
  });
}

Project withItemsAtMargins(const Project& project, Id id, const Setting& before) {
  const PiecePtr piece = findPiece(project, id);
  if (!piece) return project;
  Project next = project;
  for (const SheetPtr& sheet : piece->sheets) {
    const Box from = marginBox(*sheet, before), to = marginBox(*sheet, piece->setting);
    for (const ItemPtr& item : sheet->items) {
      if (item->locked) continue;
      const Box box = boxInParent(*item);
      constexpr double close = 0.01;  // points
      const auto along = [&](double low, double high, double fromLow, double fromHigh, double toLow, double toHigh) {
        const bool atLow = std::abs(low - fromLow) < close, atHigh = std::abs(high - fromHigh) < close;
        if (atLow && atHigh && toHigh > toLow) return std::pair{toLow, toHigh};
        const double by = atLow ? toLow - fromLow : atHigh ? toHigh - fromHigh : 0;
        return std::pair{low + by, high + by};
      };
      const auto [left, right] = along(box.low.x, box.high.x, from.low.x, from.high.x, to.low.x, to.high.x);
      const auto [top, foot] = along(box.low.y, box.high.y, from.low.y, from.high.y, to.low.y, to.high.y);
      const Box wanted{{left, top}, {right, foot}};
      if (box.isEmpty() || wanted == box) continue;
      const auto grown = [](double size, double want) { return size > 0 ? want / size : 1; };
      const Affine scale = Affine::scale(grown(box.width(), wanted.width()), grown(box.height(), wanted.height()));
      const Id one[] = {item->id};
      next = withResized(next, one, Affine::move(wanted.low) * scale * Affine::move(-box.low));
    }
  }
  return next;
}

}  // namespace widecut

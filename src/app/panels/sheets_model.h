// The pieces and sheets of a project as Qt's list model.
#pragma once

#include <QAbstractListModel>
#include <QTimer>

#include "app/desk/desk.h"
#include "app/panels/seen_pictures.h"

namespace widecut {

/// Pieces and their sheets, one row each, with pictures that are painted when they are asked for, on another thread.
class SheetsModel : public QAbstractListModel {
  Q_OBJECT
 public:
  enum Role : int { SheetId = Qt::UserRole, PictureOf, SizeOf };

  explicit SheetsModel(Desk& desk, QObject* parent = nullptr);

  int rowCount(const QModelIndex& parent = {}) const override;
  /// SheetId is 0 for a piece. PictureOf is the newest picture that there is, a null image at first; asking for one
  /// that is not up to date makes a new one.
  QVariant data(const QModelIndex& index, int role) const override;
  Qt::ItemFlags flags(const QModelIndex& index) const override;
  /// Another name. Says so, and changes nothing itself.
  bool setData(const QModelIndex& index, const QVariant& value, int role) override;
  Qt::DropActions supportedDropActions() const override { return Qt::MoveAction | Qt::CopyAction; }
  QStringList mimeTypes() const override;
  QMimeData* mimeData(const QModelIndexList& indexes) const override;
  bool canDropMimeData(const QMimeData* data, Qt::DropAction action, int row, int column,
                       const QModelIndex& parent) const override;
  /// Says what was dropped where, and changes nothing itself.
  bool dropMimeData(const QMimeData* data, Qt::DropAction action, int row, int column,
                    const QModelIndex& parent) override;
  /// Of a sheet or a piece; an invalid index when there is none.
  QModelIndex indexOf(Id sheetOrPiece) const;
  void setPixelRatio(double ratio);

 signals:
  void renameWanted(Id sheetOrPiece, const QString& name);
  /// A sheet is to be number `place` of a piece, counted without itself; a piece number `place` of all.
  void sheetMoved(Id sheet, Id piece, std::size_t place);
  void pieceMoved(Id piece, std::size_t place);
  void itemsDropped(const std::vector<Id>& items, Id sheet, bool copies);

 private:
  struct Row {
    Id id = 0;
    QString name;
    SheetPtr sheet;  ///< Null for a piece.
    int number = 0;  ///< Of the sheet, from 1.
  };
  std::vector<Row> rowsNow() const;
  void follow();
  QImage pictureOf(const SheetPtr& sheet) const;

  Desk& desk_;
  std::vector<Row> rows_;
  QTimer soon_;
  double ratio_ = 1;
  mutable SeenPictures pictures_;
};

}  // namespace widecut

// Left of the mat: the sheets, grouped by piece.
#pragma once

#include <QAbstractListModel>
#include <QListView>
#include <QThreadPool>
#include <QTimer>
#include <unordered_map>

#include "app/desk/desk.h"

namespace widecut {

/// Pieces and their sheets, one row each, with pictures that are painted when they are asked for, on another thread.
class SheetsModel : public QAbstractListModel {
  Q_OBJECT
 public:
  enum Role : int { SheetId = Qt::UserRole, PictureOf, SizeOf };

  explicit SheetsModel(Desk& desk, QObject* parent = nullptr);
  ~SheetsModel() override;

  int rowCount(const QModelIndex& parent = {}) const override;
  /// SheetId is 0 for a piece. PictureOf is the newest picture that there is, a null image at first; asking for one
  /// that is not up to date makes a new one.
  QVariant data(const QModelIndex& index, int role) const override;
  Qt::ItemFlags flags(const QModelIndex& index) const override;
  QModelIndex indexOf(Id sheet) const;
  void setPixelRatio(double ratio);

 private:
  struct Row {
    Id id = 0;
    QString name;
    SheetPtr sheet;  ///< Null for a piece.
    int number = 0;  ///< Of the sheet, from 1.
  };
  struct Picture {
    SheetPtr of;
    QImage image;
    SheetPtr wanted;  ///< What is being painted.
    unsigned lastUse = 0;
  };
  std::vector<Row> rowsNow() const;
  void follow();
  QImage pictureOf(const SheetPtr& sheet) const;
  void take(const SheetPtr& sheet, QImage image);

  Desk& desk_;
  std::vector<Row> rows_;
  QTimer soon_;
  double ratio_ = 1;
  mutable std::unordered_map<Id, Picture> pictures_;
  mutable unsigned uses_ = 0;
  mutable QThreadPool painters_;
};

/// Thumbnails of every sheet; a click or an arrow key goes there.
class SheetsPanel : public QWidget {
  Q_OBJECT
 public:
  explicit SheetsPanel(Desk& desk, QWidget* parent = nullptr);

 private:
  void showOpenSheet();
  Desk& desk_;
  SheetsModel* model_;
  QListView* view_;
};

}  // namespace widecut

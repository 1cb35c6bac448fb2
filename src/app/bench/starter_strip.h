// The kinds of starters as a row of pictures that is searched by typing.
#pragma once

#include <QAbstractListModel>
#include <QImage>
#include <QListView>
#include <map>
#include <vector>

#include "app/desk/desk.h"

class QLineEdit;

namespace widecut {

/// Last used ones first, then family by family; only those whose names match what is typed.
class StartersModel : public QAbstractListModel {
  Q_OBJECT
 public:
  enum Of { PictureOf = Qt::UserRole, FamilyOf };
  StartersModel(Desk& desk, QObject* parent);
  int rowCount(const QModelIndex& parent = {}) const override;
  QVariant data(const QModelIndex& index, int role) const override;
  const StarterKind* kindAt(const QModelIndex& index) const;
  void filter(const QString& text);
  /// Pictures in another colour, other ones used last.
  void refresh();
  void setPixelRatio(double ratio) { ratio_ = ratio; }
  /// The first row of a family; −1 when none of it shows.
  int rowOf(const QString& family) const;

 private:
  struct Entry {
    const StarterKind* kind;
    QString family;
  };
  QImage pictureOf(const StarterKind& kind) const;
  Desk& desk_;
  QString text_;
  std::vector<Entry> entries_;
  Colour colour_{};
  double ratio_ = 1;
  mutable std::map<const StarterKind*, QImage> pictures_;
};

/// A row of pictures. A click or Enter chooses; a drag takes one away.
class StarterRow : public QListView {
  Q_OBJECT
 public:
  StarterRow(Desk& desk, QWidget* parent);
  StartersModel& starters() { return *model_; }

 signals:
  void chosen(const widecut::StarterKind* kind);
  /// The pointer, or the keys, are on it; null when they left.
  void pointedAt(const widecut::StarterKind* kind);
  /// A drag goes on at this place of the screen, or ends.
  void dragged(const widecut::StarterKind* kind, QPoint onScreen);
  void dragEnded(const widecut::StarterKind* kind, QPoint onScreen);

 protected:
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  void wheelEvent(QWheelEvent* event) override;
  void leaveEvent(QEvent* event) override;

 private:
  StartersModel* model_;
  const StarterKind* pressed_ = nullptr;
  bool dragging_ = false;
  QPoint pressedAt_;
};

}  // namespace widecut

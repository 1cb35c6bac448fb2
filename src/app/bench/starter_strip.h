// The kinds of starters as a row of pictures that is searched by typing.
#pragma once

#include <QAbstractListModel>
#include <QImage>
#include <QListView>
#include <map>
#include <vector>

#include "app/desk/offer.h"
#include "shapes/typed_starter.h"

class QLineEdit;

namespace widecut {

/// Last used ones first, then family by family, then the shelf; only those whose names match what is typed.
class StartersModel : public QAbstractListModel {
  Q_OBJECT
 public:
  enum Of { PictureOf = Qt::UserRole, FamilyOf };
  enum class Shelved : unsigned char { No, Yes };
  /// With what is on the shelf, or without.
  StartersModel(Desk& desk, Shelved shelved, QObject* parent);
  int rowCount(const QModelIndex& parent = {}) const override;
  QVariant data(const QModelIndex& index, int role) const override;
  bool setData(const QModelIndex& index, const QVariant& value, int role) override;
  Qt::ItemFlags flags(const QModelIndex& index) const override;
  Offer at(const QModelIndex& index) const;
  /// Only those that a text finds, by their names or by other words for them; `typed` is what it says of size and
  /// numbers, which the first picture shows.
  void filter(const QString& text, const std::optional<TypedStarter>& typed = std::nullopt);
  /// Pictures in another colour, other ones used last.
  void refresh();
  void setPixelRatio(double ratio) { ratio_ = ratio; }
  /// The first row of a family; −1 when none of it shows.
  int rowOf(const QString& family) const;

 private:
  struct Entry {
    Offer offer;
    QString family;
    QString called = {};  ///< The other word that found it.
  };
  QImage pictureOf(const Offer& offer) const;
  Desk& desk_;
  QString text_;
  std::optional<TypedStarter> typed_;
  std::vector<Entry> entries_;
  Colour colour_{};
  double ratio_ = 1;
  Shelved shelved_;
  mutable std::map<QString, QImage> pictures_;
};

/// A row of pictures. A click or Enter chooses; a drag takes one away.
class StarterRow : public QListView {
  Q_OBJECT
 public:
  StarterRow(Desk& desk, StartersModel::Shelved shelved, QWidget* parent);
  StartersModel& starters() { return *model_; }
  /// From now on letters find, while it has the keys: there is no field to type them into.
  void findByTyping();

 signals:
  void chosen(const widecut::Offer& offer);
  /// The pointer, or the keys, are on it; an empty one when they left.
  void pointedAt(const widecut::Offer& offer);
  /// A drag goes on at this place of the screen, or ends.
  void dragged(const widecut::Offer& offer, QPoint onScreen);
  void dragEnded(const widecut::Offer& offer);

 protected:
  bool event(QEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  void wheelEvent(QWheelEvent* event) override;
  void leaveEvent(QEvent* event) override;
  void contextMenuEvent(QContextMenuEvent* event) override;

 private:
  bool isLetter(const QKeyEvent& key) const;
  void find(const QString& typed);

  Desk& desk_;
  StartersModel* model_;
  bool findsByTyping_ = false;
  QString typed_;
  Offer pressed_;
  bool dragging_ = false;
  QPoint pressedAt_;
};

}  // namespace widecut

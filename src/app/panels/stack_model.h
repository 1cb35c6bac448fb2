// The stack of a sheet as Qt's tree model.
#pragma once

#include <QAbstractItemModel>
#include <QIcon>
#include <map>
#include <memory>
#include <span>
#include <unordered_map>

#include "app/panels/seen_pictures.h"
#include "media/photo.h"
#include "project/edits/order.h"

namespace widecut {

/// The items of a sheet, front first, each with what is inside it: the parts of a recipe from the first one on, with
/// the signs of their roles; what is in a group or repeat, from the front. Follows a sheet's changes by as few rows as
/// it can.
class StackModel : public QAbstractItemModel {
  Q_OBJECT
 public:
  enum Column : int { Name, Eye, Lock, columns };
  enum Role : int { IdRole = Qt::UserRole };
  /// What rows say of items that need a look: by their ids. They wear an amber corner and tell it.
  using Troubles = std::map<Id, QString>;
  void setTroubles(Troubles troubles);

  /// With photos, rows have pictures, which are painted when they are seen.
  explicit StackModel(PhotoStore* photos = nullptr, QObject* parent = nullptr);
  ~StackModel() override;

  /// Shows this sheet, of the same project or another one.
  void follow(const SheetPtr& sheet);
  /// The row of an item; an invalid index when it is not in the stack.
  QModelIndex indexOf(Id item) const;

  QModelIndex index(int row, int column, const QModelIndex& parent = {}) const override;
  QModelIndex parent(const QModelIndex& index) const override;
  int rowCount(const QModelIndex& parent = {}) const override;
  int columnCount(const QModelIndex& = {}) const override { return columns; }
  QVariant data(const QModelIndex& index, int role) const override;
  /// Another name. Says so, and changes nothing itself.
  bool setData(const QModelIndex& index, const QVariant& value, int role) override;
  Qt::ItemFlags flags(const QModelIndex& index) const override;
  Qt::DropActions supportedDropActions() const override { return Qt::MoveAction; }
  QStringList mimeTypes() const override;
  /// The ids of the rows' items.
  QMimeData* mimeData(const QModelIndexList& indexes) const override;
  /// Says where items were dropped, and changes nothing itself.
  bool dropMimeData(const QMimeData* data, Qt::DropAction action, int row, int column,
                    const QModelIndex& parent) override;

 signals:
  void renameWanted(Id item, const QString& name);
  void moveWanted(const std::vector<Id>& items, const StackPlace& to);

 private:
  struct Node;
  using Nodes = std::vector<std::unique_ptr<Node>>;
  /// An item as it is to stand in the stack.
  struct Wanted {
    ItemPtr item;
    QString sign;
  };
  static std::vector<Wanted> inside(const Item& item);
  Node* nodeAt(const QModelIndex& index) const;
  QModelIndex indexOf(const Node& node, int column = 0) const;
  void follow(Node& parent, const std::vector<Wanted>& wanted);
  void update(Node& node, const Wanted& wanted);
  void remove(Node& parent, std::size_t from, std::size_t count);
  void insert(Node& parent, std::size_t at, std::span<const Wanted> wanted);
  std::unique_ptr<Node> made(Node& parent, const Wanted& wanted);
  void forget(const Node& node);

  SheetPtr sheet_;
  std::unique_ptr<Node> root_;
  std::unordered_map<Id, Node*> nodes_;
  QIcon eye_, eyeShut_, lock_, lockOpen_;
  Troubles troubles_;
  PhotoStore* photos_;
  mutable SeenPictures pictures_;
};

}  // namespace widecut

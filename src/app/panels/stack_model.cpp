#include "app/panels/stack_model.h"

#include <algorithm>

#include "app/look/theme.h"
#include "project/edits/cutouts.h"
#include "project/forms/form.h"
#include "project/forms/recipe.h"

namespace widecut {

struct StackModel::Node {
  Node* parent = nullptr;
  std::size_t row = 0;
  ItemPtr item;
  QString sign;
  Nodes children;
};

StackModel::StackModel(QObject* parent)
    : QAbstractItemModel(parent),
      root_(std::make_unique<Node>()),
      eye_(theme::icon("eye")),
      eyeShut_(theme::icon("eye-shut")) {}

StackModel::~StackModel() = default;

std::vector<StackModel::Wanted> StackModel::inside(const Item& item) {
  std::vector<Wanted> all;
  if (const Recipe* recipe = item.recipe()) {
    const auto roles = rolesOf(*recipe);
    for (std::size_t i = 0; i < recipe->parts.size(); ++i) all.push_back({recipe->parts[i], theme::signOf(roles[i])});
    return all;
  }
  const auto& children = childrenOf(item);
  for (auto child = children.rbegin(); child != children.rend(); ++child) all.push_back({*child, {}});
  return all;
}

void StackModel::follow(const SheetPtr& sheet) {
  if (sheet == sheet_) return;
  std::vector<Wanted> wanted;
  wanted.reserve(sheet->items.size());
  for (auto item = sheet->items.rbegin(); item != sheet->items.rend(); ++item) wanted.push_back({*item, {}});
  sheet_ = sheet;
  follow(*root_, wanted);
}

/// What is the same at both ends stays; what lies between goes, and comes.
void StackModel::follow(Node& parent, const std::vector<Wanted>& wanted) {
  const Nodes& had = parent.children;
  const auto isSame = [](const std::unique_ptr<Node>& node, const Wanted& w) { return node->item->id == w.item->id; };
  const std::size_t most = std::min(had.size(), wanted.size());
  std::size_t head = 0, tail = 0;
  while (head < most && isSame(had[head], wanted[head])) ++head;
  while (tail < most - head && isSame(had[had.size() - 1 - tail], wanted[wanted.size() - 1 - tail])) ++tail;
  remove(parent, head, had.size() - head - tail);
  const std::size_t fresh = wanted.size() - head - tail;
  insert(parent, head, std::span(wanted).subspan(head, fresh));
  for (std::size_t i = 0; i < wanted.size(); ++i)
    if (i < head || i >= head + fresh) update(*parent.children[i], wanted[i]);
}

void StackModel::update(Node& node, const Wanted& wanted) {
  if (node.item == wanted.item && node.sign == wanted.sign) return;
  const ItemPtr before = std::exchange(node.item, wanted.item);
  const bool reads = before->name == node.item->name && before->hidden == node.item->hidden && node.sign == wanted.sign;
  node.sign = wanted.sign;
  if (!reads) emit dataChanged(indexOf(node), indexOf(node, columns - 1));
  if (before->form != node.item->form) follow(node, inside(*node.item));
}

void StackModel::remove(Node& parent, std::size_t from, std::size_t count) {
  if (count == 0) return;
  const auto first = static_cast<std::ptrdiff_t>(from), end = static_cast<std::ptrdiff_t>(from + count);
  beginRemoveRows(indexOf(parent), static_cast<int>(first), static_cast<int>(end - 1));
  for (std::size_t i = from; i < from + count; ++i) forget(*parent.children[i]);
  parent.children.erase(parent.children.begin() + first, parent.children.begin() + end);
  for (std::size_t i = from; i < parent.children.size(); ++i) parent.children[i]->row = i;
  endRemoveRows();
}

void StackModel::insert(Node& parent, std::size_t at, std::span<const Wanted> wanted) {
  if (wanted.empty()) return;
  beginInsertRows(indexOf(parent), static_cast<int>(at), static_cast<int>(at + wanted.size() - 1));
  Nodes fresh;
  fresh.reserve(wanted.size());
  for (const Wanted& w : wanted) fresh.push_back(made(parent, w));
  parent.children.insert(parent.children.begin() + static_cast<std::ptrdiff_t>(at),
                         std::make_move_iterator(fresh.begin()), std::make_move_iterator(fresh.end()));
  for (std::size_t i = at; i < parent.children.size(); ++i) parent.children[i]->row = i;
  endInsertRows();
}

std::unique_ptr<StackModel::Node> StackModel::made(Node& parent, const Wanted& wanted) {
  auto node = std::make_unique<Node>();
  node->parent = &parent;
  node->item = wanted.item;
  node->sign = wanted.sign;
  nodes_[wanted.item->id] = node.get();
  for (const Wanted& child : inside(*wanted.item)) {
    node->children.push_back(made(*node, child));
    node->children.back()->row = node->children.size() - 1;
  }
  return node;
}

void StackModel::forget(const Node& node) {
  // An item that moved may stand elsewhere already.
  if (const auto known = nodes_.find(node.item->id); known != nodes_.end() && known->second == &node)
    nodes_.erase(known);
  for (const auto& child : node.children) forget(*child);
}

StackModel::Node* StackModel::nodeAt(const QModelIndex& index) const {
  return index.isValid() ? static_cast<Node*>(index.internalPointer()) : root_.get();
}

QModelIndex StackModel::indexOf(const Node& node, int column) const {
  return &node == root_.get() ? QModelIndex() : createIndex(static_cast<int>(node.row), column, &node);
}

QModelIndex StackModel::indexOf(Id item) const {
  const auto known = nodes_.find(item);
  return known == nodes_.end() ? QModelIndex() : indexOf(*known->second);
}

QModelIndex StackModel::index(int row, int column, const QModelIndex& parent) const {
  if (!hasIndex(row, column, parent)) return {};
  return createIndex(row, column, nodeAt(parent)->children[static_cast<std::size_t>(row)].get());
}

QModelIndex StackModel::parent(const QModelIndex& index) const {
  return index.isValid() ? indexOf(*nodeAt(index)->parent) : QModelIndex();
}

int StackModel::rowCount(const QModelIndex& parent) const {
  return parent.column() > 0 ? 0 : static_cast<int>(nodeAt(parent)->children.size());
}

QVariant StackModel::data(const QModelIndex& index, int role) const {
  if (!index.isValid()) return {};
  const Node& node = *nodeAt(index);
  const bool hidden = node.item->hidden;
  if (role == IdRole) return QVariant::fromValue<qulonglong>(node.item->id);
  if (index.column() == Eye) {
    if (role == Qt::DecorationRole) return hidden ? eyeShut_ : eye_;
    if (role == Qt::ToolTipRole || role == Qt::AccessibleTextRole) return hidden ? tr("Show") : tr("Hide");
    return {};
  }
  const QString name = QString::fromStdString(node.item->name);
  if (role == Qt::DisplayRole) return node.sign.isEmpty() ? name : node.sign + "  " + name;
  if (role == Qt::ToolTipRole) return name;
  if (role == Qt::ForegroundRole && hidden) return theme::slate;
  return {};
}

}  // namespace widecut

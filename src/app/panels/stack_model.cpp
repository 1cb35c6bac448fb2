#include "app/panels/stack_model.h"

#include <QMimeData>
#include <algorithm>

#include "app/desk/carrying.h"
#include "app/look/amber_corner.h"
#include "app/look/shown_picture.h"
#include "app/look/theme.h"
#include "painting/item_picture.h"
#include "project/edits/cutouts.h"
#include "project/forms/form.h"
#include "project/forms/recipe.h"

namespace widecut {

namespace {

constexpr std::size_t mostPictures = 500;
constexpr QSize pictureSize{24, 20};

QImage pictureOfRow(const ItemPtr& item, PhotoStore& photos) {
  Item shown = *item;
  shown.hidden = false;
  return pictureOf({std::make_shared<const Item>(std::move(shown))}, photos, pictureSize, 2, {}, Photos::Wait);
}

}  // namespace

struct StackModel::Node {
  Node* parent = nullptr;
  std::size_t row = 0;
  ItemPtr item;
  QString sign;
  Nodes children;
};

StackModel::StackModel(PhotoStore* photos, QObject* parent)
    : QAbstractItemModel(parent),
      root_(std::make_unique<Node>()),
      eye_(theme::icon("eye")),
      eyeShut_(theme::icon("eye-shut")),
      lock_(theme::icon("lock")),
      lockOpen_(theme::icon("lock-open")),
      photos_(photos),
      pictures_(mostPictures) {
  connect(&pictures_, &SeenPictures::ready, this, [this](Id item) {
    const QModelIndex changed = indexOf(item);
    if (changed.isValid()) emit dataChanged(changed, changed, {Qt::DecorationRole});
  });
}

StackModel::~StackModel() = default;

void StackModel::setTroubles(Troubles troubles) {
  const Troubles before = std::exchange(troubles_, std::move(troubles));
  const auto tell = [&](const Troubles& all, const Troubles& others) {
    for (const auto& [id, text] : all) {
      const auto other = others.find(id);
      const QModelIndex changed = indexOf(id);
      if (changed.isValid() && (other == others.end() || other->second != text)) emit dataChanged(changed, changed);
    }
  };
  tell(before, troubles_);
  tell(troubles_, before);
}

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
  const bool reads = before->name == node.item->name && before->hidden == node.item->hidden &&
                     before->locked == node.item->locked && before->paleBy == node.item->paleBy &&
                     before->form == node.item->form && before->style == node.item->style && node.sign == wanted.sign;
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
  if (index.column() == Lock) {
    if (role == Qt::DecorationRole) return node.item->locked ? lock_ : lockOpen_;
    if (role == Qt::ToolTipRole || role == Qt::AccessibleTextRole) return node.item->locked ? tr("Unlock") : tr("Lock");
    return {};
  }
  const QString name = QString::fromStdString(node.item->name);
  const auto trouble = troubles_.find(node.item->id);
  if (role == Qt::EditRole) return name;
  if (role == Qt::DecorationRole && photos_) {
    const QImage picture = pictures_.of(node.item->id, node.item,
                                        [item = node.item, photos = photos_] { return pictureOfRow(item, *photos); });
    // Selected rows show the same colours.
    QPixmap shown = QPixmap::fromImage(shownOnPanel(picture));
    if (trouble != troubles_.end()) wearAmberCorner(shown);
    QIcon icon(shown);
    icon.addPixmap(shown, QIcon::Selected);
    return icon;
  }
  if (role == Qt::FontRole && node.item->isTemplate()) {
    QFont font;
    font.setItalic(true);
    return font;
  }
  if (role == Qt::DisplayRole) return node.sign.isEmpty() ? name : node.sign + "  " + name;
  if (role == Qt::ToolTipRole && node.item->isTemplate())
    return tr("%1 · a template, %2 % pale: to draw over, not delivered")
        .arg(name)
        .arg(std::lround(node.item->paleBy * 100));
  if (role == Qt::ToolTipRole) return trouble == troubles_.end() ? name : tr("%1 · %2").arg(name, trouble->second);
  if (role == Qt::AccessibleDescriptionRole && trouble != troubles_.end()) return trouble->second;
  if (role == Qt::ForegroundRole && hidden) return theme::slate;
  return {};
}

bool StackModel::setData(const QModelIndex& index, const QVariant& value, int role) {
  const QString name = value.toString().trimmed();
  if (role != Qt::EditRole || name.isEmpty()) return false;
  emit renameWanted(nodeAt(index)->item->id, name);
  return true;
}

Qt::ItemFlags StackModel::flags(const QModelIndex& index) const {
  // What is dropped beside the rows lands at the back of the sheet.
  if (!index.isValid()) return Qt::ItemIsDropEnabled;
  Qt::ItemFlags flags = Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsDragEnabled;
  if (index.column() == Name) flags |= Qt::ItemIsEditable;
  if (!nodeAt(index)->children.empty()) flags |= Qt::ItemIsDropEnabled;
  return flags;
}

QStringList StackModel::mimeTypes() const { return {draggedItems}; }

QMimeData* StackModel::mimeData(const QModelIndexList& indexes) const {
  std::vector<Id> ids;
  for (const QModelIndex& index : indexes)
    if (index.column() == Name) ids.push_back(nodeAt(index)->item->id);
  return dragOf(ids).release();
}

bool StackModel::dropMimeData(const QMimeData* data, Qt::DropAction, int row, int, const QModelIndex& parent) {
  const Node& whole = *nodeAt(parent);
  const std::size_t count = whole.children.size();
  const std::size_t at = row < 0 ? (parent.isValid() ? 0 : count) : static_cast<std::size_t>(row);
  StackPlace to{sheet_->id, whole.item ? whole.item->id : 0, count - std::min(at, count)};
  // A recipe reads from its first part on, everything else from the front.
  if (whole.item && whole.item->recipe()) to.place = row < 0 ? count : std::min(at, count);
  emit moveWanted(itemsIn(*data), to);
  return false;  // rows follow the project
}

}  // namespace widecut

#include "app/bench/starter_strip.h"

#include <QApplication>
#include <QContextMenuEvent>
#include <QMenu>
#include <QMouseEvent>
#include <QPainter>
#include <QScrollBar>
#include <QStyledItemDelegate>
#include <utility>

#include "app/look/in_qt.h"
#include "app/look/theme.h"
#include "painting/item_picture.h"
#include "project/edits/starters.h"
#include "project/usual_colours.h"
#include "shapes/other_names.h"

namespace widecut {
namespace {

constexpr QSize picture{58, 46};
constexpr int cardWidth = 86, cardHeight = 78, familyGap = 18;

/// A picture with a name below; the first of a family has the family's name above, and a line before it.
class StarterDelegate : public QStyledItemDelegate {
 public:
  using QStyledItemDelegate::QStyledItemDelegate;

  QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex& index) const override {
    return {cardWidth + (begins(index) ? familyGap : 0), cardHeight + 16};
  }

  void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
    painter->save();
    painter->setRenderHint(QPainter::Antialiasing);
    QRect area = option.rect;
    if (begins(index)) {
      painter->setPen(theme::rule);
      if (index.row() > 0) painter->drawLine(area.left() + 7, area.top() + 4, area.left() + 7, area.bottom() - 4);
      area.setLeft(area.left() + familyGap);
      painter->setFont(theme::font(11));
      painter->setPen(theme::slate);
      painter->drawText(QRect(area.left() + 3, area.top() - 1, 200, 15), Qt::AlignVCenter,
                        index.data(StartersModel::FamilyOf).toString());
    }
    const QRectF card = QRectF(area.left(), area.top() + 16, cardWidth - 4, cardHeight - 2).adjusted(1, 1, -1, -1);
    const bool marked = option.state & QStyle::State_Selected, lit = option.state & QStyle::State_MouseOver;
    painter->setPen(QPen(marked ? theme::plum : lit ? theme::slate : theme::rule, marked ? 2 : 1));
    painter->setBrush(marked ? theme::plumTint : theme::field);
    painter->drawRoundedRect(card, 3, 3);
    const QImage image = index.data(StartersModel::PictureOf).value<QImage>();
    painter->drawImage(QPointF(card.center().x() - picture.width() / 2.0, card.top() + 5), image);
    painter->setFont(theme::font(11));
    painter->setPen(theme::ink);
    const QRectF words(card.left() + 2, card.bottom() - 20, card.width() - 4, 18);
    painter->drawText(words, Qt::AlignCenter,
                      painter->fontMetrics().elidedText(index.data().toString(), Qt::ElideRight, int(words.width())));
    painter->restore();
  }

 private:
  static bool begins(const QModelIndex& index) {
    return index.row() == 0 ||
           index.siblingAtRow(index.row() - 1).data(StartersModel::FamilyOf) != index.data(StartersModel::FamilyOf);
  }
};

/// How well a name fits what is typed: 0 for its beginning, 1 for that of one of its words, 2 for its family; nothing
/// when it does not.
std::optional<int> fit(const QString& name, const QString& family, const QString& typed) {
  if (name.startsWith(typed, Qt::CaseInsensitive)) return 0;
  for (const QString& word : name.split(' '))
    if (word.startsWith(typed, Qt::CaseInsensitive)) return 1;
  if (family.startsWith(typed, Qt::CaseInsensitive)) return 2;
  return std::nullopt;
}

}  // namespace

StartersModel::StartersModel(Desk& desk, Shelved shelved, QObject* parent)
    : QAbstractListModel(parent), desk_(desk), shelved_(shelved) {
  connect(&Shelf::instance(), &Shelf::changed, this, [this] {
    pictures_.clear();
    refresh();
  });
  refresh();
}

int StartersModel::rowCount(const QModelIndex& parent) const {
  return parent.isValid() ? 0 : static_cast<int>(entries_.size());
}

Offer StartersModel::at(const QModelIndex& index) const {
  return index.isValid() ? entries_[static_cast<std::size_t>(index.row())].offer : Offer{};
}

QVariant StartersModel::data(const QModelIndex& index, int role) const {
  const Entry& entry = entries_[static_cast<std::size_t>(index.row())];
  const Offer& offer = entry.offer;
  const QString name = !entry.called.isEmpty() ? entry.called : offer.kind ? inQt(offer.kind->name) : offer.kept->name;
  switch (role) {
    case Qt::DisplayRole:
    case Qt::EditRole:
    case Qt::AccessibleTextRole:
      return name;
    case Qt::ToolTipRole:
      if (!offer.kind) return tr("%1, from the shelf").arg(name);
      return offer.kind->keeps.empty() ? name
                                       : tr("%1: keeps %2 when it is resized").arg(name, inQt(offer.kind->keeps));
    case FamilyOf:
      return entry.family;
    case PictureOf: {
      QString key = offer.kind ? inQt(offer.kind->name) : offer.kept->path;
      for (const double number : offer.numbers) key += QString(" %1").arg(number);
      QImage& image = pictures_[key];
      if (image.isNull()) image = pictureOf(offer);
      return image;
    }
    default:
      return {};
  }
}

Qt::ItemFlags StartersModel::flags(const QModelIndex& index) const {
  const auto usual = Qt::ItemIsEnabled | Qt::ItemIsSelectable;
  return at(index).kept ? usual | Qt::ItemIsEditable : usual;
}

bool StartersModel::setData(const QModelIndex& index, const QVariant& value, int role) {
  const Offer offer = at(index);
  if (!offer.kept || role != Qt::EditRole || value.toString().trimmed().isEmpty()) return false;
  const auto renamed = Shelf::instance().rename(*offer.kept, value.toString());
  if (!renamed) emit desk_.told(tr("Not renamed: %1").arg(QString::fromStdString(renamed.error().message)));
  return renamed.has_value();
}

QImage StartersModel::pictureOf(const Offer& offer) const {
  std::vector<ItemPtr> items;
  if (offer.kind) {
    const auto numbers = within(*offer.kind, offer.numbers);
    const StarterSize size = usualSize(*offer.kind, numbers);
    Style style;
    setColour(style, colour_);
    items.push_back(std::make_shared<const Item>(starterItem(1, std::string(offer.kind->name), *offer.kind, numbers,
                                                             {{0, 0}, {size.width, size.height}}, style)));
  } else if (auto kept = Shelf::instance().items(*offer.kept)) {
    items = std::move(*kept);
  }
  if (!items.empty()) return widecut::pictureOf(items, desk_.photos(), picture, ratio_);
  // What cannot be read says so when it is laid.
  QImage empty(1, 1, QImage::Format_ARGB32);
  empty.fill(Qt::transparent);
  return empty;
}

void StartersModel::filter(const QString& text, const std::optional<TypedStarter>& typed) {
  beginResetModel();
  text_ = text.trimmed();
  typed_ = typed;
  entries_.clear();
  const auto shelf = shelved_ == Shelved::Yes ? Shelf::instance().all() : std::vector<OnShelf>{};
  if (text_.isEmpty()) {
    for (const StarterKind* kind : desk_.recentKinds()) entries_.push_back({{kind, {}}, tr("last used")});
    for (const StarterKind* kind : starterKinds()) entries_.push_back({{kind, {}}, inQt(kind->family)});
    for (const OnShelf& kept : shelf) entries_.push_back({{nullptr, kept}, tr("shelf")});
  } else {
    const auto others = otherNamesLike(text_.toLower().toStdString());
    const auto numbersOf = [](const Offer& offer) {
      return offer.numbers.empty() ? usualValues(*offer.kind) : offer.numbers;
    };
    // One of each: what is typed may be called by several of its words.
    const auto add = [&](const Offer& offer, const QString& word = {}) {
      if (std::none_of(entries_.begin(), entries_.end(), [&](const Entry& e) {
            return e.offer.kind == offer.kind && numbersOf(e.offer) == numbersOf(offer);
          }))
        entries_.push_back({offer, tr("found"), word});
    };
    const auto addOther = [&](const OtherName& other) {
      add({starterKind(other.kind), {}, valuesOf(other)}, inQt(other.word));
    };
    // What is typed shows as it is typed.
    if (typed && typed->saysMore) add({typed->kind, {}, typed->numbers});
    for (const OtherName* other : others)
      if (inQt(other->word) == text_.toLower()) addOther(*other);
    for (const int wanted : {0, 1, 2}) {
      for (const StarterKind* kind : starterKinds())
        if (fit(inQt(kind->name), inQt(kind->family), text_) == wanted) add({kind, {}});
      for (const OnShelf& kept : shelf)
        if (fit(kept.name, tr("shelf"), text_) == wanted) entries_.push_back({{nullptr, kept}, tr("found")});
    }
    for (const OtherName* other : others)
      if (inQt(other->word) != text_.toLower()) addOther(*other);
    if (entries_.empty())
      for (const std::string_view name : namesLike(text_.toLower().toStdString()))
        entries_.push_back({{starterKind(name), {}}, tr("nothing is called so; nearest")});
    // Never an empty page.
    if (entries_.empty())
      for (const StarterKind* kind : starterKinds())
        entries_.push_back({{kind, {}}, tr("nothing is called so; all there are")});
  }
  endResetModel();
}

void StartersModel::refresh() {
  const Colour now = colourOf(desk_.styleForNew).value_or(usualFill);
  if (now != colour_) pictures_.clear();
  colour_ = now;
  filter(text_, typed_);
}

int StartersModel::rowOf(const QString& family) const {
  for (std::size_t i = 0; i < entries_.size(); ++i)
    if (entries_[i].family == family) return static_cast<int>(i);
  return -1;
}

StarterRow::StarterRow(Desk& desk, StartersModel::Shelved shelved, QWidget* parent)
    : QListView(parent), desk_(desk), model_(new StartersModel(desk, shelved, this)) {
  setObjectName("starters");
  setAccessibleName(tr("Starters"));
  model_->setPixelRatio(devicePixelRatioF());
  setModel(model_);
  setItemDelegate(new StarterDelegate(this));
  setFlow(QListView::LeftToRight);
  setWrapping(false);
  setFrameShape(QFrame::NoFrame);
  setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  setHorizontalScrollMode(QAbstractItemView::ScrollPerPixel);
  setSelectionMode(QAbstractItemView::SingleSelection);
  setMouseTracking(true);
  setEditTriggers(QAbstractItemView::EditKeyPressed);
  viewport()->setAutoFillBackground(false);
  viewport()->setCursor(Qt::PointingHandCursor);
  theme::setSheet(*this, "QListView { background: transparent; border: none; outline: none; }");
  connect(this, &QListView::entered, this, [this](const QModelIndex& index) { emit pointedAt(model_->at(index)); });
  connect(selectionModel(), &QItemSelectionModel::currentChanged, this,
          [this](const QModelIndex& index) { emit pointedAt(model_->at(index)); });
}

void StarterRow::findByTyping() {
  findsByTyping_ = true;
  setProperty("keepsKeys", true);
  setToolTip(tr("Type to find one"));
}

bool StarterRow::isLetter(const QKeyEvent& key) const {
  const bool isPlain = !(key.modifiers() & ~(Qt::ShiftModifier | Qt::KeypadModifier));
  const bool isTyped = !key.text().isEmpty() && key.text().front().isPrint();
  return findsByTyping_ && isPlain && (isTyped || (key.key() == Qt::Key_Backspace && !typed_.isEmpty()));
}

void StarterRow::find(const QString& typed) {
  typed_ = typed;
  model_->filter(typed_);
  if (typed_.isEmpty()) return;
  setCurrentIndex(model_->index(0, 0));
  emit desk_.told(tr("“%1”: Enter takes the first one · Backspace takes a letter back").arg(typed_));
}

bool StarterRow::event(QEvent* event) {
  if (event->type() == QEvent::ShortcutOverride && isLetter(*static_cast<QKeyEvent*>(event))) {
    event->accept();
    return true;
  }
  if (event->type() == QEvent::Show || event->type() == QEvent::Hide) typed_.clear();
  return QListView::event(event);
}

void StarterRow::mousePressEvent(QMouseEvent* event) {
  if (event->button() != Qt::LeftButton) return;
  pressed_ = model_->at(indexAt(event->pos()));
  pressedAt_ = event->pos();
  dragging_ = false;
  setFocus(Qt::MouseFocusReason);
}

void StarterRow::mouseMoveEvent(QMouseEvent* event) {
  const bool held = pressed_ && (event->buttons() & Qt::LeftButton);
  if (held && (event->pos() - pressedAt_).manhattanLength() >= QApplication::startDragDistance()) dragging_ = true;
  if (held && dragging_)
    emit dragged(pressed_, event->globalPosition().toPoint());
  else if (!held)
    QListView::mouseMoveEvent(event);
}

void StarterRow::mouseReleaseEvent(QMouseEvent* event) {
  if (event->button() != Qt::LeftButton) return;
  const Offer offer = std::exchange(pressed_, {});
  if (!offer) return;
  if (std::exchange(dragging_, false))
    emit dragEnded(offer);
  else if (model_->at(indexAt(event->pos())) == offer)
    emit chosen(offer);
}

void StarterRow::keyPressEvent(QKeyEvent* event) {
  if (isLetter(*event)) {
    find(event->key() == Qt::Key_Backspace ? typed_.chopped(1) : typed_ + event->text());
    return;
  }
  const Offer offer = model_->at(currentIndex());
  if ((event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter) && offer)
    emit chosen(offer);
  else
    QListView::keyPressEvent(event);
}

void StarterRow::wheelEvent(QWheelEvent* event) {
  // An upright wheel scrolls the row.
  const QPoint turn = event->angleDelta();
  horizontalScrollBar()->setValue(horizontalScrollBar()->value() - (turn.x() != 0 ? turn.x() : turn.y()));
}

void StarterRow::leaveEvent(QEvent* event) {
  QListView::leaveEvent(event);
  emit pointedAt({});
}

void StarterRow::contextMenuEvent(QContextMenuEvent* event) {
  const QModelIndex index = indexAt(event->pos());
  const Offer offer = model_->at(index);
  if (!offer.kept) return;
  QMenu menu(this);
  menu.addAction(tr("Rename"), this, [this, index] { edit(index); });
  menu.addAction(tr("Take off the shelf"), this, [kept = *offer.kept] { (void)Shelf::instance().remove(kept); });
  menu.exec(event->globalPos());
}

}  // namespace widecut

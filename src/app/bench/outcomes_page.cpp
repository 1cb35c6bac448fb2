#include "app/bench/outcomes_page.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>

#include "app/bench/page_layout.h"
#include "app/look/shown_picture.h"
#include "app/look/theme.h"
#include "app/widgets/cards.h"
#include "app/widgets/clear_layout.h"
#include "painting/item_picture.h"
#include "project/edits/pieces.h"
#include "project/edits/tree.h"
#include "project/resolve.h"

namespace widecut {
namespace {

constexpr QSize pictureSize{138, 70};
constexpr std::size_t mostChips = 100;
constexpr int atOnce = 400;  // nodes up to which the pictures are there at once; of more they follow

/// How an outcome is shown: by what it does to these items, in plain words.
struct OutcomeFace {
  QString name;     ///< Of the operation.
  QString caption;  ///< What comes of it.
  QString sign, key;
  QColor edge;
};

/// A name as short as two of them fit under a picture.
QString shortName(const Item& item) {
  constexpr qsizetype most = 9;
  const QString name = QString::fromStdString(item.name);
  return name.size() <= most ? name : name.left(most - 1).trimmed() + "…";
}

/// “photo in PEAK”, where one of two items is a photo that the other one cuts; else what they share.
QString sharedCaption(const std::vector<ItemPtr>& items) {
  if (items.size() != 2 || showsPicture(*items[0]) == showsPicture(*items[1]))
    return OutcomesPage::tr("what all share");
  return OutcomesPage::tr("photo in %1").arg(shortName(showsPicture(*items[0]) ? *items[1] : *items[0]));
}

OutcomeFace faceOf(Outcome outcome, const std::vector<ItemPtr>& items) {
  const bool two = items.size() == 2;
  const QString front = two ? shortName(*items.back()) : OutcomesPage::tr("front");
  const QString back = two ? shortName(*items.front()) : OutcomesPage::tr("the rest");
  switch (outcome) {
    case Outcome::Union:
      return {OutcomesPage::tr("Union"), two ? OutcomesPage::tr("both as one") : OutcomesPage::tr("all as one"), "+",
              "U", theme::pine};
    case Outcome::SubtractFront:
      return {OutcomesPage::tr("Subtract front from back"), OutcomesPage::tr("%1 out of %2").arg(front, back), "−", "S",
              theme::rust};
    case Outcome::SubtractBack:
      return {OutcomesPage::tr("Subtract back from front"), OutcomesPage::tr("%1 out of %2").arg(back, front), "−",
              "⇧S", theme::rust};
    case Outcome::Intersect:
      return {OutcomesPage::tr("Intersect"), sharedCaption(items), "∩", "I", theme::blue};
    case Outcome::Exclude:
      return {OutcomesPage::tr("Exclude"), OutcomesPage::tr("all but the overlap"), "⊕", "X", theme::ochre};
  }
  return {};
}

}  // namespace

OutcomesPage::OutcomesPage(Desk& desk, QWidget* parent) : BenchPage(desk, parent) {
  // Narrow windows scroll sideways.
  auto* holder = new QWidget(this);
  auto* whole = new QHBoxLayout(this);
  whole->setContentsMargins(0, 0, 0, 0);
  whole->addWidget(sidewaysScroll(*holder, *this));
  row_ = new QHBoxLayout(holder);
  row_->setContentsMargins(14, 8, 14, 6);
  row_->setSpacing(12);
}

void OutcomesPage::refresh(bool selection) {
  // While an outcome is tried on the mat its cards must stay under the pointer.
  if (selection || !desk_.isTrying()) rebuild();
}

OutcomesPage::Worked OutcomesPage::workedOut(const Question& q, PhotoStore& photos, double ratio) {
  Worked worked;
  Box around;
  for (const ItemPtr& item : combinable(q.project, q.ids)) around.add(boxInParent(*item));
  for (std::size_t i = 0; i < std::size(allOutcomes); ++i) {
    Id made = 0;
    Project changed = combined(q.project, q.ids, allOutcomes[i], q.looks[i], made);
    const ItemPtr result = findItem(changed, made);
    const bool empty = !result || resolved(*result)->outline.isEmpty();
    QImage picture = result ? pictureOf({result}, photos, pictureSize, ratio, around) : QImage();
    worked.outcomes.push_back({std::move(changed), std::move(picture), empty});
  }
  if (q.ids.size() > 2) {
    Id made = 0;
    Project changed = withPhotoWithinAll(q.project, q.ids, made);
    if (const ItemPtr result = made == 0 ? nullptr : findItem(changed, made)) {
      QImage picture = pictureOf({result}, photos, pictureSize, ratio, around);
      worked.within = Worked::One{std::move(changed), std::move(picture), resolved(*result)->outline.isEmpty()};
    }
  }
  std::vector<ItemPtr> apart;
  for (Item piece : dividedItems(q.project, q.ids, q.ofPieces)) {
    piece.position = piece.position + (piece.position - around.centre()) * 0.12;
    apart.push_back(std::make_shared<const Item>(std::move(piece)));
  }
  worked.pieces = apart.size();
  worked.divided =
      pictureOf(apart, photos, pictureSize, ratio, Box{around}.grown(0.06 * std::max(around.width(), around.height())));
  return worked;
}

void OutcomesPage::rebuild() {
  const std::vector<Id> ids = desk_.selection();
  if (combinable(desk_.settled(), ids).size() < 2) {
    task_.drop();
    lay(nullptr);
    return;
  }
  Question q{desk_.settled(), ids, {}, desk_.lookForPieces(ids)};
  for (const Outcome outcome : allOutcomes) q.looks.push_back(desk_.lookFor(ids, outcome));
  int nodes = 0;
  for (const Id id : ids)
    if (const ItemPtr item = findItem(q.project, id)) nodes += counts(resolved(*item)->outline).nodes;
  if (nodes <= atOnce) {
    task_.drop();
    lay(std::make_shared<Worked>(workedOut(q, desk_.photos(), devicePixelRatioF())));
    return;
  }
  lay(nullptr);
  task_.run([this, q, &photos = desk_.photos(), ratio = devicePixelRatioF()] {
    auto worked = std::make_shared<Worked>(workedOut(q, photos, ratio));
    return [this, worked] { lay(worked); };
  });
}

/// Lays out the cards, with their pictures or, while these are being worked out, without.
void OutcomesPage::lay(const std::shared_ptr<const Worked>& worked) {
  clearLayout(*row_);
  const std::vector<Id> ids = desk_.selection();
  const auto items = combinable(desk_.settled(), ids);
  auto* column = new QVBoxLayout;
  column->setSpacing(5);
  row_->addLayout(column);
  addHeading(*column, items);
  auto* cards = new QHBoxLayout;
  cards->setSpacing(8);
  column->addLayout(cards);
  column->addStretch(1);
  if (items.size() < 2) {
    row_->addStretch(1);
    return;
  }
  for (std::size_t i = 0; i < std::size(allOutcomes); ++i) addOutcome(*cards, i, items, worked);
  if (worked && worked->within) addWithin(*cards, worked);
  addDivision(*cards, items, worked);
  auto* looks = new QVBoxLayout;
  looks->setSpacing(4);
  row_->addLayout(looks);
  addChips(*looks, tr("Keeps the look of"), items, false);
  addChips(*looks, tr("Keeps the photo of"), items, true);
  looks->addStretch(1);
  row_->addStretch(1);
}

void OutcomesPage::addHeading(QBoxLayout& column, const std::vector<ItemPtr>& items) {
  QString names;
  for (std::size_t i = 0; i < std::min<std::size_t>(items.size(), 12); ++i)
    names += (names.isEmpty() ? "" : tr(", ")) + QString::fromStdString(items[i]->name);
  auto* heading = new QLabel(items.size() == 2 ? tr("What %1 and %2 can become")
                                                     .arg(QString::fromStdString(items.front()->name),
                                                          QString::fromStdString(items.back()->name))
                             : items.size() > 2 ? tr("What these %1 items can become").arg(items.size())
                                                : tr("Parts of a cutout: each keeps its own role"),
                             this);
  heading->setToolTip(names);
  theme::makeHeading(*heading);
  auto* row = new QHBoxLayout;
  row->addWidget(heading);
  row->addStretch(1);
  QPushButton* photo = buttonFor(CommandId::BringInPhoto, this);
  photo->setText(tr("Bring in"));
  photo->setToolTip(tr("A photo or video behind all of these, as one"));
  row->addWidget(photo);
  row->addWidget(buttonFor(CommandId::ArrangeItems, this));
  column.addLayout(row);
}

void OutcomesPage::addOutcome(QBoxLayout& cards, std::size_t index, const std::vector<ItemPtr>& items,
                              const std::shared_ptr<const Worked>& worked) {
  const Outcome outcome = allOutcomes[index];
  const OutcomeFace face = faceOf(outcome, items);
  auto* card = new Card(face.caption, face.key, face.edge,
                        worked ? shownOnPanel(worked->outcomes[index].picture) : QImage(), this);
  card->setSign(face.sign);
  card->setAccessibleName(tr("%1: %2").arg(face.name, face.caption));
  card->setToolTip(tr("%1 (%2)").arg(card->accessibleName(), face.key));
  if (!worked)
    card->setNote(tr("working it out"));
  else if (worked->outcomes[index].isEmpty)
    card->setNote(tr("nothing is left"));
  card->setObjectName(QString("outcome%1").arg(static_cast<int>(outcome)));
  if (worked)
    connect(card, &Card::entered, this, [this, worked, index] { trial_.point(worked->outcomes[index].changed); });
  connect(card, &Card::left, this, [this] { trial_.drop(); });
  connect(card, &Card::clicked, this, [this, outcome] {
    trial_.drop();
    desk_.makeOutcome(outcome);
  });
  cards.addWidget(card);
}

/// The card of the photo within all the others.
void OutcomesPage::addWithin(QBoxLayout& cards, const std::shared_ptr<const Worked>& worked) {
  auto* card = new Card(tr("photo within all"), {}, theme::blue, shownOnPanel(worked->within->picture), this);
  card->setSign("∩");
  card->setObjectName("photoWithinAll");
  card->setAccessibleName(tr("The photo within all of these"));
  card->setToolTip(card->accessibleName());
  if (worked->within->isEmpty) card->setNote(tr("nothing is left"));
  connect(card, &Card::entered, this, [this, worked] { trial_.point(worked->within->changed); });
  connect(card, &Card::left, this, [this] { trial_.drop(); });
  connect(card, &Card::clicked, this, [this, ids = desk_.selection()] {
    trial_.drop();
    Id made = 0;
    Project changed = withPhotoWithinAll(desk_.settled(), ids, made);
    if (desk_.commit(tr("The photo within all of these"), std::move(changed))) desk_.select({made});
  });
  cards.addWidget(card);
}

/// The card of the division: its pieces, drawn a little apart.
void OutcomesPage::addDivision(QBoxLayout& cards, const std::vector<ItemPtr>& items,
                               const std::shared_ptr<const Worked>& worked) {
  const std::vector<Id> ids = desk_.selection();
  auto* card =
      new Card(tr("every piece apart"), "D", theme::slate, worked ? shownOnPanel(worked->divided) : QImage(), this);
  card->setSign("÷");
  card->setObjectName("divide");
  card->setAccessibleName(tr("Divide: every piece apart"));
  if (worked)
    card->setToolTip(tr("%1 pieces, each an item of its own: %2 items end").arg(worked->pieces).arg(items.size()));
  else
    card->setNote(tr("working it out"));
  if (worked)
    connect(card, &Card::entered, this, [this, ids] {
      std::vector<Id> made;
      trial_.point(withDivided(desk_.settled(), ids, desk_.lookForPieces(ids), made));
    });
  connect(card, &Card::left, this, [this] { trial_.drop(); });
  connect(card, &Card::clicked, this, [this] {
    trial_.drop();
    desk_.makeDivision();
  });
  cards.addWidget(card);
}

void OutcomesPage::addChips(QBoxLayout& column, const QString& heading, const std::vector<ItemPtr>& items,
                            bool photos) {
  std::vector<ItemPtr> offered;
  for (const ItemPtr& item : items)
    if (!photos || showsPicture(*item)) offered.push_back(item);
  if (photos && offered.empty()) return;
  auto* label = new QLabel(heading, this);
  theme::makeHeading(*label);
  column.addWidget(label);
  // As many as there are, in a strip that scrolls.
  auto* holder = new QWidget(this);
  auto* row = new QHBoxLayout(holder);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(5);
  const LookChoice current = desk_.lookFor(desk_.selection(), Outcome::Union);
  int width = 0;
  const auto chip = [&](const QString& name, std::function<QImage(QSize)> picture, bool marked, const auto& choose) {
    auto* button = new PictureChip(name, std::move(picture), holder);
    button->setAccessibleName(heading + " " + name);
    button->setChecked(marked);
    button->setObjectName((photos ? "photoOf " : "lookOf ") + name);
    connect(button, &PictureChip::clicked, this, choose);
    row->addWidget(button);
    width += button->sizeHint().width() + row->spacing();
  };
  for (std::size_t i = 0; i < std::min(offered.size(), mostChips); ++i) {
    const ItemPtr item = offered[i];
    const QString name = QString::fromStdString(item->name);
    const auto picture = [this, item](QSize size) {
      return shownOnPanel(pictureOf({item}, desk_.photos(), size, devicePixelRatioF()));
    };
    if (photos)
      chip(name, picture, current.photo == item->id, [this, id = item->id] { desk_.choosePhoto(id); });
    else
      chip(name, picture, current.look == item->id, [this, id = item->id] { desk_.chooseLook(id); });
  }
  if (photos) chip(tr("none"), {}, current.photo == 0, [this] { desk_.choosePhoto(Id{0}); });
  row->addStretch(1);
  QScrollArea* strip = sidewaysScroll(*holder, *this);
  constexpr int widest = 260, height = 34;
  strip->setFixedSize(std::min(width, widest), height + (width > widest ? 9 : 0));
  column.addWidget(strip);
}

}  // namespace widecut

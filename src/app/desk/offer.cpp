#include "app/desk/offer.h"

#include "app/look/in_qt.h"
#include "project/edits/places.h"
#include "project/edits/starters.h"
#include "project/edits/tree.h"
#include "project/names.h"
#include "project/usual_colours.h"

namespace widecut {
namespace {

/// Each on a line of its own.
QString numbersText(const std::vector<double>& numbers) {
  QString out;
  for (const double number : numbers) out += '\n' + QString::number(number, 'g', 17);
  return out;
}

const char* const kindFormat = "application/x-widecut-starter";
const char* const keptFormat = "application/x-widecut-kept";

}  // namespace

std::unique_ptr<QMimeData> dragOf(const Offer& offer) {
  auto data = std::make_unique<QMimeData>();
  if (offer.kind)
    data->setData(kindFormat, (inQt(offer.kind->name) + numbersText(offer.numbers)).toUtf8());
  else if (offer.kept)
    data->setData(keptFormat, (offer.kept->name + '\n' + offer.kept->path).toUtf8());
  return data;
}

std::optional<Offer> offerIn(const QMimeData& data) {
  if (data.hasFormat(kindFormat)) {
    QStringList parts = QString::fromUtf8(data.data(kindFormat)).split('\n');
    const std::string name = parts.takeFirst().toStdString();
    Offer offer{starterKind(name), {}};
    for (const QString& number : parts) offer.numbers.push_back(number.toDouble());
    if (offer.kind) return offer;
  }
  if (data.hasFormat(keptFormat)) {
    const QStringList parts = QString::fromUtf8(data.data(keptFormat)).split('\n');
    if (parts.size() == 2) return Offer{nullptr, OnShelf{parts[0], parts[1]}};
  }
  return std::nullopt;
}

Style lineStyle(const Desk& desk) {
  Style style;
  const Line* line = lineOf(desk.styleForNew);
  setLine(style, line ? *line : plainLine(colourOf(desk.styleForNew).value_or(usualInk), usualLineWidth));
  return style;
}

Item newStarter(const Desk& desk, const StarterKind& kind, Values numbers, const Box& box) {
  const std::string name = UniqueNames(*desk.sheet()).take(nameOfStarter(kind, numbers));
  Style style = kind.isOpen ? lineStyle(desk) : desk.styleForNew;
  // Unless a colour was chosen for the next ones, each takes another quiet tone, so that overlaps can be told apart.
  if (!kind.isOpen && colourOf(style) == usualFill) setColour(style, quietTone(desk.sheet()->items.size()));
  return starterItem(desk.settled().nextId, name, kind, numbers, box, style);
}

std::vector<ItemPtr> itemsOf(Desk& desk, const Offer& offer, Point about) {
  if (offer.kind) {
    const StarterSize size = offer.size.value_or(usualSize(*offer.kind, offer.numbers));
    const Point half{size.width / 2, size.height / 2};
    return {std::make_shared<const Item>(newStarter(desk, *offer.kind, offer.numbers, {about - half, about + half}))};
  }
  const auto items = Shelf::instance().items(*offer.kept);
  if (!items) {
    emit desk.told(Desk::tr("Not laid: %1").arg(QString::fromStdString(items.error().message)));
    return {};
  }
  std::vector<ItemPtr> placed;
  for (const ItemPtr& item : *items) placed.push_back(std::make_shared<const Item>(mapped(*item, Affine::move(about))));
  return placed;
}

bool lay(Desk& desk, const Offer& offer, Point about) {
  const auto items = itemsOf(desk, offer, about);
  if (items.empty()) return false;
  std::vector<Id> made;
  const QString name = QString::fromStdString(items.back()->name);
  if (!desk.commit(Desk::tr("Lay %1").arg(name), withCopiesOnTop(desk.settled(), desk.sheet()->id, items, {}, made)))
    return false;
  if (offer.kind) desk.noteUse(*offer.kind);
  desk.select(made);
  return true;
}

}  // namespace widecut

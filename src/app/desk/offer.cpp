#include "app/desk/offer.h"

#include "app/look/in_qt.h"
#include "project/edits/places.h"
#include "project/edits/starters.h"
#include "project/edits/tree.h"
#include "project/names.h"

namespace widecut {
namespace {

const char* const kindFormat = "application/x-widecut-starter";
const char* const keptFormat = "application/x-widecut-kept";

}  // namespace

std::unique_ptr<QMimeData> dragOf(const Offer& offer) {
  auto data = std::make_unique<QMimeData>();
  if (offer.kind)
    data->setData(kindFormat, inQt(offer.kind->name).toUtf8());
  else if (offer.kept)
    data->setData(keptFormat, (offer.kept->name + '\n' + offer.kept->path).toUtf8());
  return data;
}

std::optional<Offer> offerIn(const QMimeData& data) {
  if (data.hasFormat(kindFormat)) {
    const QByteArray name = data.data(kindFormat);
    if (const StarterKind* kind = starterKind({name.constData(), static_cast<std::size_t>(name.size())}))
      return Offer{kind, {}};
  }
  if (data.hasFormat(keptFormat)) {
    const QStringList parts = QString::fromUtf8(data.data(keptFormat)).split('\n');
    if (parts.size() == 2) return Offer{nullptr, OnShelf{parts[0], parts[1]}};
  }
  return std::nullopt;
}

Item newStarter(const Desk& desk, const StarterKind& kind, Values numbers, const Box& box) {
  const std::string name = UniqueNames(*desk.sheet()).take(nameOfStarter(kind, numbers));
  return starterItem(desk.settled().nextId, name, kind, numbers, box, desk.styleForNew);
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

#include "app/desk/offer.h"

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
    data->setData(kindFormat, QByteArray(offer.kind->name.data(), static_cast<int>(offer.kind->name.size())));
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

std::vector<ItemPtr> itemsOf(Desk& desk, const Offer& offer, Point about) {
  if (offer.kind) {
    const auto numbers = usualValues(*offer.kind);
    const StarterSize size = usualSize(*offer.kind, numbers);
    const Point half{size.width / 2, size.height / 2};
    const std::string name = UniqueNames(*desk.sheet()).take(nameOfStarter(*offer.kind, numbers));
    return {std::make_shared<const Item>(
        starterItem(0, name, *offer.kind, numbers, {about - half, about + half}, desk.styleForNew))};
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

void lay(Desk& desk, const Offer& offer, Point about) {
  const auto items = itemsOf(desk, offer, about);
  if (items.empty()) return;
  std::vector<Id> made;
  const QString name = QString::fromStdString(items.back()->name);
  if (!desk.commit(Desk::tr("Lay %1").arg(name), withCopiesOnTop(desk.settled(), desk.sheet()->id, items, {}, made)))
    return;
  if (offer.kind) desk.noteUse(*offer.kind);
  desk.select(made);
}

}  // namespace widecut

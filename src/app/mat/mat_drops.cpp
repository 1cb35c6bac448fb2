#include "app/mat/mat_drops.h"

#include <QUrl>

#include "app/desk/clipboard.h"
#include "project/edits/tree.h"

namespace widecut {
namespace {

QString fileIn(const QMimeData& data) {
  for (const QUrl& url : data.urls())
    if (url.isLocalFile()) return url.toLocalFile();
  return {};
}

}  // namespace

bool MatDrops::takes(const QMimeData& data) const { return offerIn(data) || !fileIn(data).isEmpty() || canTake(data); }

void MatDrops::show(const QMimeData& data, Point about) {
  const auto offer = offerIn(data);
  const auto items = offer ? itemsOf(desk_, *offer, about) : std::vector<ItemPtr>{};
  std::vector<Id> made;
  if (!items.empty()) trial_.show(withCopiesOnTop(desk_.settled(), desk_.sheet()->id, items, {}, made));
}

QString MatDrops::drop(const QMimeData& data, Point about) {
  trial_.drop();
  desk_.settleAll();
  const auto offer = offerIn(data);
  if (!offer) {
    if (const QString file = fileIn(data); !file.isEmpty()) return file;
    // From another window: as it would be pasted.
    take(desk_, data, PasteAt::Beside, [&desk = desk_](const Problem& why) {
      emit desk.told(Desk::tr("Not taken: %1").arg(QString::fromStdString(why.message)));
    });
    return {};
  }
  if (laysStarters(desk_.tool())) desk_.setTool(ToolKind::Select);
  lay(desk_, *offer, about);
  return {};
}

}  // namespace widecut

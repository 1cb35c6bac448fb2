// Copying items, and pasting them, pictures and shapes from elsewhere.
#pragma once

#include <QMimeData>
#include <memory>

#include "app/desk/read_then.h"
#include "scene/scene.h"

namespace widecut {

/// Items as another window takes them: a project file of one sheet that holds only them.
inline constexpr char itemsFormat[] = "application/x-widecut";

/// Items on their way to others: as a project for Wide Cut, as SVG and as a PNG of 144 ppi for everyone else, words as
/// text too. They are made when somebody asks for them.
class ItemsData : public QMimeData {
  Q_OBJECT
 public:
  /// The items, and what is inside them, in the space of the sheet.
  explicit ItemsData(std::vector<ItemPtr> items) : items_(std::move(items)) {}
  QStringList formats() const override;
  /// What the words among them say; empty when there are none.
  QString textOfWords() const;

 protected:
  QVariant retrieveData(const QString& format, QMetaType type) const override;

 private:
  Scene scene() const;
  std::vector<ItemPtr> items_;
};

/// A project of one sheet with these items.
Project projectOfItems(const std::vector<ItemPtr>& items);

void copySelection(Desk& desk);
void cutSelection(Desk& desk);

enum class PasteAt : unsigned char { Beside, InPlace, EverySheet };
/// What the clipboard holds: items, shapes of an SVG, a picture, or text, which becomes words. A picture fills the
/// selected shape, but in place it is an item of its own. `EverySheet` pastes in place on all chosen sheets. Says why
/// when there is nothing to paste.
void paste(Desk& desk, PasteAt at);
/// The files on the clipboard, where it is files that were copied, and not items.
QStringList filesOnClipboard();
/// Whether there is something to be taken.
bool canTake(const QMimeData& data);
/// Lays what was copied or dropped on a sheet. Items that would cover the ones they were copied from lie a little
/// aside. What comes from other programs is read in the background first.
void take(Desk& desk, const QMimeData& data, PasteAt at, const Otherwise& otherwise);

}  // namespace widecut

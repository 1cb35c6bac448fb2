// Cards of the bench that each do one thing.
#pragma once

#include <QCoreApplication>
#include <functional>

#include "app/desk/desk.h"
#include "app/desk/trial.h"
#include "app/look/theme.h"
#include "app/widgets/cards.h"

namespace widecut {

/// One thing that can be done, and what comes of it.
struct CardAction {
  QString name, objectName;
  std::function<Project()> changed;  ///< What is tried while the card is pointed at.
  std::function<void()> make;        ///< What a click does.
  QImage picture;
  bool changes = true;
};

/// A card for it. One that would change nothing says so, and is off.
inline Card* actionCard(const CardAction& action, Trial& trial, QWidget* page) {
  auto* card = new Card(action.name, {}, theme::slate, action.picture, page);
  card->setObjectName(action.objectName);
  card->setEnabled(action.changes);
  if (!action.changes) card->setToolTip(QCoreApplication::translate("ActionCard", "Changes nothing here"));
  QObject::connect(card, &Card::entered, page, [&trial, changed = action.changed] { trial.point(changed()); });
  QObject::connect(card, &Card::left, page, [&trial] { trial.drop(); });
  QObject::connect(card, &Card::clicked, page, [&trial, make = action.make] {
    trial.drop();
    make();
  });
  return card;
}

}  // namespace widecut

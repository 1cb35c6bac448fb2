// Bench page of an item's finish: effects, and what follows its shape.
#pragma once

#include <QTimer>

#include "app/bench/bench_page.h"
#include "app/desk/trial.h"

class QHBoxLayout;
class QLabel;
class QPushButton;

namespace widecut {

class Card;
class NumbersGrid;

/// On the left what the item has, as cards in their order, front first, of which one is chosen; its numbers beside
/// them. Without any, and at “+”, a card for each kind shows this item with it.
class FinishPage : public BenchPage {
  Q_OBJECT
 public:
  FinishPage(Desk& desk, QWidget* parent);
  void refresh(bool selection) override;

 private:
  using EffectEdit = std::function<void(Effect&)>;

  void buildCards(const Item& item);
  void buildOffers(const Item& item);
  void add(EffectKind kind);
  void openColour();
  void release();
  void moveBy(int places);
  void refreshNumbers(const Style& style);
  bool make(const QString& name, const std::function<void(Style&)>& edit);
  /// The project with the chosen effect changed, and the like of other selected items.
  Project edited(const Project& project, const EffectEdit& edit) const;
  ItemPtr item(const Project& project) const;

  Trial trial_{desk_};
  QLabel* heading_;
  QPushButton *colour_, *more_, *release_, *away_, *forward_, *backward_;
  QWidget *cardsBox_, *cardsArea_;
  QHBoxLayout* cards_;
  QWidget* numbersBox_;
  NumbersGrid* grid_;
  std::vector<const StarterNumber*> numbers_;
  std::size_t chosen_ = 0;
  bool offers_ = false;
  StylePtr cardsOf_;
  Form formOf_;
  std::size_t cardsChosen_ = 0;
  bool cardsOffered_ = false;
};

}  // namespace widecut

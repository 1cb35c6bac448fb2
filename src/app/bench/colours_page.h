// Bench page of the whole project's colours and finishes: swatches, and what is found and replaced.
#pragma once

#include "app/bench/bench_page.h"
#include "app/desk/trial.h"
#include "project/edits/colours.h"

class QHBoxLayout;
class QLabel;
class QPushButton;
class QVBoxLayout;

namespace widecut {

class TypedField;
class ColoursPage : public BenchPage {
  Q_OBJECT
 public:
  ColoursPage(Desk& desk, QWidget* parent);
  void refresh(bool selection) override;

 private:
  /// A look that items of the project have, and one that shows it.
  struct UsedFinish {
    Style finish;
    ItemPtr shownBy;
    int uses = 0;
    QString onShelf = {};  ///< The name it is kept under, of one that is on the shelf.
  };

  void buildTop(QHBoxLayout& top);
  void buildCards();
  void buildFinishes();
  void chooseColour(Colour colour);
  void chooseFinish(std::size_t place);
  void replaceColour();
  void replaceFinish();
  void keepAsSwatch();
  void keepOnShelf();
  void rename(const QString& text);
  std::vector<UsedFinish> finishes() const;
  const Swatch* swatch() const;

  Trial trial_{desk_};
  QLabel* heading_;
  QPushButton *replace_, *keep_, *drop_, *lay_, *take_, *shelf_;
  TypedField* name_;
  QHBoxLayout* cards_;
  std::optional<Colour> colour_;  ///< The chosen one.
  std::optional<Style> finish_;   ///< Or the chosen finish.
  std::vector<UsedColour> used_;
  std::vector<UsedFinish> finishes_;
};

}  // namespace widecut

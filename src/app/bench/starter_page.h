// A page of the bench: a starter is selected, or about to be drawn: its numbers.
#pragma once

#include "app/bench/bench_page.h"
#include "app/desk/trial.h"

class QGridLayout;
class QHBoxLayout;
class QLabel;
class QPushButton;
class QStackedLayout;

namespace widecut {

class NumberControl;
class StarterRow;

/// The numbers of the selected starter, or of the next one while a drawing tool is in hand. It can be dealt anew, and
/// another kind takes its place.
class StarterPage : public BenchPage {
  Q_OBJECT
 public:
  StarterPage(Desk& desk, QWidget* parent);
  void refresh(bool selection) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  enum Side { Numbers, Dealt, Kinds };
  /// The starter that the page is about.
  struct Subject {
    const StarterKind* kind = nullptr;
    std::vector<double> numbers;
    StarterSize size;
    Id item = 0;  ///< 0 for the next one.
    bool operator==(const Subject&) const = default;
  };
  Subject subject() const;
  void buildNumbers(const StarterKind& kind);
  void show(Side side);
  void deal(unsigned from);
  void tryNumbers(const std::vector<double>& numbers);
  void takeNumbers(const std::vector<double>& numbers, const QString& step);
  void takeKind(const StarterKind& kind);
  QWidget* buildPresets();
  QImage pictureOf(const StarterKind& kind, const std::vector<double>& numbers, StarterSize size, QSize pixels) const;

  Trial trial_{desk_};
  const StarterKind* built_ = nullptr;
  Unit unit_ = Unit::Plain;
  std::vector<NumberControl*> controls_;
  Side side_ = Numbers;
  unsigned turn_ = 0;
  QLabel *heading_, *picture_;
  QWidget *presets_, *actions_;
  QStackedLayout* sides_;
  QGridLayout* grid_;
  QHBoxLayout* hand_;
  StarterRow* kinds_;
  QPushButton *deal_, *again_, *another_, *back_, *all_, *bake_, *recipe_, *reframe_;
};

}  // namespace widecut

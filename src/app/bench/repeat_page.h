// A page of the bench: a repeat is selected: its numbers, and its single copies.
#pragma once

#include "app/bench/bench_page.h"
#include "app/desk/trial.h"
#include "shapes/pattern.h"

class QGridLayout;
class QLabel;
class QPushButton;

namespace widecut {

class TypedField;
struct Repeat;
class NumberControl;

/// The numbers of the pattern, its kind, which copies are left out, and how one copy looks.
class RepeatPage : public BenchPage {
  Q_OBJECT
 public:
  RepeatPage(Desk& desk, QWidget* parent);
  void refresh(bool selection) override;

 private:
  const Repeat* repeat(const Project& project) const;
  Id id() const;
  QWidget* buildKinds();
  QWidget* buildCopies();
  void buildNumbers(const Pattern& pattern);
  void takeKind(std::size_t kind);
  QString takeLeftOut(const QString& text);
  void refreshCopies(const Repeat& repeat);

  Trial trial_{desk_};
  std::size_t built_ = static_cast<std::size_t>(-1);
  Unit unit_ = Unit::Plain;
  std::vector<NumberControl*> controls_;
  std::vector<QPushButton*> kinds_;
  QLabel *heading_, *copy_;
  QGridLayout* grid_;
  TypedField* leftOut_;
  QPushButton *colour_, *like_, *all_, *release_;
};

}  // namespace widecut

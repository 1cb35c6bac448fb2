// A page of the bench: how words sit, and what can be done with them.
#pragma once

#include <QTimer>

#include "app/bench/bench_page.h"
#include "app/bench/words_numbers.h"
#include "app/desk/latest_task.h"
#include "app/desk/trial.h"

class QLabel;
class QStackedLayout;

namespace widecut {

class TypedField;
class NumbersGrid;
class StarterRow;
class WordsStyles;

class WordsPage : public BenchPage {
  Q_OBJECT
 public:
  WordsPage(Desk& desk, QWidget* parent);
  void refresh(bool selection) override;

 private:
  QWidget* buildSits();
  QWidget* buildTyped();
  StarterRow* buildKinds();
  void showFit(const Words* words);
  void showPicture();
  void showGroup(const Words* words);
  /// The words' content, or what the next ones will be made of.
  Words::Content content(const Words* words) const;
  const WordsGroup* group() const;
  Project changed(int number, double value) const;
  void settleWords(std::size_t field, const QString& text);

  Trial trial_{desk_};
  int chosen_ = howTheySit;  ///< Of the groups; or one of those below.
  static constexpr int howTheySit = -1, styles = -2, outlineKinds = -3;
  QLabel *heading_, *picture_, *fit_;
  QTimer pause_;  ///< In typing: the picture of all the words follows in it.
  LatestTask task_;
  Id pictured_ = 0;
  QPushButton *reframe_, *frame_, *letters_, *sits_, *named_, *outlines_;
  std::vector<QPushButton*> buttons_, switches_;
  QWidget *sitsBox_, *groupBox_;
  WordsStyles* stylesBox_;
  StarterRow* kinds_;
  NumbersGrid* numbers_;
  struct Typed {
    QLabel* caption;
    TypedField* field;
  };
  std::vector<Typed> typed_;
};

}  // namespace widecut

// The field for a recipe's formula.
#pragma once

#include <QLineEdit>
#include <string>
#include <vector>

class QCompleter;
class QStringListModel;

namespace widecut {

/// Completes part names, and shows what is wrong with what was typed right there.
class FormulaField : public QLineEdit {
  Q_OBJECT
 public:
  explicit FormulaField(QWidget* parent = nullptr);
  /// Shows a formula and learns the names that can stand in it. Typing is not disturbed.
  void show(const QString& formula, const std::vector<std::string>& names);
  /// What is wrong with what is typed; empty when nothing is. It stands under the field while it has the focus.
  void setProblem(const QString& problem);
  const QString& problem() const { return problem_; }
  /// True while what was typed is being let go, false while it is still being typed.
  bool isFinished() const { return finished_; }
  /// Lets go of what is being typed, as Enter does; what cannot be read stays, in red.
  void settleTyping();

 signals:
  /// At every key, and once more with isFinished() when it is let go.
  void typed(const QString& formula);
  /// Escape: the formula is to be what it was.
  void dropped();

 protected:
  void keyPressEvent(QKeyEvent* event) override;
  void focusOutEvent(QFocusEvent* event) override;
  void moveEvent(QMoveEvent* event) override;

 private:
  struct Word {
    int from = 0;
    QString text;
  };
  Word wordAtCursor() const;
  void offerNames();
  void takeName(const QString& name);
  void finish();
  void placeNote();

  QCompleter* completer_;
  QStringListModel* names_;
  QWidget* note_;
  QString problem_, shown_;
  bool typing_ = false;
  bool finished_ = false;
};

}  // namespace widecut

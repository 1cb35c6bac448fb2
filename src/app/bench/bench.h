// The bench below the mat: pictures, numbers or the recipe of whatever is selected.
#pragma once

#include <QStackedWidget>
#include <QTimer>

#include "app/commands/command.h"
#include "app/desk/desk.h"

namespace widecut {

/// Chooses its page by the selection and the tool.
class Bench : public QStackedWidget {
  Q_OBJECT
 public:
  explicit Bench(Desk& desk, QWidget* parent = nullptr);

 signals:
  /// As BenchPage's.
  void commandWanted(widecut::CommandId command);
  void photoWanted(const QString& path, const QString& credit);
  void keysBack();

 private:
  void refresh();
  void choosePage();
  /// What is pressed elsewhere may yet be dragged into the recipe that shows: it stays until the button is let go.
  bool holdsRecipe();
  Desk& desk_;
  Id recipeOf_ = 0;  ///< The cutout whose recipe shows.
  QTimer letGo_;
};

}  // namespace widecut

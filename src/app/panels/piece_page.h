// Right of the mat while nothing is selected: the piece that the sheet belongs to, and the sheet's paper.
#pragma once

#include <QWidget>

#include "app/desk/desk.h"
#include "app/desk/trial.h"
#include "project/edits/sheets.h"

class QCheckBox;
class QComboBox;
class QLabel;
class QPushButton;

namespace widecut {

class TypedField;
class GuidePage;
class MeasureField;

class PiecePage : public QWidget {
  Q_OBJECT
 public:
  explicit PiecePage(Desk& desk, QWidget* parent = nullptr);

 protected:
  void showEvent(QShowEvent*) override { refresh(); }

 private:
  /// A field for one length of the piece's form.
  MeasureField* field(const QString& name, double& (*of)(PieceForm& form));
  Project changed(const Project& project, const std::function<void(PieceForm&)>& change) const;
  QString useFolds(const QString& text);
  void chooseUnit();
  void choosePaper();
  void refresh();

  Desk& desk_;
  Trial trial_{desk_};
  QLabel* heading_;
  std::vector<std::pair<MeasureField*, double& (*)(PieceForm&)>> fields_;
  MeasureField *columns_, *grid_;
  GuidePage* guides_;
  TypedField* folds_;
  QComboBox* unit_;
  QCheckBox *scaled_, *along_;
  QPushButton* paper_;
};

}  // namespace widecut

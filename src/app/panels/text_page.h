// How the selected words look, or those that are typed next.
#pragma once

#include <QWidget>
#include <functional>
#include <string>

#include "app/desk/trial.h"
#include "app/desk/word_looks.h"

class QComboBox;
class QLabel;
class QPushButton;
class QToolButton;

namespace widecut {

class MeasureField;

class TextPage : public QWidget {
  Q_OBJECT
 public:
  explicit TextPage(Desk& desk, QWidget* parent = nullptr);

  /// True when there are words selected, or about to be typed.
  bool applies() const;
  void refresh();

 signals:
  /// A style was chosen while words are typed.
  void keysBack();

 protected:
  bool eventFilter(QObject* watched, QEvent* event) override;

 private:
  using Change = TextStyleChange;

  void chooseColour();
  void fillFamilies();
  void fillFaces(const FaceChoice& face);
  MeasureField* field(const QString& name, const QString& editName, const std::function<void(TextStyle&, double)>& set);
  QWidget* buildAlign();
  /// Changes all selected words; the next ones too.
  void lookForWords();
  void apply(const QString& name, const Change& change);
  enum class Tried : unsigned char { PointedAt, Typed };
  void tryOut(const Change& change, Tried how);

  Desk& desk_;
  Id first_ = 0;  ///< Of the words among the selected items.
  Trial trial_{desk_};
  QComboBox *family_, *face_;
  std::string facesOf_;  ///< The family whose faces are listed.
  MeasureField *size_, *leading_;
  QToolButton* align_[4];
  QPushButton* colour_;
  QLabel* standIn_;
};

}  // namespace widecut

// A row of the reframe page: the subjects of the photo.
#pragma once

#include <QWidget>
#include <optional>
#include <vector>

#include "project/style.h"

class QHBoxLayout;
class QPushButton;

namespace widecut {

class TypedField;
class Desk;

/// A chip for every subject, amber where the frames cut it. The chosen one is renamed or taken away.
class SubjectRow : public QWidget {
  Q_OBJECT
 public:
  SubjectRow(Desk& desk, QWidget* parent);
  /// Those of the photo that is being reframed.
  void show(const MediumPtr& photo, Id item);

 private:
  void build(std::size_t count);
  void choose(std::optional<std::size_t> index);
  void rename(const QString& name);
  void takeAway();
  Desk& desk_;
  MediumPtr photo_;
  Id item_ = 0;
  std::optional<std::size_t> chosen_;
  QHBoxLayout* row_;
  QHBoxLayout* chipRow_;
  std::vector<QPushButton*> chips_;
  TypedField* name_;
  QPushButton* away_;
};

}  // namespace widecut

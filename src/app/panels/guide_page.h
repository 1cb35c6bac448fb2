// The guides of the open sheet, and of its piece, as a list.
#pragma once

#include <QWidget>

#include "app/desk/desk.h"
#include "app/desk/trial.h"
#include "project/edits/guides.h"

class QLabel;
class QPushButton;
class QVBoxLayout;

namespace widecut {

/// One line a guide: where it is, its name, whether it lies on all sheets, whether it is locked; it can be taken away.
class GuidePage : public QWidget {
  Q_OBJECT
 public:
  explicit GuidePage(Desk& desk, QWidget* parent = nullptr);
  void refresh();

 private:
  void add(bool upright);
  QWidget* line(const GuidePlace& place, const Guide& guide);
  void set(const GuidePlace& place, const QString& step, const std::function<void(Guide&)>& change);

  Desk& desk_;
  Trial trial_{desk_};
  QWidget* list_;
  QVBoxLayout* lines_;
  std::vector<std::pair<GuidePlace, Guide>> shown_;
  Unit unit_ = Unit::Plain;
};

}  // namespace widecut

// Which frames of the open sheet cut subjects of their photos.
#pragma once

#include <QObject>
#include <map>

#include "app/desk/latest_task.h"
#include "project/edits/subjects.h"

namespace widecut {

class Desk;

/// Looks at the open sheet whenever it changes, off the window's thread: true outlines take their time.
class SubjectWatch : public QObject {
  Q_OBJECT
 public:
  explicit SubjectWatch(Desk& desk);
  /// By the items that cut them; items that cut none are left out.
  const std::map<Id, std::vector<SubjectSeen>>& cuts() const { return cuts_; }
  /// Those that an item cuts.
  std::vector<SubjectSeen> cutBy(Id item) const;
  bool isLooking() const { return task_.isBusy(); }

  /// Whether the next drag over the photo that is being reframed marks a subject.
  bool isMarking() const { return isMarking_; }
  void setMarking(bool on);

 signals:
  void changed();

 private:
  void look();
  Desk& desk_;
  LatestTask task_;
  bool again_ = false;
  bool isMarking_ = false;
  std::map<Id, std::vector<SubjectSeen>> cuts_;
};

}  // namespace widecut

// What is amiss with frames of the open sheet: those that cut subjects of their photos, and those that miss a file.
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
  /// Items whose photo, or video, is referred to and is not there, with the file's name.
  const std::map<Id, std::string>& missing() const { return missing_; }
  /// What is amiss with items, in words.
  std::map<Id, QString> troubles() const;
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
  void lookForMissing();
  Desk& desk_;
  LatestTask task_;
  bool again_ = false;
  bool isMarking_ = false;
  bool mayMiss_ = false;  ///< The project that was opened missed files: some may be missing still.
  std::map<Id, std::vector<SubjectSeen>> cuts_;
  std::map<Id, std::string> missing_;
};

}  // namespace widecut

// Subjects: zones of photos that are to stay whole, in whatever frames show them.
#pragma once

#include <span>

#include "project/model.h"

namespace widecut {

/// The subjects of a photo, in the order in which they were marked.
const std::vector<Subject>& subjectsOf(const Project& project, const Medium& photo);
/// One more; nothing changes for a zone without an area.
Project withSubject(const Project& project, const Medium& photo, Subject subject);
/// Other subjects in place of those that the photo has.
Project withSubjects(const Project& project, const Medium& photo, std::vector<Subject> subjects);

/// A subject of which a frame shows something.
struct SubjectSeen {
  std::size_t index = 0;  ///< Among the photo's.
  std::string name;
  double here = 0;      ///< The share of its area (0…1) that this frame shows.
  double together = 0;  ///< That all frames of a shared photo show together; the same for a photo of its own.
  /// Whether the frame's edge goes through it and no other frame shows the rest. A thousandth may be missing.
  bool isCut() const { return here > 1e-3 && together < 1 - 1e-3; }
};
/// What the item shows of the subjects of its photo, by its true outline. Those it shows nothing of are left out.
std::vector<SubjectSeen> subjectsSeen(const Project& project, Id item);
/// Those of them that are cut.
std::vector<SubjectSeen> subjectsCut(const Project& project, Id item);

/// The photo of the item reframed so that all its subjects are whole in its frame, or in the frames that share it, and
/// as large as they go; its turn stays. It goes on covering its frames where it does not lie freely. Refuses items
/// without photo or subjects, and says which subjects have no room.
Result<Project> withSubjectsFitted(const Project& project, Id item);

}  // namespace widecut

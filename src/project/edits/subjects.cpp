#include "project/edits/subjects.h"

#include "cutting/largest_fit.h"
#include "project/edits/fills.h"
#include "project/edits/sharing.h"
#include "project/lookup.h"
#include "project/resolve.h"

namespace widecut {
namespace {

const std::vector<Subject> none;

/// A photo on the sheet, and the frames that show it.
struct Looked {
  ShownPhoto shown;
  Affine pixelsToSheet;
  std::vector<Operand> windows;
  std::size_t own = 0;  ///< The number of the item's among them.
};

std::optional<Looked> lookedAt(const Project& project, Id id) {
  const ItemPtr item = findItem(project, id);
  const auto shown = item ? shownPhoto(*item) : std::nullopt;
  if (!shown) return std::nullopt;
  Looked out{*shown, frameToSheet(project, id) * shown->pixelsToFrame, {}, 0};
  for (const Id sharer : sharersOf(project, id)) {
    const ItemPtr frame = findItem(project, sharer);
    if (sharer == id)
      out.own = out.windows.size();
    else if (!frame->isShown())
      continue;
    out.windows.push_back({transformed(resolved(*frame)->outline, frameToSheet(project, sharer))});
  }
  return out;
}

/// What the photo has to cover, on the sheet.
std::vector<Point> coveredPlaces(const Project& project, const ItemPtr& item) {
  const bool isShared = shareOf(*item) != 0;
  const Box box = isShared ? boxOfSharers(project, item->id) : boxInFrame(*item);
  std::vector<Point> out;
  for (int i = 0; i < 4 && !box.isEmpty(); ++i)
    out.push_back(isShared ? box.corner(i) : frameToSheet(project, item->id)(box.corner(i)));
  return out;
}

std::string namesOf(const std::vector<Subject>& subjects) {
  std::string out;
  for (std::size_t i = 0; i < subjects.size(); ++i)
    out += (i == 0 ? "“" : i + 1 < subjects.size() ? ", “" : " and “") + subjects[i].name + "”";
  return out;
}

}  // namespace

const std::vector<Subject>& subjectsOf(const Project& project, const Medium& photo) {
  const auto found = project.subjects.find(photo.hash);
  return found == project.subjects.end() ? none : *found->second;
}

Project withSubject(const Project& project, const Medium& photo, Subject subject) {
  if (!(std::abs(signedArea(subject.zone)) > 0)) return project;
  std::vector<Subject> all = subjectsOf(project, photo);
  all.push_back(std::move(subject));
  return withSubjects(project, photo, std::move(all));
}

Project withSubjects(const Project& project, const Medium& photo, std::vector<Subject> subjects) {
  if (subjects == subjectsOf(project, photo)) return project;
  Project out = project;
  if (subjects.empty())
    out.subjects.erase(photo.hash);
  else
    out.subjects[photo.hash] = std::make_shared<const std::vector<Subject>>(std::move(subjects));
  return out;
}

std::vector<SubjectSeen> subjectsSeen(const Project& project, Id item) {
  std::vector<SubjectSeen> out;
  if (project.subjects.empty()) return out;
  const auto looked = lookedAt(project, item);
  if (!looked) return out;
  const std::vector<Subject>& subjects = subjectsOf(project, *looked->shown.medium);
  for (std::size_t i = 0; i < subjects.size(); ++i) {
    const Outline zone = transformed(subjects[i].zone, looked->pixelsToSheet);
    const double here = shareSeen(zone, std::span(&looked->windows[looked->own], 1));
    if (!(here > 0)) continue;
    out.push_back({i, subjects[i].name, here, looked->windows.size() > 1 ? shareSeen(zone, looked->windows) : here});
  }
  return out;
}

std::vector<SubjectSeen> subjectsCut(const Project& project, Id item) {
  std::vector<SubjectSeen> out = subjectsSeen(project, item);
  std::erase_if(out, [](const SubjectSeen& seen) { return !seen.isCut(); });
  return out;
}

Result<Project> withSubjectsFitted(const Project& project, Id id) {
  const auto looked = lookedAt(project, id);
  if (!looked) return problem("no photo shows there");
  const Medium& photo = *looked->shown.medium;
  const std::vector<Subject>& subjects = subjectsOf(project, photo);
  if (subjects.empty()) return problem("no subject is marked on " + photo.name);
  const Affine now = looked->pixelsToSheet;
  const double scale = now.meanScale();
  FitTask task;
  task.windows = looked->windows;
  for (const Subject& subject : subjects) task.zones.push_back(subject.zone);
  task.turned = Affine::scale(1 / scale, 1 / scale) * now.linear();
  if (!looked->shown.habits.isFree) {
    task.picture = Box{{0, 0}, {double(photo.width), double(photo.height)}};
    task.covered = coveredPlaces(project, findItem(project, id));
  }
  const auto fit = largestFit(task);
  if (!fit)
    return problem(
        namesOf(subjects) + (subjects.size() > 1 ? " do not fit whole into " : " does not fit whole into ") +
        (looked->windows.size() > 1 ? "these frames" : "this frame") +
        (task.picture ? " while the photo covers " + std::string(looked->windows.size() > 1 ? "them" : "it") : ""));
  const Affine wanted = Affine::move(fit->shift) * Affine::scale(fit->scale, fit->scale) * task.turned;
  return withReframing(project, id, wanted * *now.inverse());
}

}  // namespace widecut

#include "app/desk/subjects.h"

#include <QCursor>
#include <QGuiApplication>
#include <cmath>
#include <set>

#include "app/desk/background.h"
#include "app/desk/photo_framing.h"
#include "media/suggested_subjects.h"
#include "project/edits/sharing.h"
#include "project/names.h"
#include "project/resolve.h"

namespace widecut {
namespace {

/// The first selected item with a photo.
std::optional<ShownPhoto> selectedPhoto(const Desk& desk) {
  for (const Id id : desk.selection())
    if (const ItemPtr item = findItem(desk.settled(), id))
      if (auto shown = shownPhoto(*item)) return shown;
  return std::nullopt;
}

UniqueNames namesIn(const std::vector<Subject>& subjects) {
  std::vector<std::string> names;
  names.reserve(subjects.size());
  for (const Subject& subject : subjects) names.push_back(subject.name);
  return UniqueNames(names);
}

/// What was found, without what is marked already.
std::vector<Subject> withFound(std::vector<Subject> subjects, const std::vector<Subject>& found) {
  const std::vector<Subject> before = subjects;
  UniqueNames names = namesIn(before);
  for (const Subject& one : found) {
    const Point middle = bounds(one.zone).centre();
    const bool isMarked = std::any_of(before.begin(), before.end(), [&](const Subject& subject) {
      return isInside(subject.zone, FillRule::Nonzero, middle);
    });
    if (!isMarked) subjects.push_back({names.take(one.name), one.zone});
  }
  return subjects;
}

void markFound(Desk& desk, const MediumPtr& photo, const std::vector<Subject>& found) {
  const std::size_t before = subjectsOf(desk.settled(), *photo).size();
  std::vector<Subject> after = withFound(subjectsOf(desk.settled(), *photo), found);
  const auto more = static_cast<int>(after.size() - before);
  changeSubjects(desk, photo, Desk::tr("Suggested subjects"), std::move(after));
  emit desk.told(more == 0   ? Desk::tr("No further subject was found: mark one by hand")
                 : more == 1 ? Desk::tr("A subject is marked: rename it, or take it away")
                             : Desk::tr("%1 subjects are marked: rename them, take away what is none").arg(more));
}

}  // namespace

bool showsSubjects(const Desk& desk) {
  return std::any_of(desk.selection().begin(), desk.selection().end(), [&](Id id) {
    const ItemPtr item = findItem(desk.settled(), id);
    const auto shown = item ? shownPhoto(*item) : std::nullopt;
    return shown && !subjectsOf(desk.settled(), *shown->medium).empty();
  });
}

void startMarking(Desk& desk) {
  if (desk.tool() != ToolKind::Reframe) desk.setTool(ToolKind::Reframe);
  desk.subjects().setMarking(true);
}

void markSubject(Desk& desk, const MediumPtr& photo, Outline zone) {
  const auto& before = subjectsOf(desk.settled(), *photo);
  desk.commit(Desk::tr("Mark a subject"),
              withSubject(desk.settled(), *photo, {namesIn(before).take("subject"), std::move(zone)}));
}

void suggestSubjects(Desk& desk, Background& background) {
  const auto shown = selectedPhoto(desk);
  if (!shown) return;
  const QString name = Desk::tr("Looking for subjects in “%1”").arg(QString::fromStdString(shown->medium->name));
  background.start(name, [&desk, photo = shown->medium](const Progress& progress) -> std::function<void()> {
    auto found = suggestedSubjects(desk.photos(), *photo);
    if (progress.isCancelled()) return [] {};
    return [&desk, photo, found = std::move(found)] { markFound(desk, photo, found); };
  });
}

void fitSubjects(Desk& desk) {
  QGuiApplication::setOverrideCursor(Qt::WaitCursor);
  Project project = desk.settled();
  std::set<Id> shares;
  QString trouble;
  bool isAny = false;
  for (const Id id : desk.selection()) {
    const ItemPtr item = findItem(project, id);
    const auto shown = item ? shownPhoto(*item) : std::nullopt;
    if (!shown || subjectsOf(project, *shown->medium).empty()) continue;
    if (const Id share = shareOf(*item); share != 0 && !shares.insert(share).second) continue;
    isAny = true;
    if (auto fitted = withSubjectsFitted(project, id))
      project = std::move(*fitted);
    else
      trouble = QString::fromStdString(fitted.error().message);
  }
  QGuiApplication::restoreOverrideCursor();
  const bool isMade = desk.commit(Desk::tr("Fit subjects"), std::move(project));
  if (!trouble.isEmpty())
    emit desk.told(trouble);
  else if (isAny)
    emit desk.told(isMade ? Desk::tr("All subjects are whole, and as large as they go")
                          : Desk::tr("All subjects are whole already, and as large as they go"));
}

void changeSubjects(Desk& desk, const MediumPtr& photo, const QString& step, std::vector<Subject> subjects) {
  desk.commit(step, withSubjects(desk.settled(), *photo, std::move(subjects)));
}

int cutPercent(const SubjectSeen& seen) {
  // Never nothing where something is missing, and never all where something is there.
  return std::clamp(static_cast<int>(std::lround((1 - seen.together) * 100)), 1, 99);
}

QString cutText(const std::vector<SubjectSeen>& cuts) {
  QStringList all;
  for (const SubjectSeen& seen : cuts)
    all.append(Desk::tr("%1 by %2 %").arg(QString::fromStdString(seen.name)).arg(cutPercent(seen)));
  return Desk::tr("cuts %1").arg(all.join(", "));
}

}  // namespace widecut

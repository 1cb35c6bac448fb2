// What is open: project files, photos.
#include "app/desk/desk.h"

#include <QFileInfo>

#include "app/desk/bring_in.h"
#include "media/files.h"
#include "output/png.h"
#include "project/edits/fills.h"
#include "project/edits/sharing.h"
#include "project/limits.h"
#include "project/resolve.h"
#include "storage/project_file.h"

namespace widecut {

void Desk::reset(ProjectPtr project, const QString& path) {
  history_ = History(std::move(project));
  history_.markSaved();
  lastOutcome_.reset();
  opening_.reset();
  path_ = path;
  showFirstSheet();
}

void Desk::showFirstSheet() {
  dropPreview();
  sheet_ = sheetsOf(settled()).front()->id;
  selection_.clear();
  setTool(ToolKind::Select);
  emit selectionChanged();
  emit projectChanged();
  emit sheetChanged();
  emit fileChanged();
  emit begun();
}

void Desk::startNew(Project project) {
  reset(std::make_shared<const Project>(std::move(project)), {});
  claim({});
}

Result<void> Desk::open(const QString& path) {
  auto project = openProject(path.toStdString());
  if (!project) return tl::unexpected(project.error());
  open(std::move(*project), path);
  return {};
}

void Desk::beginOpening(Project first) {
  opening_ = std::move(first);
  showFirstSheet();
}

void Desk::giveUpOpening() {
  if (!isOpening()) return;
  opening_.reset();
  showFirstSheet();
}

void Desk::open(Project project, const QString& path) {
  reset(std::make_shared<const Project>(std::move(project)), path);
  claim(path);
  if (isOpenElsewhere())
    emit told(
        tr("%1 is open in another window: saving here will ask for another name.").arg(QFileInfo(path).fileName()));
}

void Desk::claim(const QString& path) {
  claim_.reset();
  if (!claims_.empty() && !path.isEmpty()) claim_ = FileClaim::on(path.toStdString(), claims_);
  stamp_ = fileStamp(path.toStdString());
}

bool Desk::isChangedElsewhere() const {
  return !path_.isEmpty() && !stamp_.empty() && fileStamp(path_.toStdString()) != stamp_;
}

void Desk::takeUp(Project project, const QString& path) {
  reset(std::make_shared<const Project>(std::move(project)), path);
  claim(path);
  history_.markUnsaved();
  emit fileChanged();
  emit told(tr("Taken up where it was left. It is not saved yet."));
}

Result<void> Desk::openCopy(const QString& path) {
  auto opened = open(path);
  if (opened) detach();
  return opened;
}

void Desk::detach() {
  path_.clear();
  claim_.reset();
  emit fileChanged();
}

Result<Saving> Desk::beginSaving(const QString& path, bool replaceChanged) {
  const bool same = path == path_;
  Saving saving{history_.current(), path, nullptr};
  if (!claims_.empty() && !(same && claim_)) {
    saving.claim = FileClaim::on(path.toStdString(), claims_);
    if (!saving.claim)
      return problem(path.toStdString() + " is open in another window of Wide Cut: save under another name");
  }
  if (same && isChangedElsewhere() && !replaceChanged)
    return problem(path.toStdString() + " was changed by somebody else since it was opened here");
  return saving;
}

Result<std::string> Saving::write(PhotoStore& photos, const Progress& progress) const {
  Project project = *state;
  if (project.name == emptyProject().name) project.name = QFileInfo(path).completeBaseName().toStdString();
  constexpr double shareOfPicture = 0.1;
  const auto preview = pngOf(sceneOf(*sheetsOf(project).front()), photos, 36, Ground::Paper);
  if (!preview) return tl::unexpected(preview.error());
  const auto saved = saveProject(project, *preview, path.toStdString(), progress.stretch(shareOfPicture, 1));
  if (!saved) return tl::unexpected(saved.error());
  return fileStamp(path.toStdString());
}

void Desk::endSaving(const Saving& saving, const std::string& stamp) {
  path_ = saving.path;
  if (saving.claim) claim_ = saving.claim;
  stamp_ = stamp;
  history_.markSaved(saving.state);
  emit fileChanged();
  emit told(tr("Saved %1").arg(QFileInfo(saving.path).fileName()));
}

Result<void> Desk::save(const QString& path, bool replaceChanged) {
  const auto saving = beginSaving(path, replaceChanged);
  if (!saving) return tl::unexpected(saving.error());
  const auto stamp = saving->write(photos_, {});
  if (!stamp) return tl::unexpected(stamp.error());
  endSaving(*saving, *stamp);
  return {};
}

PhotoPlace Desk::photoPlace(std::optional<Point> at) const {
  const ItemPtr target = onlyItem();
  // Of several frames it is one behind them all, unless a place was said.
  if (selection_.size() > 1 && !at) return {selection_.front(), sheet()->id, at, selection_};
  return {target && !boxInFrame(*target).isEmpty() ? target->id : 0, sheet()->id, at};
}

void Desk::placePhoto(const MediumPtr& photo, const PhotoPlace& place) {
  settleAll();
  const QString step = photo->video ? tr("Bring in a video") : tr("Bring in a photo");
  if (findItem(settled(), place.item)) {
    Project changed = withPhotoIn(settled(), place.item, photo);
    if (place.behind.size() > 1) changed = withSharedPhoto(changed, place.behind, place.item);
    if (commit(step, std::move(changed)) && photo->video) show(Aside::Playing);
    return;
  }
  const SheetPtr named = findSheet(settled(), place.sheet);
  const SheetPtr on = named ? named : sheet();
  const Point size{on->width * 0.5, on->height * 0.5};
  const Point centre = place.at.value_or(on->box().centre());
  Id made = 0;
  Project changed = withPhotoItem(settled(), on->id, photo, Box::between(centre - size / 2, centre + size / 2), made);
  commit(step, std::move(changed));
  if (on->id != sheet()->id) return;
  select({made});
  if (photo->video) show(Aside::Playing);
}

}  // namespace widecut

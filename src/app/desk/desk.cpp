#include "app/desk/desk.h"

#include <QFileInfo>
#include <algorithm>

#include "geometry/measure.h"
#include "output/png.h"
#include "project/edits.h"
#include "project/fills.h"
#include "project/limits.h"
#include "project/pieces.h"
#include "project/resolve.h"
#include "storage/project_file.h"

namespace widecut {

Project emptyProject() {
  Project project;
  project.name = "Untitled";
  Sheet sheet;
  sheet.id = 2;
  sheet.name = "Sheet 1";
  sheet.width = 297 * pointsPerMillimetre;
  sheet.height = 210 * pointsPerMillimetre;
  project.pieces = {std::make_shared<const Piece>(Piece{1, "A4 sheet", {std::make_shared<const Sheet>(sheet)}, ""})};
  project.nextId = 3;
  return project;
}

Desk::Desk(QObject* parent) : QObject(parent), history_(std::make_shared<const Project>(emptyProject())) {
  setColour(styleForNew, Colour{0x8F, 0xA9, 0xB8});
  sheet_ = sheetsOf(settled()).front()->id;
  // Photos become ready one by one; what shows them is painted anew once for a few.
  readySoon_.setSingleShot(true);
  readySoon_.setInterval(30);
  connect(&readySoon_, &QTimer::timeout, this, &Desk::photosReady);
  photos_.whenReady([this] {
    QMetaObject::invokeMethod(
        this,
        [this] {
          if (!readySoon_.isActive()) readySoon_.start();
        },
        Qt::QueuedConnection);
  });
}

SheetPtr Desk::sheet() const { return findSheet(project(), sheet_); }

ItemPtr Desk::onlyItem() const { return selection_.size() == 1 ? findItem(project(), selection_.front()) : nullptr; }

ItemPtr Desk::openCutout() const {
  const ItemPtr item = onlyItem();
  if (!item || item->recipe()) return item;
  const auto chain = chainTo(project(), item->id);
  return chain.size() > 1 ? chain[chain.size() - 2] : nullptr;
}

bool Desk::admits(const Project& changed) {
  const auto why = beyondLimits(changed, history_.current().get());
  if (why) emit told(tr("Not done: %1").arg(QString::fromStdString(why->message)));
  return !why;
}

void Desk::dropPreview() {
  preview_.reset();
  trying_ = nullptr;
}

bool Desk::commit(const QString& name, Project changed) {
  const bool wasTrying = isTrying();
  dropPreview();
  const bool admitted = admits(changed);
  if (!admitted || isSame(changed, settled())) {
    if (wasTrying || !admitted) emit projectChanged();
    return admitted;
  }
  lastOutcome_.reset();
  history_.commit(name.toStdString(), std::make_shared<const Project>(std::move(changed)));
  dropMissing();
  emit projectChanged();
  emit fileChanged();
  return true;
}

void Desk::undo() {
  if (!history_.canUndo()) return;
  emit told(tr("Undone: %1").arg(QString::fromStdString(history_.undoName())));
  history_.undo();
  goneThrough();
}

void Desk::redo() {
  if (!history_.canRedo()) return;
  emit told(tr("Done again: %1").arg(QString::fromStdString(history_.redoName())));
  history_.redo();
  goneThrough();
}

void Desk::goneThrough() {
  dropPreview();
  lastOutcome_.reset();
  dropMissing();
  emit projectChanged();
  emit fileChanged();
}

void Trial::show(Project changed) {
  if (!desk_) return;
  if (!desk_->admits(changed)) {
    drop();
    return;
  }
  desk_->preview_ = std::move(changed);
  desk_->trying_ = this;
  emit desk_->projectChanged();
}

bool Trial::settle(const QString& name) { return isShown() && desk_->commit(name, Project(*desk_->preview_)); }

void Trial::drop() {
  if (!isShown()) return;
  desk_->dropPreview();
  emit desk_->projectChanged();
}

void Desk::dropMissing() {
  if (!findSheet(settled(), sheet_)) goToSheet(sheetsOf(settled()).front()->id);
  std::vector<Id> kept;
  for (const Id id : selection_)
    if (findItem(settled(), id)) kept.push_back(id);
  if (kept.size() != selection_.size()) select(kept);
}

void Desk::select(std::vector<Id> items) {
  std::erase_if(items, [&](Id id) { return !findItem(settled(), id) && !findItem(project(), id); });
  if (items == selection_) return;
  selection_ = std::move(items);
  chosenLook_ = 0;
  chosenPhoto_.reset();
  emit selectionChanged();
}

void Desk::goToSheet(Id sheet) {
  if (sheet == sheet_) return;
  sheet_ = sheet;
  select({});
  emit sheetChanged();
}

void Desk::setTool(ToolKind tool) {
  if (tool == tool_) return;
  tool_ = tool;
  emit toolChanged();
}

void Desk::setCornersForNew(int corners) {
  cornersForNew = std::clamp(corners, limits::leastCorners, limits::mostCorners);
  emit toolSet();
}

std::vector<Id> Desk::outcomeItems() const {
  const bool justMade = lastOutcome_ && lastOutcome_->state == history_.current() && selection_ == lastOutcome_->made;
  return justMade ? lastOutcome_->items : selection_;
}

LookChoice Desk::lookFor(std::span<const Id> items, Outcome outcome) const {
  LookChoice choice = usualLook(settled(), items, outcome);
  if (chosenLook_ != 0) choice.look = chosenLook_;
  if (chosenPhoto_) choice.photo = *chosenPhoto_;
  return choice;
}

void Desk::chooseLook(Id item) {
  chosenLook_ = item;
  emit selectionChanged();
}

void Desk::choosePhoto(std::optional<Id> item) {
  chosenPhoto_ = item;
  emit selectionChanged();
}

std::optional<std::vector<Id>> Desk::takeOutcomeItems() {
  const std::vector<Id> items = outcomeItems();
  if (items != selection_) history_.undo();
  if (combinable(settled(), items).size() > 1) return items;
  emit told(tr("Select two or more items first: then the letters combine them."));
  return std::nullopt;
}

void Desk::putOutcomeBack(const std::vector<Id>& items) {
  if (items == selection_) return;
  history_.redo();
  emit projectChanged();
}

void Desk::remember(std::vector<Id> items, std::vector<Id> made) {
  lastOutcome_ = LastOutcome{std::move(items), made, history_.current()};
  // The ids may be those of the outcome before, but they are other items.
  selection_.clear();
  select(std::move(made));
}

void Desk::makeOutcome(Outcome outcome) {
  const auto items = takeOutcomeItems();
  if (!items) return;
  Id made = 0;
  const LookChoice look = lookFor(*items, outcome);
  if (commit(QString::fromUtf8(nameOf(outcome).data()), combined(settled(), *items, outcome, look, made)))
    remember(*items, {made});
  else
    putOutcomeBack(*items);
}

void Desk::makeDivision() {
  const auto items = takeOutcomeItems();
  if (!items) return;
  std::vector<Id> made;
  if (!commit(tr("Divide"), withDivided(settled(), *items, lookFor(*items, Outcome::Union), made))) {
    putOutcomeBack(*items);
    return;
  }
  remember(*items, made);
  emit told(tr("%1 pieces: drag one to move it apart").arg(made.size()));
}

void Desk::reset(ProjectPtr project, const QString& path) {
  history_ = History(std::move(project));
  history_.markSaved();
  dropPreview();
  lastOutcome_.reset();
  path_ = path;
  sheet_ = sheetsOf(settled()).front()->id;
  selection_.clear();
  setTool(ToolKind::Select);
  emit selectionChanged();
  emit projectChanged();
  emit sheetChanged();
  emit fileChanged();
}

void Desk::startNew() {
  reset(std::make_shared<const Project>(emptyProject()), {});
  claim({});
}

Result<void> Desk::open(const QString& path) {
  auto project = openProject(path.toStdString());
  if (!project) return tl::unexpected(project.error());
  reset(std::make_shared<const Project>(std::move(*project)), path);
  claim(path);
  if (isOpenElsewhere())
    emit told(
        tr("%1 is open in another window: saving here will ask for another name.").arg(QFileInfo(path).fileName()));
  return {};
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
  if (!opened) return opened;
  path_.clear();
  claim_.reset();
  emit fileChanged();
  return {};
}

Result<void> Desk::save(const QString& path, bool replaceChanged) {
  const bool same = path == path_;
  std::unique_ptr<FileClaim> fresh;
  if (!claims_.empty() && !(same && claim_)) {
    fresh = FileClaim::on(path.toStdString(), claims_);
    if (!fresh) return problem(path.toStdString() + " is open in another window of Wide Cut: save under another name");
  }
  if (same && isChangedElsewhere() && !replaceChanged)
    return problem(path.toStdString() + " was changed by somebody else since it was opened here");
  Project project = settled();
  if (project.name == emptyProject().name) project.name = QFileInfo(path).completeBaseName().toStdString();
  const auto preview = pngOf(sceneOf(*sheetsOf(project).front()), photos_, 36, Ground::Paper);
  if (!preview) return tl::unexpected(preview.error());
  if (const auto saved = saveProject(project, *preview, path.toStdString()); !saved) return saved;
  path_ = path;
  if (fresh) claim_ = std::move(fresh);
  stamp_ = fileStamp(path.toStdString());
  history_.markSaved();
  emit fileChanged();
  emit told(tr("Saved %1").arg(QFileInfo(path).fileName()));
  return {};
}

Result<void> Desk::placePhoto(const QString& path, std::optional<Point> at) {
  const auto medium = photoFromFile(path.toStdString());
  if (!medium) return tl::unexpected(medium.error());
  const ItemPtr target = onlyItem();
  if (target && !boxInFrame(*target).isEmpty()) {
    commit(tr("Bring in a photo"), withPhotoIn(settled(), target->id, *medium));
    return {};
  }
  const SheetPtr on = sheet();
  const Point size{on->width * 0.5, on->height * 0.5};
  const Point centre = at.value_or(on->box().centre());
  Id made = 0;
  Project changed = withPhotoItem(settled(), on->id, *medium, Box::between(centre - size / 2, centre + size / 2), made);
  commit(tr("Bring in a photo"), std::move(changed));
  select({made});
  return {};
}

}  // namespace widecut

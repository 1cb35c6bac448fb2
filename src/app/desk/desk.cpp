#include "app/desk/desk.h"

#include "app/desk/preferences.h"

#include <algorithm>

#include "app/desk/playback.h"
#include "app/desk/selecting.h"
#include "geometry/measure.h"
#include "project/edits/order.h"
#include "project/edits/sheets.h"
#include "project/edits/words_following.h"
#include "project/limits.h"
#include "project/usual_colours.h"

namespace widecut {

Project emptyProject() {
  const Project project = newProject([](Id& nextId) {
    return newPiece(297 * pointsPerMillimetre, 210 * pointsPerMillimetre, Unit::Millimetre, nextId);
  });
  return withName(project, project.pieces.front()->id, "A4 sheet");
}

Desk::Desk(QObject* parent) : QObject(parent), history_(std::make_shared<const Project>(emptyProject())) {
  connect(this, &Desk::refused, this, &Desk::told);
  setColour(styleForNew, usualFill);
  sheet_ = sheetsOf(settled()).front()->id;
  subjects_ = new SubjectWatch(*this);
  playback_ = std::make_unique<Playback>(*this);
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

Desk::~Desk() = default;

SheetPtr Desk::sheet() const { return findSheet(project(), sheet_); }

ItemPtr Desk::onlyItem() const { return selection_.size() == 1 ? findItem(project(), selection_.front()) : nullptr; }

ItemPtr Desk::openCutout() const {
  if (!onlyItem()) return nullptr;
  const ItemPtr whole = openWhole();
  return whole && whole->recipe() ? whole : nullptr;
}

ItemPtr Desk::openWhole() const {
  const ItemPtr item = onlyItem();
  return item && item->recipe() ? item : parentOfSelection();
}

ItemPtr Desk::parentOfSelection() const {
  ItemPtr whole;
  for (const Id id : selection_) {
    const auto chain = chainTo(project(), id);
    if (chain.size() < 2 || (whole && chain[chain.size() - 2] != whole)) return nullptr;
    whole = chain[chain.size() - 2];
  }
  return whole;
}

bool Desk::admits(const Project& changed) {
  if (isOpening()) {
    emit refused(tr("It is still being opened"));
    return false;
  }
  const auto why = beyondLimits(changed, history_.current().get());
  if (why) emit refused(tr("Not done: %1").arg(QString::fromStdString(why->message)));
  return !why;
}

void Desk::dropPreview() {
  preview_.reset();
  trying_ = nullptr;
}

bool Desk::commit(const QString& name, Project changed) {
  changed = withWordsFollowing(settled(), changed);
  const bool wasTrying = isTrying();
  dropPreview();
  const bool admitted = admits(changed);
  if (!admitted || isSame(changed, settled())) {
    if (wasTrying || !admitted) emit projectChanged();
    return admitted;
  }
  lastOutcome_.reset();
  noteSelection();
  history_.commit(name.toStdString(), std::make_shared<const Project>(std::move(changed)));
  dropMissing();
  emit projectChanged();
  emit fileChanged();
  return true;
}

void Desk::toggleArranging() {
  showsArranging_ = !showsArranging_;
  emit selectionChanged();
}

std::optional<PaintPlace> Desk::chosenPaint() const {
  const ItemPtr first = selection_.empty() ? nullptr : findItem(project(), selection_.front());
  return chosenPaint_ && first && isThere(*first->style, *chosenPaint_) ? chosenPaint_ : std::nullopt;
}

void Desk::choosePaint(std::optional<PaintPlace> place) {
  chosenPaint_ = place;
  chosenStop_ = 0;
  if (place) aside_ = Aside::None;
  emit paintChosen();
}

void Desk::chooseStop(std::size_t stop) {
  if (stop == chosenStop_) return;
  chosenStop_ = stop;
  emit paintChosen();
}

void Desk::toggle(Aside page) {
  aside_ = shows(page) ? Aside::None : page;
  if (page != Aside::Colours) chosenPaint_.reset();
  emit paintChosen();
}

bool Desk::leavePaint() {
  if (!chosenPaint_ && aside_ == Aside::None) return false;
  const bool wasShown = chosenPaint() || (aside_ != Aside::None && shows(aside_));
  chosenPaint_.reset();
  aside_ = Aside::None;
  emit paintChosen();
  return wasShown;
}

void Desk::chooseCopy(int copy) {
  if (copy == chosenCopy_) return;
  chosenCopy_ = copy;
  emit copyChosen();
}

void Desk::dropMissing() {
  if (!findSheet(settled(), sheet_)) goToSheet(sheetsOf(settled()).front()->id);
  // What went to another sheet is selected no more than what is gone.
  const auto index = SheetIndex::of(findSheet(settled(), sheet_));
  std::vector<Id> kept;
  for (const Id id : selection_)
    if (index->find(id)) kept.push_back(id);
  if (kept.size() != selection_.size()) select(kept);
  chooseNodes(chosenNodes_);
}

void Desk::chooseNodes(NodesOfItems nodes) {
  for (auto one = nodes.begin(); one != nodes.end();) {
    const ItemPtr item = findItem(settled(), one->first);
    const auto paths = item ? nodesOf(*item) : std::nullopt;
    std::erase_if(one->second, [&](NodePlace p) {
      return !paths || p.path >= paths->size() || p.node >= (*paths)[p.path].nodes.size();
    });
    one = one->second.empty() ? nodes.erase(one) : std::next(one);
  }
  if (nodes == chosenNodes_) return;
  chosenNodes_ = std::move(nodes);
  emit nodesChosen();
}

void Desk::select(std::vector<Id> items) {
  std::erase_if(items, [&](Id id) { return !findItem(settled(), id) && !findItem(project(), id); });
  if (items == selection_) return;
  selection_ = std::move(items);
  chooseNodes({});
  showsNumbers_ = false;
  chosenCopy_ = -1;
  chosenPaint_.reset();
  chosenStop_ = 0;
  // Several go on being arranged; one item shows what it is, until that is asked for.
  if (selection_.size() < 2) showsArranging_ = false;
  // A page that was asked for is of what was selected then.
  if (!isOfProject(aside_)) aside_ = Aside::None;
  chosenLook_ = 0;
  chosenPhoto_.reset();
  if (pivot_.isSet()) setPivot({});  // it was set for something else
  emit selectionChanged();
}

void Desk::goToSheet(Id sheet) {
  if (sheet == sheet_) return;
  sheet_ = sheet;
  select({});
  emit sheetChanged();
}

std::vector<Id> Desk::chosenSheets() const {
  const auto isChosen = [&](Id id) {
    return id == sheet_ || std::find(chosenSheets_.begin(), chosenSheets_.end(), id) != chosenSheets_.end();
  };
  std::vector<Id> chosen;
  for (const SheetPtr& sheet : sheetsOf(settled()))
    if (isChosen(sheet->id)) chosen.push_back(sheet->id);
  return chosen;
}

void Desk::stepSheet(int by) {
  const auto sheets = sheetsOf(settled());
  const auto here = std::find_if(sheets.begin(), sheets.end(), [&](const SheetPtr& s) { return s->id == sheet_; });
  const auto to = here - sheets.begin() + by;
  if (to >= 0 && to < std::ssize(sheets)) goToSheet(sheets[static_cast<std::size_t>(to)]->id);
}

void Desk::putOnSheet(const std::vector<Id>& items, Id sheet, bool copies) {
  std::vector<Id> made;
  const Point beside{12, 12};
  Project changed = copies ? withCopiesOnSheet(settled(), items, sheet, beside, made)
                           : withItemsOnSheet(settled(), unlocked(settled(), items), sheet);
  const bool same = isSame(changed, settled());
  if (same || !commit(copies ? tr("Copy to another sheet") : tr("Move to another sheet"), std::move(changed))) return;
  emit told((copies ? tr("Copied to “%1”") : tr("Moved to “%1”"))
                .arg(QString::fromStdString(findSheet(settled(), sheet)->name)));
}

void Desk::setTool(ToolKind tool) {
  if (tool == tool_) return;
  tool_ = tool;
  joinForNew_.reset();
  // Another tool has its own page.
  if (tool != ToolKind::Select) {
    chosenPaint_.reset();
    aside_ = Aside::None;
  }
  emit toolChanged();
}

void Desk::toggleView(MatView view) {
  view_ = view_ == view ? MatView::Usual : view;
  emit viewChanged();
}

Unit Desk::unit() const {
  const PiecePtr piece = pieceOf(project(), sheet_);
  return piece ? piece->setting.unit : Unit::Millimetre;
}

void Desk::setPivot(const Pivot& pivot) {
  if (pivot == pivot_) return;
  pivot_ = pivot;
  emit pivotChanged();
}

QString Desk::lengthText(double points) const {
  const Unit u = unit();
  const int decimals = u == Unit::Pixel ? 0 : u == Unit::Inch ? 3 : u == Unit::Centimetre ? 2 : 1;
  return written(measureText(points, u, decimals));
}

bool Desk::canJoin() const {
  return draws(tool_) && typedOn_ == 0 && onlyItem() && isAnyUnlocked(settled(), selection_);
}

void Desk::typeOn(Id words, std::optional<Point> at) {
  setTool(ToolKind::Words);
  emit typingWanted(words, at);
}

void Desk::writeIn() {
  const ItemPtr item = onlyItem();
  if (!item) return;
  setTool(ToolKind::Words);
  emit writingWanted(item->id);
}

TextStyle Desk::textStyleForNew() const {
  constexpr double lines = 22, leading = 1.2;  // so many would stand on the shorter side
  const SheetPtr on = sheet();
  TextStyle style = textStyle_.value_or(TextStyle{});
  style.face.own = settled().fonts;
  if (textStyle_) return style;
  style.size = std::clamp(std::round(std::min(on->width, on->height) / lines), 6.0, 200.0);
  style.leading = std::round(style.size * leading);
  return style;
}

void Desk::setTextStyleForNew(const TextStyle& style) {
  textStyle_ = style;
  emit toolSet();
}

void Desk::setTypedOn(Id words, std::size_t from, std::size_t to) {
  const bool isSame = typedOn_ == words;
  const auto before = std::exchange(typedStretch_, {from, to});
  if (isSame) {
    if (before != typedStretch_) emit typedStretchChanged();
    return;
  }
  typedOn_ = words;
  emit toolSet();
}

void Desk::setJoinForNew(std::optional<Role> role) {
  joinForNew_ = role;
  emit toolSet();
}

void Desk::findShape() {
  setTool(ToolKind::Starter);
  setNextKind(nullptr);
  emit findWanted();
}

void Desk::toggleNumbers() {
  showsNumbers_ = !showsNumbers_;
  emit selectionChanged();
}

void Desk::setNextNumbers(std::vector<double> numbers) {
  nextShapes_.setNumbers(tool_, *nextKind(), std::move(numbers));
  emit toolSet();
}

void Desk::setNextKind(const StarterKind* kind) {
  nextShapes_.setKind(tool_, kind);
  emit toolSet();
}

void Desk::setNext(const StarterKind& kind, std::vector<double> numbers) {
  nextShapes_.setNumbers(tool_, kind, std::move(numbers));
  setNextKind(&kind);
}

}  // namespace widecut

#include "app/bench/bench.h"

#include <QApplication>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>

#include "app/bench/adjust_page.h"
#include "app/bench/arrange_page.h"
#include "app/bench/colours_page.h"
#include "app/bench/fill_page.h"
#include "app/bench/finish_page.h"
#include "app/bench/ground_page.h"
#include "app/bench/knife_page.h"
#include "app/bench/next_steps_page.h"
#include "app/bench/nodes_page.h"
#include "app/bench/offset_page.h"
#include "app/bench/outcomes_page.h"
#include "app/bench/pen_page.h"
#include "app/bench/photos_page.h"
#include "app/bench/recipe_page.h"
#include "app/bench/reframe_page.h"
#include "app/bench/repeat_page.h"
#include "app/bench/starter_page.h"
#include "app/bench/starters_page.h"
#include "app/bench/stock_page.h"
#include "app/bench/video_page.h"
#include "app/bench/words_page.h"
#include "app/desk/photo_framing.h"
#include "app/desk/preferences.h"
#include "app/desk/repeating.h"
#include "app/look/theme.h"
#include "project/forms/starter_form.h"
#include "project/forms/words.h"
#include "project/resolve.h"

namespace widecut {
namespace {

template <class Page>
BenchPage* make(Desk& desk, QWidget* bench) {
  return new Page(desk, bench);
}

/// A page, and when it shows.
struct Entry {
  BenchPage* (*make)(Desk& desk, QWidget* bench);
  bool (*applies)(const Desk& desk);
};

template <ToolKind... Kinds>
bool inHand(const Desk& desk) {
  return ((desk.tool() == Kinds) || ...);
}

/// One starter's numbers: the next one's, or the selected one's. A part of a cutout shows its recipe.
bool showsStarter(const Desk& d) {
  if (inHand<ToolKind::Polygon, ToolKind::Starter>(d)) return d.nextKind() != nullptr;
  if (inHand<ToolKind::Rectangle, ToolKind::Ellipse>(d) && d.selection().empty()) return true;
  return !inHand<ToolKind::Words>(d) && d.onlyItem() && starterOf(*d.onlyItem()) &&
         (!d.openCutout() || d.showsNumbers());
}
bool offersStarters(const Desk& d) {
  if (inHand<ToolKind::Starter>(d)) return !d.nextKind();
  return !inHand<ToolKind::Words, ToolKind::Nodes>(d) && d.selection().empty();
}

/// The first one that applies shows; the last one always does.
constexpr Entry pages[] = {
    {make<OffsetPage>, inHand<ToolKind::Offset, ToolKind::LineOutline>},
    {make<ColoursPage>, [](const Desk& d) { return d.shows(Aside::Colours); }},
    {make<PhotosPage>, [](const Desk& d) { return d.shows(Aside::Photos); }},
    {make<StockPage>, [](const Desk& d) { return d.shows(Aside::Stock); }},
    {make<FillPage>, [](const Desk& d) { return d.chosenPaint().has_value(); }},
    {make<FinishPage>, [](const Desk& d) { return d.shows(Aside::Finish); }},
    {make<AdjustPage>, [](const Desk& d) { return d.shows(Aside::Adjusting) && firstPhotoItem(d); }},
    {make<GroundPage>, [](const Desk& d) { return d.shows(Aside::Ground) && reframedItem(d); }},
    {make<VideoPage>,
     [](const Desk& d) { return d.shows(Aside::Playing) && !inHand<ToolKind::Reframe>(d) && videoItem(d); }},
    {make<NodesPage>, inHand<ToolKind::Nodes>},
    {make<PenPage>, inHand<ToolKind::Pen>},
    {make<KnifePage>, inHand<ToolKind::Knife>},
    {make<ReframePage>, [](const Desk& d) { return inHand<ToolKind::Reframe>(d) && reframedItem(d); }},
    {make<ArrangePage>,
     [](const Desk& d) { return d.showsArranging() && inHand<ToolKind::Select>(d) && !d.selection().empty(); }},
    {make<StarterPage>, showsStarter},
    {make<StartersPage>, offersStarters},
    // Words that are a part of a cutout show its recipe, unless they are typed on.
    {make<WordsPage>,
     [](const Desk& d) {
       const ItemPtr item = d.onlyItem();
       return inHand<ToolKind::Words>(d) || (item && wordsOf(*item) && !d.openCutout());
     }},
    // A repeat that is a part of a cutout shows its own numbers: that is what is changed of it there.
    {make<RepeatPage>, [](const Desk& d) { return selectedRepeat(d) != nullptr; }},
    {make<RecipePage>, [](const Desk& d) { return d.openCutout() != nullptr; }},
    {make<OutcomesPage>, [](const Desk& d) { return d.selection().size() > 1; }},
    {make<NextStepsPage>, [](const Desk&) { return true; }},
};

int pageFor(const Desk& desk) {
  int page = 0;
  while (!pages[page].applies(desk)) ++page;
  return page;
}

}  // namespace

Bench::Bench(Desk& desk, QWidget* parent) : QStackedWidget(parent), desk_(desk) {
  setObjectName("bench");
  setAccessibleName(tr("Bench"));
  setFixedHeight(148);
  setAttribute(Qt::WA_StyledBackground);
  theme::setSheet(*this, "#bench { background: #FBF9F4; }");
  connect(&PreferencesNow::instance(), &PreferencesNow::changed, this, [this] {
    if (auto* page = qobject_cast<BenchPage*>(currentWidget())) page->refresh(true);
  });
  for (const Entry& entry : pages) {
    BenchPage* page = entry.make(desk, this);
    connect(page, &BenchPage::commandWanted, this, &Bench::commandWanted);
    connect(page, &BenchPage::photoWanted, this, &Bench::photoWanted);
    connect(page, &BenchPage::keysBack, this, &Bench::keysBack);
    addWidget(page);
  }
  connect(&desk, &Desk::selectionChanged, this, &Bench::choosePage);
  connect(&desk, &Desk::toolChanged, this, &Bench::choosePage);
  connect(&desk, &Desk::paintChosen, this, [this] {
    if (currentIndex() != pageFor(desk_)) choosePage();
  });
  connect(&desk, &Desk::toolSet, this, [this] {
    if (laysStarters(desk_.tool()) && currentIndex() != pageFor(desk_)) choosePage();
  });
  connect(&desk, &Desk::photosReady, this, &Bench::refresh);
  connect(&desk, &Desk::projectChanged, this, &Bench::refresh);
  letGo_.setSingleShot(true);
  letGo_.setInterval(30);
  connect(&letGo_, &QTimer::timeout, this, &Bench::choosePage);
  choosePage();
}

bool Bench::holdsRecipe() {
  const ItemPtr open = desk_.openCutout();
  const bool isHeld = recipeOf_ != 0 && (QApplication::mouseButtons() & Qt::LeftButton) &&
                      (!open || open->id != recipeOf_) && findItem(desk_.settled(), recipeOf_);
  if (isHeld) letGo_.start();
  return isHeld;
}

void Bench::choosePage() {
  if (holdsRecipe()) return;
  const int next = pageFor(desk_);
  // A stack passes the keys on from the page that goes to the first button of the one that comes: nobody asked for
  // that.
  if (QWidget* has = QApplication::focusWidget(); has && next != currentIndex() && currentWidget()->isAncestorOf(has))
    has->clearFocus();
  setCurrentIndex(next);
  const ItemPtr open = desk_.openCutout();
  recipeOf_ = open && qobject_cast<RecipePage*>(currentWidget()) ? open->id : 0;
  static_cast<BenchPage*>(currentWidget())->refresh(true);
}

void Bench::refresh() {
  if (holdsRecipe() || desk_.isPointing()) return;
  // A change can make a cutout of a plain selection, or take the photo of what is being reframed; what is only tried
  // leaves the page that tries it.
  if (!desk_.isTrying() && currentIndex() != pageFor(desk_)) {
    choosePage();
    return;
  }
  static_cast<BenchPage*>(currentWidget())->refresh(false);
}

QPushButton* BenchPage::buttonFor(CommandId id, QWidget* parent) {
  QPushButton* button = commandButton(id, parent);
  connect(button, &QPushButton::clicked, this, [this, id] { emit commandWanted(id); });
  return button;
}

}  // namespace widecut

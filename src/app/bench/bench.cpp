#include "app/bench/bench.h"

#include <QHBoxLayout>
#include <QLabel>

#include "app/bench/knife_page.h"
#include "app/bench/next_steps_page.h"
#include "app/bench/offset_page.h"
#include "app/bench/outcomes_page.h"
#include "app/bench/polygon_page.h"
#include "app/bench/recipe_page.h"
#include "app/bench/reframe_page.h"
#include "app/look/theme.h"
#include "project/resolve.h"

namespace widecut {
namespace {

enum Page : int { NextSteps, Outcomes, RecipeOf, Reframe, Polygon, Knife, Offset };

}  // namespace

Bench::Bench(Desk& desk, QWidget* parent) : QStackedWidget(parent), desk_(desk) {
  setObjectName("bench");
  setAccessibleName(tr("Bench"));
  setFixedHeight(148);
  setAutoFillBackground(true);
  QPalette p = palette();
  p.setColor(QPalette::Window, theme::card);
  setPalette(p);
  addWidget(new NextStepsPage(desk, this));
  addWidget(new OutcomesPage(desk, this));
  addWidget(new RecipePage(desk, this));
  addWidget(new ReframePage(desk, this));
  addWidget(new PolygonPage(desk, this));
  addWidget(new KnifePage(desk, this));
  addWidget(new OffsetPage(desk, this));
  connect(&desk, &Desk::selectionChanged, this, &Bench::choosePage);
  connect(&desk, &Desk::toolChanged, this, &Bench::choosePage);
  connect(&desk, &Desk::photosReady, this, &Bench::refresh);
  connect(&desk, &Desk::projectChanged, this, &Bench::refresh);
  choosePage();
}

void Bench::choosePage() {
  const ItemPtr item = desk_.onlyItem();
  int page = NextSteps;
  if (desk_.selection().size() > 1) page = Outcomes;
  if (desk_.openCutout()) page = RecipeOf;
  if (item && desk_.tool() == ToolKind::Reframe && shownPhoto(*item)) page = Reframe;
  if (desk_.tool() == ToolKind::Polygon) page = Polygon;
  if (desk_.tool() == ToolKind::Knife) page = Knife;
  if (desk_.tool() == ToolKind::Offset || desk_.tool() == ToolKind::LineOutline) page = Offset;
  setCurrentIndex(page);
  static_cast<BenchPage*>(currentWidget())->refresh(true);
}

void Bench::refresh() {
  const bool isCutout = desk_.openCutout() != nullptr;
  // A change can make a cutout of a plain selection, or the other way round.
  if (!desk_.isTrying() && (currentIndex() == RecipeOf) != isCutout && currentIndex() < Reframe) {
    choosePage();
    return;
  }
  static_cast<BenchPage*>(currentWidget())->refresh(false);
}

}  // namespace widecut

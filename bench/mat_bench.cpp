// Frames of the real window: an event of the mouse, everything that follows it, and what has to be painted.
#include <benchmark/benchmark.h>

#include <QApplication>
#include <QTemporaryDir>
#include <cstdlib>
#include <random>

#include "app/desk/trial.h"
#include "app/window_driver.h"
#include "project/edits/places.h"
#include "project/edits/repeats.h"
#include "project/edits/tree.h"
#include "project/forms/recipe.h"
#include "shapes/primitives.h"
#include "storage/project_file.h"

namespace widecut {
namespace {

Item disc(Id id, Point at, double size, Colour colour) {
  Style style;
  setColour(style, colour);
  return plainItem(id, "disc", transformed(ellipseOutline(size, size), Affine::move(at)), style);
}

/// Discs strewn over an A4 sheet.
std::vector<Item> discs(int count, double size) {
  std::mt19937 random(7);
  const auto number = [&](double high) { return std::uniform_real_distribution<>(0, high)(random); };
  std::vector<Item> items;
  for (int i = 0; i < count; ++i)
    items.push_back(disc(0, {40 + number(760), 40 + number(510)}, size,
                         {static_cast<std::uint8_t>(number(255)), 90, static_cast<std::uint8_t>(number(255))}));
  return items;
}

/// The window with a sheet of its own to drag on.
struct Window {
  WindowDriver driver;

  /// Brings to the screen what changed.
  void paint() {
    QEvent update(QEvent::UpdateRequest);
    QApplication::sendEvent(&driver.window, &update);
  }
  void lay(std::vector<Item> items) {
    Desk& desk = driver.desk();
    desk.commit("lay", withItemsOnTop(desk.settled(), desk.sheet()->id, std::move(items)));
    settle();
  }
  void settle() {
    for (int i = 0; i < 20; ++i) QTest::qWait(10);
    for (int i = 0; i < 4000 && driver.desk().photos().isDecoding(); ++i) QTest::qWait(5);
    QTest::qWait(200);
    paint();
  }
  /// Steps of a drag of what lies at a place, there and back, each painted.
  void drag(benchmark::State& state, Point from) {
    driver.press(from);
    driver.dragTo(from + Point{9, 0});
    double by = 0;
    for (auto _ : state) {
      by += 1.37;
      driver.dragTo(from + Point{10 + std::abs(std::fmod(by, 60) - 30), std::fmod(by, 7)});
      paint();
    }
    driver.release(from);
  }
  /// Until nothing is rough any more: what takes long is painted beside the window.
  void repaintAll(benchmark::State& state) {
    for (auto _ : state) {
      driver.mat().cache().clear();
      driver.mat().update();
      paint();
      while (!driver.mat().isFinished()) {
        QApplication::processEvents();
        paint();
      }
    }
  }
};

void dragOneOf(benchmark::State& state) {
  Window window;
  std::vector<Item> items = discs(static_cast<int>(state.range(0)), 10);
  items.push_back(disc(0, {400, 300}, 40, {200, 40, 30}));
  window.lay(std::move(items));
  window.drag(state, {400, 300});
}

void dragThousand(benchmark::State& state) {
  Window window;
  window.lay(discs(1000, 30));
  std::vector<Id> ids;
  for (const ItemPtr& item : window.driver.sheet().items) ids.push_back(item->id);
  const Point at = window.driver.sheet().items.back()->position;
  window.driver.desk().select(ids);
  window.settle();
  window.drag(state, at);
}

void repaintThousand(benchmark::State& state) {
  Window window;
  window.lay(discs(1000, 30));
  window.repaintAll(state);
}

/// Until the window answers again after Ctrl+A.
void selectThousand(benchmark::State& state) {
  Window window;
  window.lay(discs(1000, 30));
  for (auto _ : state) {
    state.PauseTiming();
    window.driver.desk().select({});
    window.settle();
    state.ResumeTiming();
    QTest::keyClick(&window.driver.mat(), Qt::Key_A, Qt::ControlModifier);
    window.paint();
  }
}

void nudgeThousand(benchmark::State& state) {
  Window window;
  window.lay(discs(1000, 30));
  QTest::keyClick(&window.driver.mat(), Qt::Key_A, Qt::ControlModifier);
  window.settle();
  int way = 0;
  for (auto _ : state) {
    QTest::keyClick(&window.driver.mat(), way++ % 2 == 0 ? Qt::Key_Right : Qt::Key_Left);
    window.paint();
  }
}

/// A disc a thousand times in a ring.
struct RingWindow : Window {
  Id ring = 0;
  RingWindow() {
    lay({disc(0, {420, 120}, 30, {200, 40, 30})});
    Desk& desk = driver.desk();
    const std::vector<Id> one{desk.sheet()->items.back()->id};
    desk.commit("ring", repeated(desk.settled(), one, Ring{1000, {0, 180}}, ring));
    desk.select({ring});
    settle();
  }
};

void changeRing(benchmark::State& state) {
  RingWindow window;
  Trial trial(window.driver.desk());
  double by = 0;
  for (auto _ : state) {
    by += 1.37;
    trial.show(withPattern(window.driver.desk().settled(), window.ring, Ring{1000, {0, 150 + std::fmod(by, 60)}}));
    window.paint();
  }
}

void dragRing(benchmark::State& state) {
  RingWindow window;
  // Where a copy lies, between the dots, of which so many have none.
  window.drag(state, {420 + 180, 300});
}

struct DemoWindow : Window {
  DemoWindow() {
    if (!driver.desk().openCopy(DEMO_PROJECT)) std::abort();
    driver.mat().fitSheet();
    settle();
  }
  ItemPtr named(const char* name) {
    for (const ItemPtr& item : driver.sheet().items)
      if (item->name == name) return item;
    std::abort();
  }
};

void repaintDemo(benchmark::State& state) {
  DemoWindow window;
  window.repaintAll(state);
}

void dragPartOfDemo(benchmark::State& state) {
  DemoWindow window;
  const ItemPtr cutout = window.named("cover window");
  window.driver.desk().select({cutout->recipe()->parts[1]->id});
  window.settle();
  const ItemPtr part = cutout->recipe()->parts[1];
  window.drag(state, cutout->toParent()(part->position));
}

void dragPartOfTwenty(benchmark::State& state) {
  DemoWindow window;
  std::vector<Item> parts;
  for (int i = 0; i < 20; ++i) {
    Style style;
    setColour(style, Colour{0x2F, 0x7D, 0x4F});
    const Outline shape = i % 2 == 0 ? ellipseOutline(120, 80) : starOutline(110, 110, 9, 0.3);
    parts.push_back(
        plainItem(0, "part", transformed(shape, Affine::move({150.0 + 25 * (i % 10), 200.0 + 60 * (i / 10)})), style));
  }
  Desk& desk = window.driver.desk();
  const std::size_t before = desk.sheet()->items.size();
  window.lay(std::move(parts));
  std::vector<Id> ids;
  for (std::size_t i = before; i < desk.sheet()->items.size(); ++i) ids.push_back(desk.sheet()->items[i]->id);
  desk.select(ids);
  desk.makeOutcome(Outcome::Exclude);
  desk.select({ids.back()});
  window.settle();
  window.drag(state, frameToSheet(desk.settled(), ids.back())(Point{}));
}

/// Opening a project of so many sheets with ten items each, until the window shows the first one, or until all are
/// read.
void openSheets(benchmark::State& state, bool untilRead) {
  Project project;
  std::vector<SheetPtr> sheets;
  Id id = 2;
  for (int i = 0; i < state.range(0); ++i) {
    Sheet sheet;
    sheet.id = id++;
    sheet.name = "sheet " + std::to_string(i);
    for (Item& item : discs(10, 60)) {
      item.id = id++;
      sheet.items.push_back(std::make_shared<const Item>(std::move(item)));
    }
    sheets.push_back(std::make_shared<const Sheet>(std::move(sheet)));
  }
  project.pieces = {std::make_shared<const Piece>(Piece{1, "deck", std::move(sheets)})};
  project.nextId = id;
  const QTemporaryDir folder;
  const QString path = folder.filePath("sheets.widecut");
  if (!saveProject(project, "", path.toStdString())) std::abort();
  Window window;
  for (auto _ : state) {
    window.driver.window.errands().openFile(path);
    window.paint();
    while (untilRead && window.driver.desk().isOpening()) QTest::qWait(1);
    state.PauseTiming();
    window.driver.settle();
    window.settle();
    window.driver.desk().startNew();
    window.settle();
    state.ResumeTiming();
  }
}

BENCHMARK(dragOneOf)->Name("mat/drag_one_of")->Arg(100)->Arg(10'000)->Unit(benchmark::kMillisecond);
BENCHMARK(repaintThousand)->Name("mat/repaint_all_of_1000")->Unit(benchmark::kMillisecond);
BENCHMARK(changeRing)->Name("mat/change_ring_of_1000")->Unit(benchmark::kMillisecond);
BENCHMARK(dragRing)->Name("mat/drag_ring_of_1000")->Unit(benchmark::kMillisecond);
BENCHMARK(dragThousand)->Name("mat/drag_1000")->Unit(benchmark::kMillisecond);
BENCHMARK(selectThousand)->Name("mat/select_all_of_1000")->Unit(benchmark::kMillisecond)->Iterations(10);
BENCHMARK(nudgeThousand)->Name("mat/nudge_1000")->Unit(benchmark::kMillisecond);
BENCHMARK(repaintDemo)->Name("mat/repaint_demo")->Unit(benchmark::kMillisecond);
BENCHMARK(dragPartOfDemo)->Name("mat/drag_part_of_demo")->Unit(benchmark::kMillisecond);
BENCHMARK(dragPartOfTwenty)->Name("mat/drag_part_of_twenty")->Unit(benchmark::kMillisecond);
void openFirst(benchmark::State& state) { openSheets(state, false); }
void openAll(benchmark::State& state) { openSheets(state, true); }
BENCHMARK(openFirst)->Name("mat/open_sheets")->Arg(50)->Arg(500)->Unit(benchmark::kMillisecond)->Iterations(5);
BENCHMARK(openAll)
    ->Name("mat/read_sheets")
    ->Arg(50)
    ->Arg(500)
    ->Unit(benchmark::kMillisecond)
    ->Iterations(5)
    ->UseRealTime();

}  // namespace
}  // namespace widecut

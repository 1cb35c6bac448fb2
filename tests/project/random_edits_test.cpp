// Whatever order edits come in, a project stays a project, and the way back is exact.
#include <gtest/gtest.h>

#include <random>
#include <set>

#include "project/budgets.h"
#include "project/edits/fills.h"
#include "project/every_edit.h"
#include "project/history.h"
#include "project/limits.h"

namespace widecut {
namespace {

void expectSound(const Project& project) {
  std::vector<Id> ids;
  for (const SheetPtr& sheet : sheetsOf(project)) {
    ids.push_back(sheet->id);
    gatherIds(sheet->items, ids);
    for (const ItemPtr& item : sheet->items) {
      if (const Recipe* recipe = item->recipe()) {
        const auto leaves = recipe->formula.leaves();
        ASSERT_EQ(leaves.size(), recipe->parts.size());
        for (std::size_t i = 0; i < leaves.size(); ++i) ASSERT_EQ(leaves[i], static_cast<int>(i));
      }
      ASSERT_TRUE(isFinite(resolved(*item)->outline));
    }
  }
  EXPECT_EQ(std::set<Id>(ids.begin(), ids.end()).size(), ids.size()) << "ids are unique";
  for (const Id id : ids) EXPECT_LT(id, project.nextId);
}

TEST(EveryEdit, KeepsEveryProjectSoundAndWithinTheLimits) {
  for (unsigned seed = 0; seed < 60; ++seed) {
    EveryEdit edits(seed);
    for (int step = 0; step < 24; ++step) {
      const Project next = edits.next();
      if (beyondLimits(next, nullptr)) continue;  // the desk stops these
      edits.project = next;
      ASSERT_NO_FATAL_FAILURE(expectSound(edits.project))
          << "seed " << seed << ", step " << step << ", edit " << edits.last;
      if (sheetsOf(edits.project)[0]->items.size() > 30) break;
    }
  }
}

TEST(EveryEdit, IsTakenBackAndMadeAgainExactly) {
  for (unsigned seed = 100; seed < 110; ++seed) {
    EveryEdit edits(seed);
    History history(std::make_shared<const Project>(edits.project));
    std::vector<ProjectPtr> states{history.current()};
    for (int step = 0; step < 30 && edits.sheetHere().items.size() < 30; ++step) {
      edits.project = edits.next();
      history.commit("edit", std::make_shared<const Project>(edits.project));
      states.push_back(history.current());
    }
    for (std::size_t i = states.size() - 1; i > 0; --i) {
      EXPECT_EQ(history.current(), states[i]);
      history.undo();
    }
    EXPECT_EQ(history.current(), states[0]);
    while (history.canRedo()) history.redo();
    EXPECT_EQ(history.current(), states.back());
  }
}

TEST(History, IsBoundedAndKeepsTheNewestSteps) {
  Sample s;
  std::vector<Item> many;
  for (int i = 0; i < 4000; ++i) many.push_back(plainItem(0, "disc", ellipseOutline(3, 3), {}));
  s.project = withItemsOnTop(s.project, s.sheet, many);
  std::vector<Id> all;
  gatherIds(s.sheetOf(s.project).items, all);
  History history(std::make_shared<const Project>(s.project));
  history.markSaved();
  for (int i = 0; i < 200; ++i) {
    s.project = withMapped(s.project, all, Affine::scale(1.001, 1));
    history.commit("Scale " + std::to_string(i), std::make_shared<const Project>(s.project));
  }
  EXPECT_LE(history.bytes(), budgets::undoBytes);
  EXPECT_EQ(history.undoName(), "Scale 199");
  std::size_t steps = 0;
  for (; history.canUndo(); ++steps) history.undo();
  EXPECT_GE(steps, budgets::leastUndoSteps);
  EXPECT_LT(steps, 200U);
  EXPECT_FALSE(history.isSaved()) << "the saved state is out of reach";
  history.commit("Another", std::make_shared<const Project>(s.project));
  EXPECT_FALSE(history.canRedo());
  EXPECT_LT(history.bytes(), std::size_t{8} << 20) << "one step";
  // What only moves shares its outlines: it takes little.
  const std::size_t before = history.bytes();
  history.commit("Move", std::make_shared<const Project>(withMapped(s.project, all, Affine::move({1, 0}))));
  EXPECT_LT(history.bytes() - before, std::size_t{2} << 20);
}

TEST(Mapped, TwoMapsInARowAreTheirProduct) {
  std::mt19937 random(8);
  std::uniform_real_distribution<double> unit(-1, 1);
  const Sample s;
  for (int i = 0; i < 100; ++i) {
    const Affine a =
        Affine::move({30 * unit(random), 9}) * Affine::turn(3 * unit(random)) * Affine::scale(1.5 + unit(random), 1.2);
    const Affine b = Affine::turn(unit(random)) * Affine::scale(2 + unit(random), 0.7 + 0.5 * unit(random));
    const Item item = *findItem(s.project, s.disc);
    const Item twice = mapped(mapped(item, b), a), once = mapped(item, a * b);
    const Box x = boxInParent(twice), y = boxInParent(once);
    EXPECT_NEAR(x.low.x, y.low.x, 1e-7);
    EXPECT_NEAR(x.high.y, y.high.y, 1e-7);
  }
}

TEST(Mapped, AMirrorKeepsThePhotoUpright) {
  Sample s;
  s.addPhoto(400, 300);
  Project p = withPhotoIn(s.project, s.disc, s.photo);
  p = withMapped(p, std::vector<Id>{s.disc}, Affine::scale(-1, 1).about({50, 50}));
  const auto shown = shownPhoto(*findItem(p, s.disc));
  const Affine toSheet = frameToSheet(p, s.disc) * shown->pixelsToFrame;
  EXPECT_GT(toSheet.xx, 0);
  EXPECT_GT(toSheet.determinant(), 0) << "not mirrored with its frame";
}

TEST(Model, LooksThingsUpThroughCutouts) {
  Sample s;
  Id made = 0;
  const std::vector<Id> both{s.box, s.disc};
  const Project p = combined(s.project, both, Outcome::Union, {s.box, 0}, made);
  EXPECT_EQ(chainTo(p, s.disc).size(), 2U);
  EXPECT_EQ(sheetOf(p, s.disc)->id, s.sheet);
  EXPECT_EQ(sheetOf(p, 999), nullptr);
  EXPECT_EQ(findItem(p, 999), nullptr);
  const Point centre = frameToSheet(p, s.disc)(Point{0, 0});
  EXPECT_NEAR(centre.x, 100, 1e-9);
  EXPECT_NEAR(centre.y, 50, 1e-9);
}

TEST(Colours, ReadAndWritten) {
  EXPECT_EQ(parseColour("#0a141e"), (Colour{10, 20, 30, 255}));
  EXPECT_EQ(parseColour("#0A141E80"), (Colour{10, 20, 30, 128}));
  for (const char* text : {"", "#12345", "0a141e", "#0a14zz", "#0a141e8", "#-a141e1"})
    EXPECT_FALSE(parseColour(text)) << text;
  EXPECT_EQ(colourText({10, 20, 30, 128}), "#0a141e80");
  EXPECT_EQ(colourText({255, 255, 255, 255}), "#ffffff");
}

TEST(History, CountsThePhotosThatOnlyEarlierStatesShow) {
  Sample s;
  constexpr std::size_t mega = std::size_t{1} << 20;
  const auto photo = [&](int i) {
    auto medium = std::make_shared<Medium>();
    medium->hash = std::to_string(i);
    medium->width = medium->height = 100;
    medium->bytes = std::make_shared<const std::string>(10 * mega, 'x');
    return medium;
  };
  History history(std::make_shared<const Project>(s.project));
  for (int i = 0; i < 70; ++i) {
    const Project replaced = withPhotoIn(s.project, s.box, photo(i));
    EXPECT_GE(bytesNewIn(replaced, s.project), 10 * mega);
    s.project = replaced;
    history.commit("Replace", std::make_shared<const Project>(s.project));
    s.project = withMapped(s.project, std::vector<Id>{s.box}, Affine::move({1, 0}));
    EXPECT_LT(bytesNewIn(s.project, *history.current()), mega) << "a move brings no photo";
  }
  std::size_t steps = 0;
  for (; history.canUndo(); ++steps) history.undo();
  EXPECT_EQ(steps, budgets::leastUndoSteps) << "more would be beyond the budget";
}

}  // namespace
}  // namespace widecut

// Templates: what is drawn over, and is not delivered.
#include "project/edits/templates.h"

#include <gtest/gtest.h>

#include "project/edits/groups.h"
#include "sample.h"

namespace widecut {
namespace {

struct Templates : testing::Test, Sample {};

TEST_F(Templates, AreLeftOutOfWhatIsDelivered) {
  project = withPaleness(project, std::vector<Id>{disc}, 0.5);
  EXPECT_TRUE(hasTemplates(sheetOf(project)));
  const Sheet delivered = withoutTemplates(sheetOf(project));
  ASSERT_EQ(delivered.items.size(), 1U);
  EXPECT_EQ(delivered.items[0]->id, box);
  EXPECT_FALSE(hasTemplates(delivered));
}

TEST_F(Templates, AreLeftOutOfGroupsToo) {
  Id group = 0;
  project = grouped(project, std::vector<Id>{box, disc}, group);
  project = withPaleness(project, std::vector<Id>{disc}, 0.5);
  const Sheet delivered = withoutTemplates(sheetOf(project));
  ASSERT_EQ(delivered.items.size(), 1U);
  ASSERT_EQ(childrenOf(*delivered.items[0]).size(), 1U);
  EXPECT_EQ(childrenOf(*delivered.items[0])[0]->id, box);
  project = withPaleness(project, std::vector<Id>{box}, 0.5);
  EXPECT_TRUE(withoutTemplates(sheetOf(project)).items.empty()) << "a group of nothing else is nothing";
}

TEST_F(Templates, SheetsWithoutAnyAreDeliveredAsTheyAre) {
  const Sheet delivered = withoutTemplates(sheetOf(project));
  ASSERT_EQ(delivered.items.size(), sheetOf(project).items.size());
  for (std::size_t i = 0; i < delivered.items.size(); ++i) EXPECT_EQ(delivered.items[i], sheetOf(project).items[i]);
}

TEST_F(Templates, PalenessStaysWithinItsRange) {
  project = withPaleness(project, std::vector<Id>{disc}, 3);
  EXPECT_EQ(findItem(project, disc)->paleBy, mostPaleness);
  project = withPaleness(project, std::vector<Id>{disc}, -1);
  EXPECT_FALSE(findItem(project, disc)->isTemplate());
}

}  // namespace
}  // namespace widecut

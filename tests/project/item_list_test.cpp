// The list of items against a plain vector.
#include "project/item_list.h"

#include <gtest/gtest.h>

#include <random>

#include "project/model.h"

namespace widecut {
namespace {

ItemPtr fresh(Id id) {
  Item item;
  item.id = id;
  return std::make_shared<const Item>(std::move(item));
}

void expectAlike(const ItemList& list, const std::vector<ItemPtr>& plain) {
  ASSERT_EQ(list.size(), plain.size());
  EXPECT_TRUE(std::equal(list.begin(), list.end(), plain.begin(), plain.end()));
  EXPECT_TRUE(std::equal(list.rbegin(), list.rend(), plain.rbegin(), plain.rend()));
}

TEST(ItemListTest, IsAsAVectorWhateverIsDone) {
  std::mt19937 random(7);
  ItemList list;
  std::vector<ItemPtr> plain;
  std::vector<std::pair<ItemList, std::vector<ItemPtr>>> earlier;
  for (Id id = 1; id < 3000; ++id) {
    if (random() % 3 == 0 && !plain.empty()) {
      const std::size_t at = random() % plain.size();
      const ItemPtr item = random() % 10 == 0 ? nullptr : fresh(id);
      list.set(at, item);
      plain[at] = item;
    } else {
      plain.push_back(fresh(id));
      list.push_back(plain.back());
    }
    if (random() % 200 == 0) {
      list = list.withoutGaps();
      std::erase(plain, nullptr);
    }
    if (random() % 100 == 0) earlier.emplace_back(list, plain);
  }
  expectAlike(list, plain);
  for (const auto& [kept, as] : earlier) expectAlike(kept, as);
}

TEST(ItemListTest, SaysWhereTwoDiffer) {
  std::vector<ItemPtr> plain;
  for (Id id = 1; id <= 1000; ++id) plain.push_back(fresh(id));
  const ItemList before(plain);
  ItemList after = before;
  EXPECT_EQ(after, before);
  EXPECT_EQ(ItemList(plain), before) << "lists that share nothing but their items";
  for (const std::size_t at : {std::size_t{3}, std::size_t{64}, std::size_t{999}}) after.set(at, fresh(at));
  std::vector<std::size_t> places;
  eachDifference(before, after, [&](std::size_t i) { places.push_back(i); });
  EXPECT_EQ(places, (std::vector<std::size_t>{3, 64, 999}));
  EXPECT_FALSE(after == before);
  after.push_back(fresh(1));
  places.clear();
  eachDifference(before, after, [&](std::size_t i) { places.push_back(i); });
  EXPECT_EQ(places, (std::vector<std::size_t>{3, 64, 999})) << "what only one has is not counted";
}

}  // namespace
}  // namespace widecut

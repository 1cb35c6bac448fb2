// The core from several threads at once: run under the thread sanitizer too.
#include <gtest/gtest.h>

#include <atomic>
#include <thread>

#include "project/every_edit.h"
#include "project/limits.h"

namespace widecut {
namespace {

TEST(Threads, EditsResolvingAndLookupsShareNodes) {
  // One project, of which every thread resolves the same nodes while it edits on its own.
  EveryEdit start(3);
  for (int i = 0; i < 12; ++i) start.project = start.next();
  const Project shared = start.project;
  std::vector<Id> ids;
  gatherIds(sheetsOf(shared)[0]->items, ids);
  std::atomic<int> wrong = 0;
  std::vector<double> areas;
  for (const Id id : ids) areas.push_back(signedArea(resolved(*findItem(shared, id))->outline));
  std::vector<std::thread> threads;
  for (unsigned t = 0; t < 4; ++t)
    threads.emplace_back([&, t] {
      EveryEdit own(100 + t);
      own.project = shared;
      for (int step = 0; step < 25; ++step) {
        for (std::size_t i = 0; i < ids.size(); ++i)
          wrong += signedArea(resolved(*findItem(shared, ids[i]))->outline) != areas[i];
        const Project next = own.next();
        if (!beyondLimits(next, &own.project) && sheetsOf(next)[0]->items.size() < 25) own.project = next;
      }
    });
  for (std::thread& thread : threads) thread.join();
  EXPECT_EQ(wrong, 0);
}

}  // namespace
}  // namespace widecut

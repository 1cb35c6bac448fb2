// The reading process: what it may not do, and what goes wrong in it, ends as one line in the program.
#include <gtest/gtest.h>
#include <sys/resource.h>

#include <set>
#include <thread>

#include "reading/process.h"
#include "test_reading_tasks.h"

using namespace widecut;
using reading::Limit;

namespace {

/// What is said of a task that goes wrong.
std::string whyNot(const std::string& task, const reading::Patience& patience = {}) {
  const auto answer = reading::ask({task}, patience);
  return answer ? "it was answered" : answer.error().message;
}

bool isAnswered() {
  const auto answer = reading::ask({"test echo", {1, 2}, "three", reading::copied("four")});
  return answer && answer->numbers == std::vector<double>{1, 2} && answer->text == "three" && answer->memory &&
         answer->memory->view() == "four";
}

std::set<Limit> limits() {
  const auto reader = reading::Reader::take();
  return {reader->limits().begin(), reader->limits().end()};
}

}  // namespace

TEST(Reading, NumbersTextsAndMemoryGoThereAndBack) {
  EXPECT_TRUE(isAnswered());
  const std::string large(50'000'000, 'x');
  const auto answer = reading::ask({"test echo", {}, large});
  ASSERT_TRUE(answer) << answer.error().message;
  EXPECT_EQ(answer->text, large);
}

TEST(Reading, AReaderThatCrashesIsOneLineAndTheNextQuestionIsAnswered) {
  EXPECT_EQ(whyNot("test crash"), "cannot be read: reading it failed (signal 11)");
  EXPECT_TRUE(isAnswered());
  EXPECT_NE(whyNot("test deep").find("cannot be read: reading it failed"), std::string::npos);
  EXPECT_TRUE(isAnswered());
}

TEST(Reading, AReaderThatNeverEndsIsStoppedAfterItsProcessorTime) {
  EXPECT_EQ(whyNot("test spin", {.seconds = 1}), "was not read: it takes longer than 1 s of processor time");
  EXPECT_TRUE(isAnswered());
}

TEST(Reading, AReaderThatStandsStillIsStopped) {
  EXPECT_EQ(whyNot("test rest"), "was not read: reading it stands still");
  EXPECT_TRUE(isAnswered());
}

TEST(Reading, AReaderIsStoppedWhenNobodyWantsItAnyMore) {
  const Progress progress;
  std::thread person([progress] {
    std::this_thread::sleep_for(std::chrono::milliseconds(300));
    progress.cancel();
  });
  EXPECT_EQ(whyNot("test spin", {.progress = progress}), "was not read: reading it was stopped");
  person.join();
  EXPECT_TRUE(isAnswered());
}

TEST(Reading, AReaderThatEatsMemoryIsStopped) {
  if (!limits().contains(Limit::Memory)) GTEST_SKIP() << "this machine, or a sanitizer, does not limit memory";
  EXPECT_EQ(whyNot("test eat"), "cannot be read: it takes more than 1 GB of memory beyond its pixels");
  EXPECT_TRUE(isAnswered());
}

TEST(Reading, WhatIsThrownIsAProblem) { EXPECT_EQ(whyNot("test throw"), "cannot be read: thrown on purpose"); }

TEST(Reading, AnUnknownTaskIsRefused) { EXPECT_EQ(whyNot("no such task"), "is of a kind that is not read"); }

TEST(Reading, ItOpensNoFilesReachesNoNetworkAndStartsNoProcesses) {
  if (!limits().contains(Limit::Files)) GTEST_SKIP() << "this machine does not filter calls";
  for (const char* task : {"test open", "test connect", "test fork", "test run", "test signal"}) {
    const auto answer = reading::ask({task});
    ASSERT_TRUE(answer) << answer.error().message;
    EXPECT_EQ(answer->text, "refused") << task;
  }
}

TEST(Reading, ItMayStartThreads) {
  const auto answer = reading::ask({"test thread"});
  ASSERT_TRUE(answer) << answer.error().message;
  EXPECT_EQ(answer->text, "ran");
}

TEST(Reading, WhatItSendsCannotBeChangedAfterwards) {
  const auto answer = reading::ask({"test echo", {}, {}, reading::copied("steady")});
  ASSERT_TRUE(answer && answer->memory);
  EXPECT_EQ(answer->memory->writable(), nullptr);
  EXPECT_FALSE(answer->memory->isEmpty());
}

TEST(Reading, AProcessThatEndedWhileItWasIdleIsNotAskedAgain) {
  // Whatever comes first, an answer or the end, the question after it is answered.
  ASSERT_TRUE(reading::ask({"test end soon"}));
  std::this_thread::sleep_for(std::chrono::milliseconds(300));
  EXPECT_TRUE(isAnswered());
}

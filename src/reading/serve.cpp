#include "reading/serve.h"

#include <fcntl.h>
#include <malloc.h>
#include <poll.h>
#include <sys/socket.h>
#include <unistd.h>

#include <cstdlib>
#include <exception>
#include <new>
#include <thread>

#include "reading/confine.h"
#include "reading/process.h"

namespace widecut::reading {
namespace {

/// Ends this process when the program that asks is gone, also in the middle of a question.
void endWithTheProgram() {
  std::thread([] {
    pollfd program{socketOfReader, POLLRDHUP, 0};
    while (poll(&program, 1, -1) <= 0 || (program.revents & (POLLRDHUP | POLLHUP | POLLERR)) == 0) {
    }
    _exit(0);
  }).detach();
}

Message problemMessage(std::string text) { return {"problem", {}, std::move(text)}; }

Message answerTo(const Tasks& tasks, const Message& question) {
  const auto found = tasks.answers.find(question.task);
  if (found == tasks.answers.end()) return problemMessage("is of a kind that is not read");
  try {
    Result<Message> answer = found->second(question);
    if (!answer) return problemMessage(answer.error().message);
    if (answer->memory && !answer->memory->seal()) return problemMessage("cannot be read: there is not enough memory");
    return std::move(*answer);
  } catch (const std::exception& why) {
    return problemMessage(std::string("cannot be read: ") + why.what());
  }
}

}  // namespace

int serve(const Tasks& tasks) {
  // Nothing that the program has open without saying that it is its own alone.
  close_range(socketOfReader + 1, ~0U, 0);
  for (const auto& prepare : tasks.preparations) prepare();
  // What libraries say of damaged files is said in an answer.
  if (!std::getenv("WIDECUT_READER_SAYS"))
    if (const int nowhere = open("/dev/null", O_WRONLY | O_CLOEXEC); nowhere >= 0) dup2(nowhere, STDERR_FILENO);
  endWithTheProgram();
  std::set_new_handler([] { _exit(endsWithoutMemory); });
  Message ready;
  for (const Limit limit : confine()) ready.numbers.push_back(static_cast<double>(limit));
  if (!send(socketOfReader, ready)) return 0;
  while (auto question = receive(socketOfReader, &Memory::lent)) {
    allowMemory(question->memory ? question->memory->size() : 0);
    const Message answer = answerTo(tasks, *question);
    if (!send(socketOfReader, answer)) return 0;
    malloc_trim(0);
  }
  return 0;
}

}  // namespace widecut::reading

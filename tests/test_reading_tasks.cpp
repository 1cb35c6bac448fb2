#include "test_reading_tasks.h"

#include <fcntl.h>
#include <signal.h>
#include <sys/socket.h>
#include <sys/wait.h>
#include <unistd.h>

#include <chrono>
#include <cstdlib>
#include <stdexcept>
#include <thread>

namespace widecut {
namespace {

using reading::Message;

Result<Message> tried(bool isRefused) { return Message{{}, {}, isRefused ? "refused" : "allowed"}; }

[[gnu::noinline]] int deeper(int depth) {
  volatile char room[1000];
  room[0] = static_cast<char>(depth);
  return depth < 0 ? room[0] : deeper(depth + 1) + room[0];
}

}  // namespace

void addTestTasks(reading::Tasks& tasks) {
  tasks.answers["test echo"] = [](const Message& question) -> Result<Message> {
    Message out{{}, question.numbers, question.text};
    if (question.memory) {
      out.memory = std::make_shared<reading::Memory>(reading::Memory::ofSize(question.memory->size()));
      std::copy_n(question.memory->data(), question.memory->size(), out.memory->writable());
    }
    return out;
  };
  tasks.answers["test crash"] = [](const Message&) -> Result<Message> {
    signal(SIGSEGV, SIG_DFL);  // a sanitizer would report it
    raise(SIGSEGV);
    return Message{};
  };
  tasks.answers["test deep"] = [](const Message&) -> Result<Message> {
    signal(SIGSEGV, SIG_DFL);
    return Message{{}, {static_cast<double>(deeper(0))}};
  };
  tasks.answers["test spin"] = [](const Message&) -> Result<Message> {
    for (volatile bool on = true; on;) {
    }
    return Message{};
  };
  tasks.answers["test rest"] = [](const Message&) -> Result<Message> {
    std::this_thread::sleep_for(std::chrono::hours(1));
    return Message{};
  };
  tasks.answers["test eat"] = [](const Message&) -> Result<Message> {
    std::vector<std::string> held;
    while (true) held.emplace_back(10'000'000, 'x');
  };
  tasks.answers["test throw"] = [](const Message&) -> Result<Message> {
    throw std::runtime_error("thrown on purpose");
  };
  tasks.answers["test open"] = [](const Message&) { return tried(open("/etc/passwd", O_RDONLY) < 0); };
  tasks.answers["test connect"] = [](const Message&) { return tried(socket(AF_INET, SOCK_STREAM, 0) < 0); };
  tasks.answers["test fork"] = [](const Message&) {
    const pid_t child = fork();
    if (child == 0) _exit(0);
    if (child > 0) waitpid(child, nullptr, 0);
    return tried(child < 0);
  };
  tasks.answers["test run"] = [](const Message&) {
    const char* const words[] = {"true", nullptr};
    execv("/bin/true", const_cast<char* const*>(words));
    return tried(true);  // it would not have come back
  };
  tasks.answers["test signal"] = [](const Message&) { return tried(kill(getppid(), 0) != 0); };
  tasks.answers["test thread"] = [](const Message&) -> Result<Message> {
    std::string said;
    std::thread([&] { said = "ran"; }).join();
    return Message{{}, {}, said};
  };
  tasks.answers["test end soon"] = [](const Message&) -> Result<Message> {
    std::thread([] {
      std::this_thread::sleep_for(std::chrono::milliseconds(50));
      _exit(0);
    }).detach();
    return Message{};
  };
}

}  // namespace widecut

#include "reading/process.h"

#include <fcntl.h>
#include <poll.h>
#include <signal.h>
#include <spawn.h>
#include <sys/socket.h>
#include <sys/wait.h>
#include <unistd.h>

#include <atomic>
#include <chrono>
#include <cstring>
#include <ctime>
#include <mutex>
#include <utility>

#include "reading/serve.h"

namespace widecut::reading {
namespace {

constexpr const char* word = "--read";
/// Set once `main` has said that it serves when it is asked to.
std::atomic<bool> canStart = false;

using Clock = std::chrono::steady_clock;

/// Processor time of a process, in seconds; what was last known where it has ended.
double processorTime(pid_t pid, double known) {
  clockid_t clock{};
  timespec time{};
  if (clock_getcpuclockid(pid, &clock) != 0 || clock_gettime(clock, &time) != 0) return known;
  return static_cast<double>(time.tv_sec) + static_cast<double>(time.tv_nsec) * 1e-9;
}

/// Watches over a question: whether it may still be waited for, and why not.
class Watch {
 public:
  Watch(pid_t pid, const Patience& patience) : pid_(pid), patience_(patience), began_(processorTime(pid, 0)) {}

  bool goesOn() {
    if (patience_.progress.isCancelled()) return stop("was not read: reading it was stopped");
    const double used = processorTime(pid_, last_) - began_;
    if (used > patience_.seconds)
      return stop("was not read: it takes longer than " + std::to_string(static_cast<int>(patience_.seconds)) +
                  " s of processor time");
    if (used > last_ + leastProgress) {
      last_ = used;
      moved_ = Clock::now();
    }
    if (Clock::now() - moved_ > longestRest) return stop("was not read: reading it stands still");
    return true;
  }
  const std::string& why() const { return why_; }

 private:
  static constexpr double leastProgress = 1e-3;  // seconds
  static constexpr std::chrono::seconds longestRest{10};

  bool stop(std::string why) {
    why_ = std::move(why);
    return false;
  }
  pid_t pid_;
  const Patience& patience_;
  double began_, last_ = 0;
  Clock::time_point moved_ = Clock::now();
  std::string why_;
};

}  // namespace

struct Reader::Process {
  pid_t pid = -1;
  int socket = -1;
  std::vector<Limit> limits;
  std::string ended;  // why it answers no more

  Process() = default;
  Process(const Process&) = delete;
  Process& operator=(const Process&) = delete;
  ~Process() { end(); }

  /// Ends it, if it has not ended. How it ended, as waitpid says it.
  int end() {
    int status = 0;
    if (socket >= 0) close(std::exchange(socket, -1));
    if (pid > 0) {
      kill(pid, SIGKILL);
      while (waitpid(pid, &status, 0) < 0 && errno == EINTR) {
      }
      pid = -1;
    }
    return status;
  }
  /// The connection broke off by itself: why.
  std::string reasonOfEnd() {
    // It closed its end a moment ago, and is about to be gone by itself.
    int status = 0;
    constexpr int tries = 200;
    constexpr timespec pause{0, 5'000'000};
    for (int i = 0; i < tries && pid > 0; ++i) {
      if (waitpid(pid, &status, WNOHANG) == pid)
        pid = -1;
      else
        nanosleep(&pause, nullptr);
    }
    if (pid > 0) status = end();
    if (WIFEXITED(status) && WEXITSTATUS(status) == endsWithoutMemory)
      return "cannot be read: it takes more than 1 GB of memory beyond its pixels";
    if (WIFSIGNALED(status))
      return "cannot be read: reading it failed (signal " + std::to_string(WTERMSIG(status)) + ")";
    return "cannot be read: its reader ended";
  }
  static Result<std::unique_ptr<Process>> start();
};

Result<std::unique_ptr<Reader::Process>> Reader::Process::start() {
  if (!canStart) return problem("cannot be read: this program has no reading process");
  int ends[2];
  if (socketpair(AF_UNIX, SOCK_STREAM | SOCK_CLOEXEC, 0, ends) != 0)
    return problem(std::string("cannot be read: no reading process can be started: ") + std::strerror(errno));
  auto out = std::make_unique<Process>();
  out->socket = ends[0];
  posix_spawn_file_actions_t actions;
  posix_spawn_file_actions_init(&actions);
  posix_spawn_file_actions_addopen(&actions, STDIN_FILENO, "/dev/null", O_RDONLY, 0);
  posix_spawn_file_actions_addopen(&actions, STDOUT_FILENO, "/dev/null", O_WRONLY, 0);
  posix_spawn_file_actions_adddup2(&actions, ends[1], socketOfReader);
  posix_spawnattr_t attributes;
  posix_spawnattr_init(&attributes);
  // Ctrl+C in a terminal is for the program, which then ends it; no signal is blocked in it.
  sigset_t none;
  sigemptyset(&none);
  posix_spawnattr_setsigmask(&attributes, &none);
  posix_spawnattr_setpgroup(&attributes, 0);
  posix_spawnattr_setflags(&attributes, POSIX_SPAWN_SETSIGMASK | POSIX_SPAWN_SETPGROUP);
  const char* const words[] = {"widecut", word, nullptr};
  const int error =
      posix_spawn(&out->pid, "/proc/self/exe", &actions, &attributes, const_cast<char* const*>(words), environ);
  posix_spawn_file_actions_destroy(&actions);
  posix_spawnattr_destroy(&attributes);
  close(ends[1]);
  if (error != 0) {
    out->pid = -1;
    return problem(std::string("cannot be read: no reading process can be started: ") + std::strerror(error));
  }
  const auto ready = receive(out->socket, &Memory::received);
  if (!ready) return problem("cannot be read: no reading process can be started");
  for (const double number : ready->numbers)
    if (number >= 0 && number < countOfLimits) out->limits.push_back(static_cast<Limit>(static_cast<int>(number)));
  return out;
}

/// Those that wait for something to do.
class Idle {
 public:
  std::unique_ptr<Reader::Process> take() {
    const std::lock_guard lock(mutex_);
    while (!idle_.empty()) {
      auto out = std::move(idle_.back());
      idle_.pop_back();
      // Somebody else may have ended it meanwhile.
      pollfd connection{out->socket, POLLIN, 0};
      if (poll(&connection, 1, 0) == 0) return out;
    }
    return nullptr;
  }
  void giveBack(std::unique_ptr<Reader::Process> one) {
    constexpr std::size_t most = 2;
    const std::lock_guard lock(mutex_);
    if (idle_.size() < most) idle_.push_back(std::move(one));
  }
  bool isEmpty() {
    const std::lock_guard lock(mutex_);
    return idle_.empty();
  }

 private:
  std::mutex mutex_;
  std::vector<std::unique_ptr<Reader::Process>> idle_;
};

namespace {

Idle& idle() {
  static Idle all;
  return all;
}

}  // namespace

bool isReadingProcess(int count, char** words) {
  if (count == 2 && std::strcmp(words[1], word) == 0) return true;
  canStart = true;
  return false;
}

Result<Reader> Reader::take() {
  if (auto known = idle().take()) return Reader(std::move(known));
  auto started = Process::start();
  if (!started) return tl::unexpected(started.error());
  return Reader(std::move(*started));
}

Result<Message> Reader::ask(const Message& question, const Patience& patience) {
  Process& process = *process_;
  if (!process.ended.empty()) return problem(process.ended);
  Watch watch(process.pid, patience);
  std::optional<Message> answer;
  if (send(process.socket, question))
    answer = receive(process.socket, &Memory::received, [&] { return watch.goesOn(); });
  if (!answer) {
    process.ended = watch.why().empty() ? process.reasonOfEnd() : watch.why();
    process.end();
    return problem(process.ended);
  }
  if (answer->task == "problem") return problem(std::move(answer->text));
  return std::move(*answer);
}

const std::vector<Limit>& Reader::limits() const { return process_->limits; }

Reader::Reader(std::unique_ptr<Process> process) : process_(std::move(process)) {}
Reader::Reader(Reader&&) noexcept = default;
Reader& Reader::operator=(Reader&&) noexcept = default;
Reader::~Reader() {
  if (process_ && process_->ended.empty()) idle().giveBack(std::move(process_));
}

Result<Message> ask(const Message& question, const Patience& patience) {
  auto reader = Reader::take();
  if (!reader) return tl::unexpected(reader.error());
  return reader->ask(question, patience);
}

void warmUp() {
  if (!idle().isEmpty()) return;
  (void)Reader::take();
}

}  // namespace widecut::reading

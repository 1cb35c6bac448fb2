#include "reading/confine.h"

#include <fcntl.h>
#include <linux/sched.h>
#include <malloc.h>
#include <sys/mman.h>
#include <sys/prctl.h>
#include <sys/resource.h>
#include <unistd.h>

#include <algorithm>
#include <cerrno>
#include <cstdlib>

// The library's header is one of C.
#include <seccomp.h>

namespace widecut::reading {
namespace {

/// Of the largest photo that can be placed, as each of its decoders needs it.
constexpr std::size_t mostForPixels = std::size_t{6} << 30U;
/// Beyond any real program: sanitizers reserve address space for every place there is.
constexpr std::size_t reservedBySanitizers = std::size_t{1} << 40U;

/// Open before files are out of reach.
int sizeFile = -1;
bool limitsMemory = false;
std::size_t before = 0;  // the address space at the beginning

/// The address space of this process; 0 where the machine does not say.
std::size_t addressSpace() {
  char text[64] = {};
  const ssize_t count = pread(sizeFile, text, sizeof text - 1, 0);
  if (count <= 0) return 0;
  return static_cast<std::size_t>(std::strtoull(text, nullptr, 10)) * static_cast<std::size_t>(sysconf(_SC_PAGESIZE));
}

bool limitMemory() {
  // Arenas of threads reserve far more than they use.
  mallopt(M_ARENA_MAX, 1);
  sizeFile = open("/proc/self/statm", O_RDONLY | O_CLOEXEC);
  before = addressSpace();
  if (before == 0 || before > reservedBySanitizers) return false;
  const rlimit most{before + mostMemory, before + mostMemory + mostForPixels};
  return setrlimit(RLIMIT_AS, &most) == 0;
}

/// What decoding takes: memory, threads, clocks, and the descriptors that are open or came with a question.
constexpr int allowed[] = {
    SCMP_SYS(read),
    SCMP_SYS(pread64),
    SCMP_SYS(write),
    SCMP_SYS(writev),
    SCMP_SYS(recvfrom),
    SCMP_SYS(recvmsg),
    SCMP_SYS(sendto),
    SCMP_SYS(sendmsg),
    SCMP_SYS(poll),
    SCMP_SYS(ppoll),
    SCMP_SYS(close),
    SCMP_SYS(fstat),
    SCMP_SYS(newfstatat),
    SCMP_SYS(lseek),
    SCMP_SYS(dup),
    SCMP_SYS(memfd_create),
    SCMP_SYS(ftruncate),
    SCMP_SYS(mmap),
    SCMP_SYS(munmap),
    SCMP_SYS(mremap),
    SCMP_SYS(mprotect),
    SCMP_SYS(madvise),
    SCMP_SYS(brk),
    SCMP_SYS(futex),
    SCMP_SYS(rseq),
    SCMP_SYS(set_robust_list),
    SCMP_SYS(exit),
    SCMP_SYS(exit_group),
    SCMP_SYS(clock_gettime),
    SCMP_SYS(clock_getres),
    SCMP_SYS(clock_nanosleep),
    SCMP_SYS(nanosleep),
    SCMP_SYS(gettimeofday),
    SCMP_SYS(time),
    SCMP_SYS(sched_yield),
    SCMP_SYS(sched_getaffinity),
    SCMP_SYS(getrandom),
    SCMP_SYS(sigaltstack),
    SCMP_SYS(rt_sigaction),
    SCMP_SYS(rt_sigprocmask),
    SCMP_SYS(rt_sigreturn),
    SCMP_SYS(restart_syscall),
    SCMP_SYS(getpid),
    SCMP_SYS(gettid),
    SCMP_SYS(getuid),
    SCMP_SYS(geteuid),
    SCMP_SYS(sysinfo),
    SCMP_SYS(uname),
    SCMP_SYS(getrusage),
    SCMP_SYS(times),
};

/// All other calls fail as where there is no permission, so that a library goes on without what it asked for.
bool filterCalls() {
  const scmp_filter_ctx filter = seccomp_init(SCMP_ACT_ERRNO(EPERM));
  if (!filter) return false;
  bool works = true;
  for (const int call : allowed) works = works && seccomp_rule_add(filter, SCMP_ACT_ALLOW, call, 0) == 0;
  // Threads of this process, and no others; the newer call, whose words a filter cannot see, is not there at all.
  works = works && seccomp_rule_add(filter, SCMP_ACT_ALLOW, SCMP_SYS(clone), 1,
                                    SCMP_A0(SCMP_CMP_MASKED_EQ, CLONE_THREAD, CLONE_THREAD)) == 0;
  works = works && seccomp_rule_add(filter, SCMP_ACT_ERRNO(ENOSYS), SCMP_SYS(clone3), 0) == 0;
  // Seals of memory, and flags of descriptors.
  works = works && seccomp_rule_add(filter, SCMP_ACT_ALLOW, SCMP_SYS(fcntl), 0) == 0;
  // Names of threads, and limits of its own.
  works = works && seccomp_rule_add(filter, SCMP_ACT_ALLOW, SCMP_SYS(prctl), 1, SCMP_A0(SCMP_CMP_EQ, PR_SET_NAME)) == 0;
  works = works && seccomp_rule_add(filter, SCMP_ACT_ALLOW, SCMP_SYS(prlimit64), 1, SCMP_A0(SCMP_CMP_EQ, 0)) == 0;
  // Signals to itself alone, as abort sends them.
  works = works && seccomp_rule_add(filter, SCMP_ACT_ALLOW, SCMP_SYS(tgkill), 1,
                                    SCMP_A0(SCMP_CMP_EQ, static_cast<scmp_datum_t>(getpid()))) == 0;
  works = works && seccomp_load(filter) == 0;
  seccomp_release(filter);
  return works;
}

}  // namespace

const char* nameOf(Limit limit) {
  constexpr const char* names[countOfLimits] = {"memory", "time", "files", "network", "processes"};
  return names[static_cast<std::size_t>(limit)];
}

std::vector<Limit> confine() {
  std::vector<Limit> out{Limit::Time};
  const rlimit none{0, 0};
  setrlimit(RLIMIT_CORE, &none);
  limitsMemory = limitMemory();
  if (limitsMemory) out.push_back(Limit::Memory);
  // Sanitizers look at memory by calls of their own, and take what is refused for damage.
  const bool isSanitized = before > reservedBySanitizers;
  if (!isSanitized && filterCalls()) {
    out.push_back(Limit::Files);
    out.push_back(Limit::Network);
    out.push_back(Limit::Processes);
  }
  return out;
}

void allowMemory(std::size_t more) {
  if (!limitsMemory) return;
  rlimit limit{};
  if (getrlimit(RLIMIT_AS, &limit) != 0) return;
  limit.rlim_cur = std::min<rlim_t>(before + mostMemory + more, limit.rlim_max);
  setrlimit(RLIMIT_AS, &limit);
}

}  // namespace widecut::reading

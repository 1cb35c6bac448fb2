// Asking a reading process.
#pragma once

#include <memory>
#include <vector>

#include "geometry/problem.h"
#include "geometry/progress.h"
#include "reading/confine.h"
#include "reading/message.h"

namespace widecut::reading {

/// The descriptor at which a reading process finds its connection.
inline constexpr int socketOfReader = 3;

/// How long an answer may take.
struct Patience {
  double seconds = mostSeconds;  ///< Of processor time.
  Progress progress = {};        ///< Stops it when it is cancelled.
};

/// A process for several questions after one another, as those about one video. For one thread at a time.
class Reader {
 public:
  /// One that is idle, or a new one. The problem says why there is none.
  static Result<Reader> take();

  /// The answer. Problems are those of the task, begin with a verb, and are without a name; or say that the process
  /// ended or was stopped, after which every other question is refused.
  Result<Message> ask(const Message& question, const Patience& patience = {});
  /// Which limits hold in it.
  const std::vector<Limit>& limits() const;

  Reader(Reader&&) noexcept;
  Reader& operator=(Reader&&) noexcept;
  /// It is idle again.
  ~Reader();

 private:
  struct Process;
  friend class Idle;
  explicit Reader(std::unique_ptr<Process> process);
  std::unique_ptr<Process> process_;
};

/// One question, to whichever reading process is idle.
Result<Message> ask(const Message& question, const Patience& patience = {});

/// Starts a reading process ahead of time, if there is none.
void warmUp();

}  // namespace widecut::reading

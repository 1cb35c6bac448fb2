// The reading process: what comes from outside is parsed there, so that what goes wrong with it ends that process
// alone.
#pragma once

#include <functional>
#include <map>
#include <string>

#include "geometry/problem.h"
#include "reading/message.h"

namespace widecut::reading {

/// Answers a question. What is thrown, and memory that there is not, become a problem.
using Answer = std::function<Result<Message>(const Message& question)>;

/// What a reading process can do.
struct Tasks {
  std::vector<std::function<void()>> preparations;  ///< Called before it is confined: libraries are loaded.
  std::map<std::string, Answer> answers;            ///< By the name of the task.
};

/// To be called at the beginning of `main`. Whether this process is a reading process; otherwise, other processes of
/// the same program can be started as reading processes from here on.
bool isReadingProcess(int count, char** words);
/// Answers questions until the program that asks is gone. The exit code.
int serve(const Tasks& tasks);

/// How a reading process ends that gets no memory.
inline constexpr int endsWithoutMemory = 77;

}  // namespace widecut::reading

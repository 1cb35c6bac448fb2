// What a reading process may do.
#pragma once

#include <cstddef>
#include <string>
#include <vector>

namespace widecut::reading {

/// What a process can be kept from.
enum class Limit : unsigned char { Memory, Time, Files, Network, Processes };
inline constexpr int countOfLimits = 5;
/// As `widecut info` says it.
const char* nameOf(Limit limit);

/// So much address space beyond what the process had before it read anything, and beyond the pixels that a file claims
/// to have. Bytes.
inline constexpr std::size_t mostMemory = std::size_t{1} << 30U;
/// Processor time for one item, unless somebody lets it go on. Seconds.
inline constexpr double mostSeconds = 20;

/// Confines this process for good: no files, no network, no other processes. Which of all limits hold from then on;
/// time is kept by the process that asks.
std::vector<Limit> confine();
/// Allows `mostMemory` and so many bytes more, beyond what there was when it was confined. Only after `confine`.
void allowMemory(std::size_t more);

}  // namespace widecut::reading

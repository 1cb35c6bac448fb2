// Outlines as SVG path data text (SVG 1.1, section 8.3).
#pragma once

#include <string>
#include <string_view>

#include "geometry/outline.h"
#include "geometry/problem.h"

namespace widecut {

/// Reads path data with any of the commands MmLlHhVvCcSsQqTtAaZz. Arcs become cubics. Numbers beyond
/// ±1e12, wrong or missing numbers and unknown commands are refused; the problem names the position
/// (first character = 1).
Result<Outline> parsePathData(std::string_view text);

/// Absolute commands with the shortest numbers that read back to the same doubles.
std::string pathData(const Outline& outline);

/// The shortest decimal text that reads back to the same double. Very large and very small numbers have an exponent.
std::string shortestNumber(double value);

/// The shortest text without an exponent that reads back to the same double, for formats that know none (ISO 32000,
/// 7.3.3).
std::string decimalNumber(double value);

}  // namespace widecut

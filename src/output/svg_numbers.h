// How an SVG says numbers and maps.
#pragma once

#include <string>

#include "geometry/affine.h"

namespace widecut::svg {

double rounded(double v, double unit);
/// A number rounded to a unit: 1e4 is four decimals.
std::string number(double v, double unit = 1e4);
/// “matrix(…)”.
std::string matrix(const Affine& map);

}  // namespace widecut::svg

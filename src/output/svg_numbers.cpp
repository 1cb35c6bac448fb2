#include "output/svg_numbers.h"

#include <cmath>

#include "geometry/path_data.h"

namespace widecut::svg {

double rounded(double v, double unit) { return std::round(v * unit) / unit; }

std::string number(double v, double unit) { return shortestNumber(rounded(v, unit)); }

std::string matrix(const Affine& m) {
  constexpr double fine = 1e8;  // these multiply whole pictures
  return "matrix(" + number(m.xx, fine) + " " + number(m.yx, fine) + " " + number(m.xy, fine) + " " +
         number(m.yy, fine) + " " + number(m.dx) + " " + number(m.dy) + ")";
}

}  // namespace widecut::svg

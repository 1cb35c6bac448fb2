#include "geometry/path_data.h"

#include <cctype>
#include <charconv>

namespace widecut {
namespace {

constexpr double largestCoordinate = 1e12;

/// Reads the grammar of path data from left to right; the first problem stops it.
class PathReader {
 public:
  explicit PathReader(std::string_view text) : text_(text) {}

  Result<Outline> read() {
    skipSpace();
    while (at_ < text_.size() && problem_.empty()) {
      const char c = text_[at_];
      if (std::string_view("MmLlHhVvCcSsQqTtAaZz").find(c) == std::string_view::npos) {
        fail(std::string("expected a command, found '") + c + "'");
        break;
      }
      if (!begun_ && c != 'M' && c != 'm') {
        fail("path data must begin with M");
        break;
      }
      ++at_;
      command(c);
      skipSpace();
    }
    if (!problem_.empty()) return problem(problem_);
    finish(false);
    return std::move(outline_);
  }

 private:
  void fail(const std::string& what) {
    if (problem_.empty()) problem_ = "path data, character " + std::to_string(at_ + 1) + ": " + what;
  }

  static bool isSpace(char c) { return c == ' ' || c == '\t' || c == '\n' || c == '\r' || c == '\f'; }
  void skipSpace() {
    while (at_ < text_.size() && isSpace(text_[at_])) ++at_;
  }
  void skipSeparator() {
    skipSpace();
    if (at_ < text_.size() && text_[at_] == ',') {
      ++at_;
      skipSpace();
    }
  }
  bool numberFollows() {
    std::size_t i = at_;
    while (i < text_.size() && (isSpace(text_[i]) || text_[i] == ',')) ++i;
    if (i >= text_.size()) return false;
    const char c = text_[i];
    return (c >= '0' && c <= '9') || c == '.' || c == '-' || c == '+';
  }

  double number() {
    if (!problem_.empty()) return 0;
    skipSeparator();
    std::size_t from = at_;
    if (from < text_.size() && text_[from] == '+') ++from;
    double value = 0;
    const bool letters = from < text_.size() && (std::isalpha(static_cast<unsigned char>(text_[from])) != 0);
    const auto [end, error] = std::from_chars(text_.data() + from, text_.data() + text_.size(), value);
    if (letters || error == std::errc::invalid_argument) {
      fail("a number is missing");
      return 0;
    }
    if (error == std::errc::result_out_of_range || !(std::abs(value) <= largestCoordinate)) {
      fail("the number is not finite or beyond 1e12");
      return 0;
    }
    at_ = static_cast<std::size_t>(end - text_.data());
    return value;
  }

  bool flag() {
    skipSeparator();
    if (at_ >= text_.size() || (text_[at_] != '0' && text_[at_] != '1')) {
      fail("an arc flag must be 0 or 1");
      return false;
    }
    return text_[at_++] == '1';
  }

  Point point(bool relative) {
    const double x = number(), y = number();
    Point p{x, y};
    if (relative) p = p + pen_;
    if (std::abs(p.x) > largestCoordinate || std::abs(p.y) > largestCoordinate) fail("the path leaves ±1e12");
    return p;
  }

  void finish(bool closed) {
    if (!open_) return;
    contour_.closed = closed;
    if (!contour_.segments.empty() || closed) outline_.contours.push_back(std::move(contour_));
    contour_ = {};
    open_ = false;
  }

  void add(const Segment& s) {
    // Mirrored handles and arcs can reach further than the numbers that were read.
    for (const Point p : {s.handle1, s.handle2, s.end})
      if (!(std::abs(p.x) <= largestCoordinate && std::abs(p.y) <= largestCoordinate)) fail("the path leaves ±1e12");
    if (!open_) {  // drawing on after Z starts a new contour where the last one began
      contour_ = {pen_, {}, true};
      open_ = true;
    }
    contour_.segments.push_back(s);
    pen_ = s.end;
  }

  void command(char letter) {
    const bool relative = letter >= 'a';
    char kind = relative ? static_cast<char>(letter - 'a' + 'A') : letter;
    if (kind == 'Z') {
      const Point start = open_ ? contour_.start : pen_;
      finish(true);
      pen_ = start;
      lastKind_ = 'Z';
      return;
    }
    do {
      step(kind, relative);
      lastKind_ = kind;
      if (kind == 'M') kind = 'L';
    } while (problem_.empty() && numberFollows());
  }

  void step(char kind, bool relative) {
    switch (kind) {
      case 'M': {
        const Point p = point(relative);
        finish(false);
        begun_ = true;
        pen_ = p;
        contour_ = {p, {}, true};
        open_ = true;
        break;
      }
      case 'L':
        add(Segment::line(point(relative)));
        break;
      case 'H': {
        const double x = number();
        add(Segment::line({relative ? pen_.x + x : x, pen_.y}));
        break;
      }
      case 'V': {
        const double y = number();
        add(Segment::line({pen_.x, relative ? pen_.y + y : y}));
        break;
      }
      case 'C':
      case 'S': {
        const Point mirrored = lastKind_ == 'C' || lastKind_ == 'S' ? 2 * pen_ - lastHandle_ : pen_;
        const Point h1 = kind == 'C' ? point(relative) : mirrored;
        const Point h2 = point(relative), end = point(relative);
        add(Segment::cubic(h1, h2, end));
        lastHandle_ = h2;
        break;
      }
      case 'Q':
      case 'T': {
        const Point mirrored = lastKind_ == 'Q' || lastKind_ == 'T' ? 2 * pen_ - lastHandle_ : pen_;
        const Point h = kind == 'Q' ? point(relative) : mirrored;
        const Point end = point(relative);
        add(Segment::quadratic(h, end));
        lastHandle_ = h;
        break;
      }
      case 'A':
        arc(relative);
        break;
      default:
        break;
    }
  }

  /// An elliptic arc as cubics: SVG 1.1, appendix F.6, then the quarter-arc rule 4/3·tan(θ/4).
  void arc(bool relative) {
    double rx = std::abs(number()), ry = std::abs(number());
    const double tilt = radians(number());
    const bool large = flag(), sweep = flag();
    const Point end = point(relative), from = pen_;
    if (!problem_.empty() || end == from) return;
    if (rx == 0 || ry == 0) {
      add(Segment::line(end));
      return;
    }
    const Affine upright = Affine::turn(-tilt);
    const Point half = upright.vector((from - end) / 2);
    const double over = (half.x * half.x) / (rx * rx) + (half.y * half.y) / (ry * ry);
    if (over > 1) {
      rx *= std::sqrt(over);
      ry *= std::sqrt(over);
    }
    const double a = half.x / rx, b = half.y / ry, q = a * a + b * b;
    const double k = q > 0 ? std::sqrt(std::max(0.0, 1 - q) / q) * (large == sweep ? -1 : 1) : 0;
    const Point centre = Affine::turn(tilt).vector({k * rx * b, -k * ry * a}) + mix(from, end, 0.5);
    const Affine ellipse = Affine::move(centre) * Affine::turn(tilt) * Affine::scale(rx, ry);
    const double first = std::atan2(b - (-k * a), a - k * b);
    double span = std::atan2(-b + k * a, -a - k * b) - first;
    if (sweep && span < 0) span += 2 * pi;
    if (!sweep && span > 0) span -= 2 * pi;
    const int pieces = std::max(1, static_cast<int>(std::ceil(std::abs(span) / (pi / 2) - 1e-9)));
    const double each = span / pieces, reach = 4.0 / 3 * std::tan(each / 4);
    for (int i = 0; i < pieces; ++i) {
      const double t0 = first + each * i, t1 = t0 + each;
      const Point p0{std::cos(t0), std::sin(t0)}, p1{std::cos(t1), std::sin(t1)};
      add(Segment::cubic(ellipse(p0 + Point{-p0.y, p0.x} * reach), ellipse(p1 - Point{-p1.y, p1.x} * reach),
                         i + 1 == pieces ? end : ellipse(p1)));
    }
  }

  std::string_view text_;
  std::size_t at_ = 0;
  std::string problem_;
  Outline outline_;
  Contour contour_;
  bool open_ = false;
  bool begun_ = false;
  Point pen_;
  Point lastHandle_;
  char lastKind_ = 0;
};

/// Writes into a text that is made longer by large steps.
class PathWriter {
 public:
  void room() {
    constexpr std::size_t longestSegment = 6 * 26;
    if (text_.size() - used_ < longestSegment) text_.resize(2 * text_.size() + 4096);
    at_ = text_.data() + used_;
  }
  void put(char c) { *at_++ = c; }
  void put(double value) {
    // Most drawings have numbers with few decimals. If n / 1000, which is rounded correctly, is the value, then n
    // thousandths is its shortest text: no two decimals of 15 digits or fewer share a double.
    const double thousandths = std::nearbyint(value * 1000);
    if (std::abs(value) < 1e5 && thousandths / 1000 == value)
      putThousandths(static_cast<int>(thousandths));
    else
      at_ = std::to_chars(at_, at_ + 26, value).ptr;
  }
  void put(Point p) {
    put(p.x);
    put(' ');
    put(p.y);
  }
  void settle() { used_ = static_cast<std::size_t>(at_ - text_.data()); }
  std::string take() {
    text_.resize(used_);
    return std::move(text_);
  }

 private:
  void putThousandths(int n) {
    if (n < 0) {
      put('-');
      n = -n;
    }
    const int whole = n / 1000;
    int rest = n % 1000;
    char digits[8];
    int count = 0;
    int left = whole;
    do {
      digits[count++] = static_cast<char>('0' + left % 10);
      left /= 10;
    } while (left > 0);
    while (count > 0) put(digits[--count]);
    if (rest == 0) return;
    put('.');
    for (int unit = 100; rest > 0; unit /= 10) {
      put(static_cast<char>('0' + rest / unit));
      rest %= unit;
    }
  }

  std::string text_;
  std::size_t used_ = 0;
  char* at_ = nullptr;
};

}  // namespace

Result<Outline> parsePathData(std::string_view text) { return PathReader(text).read(); }

std::string pathData(const Outline& outline) {
  PathWriter out;
  out.room();
  for (const Contour& c : outline.contours) {
    out.room();
    out.put('M');
    out.put(c.start);
    out.settle();
    for (const Segment& s : c.segments) {
      out.room();
      out.put(s.kind == SegmentKind::Line ? 'L' : s.kind == SegmentKind::Quadratic ? 'Q' : 'C');
      if (s.kind != SegmentKind::Line) {
        out.put(s.handle1);
        out.put(' ');
      }
      if (s.kind == SegmentKind::Cubic) {
        out.put(s.handle2);
        out.put(' ');
      }
      out.put(s.end);
      out.settle();
    }
    if (c.closed) {
      out.room();
      out.put('Z');
      out.settle();
    }
  }
  out.settle();
  return out.take();
}

std::string shortestNumber(double value) {
  char digits[32];
  const auto end = std::to_chars(digits, digits + sizeof digits, value == 0 ? 0.0 : value).ptr;
  return {digits, end};
}

std::string decimalNumber(double value) {
  char digits[400];  // the smallest double has 324 places before its first digit
  const auto end =
      std::to_chars(digits, digits + sizeof digits, value == 0 ? 0.0 : value, std::chars_format::fixed).ptr;
  return {digits, end};
}

}  // namespace widecut

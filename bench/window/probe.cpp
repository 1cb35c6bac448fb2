// Times the real window from outside: sends keys and mouse as a keyboard and a mouse do (XTest), and waits until the
// screen changes (XDamage). Reads a script from its standard input, a line each; x and y are of the screen, all times
// milliseconds:
//   pid N                       the program whose memory and processor time are told
//   area X Y W H                looks at this part of the screen alone
//   wait MS                     lets time pass
//   settle MS                   waits until nothing has changed for so long, for half a minute at most
//   memory LABEL                tells what the program holds
//   key ctrl+a · click X Y · double X Y · move X Y · press · release · down KEY · up KEY
//   time LABEL MS ACTION        one of those: until the screen changes, and until it has not changed for so long
//   type LABEL COUNT TEXT       so many letters of the text over and over, “_” a blank, each once its frame is there
//   drag LABEL X1 Y1 X2 Y2 N    so many steps to and fro, each once its frame is there
//   idle LABEL MS               processor time and wake-ups while nothing is done
// Tells a line of CSV for each: label, what, median, 95th of 100, most.
#include <X11/Xlib.h>
#include <X11/extensions/XTest.h>
#include <X11/extensions/Xdamage.h>
#include <X11/keysym.h>
#include <poll.h>
#include <unistd.h>

#include <algorithm>
#include <chrono>
#include <cmath>
#include <cstdio>
#include <ctime>
#include <filesystem>
#include <fstream>
#include <iostream>
#include <optional>
#include <sstream>
#include <string>
#include <thread>
#include <vector>

namespace {

using Milliseconds = std::chrono::duration<double, std::milli>;
using Clock = std::chrono::steady_clock;

constexpr double longestWait = 120000;  // for a first change of the screen
constexpr double frameGap = 4;          // changes within it are one frame's

double now() { return Milliseconds(Clock::now().time_since_epoch()).count(); }
void pass(double milliseconds) { std::this_thread::sleep_for(Milliseconds(milliseconds)); }

/// The program that is looked at, by what the system tells of it.
class Program {
 public:
  void set(int pid) {
    pid_ = pid;
    hasClock_ = clock_getcpuclockid(pid, &clock_) == 0;
  }
  double processorTime() const {
    timespec time{};
    if (!hasClock_ || clock_gettime(clock_, &time) != 0) return 0;
    return static_cast<double>(time.tv_sec) * 1e3 + static_cast<double>(time.tv_nsec) / 1e6;
  }
  /// A number of /proc/…/status, as it stands there; of all its threads together where `ofThreads`.
  double number(const std::string& name, bool ofThreads = false) const {
    const std::string process = "/proc/" + std::to_string(pid_);
    if (!ofThreads) return numberIn(process + "/status", name);
    double all = 0;
    for (const std::string& thread : threads()) all += numberIn(thread + "/status", name);
    return all;
  }

 private:
  std::vector<std::string> threads() const {
    std::vector<std::string> all;
    for (const auto& thread : std::filesystem::directory_iterator("/proc/" + std::to_string(pid_) + "/task"))
      all.push_back(thread.path().string());
    return all;
  }
  static double numberIn(const std::string& file, const std::string& name) {
    std::ifstream lines(file);
    for (std::string line; std::getline(lines, line);)
      if (line.starts_with(name + ":")) return std::atof(line.c_str() + name.size() + 1);
    return 0;
  }
  int pid_ = 0;
  clockid_t clock_{};
  bool hasClock_ = false;
};

/// Keyboard, mouse and what changes on the screen.
class Monitor {
 public:
  Monitor() : display_(XOpenDisplay(nullptr)) {
    if (!display_) return;
    int errors = 0;
    XDamageQueryExtension(display_, &damageEvent_, &errors);
    XDamageCreate(display_, DefaultRootWindow(display_), XDamageReportRawRectangles);
    XSync(display_, False);
  }
  bool isThere() const { return display_ != nullptr; }
  void lookAt(XRectangle area) { area_ = area; }

  /// When the part that is looked at changed next, or nothing where it did not until then.
  std::optional<double> change(double until) {
    for (;;) {
      while (XPending(display_) > 0) {
        XEvent event;
        XNextEvent(display_, &event);
        if (event.type == damageEvent_ && isWithin(reinterpret_cast<const XDamageNotifyEvent&>(event).area))
          return now();
      }
      const double left = until - now();
      if (left <= 0) return std::nullopt;
      pollfd waiting{ConnectionNumber(display_), POLLIN, 0};
      poll(&waiting, 1, std::max(1, static_cast<int>(left)));
    }
  }
  /// When the last change was of those that came without a pause of so long.
  double settled(double first, double quiet) {
    constexpr double longest = 30000;  // a caret, or a video, never comes to rest
    double last = first;
    while (last - first < longest) {
      const auto next = change(last + quiet);
      if (!next) break;
      last = *next;
    }
    return last;
  }
  void forget() {
    while (change(now())) {
    }
  }

  void key(const std::string& name, bool down, bool up) {
    std::vector<KeyCode> codes;
    std::istringstream parts(name);
    for (std::string part; std::getline(parts, part, '+');) codes.push_back(code(part));
    if (name.size() == 1 && name[0] >= 'A' && name[0] <= 'Z') codes.insert(codes.begin(), code("shift"));
    if (down)
      for (KeyCode each : codes) XTestFakeKeyEvent(display_, each, True, 0);
    if (up)
      for (auto each = codes.rbegin(); each != codes.rend(); ++each) XTestFakeKeyEvent(display_, *each, False, 0);
    XFlush(display_);
  }
  void move(int x, int y) {
    XTestFakeMotionEvent(display_, -1, x, y, 0);
    XFlush(display_);
  }
  void button(bool isDown, unsigned which = 1) {
    XTestFakeButtonEvent(display_, which, isDown ? True : False, 0);
    XFlush(display_);
  }

 private:
  bool isWithin(const XRectangle& changed) const {
    return changed.x < area_.x + area_.width && changed.x + changed.width > area_.x &&
           changed.y < area_.y + area_.height && changed.y + changed.height > area_.y;
  }
  KeyCode code(const std::string& name) const {
    const std::string known = name == "ctrl"    ? "Control_L"
                              : name == "shift" ? "Shift_L"
                              : name == "alt"   ? "Alt_L"
                                                : name;
    return XKeysymToKeycode(display_, XStringToKeysym(known.c_str()));
  }
  Display* display_;
  int damageEvent_ = 0;
  XRectangle area_{0, 0, 32000, 32000};
};

/// One action of a script.
void act(Monitor& screen, std::istringstream& words) {
  std::string what, key;
  int x = 0, y = 0;
  words >> what;
  if (what == "key" && words >> key) screen.key(key, true, true);
  if (what == "down" && words >> key) screen.key(key, true, false);
  if (what == "up" && words >> key) screen.key(key, false, true);
  if (what == "press") screen.button(true);
  if (what == "release") screen.button(false);
  if ((what == "move" || what == "click" || what == "double") && words >> x >> y) screen.move(x, y);
  for (int clicks = what == "double" ? 2 : what == "click" ? 1 : 0; clicks > 0; --clicks) {
    screen.button(true);
    screen.button(false);
  }
}

void tell(const std::string& label, const char* what, std::vector<double> times) {
  if (times.empty()) {
    std::printf("%s,%s,-,-,-\n", label.c_str(), what);
    return;
  }
  std::sort(times.begin(), times.end());
  const auto at = [&](double share) { return times[static_cast<std::size_t>(share * (times.size() - 1) + 0.5)]; };
  std::printf("%s,%s,%.1f,%.1f,%.1f\n", label.c_str(), what, at(0.5), at(0.95), at(1));
}

/// What comes of a series of actions, each begun when the frame of the one before is there.
class Series {
 public:
  Series(Monitor& screen, const Program& program)
      : screen_(screen), program_(program), before_(program.processorTime()) {
    screen.forget();
  }
  template <class Action>
  void add(const Action& action) {
    const double began = now();
    action();
    const auto first = screen_.change(began + 8000);
    if (!first) {
      ++missed_;
      return;
    }
    first_.push_back(*first - began);
    whole_.push_back(screen_.settled(*first, frameGap) - began);
  }
  void end(const std::string& label) const {
    tell(label, "frame", whole_);
    const double count = std::max<double>(1, static_cast<double>(whole_.size()));
    std::printf("%s,processor,%.1f,-,-\n", label.c_str(), (program_.processorTime() - before_) / count);
    if (missed_ > 0) std::printf("%s,without a frame,%d,-,-\n", label.c_str(), missed_);
  }

 private:
  Monitor& screen_;
  const Program& program_;
  double before_;
  std::vector<double> first_, whole_;
  int missed_ = 0;
};

void timed(Monitor& screen, std::istringstream& words, const std::string& label) {
  double quiet = 0;
  words >> quiet;
  screen.forget();
  const double began = now();
  act(screen, words);
  const auto first = screen.change(began + longestWait);
  if (!first) return tell(label, "first", {});
  const double last = screen.settled(*first, quiet);
  tell(label, "first", {*first - began});
  tell(label, "settled", {last - began});
}

void typed(Monitor& screen, const Program& program, std::istringstream& words, const std::string& label) {
  int count = 0;
  std::string text;
  words >> count >> text;
  Series series(screen, program);
  for (int i = 0; i < count && !text.empty(); ++i) {
    const char letter = text[static_cast<std::size_t>(i) % text.size()];
    series.add([&] { screen.key(letter == '_' ? "space" : std::string(1, letter), true, true); });
  }
  series.end(label);
}

void dragged(Monitor& screen, const Program& program, std::istringstream& words, const std::string& label) {
  int x1 = 0, y1 = 0, x2 = 0, y2 = 0, count = 0;
  words >> x1 >> y1 >> x2 >> y2 >> count;
  Series series(screen, program);
  for (int i = 1; i <= count; ++i) {
    const double turn = std::fmod(i * 0.08, 2), share = turn > 1 ? 2 - turn : turn;
    series.add(
        [&] { screen.move(x1 + static_cast<int>((x2 - x1) * share), y1 + static_cast<int>((y2 - y1) * share)); });
  }
  series.end(label);
}

void idled(const Program& program, double milliseconds, const std::string& label) {
  const auto switches = [&] { return program.number("voluntary_ctxt_switches", true); };
  const double time = program.processorTime(), wakes = switches();
  pass(milliseconds);
  std::printf("%s,share of a core in %%,%.1f,-,-\n", label.c_str(),
              (program.processorTime() - time) / milliseconds * 100);
  std::printf("%s,wake-ups a second,%.0f,-,-\n", label.c_str(), (switches() - wakes) / milliseconds * 1000);
}

void perform(Monitor& screen, Program& program, std::istringstream& words) {
  std::string what, label;
  words >> what;
  double number = 0;
  if (what.empty() || what[0] == '#') return;
  if (what == "time" && words >> label) return timed(screen, words, label);
  if (what == "type" && words >> label) return typed(screen, program, words, label);
  if (what == "drag" && words >> label) return dragged(screen, program, words, label);
  if (what == "idle" && words >> label >> number) return idled(program, number, label);
  if (what == "memory" && words >> label) {
    std::printf("%s,memory in MB,%.0f,-,%.0f\n", label.c_str(), program.number("VmRSS") / 1024,
                program.number("VmHWM") / 1024);
    return;
  }
  if (what == "pid" && words >> number) return program.set(static_cast<int>(number));
  if (what == "wait" && words >> number) return pass(number);
  if (what == "settle" && words >> number) {
    screen.settled(now(), number);
    return;
  }
  if (what == "area") {
    int x = 0, y = 0, w = 0, h = 0;
    words >> x >> y >> w >> h;
    return screen.lookAt(
        {static_cast<short>(x), static_cast<short>(y), static_cast<unsigned short>(w), static_cast<unsigned short>(h)});
  }
  words.seekg(0);
  act(screen, words);
}

}  // namespace

int main() {
  Monitor screen;
  if (!screen.isThere()) {
    std::fprintf(stderr, "no display\n");
    return 1;
  }
  std::setvbuf(stdout, nullptr, _IOLBF, 0);
  Program program;
  for (std::string line; std::getline(std::cin, line);) {
    std::istringstream words(line);
    perform(screen, program, words);
  }
  return 0;
}

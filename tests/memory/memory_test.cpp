// How much memory the program takes, in processes of its own.
#include <gtest/gtest.h>

#include <sys/resource.h>
#include <sys/wait.h>
#include <unistd.h>
#include <QFileInfo>
#include <QTemporaryDir>

#include <vector>

namespace {

/// Runs the program and gives its peak of resident memory in MB; −1 when it failed. `addressSpace` in bytes, 0 for
/// none.
double peakOf(std::vector<std::string> words, rlim_t addressSpace = 0) {
  const pid_t child = fork();
  if (child == 0) {
    if (addressSpace > 0) {
      const rlimit limit{addressSpace, addressSpace};
      setrlimit(RLIMIT_AS, &limit);
    }
    setenv("QT_QPA_PLATFORM", "offscreen", 1);
    std::vector<char*> arguments;
    for (std::string& word : words) arguments.push_back(word.data());
    arguments.push_back(nullptr);
    execv(arguments[0], arguments.data());
    _exit(127);
  }
  int status = 0;
  rusage used{};
  wait4(child, &status, 0, &used);
  return WIFEXITED(status) && WEXITSTATUS(status) == 0 ? static_cast<double>(used.ru_maxrss) / 1000 : -1;
}

struct Memory : testing::Test {
  QTemporaryDir folder;
  std::string file(const char* name) { return folder.filePath(name).toStdString(); }
  std::string photos(int count, int width, int height, const char* format = "JPEG") {
    const std::string path = file("photos.widecut");
    EXPECT_GE(
        peakOf({PHOTO_PROJECT, path, std::to_string(count), std::to_string(width), std::to_string(height), format}), 0);
    return path;
  }
  double deliver(const std::string& project, const char* out) {
    return peakOf({WIDECUT_PROGRAM, "deliver", project, "-o", file(out)});
  }
};

TEST_F(Memory, TheDemoOpensInOneGigabyteOfAddressSpace) {
  EXPECT_GE(peakOf({WIDECUT_PROGRAM, "info", DEMO_PROJECT}, rlim_t{1} << 30), 0);
  EXPECT_GE(peakOf({WIDECUT_PROGRAM, "--shot", file("shot.png"), DEMO_PROJECT}, rlim_t{1} << 30), 0)
      << "the window too";
}

TEST_F(Memory, AGreatPhotoIsOpenedAndDeliveredInHalfAGigabyte) {
  const std::string project = photos(1, 8000, 6000);
  for (const char* out : {"a.png", "a.pdf", "a.svg"}) {
    const double peak = deliver(project, out);
    std::printf("48 megapixels to %s: %.0f MB\n", out, peak);
    EXPECT_GE(peak, 0);
    EXPECT_LT(peak, 500) << out;
  }
}

TEST_F(Memory, ManyPhotosAreDeliveredOneByOne) {
  // PHOTO_COUNT=200 is the figure of docs/benchmarks.md; here fewer, for the same limit beside their own bytes.
  const int count = qEnvironmentVariableIsSet("PHOTO_COUNT") ? qEnvironmentVariableIntValue("PHOTO_COUNT") : 16;
  const std::string project = photos(count, 4000, 3000);
  const double bytes = static_cast<double>(QFileInfo(QString::fromStdString(project)).size()) / 1e6;
  for (const char* out : {"a.png", "a.pdf"}) {
    const double peak = deliver(project, out);
    std::printf("%d photos of 12 megapixels (%.0f MB) to %s: %.0f MB\n", count, bytes, out, peak);
    EXPECT_GE(peak, 0);
    EXPECT_LT(peak, 450 + bytes) << out;
  }
}

TEST_F(Memory, ALargePictureIsPaintedInBands) {
  const std::string project = photos(1, 800, 600);
  // A4 across at 1300 ppi: 163 megapixels, 652 MB of pixels.
  const double peak = peakOf({WIDECUT_PROGRAM, "deliver", project, "-o", file("a.png"), "--ppi", "1300"});
  std::printf("163 megapixels as PNG: %.0f MB\n", peak);
  EXPECT_GE(peak, 0);
  EXPECT_LT(peak, 300);
}

}  // namespace

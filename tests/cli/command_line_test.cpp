// The built program, run with good and with bad words.
#include <gtest/gtest.h>

#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <QImage>
#include <QProcess>
#include <QRegularExpression>
#include <QTemporaryDir>

#include <nlohmann/json.hpp>
#include <random>

#include "geometry/path_data.h"
#include "media/photo.h"
#include "project/edits/fills.h"
#include "project/edits/media.h"
#include "project/edits/tree.h"
#include "project/forms/words.h"
#include "sample.h"
#include "storage/project_file.h"
#include "test_photos.h"

namespace widecut {
namespace {

struct Ran {
  int code;
  QString out, err;
};

Ran widecut(const QStringList& words) {
  QProcess process;
  process.start(WIDECUT_PROGRAM, words);
  process.waitForFinished(60000);
  return {process.exitStatus() == QProcess::NormalExit ? process.exitCode() : -1,
          QString::fromUtf8(process.readAllStandardOutput()), QString::fromUtf8(process.readAllStandardError())};
}

/// Exit 2, one line on stderr that holds these words, nothing on stdout.
void expectRefused(const QStringList& words, const QString& says) {
  const Ran ran = widecut(words);
  EXPECT_EQ(ran.code, 2) << words.join(' ').left(200).toStdString();
  EXPECT_EQ(ran.err.count('\n'), 1) << ran.err.toStdString();
  EXPECT_TRUE(ran.err.startsWith("widecut: "));
  EXPECT_TRUE(ran.err.contains(says)) << ran.err.toStdString();
  EXPECT_EQ(ran.out, "");
}

TEST(CommandLine, CutPrintsPathData) {
  const Ran ran = widecut({"cut", "--formula", "a - b", "--a", "M0 0H10V10H0Z", "--b", "M5 0H15V10H5Z"});
  EXPECT_EQ(ran.code, 0) << ran.err.toStdString();
  const auto outline = parsePathData(ran.out.trimmed().toStdString());
  ASSERT_TRUE(outline);
  EXPECT_NEAR(signedArea(*outline), 50, 1e-6);
}

TEST(CommandLine, CutTakesNamesAndRules) {
  const Ran ran = widecut({"cut", "--rule", "evenodd", "--formula", "(panel + tab) & word", "--panel", "M0 0H9V9H0Z",
                           "--tab", "M9 0H12V9H9Z", "--word", "M0 0H20V5H0ZM1 1H2V2H1Z"});
  EXPECT_EQ(ran.code, 0) << ran.err.toStdString();
  EXPECT_NEAR(signedArea(*parsePathData(ran.out.trimmed().toStdString())), 59, 1e-6);
}

TEST(CommandLine, BatchAnswersLineByLine) {
  const QTemporaryDir folder;
  QFile file(folder.filePath("in.jsonl"));
  ASSERT_TRUE(file.open(QIODevice::WriteOnly));
  file.write(
      "{\"id\":1,\"op\":\"union\",\"a\":\"M0 0H1V1H0Z\",\"b\":\"M1 0H2V1H1Z\"}\n"
      "{\"id\":\"two\",\"formula\":\"a -\",\"a\":\"M0 0H1V1H0Z\"}\nnot json\n"
      "{\"id\":3,\"op\":\"melt\",\"a\":\"M0 0Z\"}\n{\"id\":4,\"op\":\"union\",\"a\":7}\n");
  file.close();
  const Ran ran = widecut({"cut", "--timing", "--batch", file.fileName()});
  EXPECT_EQ(ran.code, 0);
  const QStringList lines = ran.out.trimmed().split('\n');
  ASSERT_EQ(lines.size(), 5);
  EXPECT_TRUE(lines[0].contains("\"result\":\"M") && lines[0].contains("\"ns\":"));
  EXPECT_TRUE(lines[1].contains("\"id\":\"two\"") && lines[1].contains("unfinished"));
  for (const int i : {2, 3, 4}) EXPECT_TRUE(lines[i].contains("\"error\""));
}

TEST(CommandLine, BadCutsAreRefused) {
  const QString square = "M0 0H1V1H0Z";
  expectRefused({"cut", "--formula", "a - b", "--a", square, "--b", "M0 0LNaN 1"}, "b: path data, character");
  expectRefused({"cut", "--formula", "a", "--a", "M0 0L1e308 1"}, "beyond 1e12");
  expectRefused({"cut", "--formula", "a", "--a", "M0 0L5"}, "a number is missing");
  expectRefused({"cut", "--formula", "a -", "--a", square}, "unfinished");
  expectRefused({"cut", "--formula", "a - moon", "--a", square}, "no part named 'moon'");
  expectRefused({"cut", "--formula", "a", "--rule", "odd", "--a", square}, "nonzero or evenodd");
  expectRefused({"cut", "--formula", "a", "--a"}, "path data of --a is missing");
  expectRefused({"cut", "--batch", "no-such-file.jsonl"}, "no-such-file.jsonl");
}

TEST(CommandLine, InfoListsWhatIsInAProject) {
  const Ran ran = widecut({"info", DEMO_PROJECT, "--json"});
  EXPECT_EQ(ran.code, 0);
  EXPECT_TRUE(ran.out.contains("\"Skarrow Peak Railway\"") && ran.out.contains("Ridge at dawn.jpg"));
  const Ran plain = widecut({"info", DEMO_PROJECT});
  EXPECT_TRUE(plain.out.contains("cover window"));
  EXPECT_TRUE(plain.out.contains("words 16  title") && plain.out.contains("font League Spartan  Bold"))
      << plain.out.toStdString();
  EXPECT_TRUE(ran.out.contains("\"EB Garamond\"") && !ran.out.contains("\"missing\": true"));
}

TEST(CommandLine, DeliversEveryFormatByTheFilesName) {
  const QTemporaryDir folder;
  for (const char* name : {"a.png", "a.svg", "a.pdf"}) {
    const QString path = folder.filePath(name);
    const Ran ran = widecut({"deliver", DEMO_PROJECT, "--sheet", "2", "--ppi", "48", "-o", path});
    EXPECT_EQ(ran.code, 0) << ran.err.toStdString();
    EXPECT_GT(QFileInfo(path).size(), 1000);
  }
  EXPECT_EQ(QImage(folder.filePath("a.png")).size(), QSize(640, 360));
  const QString star = folder.filePath("star.png");
  EXPECT_EQ(widecut({"deliver", DEMO_PROJECT, "--sheet", "2", "--item", "star", "-o", star}).code, 0);
  EXPECT_EQ(QImage(star).pixelColor(1, 1).alpha(), 0);
}

TEST(CommandLine, DeliversSeveralSheetsInOneRun) {
  const QTemporaryDir folder;
  const QDir there(folder.path());
  const Ran each =
      widecut({"deliver", DEMO_PROJECT, "--sheet", "2-3,1", "--ppi", "24", "-o", there.filePath("s{sheet}.png")});
  EXPECT_EQ(each.code, 0) << each.err.toStdString();
  const QStringList names = there.entryList(QDir::Files, QDir::Name);
  ASSERT_EQ(names.size(), 3);
  QRegularExpression number("^s0*([123])\\.png$");
  for (int i = 0; i < 3; ++i) {
    EXPECT_EQ(number.match(names[i]).captured(1).toInt(), i + 1) << names[i].toStdString();
    const QString alone = there.filePath("alone.png");
    widecut({"deliver", DEMO_PROJECT, "--sheet", QString::number(i + 1), "--ppi", "24", "-o", alone});
    EXPECT_EQ(QImage(there.filePath(names[i])), QImage(alone)) << i;
  }
  const QString pdf = there.filePath("all.pdf");
  EXPECT_EQ(widecut({"deliver", DEMO_PROJECT, "--sheet", "1-3", "--ppi", "24", "-o", pdf}).code, 0);
  QProcess qpdf;
  qpdf.start("qpdf", {"--show-npages", pdf});
  ASSERT_TRUE(qpdf.waitForFinished());
  EXPECT_EQ(qpdf.readAllStandardOutput().trimmed(), "3");
}

TEST(CommandLine, BadDeliveriesAreRefusedAndLeaveNothing) {
  const QTemporaryDir folder;
  const QString out = folder.filePath("a.png");
  expectRefused({"deliver", DEMO_PROJECT, "--sheet", "99", "-o", out}, "no sheet 99");
  expectRefused({"deliver", DEMO_PROJECT, "--sheet", "1-99", "-o", out}, "no sheet 99");
  expectRefused({"deliver", DEMO_PROJECT, "--sheet", "all", "-o", out}, "{sheet}");
  for (const char* sheets : {"x", "1-", "-", "3-1", "1,,2", "1;2", "0x1"})
    expectRefused({"deliver", DEMO_PROJECT, QString("--sheet=") + sheets, "-o", out}, "sheet");
  expectRefused({"deliver", DEMO_PROJECT, "--sheet", "1-2", "--item", "star", "-o", folder.filePath("{sheet}.png")},
                "from one sheet");
  expectRefused({"deliver", DEMO_PROJECT, "--ppi=-3", "-o", out}, "from 1 to 4800");
  expectRefused({"deliver", DEMO_PROJECT, "--ppi", "1e9", "-o", out}, "from 1 to 4800");
  expectRefused({"deliver", DEMO_PROJECT, "--format", "bmp", "-o", out}, "png, svg or pdf");
  expectRefused({"deliver", DEMO_PROJECT, "--item", "moon", "-o", out}, "no item 'moon'");
  expectRefused({"deliver", "no-such.widecut", "-o", out}, "no-such.widecut");
  expectRefused({"deliver", DEMO_PROJECT, "-o", folder.filePath("no/such/a.png")}, "a.png");
  expectRefused({"deliver", DEMO_PROJECT}, "--out");
  QFile text(folder.filePath("text.widecut"));
  ASSERT_TRUE(text.open(QIODevice::WriteOnly));
  text.write("hello");
  text.close();
  expectRefused({"info", text.fileName()}, "not a Wide Cut project");
  EXPECT_FALSE(QFile::exists(out));
  EXPECT_EQ(QDir(folder.path()).entryList(QDir::Files).size(), 1) << "no half-written files";
}

TEST(CommandLine, AProjectIsNeverReplacedByAPictureOfIt) {
  const QTemporaryDir folder;
  const QString file = folder.filePath("work.widecut");
  ASSERT_TRUE(QFile::copy(DEMO_PROJECT, file));
  const qint64 before = QFileInfo(file).size();
  expectRefused({"deliver", file, "--format", "png", "-o", file}, "is the project itself");
  expectRefused({"deliver", file, "--format", "png", "-o", folder.path() + "/./work.widecut"}, "is the project itself");
  EXPECT_EQ(QFileInfo(file).size(), before);
}

TEST(CommandLine, InfoOfAProjectWhoseReferredFileIsMissing) {
  const QTemporaryDir folder;
  const std::string photo = folder.filePath("tones.png").toStdString();
  ASSERT_TRUE(tones(40, 30).save(QString::fromStdString(photo)));
  Sample s;
  Project project = withPhotoIn(s.project, s.box, *photoFromFile(photo));
  const std::string hash = mediaOf(project).begin()->first;
  project = withMediumChanged(project, hash, [&](Medium& m) { m.path = photo; });
  const QString file = folder.filePath("work.widecut");
  ASSERT_TRUE(saveProject(project, {}, file.toStdString()));
  ASSERT_TRUE(QFile::remove(QString::fromStdString(photo)));
  const Ran ran = widecut({"info", file, "--json"});
  EXPECT_EQ(ran.code, 0) << ran.err.toStdString();
  const auto info = nlohmann::json::parse(ran.out.toStdString());
  EXPECT_TRUE(info["media"][0]["bytes"].is_null());
  EXPECT_NE(info["media"][0]["problem"].get<std::string>().find("missing"), std::string::npos);
  EXPECT_TRUE(info["reader"]["limits"].contains("memory"));
  EXPECT_FALSE(info["memos"].empty());
}

TEST(CommandLine, WrongWordsForTheWindowAreRefused) {
  expectRefused({"--bogus"}, "unknown word '--bogus'");
  expectRefused({"one.widecut", "two.widecut"}, "two.widecut");
  expectRefused({"--shot"}, "--shot needs");
}

TEST(CommandLine, TheWindowTakesItsOwnPicture) {
  const QTemporaryDir folder;
  QProcess process;
  auto environment = QProcessEnvironment::systemEnvironment();
  environment.insert("QT_QPA_PLATFORM", "offscreen");
  process.setProcessEnvironment(environment);
  process.start(WIDECUT_PROGRAM, {"--shot", folder.filePath("window.png"), DEMO_PROJECT});
  ASSERT_TRUE(process.waitForFinished(60000));
  EXPECT_EQ(process.exitCode(), 0);
  const QImage picture(folder.filePath("window.png"));
  EXPECT_EQ(picture.size(), QSize(1280, 800));
  process.start(WIDECUT_PROGRAM, {"--shot", folder.filePath("no/such/window.png"), DEMO_PROJECT});
  ASSERT_TRUE(process.waitForFinished(60000));
  EXPECT_EQ(process.exitCode(), 2);
}

TEST(CommandLine, AFullDiskLeavesNothingBehind) {
  const QTemporaryDir folder;
  // A tiny file system, where this user may mount one.
  const QString disk = folder.filePath("disk");
  QDir().mkpath(disk);
  if (QProcess::execute("mount", {"-t", "tmpfs", "-o", "size=64k", "tmpfs", disk}) != 0)
    GTEST_SKIP() << "only root can mount a small disk";
  expectRefused({"deliver", DEMO_PROJECT, "-o", disk + "/a.png"}, "cannot write");
  const auto left = QDir(disk).entryList(QDir::Files | QDir::Hidden);
  QProcess::execute("umount", {disk});
  EXPECT_TRUE(left.isEmpty()) << left.join(' ').toStdString();
}

/// What the program answers to a batch.
QStringList batch(const QByteArray& lines) {
  const QTemporaryDir folder;
  QFile file(folder.filePath("in.jsonl"));
  EXPECT_TRUE(file.open(QIODevice::WriteOnly));
  file.write(lines);
  file.close();
  const Ran ran = widecut({"cut", "--batch", file.fileName()});
  EXPECT_EQ(ran.code, 0) << ran.err.toStdString();
  return ran.out.trimmed().split('\n');
}

TEST(CommandLine, ABatchGoesOnAfterAnyLetterInAnError) {
  const QStringList lines = batch(
      "{\"id\":1,\"formula\":\"a\",\"a\":\"M0 0H1V1H0Z\"}\n"
      "{\"id\":2,\"formula\":\"a × b\",\"a\":\"M0 0H1V1H0Z\",\"b\":\"M0 0H1V1H0Z\"}\n"
      "{\"id\":3,\"formula\":\"ü\",\"a\":\"Mé 0\"}\n"
      "{\"id\":4,\"formula\":\"a\",\"a\":\"M0 0H1V1H0Z\"}\n");
  ASSERT_EQ(lines.size(), 4);
  EXPECT_TRUE(lines[0].contains("result"));
  EXPECT_TRUE(lines[1].contains("×"));
  EXPECT_TRUE(lines[2].contains("error"));
  EXPECT_TRUE(lines[3].contains("result")) << "nothing after it is lost";
}

TEST(CommandLine, ABatchSubtractsInTheOrderGiven) {
  const QStringList lines =
      batch("{\"op\":\"subtract\",\"z\":\"M0 0H10V10H0Z\",\"a\":\"M5 0H15V10H5Z\",\"m\":\"M0 0H1V10H0Z\"}\n");
  const QString result = lines[0].section("\"result\":\"", 1).section('"', 0, 0);
  EXPECT_NEAR(signedArea(*parsePathData(result.toStdString())), 40, 1e-6) << "z − a − m";
}

TEST(CommandLine, ALineOfABatchIsStoppedAfterItsSeconds) {
  // Two scribbles of 3,000 points cross some millions of times.
  std::mt19937 random(7);
  const auto scribble = [&] {
    QByteArray path = "M0 0";
    for (int i = 0; i < 3000; ++i)
      path += "L" + QByteArray::number(static_cast<int>(random() % 9973)) + " " +
              QByteArray::number(static_cast<int>(random() % 9973));
    return path + "Z";
  };
  const QTemporaryDir folder;
  QFile file(folder.filePath("in.jsonl"));
  ASSERT_TRUE(file.open(QIODevice::WriteOnly));
  file.write("{\"id\":1,\"formula\":\"a^b\",\"a\":\"" + scribble() + "\",\"b\":\"" + scribble() + "\"}\n" +
             "{\"id\":2,\"formula\":\"a\",\"a\":\"M0 0H1V1H0Z\"}\n");
  file.close();
  const Ran ran = widecut({"cut", "--seconds", "0.05", "--batch", file.fileName()});
  EXPECT_EQ(ran.code, 0) << ran.err.toStdString();
  const QStringList lines = ran.out.trimmed().split('\n');
  ASSERT_EQ(lines.size(), 2);
  EXPECT_TRUE(lines[0].contains("stopped after 0.05 s")) << lines[0].left(300).toStdString();
  EXPECT_TRUE(lines[1].contains("result")) << "what comes after it is answered";
  expectRefused({"cut", "--seconds", "0", "--batch", file.fileName()}, "seconds");
}

TEST(CommandLine, AFormulaOfManyPartsIsAnswered) {
  QByteArray formula = "a";
  for (int i = 0; i < 300000; ++i) formula += "+a";
  const QStringList lines = batch("{\"formula\":\"" + formula + "\",\"a\":\"M0 0H1V1H0Z\"}\n");
  EXPECT_TRUE(lines[0].contains("result")) << lines[0].left(200).toStdString();
}

TEST(CommandLine, PipesAreRefusedAtOnce) {
  for (const char* word : {"info", "deliver"}) {
    QStringList words{word, "/dev/zero"};
    if (words[0] == "deliver")
      words << "-o"
            << "x.png";
    expectRefused(words, "a device or a pipe");
  }
  expectRefused({"cut", "--batch", "/dev/zero"}, "a device or a pipe");
}

TEST(CommandLine, APhotoThatCannotBeDecodedIsNamed) {
  const QTemporaryDir folder;
  Sample s;
  Medium broken;
  broken.name = "broken.jpg";
  broken.bytes = std::make_shared<const std::string>("\xFF\xD8\xFF nothing more");
  broken.hash = sha256(*broken.bytes);
  broken.width = broken.height = 10;
  Project p = s.project;
  p = withPhotoIn(p, s.box, std::make_shared<const Medium>(broken));
  const QString path = folder.filePath("broken.widecut");
  ASSERT_TRUE(saveProject(p, "", path.toStdString()));
  EXPECT_TRUE(widecut({"info", path}).out.contains("broken.jpg"));
  EXPECT_TRUE(widecut({"info", path}).out.contains("has no pixels") ||
              widecut({"info", path}).out.contains("cannot be decoded"));
  const Ran delivered = widecut({"deliver", path, "-o", folder.filePath("a.pdf")});
  EXPECT_EQ(delivered.code, 0);
  EXPECT_TRUE(delivered.err.contains("note: broken.jpg")) << delivered.err.toStdString();
}

TEST(CommandLine, ShapePrintsAStarterByItsNumbers) {
  const Ran ran = widecut({"shape", "star", "corners=6", "depth=25 %", "width=50mm", "height=2in"});
  EXPECT_EQ(ran.code, 0) << ran.err.toStdString();
  const auto outline = parsePathData(ran.out.trimmed().toStdString());
  ASSERT_TRUE(outline);
  EXPECT_EQ(counts(*outline).nodes, 12);
  EXPECT_NEAR(bounds(*outline).width(), 50 * 72 / 25.4, 1e-9);
  EXPECT_NEAR(bounds(*outline).height(), 144, 1e-9);
  EXPECT_EQ(widecut({"shape", "speech", "balloon"}).out, widecut({"shape", "speech-balloon"}).out);
}

TEST(CommandLine, ShapeSaysWhatIsWrong) {
  expectRefused({"shape"}, "which shape?");
  expectRefused({"shape", "hart"}, "close to it: heart");
  expectRefused({"shape", "star", "depth=3"}, "depth must be from 0 % to 99 %, not '3'");
  expectRefused({"shape", "star", "corners=4.5"}, "corners must be whole, from 3 to 400");
  expectRefused({"shape", "star", "spikes=4"}, "star has no number 'spikes'; it has width, height, corners, depth");
  expectRefused({"shape", "star", "corners"}, "there is no shape 'star corners'");
  expectRefused({"shape", "puzzle piece", "top=knob"}, "straight, tab, hole");
  expectRefused({"shape", "box", "width=0"}, "width must be above 0");
  expectRefused({"shape", "box", "width=wide"}, "width");
}

TEST(CommandLine, TenThousandRandomShapesInOneRun) {
  const auto table = nlohmann::json::parse(widecut({"shape", "--list", "--json"}).out.toStdString());
  EXPECT_GT(table.size(), 45U);
  std::mt19937 random(5);
  const auto thrown = [&] { return std::uniform_real_distribution<double>(0, 1)(random); };
  const QTemporaryDir folder;
  QFile file(folder.filePath("shapes.jsonl"));
  ASSERT_TRUE(file.open(QIODevice::WriteOnly));
  std::vector<std::pair<double, double>> sizes;
  for (int i = 0; i < 10000; ++i) {
    const auto& kind = table[random() % table.size()];
    sizes.emplace_back(5 + 500 * thrown(), 5 + 500 * thrown());
    nlohmann::json line{
        {"id", i}, {"shape", kind["name"]}, {"width", sizes.back().first}, {"height", sizes.back().second}};
    for (const auto& n : kind["numbers"]) {
      const std::string unit = n["unit"], key = n["key"];
      if (unit == "choice") {
        line[key] = n["words"][random() % n["words"].size()];
      } else if (unit == "switch") {
        line[key] = random() % 2 == 0 ? "on" : "off";
      } else {
        const double least = n["least"], most = n["most"], value = least + thrown() * (most - least);
        line[key] = unit == "count" || unit == "seed" ? std::round(value) : value;
      }
    }
    file.write(QByteArray::fromStdString(line.dump() + "\n"));
  }
  file.close();
  const Ran ran = widecut({"shape", "--batch", file.fileName()});
  EXPECT_EQ(ran.code, 0) << ran.err.toStdString();
  const QStringList lines = ran.out.split('\n', Qt::SkipEmptyParts);
  ASSERT_EQ(lines.size(), 10000);
  for (const QString& text : lines) {
    const auto line = nlohmann::json::parse(text.toStdString());
    ASSERT_TRUE(line.contains("result")) << text.left(300).toStdString();
    const auto outline = parsePathData(line["result"].get<std::string>());
    ASSERT_TRUE(outline);
    const auto& [width, height] = sizes[line["id"].get<std::size_t>()];
    EXPECT_NEAR(bounds(*outline).width(), width, 1e-6 * width);
    EXPECT_NEAR(bounds(*outline).height(), height, 1e-6 * height);
  }
}

TEST(CommandLine, WordsAreSetAsPathDataOrAsLines) {
  const Ran path = widecut({"words", "--text", "Peak", "--font", "League Spartan", "--size", "20mm"});
  EXPECT_EQ(path.code, 0) << path.err.toStdString();
  const auto outline = parsePathData(path.out.trimmed().toStdString());
  ASSERT_TRUE(outline);
  EXPECT_NEAR(bounds(*outline).height(), 20 * 72 / 25.4 * 0.7, 6);

  const Ran lines = widecut({"words", "--text", "the slow line above the clouds", "--size", "12", "--in",
                             "M10 20H90V200H50Z", "--look", "align=justified", "--json"});
  EXPECT_EQ(lines.code, 0) << lines.err.toStdString();
  const auto read = nlohmann::json::parse(lines.out.toStdString());
  ASSERT_GT(read["lines"].size(), 1U);
  EXPECT_GT(read["lines"][1]["x"].get<double>(), read["lines"][0]["x"].get<double>());
  EXPECT_TRUE(read["fits"].get<bool>());
  EXPECT_EQ(widecut({"words", "--text", "round", "--along", "M0 0H400"}).code, 0);

  expectRefused({"words", "--text", "a", "--look", "align=diagonal"}, "align is one of");
  expectRefused({"words", "--text", "a", "--look", "nothing=1"}, "words have no 'nothing'");
  expectRefused({"words", "--text", "a", "--size", "0"}, "size is not from");
  expectRefused({"words", "--text", "a", "--in", "M0 0H5", "--along", "M0 0H9"}, "either in an outline or along");
  expectRefused({"words", "--text", "a", "--in", "nonsense"}, "--in");
}

TEST(CommandLine, WordsOfAnSvgAreTextWhereThatIsAskedFor) {
  const QTemporaryDir folder;
  const QString outlines = folder.filePath("outlines.svg"), letters = folder.filePath("letters.svg");
  const auto file = [](const QString& path) {
    QFile f(path);
    EXPECT_TRUE(f.open(QIODevice::ReadOnly));
    return f.readAll();
  };
  EXPECT_EQ(widecut({"deliver", DEMO_PROJECT, "--sheet", "1", "-o", outlines}).code, 0);
  const Ran ran = widecut({"deliver", DEMO_PROJECT, "--sheet", "1", "--letters", "-o", letters});
  EXPECT_EQ(ran.code, 0);
  EXPECT_TRUE(ran.err.contains("note: its text needs the fonts")) << ran.err.toStdString();
  EXPECT_FALSE(file(outlines).contains("<text"));
  EXPECT_TRUE(file(letters).contains("League Spartan"));
}

TEST(CommandLine, FontsThatOnlySomeLettersAreInAreListedToo) {
  Sample s;
  Words::Content content;
  content.text = "one two";
  content.looks.letters = {{0, 3, nullptr, {{TextAspect::Family, std::string("No Such Family")}}}};
  Item item = plainItem(s.project.nextId, "words", {}, {});
  item.form = wordsForm(std::move(content));
  s.project = withItemsOnTop(s.project, s.sheet, {item});
  const QTemporaryDir folder;
  const QString path = folder.filePath("a.widecut");
  ASSERT_TRUE(saveProject(s.project, "", path.toStdString()));
  const Ran ran = widecut({"info", path, "--json"});
  const auto info = nlohmann::json::parse(ran.out.toStdString());
  ASSERT_EQ(info.at("fonts").size(), 2U);
  EXPECT_EQ(info.at("fonts")[0].at("family"), "Cabin");
  EXPECT_EQ(info.at("fonts")[0].at("missing"), false);
  EXPECT_EQ(info.at("fonts")[1].at("family"), "No Such Family");
  EXPECT_EQ(info.at("fonts")[1].at("missing"), true);
}

}  // namespace
}  // namespace widecut

// Projects that refer to files instead of keeping them.
#include <gtest/gtest.h>

#include <QDir>
#include <QFile>
#include <QTemporaryDir>

#include "media/video.h"
#include "output/deliver.h"
#include "project/edits/media.h"
#include "project/lookup.h"
#include "project/resolve.h"
#include "sample.h"
#include "storage/journal_state.h"
#include "storage/project_file.h"
#include "test_photos.h"
#include "test_videos.h"

namespace widecut {
namespace {

/// A box with a photo that lies in a folder beside the project's file, a disc with a video that lies elsewhere.
struct Referred : testing::Test, Sample {
  QTemporaryDir folder, elsewhere;
  MediumPtr photo, poster;

  std::string inFolder(const char* name) const { return folder.filePath(name).toStdString(); }
  static void write(const std::string& path, const std::string& bytes) {
    QDir().mkpath(QFileInfo(QString::fromStdString(path)).path());
    QFile file(QString::fromStdString(path));
    ASSERT_TRUE(file.open(QIODevice::WriteOnly));
    file.write(bytes.data(), static_cast<qint64>(bytes.size()));
  }
  void SetUp() override {
    const std::string photoPath = inFolder("photos/tones.png");
    const std::string videoPath = elsewhere.filePath("numbers.webm").toStdString();
    write(photoPath, encoded(tones(40, 30), "PNG"));
    write(videoPath, encodedVideo());
    photo = *pictureFromFile(photoPath);
    poster = *pictureFromFile(videoPath);
    project = withPhotoIn(withPhotoIn(project, box, photo), disc, poster);
    project = withMediumChanged(project, photo->hash, [&](Medium& m) { m.path = photoPath; });
    project = withMediumChanged(project, poster->video->file.hash, [&](Medium& m) { m.path = videoPath; });
  }
  Project saved() {
    EXPECT_TRUE(saveProject(project, {}, inFolder("work.widecut")));
    auto read = openProject(inFolder("work.widecut"));
    EXPECT_TRUE(read) << (read ? "" : read.error().message);
    return read ? *read : Project{};
  }
};

TEST_F(Referred, TheFileHoldsNoBytesOfThemAndOpensEqual) {
  const Project read = saved();
  EXPECT_TRUE(isSame(read, project));
  EXPECT_TRUE(missingMedia(read).empty());
  const qint64 size = QFileInfo(folder.filePath("work.widecut")).size();
  EXPECT_LT(size, static_cast<qint64>(poster->bytes->size()) + 6000) << "its poster alone is kept";
  EXPECT_EQ(*shownPhoto(*findItem(read, disc))->medium->video->file.bytes, *poster->video->file.bytes);
}

TEST_F(Referred, TheFolderCanBeMovedAsAWhole) {
  (void)saved();
  const QString moved = folder.filePath("moved");
  ASSERT_TRUE(QDir().mkpath(moved));
  ASSERT_TRUE(QFile::rename(folder.filePath("work.widecut"), moved + "/work.widecut"));
  ASSERT_TRUE(QDir().rename(folder.filePath("photos"), moved + "/photos"));
  const auto read = openProject((moved + "/work.widecut").toStdString());
  ASSERT_TRUE(read);
  EXPECT_TRUE(missingMedia(*read).empty());
  EXPECT_EQ(shownPhoto(*findItem(*read, box))->medium->path, (moved + "/photos/tones.png").toStdString());
}

TEST_F(Referred, WhatIsGoneOrAnotherFileLeavesItsFrameAndItsPlace) {
  (void)saved();
  ASSERT_TRUE(QFile::remove(folder.filePath("photos/tones.png")));
  write(elsewhere.filePath("numbers.webm").toStdString(), "another file by now");
  const auto read = openProject(inFolder("work.widecut"));
  ASSERT_TRUE(read) << read.error().message;
  EXPECT_EQ(missingMedia(*read).size(), 2U);
  EXPECT_EQ(shownPhoto(*findItem(*read, box))->pixelsToFrame, shownPhoto(*findItem(project, box))->pixelsToFrame);
  // A stand-in in the photo's place, and a word about it.
  PhotoStore store;
  const QString out = folder.filePath("sheet.png");
  const auto done = deliver(*read, {sheet, 0, DeliveryFormat::Png, 72, Ground::Paper, true}, store, out.toStdString());
  ASSERT_TRUE(done) << done.error().message;
  ASSERT_FALSE(done->empty());
  EXPECT_NE(done->front().find("tones.png"), std::string::npos) << done->front();
  const QColor grey = QImage(out).pixelColor(30, 10);
  EXPECT_LT(grey.saturation(), 60) << grey.name().toStdString();
  // Saved again, nothing is lost: where the file comes back it shows again.
  ASSERT_TRUE(saveProject(*read, {}, inFolder("work.widecut")));
  write(inFolder("photos/tones.png"), encoded(tones(40, 30), "PNG"));
  const auto again = openProject(inFolder("work.widecut"));
  ASSERT_TRUE(again);
  EXPECT_EQ(missingMedia(*again).size(), 1U);
}

TEST_F(Referred, JournalsKeepTheirBytesAndDoWithoutThoseThatAreGone) {
  JournalState state(folder.filePath("journal").toStdString());
  ASSERT_TRUE(QDir().mkpath(folder.filePath("journal")));
  ASSERT_TRUE(state.keep(project));
  ASSERT_TRUE(QFile::remove(folder.filePath("photos/tones.png")));
  const auto kept = keptProject(folder.filePath("journal").toStdString());
  ASSERT_TRUE(kept) << kept.error().message;
  EXPECT_TRUE(missingMedia(*kept).empty());
  project = withMediumChanged(project, photo->hash, [](Medium& m) { m.bytes = nullptr; });
  QTemporaryDir other;
  JournalState second(other.path().toStdString());
  ASSERT_TRUE(second.keep(project));
  const auto without = keptProject(other.path().toStdString());
  ASSERT_TRUE(without) << without.error().message;
  EXPECT_EQ(missingMedia(*without).size(), 1U);
}

TEST_F(Referred, KeptAgainItIsInTheFile) {
  project = withMediumChanged(project, photo->hash, [](Medium& m) { m.path.clear(); });
  const Project read = saved();
  ASSERT_TRUE(QFile::remove(folder.filePath("photos/tones.png")));
  const auto again = openProject(inFolder("work.widecut"));
  ASSERT_TRUE(again);
  EXPECT_TRUE(missingMedia(*again).empty());
  EXPECT_EQ(*shownPhoto(*findItem(*again, box))->medium->bytes, *photo->bytes);
}

}  // namespace
}  // namespace widecut

#include "app/window/errands.h"

#include <QApplication>
#include <QDir>
#include <QFileDialog>
#include <QFileInfo>
#include <QMessageBox>
#include <QPushButton>

#include "app/desk/bring_in.h"
#include "app/desk/bring_text.h"
#include "app/widgets/picture_dialog.h"
#include "app/window/deliver_dialog.h"
#include "app/window/fonts_dialog.h"
#include "app/window/last_delivery.h"
#include "app/window/recent_files.h"
#include "app/window/story_window.h"
#include "media/video.h"
#include "project/edits/families.h"
#include "project/edits/media.h"
#include "project/edits/words_following.h"
#include "project/limits.h"
#include "storage/project_file.h"

namespace widecut {
namespace {

const char* const projectFilter = "Wide Cut projects (*.widecut)";

enum class Answer : unsigned char { First, Second, Stay };

/// Asks for one of two ways on, or to go on working; the first is the usual one.
Answer ask(QWidget& over, const char* name, const QString& title, const QString& text, const QString& first,
           const QString& second) {
  QMessageBox box(QMessageBox::NoIcon, title, text, QMessageBox::NoButton, &over);
  box.setObjectName(name);
  auto* usual = box.addButton(first, QMessageBox::AcceptRole);
  auto* other = box.addButton(second, QMessageBox::DestructiveRole);
  auto* stay = box.addButton(Errands::tr("Go on working"), QMessageBox::RejectRole);
  box.setDefaultButton(usual);
  box.setEscapeButton(stay);
  box.exec();
  return box.clickedButton() == usual ? Answer::First : box.clickedButton() == other ? Answer::Second : Answer::Stay;
}

QString withEnding(const QString& path, const QString& ending) {
  return QFileInfo(path).suffix().isEmpty() ? path + "." + ending : path;
}

}  // namespace

Errands::Errands(Desk& desk, QWidget& window) : desk_(desk), window_(window), background_(desk.background()) {}

void Errands::complain(const QString& message) {
  QMessageBox box(QMessageBox::NoIcon, tr("Wide Cut"), message, QMessageBox::Ok, &window_);
  box.setObjectName("complaint");
  box.exec();
}

void Errands::openFile(const QString& path, As as) {
  auto first = openFirstSheet(path.toStdString());
  if (!first) {
    complain(QString::fromStdString(first.error().message));
    return;
  }
  desk_.beginOpening(std::move(*first));
  emit opened();
  background_.start(tr("Opening %1").arg(QFileInfo(path).fileName()),
                    [this, path, as](const Progress& progress) -> Then {
                      // Shared, since what is to be done with it is copied on the way.
                      const auto read = std::make_shared<Result<Project>>(openProject(path.toStdString(), progress));
                      return [this, path, as, read, progress] {
                        if (*read)
                          endOpening(std::move(**read), path, as);
                        else
                          giveUpOpening(progress.isCancelled() ? std::nullopt : std::optional(read->error()));
                      };
                    });
}

void Errands::endOpening(Project project, const QString& path, As as) {
  desk_.open(std::move(project), path);
  if (as == As::Itself) recent::add(path);
  if (as == As::Copy) desk_.detach();
  QStringList said;
  QStringList names;
  for (const MediumPtr& medium : missingMedia(desk_.settled())) names.append(QString::fromStdString(medium->name));
  if (!names.isEmpty()) said.append(tr("Missing: %1 · Ctrl+Shift+M finds what was moved").arg(names.join(", ")));
  if (const std::string fonts = missingFamilies(desk_.settled()); !fonts.empty())
    said.append(tr("Missing fonts: %1 · Cabin stands in; “Fonts of the project” puts another one there")
                    .arg(QString::fromStdString(fonts)));
  if (!said.isEmpty()) emit desk_.told(said.join(" · "));
}

void Errands::giveUpOpening(const std::optional<Problem>& why) {
  desk_.giveUpOpening();
  if (why)
    complain(QString::fromStdString(why->message));
  else
    emit desk_.told(tr("Not opened: stopped"));
}

void Errands::whenMayBeLeft(const Then& then) {
  if (desk_.isOpening()) {
    background_.whenIdle([this, then] { whenMayBeLeft(then); });
    return;
  }
  if (isSaving_) {
    // Whether anything is left to be saved shows when it ends.
    afterSaving_.emplace_back([this, then] { whenMayBeLeft(then); });
    return;
  }
  if (desk_.isSaved()) {
    then();
    return;
  }
  const Answer answer = ask(window_, "unsavedChanges", tr("Unsaved changes"),
                            tr("There are unsaved changes in “%1”.").arg(QString::fromStdString(desk_.settled().name)),
                            tr("Save"), tr("Close without saving"));
  if (answer == Answer::First) save(then);
  if (answer == Answer::Second) then();
}

void Errands::startNew() {
  whenMayBeLeft([this] { emit startWanted(false); });
}

void Errands::begin(const PieceMaker& make) {
  desk_.startNew(newProject(make));
  emit opened();
}

void Errands::askForProject() {
  whenMayBeLeft([this] {
    const QString path = QFileDialog::getOpenFileName(&window_, tr("Open a project"),
                                                      QFileInfo(desk_.path()).absolutePath(), projectFilter);
    if (!path.isEmpty()) openFile(path);
  });
}

void Errands::save(const Then& then) {
  if (isSaving_) {
    // What is being written may be older than what is to be saved now.
    afterSaving_.emplace_back([this, then] {
      if (!desk_.isSaved())
        save(then);
      else if (then)
        then();
    });
    return;
  }
  if (desk_.path().isEmpty() || desk_.isOpenElsewhere())
    saveAs(then);
  else if (desk_.isChangedElsewhere())
    askToReplaceChanged(then);
  else
    saveTo(desk_.path(), false, then);
}

void Errands::askToReplaceChanged(const Then& then) {
  const Answer answer =
      ask(window_, "changedMeanwhile", tr("Changed meanwhile"),
          tr("“%1” was changed by somebody else since it was opened here.\nSaving would replace those changes.")
              .arg(QFileInfo(desk_.path()).fileName()),
          tr("Save under another name"), tr("Replace their changes"));
  if (answer == Answer::First) saveAs(then);
  if (answer == Answer::Second) saveTo(desk_.path(), true, then);
}

void Errands::saveAs(const Then& then) {
  if (isSaving_) {
    afterSaving_.emplace_back([this, then] { saveAs(then); });
    return;
  }
  const QString path = QFileDialog::getSaveFileName(&window_, tr("Save the project as"), desk_.path(), projectFilter);
  // The dialog has asked whether to replace it.
  if (!path.isEmpty()) saveTo(withEnding(path, "widecut"), true, then);
}

void Errands::saveTo(const QString& path, bool replaceChanged, const Then& then) {
  auto saving = desk_.beginSaving(path, replaceChanged);
  if (!saving) {
    complain(QString::fromStdString(saving.error().message));
    return;
  }
  isSaving_ = true;
  background_.start(tr("Saving %1").arg(QFileInfo(path).fileName()),
                    [this, saving = std::move(*saving), then](const Progress& progress) -> Then {
                      const auto written = saving.write(desk_.photos(), progress);
                      return [this, saving, then, written, progress] {
                        isSaving_ = false;
                        if (written) {
                          desk_.endSaving(saving, *written);
                          recent::add(saving.path);
                        }
                        if (!written && progress.isCancelled())
                          emit desk_.told(tr("Not saved: stopped. The file is as it was."));
                        else if (!written)
                          complain(QString::fromStdString(written.error().message));
                        const auto after = std::exchange(afterSaving_, {});
                        if (written && then) then();
                        for (const Then& one : after) one();
                      };
                    });
}

void Errands::placePhoto(const QString& path, std::optional<Point> at, const QString& credit) {
  if (path.isEmpty()) return;
  const bool isText = textKindOf(path.toStdString()).has_value();
  if (isText || path.endsWith(".svg", Qt::CaseInsensitive)) {
    const Otherwise otherwise = [this](const Problem& why) { complain(QString::fromStdString(why.message)); };
    isText ? layTextFile(desk_, path, at, otherwise) : layShapesFile(desk_, path, at, otherwise);
    return;
  }
  // A large photo takes its time to be read and looked at; the window does not stand still.
  const QString name = tr("Bringing in “%1”").arg(QFileInfo(path).fileName());
  background_.start(
      name, [this, path, credit, place = desk_.photoPlace(at)](const Progress& progress) -> std::function<void()> {
        auto photo = pictureFromFile(path.toStdString(), {.progress = progress});
        if (photo && !credit.isEmpty()) {
          auto credited = std::make_shared<Medium>(**photo);
          credited->credit = shortened(credit.toStdString());
          photo = std::move(credited);
        }
        if (progress.isCancelled()) return [] {};
        return [this, path, place, photo = std::move(photo)] {
          if (photo) {
            const Medium& medium = **photo;
            desk_.origins[medium.video ? medium.video->file.hash : medium.hash] = path;
            desk_.placePhoto(*photo, place);
          } else {
            complain(QString::fromStdString(photo.error().message));
          }
        };
      });
}

void Errands::askForPhoto() {
  QString texts;
  for (const std::string& ending : textEndings()) texts += " " + QString::fromStdString(ending);
  placePhoto(choosePictureFile(&window_, tr("Bring in a photo, a video, shapes or a text"),
                               tr("Pictures, videos, shapes and texts (%1 *.svg%2)").arg(pictureEndings(), texts)),
             {});
}

void Errands::deliverSomething() {
  DeliverDialog dialog(desk_, &window_);
  if (dialog.exec() != QDialog::Accepted) return;
  const QString ending = dialog.ending();
  const QString chosen =
      QFileDialog::getSaveFileName(&window_, tr("Deliver to"), freshFile(desk_, lastFolder(desk_), ending),
                                   QString("%1 (*.%2)").arg(ending.toUpper(), ending));
  if (chosen.isEmpty()) return;
  dialog.keep();
  deliverTo(withEnding(chosen, ending), dialog.delivery());
}

void Errands::showStory(Id words) {
  desk_.settleAll();
  const Id head = framesOfStory(desk_.settled(), words).front();
  StoryWindow* story = nullptr;
  for (auto* open : window_.findChildren<StoryWindow*>())
    if (open->words() == head && open->isVisible()) story = open;
  if (!story) story = new StoryWindow(desk_, head, &window_);
  story->show();
  story->activateWindow();
}

void Errands::showFonts() {
  desk_.settleAll();
  auto* fonts = new FontsDialog(desk_, &window_);
  fonts->show();
  fonts->activateWindow();
}

void Errands::deliverAgain() {
  const QString folder = lastFolder(desk_);
  if (folder.isEmpty() || !hasDelivered()) {
    deliverSomething();
    return;
  }
  const LastDelivery how = lastDelivery(desk_);
  deliverTo(freshFile(desk_, folder, how.ending), deliveryNow(desk_, how));
}

void Errands::deliverTo(const QString& path, const Delivery& delivery) {
  keepFolder(desk_, path);
  const QString name = QFileInfo(path).fileName();
  background_.start(
      tr("Delivering %1").arg(name),
      [this, path, name, delivery, project = desk_.history().current()](const Progress& progress) -> Then {
        const auto done = deliver(*project, delivery, desk_.photos(), path.toStdString(), progress);
        return [this, path, name, done, progress] {
          if (!done && progress.isCancelled()) {
            emit desk_.told(tr("%1 is not delivered: stopped").arg(name));
            return;
          }
          if (!done) {
            complain(QString::fromStdString(done.error().message));
            return;
          }
          QString said = tr("Delivered %1").arg(QDir::toNativeSeparators(path));
          for (const std::string& note : *done) said += " · " + QString::fromStdString(note);
          emit desk_.told(said);
        };
      });
}

}  // namespace widecut

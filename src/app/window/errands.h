// What goes out of the window and comes into it: files opened, saved, brought in and delivered, with what is asked and
// said about them.
#pragma once

#include <QObject>
#include <functional>
#include <optional>

#include "app/desk/background.h"
#include "app/desk/desk.h"
#include "output/deliver.h"
#include "project/formats.h"

namespace widecut {

class Errands : public QObject {
  Q_OBJECT
 public:
  using Then = std::function<void()>;

  /// Dialogs open over `window`.
  Errands(Desk& desk, QWidget& window);
  /// What runs in the background is stopped.
  ~Errands() override { background_.stopAll(); }

  /// Goes on once what is open may be left: at once when it is saved; else the person is asked, and it is saved first,
  /// or given up, or nothing happens.
  void whenMayBeLeft(const Then& then);
  /// Asks for the start view, once what is open may be left.
  void startNew();
  /// The same for another piece of the project that is open.
  void addPiece() { emit startWanted(true); }
  /// A new project of one piece.
  void begin(const PieceMaker& make);
  void askForProject();
  enum class As : unsigned char { Itself, Copy };
  /// Opens a project file in the background, its first sheet at once; on a problem says so and leaves what is open
  /// alone. Saving a copy will ask for a name.
  void openFile(const QString& path, As as = As::Itself);
  /// Saves in the background, asks for a name where one is needed, and then goes on.
  void save(const Then& then = {});
  void saveAs(const Then& then = {});
  void askForPhoto();
  /// `credit` is kept with a photo: whose it is, and on what terms.
  void placePhoto(const QString& path, std::optional<Point> at, const QString& credit = {});
  /// The story that these words show a part of, in a window of its own.
  void showStory(Id words);
  /// The fonts of the project.
  void showFonts();
  void deliverSomething();
  /// The selected item, or the sheet, the way it was done last and into that folder, under a name of its own. The first
  /// time it asks.
  void deliverAgain();
  void complain(const QString& message);
  Background& background() { return background_; }
  const Background& background() const { return background_; }

 signals:
  /// Another project is open.
  void opened();
  /// A format is to be chosen.
  void startWanted(bool anotherPiece);
  void keySheetWanted();
  void preferencesWanted();

 private:
  void endOpening(Project project, const QString& path, As as);
  /// `why` is nothing when it was stopped.
  void giveUpOpening(const std::optional<Problem>& why);
  void deliverTo(const QString& path, const Delivery& delivery);
  void saveTo(const QString& path, bool replaceChanged, const Then& then);
  void askToReplaceChanged(const Then& then);

  Desk& desk_;
  QWidget& window_;
  bool isSaving_ = false;
  std::vector<Then> afterSaving_;
  Background& background_;
};

}  // namespace widecut

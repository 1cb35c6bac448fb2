// What is open and being worked on: the project with its history, the sheet, the selection, the tool.
#pragma once

#include <QObject>
#include <QString>
#include <QTimer>
#include <functional>
#include <map>

#include "app/desk/again.h"
#include "app/desk/background.h"
#include "app/desk/mat_view.h"
#include "app/desk/next_shapes.h"
#include "app/desk/pen.h"
#include "app/desk/pivot.h"
#include "app/desk/subject_watch.h"
#include "app/tools/tool_kind.h"
#include "cutting/offset.h"
#include "geometry/measure.h"
#include "geometry/progress.h"
#include "media/photo.h"
#include "project/edits/cutouts.h"
#include "project/edits/reshaping.h"
#include "project/history.h"
#include "project/lookup.h"
#include "project/paint_numbers.h"
#include "storage/recovery.h"
#include "words/text_style.h"

namespace widecut {

class Playback;
class Trial;

/// A save on its way: what is to be in which file. Copies are the same save.
struct Saving {
  ProjectPtr state;
  QString path;
  std::shared_ptr<FileClaim> claim;  ///< A new one on the file; null when it is held already, or none are made.

  /// Writes the file, all or nothing, on any thread. The result is the file's stamp.
  Result<std::string> write(PhotoStore& photos, const Progress& progress) const;
};

/// Pages of the bench that are asked for: the selection's effects and what follows it; its photos' light and colours,
/// and what stands before their grounds, and how its videos play; of the whole project, its colours and finishes, and
/// its photos; and photos to bring in.
enum class Aside : unsigned char { None, Finish, Adjusting, Ground, Playing, Colours, Photos, Stock };
/// Whether it shows without a selection: from the colours on.
inline bool isOfProject(Aside page) { return page >= Aside::Colours; }

/// A look that was taken up to be laid on other items, and how its corners are treated.
struct FinishTaken {
  Style look;
  std::optional<Corner> corner;
};

/// Where a photo is to be put.
struct PhotoPlace {
  Id item = 0;  ///< Into this one; 0 for an item of its own.
  Id sheet = 0;
  std::optional<Point> at;      ///< Its middle on the sheet; that of the sheet where nothing is said.
  std::vector<Id> behind = {};  ///< As one behind all of these, of which `item` is one; empty for that one alone.
};

/// An empty project with one A4 sheet.
Project emptyProject();

/// The state that every part of the window shows and changes. Everything here is for the window's thread.
class Desk : public QObject {
  Q_OBJECT
 public:
  explicit Desk(QObject* parent = nullptr);
  ~Desk() override;

  /// The project as shown: with the change that is being tried, if there is one.
  const Project& project() const { return preview_ ? *preview_ : settled(); }
  /// The project without the change that is being tried.
  const Project& settled() const { return opening_ ? *opening_ : *history_.current(); }
  SheetPtr sheet() const;
  const std::vector<Id>& selection() const { return selection_; }
  /// The only selected item; null when none or several are.
  ItemPtr onlyItem() const;
  /// The cutout whose recipe shows: the only selected item, or the cutout that it is a part of; null otherwise.
  ItemPtr openCutout() const;
  /// What all selected items are directly inside of; null when they lie on the sheet itself.
  ItemPtr parentOfSelection() const;
  /// The item whose inside lies open: the only selected cutout, or else parentOfSelection().
  ItemPtr openWhole() const;
  ToolKind tool() const { return tool_; }
  PhotoStore& photos() { return photos_; }
  /// Which frames of the open sheet cut subjects.
  SubjectWatch& subjects() const { return *subjects_; }
  /// What plays the videos of the open sheet.
  Playback& playback() const { return *playback_; }
  MatView view() const { return view_; }
  /// The view, or the usual one when it is this already.
  void toggleView(MatView view);
  const Pivot& pivot() const { return pivot_; }
  void setPivot(const Pivot& pivot);
  /// Of rulers and fields: that of the piece whose sheet is open.
  Unit unit() const;
  /// Of widths of lines and sizes of letters: points, or pixels where the piece is in these.
  Unit fineUnit() const { return unit() == Unit::Pixel ? Unit::Pixel : Unit::Point; }
  /// A length in that unit, as short as it is of use at the pointer.
  QString lengthText(double points) const;
  const History& history() const { return history_; }

  bool isTrying() const { return preview_.has_value(); }
  /// Whether what is being tried is only pointed at: the sheet shows it, and panels stay as they are.
  bool isPointing() const { return preview_ && isPointing_; }
  /// Makes a change: one undo step. Nothing is added when the project is as it was. A change beyond the limits is not
  /// made: the person is told why, and the result is false.
  bool commit(const QString& name, Project changed);

  void undo();
  void redo();
  /// The change that was just made, as it can be made again.
  void noteAgain(Again again);
  const std::optional<Again>& again() const { return again_; }
  /// Makes it once more: of the selection, or of a copy of it, which is selected then.
  void doAgain(bool onCopy);

  /// The selection was duplicated: the first one of it, and of its copies.
  void noteDuplicated(Id original, Id copy) { duplicated_ = {original, copy}; }
  /// How far the selection lies from what it was duplicated from; nothing when it is something else.
  std::optional<Point> spacingOfCopies() const;

  /// Before a command acts: whoever tries a change that the person has finished, or is still typing, makes it now.
  void settleAll() { emit settleWanted(); }

  /// Selects what there is of these.
  void select(std::vector<Id> items);
  /// The nodes that the node tool works on; those that are gone leave by themselves.
  const NodesOfItems& chosenNodes() const { return chosenNodes_; }
  void chooseNodes(NodesOfItems nodes);
  void goToSheet(Id sheet);
  /// The sheets that are chosen in the sheets panel, in their order; the open one is among them.
  std::vector<Id> chosenSheets() const;
  void chooseSheets(std::vector<Id> sheets) { chosenSheets_ = std::move(sheets); }
  /// To the sheet so many further on; stays where there is none.
  void stepSheet(int by);
  /// Moves items to another sheet, or copies them there.
  void putOnSheet(const std::vector<Id>& items, Id sheet, bool copies);
  void setTool(ToolKind tool);
  /// What the drawing tool in hand lays down next; null for other tools, and until a kind is chosen.
  const StarterKind* nextKind() const { return nextShapes_.kindFor(tool_); }
  std::vector<double> nextNumbers() const { return nextShapes_.numbersOf(tool_, *nextKind()); }
  void setNextNumbers(std::vector<double> numbers);
  /// Null lets the starter tool offer all kinds again.
  void setNextKind(const StarterKind* kind);
  /// The same with its numbers.
  void setNext(const StarterKind& kind, std::vector<double> numbers);
  /// Offers all kinds, and wants a name typed.
  void findShape();
  /// Shows the numbers of the selected starter, although it is a part of a recipe; or the recipe again.
  void toggleNumbers();
  bool showsNumbers() const { return showsNumbers_; }
  /// Whether the bench shows how several selected items can lie, instead of what they can become.
  bool showsArranging() const { return showsArranging_; }
  void toggleArranging();
  /// The fill or line whose numbers the bench shows; nothing when none is chosen, or it is gone.
  std::optional<PaintPlace> chosenPaint() const;
  void choosePaint(std::optional<PaintPlace> place);
  /// The chosen stop of its gradient.
  std::size_t chosenStop() const { return chosenStop_; }
  void chooseStop(std::size_t stop);
  /// Whether the bench shows that page instead of what the selection is.
  bool shows(Aside page) const { return aside_ == page && (isOfProject(page) || !selection_.empty()); }
  void toggle(Aside page);
  void show(Aside page) {
    if (!shows(page)) toggle(page);
  }
  /// The bench shows what the selection is again. False where it did.
  bool leavePaint();
  /// The copy of the selected repeat that was chosen, to look otherwise than the others; −1 for none.
  int chosenCopy() const { return chosenCopy_; }
  void chooseCopy(int copy);
  /// A starter of this kind was laid.
  void noteUse(const StarterKind& kind) { nextShapes_.noteUse(kind); }
  const std::vector<const StarterKind*>& recentKinds() const { return nextShapes_.recent(); }
  /// Of the next words: like the last ones, or as large as suits the sheet.
  TextStyle textStyleForNew() const;
  void setTextStyleForNew(const TextStyle& style);
  /// What the next shape does to the selected item: nothing when it stays apart.
  std::optional<Role> joinForNew() const { return canJoin() ? joinForNew_ : std::nullopt; }
  void setJoinForNew(std::optional<Role> role);
  /// Takes up the words tool and puts the caret into these words: at a place of the sheet, or behind the last letter.
  void typeOn(Id words, std::optional<Point> at = std::nullopt);
  /// Takes up the words tool and puts the caret into new words in the selected item, or along it where it is open.
  void writeIn();
  /// The words that the caret is in; 0 for none.
  Id typedOn() const { return typedOn_; }
  /// With the letters that are selected there, from one byte of the text to another.
  void setTypedOn(Id words, std::size_t from = 0, std::size_t to = 0);
  /// Those of the words that are typed on.
  std::pair<std::size_t, std::size_t> typedStretch() const { return typedStretch_; }
  /// True when a shape is about to be drawn, and there is one item that it could be joined to.
  bool canJoin() const;

  /// Makes a cutout of the selection, or, right after another outcome was made, that one in its stead.
  void makeOutcome(Outcome outcome);
  /// Divides the selection, or, right after an outcome was made, what that was made of.
  void makeDivision();
  /// The items that an outcome would be made of: the selection, or what the last outcome was made of.
  std::vector<Id> outcomeItems() const;
  /// Whose look and photo the next outcomes keep; an id of 0 leaves it to usualLook.
  LookChoice lookFor(std::span<const Id> items, Outcome outcome) const;
  /// For pieces: without a choice each keeps the look of the frontmost item that covers it.
  LookChoice lookForPieces(std::span<const Id> items) const;
  void chooseLook(Id item);
  void choosePhoto(std::optional<Id> item);

  // Files.
  QString path() const { return path_; }
  bool isSaved() const { return history_.isSaved(); }
  void startNew() { startNew(emptyProject()); }
  void startNew(Project project);
  Result<void> open(const QString& path);
  /// The same in steps: what can be seen of it already shows, and can be looked at, but not be changed, until it is
  /// open, or given up; then what was open before stands again.
  void beginOpening(Project first);
  void open(Project project, const QString& path);
  void giveUpOpening();
  bool isOpening() const { return opening_.has_value(); }
  /// The same, but saving will ask for a name: the file itself stays as it is.
  Result<void> openCopy(const QString& path);
  /// What is open is a copy from now on.
  void detach();
  /// Refuses a file that another window has open, and, unless `replaceChanged`, one that was changed since it was
  /// opened.
  Result<void> save(const QString& path, bool replaceChanged = false);
  /// The same in three steps, of which the second, Saving::write, may take its time on another thread.
  Result<Saving> beginSaving(const QString& path, bool replaceChanged = false);
  void endSaving(const Saving& saving, const std::string& stamp);
  /// True when somebody else has written the file since it was opened or saved here.
  bool isChangedElsewhere() const;
  /// True when another window has the file open, and had it first.
  bool isOpenElsewhere() const { return !path_.isEmpty() && !claim_ && !claims_.empty(); }
  /// Takes up work that another program left behind: it is not saved, and `path` is where saving will put it.
  void takeUp(Project project, const QString& path);
  /// Where claims on files are noted; without it none are made.
  void setClaims(const std::string& folder) { claims_ = folder; }
  /// Where a photo that is asked for now goes: into the only selected outline or, when none or several are selected, on
  /// the sheet.
  PhotoPlace photoPlace(std::optional<Point> at) const;
  /// What takes long.
  Background& background() { return background_; }
  /// Puts it there; on the open sheet where that is gone.
  void placePhoto(const MediumPtr& photo, const PhotoPlace& place);

  Style styleForNew;
  std::optional<FinishTaken> finishTaken;
  std::map<std::string, QString> origins;  ///< Where media were brought in from since the program began, by hashes.
  std::vector<Colour> recentColours;       ///< Chosen last, newest first.
  Pen pen;
  double knifeGap = 2 * pointsPerMillimetre;  ///< Points, ≥ 0.
  /// What the offset tool is about to do.
  double offsetDistance = 3 * pointsPerMillimetre;
  Join offsetJoin = Join::Mitre;
  LineShape lineShape;

 signals:
  void projectChanged();
  void selectionChanged();
  void nodesChosen();
  void againNoted();
  void copyChosen();
  /// Another fill, line or stop was chosen, or the finish is to show, or no more.
  void paintChosen();
  void sheetChanged();
  /// A project was begun, opened or taken up: there is something to see.
  void begun();
  void toolChanged();
  void viewChanged();
  void pivotChanged();
  /// The selection is to be flipped: left to right, or top to bottom.
  void flipWanted(bool alongX);
  void typingWanted(Id words, std::optional<Point> at);
  void writingWanted(Id item);
  /// What the tool in hand is about to draw or do was set otherwise.
  void toolSet();
  /// Other letters are selected in the words that are typed on, or the caret went elsewhere.
  void typedStretchChanged();
  void photosReady();
  /// Another project is open, or its file or saved state changed.
  void fileChanged();
  /// Something the person should read in the hint line; nothing any more where it is empty.
  void told(const QString& message);
  /// Why a change is not made; it is told as well.
  void refused(const QString& why);

  /// A shape is to be found by its name, where names are typed.
  void findWanted();
  /// See settleAll.
  void settleWanted();
  /// The next place that is pressed on the mat says a colour.
  void colourPickWanted(const std::function<void(widecut::Colour)>& take);
  /// The selected item is to get another name, where names are shown.
  void renameWanted();
  void renameSheetWanted(Id sheetOrPiece);

 private:
  friend class Trial;
  bool admits(const Project& changed);
  void dropPreview();
  void reset(ProjectPtr project, const QString& path);
  void showFirstSheet();
  void dropMissing();
  /// For undo: what was selected when a step was made.
  void noteSelection();
  /// After a step through the history.
  void goneThrough();
  /// The items to make an outcome of; takes the last outcome back when it can still be replaced.
  std::optional<std::vector<Id>> takeOutcomeItems();
  /// The last outcome stands again when the one in its stead was refused.
  void putOutcomeBack(const std::vector<Id>& items);
  void remember(std::vector<Id> items, std::vector<Id> made);

  void claim(const QString& path);

  std::string claims_;
  std::shared_ptr<FileClaim> claim_;
  std::string stamp_;  ///< Of the file as it was opened or saved.
  History history_;
  std::optional<Project> preview_;
  std::optional<Project> opening_;  ///< What shows of a file while the rest of it is read.
  const Trial* trying_ = nullptr;   ///< Whose change the preview is.
  bool isPointing_ = false;
  std::optional<Again> again_;
  /// What was noted at a state of the history: undo brings it back with the state.
  template <class What>
  struct Noted {
    std::weak_ptr<const Project> state;
    What what;
  };
  std::pair<Id, Id> duplicated_{};
  std::vector<Noted<Again>> agains_;
  std::vector<Noted<std::vector<Id>>> selections_;
  std::vector<Id> selection_;
  NodesOfItems chosenNodes_;
  Id sheet_ = 0;
  std::vector<Id> chosenSheets_;
  ToolKind tool_ = ToolKind::Select;
  MatView view_ = MatView::Usual;
  Pivot pivot_;
  QString path_;
  QTimer readySoon_;
  PhotoStore photos_;
  SubjectWatch* subjects_ = nullptr;
  NextShapes nextShapes_;
  std::optional<Role> joinForNew_;
  Id typedOn_ = 0;
  std::pair<std::size_t, std::size_t> typedStretch_{};
  bool showsNumbers_ = false;
  bool showsArranging_ = false;
  int chosenCopy_ = -1;
  std::optional<PaintPlace> chosenPaint_;
  std::size_t chosenStop_ = 0;
  Aside aside_ = Aside::None;
  std::optional<TextStyle> textStyle_;
  Id chosenLook_ = 0;
  std::optional<Id> chosenPhoto_;

  /// The outcome just made, while it can still be replaced.
  struct LastOutcome {
    std::vector<Id> items, made;
    ProjectPtr state;
  };
  std::optional<LastOutcome> lastOutcome_;
  std::unique_ptr<Playback> playback_;  ///< Last, so that it ends first: it shows frames among the photos.
  Background background_;               ///< Last, so that it ends first.
};

}  // namespace widecut

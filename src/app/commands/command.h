// The commands of the window. Each is declared once, in the table of commands (command_table.cpp): menus, keys, the
// menu by the pointer and the buttons of the bench follow from it.
#pragma once

#include <QKeySequence>
#include <QList>
#include <QString>
#include <span>

class QWidget;

namespace widecut {

class Desk;
class Errands;
class Mat;

enum class CommandId : unsigned char {
  New,
  Open,
  Save,
  SaveAs,
  Deliver,
  DeliverAgain,
  Preferences,
  Quit,
  Undo,
  Redo,
  AgainOnce,
  AgainAsCopy,
  CutItems,
  CopyItems,
  Paste,
  PasteInPlace,
  PasteOnSheets,
  Duplicate,
  Rename,
  Delete,
  SelectAll,
  SelectNothing,
  InvertSelection,
  SelectNext,
  SelectPrevious,
  SameFill,
  SameLine,
  SameKind,
  SameSize,
  FindShape,
  StarterNumbers,
  KeepOnShelf,
  MeasureLine,
  NodeCorner,
  NodeSmooth,
  NodeEven,
  NodesInColumn,
  NodesInRow,
  OpenOrClose,
  PartAtNode,
  JoinEnds,
  ReversePath,
  StartHere,
  DropPath,
  MirrorEditing,
  Union,
  SubtractFront,
  SubtractBack,
  Intersect,
  Exclude,
  Divide,
  KeepOffcuts,
  SplitLoose,
  Bake,
  LiftParts,
  Offset,
  LineOutline,
  CutAlong,
  LevelAlong,
  TrimToSheet,
  TrimToBleed,
  BringInPhoto,
  Reframe,
  AdjustPhoto,
  MirrorPhoto,
  SharePhoto,
  PhotoBehindSheet,
  LeaveSharedPhoto,
  MarkSubject,
  SuggestSubjects,
  FitSubjects,
  BringOut,
  SetPlaying,
  PlaySheet,
  AddLevel,
  SwapPaint,
  ShowFinish,
  CopyFinish,
  LayFinish,
  FindColours,
  StockTray,
  ProjectPhotos,
  TypeOn,
  WordsLeft,
  WordsCentred,
  WordsRight,
  WordsJustified,
  WriteIn,
  FlowOn,
  FlowNoMore,
  LetWordsGo,
  FrameToWords,
  LettersToFrame,
  FillWithWords,
  WholeStory,
  ProjectFonts,
  Group,
  Ungroup,
  RepeatRow,
  RepeatGrid,
  RepeatRing,
  RepeatAlong,
  RepeatMirrored,
  FlipAcross,
  FlipUpright,
  QuarterRight,
  QuarterLeft,
  HalfTurn,
  ClearTurn,
  ArrangeItems,
  Neaten,
  FillSheet,
  GuidesAround,
  Lock,
  UnlockAll,
  Hide,
  ShowAll,
  Dim,
  ToFront,
  Forward,
  Backward,
  ToBack,
  NewSheet,
  DuplicateSheet,
  RenameSheet,
  DeleteSheet,
  NewPiece,
  RenamePiece,
  DeletePiece,
  NextSheet,
  PreviousSheet,
  FitSheet,
  FitSelection,
  TrueSize,
  ZoomIn,
  ZoomOut,
  PaperView,
  SeeThroughView,
  EdgesView,
  ShowGuides,
  ShowGrid,
  ShowGaps,
  DragsRest,
  FullScreen,
  KeySheet,
  About,
  count
};

enum class CommandMenu : unsigned char {
  Project,
  Edit,
  Draw,
  Nodes,
  Cut,
  Fill,
  Text,
  Arrange,
  Sheets,
  View,
  Help,
  count
};

/// What commands work on.
struct CommandSite {
  Desk& desk;
  Mat& mat;
  Errands& errands;
  QWidget& window;
};

struct Command {
  CommandId id = CommandId::count;
  CommandMenu menu = CommandMenu::count;
  bool lineBefore = false;
  bool byPointer = false;  ///< In the menu that a right click on the mat opens, when it applies.
  bool repeats = false;    ///< Again and again while its key is held.
  const char* name = "";   ///< Of its action and its buttons, for tests and tools of access.
  const char* words = "";  ///< As the menu has them.
  const char* keys = "";   ///< As QKeySequence::listFromString takes them; empty for none.
  void (*run)(const CommandSite& site) = nullptr;
  /// Null when it always applies.
  bool (*applies)(const Desk& desk) = nullptr;
  const char* hint = "";   ///< What it does, for a tip; empty when its words say it.
  const char* brief = "";  ///< The words of a button; empty when they are those of the menu.
  /// For what is on or off; null for what is done once.
  bool (*isOn)(const Desk& desk) = nullptr;
  /// What the words say now; null when they stay.
  QString (*wordsNow)(const Desk& desk) = nullptr;

  QString menuWords() const;
  /// With its key.
  QString buttonWords() const;
  QString tip() const;
  QList<QKeySequence> keyList() const;
};

/// Every command once, in the order of the menus.
std::span<const Command> commandTable();
const Command& command(CommandId id);
QString nameOf(CommandMenu menu);

}  // namespace widecut

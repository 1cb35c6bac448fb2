#include "app/window/main_window.h"

#include <QApplication>
#include <QCloseEvent>
#include <QDir>
#include <QFileInfo>
#include <QLabel>
#include <QLineEdit>
#include <QMenuBar>
#include <QScrollArea>
#include <QSettings>
#include <QSplitter>
#include <QTimer>
#include <QVBoxLayout>

#include "app/bench/bench.h"
#include "app/desk/journal_keeper.h"
#include "app/look/theme.h"
#include "app/mat/mat.h"
#include "app/panels/details.h"
#include "app/panels/sheets_panel.h"
#include "app/panels/stack_panel.h"
#include "app/start/start_view.h"
#include "app/widgets/formula_field.h"
#include "app/widgets/measure_field.h"
#include "app/widgets/typed_field.h"
#include "app/window/hint_line.h"
#include "app/window/key_sheet.h"
#include "app/window/keys_home.h"
#include "app/window/passing_wheel.h"
#include "app/window/preferences_dialog.h"
#include "app/window/recovery_strip.h"
#include "app/window/tool_row.h"
#include "project/edits/sheets.h"

namespace widecut {

MainWindow::MainWindow(QWidget* parent) : QMainWindow(parent) {
  PreferencesNow::instance().load();
  setWindowIcon(theme::icon("app"));
  resize(1280, 800);
  setMinimumSize(900, 600);
  setContextMenuPolicy(Qt::NoContextMenu);
  mat_ = new Mat(desk_, this);
  keysHome_ = new KeysHome(*this, *mat_, desk_);
  new PassingWheel(this);
  commands_ = new CommandActions(
      {desk_, *mat_, errands_, *this}, [this] { settleTyping(); },
      [this] {
        if (keysHome_) keysHome_->afterCommand();
      },
      this);
  commands_->addMenus(*menuBar());
  buildLayout();
  connect(&errands_, &Errands::opened, mat_, &Mat::fitSheet);
  connect(mat_, &Mat::photoDropped, &errands_,
          [this](const QString& path, Point at) { errands_.placePhoto(path, at); });
  connect(mat_, &Mat::menuWanted, commands_, &CommandActions::openByPointer);
  connect(mat_, &Mat::letterTyped, commands_, &CommandActions::runOf);
  connect(&errands_, &Errands::preferencesWanted, this, [this] {
    auto* open = findChild<PreferencesDialog*>();
    (open ? open : new PreferencesDialog(this))->show();
  });
  connect(&errands_, &Errands::keySheetWanted, this, [this] {
    auto* sheet = new KeySheet(*commands_, desk_, this);
    sheet->openOver(*this);
  });
  connect(&desk_, &Desk::fileChanged, this, &MainWindow::refreshTitle);
  refreshTitle();
  showStart(false);
}

MainWindow::~MainWindow() {
  delete std::exchange(keysHome_, nullptr);  // nobody is to be given any keys
  // A field that is being typed in would hand its text to a desk that is gone.
  if (QWidget* typing = QApplication::focusWidget()) typing->clearFocus();
  // What works in the background for a panel uses the desk's photos: panels end first, and wait for it.
  keeper_.reset();
  delete takeCentralWidget();
}

QWidget* MainWindow::buildLeft() {
  auto* left = new QSplitter(Qt::Vertical, this);
  left->setObjectName("leftPanels");
  auto* stack = new QWidget(left);
  auto* column = new QVBoxLayout(stack);
  column->setContentsMargins(0, 8, 0, 0);
  column->setSpacing(4);
  auto* heading = new QLabel(tr("Stack"), stack);
  theme::makeHeading(*heading);
  heading->setContentsMargins(10, 0, 0, 0);
  column->addWidget(heading);
  auto* items = new StackPanel(desk_, stack);
  connect(items, &StackPanel::menuWanted, commands_, &CommandActions::openByPointer);
  column->addWidget(items);
  left->addWidget(new SheetsPanel(desk_, *commands_, left));
  left->addWidget(stack);
  left->setSizes({318, 240});
  left->setMinimumWidth(200);
  return left;
}

QWidget* MainWindow::buildDetails() {
  auto* details = new QScrollArea(this);
  details->setFocusPolicy(Qt::NoFocus);  // a click beside its fields takes no keys from the page
  auto* inside = new Details(desk_, details);
  connect(inside, &Details::keysBack, this, [this] { mat_->setFocus(); });
  details->setWidget(inside);
  details->setWidgetResizable(true);
  details->setFrameShape(QFrame::NoFrame);
  details->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  details->setMinimumWidth(250);
  return details;
}

QWidget* MainWindow::buildColumns() {
  auto* columns = new QSplitter(Qt::Horizontal, this);
  columns->setObjectName("columns");
  columns->setHandleWidth(1);
  columns->addWidget(buildLeft());
  columns->addWidget(mat_);
  columns->addWidget(buildDetails());
  columns->setStretchFactor(1, 1);
  columns->setSizes({200, 816, 264});
  const QSettings kept;
  for (QSplitter* splitter : {columns, columns->findChild<QSplitter*>("leftPanels")})
    splitter->restoreState(kept.value("sizes/" + splitter->objectName()).toByteArray());
  return columns;
}

QWidget* MainWindow::buildBench() {
  auto* bench = new Bench(desk_, this);
  connect(bench, &Bench::commandWanted, commands_, &CommandActions::run);
  connect(bench, &Bench::photoWanted, &errands_,
          [this](const QString& path, const QString& credit) { errands_.placePhoto(path, std::nullopt, credit); });
  connect(bench, &Bench::keysBack, this, [this] { mat_->setFocus(); });
  // A button of the bench that made other items is gone, or of no more use: the keys belong to the page again.
  connect(&desk_, &Desk::selectionChanged, this, [this, bench] {
    const QWidget* focus = QApplication::focusWidget();
    if (!focus || (bench->isAncestorOf(focus) && !qobject_cast<const QLineEdit*>(focus))) mat_->setFocus();
  });
  return bench;
}

void MainWindow::buildLayout() {
  auto* central = new QWidget(this);
  whole_ = new QVBoxLayout(central);
  whole_->setContentsMargins(0, 0, 0, 0);
  whole_->setSpacing(0);
  work_ = new QWidget(central);
  auto* column = new QVBoxLayout(work_);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(0);
  column->addWidget(new ToolRow(desk_, *mat_, *commands_, this));
  column->addWidget(buildColumns(), 1);
  auto* edge = new QFrame(this);
  edge->setFixedHeight(1);
  theme::setSheet(*edge, "background: #D5CDBD");
  column->addWidget(edge);
  column->addWidget(buildBench());
  whole_->addWidget(work_, 1);
  buildStart(*whole_);
  whole_->addWidget(new HintLine(desk_, *mat_, errands_.background(), this));
  setCentralWidget(central);

  title_ = new QLabel(this);
  theme::makeSecondary(*title_);
  title_->setContentsMargins(0, 4, 12, 0);
  menuBar()->setCornerWidget(title_);
}

void MainWindow::buildStart(QBoxLayout& column) {
  start_ = new StartView(this);
  start_->hide();
  column.addWidget(start_, 1);
  connect(start_, &StartView::formatChosen, this, [this](const PieceMaker& make) {
    if (!isAnotherPiece_) {
      errands_.begin(make);
      return;
    }
    Project changed = withNewPiece(desk_.settled(), make);
    const Id sheet = changed.pieces.back()->sheets.front()->id;
    if (desk_.commit(tr("Another piece"), std::move(changed))) desk_.goToSheet(sheet);
    hideStart();
    mat_->fitSheet();
  });
  connect(start_, &StartView::fileChosen, this, [this](const QString& path, bool asCopy) {
    errands_.openFile(path, asCopy ? Errands::As::Copy : Errands::As::Itself);
  });
  connect(start_, &StartView::left, this, &MainWindow::hideStart);
  connect(&errands_, &Errands::startWanted, this, &MainWindow::showStart);
  connect(&desk_, &Desk::begun, this, &MainWindow::hideStart);
}

void MainWindow::showStart(bool anotherPiece) {
  isAnotherPiece_ = anotherPiece;
  desk_.setTool(ToolKind::Select);
  work_->hide();
  commands_->setHidden(true);  // what they act on is not to be seen
  start_->open(anotherPiece, hasBegun_);
}

void MainWindow::hideStart() {
  if (start_->isHidden()) return;
  start_->hide();
  work_->show();
  commands_->setHidden(false);
  hasBegun_ = true;
  mat_->setFocus();
}

void MainWindow::refreshTitle() {
  const QString name = desk_.path().isEmpty() ? QString::fromStdString(desk_.settled().name)
                                              : QFileInfo(desk_.path()).completeBaseName();
  title_->setText(name + (desk_.isSaved() ? (desk_.path().isEmpty() ? "" : tr(" – saved")) : tr(" – unsaved changes")));
  title_->adjustSize();
  menuBar()->setCornerWidget(title_);
  setWindowTitle(QString("%1%2 – Wide Cut").arg(desk_.isSaved() ? "" : "*", name));
}

bool MainWindow::event(QEvent* event) {
  // After a dialog the keys belong to the page again, whether or not there is a window manager to see to it.
  if (event->type() == QEvent::WindowUnblocked) {
    activateWindow();
    mat_->setFocus();
  }
  return QMainWindow::event(event);
}

void MainWindow::closeEvent(QCloseEvent* event) {
  settleTyping();
  const bool isDone = desk_.isSaved() || mayBeLost_ == desk_.history().current();
  if (!isDone || errands_.background().isBusy()) {
    // What is being saved or delivered is finished first, unless the person stops it.
    event->ignore();
    errands_.whenMayBeLeft([this] {
      mayBeLost_ = desk_.history().current();
      if (errands_.background().isBusy()) emit desk_.told(tr("The window closes when this is done."));
      // Not from within this event, which counts as closing already.
      errands_.background().whenIdle([this] { QTimer::singleShot(0, this, &QWidget::close); });
    });
    return;
  }
  QSettings kept;
  for (const QSplitter* splitter : findChildren<QSplitter*>())
    kept.setValue("sizes/" + splitter->objectName(), splitter->saveState());
  kept.setValue("sizes/window", saveGeometry());
  kept.setValue("session/file", desk_.path());
  kept.setValue("session/sheet", QVariant::fromValue(desk_.sheet()->id));
  event->accept();
}

bool MainWindow::restoreSize() { return restoreGeometry(QSettings().value("sizes/window").toByteArray()); }

void MainWindow::reopenLast() {
  const QSettings kept;
  const QString file = kept.value("session/file").toString();
  if (file.isEmpty() || !QFileInfo::exists(file)) return;
  errands_.openFile(file);
  const Id sheet = kept.value("session/sheet").toULongLong();
  errands_.background().whenIdle([this, sheet] {
    if (findSheet(desk_.settled(), sheet)) desk_.goToSheet(sheet);
  });
}

void MainWindow::settleTyping() {
  QWidget* typing = QApplication::focusWidget();
  if (auto* field = qobject_cast<MeasureField*>(typing)) field->settleTyping();
  if (auto* formula = qobject_cast<FormulaField*>(typing)) formula->settleTyping();
  if (auto* words = qobject_cast<TypedField*>(typing)) words->settleTyping();
  desk_.settleAll();
}

bool MainWindow::isFinished() const { return mat_->isFinished() && !errands_.background().isBusy(); }

void MainWindow::keepJournals(const QString& home) {
  if (!QDir().mkpath(home) || !QFileInfo(home).isWritable()) {
    emit desk_.told(tr("Nothing can be written to %1: recovery is off, and files are not watched for other windows")
                        .arg(QDir::toNativeSeparators(home)));
    return;
  }
  desk_.setClaims(home.toStdString());
  const std::string journals = (home + "/journals").toStdString();
  auto left = leftBehind(journals);
  auto journal = Journal::begin(journals);
  if (journal)
    keeper_ = std::make_unique<JournalKeeper>(desk_, std::move(*journal));
  else
    emit desk_.told(QString::fromStdString(journal.error().message));
  if (left.empty()) return;
  const auto takeUp = [this](const LeftBehind& work, const std::function<void()>& taken) {
    settleTyping();
    errands_.whenMayBeLeft([this, work, taken] {
      auto project = work.project();
      if (!project) {
        errands_.complain(QString::fromStdString(project.error().message));
        return;
      }
      desk_.takeUp(std::move(*project), QString::fromStdString(work.path));
      mat_->fitSheet();
      taken();
      // Its journal goes once this window's own holds the same.
      if (keeper_) keeper_->whenKept([gone = LeftBehind(work)]() mutable { gone.putAway(); });
    });
  };
  whole_->insertWidget(0, new RecoveryStrip(std::move(left), takeUp, this));
}

}  // namespace widecut

#include "app/window/main_window.h"

#include <QApplication>
#include <QCloseEvent>
#include <QFileDialog>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QMenuBar>
#include <QMessageBox>
#include <QPushButton>
#include <QScrollArea>
#include <QSettings>
#include <QSplitter>
#include <QTimer>
#include <QToolButton>

#include "app/bench/bench.h"
#include "app/bench/bench_page.h"
#include "app/desk/journal_keeper.h"
#include "app/look/theme.h"
#include "app/mat/mat.h"
#include "app/panels/details.h"
#include "app/panels/sheets_panel.h"
#include "app/panels/stack_panel.h"
#include "app/widgets/formula_field.h"
#include "app/widgets/measure_field.h"
#include "app/window/deliver_dialog.h"
#include "geometry/measure.h"
#include "output/deliver.h"
#include "project/edits/tree.h"
#include "project/resolve.h"

namespace widecut {
namespace {

const char* const photoFilter = "Pictures (*.png *.jpg *.jpeg *.webp *.tif *.tiff)";

}  // namespace

MainWindow::MainWindow(QWidget* parent) : QMainWindow(parent) {
  setWindowIcon(theme::icon("app"));
  resize(1280, 800);
  setMinimumSize(900, 600);
  setContextMenuPolicy(Qt::NoContextMenu);
  mat_ = new Mat(desk_, this);
  addCommands();
  buildLayout();
  toldEnd_.setSingleShot(true);
  toldEnd_.setInterval(4000);
  const auto showHint = [this] {
    if (!toldEnd_.isActive()) hint_->setText(mat_->hint());
  };
  connect(&toldEnd_, &QTimer::timeout, this, showHint);
  connect(mat_, &Mat::hintChanged, this, showHint);
  connect(&desk_, &Desk::told, this, [this](const QString& message) {
    hint_->setText(message);
    toldEnd_.start();
  });
  connect(mat_, &Mat::pointerMoved, this, [this](std::optional<Point> p) {
    constexpr double mm = 1 / pointsPerMillimetre;
    position_->setText(p ? QString("%1 mm, %2 mm").arg(p->x * mm, 0, 'f', 1).arg(p->y * mm, 0, 'f', 1) : QString());
  });
  connect(mat_, &Mat::photoDropped, this, [this](const QString& path, Point at) { placePhoto(path, at); });
  for (const auto signal : {&Desk::selectionChanged, &Desk::projectChanged, &Desk::toolChanged, &Desk::fileChanged})
    connect(&desk_, signal, this, &MainWindow::refreshActions);
  connect(&desk_, &Desk::fileChanged, this, &MainWindow::refreshTitle);
  refreshActions();
  refreshTitle();
  showHint();
  mat_->setFocus();
}

MainWindow::~MainWindow() {
  // A field that is being typed in would hand its text to a desk that is gone.
  if (QWidget* typing = QApplication::focusWidget()) typing->clearFocus();
  // What works in the background for a panel uses the desk's photos: panels end first, and wait for it.
  keeper_.reset();
  delete takeCentralWidget();
}

QWidget* MainWindow::buildToolRow() {
  auto* row = new QWidget(this);
  row->setObjectName("toolRow");
  row->setFixedHeight(44);
  row->setStyleSheet("#toolRow { background: #FBF9F4; border-bottom: 1px solid #D5CDBD; }");
  auto* layout = new QHBoxLayout(row);
  layout->setContentsMargins(8, 2, 10, 2);
  layout->setSpacing(4);
  struct Entry {
    ToolKind kind;
    const char* icon;
    QString number, name;
  };
  const Entry entries[] = {
      {ToolKind::Select, "select", "1", tr("Select")},    {ToolKind::Rectangle, "rectangle", "4", tr("Rectangle")},
      {ToolKind::Ellipse, "ellipse", "5", tr("Ellipse")}, {ToolKind::Polygon, "polygon", "6", tr("Polygon")},
      {ToolKind::Reframe, "reframe", "9", tr("Reframe")}, {ToolKind::Knife, "knife", "0", tr("Knife")}};
  for (const Entry& e : entries) {
    auto* button = new QToolButton(row);
    button->setIcon(theme::icon(e.icon));
    button->setIconSize({20, 20});
    button->setText(e.number);
    button->setFont(theme::font(11));
    button->setToolButtonStyle(Qt::ToolButtonTextBesideIcon);
    button->setCheckable(true);
    button->setFixedSize(46, 38);
    button->setToolTip(tr("%1 (key %2)").arg(e.name, e.number));
    button->setAccessibleName(e.name);
    button->setObjectName("tool" + e.number);
    button->setFocusPolicy(Qt::TabFocus);
    button->setStyleSheet(
        "QToolButton:checked { background: #E6DECE; border-bottom: 3px solid #BF3F26; border-radius: 0; }");
    connect(button, &QToolButton::clicked, this, [this, kind = e.kind] { desk_.setTool(kind); });
    const auto show = [this, button, kind = e.kind] { button->setChecked(desk_.tool() == kind); };
    connect(button, &QToolButton::clicked, this, show);
    connect(&desk_, &Desk::toolChanged, button, show);
    show();
    layout->addWidget(button);
  }
  layout->addStretch(1);
  auto* fit = new QPushButton(tr("Fit sheet"), row);
  auto* zoom = new QLabel(row);
  zoom->setMinimumWidth(52);
  zoom->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
  zoom->setAccessibleName(tr("Zoom"));
  connect(fit, &QPushButton::clicked, mat_, &Mat::fitSheet);
  const auto showZoom = [this, zoom] {
    // 100 % shows a point as 4/3 pixels, the size it has on paper at 96 ppi.
    zoom->setText(QString("%1 %").arg(std::lround(mat_->zoom() * 75)));
  };
  connect(mat_, &Mat::zoomChanged, zoom, showZoom);
  layout->addWidget(fit);
  layout->addWidget(zoom);
  return row;
}

void MainWindow::buildLayout() {
  auto* whole = new QWidget(this);
  auto* column = new QVBoxLayout(whole);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(0);
  column->addWidget(buildToolRow());

  auto* left = new QSplitter(Qt::Vertical, this);
  auto* sheets = new SheetsPanel(desk_, left);
  auto* stack = new QWidget(left);
  auto* stackColumn = new QVBoxLayout(stack);
  stackColumn->setContentsMargins(0, 8, 0, 0);
  stackColumn->setSpacing(4);
  auto* heading = new QLabel(tr("Stack"), stack);
  theme::makeHeading(*heading);
  heading->setContentsMargins(10, 0, 0, 0);
  stackColumn->addWidget(heading);
  stackColumn->addWidget(new StackPanel(desk_, stack));
  left->addWidget(sheets);
  left->addWidget(stack);
  left->setSizes({318, 240});

  auto* details = new QScrollArea(this);
  details->setWidget(new Details(desk_, details));
  details->setWidgetResizable(true);
  details->setFrameShape(QFrame::NoFrame);
  details->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);

  auto* middle = new QSplitter(Qt::Horizontal, this);
  middle->setHandleWidth(1);
  middle->addWidget(left);
  auto* around = new QWidget(this);
  aroundMat_ = new QVBoxLayout(around);
  aroundMat_->setContentsMargins(0, 0, 0, 0);
  aroundMat_->setSpacing(0);
  aroundMat_->addWidget(mat_, 1);
  middle->addWidget(around);
  middle->addWidget(details);
  middle->setStretchFactor(1, 1);
  left->setMinimumWidth(200);
  details->setMinimumWidth(250);
  middle->setSizes({200, 816, 264});
  left->setObjectName("leftPanels");
  middle->setObjectName("columns");
  const QSettings kept;
  for (QSplitter* splitter : {left, middle})
    splitter->restoreState(kept.value("sizes/" + splitter->objectName()).toByteArray());
  column->addWidget(middle, 1);

  auto* bench = new Bench(desk_, this);
  auto* edge = new QFrame(this);
  edge->setFixedHeight(1);
  edge->setStyleSheet("background: #D5CDBD");
  column->addWidget(edge);
  column->addWidget(bench);
  for (BenchPage* page : bench->findChildren<BenchPage*>())
    connect(page, &BenchPage::photoWanted, this, &MainWindow::askForPhoto);
  // A button of the bench that made other items is gone, or of no more use: the keys belong to the page again.
  connect(&desk_, &Desk::selectionChanged, this, [this, bench] {
    const QWidget* focus = QApplication::focusWidget();
    if (!focus || (bench->isAncestorOf(focus) && !qobject_cast<const QLineEdit*>(focus))) mat_->setFocus();
  });
  for (BenchPage* page : bench->findChildren<BenchPage*>())
    connect(page, &BenchPage::commandWanted, this, [this](const QString& name) {
      if (auto* action = menuBar()->findChild<QAction*>(name)) action->trigger();
    });

  auto* line = new QWidget(this);
  line->setObjectName("hintLine");
  line->setFixedHeight(24);
  line->setStyleSheet("#hintLine { background: #E6DECE; }");
  auto* lineRow = new QHBoxLayout(line);
  lineRow->setContentsMargins(10, 0, 10, 0);
  hint_ = new QLabel(line);
  hint_->setObjectName("hint");
  hint_->setFont(theme::font(12));
  hint_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
  position_ = new QLabel(line);
  position_->setFont(theme::font(12));
  lineRow->addWidget(hint_, 1);
  lineRow->addWidget(position_);
  column->addWidget(line);
  setCentralWidget(whole);

  title_ = new QLabel(this);
  theme::makeSecondary(*title_);
  title_->setContentsMargins(0, 4, 12, 0);
  menuBar()->setCornerWidget(title_);
}

void MainWindow::refreshActions() {
  for (const auto& [action, applies] : conditional_) action->setEnabled(applies());
  const History& history = desk_.history();
  const auto named = [](const QString& verb, const std::string& edit) {
    return edit.empty() ? verb : verb + ": " + QString::fromStdString(edit);
  };
  if (undo_) undo_->setText(named(tr("Undo"), history.undoName()));
  if (redo_) redo_->setText(named(tr("Redo"), history.redoName()));
}

void MainWindow::refreshTitle() {
  const QString name = desk_.path().isEmpty() ? QString::fromStdString(desk_.settled().name)
                                              : QFileInfo(desk_.path()).completeBaseName();
  title_->setText(name + (desk_.isSaved() ? (desk_.path().isEmpty() ? "" : tr(" – saved")) : tr(" – unsaved changes")));
  title_->adjustSize();
  menuBar()->setCornerWidget(title_);
  setWindowTitle(QString("%1%2 – Wide Cut").arg(desk_.isSaved() ? "" : "*", name));
}

void MainWindow::complain(const QString& message) {
  QMessageBox box(QMessageBox::NoIcon, tr("Wide Cut"), message, QMessageBox::Ok, this);
  box.setObjectName("complaint");
  box.exec();
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
  if (!mayDiscard()) {
    event->ignore();
    return;
  }
  QSettings kept;
  for (const QSplitter* splitter : findChildren<QSplitter*>())
    kept.setValue("sizes/" + splitter->objectName(), splitter->saveState());
  event->accept();
}

void MainWindow::settleTyping() {
  QWidget* typing = QApplication::focusWidget();
  if (auto* field = qobject_cast<MeasureField*>(typing)) field->settleTyping();
  if (auto* formula = qobject_cast<FormulaField*>(typing)) formula->settleTyping();
  desk_.settleAll();
}

void MainWindow::placePhoto(const QString& path, std::optional<Point> at) {
  if (path.isEmpty()) return;
  QApplication::setOverrideCursor(Qt::WaitCursor);
  const auto placed = desk_.placePhoto(path, at);
  QApplication::restoreOverrideCursor();
  if (!placed) complain(QString::fromStdString(placed.error().message));
}

void MainWindow::askForPhoto() {
  placePhoto(QFileDialog::getOpenFileName(this, tr("Bring in a photo"), {}, photoFilter), {});
}

void MainWindow::deliverSomething() {
  DeliverDialog dialog(desk_, this);
  if (dialog.exec() != QDialog::Accepted) return;
  const QString ending = dialog.ending();
  QString path =
      QFileDialog::getSaveFileName(this, tr("Deliver to"), {}, QString("%1 (*.%2)").arg(ending.toUpper(), ending));
  if (path.isEmpty()) return;
  if (QFileInfo(path).suffix().isEmpty()) path += "." + ending;
  QApplication::setOverrideCursor(Qt::WaitCursor);
  const auto done = deliver(desk_.settled(), dialog.delivery(), desk_.photos(), path.toStdString());
  QApplication::restoreOverrideCursor();
  if (!done) {
    complain(QString::fromStdString(done.error().message));
    return;
  }
  QString said = tr("Delivered %1").arg(QFileInfo(path).fileName());
  for (const std::string& note : *done) said += " · " + QString::fromStdString(note);
  emit desk_.told(said);
}

void MainWindow::deleteSelection() { desk_.commit(tr("Delete"), withoutItems(desk_.settled(), desk_.selection())); }

void MainWindow::duplicateSelection() {
  std::vector<Id> copies;
  desk_.commit(tr("Duplicate"), withCopies(desk_.settled(), desk_.selection(), {12, 12}, copies));
  desk_.select(copies);
}

void MainWindow::reframeSelection() { desk_.setTool(ToolKind::Reframe); }

void MainWindow::stepSheet(int by) {
  const auto sheets = sheetsOf(desk_.settled());
  for (std::size_t i = 0; i < sheets.size(); ++i) {
    const auto to = static_cast<std::ptrdiff_t>(i) + by;
    if (sheets[i]->id == desk_.sheet()->id && to >= 0 && to < std::ssize(sheets)) {
      desk_.goToSheet(sheets[static_cast<std::size_t>(to)]->id);
      return;
    }
  }
}

}  // namespace widecut

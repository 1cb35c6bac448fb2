#include "app/start/start_view.h"

#include <QComboBox>
#include <QCoreApplication>
#include <QDateTime>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QPushButton>
#include <utility>

#include "app/desk/preferences.h"
#include "app/look/theme.h"
#include "app/start/start_card.h"
#include "app/widgets/clear_layout.h"
#include "app/widgets/measure_field.h"
#include "app/widgets/unit_box.h"
#include "app/window/recent_files.h"
#include "media/photo_decode.h"
#include "storage/project_file.h"

namespace widecut {
namespace {

/// What is printed is measured as the person prefers; what is shown on screens, in pixels.
PiecePtr inPreferredUnit(const PiecePtr& piece) {
  if (piece->setting.unit != Unit::Millimetre || preferences().unit == Unit::Millimetre) return piece;
  Piece out = *piece;
  out.setting.unit = preferences().unit;
  return std::make_shared<const Piece>(std::move(out));
}

// Pixels per millimetre, and per pixel of an ad and of a slide: alike within a family.
constexpr double printScale = 0.36, adScale = 0.066, slideScale = 0.1;

QLabel* headingOnMat(const QString& text, QWidget* parent) {
  auto* label = new QLabel(text, parent);
  label->setFont(theme::heading());
  theme::makeOnMat(*label, theme::paleOnMat);
  return label;
}

QImage previewIn(const QString& path) {
  const auto png = previewOf(path.toStdString());
  // It may come from anywhere, like the project.
  const auto picture = png ? decodedPhoto(*png, 0, false, {.seconds = 1}) : tl::unexpected(png.error());
  return picture ? *picture : QImage();
}

}  // namespace

QString demoProject() {
  const QString program = QCoreApplication::applicationDirPath();
  for (const char* place : {"/../share/widecut/skarrow.widecut", "/../demo/skarrow.widecut"}) {
    const QFileInfo file(program + place);
    if (file.exists()) return file.canonicalFilePath();
  }
  return {};
}

StartView::StartView(QWidget* parent) : QScrollArea(parent) {
  setObjectName("start");
  setAccessibleName(tr("Start: choose a format or go on with recent work"));
  setFrameShape(QFrame::NoFrame);
  setWidgetResizable(true);
  setFocusPolicy(Qt::StrongFocus);
  auto* inside = new QWidget(this);
  inside->setObjectName("startInside");
  inside->setStyleSheet(QString("#startInside { background: %1; }").arg(theme::mat.name()));
  setWidget(inside);
  auto* column = new QVBoxLayout(inside);
  column->setContentsMargins(36, 22, 36, 18);
  column->setSpacing(4);
  auto* top = new QHBoxLayout;
  heading_ = new QLabel(inside);
  heading_->setFont(theme::font(20, QFont::DemiBold));
  theme::makeOnMat(*heading_, theme::onMat);
  top->addWidget(heading_);
  top->addStretch(1);
  leave_ = new QPushButton(tr("Back to the sheet"), inside);
  leave_->setObjectName("leaveStart");
  connect(leave_, &QPushButton::clicked, this, &StartView::left);
  top->addWidget(leave_);
  column->addLayout(top);

  auto* paper = new QHBoxLayout;
  paper->setSpacing(40);
  column->addLayout(paper);
  addFormats(*addFamily(*paper, tr("Print")), FormatFamily::Print, printScale);
  addOwnSize(*addFamily(*paper, tr("Own size")));
  paper->addStretch(1);
  auto* screen = new QHBoxLayout;
  screen->setSpacing(40);
  column->addLayout(screen);
  addFormats(*addFamily(*screen, tr("Ads")), FormatFamily::Ad, adScale);
  addFormats(*addFamily(*screen, tr("Slides")), FormatFamily::Slides, slideScale);
  screen->addStretch(1);

  files_ = new QWidget(inside);
  auto* filesColumn = new QVBoxLayout(files_);
  filesColumn->setContentsMargins(0, 0, 0, 0);
  fileRow_ = addFamily(*filesColumn, tr("Recent work"));
  column->addWidget(files_);
  column->addStretch(1);
}

QBoxLayout* StartView::addFamily(QBoxLayout& to, const QString& name) {
  auto* column = new QVBoxLayout;
  column->setSpacing(2);
  column->addSpacing(6);
  column->addWidget(headingOnMat(name, widget()));
  column->addStretch(1);
  auto* row = new QHBoxLayout;
  row->setSpacing(10);
  column->addLayout(row);
  to.addLayout(column);
  return row;
}

void StartView::addCard(QBoxLayout& row, StartCard* card, const std::function<void()>& chosen) {
  card->installEventFilter(this);
  connect(card, &StartCard::clicked, this, chosen);
  connect(card, &StartCard::focused, this, [this, card] { ensureWidgetVisible(card); });
  row.addWidget(card, 0, Qt::AlignBottom);
}

void StartView::addFormats(QBoxLayout& row, FormatFamily family, double scale) {
  for (const Format& format : formatTable()) {
    if (format.family != family) continue;
    auto* card = new FormatCard(format, scale, widget());
    card->setObjectName(QString::fromUtf8(format.name.data()));
    addCard(row, card, [this, &format] {
      emit formatChosen([&format](Id& next) { return inPreferredUnit(newPiece(format, next)); });
    });
  }
}

void StartView::addOwnSize(QBoxLayout& row) {
  auto* column = new QVBoxLayout;
  column->setSpacing(6);
  const auto field = [&](const QString& name, double& kept) {
    auto* line = new QHBoxLayout;
    auto* words = new QLabel(name, widget());
    theme::makeOnMat(*words, theme::onMat);
    words->setFixedWidth(44);
    auto* made = new MeasureField(tr("%1 of the sheet").arg(name), Unit::Millimetre, {}, widget());
    made->setFixedWidth(86);
    made->show(kept);
    connect(made, &MeasureField::settled, this, [made, &kept](double points) {
      kept = points;
      made->show(points);
    });
    // Pixels typed make a piece of pixels; other units are lengths as good as the chosen one.
    connect(made, &QLineEdit::textEdited, this, [this](const QString& typed) {
      const int pixels = unit_->findData(static_cast<int>(Unit::Pixel));
      typedUnit_ = typed.trimmed().endsWith(unit_->itemText(pixels)) ? pixels : -1;
    });
    connect(made, &MeasureField::settled, this, [this] {
      if (const int typed = std::exchange(typedUnit_, -1); typed >= 0) unit_->setCurrentIndex(typed);
    });
    connect(made, &MeasureField::entered, this, &StartView::beginOwnSize);
    line->addWidget(words);
    line->addWidget(made);
    column->addLayout(line);
    return made;
  };
  width_ = field(tr("width"), ownWidth_);
  height_ = field(tr("height"), ownHeight_);
  auto* line = new QHBoxLayout;
  unit_ = unitBox(widget());
  unit_->setObjectName("ownUnit");
  unit_->setFixedWidth(70);
  connect(unit_, &QComboBox::currentIndexChanged, this, [this] {
    const auto unit = static_cast<Unit>(unit_->currentData().toInt());
    width_->setUnit(unit);
    height_->setUnit(unit);
  });
  unit_->setCurrentIndex(unit_->findData(static_cast<int>(preferences().unit)));
  auto* begin = new QPushButton(tr("Begin"), widget());
  begin->setObjectName("beginOwnSize");
  begin->setProperty("primary", true);
  connect(begin, &QPushButton::clicked, this, &StartView::beginOwnSize);
  line->addWidget(unit_);
  line->addStretch(1);
  line->addWidget(begin);
  column->addLayout(line);
  column->addStretch(1);
  row.addLayout(column);
}

void StartView::beginOwnSize() {
  width_->settleTyping();
  height_->settleTyping();
  const auto unit = static_cast<Unit>(unit_->currentData().toInt());
  emit formatChosen([this, unit](Id& next) { return newPiece(ownWidth_, ownHeight_, unit, next); });
}

void StartView::open(bool anotherPiece, bool canBeLeft) {
  another_ = anotherPiece;
  canBeLeft_ = canBeLeft;
  heading_->setText(another_ ? tr("Which piece comes next?") : tr("What will it be?"));
  leave_->setVisible(canBeLeft_);
  files_->setVisible(!another_);
  if (!another_) showFiles();
  show();
  raise();
  cards().front()->setFocus();
}

void StartView::showFiles() {
  clearLayout(*fileRow_);
  constexpr int most = 5;
  const QStringList files = recent::files();
  for (const QString& path : files.mid(0, most)) {
    const QString when = QLocale().toString(QFileInfo(path).lastModified(), QLocale::ShortFormat);
    auto* card = new FileCard(QFileInfo(path).completeBaseName(), when, previewIn(path), widget());
    card->setToolTip(path);
    addCard(*fileRow_, card, [this, path] { emit fileChosen(path, false); });
  }
  if (const QString demo = demoProject(); !demo.isEmpty()) {
    auto* card = new FileCard(tr("Skarrow Peak Railway"), tr("the demo"), previewIn(demo), widget());
    card->setObjectName("startDemo");
    addCard(*fileRow_, card, [this, demo] { emit fileChosen(demo, true); });
  }
  static_cast<QHBoxLayout*>(fileRow_)->addStretch(1);
  files_->setVisible(fileRow_->count() > 1);
}

std::vector<StartCard*> StartView::cards() const {
  std::vector<StartCard*> all;
  for (StartCard* card : widget()->findChildren<StartCard*>()) all.push_back(card);
  return all;
}

bool StartView::eventFilter(QObject* watched, QEvent* event) {
  if (event->type() == QEvent::KeyPress) {
    const auto* key = static_cast<QKeyEvent*>(event);
    switch (key->key()) {
      case Qt::Key_Left:
      case Qt::Key_Right:
      case Qt::Key_Up:
      case Qt::Key_Down:
        goTo(key->key());
        return true;
      case Qt::Key_Return:
      case Qt::Key_Enter:
        static_cast<QAbstractButton*>(watched)->click();
        return true;
      default:
        break;
    }
  }
  return QScrollArea::eventFilter(watched, event);
}

void StartView::goTo(int key) {
  StartCard* from = nullptr;
  for (StartCard* card : cards())
    if (card->hasFocus()) from = card;
  if (!from) return;
  const auto middle = [&](const StartCard* card) { return QPointF(card->mapTo(widget(), card->rect().center())); };
  StartCard* best = nullptr;
  double nearest = 1e9;
  for (StartCard* card : cards()) {
    const QPointF way = middle(card) - middle(from);
    const bool upright = key == Qt::Key_Up || key == Qt::Key_Down;
    double along = upright ? way.y() : way.x();
    if (key == Qt::Key_Left || key == Qt::Key_Up) along = -along;
    const double aside = std::abs(upright ? way.x() : way.y());
    if (!card->isVisible() || along < 30) continue;
    const double far = along + 2 * aside;
    if (far < nearest) {
      nearest = far;
      best = card;
    }
  }
  if (best) best->setFocus();
}

void StartView::keyPressEvent(QKeyEvent* event) {
  if (event->key() == Qt::Key_Escape && canBeLeft_)
    emit left();
  else
    QScrollArea::keyPressEvent(event);
}

}  // namespace widecut

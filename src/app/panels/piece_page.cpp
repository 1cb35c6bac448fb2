#include "app/panels/piece_page.h"

#include <QCheckBox>
#include <QComboBox>
#include <QGridLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <algorithm>

#include "app/look/theme.h"
#include "app/widgets/colour_popover.h"
#include "app/widgets/measure_field.h"
#include "app/widgets/swatch.h"
#include "project/edits/tree.h"
#include "project/limits.h"

namespace widecut {
namespace {

PieceForm formNow(const Project& project, Id sheet) {
  const PiecePtr piece = pieceOf(project, sheet);
  PieceForm form = formOf(*piece);
  // Folds are those of the sheet that is open: outside and inside differ.
  form.folds = findSheet(project, sheet)->folds;
  return form;
}

QString foldsText(const std::vector<double>& folds, Unit unit) {
  QStringList all;
  for (const double fold : folds) all << QString::fromStdString(measureText(fold, unit));
  return all.join(", ");
}

}  // namespace

PiecePage::PiecePage(Desk& desk, QWidget* parent) : QWidget(parent), desk_(desk) {
  setObjectName("piecePage");
  setAccessibleName(tr("The piece and its sheets"));
  auto* grid = new QGridLayout(this);
  grid->setContentsMargins(0, 0, 0, 0);
  grid->setVerticalSpacing(6);
  grid->setHorizontalSpacing(6);
  grid->setColumnStretch(1, 1);
  grid->setColumnStretch(2, 1);
  int row = 0;
  const auto heading = [&](const QString& text) {
    auto* label = new QLabel(text, this);
    theme::makeHeading(*label);
    if (row > 0) grid->setRowMinimumHeight(row++, 4);
    grid->addWidget(label, row++, 0, 1, 3);
    return label;
  };
  const auto line = [&](const QString& words, QWidget* first, QWidget* second = nullptr) {
    auto* label = new QLabel(words, this);
    theme::makeSecondary(*label);
    label->setFixedWidth(64);
    grid->addWidget(label, row, 0);
    grid->addWidget(first, row, 1, 1, second ? 1 : 2);
    if (second) grid->addWidget(second, row, 2);
    ++row;
  };
  using F = PieceForm;
  heading_ = heading({});
  heading_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
  line(tr("w, h"), field(tr("sheet width"), [](F& f) -> double& { return f.width; }),
       field(tr("sheet height"), [](F& f) -> double& { return f.height; }));
  unit_ = new QComboBox(this);
  unit_->setObjectName("pieceUnit");
  unit_->setAccessibleName(tr("Unit of the piece"));
  for (const Unit unit : {Unit::Millimetre, Unit::Centimetre, Unit::Inch, Unit::Point, Unit::Pixel})
    unit_->addItem(QString::fromUtf8(nameOf(unit).data()), static_cast<int>(unit));
  connect(unit_, &QComboBox::activated, this, &PiecePage::chooseUnit);
  line(tr("unit"), unit_, new QWidget(this));
  scaled_ = new QCheckBox(tr("items are scaled along"), this);
  scaled_->setObjectName("scaledAlong");
  scaled_->setToolTip(tr("When the size changes. Otherwise they stay where they are."));
  grid->addWidget(scaled_, row++, 1, 1, 2);
  line(tr("bleed"), field(tr("bleed"), [](F& f) -> double& { return f.bleed; }), new QWidget(this));
  folds_ = new QLineEdit(this);
  folds_->setObjectName("folds");
  folds_->setAccessibleName(tr("Folds, from the left edge"));
  folds_->setToolTip(tr("Where this piece is folded, from the left edge: 97, 197. Empty for none."));
  connect(folds_, &QLineEdit::editingFinished, this, &PiecePage::useFolds);
  line(tr("folds"), folds_);

  heading(tr("Margins and columns"));
  line(tr("left, right"), field(tr("left margin"), [](F& f) -> double& { return f.setting.left; }),
       field(tr("right margin"), [](F& f) -> double& { return f.setting.right; }));
  line(tr("top, foot"), field(tr("top margin"), [](F& f) -> double& { return f.setting.top; }),
       field(tr("foot margin"), [](F& f) -> double& { return f.setting.bottom; }));
  columns_ = new MeasureField(tr("columns"), Unit::Plain, {}, this);
  const auto withColumns = [this](double count) {
    return changed([count](F& f) {
      f.setting.columns = static_cast<int>(std::lround(std::clamp(count, 1.0, double(limits::mostColumns))));
    });
  };
  connect(columns_, &MeasureField::tried, this, [this, withColumns](double v) { trial_.show(withColumns(v)); });
  connect(columns_, &MeasureField::settled, this,
          [this, withColumns](double v) { desk_.commit(tr("Columns"), withColumns(v)); });
  connect(columns_, &MeasureField::dropped, this, [this] { trial_.drop(); });
  line(tr("columns"), columns_, field(tr("gutter"), [](F& f) -> double& { return f.setting.gutter; }));

  heading(tr("This sheet"));
  paper_ = new QPushButton(this);
  paper_->setObjectName("paperColour");
  paper_->setAccessibleName(tr("Paper colour"));
  connect(paper_, &QPushButton::clicked, this, &PiecePage::choosePaper);
  line(tr("paper"), paper_, new QWidget(this));

  for (const auto signal : {&Desk::projectChanged, &Desk::sheetChanged, &Desk::fileChanged})
    connect(&desk, signal, this, &PiecePage::refresh);
  refresh();
}

Project PiecePage::changed(const std::function<void(PieceForm&)>& change) const {
  const Project& project = desk_.settled();
  const PiecePtr piece = pieceOf(project, desk_.sheet()->id);
  PieceForm form = formOf(*piece);
  change(form);
  return withPieceForm(project, piece->id, form, scaled_->isChecked() ? Kept::Scaled : Kept::WhereTheyAre);
}

MeasureField* PiecePage::field(const QString& name, double& (*of)(PieceForm& form)) {
  auto* made = new MeasureField(name, desk_.unit(), {}, this);
  const auto with = [this, of](double v) { return changed([&](PieceForm& form) { of(form) = std::max(v, 0.0); }); };
  connect(made, &MeasureField::tried, this, [this, with](double v) { trial_.show(with(v)); });
  connect(made, &MeasureField::settled, this, [this, with, name](double v) { desk_.commit(name, with(v)); });
  connect(made, &MeasureField::dropped, this, [this] { trial_.drop(); });
  fields_.emplace_back(made, of);
  return made;
}

void PiecePage::useFolds() {
  std::vector<double> folds;
  for (const QString& word : folds_->text().split(',', Qt::SkipEmptyParts)) {
    const auto fold = parseMeasure(word.toStdString(), desk_.unit(), 0);
    if (!fold) {
      emit desk_.told(QString::fromStdString(fold.error().message));
      return;
    }
    folds.push_back(*fold);
  }
  std::sort(folds.begin(), folds.end());
  const auto had = desk_.sheet()->folds;
  constexpr double close = 0.01;  // points: what the field shows is rounded
  if (std::equal(folds.begin(), folds.end(), had.begin(), had.end(),
                 [](double a, double b) { return std::abs(a - b) < close; }))
    return;
  desk_.commit(tr("Folds"), withSheet(desk_.settled(), desk_.sheet()->id, [&](const Sheet& sheet) {
                 Sheet out = sheet;
                 out.folds = folds;
                 return out;
               }));
}

void PiecePage::chooseUnit() {
  const auto unit = static_cast<Unit>(unit_->currentData().toInt());
  desk_.commit(tr("Unit"), changed([&](PieceForm& form) { form.setting.unit = unit; }));
}

void PiecePage::choosePaper() {
  auto* popover = new ColourPopover(desk_.sheet()->paper, {{0xFF, 0xFF, 0xFF}, desk_.sheet()->paper}, {}, this);
  const auto with = [this](std::optional<Colour> c) {
    return c ? withPaper(desk_.settled(), desk_.sheet()->id, *c) : desk_.settled();
  };
  connect(popover, &ColourPopover::tried, this, [this, with](std::optional<Colour> c) { trial_.show(with(c)); });
  connect(popover, &ColourPopover::settled, this,
          [this, with](std::optional<Colour> c) { desk_.commit(tr("Paper colour"), with(c)); });
  connect(popover, &ColourPopover::dropped, this, [this] { trial_.drop(); });
  popover->adjustSize();
  popover->setFixedWidth(width());
  popover->move(paper_->mapToGlobal(QPoint(-paper_->x(), paper_->height() + 4)));
  popover->show();
}

void PiecePage::refresh() {
  const Project& project = desk_.project();
  const SheetPtr sheet = desk_.sheet();
  const PiecePtr piece = sheet ? pieceOf(project, sheet->id) : nullptr;
  if (!piece) return;
  PieceForm form = formNow(project, sheet->id);
  const Unit unit = form.setting.unit;
  const QString name = QString::fromStdString(piece->name);
  heading_->setText(name);
  heading_->setToolTip(name);
  for (const auto& [made, of] : fields_) {
    made->setUnit(unit);
    made->show(of(form));
  }
  columns_->show(form.setting.columns);
  unit_->setCurrentIndex(unit_->findData(static_cast<int>(unit)));
  if (!folds_->hasFocus()) folds_->setText(foldsText(form.folds, unit));
  paintSwatch(*paper_, sheet->paper);
}

}  // namespace widecut

#include "app/panels/piece_page.h"

#include <QCheckBox>
#include <QComboBox>
#include <QGridLayout>
#include <QLabel>
#include <QPushButton>
#include <algorithm>

#include "app/desk/preferences.h"
#include "app/panels/guide_page.h"
#include "app/panels/panel_parts.h"
#include "app/widgets/measure_field.h"
#include "app/widgets/swatch.h"
#include "app/widgets/typed_field.h"
#include "app/widgets/unit_box.h"
#include "project/limits.h"

namespace widecut {
namespace {

QString foldsText(const std::vector<double>& folds, Unit unit) {
  QStringList all;
  for (const double fold : folds) all << written(measureText(fold, unit));
  return all.join(QString(listSign()) + " ");
}

}  // namespace

PiecePage::PiecePage(Desk& desk, QWidget* parent) : QWidget(parent), desk_(desk) {
  setObjectName("piecePage");
  setAccessibleName(tr("The piece and its sheets"));
  auto* grid = panelGrid(this);
  int row = 0;
  const auto heading = [&](const QString& text) {
    if (row > 0) grid->setRowMinimumHeight(row++, 4);
    QLabel* label = panelHeading(text, this);
    grid->addWidget(label, row++, 0, 1, 3);
    return label;
  };
  const auto line = [&](const QString& words, QWidget* first, QWidget* second = nullptr) {
    grid->addWidget(panelCaption(words, this), row, 0);
    grid->addWidget(first, row, 1, 1, second ? 1 : 2);
    if (second) grid->addWidget(second, row, 2);
    ++row;
  };
  using F = PieceForm;
  heading_ = heading({});
  heading_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
  line(tr("w, h"), field(tr("sheet width"), [](F& f) -> double& { return f.width; }),
       field(tr("sheet height"), [](F& f) -> double& { return f.height; }));
  unit_ = unitBox(this);
  unit_->setObjectName("pieceUnit");
  connect(unit_, &QComboBox::activated, this, &PiecePage::chooseUnit);
  line(tr("unit"), unit_, new QWidget(this));
  scaled_ = new QCheckBox(tr("items are scaled along"), this);
  scaled_->setObjectName("scaledAlong");
  scaled_->setToolTip(tr("When the size changes. Otherwise they stay where they are."));
  grid->addWidget(scaled_, row++, 1, 1, 2);
  line(tr("bleed"), field(tr("bleed"), [](F& f) -> double& { return f.bleed; }), new QWidget(this));
  folds_ = new TypedField(
      "folds", tr("Folds, from the left edge"), [this](const QString& text) { return useFolds(text); }, this);
  folds_->setToolTip(tr("Where this piece is folded, from the left edge: 97, 197. Empty for none."));
  line(tr("folds"), folds_);

  heading(tr("Margins and columns"));
  line(tr("left, right"), field(tr("left margin"), [](F& f) -> double& { return f.setting.left; }),
       field(tr("right margin"), [](F& f) -> double& { return f.setting.right; }));
  line(tr("top, foot"), field(tr("top margin"), [](F& f) -> double& { return f.setting.top; }),
       field(tr("foot margin"), [](F& f) -> double& { return f.setting.bottom; }));
  columns_ = new MeasureField(tr("columns"), Unit::Plain, {}, this);
  tryWith(*columns_, desk_, trial_, tr("Columns"), [this](const Project& p, double count) {
    const auto columns = static_cast<int>(std::lround(std::clamp(count, 1.0, double(limits::mostColumns))));
    return changed(p, [columns](F& f) { f.setting.columns = columns; });
  });
  line(tr("columns"), columns_, field(tr("gutter"), [](F& f) -> double& { return f.setting.gutter; }));
  along_ = new QCheckBox(tr("items at the margins go along"), this);
  along_->setObjectName("marginsTakeAlong");
  along_->setToolTip(tr("When a margin changes, what lies on it keeps lying on it, on all sheets of the piece."));
  grid->addWidget(along_, row++, 0, 1, 3);
  grid_ = new MeasureField(tr("grid"), desk_.unit(), {}, this);
  grid_->setToolTip(tr("From one line of the grid to the next; 0 for none. Shift+F shows and hides it."));
  tryWith(*grid_, desk_, trial_, tr("Grid"), [this](const Project& p, double step) {
    return changed(p, [&](F& f) { f.setting.grid = step > 0 ? std::max(step, limits::leastGrid) : 0; });
  });
  line(tr("grid"), grid_, new QWidget(this));

  heading(tr("Guides"));
  guides_ = new GuidePage(desk, this);
  grid->addWidget(guides_, row++, 0, 1, 3);

  heading(tr("This sheet"));
  paper_ = new QPushButton(this);
  paper_->setObjectName("paperColour");
  paper_->setAccessibleName(tr("Paper colour"));
  connect(paper_, &QPushButton::clicked, this, &PiecePage::choosePaper);
  line(tr("paper"), paper_, new QWidget(this));
  grid->setRowStretch(row, 1);  // what is left over is below, not between

  connect(&PreferencesNow::instance(), &PreferencesNow::changed, this, &PiecePage::refresh);
  for (const auto signal : {&Desk::projectChanged, &Desk::sheetChanged, &Desk::fileChanged})
    connect(&desk, signal, this, &PiecePage::refresh);
}

Project PiecePage::changed(const Project& project, const std::function<void(PieceForm&)>& change) const {
  const PiecePtr piece = pieceOf(project, desk_.sheet()->id);
  PieceForm form = formOf(*piece);
  change(form);
  const Setting before = piece->setting;
  Project next = withPieceForm(project, piece->id, form, scaled_->isChecked() ? Kept::Scaled : Kept::WhereTheyAre);
  return along_->isChecked() ? withItemsAtMargins(next, piece->id, before) : next;
}

MeasureField* PiecePage::field(const QString& name, double& (*of)(PieceForm& form)) {
  auto* made = new MeasureField(name, desk_.unit(), {}, this);
  tryWith(*made, desk_, trial_, name, [this, of](const Project& p, double v) {
    return changed(p, [&](PieceForm& form) { of(form) = std::max(v, 0.0); });
  });
  fields_.emplace_back(made, of);
  return made;
}

QString PiecePage::useFolds(const QString& text) {
  std::vector<double> folds;
  for (const QString& word : text.split(listSign(), Qt::SkipEmptyParts)) {
    const auto fold = parseMeasure(readAsWritten(word), desk_.unit(), 0);
    if (!fold) return tr("“%1” is no place of a fold: %2").arg(word, QString::fromStdString(fold.error().message));
    folds.push_back(*fold);
  }
  std::sort(folds.begin(), folds.end());
  const auto had = desk_.sheet()->folds;
  constexpr double close = 0.01;  // points: what the field shows is rounded
  if (std::equal(folds.begin(), folds.end(), had.begin(), had.end(),
                 [](double a, double b) { return std::abs(a - b) < close; }))
    return {};
  desk_.commit(tr("Folds"), withFolds(desk_.settled(), desk_.sheet()->id, std::move(folds)));
  return {};
}

void PiecePage::chooseUnit() {
  const auto unit = static_cast<Unit>(unit_->currentData().toInt());
  desk_.commit(tr("Unit"), changed(desk_.settled(), [&](PieceForm& form) { form.setting.unit = unit; }));
}

void PiecePage::choosePaper() {
  openColours(*paper_, *this, desk_, trial_,
              {tr("Paper colour"), {}, desk_.sheet()->paper, [this](const Project& p, std::optional<Colour> c) {
                 return c ? withPaper(p, desk_.sheet()->id, *c) : p;
               }});
}

void PiecePage::refresh() {
  if (!isVisible()) return;  // while something is selected, drags need not keep it up to date
  const Project& project = desk_.project();
  const SheetPtr sheet = desk_.sheet();
  const PiecePtr piece = sheet ? pieceOf(project, sheet->id) : nullptr;
  if (!piece) return;
  PieceForm form = formOf(*piece);
  const Unit unit = form.setting.unit;
  const QString name = QString::fromStdString(piece->name);
  heading_->setText(name);
  heading_->setToolTip(name);
  for (const auto& [made, of] : fields_) {
    made->setUnit(unit);
    made->show(of(form));
  }
  columns_->show(form.setting.columns);
  grid_->setUnit(unit);
  grid_->show(form.setting.grid);
  guides_->refresh();
  unit_->setCurrentIndex(unit_->findData(static_cast<int>(unit)));
  folds_->show(foldsText(sheet->folds, unit));
  paintSwatch(*paper_, sheet->paper);
}

}  // namespace widecut

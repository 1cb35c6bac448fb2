#include "app/panels/text_page.h"

#include <QAbstractItemView>
#include <QComboBox>
#include <QCompleter>
#include <QEvent>
#include <QFontDatabase>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QToolButton>
#include <algorithm>

#include "app/desk/word_looks.h"
#include "app/look/theme.h"
#include "app/panels/panel_parts.h"
#include "app/widgets/drag_caption.h"
#include "app/widgets/measure_field.h"
#include "app/widgets/swatch.h"
#include "project/edits/words.h"
#include "project/limits.h"
#include "words/font_library.h"

namespace widecut {
namespace {

constexpr int previewPixels = 15;

struct AlignButton {
  const char* icon;
  const char* name;
};
constexpr AlignButton alignButtons[] = {{"align-left", QT_TRANSLATE_NOOP("widecut::TextPage", "Left")},
                                        {"align-centre", QT_TRANSLATE_NOOP("widecut::TextPage", "Centred")},
                                        {"align-right", QT_TRANSLATE_NOOP("widecut::TextPage", "Right")},
                                        {"align-justified", QT_TRANSLATE_NOOP("widecut::TextPage", "Justified")}};

void setSize(TextStyle& style, double size) {
  size = std::clamp(size, limits::leastTextSize, limits::mostTextSize);
  style.leading = std::min(style.leading * size / style.size, limits::mostTextSize);
  style.size = size;
}

}  // namespace

TextPage::TextPage(Desk& desk, QWidget* parent) : QWidget(parent), desk_(desk) {
  // Not at every frame of a drag: that changes no text into something else.
  for (const auto signal : {&Desk::selectionChanged, &Desk::fileChanged})
    connect(&desk, signal, this, &TextPage::lookForWords);
  connect(&desk, &Desk::fileChanged, this, [this] {
    // A project may have fonts with it.
    if (family_->count() > 0 &&
        fontFamilies(desk_.settled().fonts).size() != static_cast<std::size_t>(family_->count()))
      family_->clear();
  });
  connect(&desk, &Desk::typedStretchChanged, this, [this] {
    if (isVisible()) refresh();
  });
  auto* grid = panelGrid(this);
  int row = 0;
  grid->addWidget(panelHeading(tr("Words"), this), row++, 0, 1, 3);
  family_ = new QComboBox(this);
  family_->setObjectName("fontFamily");
  family_->setAccessibleName(tr("Font family"));
  family_->setEditable(true);
  family_->setInsertPolicy(QComboBox::NoInsert);
  family_->setMaxVisibleItems(16);
  family_->setMinimumWidth(40);
  family_->completer()->setFilterMode(Qt::MatchContains);
  family_->completer()->setCompletionMode(QCompleter::PopupCompletion);
  grid->addWidget(family_, row++, 0, 1, 3);
  face_ = new QComboBox(this);
  face_->setObjectName("fontFace");
  face_->setAccessibleName(tr("Weight and slant"));
  // In a row of their own, so that the fields below share the width.
  auto* faceAndAlign = new QHBoxLayout;
  faceAndAlign->addWidget(face_, 1);
  faceAndAlign->addWidget(buildAlign());
  grid->addLayout(faceAndAlign, row++, 0, 1, 3);
  size_ = field(tr("letter size"), tr("Letter size"), setSize);
  leading_ = field(tr("leading"), tr("Leading"), [](TextStyle& style, double leading) {
    style.leading = std::clamp(leading, 0.0, limits::mostTextSize);
  });
  grid->addWidget(new DragCaption(tr("size, lines"), size_, leading_, this), row, 0);
  grid->setColumnMinimumWidth(0, captionWidth);
  grid->addWidget(size_, row, 1);
  grid->addWidget(leading_, row++, 2);
  colour_ = new QPushButton(this);
  colour_->setObjectName("letterColour");
  colour_->setAccessibleName(tr("Colour of the letters"));
  colour_->setToolTip(tr("Of the selected letters, or of all: a colour of their own, or that of the words"));
  connect(colour_, &QPushButton::clicked, this, &TextPage::chooseColour);
  grid->addWidget(panelCaption(tr("own colour"), this), row, 0);
  grid->addWidget(colour_, row++, 1);
  standIn_ = new QLabel(this);
  standIn_->setObjectName("fontMissing");
  standIn_->setWordWrap(true);
  theme::makeProblem(*standIn_);
  grid->addWidget(standIn_, row, 0, 1, 3);

  const auto familyChange = [](const QString& name) {
    return [family = name.toStdString()](TextStyle& style) { style.face.family = family; };
  };
  connect(family_, &QComboBox::textHighlighted, this,
          [this, familyChange](const QString& name) { tryOut(familyChange(name), Tried::PointedAt); });
  connect(family_, &QComboBox::activated, this,
          [this, familyChange](int i) { apply(tr("Font"), familyChange(family_->itemText(i))); });
  connect(family_->lineEdit(), &QLineEdit::editingFinished, this, [this, familyChange] {
    family_->lineEdit()->setModified(false);
    const auto found = findFamily(family_->currentText().toStdString(), desk_.settled().fonts);
    if (found && found->name != chosenTextStyle(desk_).face.family)
      apply(tr("Font"), familyChange(QString::fromStdString(found->name)));
    refresh();
  });
  const auto faceChange = [this](int i) {
    return
        [weight = face_->itemData(i).toPoint().x(), italic = face_->itemData(i).toPoint().y() != 0](TextStyle& style) {
          style.face.weight = weight;
          style.face.italic = italic;
        };
  };
  connect(face_, &QComboBox::highlighted, this, [this, faceChange](int i) { tryOut(faceChange(i), Tried::PointedAt); });
  connect(face_, &QComboBox::activated, this, [this, faceChange](int i) { apply(tr("Font"), faceChange(i)); });
  // A list that is shut without a choice takes back what it tried.
  for (QComboBox* box : {family_, face_}) box->view()->installEventFilter(this);
}

bool TextPage::eventFilter(QObject* watched, QEvent* event) {
  if (event->type() == QEvent::Hide) trial_.drop();
  return QWidget::eventFilter(watched, event);
}

void TextPage::chooseColour() {
  desk_.settleAll();
  const auto edit = [this](const Project&, std::optional<Colour> c) {
    return withChosenTextStyle(desk_, [&](TextStyle& style) { style.colour = c ? colourText(*c) : std::string(); });
  };
  openColours(*colour_, *this, desk_, trial_,
              {tr("Colour of letters"), tr("as the words"), parseColour(chosenTextStyle(desk_).colour), edit});
}

void TextPage::fillFamilies() {
  const QSignalBlocker quiet(family_);
  for (const FontFamily& family : fontFamilies(desk_.settled().fonts)) {
    const QString name = QString::fromStdString(family.name);
    family_->addItem(name);
    // A name in signs could not be read.
    if (!QFontDatabase::writingSystems(name).contains(QFontDatabase::Latin)) continue;
    QFont preview(name);
    preview.setPixelSize(previewPixels);
    family_->setItemData(family_->count() - 1, preview, Qt::FontRole);
  }
}

void TextPage::fillFaces(const FaceChoice& face) {
  auto family = findFamily(face.family, face.own);
  if (!family) family = findFamily(FaceChoice{}.family);
  const QSignalBlocker quiet(face_);
  // The same ones stay: their list may just be shutting on a choice.
  if (family->name != facesOf_ || face_->count() == 0) {
    facesOf_ = family->name;
    face_->clear();
    for (const FontFace& f : family->faces)
      face_->addItem(QString::fromStdString(nameOf(f)), QPoint(f.weight, f.italic ? 1 : 0));
  }
  const FontFace shown = fontFor(face).face;
  face_->setCurrentIndex(face_->findData(QPoint(shown.weight, shown.italic ? 1 : 0)));
}

MeasureField* TextPage::field(const QString& name, const QString& editName,
                              const std::function<void(TextStyle&, double)>& set) {
  auto* made = new MeasureField(name, Unit::Point, {}, this);
  const auto change = [set](double v) { return [set, v](TextStyle& style) { set(style, v); }; };
  connect(made, &MeasureField::tried, this, [this, change](double v) { tryOut(change(v), Tried::Typed); });
  connect(made, &MeasureField::settled, this, [this, change, editName](double v) { apply(editName, change(v)); });
  connect(made, &MeasureField::dropped, this, [this] { trial_.drop(); });
  return made;
}

QWidget* TextPage::buildAlign() {
  auto* box = new QWidget(this);
  auto* row = new QHBoxLayout(box);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(0);
  for (std::size_t i = 0; i < std::size(alignButtons); ++i) {
    auto* button = new QToolButton(box);
    button->setIcon(theme::icon(alignButtons[i].icon));
    button->setIconSize({18, 18});
    button->setFixedSize(26, 26);
    button->setCheckable(true);
    button->setFocusPolicy(Qt::TabFocus);
    button->setObjectName(alignButtons[i].icon);
    button->setAccessibleName(tr(alignButtons[i].name));
    button->setToolTip(tr(alignButtons[i].name));
    connect(button, &QToolButton::clicked, this, [this, i] {
      apply(tr("Align words"), [i](TextStyle& style) { style.align = static_cast<Align>(i); });
      refresh();
    });
    row->addWidget(button);
    align_[i] = button;
  }
  row->addStretch(1);
  return box;
}

bool TextPage::applies() const { return desk_.tool() == ToolKind::Words || first_ != 0; }

void TextPage::lookForWords() {
  const auto words = wordsAmong(desk_.project(), desk_.selection());
  first_ = words.empty() ? 0 : words.front()->id;
}

void TextPage::apply(const QString& name, const Change& change) {
  trial_.drop();
  desk_.settleAll();  // what is being typed
  TextStyle next = chosenTextStyle(desk_);
  change(next);
  const auto [from, to] = desk_.typedStretch();
  const bool isOfSome = desk_.typedOn() != 0 && from < to;
  if (!wordsAmong(desk_.settled(), desk_.selection()).empty() &&
      !desk_.commit(name, withChosenTextStyle(desk_, change)))
    return;
  if (!isOfSome) desk_.setTextStyleForNew(next);
  refresh();
  if (desk_.typedOn() != 0) emit keysBack();
}

void TextPage::tryOut(const Change& change, Tried how) {
  if (wordsAmong(desk_.settled(), desk_.selection()).empty()) return;
  if (!trial_.isShown()) desk_.settleAll();
  Project changed = withChosenTextStyle(desk_, change);
  if (how == Tried::PointedAt)
    trial_.point(std::move(changed));
  else
    trial_.show(std::move(changed));
}

void TextPage::refresh() {
  if (family_->count() == 0) fillFamilies();  // looking for them takes a moment
  const TextStyle now = chosenTextStyle(desk_);
  if (!trial_.isShown() && !family_->lineEdit()->isModified()) {
    const QSignalBlocker quiet(family_);
    family_->setCurrentIndex(family_->findText(QString::fromStdString(now.face.family), Qt::MatchFixedString));
    family_->setEditText(QString::fromStdString(now.face.family));
    fillFaces(now.face);
  }
  for (MeasureField* length : {size_, leading_}) length->setUnit(desk_.fineUnit());
  size_->show(now.size);
  leading_->show(now.leading);
  paintSwatch(*colour_, parseColour(now.colour));
  for (std::size_t i = 0; i < std::size(align_); ++i) align_[i]->setChecked(static_cast<Align>(i) == now.align);
  const bool isStandIn = fontFor(now.face).isStandIn;
  standIn_->setVisible(isStandIn);
  if (isStandIn)
    standIn_->setText(tr("“%1” is not on this machine: Cabin stands in").arg(QString::fromStdString(now.face.family)));
}

}  // namespace widecut

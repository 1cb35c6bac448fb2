#include "app/window/deliver_dialog.h"

#include <QCheckBox>
#include <QComboBox>
#include <QDialogButtonBox>
#include <QFormLayout>
#include <QLabel>
#include <QPushButton>

#include "app/look/theme.h"
#include "app/widgets/measure_field.h"
#include "app/window/last_delivery.h"
#include "geometry/measure.h"
#include "project/edits/templates.h"
#include "project/limits.h"

namespace widecut {

DeliverDialog::DeliverDialog(Desk& desk, QWidget* parent) : QDialog(parent), desk_(desk) {
  setObjectName("deliverDialog");
  setWindowTitle(tr("Deliver"));
  auto* column = new QVBoxLayout(this);
  auto* form = new QFormLayout;
  column->addLayout(form);
  what_ = new QComboBox(this);
  what_->setObjectName("what");
  what_->addItem(tr("This sheet: %1").arg(QString::fromStdString(desk.sheet()->name)));
  if (const ItemPtr item = desk.onlyItem()) {
    what_->addItem(tr("Only “%1”, on nothing").arg(QString::fromStdString(item->name)));
    what_->setCurrentIndex(1);
  }
  format_ = new QComboBox(this);
  format_->setObjectName("format");
  format_->addItem(tr("PNG picture"), "png");
  format_->addItem(tr("SVG drawing"), "svg");
  format_->addItem(tr("PDF for print"), "pdf");
  const LastDelivery last = lastDelivery(desk);
  inPixels_ = desk.unit() == Unit::Pixel;
  ppiValue_ = last.ppi;
  format_->setCurrentIndex(std::max(0, format_->findData(last.ending)));
  ppi_ = new MeasureField(inPixels_ ? tr("scale") : tr("resolution"), Unit::Plain, inPixels_ ? " ×" : " ppi", this);
  paper_ = new QCheckBox(tr("with the paper's colour"), this);
  paper_->setChecked(last.withPaper);
  bleed_ = new QCheckBox(tr("with the bleed"), this);
  bleed_->setObjectName("bleed");
  letters_ = new QCheckBox(tr("words as text"), this);
  letters_->setObjectName("letters");
  letters_->setToolTip(tr("Words can be searched and changed where it is read, and need their fonts there"));
  templates_ = new QCheckBox(tr("with the templates, as pale as they are"), this);
  templates_->setObjectName("withTemplates");
  templates_->setToolTip(tr("What is there to be drawn over, and is not delivered otherwise"));
  outcome_ = new QLabel(this);
  theme::makeSecondary(*outcome_);
  form->addRow(tr("deliver"), what_);
  form->addRow(tr("as"), format_);
  form->addRow(ppi_->accessibleName(), ppi_);
  form->addRow(QString(), paper_);
  form->addRow(QString(), bleed_);
  form->addRow(QString(), letters_);
  form->addRow(QString(), templates_);
  form->addRow(QString(), outcome_);
  auto* buttons = new QDialogButtonBox(this);
  auto* go = new QPushButton(tr("Choose the file…"), this);
  go->setProperty("primary", true);
  buttons->addButton(go, QDialogButtonBox::AcceptRole);
  go->setDefault(true);
  buttons->addButton(QDialogButtonBox::Cancel);
  column->addWidget(buttons);
  connect(buttons, &QDialogButtonBox::accepted, this, &QDialog::accept);
  connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
  connect(bleed_, &QCheckBox::toggled, this, &DeliverDialog::refresh);
  connect(what_, &QComboBox::currentIndexChanged, this, &DeliverDialog::refresh);
  connect(format_, &QComboBox::currentIndexChanged, this, &DeliverDialog::refresh);
  const auto take = [this](double v) {
    ppiValue_ = std::clamp(inPixels_ ? v * pixelPpi : v, limits::leastPpi, limits::mostPpi);
    refresh();
  };
  connect(ppi_, &MeasureField::tried, this, take);
  connect(ppi_, &MeasureField::settled, this, take);
  refresh();
}

void DeliverDialog::keep() const { keepLast(desk_, {ending(), ppiValue_, paper_->isChecked()}); }

QString DeliverDialog::ending() const { return format_->currentData().toString(); }

Delivery DeliverDialog::delivery() const {
  const ItemPtr item = what_->currentIndex() == 1 ? desk_.onlyItem() : nullptr;
  return {desk_.sheet()->id,
          item ? item->id : 0,
          *deliveryFormat(ending().toStdString()),
          ppiValue_,
          paper_->isChecked() ? Ground::Paper : Ground::Transparent,
          bleed_->isChecked(),
          letters_->isChecked() ? WordsAs::Letters : WordsAs::Outlines,
          templates_->isChecked()};
}

void DeliverDialog::refresh() {
  const Delivery d = delivery();
  const bool picture = d.format == DeliveryFormat::Png;
  ppi_->show(inPixels_ ? ppiValue_ / pixelPpi : ppiValue_);  // what is being typed it leaves alone
  ppi_->setEnabled(picture);
  paper_->setEnabled(d.item == 0);
  templates_->setVisible(hasTemplates(*desk_.sheet()));
  letters_->setEnabled(d.format == DeliveryFormat::Svg);
  bleed_->setEnabled(d.item == 0 && desk_.sheet()->bleed > 0 && d.format != DeliveryFormat::Pdf);
  const Box scene = sceneFor(desk_.settled(), d).area();
  QString said = tr("%1 × %2").arg(desk_.lengthText(scene.width()), desk_.lengthText(scene.height()));
  if (picture)
    said = tr("%1 × %2 px").arg(std::ceil(scene.width() * d.ppi / 72)).arg(std::ceil(scene.height() * d.ppi / 72));
  if (d.item == 0 && desk_.sheet()->bleed > 0 && (d.withBleed || d.format == DeliveryFormat::Pdf))
    said += tr(", with %1 of bleed all round").arg(desk_.lengthText(desk_.sheet()->bleed));
  outcome_->setText(said);
}

}  // namespace widecut

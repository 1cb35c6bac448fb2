#include "app/window/preferences_dialog.h"

#include <QCheckBox>
#include <QComboBox>
#include <QFormLayout>
#include <QGridLayout>
#include <QLabel>
#include <QPushButton>

#include "app/look/theme.h"
#include "app/tools/snapper.h"
#include "app/widgets/measure_field.h"

namespace widecut {

PreferencesDialog::PreferencesDialog(QWidget* window) : QDialog(window) {
  setObjectName("preferences");
  setWindowTitle(tr("Preferences"));
  setAttribute(Qt::WA_DeleteOnClose);
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(20, 16, 20, 16);
  column->setSpacing(12);
  auto* rows = new QFormLayout;
  rows->setHorizontalSpacing(16);
  rows->setVerticalSpacing(9);
  column->addLayout(rows);
  const Preferences& now = preferences();
  addUnit(*rows);
  addChoice(*rows, tr("sums and lengths"), "decimalSign", {tr("12.5 mm"), tr("12,5 mm")},
            static_cast<int>(now.decimalSign),
            [](Preferences& p, int i) { p.decimalSign = static_cast<DecimalSign>(i); });
  addChoice(*rows, tr("look"), "looks", {tr("light"), tr("dark")}, static_cast<int>(now.looks),
            [](Preferences& p, int i) { p.looks = static_cast<Looks>(i); });
  addChoice(*rows, tr("while words are typed"), "marksSpelling",
            {tr("spelling is not marked"), tr("what no dictionary has is marked")}, now.marksSpelling ? 1 : 0,
            [](Preferences& p, int i) { p.marksSpelling = i == 1; });
  auto* seconds = new MeasureField(tr("recovery"), Unit::Plain, tr(" s"), this);
  seconds->show(now.recoverySeconds);
  seconds->setToolTip(tr("How long after a change it is kept, should the program end: 0.2 to 60 seconds"));
  connect(seconds, &MeasureField::settled, this, [seconds](double value) {
    change([&](Preferences& p) { p.recoverySeconds = value; });
    seconds->show(preferences().recoverySeconds);
  });
  rows->addRow(tr("kept for recovery after"), seconds);
  auto* reopens = new QCheckBox(tr("open what was open last time"), this);
  reopens->setObjectName("reopens");
  reopens->setChecked(now.reopens);
  connect(reopens, &QCheckBox::toggled, this, [](bool on) { change([&](Preferences& p) { p.reopens = on; }); });
  rows->addRow(tr("at the start"), reopens);
  addRests(*rows);
  auto* done = new QPushButton(tr("Done"), this);
  done->setObjectName("preferencesDone");
  connect(done, &QPushButton::clicked, this, &QDialog::close);
  column->addWidget(done, 0, Qt::AlignRight);
}

void PreferencesDialog::change(const std::function<void(Preferences&)>& how) {
  Preferences wanted = preferences();
  how(wanted);
  PreferencesNow::instance().set(wanted);
}

void PreferencesDialog::addRests(QFormLayout& rows) {
  auto* all = new QWidget(this);
  auto* grid = new QGridLayout(all);
  grid->setContentsMargins(0, 0, 0, 0);
  constexpr int across = 3;
  for (std::size_t kind = 0; kind < allSnapKinds().size(); ++kind) {
    auto* box = new QCheckBox(wordOf(static_cast<SnapKind>(kind)), all);
    box->setObjectName(QString("restsAt%1").arg(kind));
    box->setChecked(preferences().restsAt[kind]);
    connect(box, &QCheckBox::toggled, this, [kind](bool on) { change([&](Preferences& p) { p.restsAt[kind] = on; }); });
    const int place = static_cast<int>(kind);
    grid->addWidget(box, place / across, place % across);
  }
  rows.addRow(tr("snap to"), all);
}

void PreferencesDialog::addUnit(QFormLayout& rows) {
  static constexpr Unit units[] = {Unit::Millimetre, Unit::Centimetre, Unit::Inch, Unit::Point};
  QStringList words;
  int now = 0;
  for (std::size_t i = 0; i < std::size(units); ++i) {
    words << QString::fromUtf8(nameOf(units[i]).data());
    if (units[i] == preferences().unit) now = static_cast<int>(i);
  }
  addChoice(rows, tr("unit of new pieces in print"), "preferredUnit", words, now,
            [](Preferences& p, int i) { p.unit = units[static_cast<std::size_t>(i)]; });
}

void PreferencesDialog::addChoice(QFormLayout& rows, const QString& caption, const char* name, const QStringList& words,
                                  int now, const std::function<void(Preferences&, int)>& choose) {
  auto* box = new QComboBox(this);
  box->setObjectName(name);
  box->setAccessibleName(caption);
  box->addItems(words);
  box->setCurrentIndex(now);
  connect(box, &QComboBox::currentIndexChanged, this,
          [choose](int i) { change([&](Preferences& p) { choose(p, i); }); });
  rows.addRow(caption, box);
}

}  // namespace widecut

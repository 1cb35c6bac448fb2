#include "app/bench/subject_row.h"

#include <QHBoxLayout>
#include <QPushButton>
#include <map>

#include "app/bench/page_layout.h"
#include "app/desk/subjects.h"
#include "app/look/amber_corner.h"
#include "app/widgets/typed_field.h"
#include "project/edits/sharing.h"
#include "project/limits.h"

namespace widecut {

SubjectRow::SubjectRow(Desk& desk, QWidget* parent) : QWidget(parent), desk_(desk) {
  row_ = new QHBoxLayout(this);
  row_->setContentsMargins(0, 0, 0, 0);
  row_->setSpacing(6);
  const auto take = [this](const QString& text) {
    rename(text.trimmed());
    return QString();
  };
  name_ = new TypedField("subjectName", tr("Name of the subject"), take, this);
  name_->setFixedWidth(120);
  row_->addWidget(name_);
  away_ = new QPushButton(tr("Take away"), this);
  away_->setObjectName("takeSubjectAway");
  away_->setToolTip(tr("It need not stay whole any more"));
  row_->addWidget(away_);
  // More than fit are scrolled by the wheel, and by Tab.
  auto* box = new QWidget(this);
  chipRow_ = new QHBoxLayout(box);
  chipRow_->setContentsMargins(0, 0, 0, 0);
  chipRow_->setSpacing(4);
  chipRow_->addStretch(1);
  QScrollArea* scroll = sidewaysScroll(*box, *this);
  scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  scroll->setFixedHeight(30);
  row_->addWidget(scroll, 1);
  connect(away_, &QPushButton::clicked, this, &SubjectRow::takeAway);
}

void SubjectRow::show(const MediumPtr& photo, Id item) {
  if (!photo_ || photo_->hash != photo->hash) chosen_.reset();
  photo_ = photo;
  item_ = item;
  const std::vector<Subject>& subjects = subjectsOf(desk_.project(), *photo);
  if (chips_.size() != subjects.size()) {
    chosen_.reset();
    build(subjects.size());
  }
  std::map<std::size_t, SubjectSeen> cut;
  for (const Id id : sharersOf(desk_.project(), item))
    for (const SubjectSeen& seen : desk_.subjects().cutBy(id)) cut.emplace(seen.index, seen);
  for (std::size_t i = 0; i < chips_.size(); ++i) {
    const auto found = cut.find(i);
    const QString name = QString::fromStdString(subjects[i].name);
    chips_[i]->setText(found == cut.end() ? name : tr("%1 · cut by %2 %").arg(name).arg(cutPercent(found->second)));
    chips_[i]->setIcon(found == cut.end() ? QIcon() : amberCornerIcon());
    chips_[i]->setChecked(chosen_ == i);
  }
  name_->setVisible(chosen_.has_value());
  away_->setVisible(chosen_.has_value());
  if (chosen_) name_->show(QString::fromStdString(subjects[*chosen_].name));
}

void SubjectRow::build(std::size_t count) {
  for (QPushButton* chip : chips_) delete chip;
  chips_.clear();
  for (std::size_t i = 0; i < count; ++i) {
    auto* chip = new QPushButton(this);
    chip->setCheckable(true);
    chip->setObjectName(QString("subject%1").arg(i + 1));
    chip->setToolTip(tr("Rename it, or take it away"));
    connect(chip, &QPushButton::clicked, this, [this, i](bool on) { choose(on ? std::optional(i) : std::nullopt); });
    chipRow_->insertWidget(chipRow_->count() - 1, chip);
    chips_.push_back(chip);
  }
}

void SubjectRow::choose(std::optional<std::size_t> index) {
  chosen_ = index;
  name_->clearFocus();
  show(photo_, item_);
  if (!index) return;
  name_->setFocus();
  name_->selectAll();
}

void SubjectRow::rename(const QString& name) {
  if (!chosen_ || name.isEmpty()) return;
  std::vector<Subject> subjects = subjectsOf(desk_.settled(), *photo_);
  if (*chosen_ >= subjects.size()) return;
  subjects[*chosen_].name = shortened(name.toStdString());
  changeSubjects(desk_, photo_, tr("Rename a subject"), std::move(subjects));
}

void SubjectRow::takeAway() {
  std::vector<Subject> subjects = subjectsOf(desk_.settled(), *photo_);
  if (!chosen_ || *chosen_ >= subjects.size()) return;
  subjects.erase(subjects.begin() + static_cast<std::ptrdiff_t>(*chosen_));
  chosen_.reset();
  changeSubjects(desk_, photo_, tr("Take a subject away"), std::move(subjects));
}

}  // namespace widecut

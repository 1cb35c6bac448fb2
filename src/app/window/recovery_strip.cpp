#include "app/window/recovery_strip.h"

#include <QDateTime>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>

#include "app/look/theme.h"
#include "media/photo_decode.h"

namespace widecut {

RecoveryStrip::RecoveryStrip(std::vector<LeftBehind> left, TakeUp takeUp, QWidget* parent)
    : QFrame(parent), left_(std::move(left)), takeUp_(std::move(takeUp)) {
  setObjectName("recovery");
  setAccessibleName(tr("Recovered work"));
  theme::setSheet(*this, "#recovery { background: #FBF9F4; border: none; border-bottom: 1px solid #D5CDBD; }");
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(14, 10, 14, 10);
  row->setSpacing(18);
  auto* words = new QVBoxLayout;
  auto* heading = new QLabel(tr("Recovered work"), this);
  theme::makeHeading(*heading);
  auto* text = new QLabel(tr("The program ended before this was saved."), this);
  text->setWordWrap(true);
  text->setMinimumWidth(130);
  auto* later = new QPushButton(tr("Later"), this);
  later->setObjectName("recoverLater");
  later->setToolTip(tr("It is offered again at the next start"));
  connect(later, &QPushButton::clicked, this, &QWidget::hide);
  words->addWidget(heading);
  words->addWidget(text);
  words->addStretch(1);
  words->addWidget(later, 0, Qt::AlignLeft);
  row->addLayout(words);
  constexpr std::size_t most = 3;  // as many as a narrow window shows; the next start has the others
  for (std::size_t i = 0; i < std::min(left_.size(), most); ++i) addCard(i);
  row->addStretch(1);
}

void RecoveryStrip::addCard(std::size_t index) {
  const LeftBehind& left = left_[index];
  auto* card = new QWidget(this);
  auto* row = new QHBoxLayout(card);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(10);
  auto* picture = new QLabel(card);
  QPixmap shown;
  if (const auto decoded = decodedPhoto(left.picture, 0, false, {.seconds = 1})) shown = QPixmap::fromImage(*decoded);
  if (shown.isNull()) {
    shown = QPixmap(96, 68);
    shown.fill(Qt::white);
  }
  const double ratio = devicePixelRatioF();
  shown = shown.scaled(QSize(116, 82) * ratio, Qt::KeepAspectRatio, Qt::SmoothTransformation);
  shown.setDevicePixelRatio(ratio);
  picture->setPixmap(shown);
  theme::setSheet(*picture, "border: 1px solid #D5CDBD");
  picture->setFixedSize((shown.deviceIndependentSize() + QSizeF(2, 2)).toSize());
  row->addWidget(picture, 0, Qt::AlignTop);
  auto* words = new QVBoxLayout;
  words->setSpacing(2);
  const QString file = QFileInfo(QString::fromStdString(left.path)).fileName();
  const QString name = file.isEmpty() ? QString::fromStdString(left.name) : file;
  auto* title = new QLabel(fontMetrics().elidedText(name, Qt::ElideMiddle, 150), card);
  title->setFont(theme::font(13, QFont::Medium));
  title->setToolTip(QString::fromStdString(left.path));
  words->addWidget(title);
  auto* when = new QLabel(QLocale().toString(QDateTime::fromSecsSinceEpoch(left.keptAt), QLocale::ShortFormat), card);
  theme::makeSecondary(*when);
  words->addWidget(when);
  words->addStretch(1);
  auto* buttons = new QHBoxLayout;
  buttons->setSpacing(6);
  auto* take = new QPushButton(tr("Take up"), card);
  take->setObjectName(QString("takeUp%1").arg(index));
  take->setProperty("primary", true);
  take->setAccessibleName(tr("Take up %1").arg(name));
  auto* drop = new QPushButton(tr("Throw away"), card);
  drop->setObjectName(QString("throwAway%1").arg(index));
  drop->setAccessibleName(tr("Throw away %1").arg(name));
  connect(take, &QPushButton::clicked, this, [this, index] { takeUp_(left_[index], [this, index] { gone(index); }); });
  connect(drop, &QPushButton::clicked, this, [this, index] {
    left_[index].putAway();
    gone(index);
  });
  buttons->addWidget(take);
  buttons->addWidget(drop);
  words->addLayout(buttons);
  row->addLayout(words);
  cards_.push_back(card);
  static_cast<QHBoxLayout*>(layout())->addWidget(card);
}

void RecoveryStrip::gone(std::size_t index) {
  cards_[index]->hide();
  bool any = false;
  for (const QWidget* card : cards_) any = any || !card->isHidden();
  if (!any) hide();
}

}  // namespace widecut

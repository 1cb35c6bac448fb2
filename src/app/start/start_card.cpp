#include "app/start/start_card.h"

#include <QPainter>

#include "app/look/theme.h"

namespace widecut {
namespace {

constexpr int edge = 8, leastWidth = 92, wordsHeight = 38;
constexpr QSize filePicture{132, 88};

QSize sizeOf(const Format& format, double scale) {
  // The second sheet of a piece peeps out behind the first.
  const int behind = format.sheets.size() > 1 ? 5 : 0;
  return {static_cast<int>(std::lround(format.width * scale)) + behind,
          static_cast<int>(std::lround(format.height * scale)) + behind};
}

QString noteOf(const Format& format) {
  const QString unit = QString::fromUtf8(nameOf(format.unit).data());
  return QString("%1 × %2 %3").arg(format.width).arg(format.height).arg(unit);
}

}  // namespace

StartCard::StartCard(const QString& name, const QString& note, QSize picture, QWidget* parent)
    : QAbstractButton(parent), note_(note), picture_(picture) {
  setText(name);
  setAccessibleName(name + ", " + note);
  setFocusPolicy(Qt::StrongFocus);
  setCursor(Qt::PointingHandCursor);
  setAttribute(Qt::WA_Hover);
  setSizePolicy(QSizePolicy::Fixed, QSizePolicy::Fixed);
}

QSize StartCard::sizeHint() const {
  const QFontMetrics name(theme::font(13)), note(theme::font(11));
  const int words = std::max(name.horizontalAdvance(text()), note.horizontalAdvance(note_));
  return {std::max({picture_.width(), words, leastWidth}) + 2 * edge, picture_.height() + wordsHeight + 2 * edge};
}

void StartCard::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  const bool lit = underMouse() || hasFocus();
  if (lit) {
    painter.setPen(QPen(hasFocus() ? theme::amber : theme::matLine, 2));
    painter.setBrush(theme::matLine);
    painter.drawRoundedRect(QRectF(rect()).adjusted(1, 1, -1, -1), 3, 3);
  }
  const QRectF area(
      QPointF(std::round((width() - picture_.width()) / 2.0), height() - wordsHeight - edge - picture_.height()),
      QSizeF(picture_));
  paintPicture(painter, area);
  painter.setPen(theme::onMat);  // in both looks
  painter.setFont(theme::font(13));
  const QRectF words(2, height() - wordsHeight - 2, width() - 4, 18);
  painter.drawText(words, Qt::AlignHCenter | Qt::AlignVCenter, text());
  painter.setPen(theme::paleOnMat);
  painter.setFont(theme::font(11));
  painter.drawText(words.translated(0, 17), Qt::AlignHCenter | Qt::AlignVCenter, note_);
}

void StartCard::focusInEvent(QFocusEvent* event) {
  QAbstractButton::focusInEvent(event);
  emit focused();
}

FormatCard::FormatCard(const Format& format, double scale, QWidget* parent)
    : StartCard(QString::fromUtf8(format.name.data()), noteOf(format), sizeOf(format, scale), parent),
      format_(format),
      scale_(scale) {}

void FormatCard::paintPicture(QPainter& painter, const QRectF& area) const {
  const QSizeF paper(format_.width * scale_, format_.height * scale_);
  painter.setPen(Qt::NoPen);
  for (int i = format_.sheets.size() > 1 ? 1 : 0; i >= 0; --i) {
    const QRectF sheet(area.topLeft() + QPointF(5 * i, 5 * i), paper);
    painter.setBrush(QColor(20, 34, 31, 110));
    painter.drawRect(sheet.translated(2, 3));
    painter.setBrush(i == 0 ? QColor(Qt::white) : QColor(0xDD, 0xD8, 0xCB));
    painter.drawRect(sheet);
  }
  painter.setPen(QPen(QColor(0xC9, 0x8F, 0x80), 1, Qt::DotLine));
  for (const double fold : format_.sheets.front().folds) {
    const double x = std::round(area.left() + fold * scale_) + 0.5;
    painter.drawLine(QPointF(x, area.top()), QPointF(x, area.top() + paper.height()));
  }
}

FileCard::FileCard(const QString& name, const QString& note, const QImage& picture, QWidget* parent)
    : StartCard(QFontMetrics(theme::font(13)).elidedText(name, Qt::ElideMiddle, filePicture.width() + 20), note,
                filePicture, parent),
      image_(picture) {
  setAccessibleName(name + ", " + note);
}

void FileCard::paintPicture(QPainter& painter, const QRectF& area) const {
  QSizeF size = image_.isNull() ? QSizeF(area.height() * 1.414, area.height()) : QSizeF(image_.size());
  size.scale(area.size(), Qt::KeepAspectRatio);
  const QRectF place(
      QPointF(std::round(area.center().x() - size.width() / 2), std::round(area.bottom() - size.height())), size);
  painter.fillRect(place.translated(2, 3), QColor(20, 34, 31, 110));
  painter.fillRect(place, Qt::white);
  painter.setRenderHint(QPainter::SmoothPixmapTransform);
  if (!image_.isNull()) painter.drawImage(place, image_);
}

}  // namespace widecut

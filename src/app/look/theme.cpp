#include "app/look/theme.h"

#include <QApplication>
#include <QFile>
#include <QFontDatabase>
#include <QIconEngine>
#include <QPainter>
#include <QPalette>
#include <QStyleFactory>
#include <QSvgRenderer>
#include <QWidget>
#include <optional>
#include <utility>

#include "app/desk/preferences.h"
#include "words/bundled_fonts.h"

/// Resources of a static library have to be called in, from outside any namespace.
static void takeInResources() { Q_INIT_RESOURCE(interface); }

namespace widecut::theme {
namespace {

const char* const styleSheet = R"(
QMainWindow, QDialog { background: #F1EDE3; }
QWidget { color: #23302E; }
QMenuBar { background: #E6DECE; border-bottom: 1px solid #D5CDBD; padding: 1px 2px; }
QMenuBar::item { padding: 3px 8px; border-radius: 3px; background: transparent; }
QMenuBar::item:selected { background: #D5CDBD; }
QMenu { background: #FBF9F4; border: 1px solid #C9BFAC; padding: 4px; }
QMenu::item { padding: 4px 26px 4px 12px; border-radius: 3px; }
QMenu::item:selected { background: #E5DAF2; color: #23302E; }
QMenu::item:disabled { color: #A39D90; }
QMenu::separator { height: 1px; background: #D5CDBD; margin: 4px 6px; }
QLineEdit { background: #FFFFFF; border: 1px solid #D5CDBD; border-radius: 3px; padding: 1px 6px; min-height: 18px;
  selection-background-color: #6B3BAA; selection-color: #FFFFFE; }
QLineEdit:focus { border: 1px solid #6C3BAA; }
QLineEdit:disabled { background: #F1EDE3; color: #8A928F; }
QLineEdit[wrong="true"] { border: 1px solid #BF3F26; background: #FBEDE9; }
QPushButton { background: #FFFFFF; border: 1px solid #D5CDBD; border-radius: 3px; padding: 3px 10px; min-height: 16px; }
QPushButton:hover { border-color: #8A7FA0; background: #FBF9F4; }
QPushButton:focus { border-color: #6C3BAA; }
QPushButton:pressed { background: #E6DECE; }
QPushButton:checked { border: 2px solid #6C3BAA; padding: 2px 9px; }
QPushButton:disabled { color: #8F938D; background: #F5F2EA; }
QPushButton[primary="true"] { background: #BE3F26; color: #FFFFFE; border-color: #BE3F26; }
QPushButton[primary="true"]:hover { background: #A93620; }
QToolButton { background: transparent; border: none; border-radius: 3px; padding: 2px; }
QToolButton:hover { background: #EFE8DA; }
QToolButton:checked { background: #E6DECE; }
QComboBox { background: #FFFFFF; border: 1px solid #D5CDBD; border-radius: 3px; padding: 2px 8px; min-height: 18px; }
QComboBox:disabled { background: #F1EDE3; color: #8A928F; }
QComboBox::drop-down { border: none; width: 20px; }
QComboBox::down-arrow { image: url(:/icons/down.svg); width: 10px; height: 10px; }
QComboBox QAbstractItemView { background: #FBF9F4; selection-background-color: #E5DAF2; selection-color: #23302E; }
QDialogButtonBox, QMessageBox { dialogbuttonbox-buttons-have-icons: 0; }
QCheckBox:disabled { color: #8F938D; }
QSlider::groove:horizontal { height: 3px; background: #CFC6B4; border-radius: 1px; }
QSlider::sub-page:horizontal { background: #23302E; border-radius: 1px; }
QSlider::handle:horizontal { width: 11px; height: 11px; margin: -5px 0; border-radius: 6px; background: #FFFFFF;
  border: 2px solid #23302E; }
QSlider::handle:horizontal:focus { border-color: #6C3BAA; }
QSplitter::handle { background: #D5CDBD; }
QScrollArea, QScrollArea > QWidget > QWidget { background: transparent; border: none; }
QScrollBar:vertical { width: 8px; background: transparent; }
QScrollBar:horizontal { height: 8px; background: transparent; }
QScrollBar::handle { background: #CFC6B4; border-radius: 3px; min-height: 24px; min-width: 24px; }
QScrollBar::add-line, QScrollBar::sub-line { width: 0; height: 0; }
QTreeView { background: transparent; border: none; outline: none; }
QTreeView::item { height: 25px; border-bottom: 1px solid #E2DACA; }
QTreeView::item:selected { background: #E5DAF2; color: #23302E; }
QTreeView::item:hover:!selected { background: #F7F3EA; }
QTreeView::branch { background: transparent; }
QTreeView::branch:selected { background: #E5DAF2; }
QToolTip { background: #23302E; color: #FBF9F4; border: none; padding: 4px 6px; }
QCheckBox::indicator { width: 13px; height: 13px; border: 1px solid #A79D8A; border-radius: 2px; background: #FFFFFF; }
QCheckBox::indicator:checked { background: #23302E; border-color: #23302E; image: url(:/icons/tick.svg); }
QCheckBox::indicator:disabled { background: #D5CDBD; border-color: #D5CDBD; }
)";

}  // namespace

namespace {

/// Colours, and pictures in style sheets, of the chrome in the light look and in the dark one.
struct Pair {
  const char *light, *dark;
};
constexpr Pair pairs[] = {
    {"#F1EDE3", "#2A3331"},         {"#FBF9F4", "#333D3A"},        {"#D5CDBD", "#4A5652"}, {"#E6DECE", "#222A28"},
    {"#23302E", "#ECE7DB"},         {"#5F6B67", "#B3BCB7"},        {"#E5DAF2", "#4B3B66"}, {"#FFFFFF", "#1F2725"},
    {"#C9BFAC", "#56635E"},         {"#A79D8A", "#7F8B86"},        {"#E2DACA", "#3C4744"}, {"#F7F3EA", "#394441"},
    {"#CFC6B4", "#56635E"},         {"#EFE8DA", "#3E4946"},        {"#A39D90", "#707B77"}, {"#8A928F", "#7C8783"},
    {"#8F938D", "#7C8783"},         {"#F5F2EA", "#2E3835"},        {"#6C3BAA", "#B79AE6"}, {"#8A7FA0", "#8A7FA0"},
    {"down.svg", "down-light.svg"}, {"tick.svg", "tick-dark.svg"}, {"#BF3F26", "#F0896F"}, {"#FBEDE9", "#4A2C26"},
    {"#A93620", "#D04E33"},
};

QColor chrome(const char* light) { return QColor(inLooks(light)); }

void takeOnLooks(QApplication& app) {
  linen = chrome("#F1EDE3");
  card = chrome("#FBF9F4");
  rule = chrome("#D5CDBD");
  sand = chrome("#E6DECE");
  ink = chrome("#23302E");
  slate = chrome("#5F6B67");
  plumTint = chrome("#E5DAF2");
  field = chrome("#FFFFFF");
  QPalette p;
  p.setColor(QPalette::Window, linen);
  p.setColor(QPalette::Base, field);
  p.setColor(QPalette::Button, card);
  for (const auto role : {QPalette::WindowText, QPalette::Text, QPalette::ButtonText}) p.setColor(role, ink);
  p.setColor(QPalette::PlaceholderText, slate);
  p.setColor(QPalette::Highlight, plum);
  p.setColor(QPalette::HighlightedText, Qt::white);
  QApplication::setPalette(p);
  app.setStyleSheet(inLooks(styleSheet));
  for (QWidget* widget : QApplication::allWidgets()) {
    if (const QVariant sheet = widget->property("lightSheet"); sheet.isValid())
      widget->setStyleSheet(inLooks(sheet.toString()));
    widget->update();
  }
}

}  // namespace

QString inLooks(QString text) {
  if (preferences().looks == Looks::Light) return text;
  for (const Pair& pair : pairs) text.replace(QString(pair.light), QString(pair.dark), Qt::CaseInsensitive);
  return text;
}

void setSheet(QWidget& widget, const QString& sheet) {
  widget.setProperty("lightSheet", sheet);
  // A sheet is read, and everything laid out again, even where it is the same one.
  if (const QString now = inLooks(sheet); widget.styleSheet() != now) widget.setStyleSheet(now);
}

void apply(QApplication& app) {
  takeInResources();
  for (const BundledFont& bundled : bundledFonts()) {
    const auto bytes = QByteArray::fromRawData(reinterpret_cast<const char*>(bundled.bytes.data()),
                                               static_cast<qsizetype>(bundled.bytes.size()));
    if (QFontDatabase::addApplicationFontFromData(bytes) < 0) qWarning("the font %s is not there", bundled.family);
  }
  QApplication::setStyle(QStyleFactory::create("Fusion"));
  QApplication::setFont(font(13));
  PreferencesNow::instance().load();
  takeOnLooks(app);
  QObject::connect(&PreferencesNow::instance(), &PreferencesNow::changed, &app,
                   [&app, shown = preferences().looks]() mutable {
                     if (std::exchange(shown, preferences().looks) != preferences().looks) takeOnLooks(app);
                   });
}

QFont font(int pixels, QFont::Weight weight) {
  QFont f("Cabin");
  f.setPixelSize(pixels);
  f.setWeight(weight);
  return f;
}

namespace {

// By style sheet: the palette of a label is not that of the application's style sheet.
void setColour(QWidget& label, const char* light) { setSheet(label, QString("color: ") + light); }

}  // namespace

void makeHeading(QWidget& label) {
  label.setFont(heading());
  makeSecondary(label);
}

void makeSecondary(QWidget& label) { setColour(label, "#5F6B67"); }

void makeOnMat(QWidget& label, const QColor& colour) { label.setStyleSheet("color: " + colour.name()); }
void makeProblem(QWidget& label) { setColour(label, "#BF3F26"); }

QFont heading() {
  QFont f = font(12, QFont::Medium);
  f.setCapitalization(QFont::AllUppercase);
  f.setLetterSpacing(QFont::AbsoluteSpacing, 0.6);
  return f;
}

namespace {

/// An icon of one SVG whose ink is that of the looks.
class InkIcon : public QIconEngine {
 public:
  explicit InkIcon(const QString& file) : file_(file) {}
  void paint(QPainter* painter, const QRect& area, QIcon::Mode mode, QIcon::State) override {
    if (of_ != preferences().looks) {
      QFile file(file_);
      if (!file.open(QIODevice::ReadOnly)) return;
      drawing_.load(inLooks(QString::fromUtf8(file.readAll())).toUtf8());
      of_ = preferences().looks;
    }
    painter->save();
    constexpr double pale = 0.4;
    if (mode == QIcon::Disabled) painter->setOpacity(painter->opacity() * pale);
    drawing_.render(painter, area);
    painter->restore();
  }
  QPixmap pixmap(const QSize& size, QIcon::Mode mode, QIcon::State state) override {
    QPixmap out(size);
    out.fill(Qt::transparent);
    QPainter painter(&out);
    paint(&painter, QRect({0, 0}, size), mode, state);
    return out;
  }
  QIconEngine* clone() const override { return new InkIcon(file_); }

 private:
  QString file_;
  QSvgRenderer drawing_;
  std::optional<Looks> of_;  ///< The looks that the drawing was read for.
};

}  // namespace

QIcon icon(const QString& name) {
  const QString file = ":/icons/" + name + ".svg";
  return name == "app" ? QIcon(file) : QIcon(new InkIcon(file));
}

QColor colourOf(Role role) {
  switch (role) {
    case Role::Add:
      return pine;
    case Role::Subtract:
      return rust;
    case Role::Intersect:
      return blue;
    case Role::Exclude:
      return ochre;
  }
  return ink;
}

QString signOf(Role role) {
  switch (role) {
    case Role::Add:
      return QStringLiteral("+");
    case Role::Subtract:
      return QStringLiteral("−");
    case Role::Intersect:
      return QStringLiteral("∩");
    case Role::Exclude:
      return QStringLiteral("⊕");
  }
  return {};
}

QBrush patternOf(Role role, int alpha) {
  QColor colour = colourOf(role);
  colour.setAlpha(alpha);
  QImage tile(8, 8, QImage::Format_ARGB32_Premultiplied);
  tile.fill(Qt::transparent);
  QPainter painter(&tile);
  painter.setRenderHint(QPainter::Antialiasing);
  painter.setPen(QPen(colour, 1.1));
  switch (role) {
    case Role::Add: {
      colour.setAlpha(alpha / 3);
      return colour;
    }
    case Role::Subtract:
      for (const int shift : {-8, 0, 8}) painter.drawLine(shift, 8, shift + 8, 0);
      break;
    case Role::Intersect:
      painter.setPen(Qt::NoPen);
      painter.setBrush(colour);
      painter.drawEllipse(QPointF(2, 2), 1.2, 1.2);
      painter.drawEllipse(QPointF(6, 6), 1.2, 1.2);
      break;
    case Role::Exclude:
      colour.setAlpha(alpha / 2);
      painter.fillRect(0, 0, 4, 4, colour);
      painter.fillRect(4, 4, 4, 4, colour);
      break;
  }
  painter.end();
  return QBrush(tile);
}

}  // namespace widecut::theme

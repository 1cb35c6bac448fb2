// Colours, type and icons of the interface.
#pragma once

#include <QColor>
#include <QFont>
#include <QIcon>

#include "cutting/formula.h"

class QApplication;
class QPainter;
class QWidget;

namespace widecut::theme {

// Those of the chrome have a dark form; those on the mat and on sheets stay.
inline QColor linen{0xF1, 0xED, 0xE3}, card{0xFB, 0xF9, 0xF4}, rule{0xD5, 0xCD, 0xBD}, sand{0xE6, 0xDE, 0xCE};
inline QColor ink{0x23, 0x30, 0x2E}, slate{0x5F, 0x6B, 0x67}, plumTint{0xE5, 0xDA, 0xF2}, field{0xFF, 0xFF, 0xFF};
inline const QColor mat{0x35, 0x50, 0x4A}, matLine{0x42, 0x60, 0x5A};
inline const QColor onMat{0xFB, 0xF9, 0xF4}, paleOnMat{0xC3, 0xD0, 0xCA};
inline const QColor rust{0xBF, 0x3F, 0x26}, plum{0x6C, 0x3B, 0xAA}, pine{0x2F, 0x7D, 0x4F};
inline const QColor blue{0x2B, 0x5C, 0x9E}, ochre{0xA8, 0x6A, 0x12}, amber{0xF2, 0xB2, 0x33};

/// Bundled type, palette and style sheet, as the person prefers to have it; follows when that changes.
void apply(QApplication& app);
/// A style sheet of one widget, in the colours of the light look; follows the looks that are preferred.
void setSheet(QWidget& widget, const QString& sheet);
/// A text with colours of the light look, in those that are preferred.
QString inLooks(QString text);
/// The interface's font at a size in pixels.
QFont font(int pixels, QFont::Weight weight = QFont::Normal);
/// A small heading: capitals, widely set.
QFont heading();
/// A label as such a heading, as text that steps back, or as one that says what is wrong.
void makeHeading(QWidget& label);
void makeSecondary(QWidget& label);
void makeProblem(QWidget& label);
/// A label that lies on the mat.
void makeOnMat(QWidget& label, const QColor& colour);
/// One of our own icons by file name.
QIcon icon(const QString& name);

QColor colourOf(Role role);
QString signOf(Role role);
/// Fills a shape with the pattern of a role: hatch, dots or checks, so that colour is never the only sign.
QBrush patternOf(Role role, int alpha);

}  // namespace widecut::theme

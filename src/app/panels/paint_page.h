// The paint of the selection: its fills and lines as lists, how opaque it is and how it mixes.
#pragma once

#include <QWidget>

#include "app/desk/desk.h"
#include "app/desk/trial.h"

class QComboBox;
class QLabel;
class QPushButton;
class QSlider;
class QVBoxLayout;

namespace widecut {

class MeasureField;

/// A row of a list of fills or lines: eye, swatch, what it is, and of lines how wide. Dragged up or down it changes its
/// place.
class PaintRow : public QWidget {
  Q_OBJECT
 public:
  PaintRow(bool isLine, const QString& suffix, QWidget* parent);

  QPushButton *eye, *swatch, *words, *remove;
  MeasureField* width = nullptr;  ///< Of lines alone.
  void setChosen(bool chosen);

 signals:
  /// It was dropped this many rows further down.
  void movedBy(int rows);

 protected:
  void paintEvent(QPaintEvent* event) override;
  bool eventFilter(QObject* watched, QEvent* event) override;

 private:
  bool chosen_ = false, dragged_ = false;
  QPoint pressed_;
};

class PaintPage : public QWidget {
  Q_OBJECT
 public:
  PaintPage(Desk& desk, QWidget* parent);
  void refresh(const std::vector<ItemPtr>& items);

 private:
  using StyleEdit = std::function<void(Style&)>;

  void buildLists(std::size_t fills, std::size_t lines);
  PaintRow* newRow(bool isLine, std::size_t fromFront, std::size_t count);
  void show(PaintRow& row, const Item& item, PaintPlace place);
  void add(bool isLine);
  bool make(const QString& name, const StyleEdit& edit);
  Project restyled(const Project& project, const StyleEdit& edit) const;

  Desk& desk_;
  Trial trial_{desk_};
  QVBoxLayout *fills_, *lines_;
  std::vector<PaintRow*> fillRows_, lineRows_;
  std::size_t builtFills_ = static_cast<std::size_t>(-1), builtLines_ = static_cast<std::size_t>(-1);
  MeasureField* opacity_;
  QSlider* opacitySlider_;
  MeasureField* pale_ = nullptr;
  QLabel *paleCaption_ = nullptr, *paleSays_ = nullptr;
  QComboBox* blend_;
  QPushButton* finish_;
};

}  // namespace widecut

// Styles with names, on the bench: given to words, made of how they look, changed, based on one another.
#pragma once

#include <QWidget>

#include "app/desk/desk.h"
#include "words/text_looks.h"

class QComboBox;
class QPushButton;

namespace widecut {

class TypedField;
class WordsStyles : public QWidget {
  Q_OBJECT
 public:
  explicit WordsStyles(Desk& desk, QWidget* parent = nullptr);
  void refresh();

 private:
  /// Styles of paragraphs, or of letters.
  struct Row {
    bool isOfParagraphs = true;
    QComboBox *style, *basedOn;
    TypedField* name;
    QPushButton *make, *take, *remove;
  };
  Row buildRow(bool isOfParagraphs);
  void fill(const Row& row);
  NamedLookPtr chosen(const Row& row) const;
  /// What is chosen, as a look that a style says.
  Look lookNow(const Row& row, const NamedLookPtr& basedOn) const;
  void give(const Row& row, const NamedLookPtr& style);
  void make(const Row& row);
  void take(const Row& row);
  void rename(const Row& row, const QString& text);
  void base(const Row& row, std::uint32_t on);
  void remove(const Row& row);

  Desk& desk_;
  Row rows_[2];
};

}  // namespace widecut

// The page of preferences. What is set there shows at once.
#pragma once

#include <QDialog>
#include <functional>

#include "app/desk/preferences.h"

class QFormLayout;

namespace widecut {

class PreferencesDialog : public QDialog {
  Q_OBJECT
 public:
  explicit PreferencesDialog(QWidget* window);

 private:
  void addRests(QFormLayout& rows);
  void addUnit(QFormLayout& rows);
  void addChoice(QFormLayout& rows, const QString& caption, const char* name, const QStringList& words, int now,
                 const std::function<void(Preferences&, int)>& choose);
  static void change(const std::function<void(Preferences&)>& how);
};

}  // namespace widecut

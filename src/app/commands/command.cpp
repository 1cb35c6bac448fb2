#include "app/commands/command.h"

#include <QCoreApplication>

namespace widecut {
namespace {

QString translated(const char* words) { return QCoreApplication::translate("Commands", words); }

}  // namespace

QString Command::menuWords() const { return translated(words); }

QString Command::buttonWords() const {
  const QString said = translated(*brief ? brief : words);
  const auto k = keyList();
  return k.isEmpty() || k.front().toString().size() > 1 ? said : said + "  " + k.front().toString();
}

QString Command::tip() const { return translated(hint); }

QList<QKeySequence> Command::keyList() const {
  return *keys ? QKeySequence::listFromString(QString::fromLatin1(keys)) : QList<QKeySequence>();
}

QString nameOf(CommandMenu menu) {
  static const char* const names[] = {
      QT_TRANSLATE_NOOP("Commands", "Project"), QT_TRANSLATE_NOOP("Commands", "Edit"),
      QT_TRANSLATE_NOOP("Commands", "Draw"),    QT_TRANSLATE_NOOP("Commands", "Nodes"),
      QT_TRANSLATE_NOOP("Commands", "Cut"),     QT_TRANSLATE_NOOP("Commands", "Fill"),
      QT_TRANSLATE_NOOP("Commands", "Text"),    QT_TRANSLATE_NOOP("Commands", "Arrange"),
      QT_TRANSLATE_NOOP("Commands", "Sheets"),  QT_TRANSLATE_NOOP("Commands", "View"),
      QT_TRANSLATE_NOOP("Commands", "Help")};
  static_assert(std::size(names) == static_cast<std::size_t>(CommandMenu::count));
  return translated(names[static_cast<std::size_t>(menu)]);
}

}  // namespace widecut

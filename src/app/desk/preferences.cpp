#include "app/desk/preferences.h"

#include <QSettings>
#include <algorithm>

namespace widecut {
namespace {

constexpr std::pair<const char*, bool Preferences::*> shown[] = {{"showsGuides", &Preferences::showsGuides},
                                                                 {"showsGrid", &Preferences::showsGrid},
                                                                 {"showsGaps", &Preferences::showsGaps},
                                                                 {"marksSpelling", &Preferences::marksSpelling}};

}  // namespace

PreferencesNow& PreferencesNow::instance() {
  static PreferencesNow one;
  return one;
}

void PreferencesNow::load() {
  const QSettings kept;
  Preferences p;
  const std::string unit = kept.value("preferences/unit").toString().toStdString();
  if (const auto known = unitNamed(unit)) p.unit = *known;
  if (kept.value("preferences/decimals").toString() == "comma") p.decimalSign = DecimalSign::Comma;
  p.recoverySeconds = kept.value("preferences/recoverySeconds", p.recoverySeconds).toDouble();
  if (kept.value("preferences/looks").toString() == "dark") p.looks = Looks::Dark;
  p.reopens = kept.value("preferences/reopens", p.reopens).toBool();
  p.rests = kept.value("preferences/rests", p.rests).toBool();
  for (const auto& [name, flag] : shown) p.*flag = kept.value(QString("preferences/") + name, p.*flag).toBool();
  if (const QVariant bits = kept.value("preferences/restsAt"); bits.isValid()) {
    const std::string text = bits.toString().toStdString();
    const bool isBits = text.size() == p.restsAt.size() && text.find_first_not_of("01") == std::string::npos;
    if (isBits) p.restsAt = SnapKinds(text);
  }
  set(p);
}

void PreferencesNow::set(Preferences p) {
  const bool known = p.recoverySeconds >= leastRecoverySeconds;  // false for what is not a number
  p.recoverySeconds = known ? std::min(p.recoverySeconds, mostRecoverySeconds) : leastRecoverySeconds;
  if (p == now_) return;
  now_ = p;
  QSettings kept;
  const std::string_view unit = nameOf(p.unit);
  kept.setValue("preferences/unit", QString::fromUtf8(unit.data(), static_cast<qsizetype>(unit.size())));
  kept.setValue("preferences/decimals", p.decimalSign == DecimalSign::Comma ? "comma" : "point");
  kept.setValue("preferences/recoverySeconds", p.recoverySeconds);
  kept.setValue("preferences/looks", p.looks == Looks::Dark ? "dark" : "light");
  kept.setValue("preferences/reopens", p.reopens);
  kept.setValue("preferences/rests", p.rests);
  for (const auto& [name, flag] : shown) kept.setValue(QString("preferences/") + name, p.*flag);
  kept.setValue("preferences/restsAt", QString::fromStdString(p.restsAt.to_string()));
  emit changed();
}

QString written(const std::string& measure) {
  QString text = QString::fromStdString(measure);
  return preferences().decimalSign == DecimalSign::Comma ? text.replace('.', ',') : text;
}

std::string readAsWritten(QString typed) {
  if (preferences().decimalSign == DecimalSign::Comma) typed.replace(',', '.');
  return typed.toStdString();
}

}  // namespace widecut

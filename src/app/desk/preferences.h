// What a person prefers, over all projects; kept from start to start.
#pragma once

#include <QObject>
#include <QString>

#include "geometry/measure.h"
#include "scene/snapping.h"

namespace widecut {

enum class DecimalSign : unsigned char { Point, Comma };
enum class Looks : unsigned char { Light, Dark };

struct Preferences {
  Unit unit = Unit::Millimetre;                  ///< Of new pieces that are printed.
  DecimalSign decimalSign = DecimalSign::Point;  ///< How sums and lengths are written.
  double recoverySeconds = 0.2;                  ///< How long after a change it is kept for recovery; 0.2 … 60.
  Looks looks = Looks::Light;
  bool reopens = false;                ///< What was open last time is opened again.
  bool rests = true;                   ///< Drags come to rest at what lies on the sheet.
  SnapKinds restsAt = allSnapKinds();  ///< At what.
  // What shows on the mat.
  bool showsGuides = true;
  bool showsGrid = true;      ///< Where the piece has one.
  bool showsGaps = false;     ///< Round the selection.
  bool marksSpelling = true;  ///< What no dictionary has, while it is typed.
  bool operator==(const Preferences&) const = default;
};
inline constexpr double leastRecoverySeconds = 0.2, mostRecoverySeconds = 60;

/// The preferences that hold now, and who is told when they change. For the window's thread.
class PreferencesNow : public QObject {
  Q_OBJECT
 public:
  static PreferencesNow& instance();
  const Preferences& get() const { return now_; }
  /// Numbers are brought within their limits.
  void set(Preferences wanted);
  /// As they are kept.
  void load();

 signals:
  void changed();

 private:
  Preferences now_;
};
inline const Preferences& preferences() { return PreferencesNow::instance().get(); }
/// Sets what is changed.
template <class Change>
void prefer(const Change& change) {
  Preferences wanted = preferences();
  change(wanted);
  PreferencesNow::instance().set(wanted);
}

/// A measure or a sum as the person writes it, and back.
QString written(const std::string& measure);
std::string readAsWritten(QString typed);
/// What parts the entries of a list of measures.
inline QChar listSign() { return preferences().decimalSign == DecimalSign::Comma ? ';' : ','; }

}  // namespace widecut

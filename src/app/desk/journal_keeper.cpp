#include "app/desk/journal_keeper.h"

#include "app/desk/preferences.h"
#include "output/png.h"
#include "project/lookup.h"

namespace widecut {

JournalKeeper::JournalKeeper(Desk& desk, std::unique_ptr<Journal> journal, QObject* parent)
    : QObject(parent), desk_(desk), journal_(std::move(journal)), kept_(desk.history().current()) {
  soon_.setSingleShot(true);
  const auto keepTime = [this] { soon_.setInterval(static_cast<int>(preferences().recoverySeconds * 1000)); };
  keepTime();
  connect(&PreferencesNow::instance(), &PreferencesNow::changed, this, keepTime);
  connect(&soon_, &QTimer::timeout, this, &JournalKeeper::keep);
  // Pictures take longer than states, and are worth less.
  picture_.setSingleShot(true);
  picture_.setInterval(4000);
  const auto look = [this] {
    const bool changed = kept_ != desk_.history().current() || wasSaved_ != desk_.isSaved();
    if (changed && !soon_.isActive()) soon_.start();
  };
  connect(&desk, &Desk::projectChanged, this, look);
  connect(&desk, &Desk::fileChanged, this, look);
}

JournalKeeper::~JournalKeeper() = default;

void JournalKeeper::whenKept(std::function<void()> then) {
  whenKept_.push_back(std::move(then));
  keep();
}

void JournalKeeper::keep() {
  kept_ = desk_.history().current();
  wasSaved_ = desk_.isSaved();
  if (wasSaved_) {
    task_.run([journal = journal_] {
      journal->clear();
      return [] {};
    });
    return;
  }
  const bool withPicture = !picture_.isActive();
  if (withPicture) picture_.start();
  task_.run([this, journal = journal_, project = kept_, path = desk_.path().toStdString(), withPicture] {
    const auto kept = journal->keep(*project, path);
    if (kept && withPicture)
      if (const auto png = pngOf(sceneOf(*sheetsOf(*project).front()), desk_.photos(), 18, Ground::Paper))
        journal->keepPicture(*png);
    const QString why = kept ? QString() : QString::fromStdString(kept.error().message);
    return [this, why] {
      if (why.isEmpty())
        for (const auto& then : std::exchange(whenKept_, {})) then();
      if (why.isEmpty() || complained_) return;
      complained_ = true;
      emit desk_.told(tr("Nothing is kept for a recovery: %1").arg(why));
    };
  });
}

}  // namespace widecut

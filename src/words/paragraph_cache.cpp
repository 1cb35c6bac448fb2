// Paragraphs that were shaped lately.
#include <algorithm>
#include <list>
#include <unordered_map>

#include "words/paragraph.h"

namespace widecut {
namespace {

/// Paragraphs that were shaped lately, the newest first.
class Shaped {
 public:
  ParagraphPtr find(std::size_t key, const std::string& text, const std::vector<StyledStretch>& stretches,
                    const TextStyle& whole) {
    const std::lock_guard lock(mutex_);
    const auto [from, to] = known_.equal_range(key);
    for (auto one = from; one != to; ++one) {
      const Entry& entry = *one->second;
      if (entry.paragraph->text() != text || entry.stretches != stretches || entry.paragraph->style() != whole ||
          entry.paragraph->style().face.own != whole.face.own)
        continue;
      newest_.splice(newest_.begin(), newest_, one->second);
      return entry.paragraph;
    }
    return nullptr;
  }
  void keep(std::size_t key, ParagraphPtr paragraph, std::vector<StyledStretch> stretches) {
    constexpr std::size_t mostBytes = 512U << 10U;  // of text; what is kept with it takes far more
    const std::lock_guard lock(mutex_);
    bytes_ += paragraph->text().size() + 1;
    newest_.push_front({key, std::move(paragraph), std::move(stretches)});
    known_.emplace(key, newest_.begin());
    while (bytes_ > mostBytes && newest_.size() > 1) {
      const auto oldest = std::prev(newest_.end());
      bytes_ -= oldest->paragraph->text().size() + 1;
      const auto [from, to] = known_.equal_range(oldest->key);
      known_.erase(std::find_if(from, to, [&](const auto& one) { return one.second == oldest; }));
      newest_.pop_back();
    }
  }

 private:
  struct Entry {
    std::size_t key;
    ParagraphPtr paragraph;
    std::vector<StyledStretch> stretches;
  };
  std::mutex mutex_;
  std::list<Entry> newest_;
  std::unordered_multimap<std::size_t, std::list<Entry>::iterator> known_;
  std::size_t bytes_ = 0;
};

Shaped& shapedLately() {
  static Shaped shaped;
  return shaped;
}

}  // namespace

ParagraphPtr paragraphFor(std::string text, std::vector<StyledStretch> stretches, const TextStyle& whole) {
  Shaped& shaped = shapedLately();
  const std::size_t key =
      std::hash<std::string>{}(text)*31 + std::hash<std::string>{}(whole.face.family) + std::hash<double>{}(whole.size);
  if (ParagraphPtr known = shaped.find(key, text, stretches, whole)) return known;
  auto made = std::make_shared<const Paragraph>(std::move(text), stretches, whole);
  shaped.keep(key, made, std::move(stretches));
  return made;
}

}  // namespace widecut

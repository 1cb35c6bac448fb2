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
    const bool isEdited = !edits_.empty() && isEditOf(*paragraph, *edits_.back()->paragraph);
    newest_.push_front({key, std::move(paragraph), std::move(stretches)});
    known_.emplace(key, newest_.begin());
    if (!isEdited) edits_.clear();
    edits_.push_back(newest_.begin());
    // Of one that is typed in, the last few states: nobody sets the others any more.
    constexpr std::size_t fewStates = 6;
    if (edits_.size() > fewStates) drop(edits_.front());
    while (bytes_ > mostBytes && newest_.size() > 1) drop(std::prev(newest_.end()));
  }

 private:
  struct Entry {
    std::size_t key;
    ParagraphPtr paragraph;
    std::vector<StyledStretch> stretches;
  };
  using Place = std::list<Entry>::iterator;
  /// Whether it is the other one with a few letters more, or fewer, in one place.
  static bool isEditOf(const Paragraph& one, const Paragraph& other) {
    constexpr std::size_t few = 16;
    const bool isLonger = one.text().size() > other.text().size();
    const std::string& longer = isLonger ? one.text() : other.text();
    const std::string& shorter = isLonger ? other.text() : one.text();
    if (longer.size() == shorter.size() || longer.size() - shorter.size() > few) return false;
    const auto begin = std::mismatch(shorter.begin(), shorter.end(), longer.begin());
    return std::equal(begin.first, shorter.end(), longer.end() - (shorter.end() - begin.first));
  }
  void drop(Place place) {
    bytes_ -= place->paragraph->text().size() + 1;
    std::erase(edits_, place);
    const auto [from, to] = known_.equal_range(place->key);
    known_.erase(std::find_if(from, to, [&](const auto& one) { return one.second == place; }));
    newest_.erase(place);
  }

  std::mutex mutex_;
  std::list<Entry> newest_;
  std::vector<Place> edits_;  // states of one paragraph that were kept one after another
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

// A list of items of which changed copies share what did not change.
#pragma once

#include <algorithm>
#include <compare>
#include <initializer_list>
#include <iterator>
#include <memory>
#include <utility>
#include <vector>

namespace widecut {

struct Item;
using ItemPtr = std::shared_ptr<const Item>;

/// Reads like a vector. A copy costs a pointer for every 64 items, and so does one that an item was exchanged in, so
/// that a sheet of ten thousand can be made anew with every move of the mouse.
class ItemList {
 public:
  ItemList() = default;
  // Lists of either kind stand for each other wherever items are handed on.
  ItemList(const std::vector<ItemPtr>& items) { fill(items.begin(), items.end()); }  // NOLINT(google-explicit-*)
  ItemList(std::initializer_list<ItemPtr> items) { fill(items.begin(), items.end()); }
  template <class From>
  ItemList(From first, From last) {
    fill(first, last);
  }

  class Iterator {
   public:
    using iterator_category = std::random_access_iterator_tag;
    using value_type = ItemPtr;
    using difference_type = std::ptrdiff_t;
    using pointer = const ItemPtr*;
    using reference = const ItemPtr&;

    Iterator() = default;
    Iterator(const ItemList* list, difference_type at) : list_(list), at_(at) {}
    reference operator*() const { return (*list_)[static_cast<std::size_t>(at_)]; }
    pointer operator->() const { return &**this; }
    reference operator[](difference_type n) const { return *(*this + n); }
    Iterator& operator+=(difference_type n) {
      at_ += n;
      return *this;
    }
    Iterator& operator-=(difference_type n) { return *this += -n; }
    Iterator& operator++() { return *this += 1; }
    Iterator& operator--() { return *this += -1; }
    Iterator operator++(int) { return std::exchange(*this, *this + 1); }
    Iterator operator--(int) { return std::exchange(*this, *this - 1); }
    friend Iterator operator+(Iterator i, difference_type n) { return i += n; }
    friend Iterator operator+(difference_type n, Iterator i) { return i += n; }
    friend Iterator operator-(Iterator i, difference_type n) { return i -= n; }
    friend difference_type operator-(const Iterator& a, const Iterator& b) { return a.at_ - b.at_; }
    bool operator==(const Iterator& other) const { return at_ == other.at_; }
    auto operator<=>(const Iterator& other) const { return at_ <=> other.at_; }

   private:
    const ItemList* list_ = nullptr;
    difference_type at_ = 0;
  };
  using value_type = ItemPtr;
  using const_iterator = Iterator;

  std::size_t size() const { return size_; }
  bool empty() const { return size_ == 0; }
  const ItemPtr& operator[](std::size_t at) const { return (*chunks_[at / chunkSize])[at % chunkSize]; }
  const ItemPtr& front() const { return (*this)[0]; }
  const ItemPtr& back() const { return (*this)[size_ - 1]; }
  Iterator begin() const { return {this, 0}; }
  Iterator end() const { return {this, static_cast<std::ptrdiff_t>(size_)}; }
  auto rbegin() const { return std::make_reverse_iterator(end()); }
  auto rend() const { return std::make_reverse_iterator(begin()); }

  void set(std::size_t at, ItemPtr item) {
    ItemPtr& held = own(at / chunkSize)[at % chunkSize];
    gaps_ += item ? 0 : 1;
    gaps_ -= held ? 0 : 1;
    held = std::move(item);
  }
  void push_back(ItemPtr item) {
    if (size_ % chunkSize == 0) chunks_.push_back(std::make_shared<Chunk>());
    gaps_ += item ? 0 : 1;
    own(size_ / chunkSize).push_back(std::move(item));
    ++size_;
  }
  /// The list without nulls.
  ItemList withoutGaps() const {
    if (gaps_ == 0) return *this;
    ItemList out;
    std::copy_if(begin(), end(), std::back_inserter(out), [](const ItemPtr& item) { return item != nullptr; });
    return out;
  }

  friend bool operator==(const ItemList& a, const ItemList& b) {
    bool same = a.size_ == b.size_;
    eachDifference(a, b, [&](std::size_t) { same = false; });
    return same;
  }
  /// Calls `visit` with every place, in order, that both lists have and where they hold different nodes.
  template <class Visit>
  friend void eachDifference(const ItemList& a, const ItemList& b, const Visit& visit) {
    const std::size_t both = std::min(a.size_, b.size_);
    for (std::size_t chunk = 0; chunk * chunkSize < both; ++chunk) {
      if (a.chunks_[chunk] == b.chunks_[chunk]) continue;
      const std::size_t end = std::min(both, (chunk + 1) * chunkSize);
      for (std::size_t i = chunk * chunkSize; i < end; ++i)
        if (a[i] != b[i]) visit(i);
    }
  }

 private:
  static constexpr std::size_t chunkSize = 64;
  using Chunk = std::vector<ItemPtr>;

  template <class From>
  void fill(From first, From last) {
    for (; first != last; ++first) push_back(*first);
  }
  /// A chunk that no other list has.
  Chunk& own(std::size_t chunk) {
    auto& held = chunks_[chunk];
    if (held.use_count() > 1) held = std::make_shared<Chunk>(*held);
    return *held;
  }

  std::vector<std::shared_ptr<Chunk>> chunks_;  ///< All full but the last; written to only by own().
  std::size_t size_ = 0, gaps_ = 0;
};

}  // namespace widecut

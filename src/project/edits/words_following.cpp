#include "project/edits/words_following.h"
#include "project/budgets.h"

#include <algorithm>
#include <cmath>
#include <map>

#include "project/edits/own_fonts.h"
#include "project/edits/places.h"
#include "project/edits/tree.h"
#include "project/edits/words.h"
#include "project/edits/words_clear.h"
#include "project/names.h"
#include "project/node_memo.h"
#include "project/resolve.h"

namespace widecut {
namespace {

/// The words of a sheet that follow something.
struct Followers {
  std::vector<Id> on;                         ///< An item of the sheet.
  std::vector<std::pair<Id, ItemPtr>> flows;  ///< The text of other words, by the words with the text.
  std::vector<Id> clear;                      ///< Items that words keep clear of.
  std::vector<Id> kept;                       ///< Words that keep clear of something.
  std::vector<Id> frames;                     ///< All words in frames.
  /// Whether nothing but frames was found.
  bool isEmpty() const { return on.empty() && flows.empty() && clear.empty() && kept.empty(); }
};

void gather(const ItemPtr& item, bool isShown, Followers& found) {
  isShown = isShown && item->isShown();
  if (const Words* words = wordsOf(*item)) {
    const Words::Content& content = words->content();
    if (content.on != 0) found.on.push_back(item->id);
    if (content.flowsFrom != 0) found.flows.emplace_back(content.flowsFrom, item);
    if (content.frame) found.frames.push_back(item->id);
    if (content.frame && !content.frame->clear.empty()) found.kept.push_back(item->id);
  }
  if (isShown && item->clear) found.clear.push_back(item->id);
  for (const ItemPtr& child : childrenOf(*item)) gather(child, isShown && showsChildren(item->form), found);
}
void gatherAll(const SheetPtr& sheet, Followers& found) {
  for (const ItemPtr& item : sheet->items) gather(item, true, found);
}

/// Where there were none before, only items that changed are looked at. `before` may be null.
std::shared_ptr<const Followers> followersOn(const SheetPtr& sheet, const SheetPtr& before) {
  static NodeMemo<Followers> memo("followers", budgets::smallMemoBytes);
  if (auto known = memo.find({sheet})) return known;
  auto made = std::make_shared<Followers>();
  const auto was = before ? memo.find({before}) : nullptr;
  if (was && was->isEmpty() && before->items.size() == sheet->items.size()) {
    eachDifference(before->items, sheet->items, [&](std::size_t i) { gather(sheet->items[i], true, *made); });
    if (!made->isEmpty()) {
      *made = {};
      gatherAll(sheet, *made);
    }
  } else {
    gatherAll(sheet, *made);
  }
  memo.keep({sheet}, made);
  return made;
}

/// Where the words have to be, and what their frame or line is, to follow an item.
struct Place {
  Affine toSheet;
  std::shared_ptr<const Outline> outline;
  Box box;
};
std::optional<Place> placeOn(const Project& project, const Item& on, bool isFrame) {
  const Outline& outline = resolved(on)->outline;
  const Box box = bounds(outline);
  if (outline.isEmpty() || box.isEmpty() || !(box.width() > 0)) return std::nullopt;
  if (isFrame && !(box.height() > 0)) return std::nullopt;
  Place out;
  out.toSheet = frameToSheet(project, on.id);
  if (isFrame) out.toSheet = out.toSheet * Affine::move(box.low);
  out.outline = std::make_shared<const Outline>(isFrame ? transformed(outline, Affine::move(-box.low)) : outline);
  out.box = box;
  return out;
}

/// The item brought to a place. `parent` leads from its parent to the sheet.
Item broughtTo(const Item& item, const Place& place, const Affine& parent) {
  const auto back = parent.inverse();
  if (!back) return item;
  Item out = item;
  const Affine local = *back * place.toSheet;
  // What differs by rounding alone, as where angles were read from a file, stays as it is.
  constexpr double rounding = 1e-8;  // points
  constexpr double angleRounding = 1e-11;
  if (distance(local(Point{}), item.position) > rounding) out.position = local(Point{});
  if (std::abs(std::remainder(local.turnAngle() - item.turn, 2 * pi)) > angleRounding) out.turn = local.turnAngle();
  Words::Content content = wordsOf(item)->content();
  content.stretch = {};
  if (content.frame) {
    content.frame->width = place.box.width();
    content.frame->height = place.box.height();
    content.frame->outline = place.outline;
  } else if (content.along) {
    content.along->line = place.outline;
  }
  if (content == wordsOf(item)->content()) return out;
  return withWords(out, std::move(content));
}

Project withoutLink(const Project& project, Id words) {
  return withItem(project, words, [](const Item& item) {
    Words::Content content = wordsOf(item)->content();
    content.on = 0;
    return withWords(item, std::move(content));
  });
}

/// Whether an item is as it was, with all that it is in.
bool isUnmoved(const Project& before, const Project& after, Id item) {
  const auto was = chainTo(before, item), is = chainTo(after, item);
  if (was.empty() || was.size() != is.size()) return false;
  for (std::size_t i = 0; i < was.size(); ++i)
    if (was[i]->position != is[i]->position || was[i]->turn != is[i]->turn) return false;
  return was.back()->form == is.back()->form;
}

/// Words that were moved alone take along what they are on; where their frame took another size, it does too.
Project withItsItemMoved(const Project& before, const Project& after, const Item& was, const Item& is, Id on) {
  const Affine from = frameToSheet(before, was.id), to = frameToSheet(after, is.id);
  const auto back = from.inverse();
  if (!back) return after;
  const auto &old = wordsOf(was)->content().frame, &now = wordsOf(is)->content().frame;
  const bool isResized = old && now && (old->width != now->width || old->height != now->height);
  if (isResized && wordsOf(is)->content().stretch == Affine{}) {
    const Affine map = to * Affine::scale(now->width / old->width, now->height / old->height) * *back;
    return withResized(after, {&on, 1}, map);
  }
  return was.form == is.form && from != to ? withMapped(after, {&on, 1}, to * *back) : after;
}

Project withOneOnItsItem(const Project& before, const Project& after, Id words) {
  const ItemPtr item = findItem(after, words);
  const Id on = wordsOf(*item)->content().on;
  const ItemPtr under = findItem(after, on);
  if (!under || on == words || sheetOf(after, on) != sheetOf(after, words)) return withoutLink(after, words);
  Project next = after;
  const ItemPtr was = findItem(before, words);
  if (was && wordsOf(*was) && isUnmoved(before, after, on)) next = withItsItemMoved(before, next, *was, *item, on);
  const auto place = placeOn(next, *findItem(next, on), wordsOf(*item)->content().frame.has_value());
  if (!place) return withoutLink(next, words);
  const Affine parent = parentToSheet(next, words);
  const Item brought = broughtTo(*item, *place, parent);
  if (brought.form == item->form && brought.position == item->position && brought.turn == item->turn) return next;
  return withItem(next, words, [&](const Item& one) { return broughtTo(one, *place, parent); });
}

using Flows = std::map<Id, std::vector<ItemPtr>>;
Flows flowsOf(const Project& project) {
  Flows out;
  for (const SheetPtr& sheet : sheetsOf(project))
    for (const auto& [head, item] : followersOn(sheet, nullptr)->flows) out[head].push_back(item);
  for (auto& [head, items] : out)
    std::stable_sort(items.begin(), items.end(), [](const ItemPtr& a, const ItemPtr& b) {
      return wordsOf(*a)->content().flowPlace < wordsOf(*b)->content().flowPlace;
    });
  return out;
}

bool areAlike(const SetWords& a, const SetWords& b) {
  const auto alike = [](const SetLine& x, const SetLine& y) {
    return x.from == y.from && x.to == y.to && x.start == y.start && x.body == y.body;
  };
  return a.shown == b.shown && std::equal(a.lines.begin(), a.lines.end(), b.lines.begin(), b.lines.end(), alike);
}

/// Sets a text in all its frames, and gives each what it shows.
Project withStorySet(const Project& project, const Item& head, const std::vector<ItemPtr>& others) {
  std::vector<FrameToFill> frames{roomIn(*wordsOf(head)->content().frame)};
  std::vector<Id> ids{head.id};
  for (const ItemPtr& item : others) {
    frames.push_back(roomIn(*wordsOf(*item)->content().frame));
    ids.push_back(item->id);
  }
  const Words::Content& content = wordsOf(head)->content();
  auto sets = setStory({content.text, content.looks, content.style}, frames);
  const auto story = std::make_shared<const std::string>(content.text);
  return withEach(project, ids, [&](const Item& item) {
    const std::size_t number = static_cast<std::size_t>(std::find(ids.begin(), ids.end(), item.id) - ids.begin());
    const Words& words = *wordsOf(item);
    if (areAlike(words.set(), sets[number]) && words.story() == *story) return item;
    Item out = item;
    out.form = std::make_shared<const Words>(words.content(), number == 0 ? nullptr : story, sets[number]);
    return out;
  });
}

bool hasFrame(const ItemPtr& item) { return item && wordsOf(*item) && wordsOf(*item)->content().frame; }

Project withNumbers(const Project& project, Id head, const std::vector<Id>& others) {
  return withEach(project, others, [&](const Item& item) {
    Words::Content content = wordsOf(item)->content();
    content.flowsFrom = head;
    content.flowPlace = static_cast<int>(std::find(others.begin(), others.end(), item.id) - others.begin()) + 1;
    content.text.clear();
    content.looks = {};
    return content == wordsOf(item)->content() ? item : withWords(item, std::move(content));
  });
}

/// The first of the frames with the text, and the others after it.
Project withNewHead(const Project& project, const Words::Content& text, const std::vector<Id>& frames) {
  Project next = withItem(project, frames.front(), [&](const Item& item) {
    Words::Content content = wordsOf(item)->content();
    content.text = text.text;
    content.looks = text.looks;
    content.style = text.style;
    content.flowsFrom = 0;
    content.flowPlace = 0;
    return withWords(item, std::move(content));
  });
  return withNumbers(next, frames.front(), {frames.begin() + 1, frames.end()});
}

std::vector<Id> idsOf(const std::vector<ItemPtr>& items) {
  std::vector<Id> out;
  out.reserve(items.size());
  for (const ItemPtr& item : items) out.push_back(item->id);
  return out;
}

Project withFlowsFollowing(const Project& before, const Project& after) {
  Project next = after;
  for (const auto& [head, others] : flowsOf(after)) {
    std::vector<ItemPtr> frames;
    for (const ItemPtr& item : others)
      if (hasFrame(item)) frames.push_back(item);
    if (frames.empty()) continue;
    ItemPtr first = findItem(next, head);
    if (!hasFrame(first)) {
      // The frame with the text has gone: the next one has it from now on.
      const ItemPtr was = findItem(before, head);
      const Words* text = was ? wordsOf(*was) : nullptr;
      next = withNewHead(next, text ? text->content() : Words::Content{}, idsOf(frames));
      const Id now = frames.front()->id;
      first = findItem(next, now);
      frames.erase(frames.begin());
      for (ItemPtr& item : frames) item = findItem(next, item->id);
      next = withStorySet(next, *first, frames);
      continue;
    }
    const auto isAsBefore = [&](const ItemPtr& item) {
      const ItemPtr was = findItem(before, item->id);
      return was && was->form == item->form;
    };
    if (isAsBefore(first) && std::all_of(frames.begin(), frames.end(), isAsBefore)) continue;
    next = withStorySet(next, *first, frames);
  }
  return next;
}

std::optional<Item> wordsOn(const Project& project, Id item, Words::Content content, Style style) {
  const ItemPtr on = findItem(project, item);
  if (!on) return std::nullopt;
  const auto place = placeOn(project, *on, content.frame.has_value());
  if (!place) return std::nullopt;
  content.on = item;
  Item out = plainItem(0, "", {}, std::move(style));
  out.form = wordsForm(std::move(content));
  return broughtTo(out, *place, {});
}

Project withNewWords(const Project& project, const std::optional<Item>& words, Id on, Id& made) {
  if (!words) return project;
  const SheetPtr sheet = sheetOf(project, on);
  Item item = *words;
  item.name = UniqueNames(*sheet).take(nameOfWords(wordsOf(item)->content().text));
  made = project.nextId;
  return withItemsOnTop(project, sheet->id, {item});
}

}  // namespace

std::optional<Item> wordsInside(const Project& project, Id item, Words::Content content, Style style) {
  if (!content.frame) content.frame = TextFrame{1, 1};
  content.along.reset();
  return wordsOn(project, item, std::move(content), std::move(style));
}

std::optional<Item> wordsAlong(const Project& project, Id item, Words::Content content, Style style) {
  content.frame.reset();
  if (!content.along) content.along = AlongLine{std::make_shared<const Outline>()};
  return wordsOn(project, item, std::move(content), std::move(style));
}

Project withWordsIn(const Project& project, Id item, Words::Content content, Style style, Id& made) {
  return withNewWords(project, wordsInside(project, item, std::move(content), std::move(style)), item, made);
}

Project withWordsAlong(const Project& project, Id item, Words::Content content, Style style, Id& made) {
  return withNewWords(project, wordsAlong(project, item, std::move(content), std::move(style)), item, made);
}

Project withWordsLetGo(const Project& project, std::span<const Id> words) {
  Project next = project;
  for (const Id id : words)
    if (const ItemPtr item = findItem(next, id); item && wordsOf(*item) && wordsOf(*item)->content().on != 0)
      next = withoutLink(next, id);
  return next;
}

Project withWordsFollowing(const Project& before, const Project& after) {
  Project next = withOwnFonts(before, after);
  bool anyFlows = false;
  for (const SheetPtr& sheet : sheetsOf(next)) {
    const SheetPtr was = findSheet(before, sheet->id);
    const auto followers = followersOn(sheet, was);
    anyFlows = anyFlows || !followers->flows.empty();
    if (was == sheet) continue;
    for (const Id words : followers->on)
      if (findItem(next, words)) next = withOneOnItsItem(before, next, words);
    if (!followers->clear.empty())
      next = withFramesKeptClear(next, followers->frames, followers->clear);
    else if (!followers->kept.empty())
      next = withFramesKeptClear(next, followers->kept, {});
  }
  return anyFlows ? withFlowsFollowing(before, next) : next;
}

std::vector<Id> framesOfStory(const Project& project, Id words) {
  const ItemPtr item = findItem(project, words);
  if (!item || !wordsOf(*item)) return {};
  const Id from = wordsOf(*item)->content().flowsFrom, head = from != 0 ? from : words;
  std::vector<Id> out{head};
  const Flows flows = flowsOf(project);
  if (const auto found = flows.find(head); found != flows.end())
    for (const ItemPtr& one : found->second) out.push_back(one->id);
  return out;
}

Project withFlow(const Project& project, Id from, Id into) {
  if (!hasFrame(findItem(project, from)) || !hasFrame(findItem(project, into))) return project;
  std::vector<Id> frames = framesOfStory(project, from);
  const std::vector<Id> more = framesOfStory(project, into);
  if (contains(frames, into) || more.front() != into) return project;
  const Words::Content first = wordsOf(*findItem(project, frames.front()))->content();
  const Words::Content second = wordsOf(*findItem(project, into))->content();
  LookedText text{first.text, first.looks};
  if (!second.text.empty()) {
    if (!text.text.empty()) text = withReplaced(text, text.text.size(), text.text.size(), {"\n", {}});
    text = withReplaced(text, text.text.size(), text.text.size(), {second.text, second.looks});
  }
  const auto at = std::find(frames.begin(), frames.end(), from) + 1;
  frames.insert(at, more.begin(), more.end());
  const Project next = withLookedText(project, frames.front(), text);
  return withWordsFollowing(project, withNumbers(next, frames.front(), {frames.begin() + 1, frames.end()}));
}

Project withoutFlow(const Project& project, Id words) {
  std::vector<Id> frames = framesOfStory(project, words);
  if (frames.size() < 2) return project;
  const Words::Content text = wordsOf(*findItem(project, frames.front()))->content();
  std::erase(frames, words);
  const Project taken = withItem(project, words, [](const Item& item) {
    Words::Content content = wordsOf(item)->content();
    content.flowsFrom = 0;
    content.flowPlace = 0;
    content.text.clear();
    content.looks = {};
    return withWords(item, std::move(content));
  });
  return withWordsFollowing(project, withNewHead(taken, text, frames));
}

}  // namespace widecut

// Every edit there is, at random: what property tests and the monkey draw from.
#pragma once

#include <random>
#include <string>

#include "project/any_paint.h"
#include "project/edits/arranging.h"
#include "project/edits/colours.h"
#include "project/edits/cutouts.h"
#include "project/edits/families.h"
#include "project/edits/fills.h"
#include "project/edits/groups.h"
#include "project/edits/guides.h"
#include "project/edits/levels.h"
#include "project/edits/order.h"
#include "project/edits/pieces.h"
#include "project/edits/places.h"
#include "project/edits/repeats.h"
#include "project/edits/reshaping.h"
#include "project/edits/sharing.h"
#include "project/edits/sheets.h"
#include "project/edits/starters.h"
#include "project/edits/text_styles.h"
#include "project/edits/words.h"
#include "project/edits/words_clear.h"
#include "project/edits/words_following.h"
#include "project/forms/repeat.h"
#include "project/resolve.h"
#include "sample.h"
#include "shapes/node_edits.h"
#include "words/text_breaks.h"

namespace widecut {

inline void gatherIds(const ItemList& items, std::vector<Id>& ids) {
  for (const ItemPtr& item : items) {
    ids.push_back(item->id);
    gatherIds(childrenOf(*item), ids);
  }
}

/// Random edits of a sample project, parts and hidden items included. What refuses changes nothing.
class EveryEdit {
 public:
  explicit EveryEdit(unsigned seed) : random_(seed) {
    sample_.addPhoto(400, 300);
    project = sample_.project;
  }
  /// From another project, with a photo that has bytes.
  EveryEdit(unsigned seed, Project start, Id sheet, MediumPtr photo) : random_(seed) {
    project = std::move(start);
    sample_.sheet = sheet;
    sample_.photo = std::move(photo);
  }

  Project project;
  std::string last;  ///< What next() did.

  /// With all words that follow something brought to it.
  Project next() { return withWordsFollowing(project, edited()); }
  Project edited() {
    const auto ids = someItems();
    const Id one = anyItem();
    std::vector<Id> made;
    Id fresh = 0;
    const auto keep = [&](Result<Project> result) { return result ? *result : project; };
    const int which = static_cast<int>(number(0, 71.99));
    last = std::to_string(which);
    switch (which) {
      case 0:
        return withMapped(project, ids, Affine::move({number(-40, 40), number(-40, 40)}));
      case 1:
        return withMapped(project, ids, Affine::turn(number(-3, 3)).about({50, 50}));
      case 2:
        return withMapped(project, ids, Affine::scale(number(-2, 2), number(0.2, 2)).about({60, 40}));
      case 3:
        return number(0, 1) < 0.5 ? broughtToFront(project, ids) : sentToBack(project, ids);
      case 4:
        return withCopies(project, ids, {7, 7}, made);
      case 5:
        return number(0, 1) < 0.3 ? withoutItems(project, ids) : project;
      case 6:
      case 7:
      case 8: {
        const auto outcome = allOutcomes[static_cast<int>(number(0, 5))];
        return combined(project, ids, outcome, usualLook(project, ids, outcome), fresh);
      }
      case 9:
        return withPartsLifted(project, one, made);
      case 10:
        return withRole(project, one, static_cast<int>(number(0, 3)), static_cast<Role>(random_() % 4));
      case 11:
        return withBaked(project, one);
      case 12:
        return withDivided(project, ids, usualLook(project, ids, Outcome::Union), made);
      case 13:
        return withSplitLoose(project, one, made);
      case 14:
        return withOffcuts(project, one, made);
      case 15: {
        const Outline stroke{{{place(), {Segment::line(place())}, false}}};
        return keep(withKnife(project, ids, stroke, number(0, 1) < 0.5 ? 0 : number(0, 6), made));
      }
      case 16:
        return keep(withOffset(project, ids, number(-6, 8), static_cast<Join>(random_() % 3)));
      case 17: {
        LineShape line;
        line.width = number(0.5, 12);
        return keep(withLineOutlined(project, ids, line));
      }
      case 18:
        return withTrimmed(project, ids, sheetHere().box(), "sheet edge", made);
      case 19:
        return withSize(project, one, number(0.1, 150), number(0.1, 150));
      case 20:
        return withPhotoIn(project, one, sample_.photo);
      case 21:
        return withReframing(project, one,
                             Affine::scale(number(0.5, 2), 1).linear() * Affine::move({number(-9, 9), 3}));
      case 22:
        return number(0, 1) < 0.5 ? typedFormula(one) : withFill(project, ids, Colour{1, 2, 3, 200});
      case 23:
        return grouped(project, ids, fresh);
      case 24:
        return ids.size() > 4 ? project : repeated(project, ids, anyPattern(), fresh);
      case 25:
        return withCopyChanged(one);
      case 26:
        return withStrips(ids);
      case 27:
        return number(0, 1) < 0.5 ? broughtForward(project, ids) : sentBackward(project, ids);
      case 28: {
        std::optional<Role> role;
        const auto place = static_cast<std::size_t>(number(0, 4));
        const Id inside = number(0, 1) < 0.6 ? anyItem() : 0;
        return withItemsMoved(project, ids, {sample_.sheet, inside, place}, role);
      }
      case 29: {
        const Item shape = plainItem(0, "joined", fitted(rectangleOutline(1, 1), {{20, 20}, {60, 70}}), {});
        return withJoined(project, one, shape, static_cast<Role>(static_cast<int>(number(0, 4))), fresh);
      }
      case 30: {
        PieceForm form = formOf(*project.pieces.front());
        form.width = number(100, 400);
        form.setting.left = number(0, 50);
        return withPieceForm(project, project.pieces.front()->id, form,
                             number(0, 1) < 0.5 ? Kept::Scaled : Kept::WhereTheyAre);
      }
      case 31:
        return withEach(project, ids, [&](const Item& before) {
          Item after = before;
          after.locked = number(0, 1) < 0.3;
          after.paleBy = number(0, 1) < 0.3 ? number(0.1, 0.9) : 0;
          return after;
        });
      case 32: {
        Item words = plainItem(0, "words", {}, {});
        words.position = place();
        words.style = findItem(project, anyItem()) ? findItem(project, anyItem())->style : bareStyle();
        words.form = wordsForm(anyWords());
        return withItemsOnTop(project, sample_.sheet, {std::move(words)});
      }
      case 33:
        return withText(project, one, number(0, 1) < 0.2 ? "" : anyWords().text);
      case 34:
        return withTextStyle(project, ids, [&](TextStyle& style) { style = anyWords().style; });
      case 35:
        return number(0, 1) < 0.5 ? withFrameFitted(project, one) : withLettersFitted(project, one);
      case 36:
        return withResized(project, ids, Affine::scale(number(0.3, 2), number(-2, 2)).about({60, 40}));
      case 37: {
        const StarterKind& kind = anyKind();
        const Box box = Box::between(place(), place() + Point{300, 250});
        return withItemsOnTop(project, sample_.sheet, {starterItem(0, "starter", kind, anyNumbers(kind), box, {})});
      }
      case 38: {
        const ItemPtr item = findItem(project, one);
        const Starter* starter = item ? starterOf(*item) : nullptr;
        return starter ? withNumbers(project, one, anyNumbers(starter->kind())) : project;
      }
      case 39:
        return withKind(project, one, anyKind());
      case 40:
      case 41:
        return withNodesMapped(project, someNodes(), Affine::move({number(-30, 30), number(-30, 30)}), {50, 50});
      case 42:
        return withNodesMapped(project, someNodes(), Affine::turn(number(-1, 1)).about({50, 40}), {50, 50});
      case 43: {
        NodePlace place{0, random_() % 4};
        return withNodeAdded(project, one, place, number(0.05, 0.95), place);
      }
      case 44:
        return withoutNodes(project, someNodes());
      case 45:
        return withNodeKind(project, someNodes(), static_cast<NodeKind>(random_() % 3));
      case 46:
        return number(0, 1) < 0.5 ? withCorners(project, someNodes(), anyCorner())
                                  : withAllCorners(project, one, anyCorner());
      case 47:
        return withAxis(project, one, number(0, 1) < 0.2 ? std::nullopt : std::optional(anyAxis()));
      case 48:
        return withReshaped(project, one, {number(-20, 20), 0}, [&](const NodePaths& before) {
          NodePaths paths = before;
          NodePath& path = paths[random_() % paths.size()];
          if (path.edges() == 0) return paths;
          const std::size_t edge = random_() % path.edges();
          switch (random_() % 4) {
            case 0:
              path = withBend(path, edge, number(0.1, 0.9), {number(-50, 50), number(-50, 50)});
              break;
            case 1:
              path = withHandle(path, edge, Side::Out, {number(-50, 50), number(-50, 50)}, number(0, 1) < 0.5);
              break;
            case 2:
              path = reversed(path);
              break;
            default:
              paths = partedAt(path, edge);
          }
          return paths;
        });
      case 49: {
        const Id other = anyItem();
        return withEndsJoined(project, {one, 0, number(0, 1) < 0.5}, {other, 0, number(0, 1) < 0.5});
      }
      case 50:
        return withPathDropped(project, one, 0, fresh);
      case 51:
        return withAligned(project, ids, anyInLine(), anyAlignTo(), anyBoxOf());
      case 52:
        return number(0, 1) < 0.5 ? withEqualSize(project, ids, number(0, 1) < 0.5)
                                  : withEqualGaps(project, ids, number(0, 1) < 0.5,
                                                  number(0, 1) < 0.5 ? std::nullopt : std::optional(number(-20, 40)));
      case 53:
        return neatened(project, ids);
      case 54:
        return withPaintSwapped(project, ids, number(0.1, 5));
      case 55: {
        const GuidePlace guide{anyOwner(), random_() % 3};
        if (number(0, 1) < 0.5) return withGuide(project, guide.owner, anyGuide());
        if (number(0, 1) < 0.3) return withGuidesAround(project, ids);
        if (number(0, 1) < 0.3) return withGuideOf(project, guide, anyOwner());
        return number(0, 1) < 0.5 ? withoutGuide(project, guide) : withGuideSet(project, guide, anyGuide());
      }
      case 56:
        return ids.size() > 4 ? project : repeatedAlong(project, ids, anyLine(), fresh);
      case 57:
        return number(0, 1) < 0.5 ? withCopiesFreed(project, one, made) : withPattern(project, one, anyPattern());
      case 58:
        return withStyle(project, ids, [&](Style& style) { AnyPaint(random_).paint(style); });
      case 59: {
        std::uint16_t swatch = 0;
        const auto used = usedColours(project);
        if (used.empty()) return project;
        const Colour from = used[random_() % used.size()].colour;
        if (number(0, 1) < 0.5) return withColourReplaced(project, from, AnyPaint(random_).colour());
        if (from.swatch != 0)
          return number(0, 1) < 0.5 ? withSwatchColour(project, from.swatch, AnyPaint(random_).colour())
                                    : withoutSwatch(project, from.swatch);
        const Project with = withSwatch(project, "a swatch", from, swatch);
        return swatch == 0 ? project : withColourReplaced(with, from, swatchOf(with, swatch)->colour);
      }
      case 60: {
        if (number(0, 1) < 0.5) return withEffectReleased(project, one, random_() % 3, fresh);
        const ItemPtr like = findItem(project, one);
        return like ? withFinishOn(project, ids, finishOf(*like->style)) : project;
      }
      case 61: {
        const int what = static_cast<int>(random_() % 7);
        if (what == 5) return withSharedPhoto(project, ids, one);
        if (what == 6) return withPhotosOfTheirOwn(project, ids);
        if (what == 0) return withPicturesMirrored(project, ids);
        if (what == 1) return withFit(project, ids, static_cast<Fit>(random_() % 5), number(20, 300));
        if (what == 2) return withPictureTurned(project, one, number(-2, 2));
        if (what == 3)
          return withHabits(project, ids, [&](FramingHabits& habits) {
            habits = {number(0, 1) < 0.5, number(0, 1) < 0.5, number(0, 1) < 0.5};
          });
        return withAdjustments(project, ids, [&](Adjustments& adjustments) {
          const std::size_t which = random_() % adjustmentCount;
          adjustments.numbers[which] = number(adjustmentNumbers()[which].least, adjustmentNumbers()[which].most);
        });
      }
      case 62: {
        const Project levelled = withStyle(project, ids, [&](Style& style) {
          if (style.fills.empty()) return;
          style.fills[random_() % style.fills.size()].level =
              FillLevel{static_cast<LevelBy>(random_() % 4), number(0, 1)};
        });
        if (number(0, 1) < 0.5) return levelled;
        const std::vector<LevelEntry> entries{{"", number(0, 1)}, {"a label", number(0, 1)}};
        return withLevelRow(levelled, one, entries, made);
      }
      case 63:
        return number(0, 1) < 0.5 ? withWordsIn(project, one, anyWords(), {}, fresh)
                                  : withWordsAlong(project, one, anyWords(), {}, fresh);
      case 64:
        return number(0, 1) < 0.6 ? withFlow(project, one, anyItem()) : withoutFlow(project, one);
      case 65: {
        const ItemPtr item = findItem(project, one);
        const Words* words = item ? wordsOf(*item) : nullptr;
        if (!words) return project;
        const auto places = letterStops(words->content().text);
        const std::size_t from = places[random_() % places.size()], to = places[random_() % places.size()];
        return withLookBetween(project, one, std::min(from, to), std::max(from, to), difference({}, anyLook()));
      }
      case 66:
        return withTextFrames(project, ids, [&](TextFrame& frame) {
          frame.inset = number(0, 6);
          frame.columns = 1 + static_cast<int>(random_() % 3);
          frame.upright = static_cast<Upright>(random_() % 4);
          frame.isBalanced = number(0, 1) < 0.4;
        });
      case 67:
        return number(0, 1) < 0.5 ? withWordsLetGo(project, ids) : withTextStyle(project, ids, [&](TextStyle& style) {
          style = with(style, difference({}, anyLook()));
        });
      case 68: {
        const KeepClear clear{static_cast<ClearSide>(random_() % 5), number(0, 12)};
        return withKeptClear(project, ids, number(0, 1) < 0.3 ? std::nullopt : std::optional(clear));
      }
      case 69:
        return number(0, 1) < 0.5 ? withNewStyle(one) : withOtherStyle(one);
      case 70: {
        const bool isBack = number(0, 1) < 0.5;
        return withFamilyReplaced(project, isBack ? "EB Garamond" : "Cabin", isBack ? "Cabin" : "EB Garamond");
      }
      default:
        return withEach(project, ids, [&](const Item& before) {
          Item after = before;
          after.hidden = number(0, 1) < 0.3;
          Style& style = changeable(after);
          style.opacity = number(0, 1);
          setLine(style, number(0, 1) < 0.4 ? std::optional(plainLine({9, 8, 7}, number(0.1, 9))) : std::nullopt);
          return after;
        });
    }
  }
  /// A style of how words look, which they get.
  Project withNewStyle(Id words) {
    NamedLook named;
    named.isOfParagraphs = number(0, 1) < 0.6;
    named.look = named.isOfParagraphs ? lookOfParagraph(anyLook(), nullptr) : lookOfLetters(anyLook(), {}, nullptr);
    std::uint32_t made = 0;
    const Project next = withTextStyleAdded(project, named, made);
    return withTextStyleGiven(next, words, 0, random_() % 20, named.isOfParagraphs, findTextStyle(next, made));
  }
  /// One of the styles changed, based on another, or taken away.
  Project withOtherStyle(Id words) {
    if (project.textStyles.empty()) return project;
    const auto any = [&] { return project.textStyles[random_() % project.textStyles.size()]; };
    const NamedLookPtr style = any(), other = any();
    if (number(0, 1) < 0.3) return withoutTextStyle(project, style->number);
    if (number(0, 1) < 0.3) return withTextStyleGiven(project, words, 0, 9, style->isOfParagraphs, style);
    return withTextStyleChanged(project, style->number, [&](NamedLook& named) {
      named.basedOn = number(0, 1) < 0.5 ? other : nullptr;
      named.look = difference({}, anyLook());
    });
  }
  NodesOfItems someNodes() {
    NodesOfItems nodes;
    for (const Id id : someItems()) {
      const ItemPtr item = findItem(project, id);
      const auto paths = item ? nodesOf(*item) : std::nullopt;
      if (!paths) continue;
      for (std::size_t p = 0; p < paths->size(); ++p)
        for (std::size_t i = 0; i < std::min<std::size_t>((*paths)[p].nodes.size(), 12); ++i)
          if (number(0, 1) < 0.4) nodes[id].push_back({p, i});
    }
    return nodes;
  }
  Corner anyCorner() { return {static_cast<CornerKind>(random_() % 6), number(0, 30)}; }
  MirrorAxis anyAxis() {
    const double angle = random_() % 2 == 0 ? 0 : number(0, pi);
    const Point along{std::sin(angle), std::cos(angle)};
    return {{number(-5, 5), 0}, along, {along.y, -along.x}};
  }
  const StarterKind& anyKind() { return *starterKinds()[random_() % starterKinds().size()]; }
  /// Small ones of all that counts or measures lengths.
  std::vector<double> anyNumbers(const StarterKind& kind) {
    std::vector<double> numbers;
    for (const StarterNumber& n : kind.numbers) {
      const bool wide = n.kind == NumberKind::Count || n.kind == NumberKind::Length;
      numbers.push_back(within(n, number(n.least, wide ? std::min(n.most, n.least + 12) : n.most)));
    }
    return numbers;
  }
  Words::Content anyWords() {
    static const char* const texts[] = {"peak", "slow line\nabove", "caf\xC3\xA9 \xD7\x90\xD7\x91 fi",
                                        "the slow line above the clouds"};
    static const FaceChoice faces[] = {
        {"Cabin", 400}, {"League Spartan", 700}, {"EB Garamond", 400, true}, {"None", 500}};
    Words::Content words;
    words.text = texts[random_() % std::size(texts)];
    words.style = {faces[random_() % std::size(faces)], number(4, 60), number(0, 70),
                   static_cast<Align>(random_() % 3)};
    if (number(0, 1) < 0.5) words.frame = TextFrame{number(5, 120), number(5, 90)};
    return words;
  }
  /// A few aspects of words, others than usual.
  TextStyle anyLook() {
    TextStyle style;
    for (int i = 0; i < 4; ++i) {
      const auto aspect = static_cast<TextAspect>(random_() % countOfTextAspects);
      const AspectEntry& entry = entryOf(aspect);
      if (entry.kind != AspectKind::Words && aspect != TextAspect::Size)
        setValue(style, aspect, number(entry.least, entry.kind == AspectKind::Switch ? 1 : std::min(entry.most, 40.0)));
    }
    return style;
  }
  const Sheet& sheetHere() const { return *findSheet(project, sample_.sheet); }

 private:
  double number(double low, double high) { return std::uniform_real_distribution<double>(low, high)(random_); }
  Point place() { return {number(-20, 220), number(-20, 170)}; }
  std::vector<Id> all() {
    std::vector<Id> ids;
    gatherIds(sheetHere().items, ids);
    return ids;
  }
  std::vector<Id> someItems() {
    std::vector<Id> chosen;
    for (const Id id : all())
      if (number(0, 1) < 0.4) chosen.push_back(id);
    return chosen;
  }
  Id anyItem() {
    const auto ids = all();
    return ids.empty() ? 0 : ids[random_() % ids.size()];
  }
  int count() { return static_cast<int>(number(1, 4.99)); }
  Pattern anyPattern() {
    const Point step{number(-50, 50), number(-50, 50)}, other{number(-50, 50), number(-50, 50)};
    const Each each = number(0, 1) < 0.5 ? Each{} : Each{number(-1, 1), number(-0.3, 0.5)};
    switch (random_() % 5) {
      case 0:
        return Row{count(), step, each};
      case 1:
        return Grid{count(), count(), step, other, number(-0.5, 0.5)};
      case 2:
        return Ring{count(), step, number(-7, 7), number(0, 1) < 0.5, each};
      case 3:
        return Mirrored{count(), step, number(-7, 7)};
      default:
        return Trail{anyLine(), count(), number(0, 1) < 0.5 ? 0 : number(20, 60), number(0, 1) < 0.5, each};
    }
  }
  Contour anyLine() {
    Contour line{{}, {}, number(0, 1) < 0.5};
    for (int i = count(); i > 0; --i) {
      const auto place = [&] { return Point{number(-50, 50), number(-50, 50)}; };
      line.segments.push_back(number(0, 1) < 0.5 ? Segment::line(place()) : Segment::cubic(place(), place(), place()));
    }
    return line;
  }
  Guide anyGuide() { return {number(0, 1) < 0.5, number(-20, 200), number(0, 1) < 0.3 ? "fold line" : ""}; }
  Id anyOwner() { return number(0, 1) < 0.5 ? sample_.sheet : project.pieces.front()->id; }
  InLine anyInLine() { return allInLine[random_() % std::size(allInLine)]; }
  AlignTo anyAlignTo() { return allAlignTo[random_() % std::size(allAlignTo)]; }
  BoxOf anyBoxOf() { return number(0, 1) < 0.5 ? BoxOf::Outline : BoxOf::WithLines; }
  /// One of its copies otherwise than the others, or not there at all.
  Project withCopyChanged(Id id) {
    const ItemPtr item = findItem(project, id);
    const Repeat* repeat = item ? repeatOf(*item) : nullptr;
    if (!repeat) return project;
    const int copy = static_cast<int>(random_() % std::min<std::size_t>(20, countOfCopies(*repeat)));
    switch (random_() % 5) {
      case 0:
        return withOwnLook(project, id, copy, repeat->items[0]->id, *lookOf(*findItem(project, anyItem())));
      case 1:
        return withoutOwnLook(project, id, copy);
      case 2:
        return withLookForAll(project, id, copy);
      default:
        return widecut::withLeftOut(project, id, copy, number(0, 1) < 0.7);
    }
  }
  /// Several fills and lines, and, for what has something inside it, the picture of that.
  Project withStrips(const std::vector<Id>& ids) {
    return withEach(project, ids, [&](const Item& before) {
      Item after = before;
      Style& style = changeable(after);
      style.fills.push_back({Colour{7, 8, 9, 120}, number(0, 1), number(0, 1) < 0.7});
      if (!childrenOf(before).empty()) setPicture(style, PartPicture{childrenOf(before).front()->id});
      style.lines.push_back(plainLine({3, 2, 1, 200}, number(0.1, 5)));
      return after;
    });
  }
  Project typedFormula(Id id) {
    const ItemPtr item = findItem(project, id);
    if (!item || !item->recipe()) return project;
    auto names = formulaNames(*item->recipe());
    std::shuffle(names.begin(), names.end(), random_);
    std::string text;
    for (std::size_t i = 0; i < names.size(); ++i) {
      if (i > 0) text += std::string(" ") + "+-&^"[random_() % 4] + " ";
      text += writtenInFormulas(names[i]);
      if (number(0, 1) < 0.2) break;
    }
    const auto changed = withFormula(project, id, text);
    return changed ? *changed : project;
  }

  std::mt19937 random_;
  Sample sample_;
};

}  // namespace widecut

#include "app/bench/nodes_page.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QSlider>

#include "app/bench/action_card.h"
#include "app/bench/node_numbers.h"
#include "app/bench/page_layout.h"
#include "app/widgets/cards.h"
#include "app/widgets/clear_layout.h"
#include "painting/item_picture.h"
#include "project/edits/places.h"
#include "project/resolve.h"

namespace widecut {
namespace {

constexpr QSize pictureSize{92, 56};
constexpr std::size_t atOnce = 24;  // nodes up to which the pictures are there at once; of more they follow

}  // namespace

NodesPage::NodesPage(Desk& desk, QWidget* parent) : BenchPage(desk, parent) {
  auto* column = pageColumn(*this);
  column->setContentsMargins(14, 6, 14, 4);
  column->setSpacing(4);
  heading_ = pageHeading({}, *this);
  heading_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
  column->addWidget(heading_);
  auto* row = new QHBoxLayout;
  row->setSpacing(14);
  column->addLayout(row);
  column->addStretch(1);
  numbers_ = new NodeNumbers(desk, this);
  row->addWidget(numbers_, 0, Qt::AlignTop);

  buttons_ = new QWidget(this);
  auto* grid = new QGridLayout(buttons_);
  grid->setContentsMargins(0, 0, 0, 0);
  grid->setHorizontalSpacing(5);
  grid->setVerticalSpacing(3);
  constexpr CommandId commands[][3] = {{CommandId::NodeCorner, CommandId::NodeSmooth, CommandId::NodeEven},
                                       {CommandId::OpenOrClose, CommandId::PartAtNode, CommandId::JoinEnds},
                                       {CommandId::NodesInColumn, CommandId::NodesInRow, CommandId::MirrorEditing},
                                       {CommandId::ReversePath, CommandId::StartHere, CommandId::DropPath}};
  for (int line = 0; line < 4; ++line)
    for (int place = 0; place < 3; ++place) {
      QPushButton* button = buttonFor(commands[line][place], buttons_);
      commandButtons_.emplace_back(button, commands[line][place]);
      grid->addWidget(button, line, place);
    }
  row->addWidget(buttons_, 0, Qt::AlignTop);

  auto* holder = new QWidget(this);
  auto* cards = new QHBoxLayout(holder);
  cards->setContentsMargins(0, 0, 0, 0);
  cards->setSpacing(6);
  cards_ = new QHBoxLayout;
  cards_->setSpacing(6);
  addSimplify();
  cards->addWidget(simplify_, 0, Qt::AlignTop);
  cards->addLayout(cards_);
  cards->addStretch(1);
  row->addWidget(sidewaysScroll(*holder, *this), 1);
  connect(&desk, &Desk::nodesChosen, this, [this] {
    if (isVisible()) refresh(false);
  });
  connect(&desk, &Desk::toolChanged, this, [this] {
    if (desk_.tool() == ToolKind::Nodes) return;
    task_.drop();
    trial_.drop();
  });
}

void NodesPage::addSimplify() {
  simplify_ = new QWidget(this);
  auto* column = new QVBoxLayout(simplify_);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(4);
  auto* words = new QLabel(tr("simplify"), simplify_);
  column->addWidget(words);
  slider_ = new QSlider(Qt::Horizontal, simplify_);
  slider_->setObjectName("simplify");
  slider_->setAccessibleName(tr("How far the simpler outline may stray"));
  slider_->setRange(0, 60);
  slider_->setFixedWidth(120);
  column->addWidget(slider_);
  told_ = new QLabel(simplify_);
  told_->setObjectName("simplifySays");
  theme::makeSecondary(*told_);
  told_->setMinimumWidth(120);
  column->addWidget(told_);
  connect(slider_, &QSlider::valueChanged, this, &NodesPage::trySimplify);
  const auto settle = [this] {
    if (!trial_.settle(tr("Simplify"))) return;
    const QSignalBlocker quiet(slider_);
    slider_->setValue(0);
  };
  connect(slider_, &QSlider::sliderReleased, this, settle);
  connect(&desk_, &Desk::settleWanted, this, settle);
}

/// Points: nothing at the slider's left end, a tenth of the item at its right, in steps of a constant ratio.
double NodesPage::tolerance() const {
  const auto items = itemsWithNodes(desk_.settled(), desk_.selection());
  double size = 0;
  for (const ItemPtr& item : items) {
    const Box box = boxInFrame(*item);
    size = std::max({size, box.width(), box.height()});
  }
  constexpr double least = 2e-4, most = 0.1;
  return size * least * std::pow(most / least, slider_->value() / 60.0);
}

void NodesPage::trySimplify() {
  if (slider_->value() == 0) {
    trial_.drop();
    told_->clear();
    return;
  }
  double error = 0;
  std::size_t nodes = 0, before = 0;
  for (const ItemPtr& item : itemsWithNodes(desk_.settled(), desk_.selection()))
    before += countOfNodes(*nodesOf(*item));
  const double most = tolerance();
  Project changed = withAction(site(), [&](const NodePaths& paths, const Stretch&) {
    double strayed = 0;
    NodePaths few = simplified(paths, most, strayed);
    error = std::max(error, strayed);
    nodes += countOfNodes(few);
    return few;
  });
  told_->setText(tr("%1 of %2 nodes\nat most %3 off").arg(nodes).arg(before).arg(desk_.lengthText(error)));
  trial_.show(std::move(changed));
}

std::vector<NodesPage::Action> NodesPage::actions() const {
  std::vector<Action> all;
  const ActionSite site = this->site();
  const auto add = [&](const QString& name, const NodeAction& action) {
    all.push_back({name, [site, action] { return withAction(site, action); }, {}});
  };
  add(tr("Smooth all"), [](const NodePaths& p, const Stretch& s) { return smoothed(p, s); });
  add(tr("Remove kinks"), [](const NodePaths& p, const Stretch& s) { return withoutKinks(p, s); });
  add(tr("Even handles"), [](const NodePaths& p, const Stretch& s) { return withEvenHandles(p, s); });
  add(tr("Straighten"), [](const NodePaths& p, const Stretch& s) { return straightened(p, s); });
  add(tr("Refit"), [](const NodePaths& p, const Stretch&) {
    double error = 0;
    return refitted(p, error);
  });
  const auto items = itemsWithNodes(*site.project, site.selection);
  const auto rounded = [site, items = itemsWithCorners(*site.project, site.selection)] {
    Project out = *site.project;
    for (const ItemPtr& item : items) {
      const Box box = boxInFrame(*item);
      out = withAllCorners(out, item->id, {CornerKind::Round, std::min(box.width(), box.height()) / 10});
    }
    return out;
  };
  all.push_back({tr("Round corners"), rounded, {}});
  if (items.size() != 1) return all;
  const auto half = [&](const QString& name, HalfSide keep) {
    all.push_back({name,
                   [project = site.project, id = items.front()->id, axis = axisFor(desk_, *items.front(), 0), keep] {
                     return withHalfMirrored(*project, id, axis, keep);
                   },
                   {}});
  };
  half(tr("Left half twice"), -1);
  half(tr("Right half twice"), 1);
  return all;
}

void NodesPage::layCards() {
  const auto state = desk_.history().current();
  if (state == shown_ && shownNodes_ == desk_.chosenNodes() && shownItems_ == desk_.selection()) return;
  shown_ = state;
  shownNodes_ = desk_.chosenNodes();
  shownItems_ = desk_.selection();
  std::size_t nodes = 0;
  for (const ItemPtr& item : itemsWithNodes(*state, shownItems_)) nodes += countOfNodes(*nodesOf(*item));
  const auto work = [all = actions(), state, ids = shownItems_, &photos = desk_.photos(), ratio = devicePixelRatioF()] {
    std::vector<Action> worked = all;
    for (Action& action : worked) {
      const Project after = action.changed();
      action.changes = !isSame(after, *state);
      action.picture = pictureOf(asOnSheet(after, ids), photos, pictureSize, ratio);
    }
    return worked;
  };
  if (nodes <= atOnce) {
    task_.drop();
    lay(work());
    return;
  }
  task_.run([this, work] { return [this, worked = work()] { lay(worked); }; });
}

void NodesPage::lay(const std::vector<Action>& worked) {
  clearLayout(*cards_);
  for (const Action& action : worked) {
    const auto make = [this, action] {
      desk_.commit(action.name, action.changed());
      emit keysBack();
    };
    auto* card = actionCard({action.name, "do " + action.name, action.changed, make, action.picture, action.changes},
                            trial_, this);
    cards_->addWidget(card, 0, Qt::AlignTop);
  }
}

QString NodesPage::headingNow() const {
  const auto items = itemsWithNodes(desk_.project(), desk_.selection());
  if (items.empty()) return tr("Click an item to see its nodes");
  const QString named = items.size() == 1 ? tr("“%1”").arg(QString::fromStdString(items.front()->name))
                                          : tr("%1 items").arg(items.size());
  std::size_t nodes = 0;
  for (const ItemPtr& item : items) nodes += countOfNodes(*nodesOf(*item));
  const std::size_t chosen = countOf(desk_.chosenNodes());
  const bool isStarter = !startersWithNodes(desk_).empty();
  QString text = chosen == 0 ? (isStarter ? tr("%1 · %2 nodes · moving one makes it a plain outline, without numbers")
                                          : tr("%1 · %2 nodes · the pictures are of all of them"))
                                   .arg(named)
                                   .arg(nodes)
                             : tr("%1 · %2 of %3 nodes chosen").arg(named).arg(chosen).arg(nodes);
  if (isMirrored(desk_)) text += tr(" · mirrored: every edit happens on both sides");
  return text;
}

void NodesPage::refresh(bool selection) {
  const auto items = itemsWithNodes(desk_.project(), desk_.selection());
  heading_->setText(headingNow());
  numbers_->refresh();
  buttons_->setVisible(!items.empty());
  numbers_->setVisible(!items.empty());
  simplify_->setVisible(!items.empty());
  if (desk_.isTrying()) return;
  if (selection) {
    const QSignalBlocker quiet(slider_);
    slider_->setValue(0);
    shown_ = nullptr;
  }
  told_->clear();
  for (const auto& [button, id] : commandButtons_) showState(*button, id, desk_);
  if (items.empty()) {
    clearLayout(*cards_);
    shown_ = nullptr;
    return;
  }
  layCards();
}

}  // namespace widecut

#include "app/window/tool_row.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QToolButton>

#include "app/commands/command_actions.h"
#include "app/look/theme.h"
#include "app/mat/mat.h"
#include "app/tools/join_key.h"
#include "app/tools/tool_table.h"

namespace widecut {
namespace {

QToolButton* buttonFor(const ToolEntry& tool, Desk& desk, QWidget* row) {
  auto* button = new QToolButton(row);
  button->setIcon(theme::icon(tool.icon));
  button->setIconSize({20, 20});
  button->setText(tool.keyText());
  button->setFont(theme::font(11));
  button->setToolButtonStyle(Qt::ToolButtonTextBesideIcon);
  button->setCheckable(true);
  button->setFixedSize(46, 38);
  button->setToolTip(ToolRow::tr("%1 (key %2)").arg(tool.words(), tool.keyText()));
  button->setAccessibleName(tool.words());
  button->setObjectName("tool" + tool.keyText());
  button->setFocusPolicy(Qt::TabFocus);
  theme::setSheet(*button,
                  "QToolButton:checked { background: #E6DECE; border-bottom: 3px solid #BF3F26; border-radius: 0; }");
  const auto show = [&desk, button, kind = tool.kind] { button->setChecked(desk.tool() == kind); };
  QObject::connect(button, &QToolButton::clicked, &desk, [&desk, kind = tool.kind] { desk.setTool(kind); });
  QObject::connect(button, &QToolButton::clicked, button, show);
  QObject::connect(&desk, &Desk::toolChanged, button, show);
  show();
  return button;
}

/// One answer to what the next shape does to the selected item; without a key it stays apart.
QToolButton* joinButton(Desk& desk, const JoinKey* join, QWidget* box) {
  auto* button = new QToolButton(box);
  const auto role = join ? std::optional(join->role) : std::nullopt;
  const QString words = role ? QString::fromUtf8(nameOf(*role).data()) : ToolRow::tr("apart");
  button->setText(role ? theme::signOf(*role) + " " + words : words);
  button->setCheckable(true);
  button->setFocusPolicy(Qt::TabFocus);
  button->setObjectName("join " + words);
  button->setToolTip(
      join ? ToolRow::tr("%1 the new shape (hold %2 while it is drawn)").arg(words, QKeySequence(join->key).toString())
           : ToolRow::tr("The new shape becomes an item of its own"));
  const QString sheet =
      "QToolButton { padding: 3px 8px; color: %1 } QToolButton:checked { background: %1; color: %2; border-radius: 3px "
      "}";
  theme::setSheet(*button, role ? sheet.arg(theme::colourOf(*role).name(), "white") : sheet.arg("#23302E", "#FBF9F4"));
  const auto show = [&desk, button, role] { button->setChecked(desk.joinForNew() == role); };
  QObject::connect(button, &QToolButton::clicked, &desk, [&desk, role] { desk.setJoinForNew(role); });
  QObject::connect(button, &QToolButton::clicked, button, show);
  for (const auto signal : {&Desk::toolSet, &Desk::toolChanged, &Desk::selectionChanged})
    QObject::connect(&desk, signal, button, show);
  return button;
}

QWidget* joinChoice(Desk& desk, QWidget* row) {
  auto* box = new QWidget(row);
  box->setObjectName("joinChoice");
  box->setAccessibleName(ToolRow::tr("What the new shape does to the selected item"));
  auto* layout = new QHBoxLayout(box);
  layout->setContentsMargins(14, 0, 0, 0);
  layout->setSpacing(2);
  auto* words = new QLabel(ToolRow::tr("new shape"), box);
  theme::makeSecondary(*words);
  layout->addWidget(words);
  layout->addSpacing(4);
  layout->addWidget(joinButton(desk, nullptr, box));
  for (const JoinKey& join : joinKeys) layout->addWidget(joinButton(desk, &join, box));
  const auto showBox = [&desk, box] { box->setVisible(desk.canJoin()); };
  for (const auto signal : {&Desk::toolChanged, &Desk::toolSet, &Desk::selectionChanged})
    QObject::connect(&desk, signal, box, showBox);
  showBox();
  return box;
}

/// Says which view is on, if it is not the usual one; a click ends it.
QWidget* viewChip(Desk& desk, CommandActions& commands, QWidget* row) {
  auto* chip = new QPushButton(row);
  chip->setObjectName("viewChip");
  chip->setProperty("primary", true);
  const auto commandNow = [&desk] {
    return desk.view() == MatView::Paper        ? CommandId::PaperView
           : desk.view() == MatView::SeeThrough ? CommandId::SeeThroughView
                                                : CommandId::EdgesView;
  };
  const auto show = [&desk, chip, commandNow] {
    chip->setVisible(desk.view() != MatView::Usual);
    chip->setText(command(commandNow()).buttonWords() + "  ×");
    chip->setToolTip(ToolRow::tr("Back to the usual view"));
  };
  QObject::connect(&desk, &Desk::viewChanged, chip, show);
  QObject::connect(chip, &QPushButton::clicked, &commands, [&commands, commandNow] { commands.run(commandNow()); });
  show();
  return chip;
}

}  // namespace

ToolRow::ToolRow(Desk& desk, Mat& mat, CommandActions& commands, QWidget* parent) : QWidget(parent) {
  setObjectName("toolRow");
  setAttribute(Qt::WA_StyledBackground);
  setFixedHeight(44);
  theme::setSheet(*this, "#toolRow { background: #FBF9F4; border-bottom: 1px solid #D5CDBD; }");
  auto* layout = new QHBoxLayout(this);
  layout->setContentsMargins(8, 2, 10, 2);
  layout->setSpacing(4);
  for (const ToolEntry& tool : toolTable())
    if (tool.isInRow()) layout->addWidget(buttonFor(tool, desk, this));
  layout->addWidget(joinChoice(desk, this));
  layout->addStretch(1);
  layout->addWidget(viewChip(desk, commands, this));
  auto* fit = commandButton(CommandId::FitSheet, this);
  connect(fit, &QPushButton::clicked, &commands, [&commands] { commands.run(CommandId::FitSheet); });
  auto* zoom = new QLabel(this);
  zoom->setMinimumWidth(52);
  zoom->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
  zoom->setAccessibleName(tr("Zoom"));
  connect(&mat, &Mat::zoomChanged, zoom, [&mat, zoom] {
    // 100 % shows a point as 4/3 pixels, the size it has on paper at 96 ppi.
    zoom->setText(QString("%1 %").arg(std::lround(mat.zoom() * 75)));
  });
  layout->addWidget(fit);
  layout->addWidget(zoom);
}

}  // namespace widecut

// Every page that there is, with what brings it up: what tests walk over that hold for all fields, lists and cards.
#pragma once

#include <QAction>
#include <QLabel>
#include <QStackedWidget>
#include <QTemporaryDir>
#include <algorithm>
#include <functional>

#include "app/widgets/cards.h"
#include "job_photos.h"
#include "project/edits/colours.h"
#include "project/edits/tree.h"
#include "project/edits/videos.h"
#include "project/forms/repeat.h"
#include "project/forms/starter_form.h"
#include "project/forms/words.h"
#include "project/resolve.h"
#include "shapes/starter.h"
#include "test_videos.h"
#include "window_driver.h"

namespace widecut {

/// A person at the window, who brings up every page.
struct Walker {
  WindowDriver w;
  QTemporaryDir folder;
  Walker() { w.rest = 1; }

  struct Page {
    std::string name;
    std::function<void()> bringUp;  ///< From an empty project.
  };

  QStackedWidget& bench() { return *w.window.findChild<QStackedWidget*>("bench"); }
  QWidget& details() { return *w.window.findChild<QWidget*>("details"); }
  /// What a label, a button or a field says, and where it is in its panel.
  struct Said {
    QWidget* by;
    QString text;
    QPoint at;
  };
  /// All that panels and bench say now.
  std::vector<Said> said() {
    std::vector<Said> all;
    for (QWidget* panel : {&details(), static_cast<QWidget*>(&bench())})
      for (QWidget* one : panel->findChildren<QWidget*>()) {
        if (!one->isVisible()) continue;
        QString text;
        if (auto* label = qobject_cast<QLabel*>(one)) text = label->text();
        if (auto* button = qobject_cast<QAbstractButton*>(one)) text = button->text();
        if (auto* field = qobject_cast<QLineEdit*>(one)) text = field->text();
        if (!text.isEmpty()) all.push_back({one, text, one->mapTo(panel, QPoint())});
      }
    return all;
  }
  /// Waits until what is worked out in the background has been found.
  void comeToRest() {
    w.until([&] {
      const auto labels = bench().findChildren<QLabel*>();
      return std::none_of(labels.begin(), labels.end(),
                          [](const QLabel* one) { return one->isVisible() && one->text().startsWith("Looking"); });
    });
    w.settle();
  }
  void command(const char* name) {
    auto* action = w.window.findChild<QAction*>(name);
    if (!action) qFatal("there is no command %s", name);
    action->trigger();
    w.settle();
  }
  Id draw(int tool, double x, double y, double width, double height) {
    w.key(tool);
    w.drag(w.mm(x, y), w.mm(x + width, y + height), Qt::ControlModifier);
    w.key(Qt::Key_1);
    return w.desk().selection().front();
  }
  Id box(double x = 60) { return draw(Qt::Key_4, x, 50, 80, 60); }
  Id disc(double x = 110) { return draw(Qt::Key_5, x, 60, 70, 70); }
  Id plain() {
    const Id id = box();
    command("bake");
    return id;
  }
  Id line() {
    w.key(Qt::Key_7);
    w.drag(w.mm(60, 50), w.mm(160, 90), Qt::ControlModifier);
    w.key(Qt::Key_1);
    return w.desk().selection().front();
  }
  Id words(bool frame) {
    w.key(Qt::Key_8);
    if (frame)
      w.drag(w.mm(60, 50), w.mm(140, 120));
    else
      w.click(w.mm(60, 60));
    w.typeOnMat("the line climbs");
    w.key(Qt::Key_Escape);
    return w.desk().selection().front();
  }
  Id photo() {
    const Id id = box();
    w.drop(twoTonePhoto(folder), w.mm(100, 80));
    return id;
  }
  void cutout() {
    box();
    disc();
    w.key(Qt::Key_A, Qt::ControlModifier);
    w.key(Qt::Key_S);
  }
  /// Clicks a button or a card by its name, where it shows.
  void click(const QString& name) {
    for (auto* one : w.window.findChildren<QWidget*>(name))
      if (one->isVisible()) {
        QTest::mouseClick(one, Qt::LeftButton);
        w.settle();
        return;
      }
    qFatal("there is no %s that shows", qPrintable(name));
  }
  void paint(const char* row, int kind) {
    click(row);
    for (auto* kinds : w.window.findChildren<QComboBox*>("number paint"))
      if (kinds->isVisible()) {
        kinds->setCurrentIndex(kind);
        emit kinds->activated(kind);
      }
    w.settle();
  }

  std::vector<Page> pages() {
    std::vector<Page> all;
    const auto add = [&](const std::string& name, const std::function<void()>& bringUp) {
      all.push_back({name, bringUp});
    };
    add("nothing", [] {});
    for (const StarterKind* kind : starterKinds())
      add("a " + std::string(kind->name), [this, kind] {
        w.desk().setTool(ToolKind::Starter);
        w.desk().setNext(*kind, usualValues(*kind));
        w.drag(w.mm(60, 50), w.mm(140, 110), Qt::ControlModifier);
      });
    for (const int tool : {Qt::Key_4, Qt::Key_5, Qt::Key_6, Qt::Key_3, Qt::Key_7, Qt::Key_8, Qt::Key_0})
      add("tool " + std::string(1, static_cast<char>(tool)), [this, tool] { w.key(tool); });
    add("an outline", [this] { plain(); });
    add("nodes", [this] {
      plain();
      w.key(Qt::Key_2);
      w.key(Qt::Key_A, Qt::ControlModifier);
    });
    add("a line", [this] { line(); });
    add("words", [this] { words(false); });
    add("words in a frame", [this] { words(true); });
    for (int group = 0; group < 12; ++group)
      add("words, group " + std::to_string(group), [this, group] {
        words(true);
        int at = 0;
        for (auto* button : bench().currentWidget()->findChildren<QPushButton*>())
          if (button->isVisible() && button->isCheckable() && at++ == group) {
            QTest::mouseClick(button, Qt::LeftButton);
            break;
          }
        w.settle();
      });
    add("a named style", [this] {
      words(true);
      for (auto* button : bench().currentWidget()->findChildren<QPushButton*>())
        if (button->isVisible() && button->text().contains("tyle")) {
          QTest::mouseClick(button, Qt::LeftButton);
          break;
        }
      w.settle();
      click("styleMakeParagraphs");
      w.key(Qt::Key_Escape);
    });
    add("a photo", [this] { photo(); });
    add("reframing", [this] {
      photo();
      w.key(Qt::Key_R);
    });
    add("adjusting", [this] {
      photo();
      w.key(Qt::Key_R, Qt::ShiftModifier);
    });
    add("a background", [this] {
      photo();
      command("bringOut");
    });
    add("a video", [this] {
      box();
      const QString path = folder.filePath("v.webm");
      QFile file(path);
      if (!file.open(QIODevice::WriteOnly)) qFatal("no file for the video");
      file.write(QByteArray::fromStdString(encodedVideo()));
      file.close();
      w.drop(path, w.mm(100, 80));  // its page comes by itself
    });
    add("a group", [this] {
      box();
      disc();
      w.key(Qt::Key_A, Qt::ControlModifier);
      w.key(Qt::Key_G);
    });
    for (const char* repeat : {"repeatRow", "repeatGrid", "repeatRing", "repeatMirrored"})
      add(repeat, [this, repeat] {
        draw(Qt::Key_4, 60, 50, 20, 20);
        command(repeat);
        w.key(Qt::Key_Escape);
        w.click(w.mm(70, 60));
      });
    add("copies along a line", [this] {
      line();
      draw(Qt::Key_4, 20, 20, 10, 10);
      w.key(Qt::Key_A, Qt::ControlModifier);
      command("repeatAlong");
    });
    add("a cutout", [this] { cutout(); });
    add("two items", [this] {
      box();
      disc();
      w.key(Qt::Key_A, Qt::ControlModifier);
    });
    add("aligning", [this] {
      box();
      disc();
      w.key(Qt::Key_A, Qt::ControlModifier);
      w.key(Qt::Key_E);
    });
    add("aligning one", [this] {
      box();
      w.key(Qt::Key_E);
    });
    for (int kind = 0; kind < 5; ++kind)
      add("a fill of kind " + std::to_string(kind), [this, kind] {
        box();
        paint("fillPaint", kind);
      });
    for (int kind = 0; kind < 3; ++kind)
      add("an outline of kind " + std::to_string(kind), [this, kind] {
        box();
        click("addLine");
        paint("linePaint", kind);
      });
    add("the finish", [this] {
      box();
      w.key(Qt::Key_E, Qt::ShiftModifier);
    });
    for (const char* effect : {"shadow", "inner shadow", "glow", "inner glow", "raised edge", "soft edge",
                               "mirror below", "panel behind", "tinted copy", "outline copy"})
      add(effect, [this, effect] {
        box();
        w.key(Qt::Key_E, Qt::ShiftModifier);
        click(QString("add ") + effect);
      });
    add("offset", [this] {
      box();
      w.key(Qt::Key_O);
    });
    add("the outline of a line", [this] {
      line();
      w.key(Qt::Key_L);
    });
    add("colours of the project", [this] {
      box();
      command("findColours");
    });
    add("photos of the project", [this] {
      photo();
      command("projectPhotos");
    });
    add("the tray", [this] { command("stockTray"); });
    add("guides", [this] {
      box();
      command("guidesAround");
      w.key(Qt::Key_Escape);
    });
    return all;
  }

  /// A share of the pages, so that several processes walk them at once.
  std::vector<Page> pages(int share, int shares) {
    std::vector<Page> all = pages(), own;
    for (std::size_t i = 0; i < all.size(); ++i)
      if (static_cast<int>(i) % shares == share) own.push_back(std::move(all[i]));
    return own;
  }
  /// An empty project with one page up.
  void bringUp(const Page& page) {
    if (QWidget* popup = QApplication::activePopupWidget()) popup->close();
    w.desk().startNew();
    w.desk().setTool(ToolKind::Select);
    w.desk().leavePaint();
    w.mat().setFocus();
    w.mat().fitSheet();
    w.settle();
    page.bringUp();
    w.settle();
    comeToRest();
  }
};

}  // namespace widecut

// SPDX-License-Identifier: GPL-3.0-or-later
//
// Walks through the window by chance: keys, clicks, drags, odd texts, menus, sizes. Nothing it does
// may bring the window down, and whatever it leaves on the bench can be saved and opened again. The
// same seed walks the same way.
//
//     random_walk SECONDS SEED [ORDER]
//
// Every step goes to standard error before it is done, so that the last ones tell what happened.
// With AVRELT_WALK_KEEP=FILE what is on the bench is written there before every step.

#include <algorithm>
#include <iostream>
#include <QAbstractItemView>
#include <QAbstractSpinBox>
#include <QApplication>
#include <QComboBox>
#include <QDir>
#include <QElapsedTimer>
#include <QFile>
#include <QFileDialog>
#include <QLineEdit>
#include <QMenu>
#include <QMenuBar>
#include <QPushButton>
#include <QStandardPaths>
#include <QTemporaryDir>
#include <QTest>
#include <QTimer>
#include <random>

#include "app/look/theme.h"
#include "app/window/main_window.h"
#include "files/document_json.h"

using namespace avrelt;

namespace {

class Walk {
 public:
  Walk(MainWindow& window, unsigned seed) : window_(window), random_(seed) { answerDialog(); }

  void step() {
    ++steps_;
    switch (below(12)) {
      case 0:
      case 1:
        return pressKey();
      case 2:
      case 3:
      case 4:
        return clickButton();
      case 5:
      case 6:
        return typeText();
      case 7:
        return triggerAction();
      case 8:
      case 9:
        return dragOverView();
      case 10:
        return pickFromList();
      default:
        return resize();
    }
  }

  /// Whether what is on the bench can be saved, opened and saved again alike.
  bool survives() const {
    const Document& document = window_.order().document();
    const std::string text = writeDocument(document);
    const auto read = readDocument(text);
    if (read && writeDocument(read->document) == text) return true;
    std::cerr << "What is on the bench cannot be saved and opened again.\n";
    if (!read) std::cerr << inWords(read.error().front(), "order", document.units) << '\n';
    return false;
  }

  int steps() const { return steps_; }
  const QString& told() const { return told_; }

 private:
  int below(int most) { return static_cast<int>(random_() % static_cast<unsigned>(most)); }
  template <typename List>
  auto& oneOf(List& list) {
    return list[static_cast<std::size_t>(below(static_cast<int>(std::size(list))))];
  }
  void tell(const QString& what) {
    told_ = what;
    std::cerr << steps_ << ' ' << what.toStdString() << std::endl;
  }

  template <typename Widget>
  std::vector<Widget*> seen() const {
    std::vector<Widget*> widgets;
    for (Widget* widget : window_.findChildren<Widget*>()) {
      if (widget->isVisible() && widget->isEnabled()) widgets.push_back(widget);
    }
    return widgets;
  }

  void pressKey() {
    static constexpr Qt::Key keys[] = {
        Qt::Key_Up,     Qt::Key_Down,     Qt::Key_Left,      Qt::Key_Right,  Qt::Key_Return,
        Qt::Key_Tab,    Qt::Key_Escape,   Qt::Key_Backspace, Qt::Key_Delete, Qt::Key_Space,
        Qt::Key_PageUp, Qt::Key_PageDown, Qt::Key_Home,      Qt::Key_End,    Qt::Key_1,
        Qt::Key_2,      Qt::Key_3,        Qt::Key_4,         Qt::Key_5,      Qt::Key_6,
        Qt::Key_Z,      Qt::Key_Y,        Qt::Key_N,         Qt::Key_D,      Qt::Key_K,
        Qt::Key_F4};
    static constexpr Qt::KeyboardModifiers modifiers[] = {Qt::NoModifier,
                                                          Qt::NoModifier,
                                                          Qt::NoModifier,
                                                          Qt::ControlModifier,
                                                          Qt::AltModifier,
                                                          Qt::ShiftModifier,
                                                          Qt::ControlModifier | Qt::ShiftModifier};
    const Qt::Key key = oneOf(keys);
    const Qt::KeyboardModifiers with = oneOf(modifiers);
    QWidget* focus = QApplication::focusWidget();
    tell(QStringLiteral("key %1").arg(
        QKeySequence(static_cast<int>(key) | static_cast<int>(with.toInt())).toString()));
    QTest::keyClick(focus != nullptr ? focus : &window_, key, with);
  }

  void clickButton() {
    auto buttons = seen<QAbstractButton>();
    if (buttons.empty()) return;
    QAbstractButton* button = oneOf(buttons);
    tell(QStringLiteral("click %1 “%2”").arg(button->metaObject()->className(), button->text()));
    button->click();
  }

  void typeText() {
    static const char* const texts[] = {
        "",      "0",           "-1",     "9 3/8", "60 in",       "1/16",     "23,8 cm",
        "1e9",   "1e-9",        "nan",    "12.",   "3 1/0",       "∞",        "4; 1; rest",
        "0; 90", "180; 179.97", "🌙 moon", "rest",  "9 3/8 in in", "%1 %2 %3", "<b>x</b>",
        "500",   "0.1",         "100"};
    auto fields = seen<QLineEdit>();
    if (fields.empty()) return;
    QLineEdit* field = oneOf(fields);
    const QString text =
        below(30) == 0 ? QString(4000, QLatin1Char('9')) : QString::fromUtf8(oneOf(texts));
    tell(QStringLiteral("type “%1” into %2")
             .arg(text.left(20), field->accessibleName().isEmpty() ? field->objectName()
                                                                   : field->accessibleName()));
    field->setFocus();
    field->selectAll();
    QTest::keyClick(field, Qt::Key_Delete);
    const bool plain = std::all_of(text.begin(), text.end(),
                                   [](QChar c) { return c.unicode() >= 32 && c.unicode() < 127; });
    if (plain && text.size() < 40) {
      QTest::keyClicks(field, text);
    } else {
      field->insert(text);
    }
    if (below(2) == 0) QTest::keyClick(field, Qt::Key_Return);
  }

  void triggerAction() {
    std::vector<QAction*> actions;
    for (QMenu* menu : window_.menuBar()->findChildren<QMenu*>()) {
      for (QAction* action : menu->actions()) {
        const bool ends = action->text().contains(QStringLiteral("Quit"));
        if (action->isEnabled() && action->menu() == nullptr && !action->isSeparator() && !ends) {
          actions.push_back(action);
        }
      }
    }
    if (actions.empty()) return;
    QAction* action = oneOf(actions);
    tell(QStringLiteral("menu “%1”").arg(action->text()));
    action->trigger();
  }

  QPoint placeIn(const QWidget& widget) {
    return {below(std::max(widget.width(), 1)), below(std::max(widget.height(), 1))};
  }

  void dragOverView() {
    std::vector<QWidget*> views{&window_.flat(), &window_.round(), &window_.cupStrip(),
                                &window_.benchStation().timeline()};
    QWidget* view = oneOf(views);
    if (!view->isVisible()) return;
    const QPoint from = placeIn(*view);
    const QPoint to = placeIn(*view);
    static constexpr Qt::KeyboardModifiers modifiers[] = {Qt::NoModifier, Qt::NoModifier,
                                                          Qt::ShiftModifier, Qt::ControlModifier};
    const Qt::KeyboardModifiers with = oneOf(modifiers);
    tell(QStringLiteral("drag %1 from %2, %3 to %4, %5")
             .arg(view->metaObject()->className())
             .arg(from.x())
             .arg(from.y())
             .arg(to.x())
             .arg(to.y()));
    QTest::mousePress(view, Qt::LeftButton, with, from);
    if (below(3) > 0) {
      QTest::mouseMove(view, (from + to) / 2);
      QTest::mouseMove(view, to);
    }
    QTest::mouseRelease(view, Qt::LeftButton, with, below(3) > 0 ? to : from);
  }

  void pickFromList() {
    auto lists = seen<QAbstractItemView>();
    auto boxes = seen<QComboBox>();
    if (!boxes.empty() && (lists.empty() || below(3) == 0)) {
      QComboBox* box = oneOf(boxes);
      if (box->count() == 0) return;
      const int to = below(box->count());
      tell(QStringLiteral("choose %1 of %2").arg(to).arg(box->accessibleName()));
      box->setCurrentIndex(to);
      emit box->activated(to);
      return;
    }
    if (lists.empty()) return;
    QAbstractItemView* list = oneOf(lists);
    const QAbstractItemModel* model = list->model();
    if (model == nullptr || model->rowCount() == 0) return;
    const int row = below(model->rowCount());
    const int column = below(std::max(model->columnCount(), 1));
    tell(QStringLiteral("pick row %1 of %2").arg(row).arg(list->accessibleName()));
    list->setCurrentIndex(model->index(row, column));
  }

  void resize() {
    static constexpr QSize sizes[] = {{1280, 800}, {800, 600}, {1000, 660}, {1900, 1000}};
    const QSize size = oneOf(sizes);
    tell(QStringLiteral("resize to %1 × %2").arg(size.width()).arg(size.height()));
    window_.resize(size);
  }

  /// Dialogs wait for an answer; they get one, those that open upon it as well.
  void answerDialog() {
    QTimer::singleShot(15, &window_, [this] { answerDialog(); });
    if (QWidget* popup = QApplication::activePopupWidget()) {
      popup->close();
      return;
    }
    auto* dialog = qobject_cast<QDialog*>(QApplication::activeModalWidget());
    if (dialog == nullptr) return;
    std::vector<QAbstractButton*> buttons;
    for (QAbstractButton* button : dialog->findChildren<QAbstractButton*>()) {
      if (button->isVisible() && button->isEnabled()) buttons.push_back(button);
    }
    // A dialog of files would be answered with files of this machine.
    const bool files = qobject_cast<QFileDialog*>(dialog) != nullptr;
    if (files || buttons.empty() || ++asked_ % 6 == 0) {
      tell(QStringLiteral("close “%1”").arg(dialog->windowTitle()));
      dialog->reject();
      return;
    }
    QAbstractButton* button = oneOf(buttons);
    tell(QStringLiteral("answer “%1” with “%2”").arg(dialog->windowTitle(), button->text()));
    button->click();
  }

  MainWindow& window_;
  std::mt19937 random_;
  int steps_ = 0;
  int asked_ = 0;
  QString told_;
};

}  // namespace

int main(int argc, char** argv) {
  QTemporaryDir own;
  for (const char* variable : {"XDG_CONFIG_HOME", "XDG_DATA_HOME", "HOME"}) {
    qputenv(variable, own.path().toUtf8());
  }
  QApplication app(argc, argv);
  QApplication::setOrganizationName(QStringLiteral("avrelt"));
  QApplication::setApplicationName(QStringLiteral("avrelt"));
  QDir::setCurrent(own.path());
  loadFaces();
  useTheme(Theme::light());
  const QStringList words = QApplication::arguments();
  const qint64 seconds = words.value(1, QStringLiteral("60")).toLongLong();
  const unsigned seed = words.value(2, QStringLiteral("1")).toUInt();
  MainWindow window;
  window.show();
  window.openShelf();
  if (words.size() > 3) {
    // A copy: what is walked over is saved now and then.
    const QString order = own.filePath(QStringLiteral("order.avrelt"));
    if (!QFile::copy(words.at(3), order)) return 2;
    QFile::setPermissions(order, QFile::ReadOwner | QFile::WriteOwner);
    if (!window.file().open(order)) return 2;
  }
  // Some walks never wait for a plan: they meet every state in between.
  if (seed % 3 == 0) window.order().setPatience(std::chrono::milliseconds(0));
  // And some are a step of a drag behind.
  if (seed % 3 == 1) {
    window.order().setPatience(std::chrono::milliseconds(60), std::chrono::milliseconds(0));
  }
  Walk walk(window, seed);
  QElapsedTimer clock;
  clock.start();
  bool well = true;
  qint64 slowest = 0;
  QString slow;
  const QString keep = qEnvironmentVariable("AVRELT_WALK_KEEP");
  while (well && clock.elapsed() < seconds * 1000) {
    if (QFile file(keep); !keep.isEmpty() && file.open(QIODevice::WriteOnly)) {
      file.write(QByteArray::fromStdString(writeDocument(window.order().document())));
    }
    const qint64 begun = clock.elapsed();
    walk.step();
    QCoreApplication::processEvents();
    if (const qint64 took = clock.elapsed() - begun; took > slowest) {
      slowest = took;
      slow = walk.told();
    }
    if (!window.isVisible()) window.show();
    if (walk.steps() % 50 == 0) well = walk.survives();
  }
  window.order().history()->setClean();
  std::cout << walk.steps() << " steps with seed " << seed << ", the longest " << slowest
            << " ms: " << slow.toStdString() << '\n';
  return well ? 0 : 1;
}

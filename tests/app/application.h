// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <catch2/catch.hpp>
#include <QAbstractButton>
#include <QApplication>
#include <QDialog>
#include <QSettings>
#include <QTemporaryDir>
#include <QTest>
#include <QTimer>

#include "app/window/main_window.h"
#include "files/where_text.h"

namespace avrelt {

/// The one application of the test program, made when first asked for, with settings and data of
/// its own.
QApplication& application();

/// A window as a new user meets it: shown, an empty order with one cup, inches.
struct OpenWindow {
  OpenWindow() {
    window.resize(1280, 800);
    window.show();
    CHECK(QTest::qWaitForWindowExposed(&window));
    // The same first cup wherever in the world the tests run.
    Document document;
    document.cups = {newCup("Cup 1", Unit::inch)};
    window.order().load(document);
  }
  ~OpenWindow() { window.order().history()->setClean(); }
  OpenWindow(const OpenWindow&) = delete;
  OpenWindow& operator=(const OpenWindow&) = delete;

  /// The field that is for this.
  LengthField& field(const Where& where) {
    for (LengthField* field : window.findChildren<LengthField*>()) {
      if (field->where() == where) return *field;
    }
    FAIL("no field for " << textOf(where.member));
    throw 0;
  }
  /// Clears a field and types into it as a person does.
  void type(const Where& where, const QString& text) {
    QLineEdit* edit = field(where).edit();
    edit->setFocus();
    edit->selectAll();
    QTest::keyClick(edit, Qt::Key_Delete);
    QTest::keyClicks(edit, text);
  }
  void press(Qt::Key key, Qt::KeyboardModifiers modifiers = Qt::NoModifier) {
    window.activateWindow();
    CHECK(QTest::qWaitForWindowActive(&window));
    QWidget* target = QApplication::focusWidget();
    QTest::keyClick(target != nullptr ? target : &window, key, modifiers);
  }
  const Cup& cup() { return window.order().currentCup(); }

  /// Before the window, which cannot be without it.
  QApplication& app = application();
  MainWindow window;
};

/// Presses the button whose text holds `words` in the dialog that opens next, and hands its text
/// back through `seen`.
void answerNextDialog(const QString& words, QString* seen = nullptr);

}  // namespace avrelt

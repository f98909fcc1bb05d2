// SPDX-License-Identifier: GPL-3.0-or-later
// What shows the order is only touched where that says something else.
#include <catch2/catch.hpp>
#include <QSignalSpy>
#include <QTest>
#include <QToolTip>

#include "app/application.h"
#include "app/fields/confirmed.h"
#include "app/fields/count_box.h"
#include "app/fields/idle.h"
#include "app/fields/length_field.h"
#include "app/fields/list_lines.h"
#include "app/fields/show_value.h"

using namespace avrelt;

namespace {

/// Counts how often a widget is asked to paint or to lay itself out.
class Asked : public QObject {
 public:
  explicit Asked(QWidget& widget) { widget.installEventFilter(this); }
  int paints = 0;

 protected:
  bool eventFilter(QObject* /*watched*/, QEvent* event) override {
    paints += event->type() == QEvent::Paint ? 1 : 0;
    return false;
  }
};

void settle() {
  QCoreApplication::processEvents();
  QCoreApplication::sendPostedEvents();
  QCoreApplication::processEvents();
}

}  // namespace

TEST_CASE("a number is shown without telling anyone, and only where another stood") {
  application();
  QSpinBox whole;
  QDoubleSpinBox broken;
  whole.setRange(0, 100);
  broken.setRange(0, 100);
  broken.setDecimals(1);
  const QSignalSpy said(&whole, &QSpinBox::valueChanged);
  const QSignalSpy saidToo(&broken, &QDoubleSpinBox::valueChanged);
  whole.show();
  broken.show();
  showValue(whole, 7);
  showValue(broken, 7.25);
  CHECK(whole.value() == 7);
  CHECK(broken.value() == Approx(7.25).margin(0.051));
  settle();
  Asked asked(whole);
  Asked askedToo(broken);
  showValue(whole, 7);
  showValue(broken, broken.value());
  showValue(broken, broken.value() + 0.02);
  showRange(whole, 0, 100);
  showSuffix(whole, QString());
  settle();
  CHECK(asked.paints == 0);
  CHECK(askedToo.paints == 0);
  showValue(whole, 8);
  showValue(broken, broken.value() + 0.1);
  settle();
  CHECK(asked.paints > 0);
  CHECK(askedToo.paints > 0);
  showRange(whole, 10, 20);
  CHECK(whole.value() == 10);
  showSuffix(whole, QStringLiteral(" coats"));
  CHECK(whole.text() == QStringLiteral("10 coats"));
  CHECK(said.isEmpty());
  CHECK(saidToo.isEmpty());
}

TEST_CASE("lines of a list are told where they change, be they all as tall or not") {
  application();
  for (const bool uniform : {true, false}) {
    QListWidget list;
    list.setUniformItemSizes(uniform);
    list.resize(200, 120);
    list.show();
    showLines(list, {QStringLiteral("A, 12 cells"), QStringLiteral("B, 9 cells")});
    settle();
    const QImage before = list.grab().toImage();
    Asked asked(*list.viewport());
    showLines(list, {QStringLiteral("A, 12 cells"), QStringLiteral("B, 9 cells")});
    settle();
    CHECK(asked.paints == 0);
    showLines(list, {QStringLiteral("A, 12 cells"), QStringLiteral("B, 10 cells")});
    CHECK(list.item(1)->text() == QStringLiteral("B, 10 cells"));
    settle();
    CHECK(asked.paints > 0);
    CHECK(list.grab().toImage() != before);
    showLines(list, {QStringLiteral("A, 1 cell")});
    CHECK(list.count() == 1);
    showLines(list, {QStringLiteral("A, 1 cell"), QStringLiteral("C"), QStringLiteral("D")});
    CHECK(list.count() == 3);
    CHECK(list.item(2)->text() == QStringLiteral("D"));
  }
}

TEST_CASE("a number says where it stops when more is typed or stepped to") {
  application();
  CountBox box;
  box.setRange(0, 100);
  box.setSuffix(QStringLiteral(" %"));
  box.show();
  REQUIRE(QTest::qWaitForWindowExposed(&box));
  box.setValue(10);
  box.selectAll();
  QTest::keyClicks(&box, QStringLiteral("10"));
  CHECK_FALSE(QToolTip::isVisible());
  QTest::keyClicks(&box, QStringLiteral("1"));
  CHECK(QToolTip::text() == QStringLiteral("From 0 % to 100 %"));
  CHECK(box.value() == 10);
  QToolTip::hideText();
  box.setValue(100);
  QTest::keyClick(&box, Qt::Key_Up);
  CHECK(QToolTip::text() == QStringLiteral("From 0 % to 100 %"));
  QToolTip::hideText();
}

TEST_CASE("a page with nothing in hand shows nothing of what was, and shows the same again") {
  application();
  QWidget page;
  auto* length =
      new LengthField(QStringLiteral("Gap"), Member::rowGap, LengthField::Kind::length, &page);
  auto* count = new CountBox(&page);
  length->show(Length::inches(2), Unit::inch);
  showValue(*count, 7);
  QSignalSpy told(count, &QSpinBox::valueChanged);
  showIdle(page);
  CHECK(length->edit()->text().isEmpty());
  CHECK(count->text().isEmpty());
  showValue(*count, 7);
  length->show(Length::inches(2), Unit::inch);
  CHECK(count->text() == QStringLiteral("7"));
  CHECK(length->edit()->text() == QStringLiteral("2 in"));
  CHECK(told.count() == 0);
}

TEST_CASE("what stands before or after a number does not pass for one that is gone") {
  application();
  QWidget page;
  auto* share = new QDoubleSpinBox(&page);
  share->setPrefix(QStringLiteral("share "));
  auto* shrinks = new CountBox(&page);
  shrinks->setSuffix(QStringLiteral(" %"));
  showValue(*share, 1.5);
  showValue(*shrinks, 0);
  showIdle(page);
  CHECK(share->cleanText().isEmpty());
  CHECK(shrinks->cleanText().isEmpty());
  showValue(*share, 1.5);
  showValue(*shrinks, 0);
  CHECK(share->cleanText() == share->locale().toString(1.5, 'f', 2));
  CHECK(shrinks->cleanText() == QStringLiteral("0"));
}

TEST_CASE("Return leaves what undo does not bring back, Escape everything") {
  application();
  const auto answered = [](Qt::Key key, OnReturn onReturn) {
    QTimer::singleShot(0, [key] {
      QWidget* asked = QApplication::activeModalWidget();
      REQUIRE(asked != nullptr);
      QTest::keyClick(asked, key);
    });
    return confirmed(nullptr, QStringLiteral("Remove it"), QStringLiteral("Remove it?"),
                     QStringLiteral("Remove"), onReturn);
  };
  CHECK_FALSE(answered(Qt::Key_Return, OnReturn::leaves));
  CHECK(answered(Qt::Key_Return, OnReturn::acts));
  CHECK_FALSE(answered(Qt::Key_Escape, OnReturn::leaves));
  CHECK_FALSE(answered(Qt::Key_Escape, OnReturn::acts));
}

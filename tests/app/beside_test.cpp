// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fields/beside.h"

#include <chrono>
#include <QProgressDialog>
#include <thread>

#include "app/application.h"

using namespace avrelt;

namespace {

void sleepFor(int milliseconds) {
  std::this_thread::sleep_for(std::chrono::milliseconds(milliseconds));
}

/// Looks at the dialog that opens next, again and again until it says what was to be seen.
void atNextDialog(QWidget& window, const std::function<bool(QProgressDialog&)>& look) {
  auto* often = new QTimer(&window);
  QObject::connect(often, &QTimer::timeout, often, [often, look] {
    auto* dialog = qobject_cast<QProgressDialog*>(QApplication::activeModalWidget());
    if (dialog != nullptr && look(*dialog)) often->stop();
  });
  often->start(20);
}

}  // namespace

TEST_CASE("short work is done without a word, long work says how far it is") {
  OpenWindow open;
  CHECK(beside(&open.window, "Nothing", [](Going&) { return 7; }) == 7);
  QString words;
  int most = 0;
  const auto seen = std::make_shared<std::atomic<bool>>(false);
  atNextDialog(open.window, [&](QProgressDialog& dialog) {
    words = dialog.labelText();
    most = dialog.maximum();
    *seen = most == 9;
    return seen->load();
  });
  const tl::expected<int, QString> made = beside(&open.window, "Counting", [seen](Going& going) {
    going.tell(3, 9);
    for (int i = 0; i < 2000 && !*seen; ++i) sleepFor(10);
    return 8;
  });
  CHECK(made == 8);
  CHECK(words == "Counting");
  CHECK(most == 9);
}

TEST_CASE("long work is stopped by a hand, and the window goes on") {
  OpenWindow open;
  atNextDialog(open.window, [](QProgressDialog& dialog) {
    dialog.cancel();
    return true;
  });
  const auto seen = std::make_shared<std::atomic<bool>>(false);
  const tl::expected<int, QString> made = beside(&open.window, "Counting", [seen](Going& going) {
    while (going.tell(1, 2)) sleepFor(5);
    *seen = true;
    return 1;
  });
  REQUIRE_FALSE(made.has_value());
  CHECK(made.error() == "Stopped.");
  // The work is told as well.
  CHECK(QTest::qWaitFor([&] { return seen->load(); }, 3000));
}

TEST_CASE("work that fails beside the window is told in words, and the window goes on") {
  OpenWindow open;
  const auto made = beside(&open.window, "Counting",
                           [](Going&) -> int { throw std::runtime_error("no room left"); });
  REQUIRE_FALSE(made.has_value());
  CHECK(made.error() == "It could not be done (no room left).");
}

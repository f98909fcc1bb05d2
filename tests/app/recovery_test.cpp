// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/recovery.h"

#include <QDir>
#include <QFile>
#include <QStandardPaths>

#include "app/application.h"
#include "files/disk.h"
#include "files/document_json.h"

using namespace avrelt;

namespace {

/// As a crash leaves it: the copy and its note, and a lock whose program is gone.
QString leaveCopy(const Document& document, const QString& original) {
  application();
  const QString folder =
      QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) + "/recovery";
  QDir().mkpath(folder);
  const QString copy = folder + "/dead.avrelt";
  REQUIRE_FALSE(writeFile(copy.toStdString(), writeDocument(document)).has_value());
  REQUIRE_FALSE(writeFile((copy + ".from").toStdString(), original.toStdString()).has_value());
  return copy;
}

}  // namespace

TEST_CASE("within seconds of a change a copy is kept, and a clean save removes it") {
  const QTemporaryDir folder;
  OpenWindow open;
  CHECK_FALSE(QFile::exists(open.window.file().recovery().copyPath()));
  open.type("blank.stations[0].around", "9 3/8");
  CHECK(QTest::qWaitFor([&] { return QFile::exists(open.window.file().recovery().copyPath()); },
                        6000));
  const auto kept = readDocument(*readFile(open.window.file().recovery().copyPath().toStdString()));
  REQUIRE(kept.has_value());
  CHECK(kept->document == open.window.order().document());
  REQUIRE(open.window.file().saveTo(folder.filePath("safe.avrelt")));
  CHECK_FALSE(QFile::exists(open.window.file().recovery().copyPath()));
}

TEST_CASE("a copy in use by a running window is not offered to another") {
  OpenWindow open;
  open.type("blank.stations[0].around", "9 3/8");
  open.window.file().recovery().keep();
  CHECK(QFile::exists(open.window.file().recovery().copyPath()));
  CHECK(Recovery::leftBehind().empty());
}

TEST_CASE("what a crash left is offered, opens unsaved, and is gone once taken") {
  Document document;
  document.cups = {newCup("Saved from the crash", Unit::inch)};
  const QString copy = leaveCopy(document, "/tmp/its-own-file.avrelt");
  OpenWindow open;
  QString seen;
  answerNextDialog("Open the copy", &seen);
  open.window.file().offerRecovery();
  CHECK(seen.contains("its-own-file"));
  CHECK(open.window.order().document().cups[0].name == "Saved from the crash");
  CHECK(open.window.isWindowModified());
  CHECK(open.window.file().path() == "/tmp/its-own-file.avrelt");
  CHECK_FALSE(QFile::exists(copy));
  CHECK(QFile::exists(open.window.file().recovery().copyPath()));
}

TEST_CASE("what a crash left is thrown away only when asked to") {
  const QString copy = leaveCopy(Document{}, {});
  OpenWindow open;
  answerNextDialog("Ask me next time");
  open.window.file().offerRecovery();
  CHECK(QFile::exists(copy));
  answerNextDialog("Throw it away");
  open.window.file().offerRecovery();
  CHECK_FALSE(QFile::exists(copy));
}

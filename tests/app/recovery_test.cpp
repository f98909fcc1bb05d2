// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/recovery.h"

#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <QFrame>
#include <QStandardPaths>

#include "app/application.h"
#include "files/disk.h"
#include "files/document_json.h"
#include "job/ids.h"
#include "refusing_disk.h"

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
  open.type(Where(Member::stationGirth, std::size_t{0}), "9 3/8");
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
  open.type(Where(Member::stationGirth, std::size_t{0}), "9 3/8");
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

TEST_CASE("on a full disk the copy that is opened stays, to be offered again") {
  Document document;
  document.cups = {newCup("Saved from the crash", Unit::inch)};
  const QString copy = leaveCopy(document, "/tmp/its-own-file.avrelt");
  OpenWindow open;
  QString seen;
  answerNextDialog("Open the copy", &seen);
  {
    const RefusingDisk full([](std::string_view call) { return call == "write" ? ENOSPC : 0; });
    open.window.file().offerRecovery();
  }
  CHECK(open.window.order().document().cups[0].name == "Saved from the crash");
  CHECK(QFile::exists(copy));
  CHECK_FALSE(Recovery::leftBehind().empty());
  QFile::remove(copy);
  QFile::remove(copy + ".from");
}

TEST_CASE("a file changed since the copy was kept is not lost when the copy is opened and saved") {
  const QTemporaryDir folder;
  const QString path = folder.filePath("mine.avrelt");
  Document mine;
  mine.cups = {newCup("Mine", Unit::inch)};
  REQUIRE_FALSE(writeFile(path.toStdString(), writeDocument(mine)).has_value());
  const QByteArray base = Recovery::fingerprint(QByteArray::fromStdString(writeDocument(mine)));
  mine.cups[0].name = "Mine, further on";
  const QString copy = leaveCopy(mine, path + "\n" + QString::fromLatin1(base) + "\n");
  Document theirs;
  theirs.cups = {newCup("Theirs", Unit::inch)};
  const std::string text = writeDocument(theirs);
  REQUIRE_FALSE(writeFile(path.toStdString(), text).has_value());
  OpenWindow open;
  QString seen;
  answerNextDialog("Open the copy", &seen);
  open.window.file().offerRecovery();
  CHECK(seen.contains("newer of the"));
  CHECK(open.cup().name == "Mine, further on");
  auto* notice = open.window.findChild<QFrame*>("notice");
  REQUIRE(notice != nullptr);
  CHECK(notice->isVisible());
  answerNextDialog("Go back", &seen);
  open.press(Qt::Key_S, Qt::ControlModifier);
  CHECK(seen.contains("Another program has changed"));
  CHECK(*readFile(path.toStdString()) == text);
  // One that has not changed is saved without a question.
  open.window.order().history()->setClean();
  REQUIRE_FALSE(writeFile(path.toStdString(), text).has_value());
  leaveCopy(mine, path + "\n" +
                      QString::fromLatin1(Recovery::fingerprint(QByteArray::fromStdString(text))) +
                      "\n");
  answerNextDialog("Open the copy", &seen);
  open.window.file().offerRecovery();
  CHECK_FALSE(seen.contains("newer"));
  CHECK(open.window.file().save());
  Document named = mine;
  for (Cup& cup : named.cups) giveIds(cup);
  giveCupIds(named);
  named.id = open.window.order().document().id;
  CHECK_FALSE(named.id.empty());
  CHECK(readDocument(*readFile(path.toStdString()))->document == named);
}

TEST_CASE("an empty lock, a foreign one and one of a dead program keep no copy back") {
  for (const char* content : {"", "nonsense", "4711\nsomebody\nelsewhere\n"}) {
    const QString copy = leaveCopy(Document{}, {});
    QFile lock(copy + ".lock");
    REQUIRE(lock.open(QIODevice::WriteOnly));
    lock.write(content);
    lock.close();
    REQUIRE(Recovery::leftBehind().size() == 1);
    Recovery::discard(Recovery::leftBehind().front());
    CHECK_FALSE(QFile::exists(copy + ".lock"));
    CHECK(Recovery::leftBehind().empty());
  }
}

TEST_CASE("notes and locks of copies that are gone are swept, those in use are not") {
  const OpenWindow open;
  const QString folder = QFileInfo(leaveCopy(Document{}, {})).absolutePath();
  REQUIRE(QFile::remove(folder + "/dead.avrelt"));
  REQUIRE_FALSE(writeFile((folder + "/dead.avrelt.lock").toStdString(), "").has_value());
  CHECK(Recovery::leftBehind().empty());
  CHECK_FALSE(QFile::exists(folder + "/dead.avrelt.from"));
  CHECK_FALSE(QFile::exists(folder + "/dead.avrelt.lock"));
}

TEST_CASE("a copy knows its file from the first moment, and a failed one is told once") {
  const QTemporaryDir folder;
  OpenWindow open;
  REQUIRE(open.window.file().saveTo(folder.filePath("mine.avrelt")));
  open.type(Where(Member::stationGirth, std::size_t{0}), "9 3/8");
  const QString copy = open.window.file().recovery().copyPath();
  // Killed between the note and the copy, there is a note; the other way round never.
  int at = 0;
  {
    const RefusingDisk full(
        [&](std::string_view call) { return call == "make" && ++at == 2 ? ENOSPC : 0; });
    open.window.file().recovery().keep();
  }
  CHECK_FALSE(QFile::exists(copy));
  CHECK(QFile::exists(copy + ".from"));
  CHECK(open.window.watchLine().sentence().contains("The disk is full"));
  open.window.file().recovery().keep();
  CHECK(QFile::exists(copy));
}

TEST_CASE("an order whose file is gone says so, and quitting asks") {
  const QTemporaryDir folder;
  const QString path = folder.filePath("mine.avrelt");
  OpenWindow open;
  REQUIRE(open.window.file().saveTo(path));
  REQUIRE(QFile::remove(path));
  auto* notice = open.window.findChild<QFrame*>("notice");
  REQUIRE(notice != nullptr);
  CHECK(QTest::qWaitFor([&] { return notice->isVisible(); }, 5000));
  QString seen;
  answerNextDialog("Go back", &seen);
  CHECK_FALSE(open.window.file().mayLeave());
  CHECK(seen.contains("is gone"));
  answerNextDialog("Save", &seen);
  CHECK(open.window.file().mayLeave());
  CHECK(QFile::exists(path));
  CHECK_FALSE(notice->isVisible());
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

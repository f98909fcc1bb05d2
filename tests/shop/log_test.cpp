// SPDX-License-Identifier: GPL-3.0-or-later
// Supplies and the log: kept, found, taken back, refused; spoilt by hand.
#include <sys/stat.h>

#include <fstream>

#include "files/disk.h"
#include "shop/logs.h"

using namespace avrelt;
using namespace avrelt::logs;
using namespace avrelt::cups;

TEST_CASE("a supply is kept as it was put, and told apart by an id of its own", "[log]") {
  const ShopFolder folder;
  Shop shop = folder.open();
  const auto id = shop.supplies().put(glitter("Night"));
  REQUIRE(id);
  const auto other = shop.supplies().put(glitter("Day"));
  REQUIRE(other);
  CHECK(*id != *other);
  Supply expected = glitter("Night");
  expected.id = *id;
  CHECK(*shop.supplies().all()->called(*id) == expected);
  // Another of the name, nameless, priceless, of another measure.
  CHECK_FALSE(shop.supplies().put(glitter("night")));
  CHECK_FALSE(shop.supplies().put(glitter(" ")));
  Supply wrong = expected;
  wrong.price = Money::of(-1);
  CHECK_FALSE(shop.supplies().put(wrong));
  // Of another measure only until it is counted.
  Supply resin = expected;
  resin.kind = SupplyKind::resin;
  resin.low = Amount::ofUnits(MeasuredBy::volume, 0);
  CHECK(shop.supplies().put(resin));
  CHECK(shop.supplies().put(expected));
  SupplyEvent counted;
  counted.supply = *id;
  counted.at = at("2026-12-01T10:00");
  counted.amount = Amount::ofUnits(MeasuredBy::weight, 80);
  REQUIRE(shop.supplies().note(counted));
  CHECK_FALSE(shop.supplies().put(resin));
  wrong = expected;
  wrong.id = "s-unknown";
  wrong.name = "Unknown";
  CHECK_FALSE(shop.supplies().put(wrong));
  CHECK(*shop.supplies().all()->called(*id) == expected);
  // Gone from the shelf it is still known, and its name is free.
  CHECK_FALSE(shop.supplies().remove(*id));
  CHECK(shop.supplies().all()->called(*id)->gone);
  CHECK(shop.supplies().put(glitter("Night")));
}

TEST_CASE("what is counted is never below nothing, nor of another measure", "[log]") {
  const ShopFolder folder;
  Shop shop = folder.open();
  SupplyEvent event;
  event.supply = *shop.supplies().put(glitter("Night"));
  event.at = at("2026-12-01T10:00");
  event.amount = Amount::ofUnits(MeasuredBy::weight, 80);
  const auto key = shop.supplies().note(event);
  REQUIRE(key);
  event.amount = Amount::ofUnits(MeasuredBy::weight, -1);
  CHECK_FALSE(shop.supplies().note(event));
  event.amount = Amount::ofUnits(MeasuredBy::volume, 5);
  CHECK_FALSE(shop.supplies().note(event));
  event.amount = Amount::ofUnits(MeasuredBy::weight, 5);
  event.supply = "none";
  CHECK_FALSE(shop.supplies().note(event));
  CHECK(shop.supplies().all()->events.size() == 1);
  CHECK_FALSE(shop.supplies().forget(*key));
  CHECK(shop.supplies().all()->events.empty());
}

TEST_CASE("work is logged once, however often it is told, and taken back wholly", "[log]") {
  const ShopFolder folder;
  Shop shop = folder.open();
  const std::string supply = *shop.supplies().put(glitter("Night"));
  Logbook log = shop.logbook();
  const LogEntry entry = entryOf("o-1", "cup-1", "Comet");
  const LoggedStep step = stepOf("glitter-a", supply, 4);
  for (int i = 0; i < 3; ++i) REQUIRE_FALSE(log.record(entry, "text", {step}));
  CHECK(*log.stepsOf(entry.key) == std::vector<LoggedStep>{step});
  CHECK(shop.supplies().all()->uses == step.uses);
  CHECK(*log.orderText(entry.key) == "text");
  CHECK(log.allWork()->size() == 1);
  CHECK(log.allTaken()->at(entry.key).uses.size() == 1);
  CHECK_FALSE(log.forgetStep(entry.key, "glitter-a"));
  CHECK(log.stepsOf(entry.key)->empty());
  CHECK(shop.supplies().all()->uses.empty());
  // The maker's words stay when work is written anew.
  const LogNotes notes{"M. Example", Money::of(35), "a bubble", "gift"};
  CHECK_FALSE(log.note(entry.key, notes));
  CHECK_FALSE(log.record(entry, "text 2", {}));
  CHECK(log.find({})->front().notes == notes);
  CHECK(log.note({"o-1", "cup-9"}, notes));
  LogNotes wrong = notes;
  wrong.price = Money::of(-3);
  CHECK(log.note(entry.key, wrong));
  LogEntry nameless = entry;
  nameless.key.order.clear();
  CHECK(log.record(nameless, "", {}));
}

TEST_CASE("every word is found, in any of what is known of a cup", "[log]") {
  const ShopFolder folder;
  Shop shop = folder.open();
  Logbook log = shop.logbook();
  LogEntry one = entryOf("o-1", "cup-1", "Comet");
  REQUIRE_FALSE(log.record(one, "", {stepOf("a", "", 0)}));
  LogEntry other = entryOf("o-2", "cup-1", "Dome 100%");
  other.made = "silver";
  LoggedStep later = stepOf("a", "", 0);
  later.at = at("2026-12-08T18:00");
  REQUIRE_FALSE(log.record(other, "", {later}));
  REQUIRE_FALSE(log.note(other.key, {"Ada", {}, "streaks", ""}));
  const auto names = [&](const char* wanted) {
    std::string found;
    const auto entries = log.find(wanted);
    REQUIRE(entries);
    for (const LogEntry& entry : *entries) found += entry.name + ";";
    return found;
  };
  CHECK(names("") == "Dome 100%;Comet;");
  CHECK(names("MIDNIGHT comet") == "Comet;");
  CHECK(names("ada STREAKS") == "Dome 100%;");
  CHECK(names("100%") == "Dome 100%;");
  CHECK(names("open night 600") == "Dome 100%;Comet;");
  CHECK(names("midnight ada").empty());
  CHECK(names("_").empty());
  // What was only cut comes up too, by when that was.
  const LogEntry cutOnly = entryOf("o-3", "cup-1", "Moon");
  REQUIRE_FALSE(log.record(cutOnly, "", {}));
  CHECK(names("") == "Dome 100%;Comet;Moon;");
  CutKept cut;
  cut.purpose = "wrap";
  cut.title = "Wrap";
  cut.at = at("2026-12-09T10:00");
  REQUIRE_FALSE(log.keepCut(cutOnly.key, cut));
  CHECK(names("") == "Moon;Dome 100%;Comet;");
  CHECK(log.find("comet")->front().worked.minutes() == Approx(7));
}

TEST_CASE("what was cut is kept as it was, the newest in the old one's place", "[log]") {
  const ShopFolder folder;
  Shop shop = folder.open();
  Logbook log = shop.logbook();
  const LogKey key{"o-1", "cup-1"};
  CutKept cut;
  cut.purpose = "wrap";
  cut.title = "Wrap";
  cut.at = at("2026-12-01T20:00");
  cut.file = "comet-wrap.svg";
  cut.svg = std::string("<svg>\0\n</svg>", 13);
  cut.film = {3, "Gold", Area::mm2(46000.25)};
  REQUIRE_FALSE(log.keepCut(key, cut));
  cut.svg = "<svg/>";
  REQUIRE_FALSE(log.keepCut(key, cut));
  REQUIRE(log.cutsOf(key)->size() == 1);
  CutKept read = *log.cut(log.cutsOf(key)->front().key);
  cut.key = read.key;
  CHECK(read == cut);
  CHECK_FALSE(log.forgetCut(key, "wrap", "Wrap"));
  CHECK(log.cutsOf(key)->empty());
  CHECK_FALSE(log.cut(cut.key));
}

TEST_CASE("photos are files of the shop; one that is gone is told by its absence", "[log]") {
  const ShopFolder folder;
  Shop shop = folder.open();
  Logbook log = shop.logbook();
  const LogEntry entry = entryOf("o-1", "cup-1", "Comet");
  // Of no cup there is no photo, and no file is left.
  CHECK_FALSE(log.addPhoto(entry.key, "jpeg", "front", at("2026-12-01T20:00")));
  CHECK(std::filesystem::is_empty(folder.path / "photos"));
  REQUIRE_FALSE(log.record(entry, "", {}));
  const auto key = log.addPhoto(entry.key, "jpeg", "front", at("2026-12-01T20:00"));
  REQUIRE(key);
  const LogPhoto photo = log.photosOf(entry.key)->front();
  CHECK(*readFile(log.fileOf(photo)) == "jpeg");
  std::filesystem::remove(log.fileOf(photo));
  CHECK(log.photosOf(entry.key)->size() == 1);
  CHECK_FALSE(log.removePhoto(*key));
  CHECK(log.photosOf(entry.key)->empty());
  // A name that leads out of the folder is not followed.
  folder.sql(
      "INSERT INTO photos (order_id, cup_id, file, caption, taken) VALUES"
      " ('o-1', 'cup-1', '../shop.sqlite', '', '2026-12-01T20:00')");
  CHECK(log.photosOf(entry.key)->empty());
  CHECK_FALSE(log.remove(entry.key));
  CHECK(std::filesystem::exists(folder.file()));
}

TEST_CASE("a cup taken out of the log is gone, what it used stays used", "[log]") {
  const ShopFolder folder;
  Shop shop = folder.open();
  const std::string supply = *shop.supplies().put(glitter("Night"));
  Logbook log = shop.logbook();
  const LogEntry entry = entryOf("o-1", "cup-1", "Comet");
  REQUIRE_FALSE(log.record(entry, "text", {stepOf("a", supply, 4)}));
  CHECK_FALSE(log.remove(entry.key));
  CHECK(log.find({})->empty());
  CHECK_FALSE(log.orderText(entry.key));
  CHECK(shop.supplies().all()->uses.size() == 1);
}

TEST_CASE("paces and money are kept, the usual until then, and refused where they mean nothing",
          "[log]") {
  const ShopFolder folder;
  Shop shop = folder.open();
  CHECK(*shop.paces() == Paces());
  CHECK(*shop.moneyRules() == MoneyRules());
  Paces paces;
  paces.of(StepKind::coat) = 1.4;
  CHECK_FALSE(shop.put(paces));
  CHECK(*shop.paces() == paces);
  paces.of(StepKind::tape) = 0;
  CHECK(shop.put(paces));
  MoneyRules rules;
  rules.perHour = Money::of(22);
  rules.waste = 0.3;
  CHECK_FALSE(shop.put(rules));
  CHECK(*shop.moneyRules() == rules);
  rules.factor = 0;
  CHECK(shop.put(rules));
  folder.sql("UPDATE rates SET value = 99 WHERE name IN ('pace.coat', 'money.waste')");
  CHECK(*shop.paces() == Paces());
  CHECK(*shop.moneyRules() == MoneyRules());
}

TEST_CASE("what a hand has spoilt in the log is left out, and the rest is there", "[log]") {
  const ShopFolder folder;
  Shop shop = folder.open();
  Chance chance(3);
  fill(shop, chance, 6);
  folder.sql(
      "UPDATE work SET kind = 'nonsense' WHERE cup_id = 'cup-1';"
      "UPDATE uses SET at = 'never' WHERE cup_id = 'cup-2';"
      "UPDATE supplies SET kind = 'cheese' WHERE name = 'Glitter 0';"
      "UPDATE supply_events SET at = '' WHERE rowid = 2;"
      "UPDATE entries SET begun = 'yesterday' WHERE cup_id = 'cup-0'");
  Logbook log = shop.logbook();
  CHECK(log.find({})->size() == 6);
  CHECK(log.stepsOf({"o-0", "cup-1"})->empty());
  CHECK_FALSE(log.stepsOf({"o-0", "cup-0"})->empty());
  CHECK(shop.supplies().all()->supplies.size() == 2);
  CHECK(log.allWork());
  CHECK(log.allTaken());
}

TEST_CASE("growth is reckoned from what was not left out, or by the usual", "[log]") {
  const ShopFolder folder;
  Shop shop = folder.open();
  ShelfBlank lamp = starterBlanks().front();
  lamp.blank.name = "Lamp";
  REQUIRE_FALSE(shop.put(std::vector<ShelfBlank>{lamp}));
  for (const double ml : {0.3, 0.6, 0.9}) {
    ShelfMeasurement one;
    one.taken = "2026-11-20";
    one.stage = "resin 20 ml";
    one.record.load[0] = ml;
    one.record.thickness = Length::mm(0.5 * ml);
    REQUIRE_FALSE(shop.log("Lamp", one));
  }
  const auto notes = shop.growthNotes();
  REQUIRE(notes);
  REQUIRE(notes->size() == 3);
  CHECK((*notes)[1].words == "Lamp: resin 20 ml");
  CHECK((*notes)[1].at == *parseCivil("2026-11-20"));
  CHECK(shop.growthRecords()->size() == 3);
  CHECK_FALSE(shop.logbook().leaveOut((*notes)[1].observation(), true));
  const auto records = shop.growthRecords();
  REQUIRE(records->size() == 2);
  CHECK((*records)[1].load[0] == 0.9);
  CHECK(*shop.growthIsOwn());
  CHECK_FALSE(shop.setGrowthIsOwn(false));
  CHECK(shop.growthRecords()->empty());
  CHECK(shop.growthNotes()->size() == 3);
  CHECK_FALSE(shop.setGrowthIsOwn(true));
  CHECK_FALSE(shop.logbook().leaveOut((*notes)[1].observation(), false));
  CHECK(shop.growthRecords()->size() == 3);
}

TEST_CASE("a price that was asked is in the log from the first, and the log's is kept", "[log]") {
  const ShopFolder folder;
  Shop shop = folder.open();
  Logbook log = shop.logbook();
  LogEntry entry = entryOf("o-1", "cup-1", "Comet");
  entry.notes.price = Money::of(48.5);
  CHECK_FALSE(log.record(entry, "", {}));
  CHECK(log.find("")->front().notes.price == Money::of(48.5));
  entry.notes.price = Money::of(60);
  CHECK_FALSE(log.record(entry, "", {}));
  CHECK(log.find("")->front().notes.price == Money::of(48.5));
}

TEST_CASE("a shop of every earlier version is brought up and loses nothing", "[log]") {
  for (int version = 1; version < Shop::currentVersion; ++version) {
    INFO(version);
    const ShopFolder folder;
    const auto text = readFile(std::string(AVRELT_VERSIONS "/") + std::to_string(version) + ".sql");
    REQUIRE(text);
    folder.sql(text->c_str());
    Shop shop = folder.open();
    REQUIRE(shop.find("")->size() == 1);
    CHECK(shop.find("old")->front().capacity->ml() == 600);
    CHECK(shop.growthRecords()->size() == 1);
    CHECK(*shop.photoOf("old") == (version >= 2 ? "\x01\x02\x03" : ""));
    CHECK(shop.fillRates()->perColour.minutes() == (version >= 3 ? 21 : 15));
    CHECK(shop.shapes()->size() == (version >= 4 ? 1 : 0));
    CHECK(shop.films()->stock.size() == (version >= 5 ? 1 : 0));
    CHECK(shop.cutter()->passes == (version >= 5 ? 2 : Cutter().passes));
    CHECK(shop.printer()->has_value() == (version >= 6));
    const Methods usual;
    CHECK(shop.methods()->of(MethodKind::resin).handle.minutes() ==
          (version >= 7 ? 500 : usual.of(MethodKind::resin).handle.minutes()));
    const bool logs = version >= 8;
    CHECK(shop.supplies().all()->events.size() == (logs ? 1 : 0));
    CHECK(shop.logbook().find("ferryman")->size() == (logs ? 1 : 0));
    CHECK(shop.logbook().leftOut()->size() == (logs ? 1 : 0));
    CHECK(shop.filmsTaken()->size() == (version >= 9 ? 1 : 0));
    const auto work = shop.logbook().allWork();
    REQUIRE(work);
    CHECK(work->size() == (version >= 9 ? 1 : 0));
    for (const StepWork& one : *work) {
      // Of what was not asked then, nothing is said.
      CHECK_FALSE(one.method);
      CHECK(one.usualWait == Duration());
      CHECK(one.faults.empty());
    }
    CHECK(shop.supplies().put(glitter("Night")));
    CHECK_FALSE(shop.logbook().record(entryOf("o-1", "cup-1", "Comet"), "", {}));
  }
}

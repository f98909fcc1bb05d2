// SPDX-License-Identifier: GPL-3.0-or-later
// While a number is refused the last good plan stays in sight, and everything can still be edited:
// what views draw belongs together, whatever has become of the document meanwhile.
#include <memory>
#include <QAbstractButton>
#include <QPixmap>
#include <QUndoStack>
#include <random>

#include "app/application.h"
#include "app/order/fill_edits.h"
#include "app/order/set_edits.h"
#include "app/order/zone_edits.h"
#include "decal/shapes.h"

using namespace avrelt;

namespace {

/// A cup cut in two bands, the upper filled, with a stripe, and an overlap that is refused.
struct RefusedWindow : OpenWindow {
  RefusedWindow() {
    order().pickPart({});
    cutZone(order(), CutKind::rings);
    order().pickPart({0});
    fillZone(order(), Family::hexagons);
    addStripe(order(), "1");
    REQUIRE(addArtwork(order(), shapeArtwork("comet")));
    addColours(order());
    REQUIRE(order().planHolds());
    refuse();
  }
  Order& order() { return window.order(); }
  void refuse() {
    order().setMeasure(GaugeLine::overlap, Length::inches(60));
    CHECK_FALSE(order().planHolds());
  }
  /// Every station with every page of it, painted as it is.
  void look() {
    static const QStringList pages{"Lift",       "Amounts",      "Parts",   "Pattern",  "Fit",
                                   "Tape moves", "Marks",        "Stripes", "Features", "Laying",
                                   "Growth",     "If it is off", "Words",   "Art",      "Blade",
                                   "Set",        "Film",         "Made"};
    for (const int station : {MainWindow::gauge, MainWindow::dividing, MainWindow::filling,
                              MainWindow::dressing, MainWindow::cut}) {
      window.goToStation(station);
      for (QAbstractButton* button : window.findChildren<QAbstractButton*>()) {
        if (button->isVisible() && button->isEnabled() && pages.contains(button->text())) {
          button->click();
          QApplication::processEvents();
        }
      }
      CHECK_FALSE(window.grab().isNull());
    }
  }
};

struct Edit {
  const char* name;
  std::function<void(Order&)> make;
};

const std::vector<Edit>& edits() {
  static const std::vector<Edit> all{
      {"remove a layer",
       [](Order& order) {
         if (const Layer* layer = layerInHand(order)) removeLayer(order, std::string(layer->id));
       }},
      {"remove a set",
       [](Order& order) {
         if (const DecalSet* set = setInHand(order)) removeSet(order, std::string(set->id));
       }},
      {"remove an artwork",
       [](Order& order) {
         if (const Artwork* art = artInHand(order)) removeArtwork(order, std::string(art->id));
       }},
      {"add layers", [](Order& order) { addLayer(order, LayerKind::ring); }},
      {"take the pattern away", [](Order& order) { unfillZone(order); }},
      {"another family", [](Order& order) { fillZone(order, Family::scales); }},
      {"two colours fewer",
       [](Order& order) {
         editFill(order, "colours", {}, [](Fill& fill) {
           if (fill.colours.size() > 2) fill.colours.resize(2);
         });
       }},
      {"lift the last colour", [](Order& order) { order.pickPeel(3); }},
      {"give a cell a colour", [](Order& order) { pinCell(order, QStringLiteral("B3"), 1); }},
      {"cut the zone", [](Order& order) { cutZone(order, CutKind::uprights); }},
      {"cut it by a V", [](Order& order) { cutZone(order, CutKind::vee); }},
      {"take the cut back", [](Order& order) { uncutZone(order); }},
      {"put on the tape", [](Order& order) { putOntoTape(order, Absorb::base); }},
      {"spread the finish", [](Order& order) { spreadFinish(order, 1); }},
      {"pull the line",
       [](Order& order) {
         dragLine(order, "1", {Angle(), Length::inches(4)}, {Angle(), Length::inches(3)});
       }},
      {"nudge the line", [](Order& order) { nudgeLine(order, 1, 1); }},
      {"another stripe", [](Order& order) { addStripe(order, "1"); }},
      {"no stripe", [](Order& order) { removeStripe(order, 0); }},
      {"fill later", [](Order& order) { fillLater(order, "A", 1); }},
      {"take line 1 in hand", [](Order& order) { order.pickLine("1"); }},
      {"take the lower band in hand", [](Order& order) { order.pickPart({1}); }},
      {"take a part that is not there in hand", [](Order& order) { order.pickZone("gone"); }},
      {"take move 3 in hand", [](Order& order) { order.pickMove(3); }},
      {"no fills at all",
       [](Order& order) { order.editCup("none", [](Cup& cup) { cup.fills.clear(); }); }},
      {"an uncut body",
       [](Order& order) { order.editCup("uncut", [](Cup& cup) { cup.division = Division(); }); }},
      {"copy the cup", [](Order& order) { order.copyCup(); }},
      {"switch the unit",
       [](Order& order) { order.setUnit(order.unit() == Unit::mm ? Unit::inch : Unit::mm); }},
      {"undo", [](Order& order) { order.history()->undo(); }}};
  return all;
}

}  // namespace

TEST_CASE("a pattern taken away while a number is refused leaves the window standing") {
  // As by hand: the overlap typed, the Fill station, Alt+Backspace.
  OpenWindow open;
  open.window.goToStation(MainWindow::filling);
  fillZone(open.window.order(), Family::hexagons);
  open.window.goToStation(MainWindow::gauge);
  open.type(Member::overlap, "60");
  open.press(Qt::Key_Return);
  CHECK_FALSE(open.window.order().planHolds());
  open.window.goToStation(MainWindow::filling);
  QApplication::processEvents();
  unfillZone(open.window.order());
  QApplication::processEvents();
  CHECK_FALSE(open.window.grab().isNull());
  CHECK(open.window.order().plan()->fills.size() == 1);
  CHECK(open.window.order().drawnCup().fills.size() == 1);
  CHECK(open.window.order().currentCup().fills.empty());
}

TEST_CASE("every edit can be made while a number is refused") {
  // A window for some of them, each taken back before the next.
  std::unique_ptr<RefusedWindow> open;
  for (std::size_t i = 0; i < edits().size(); ++i) {
    const Edit& edit = edits()[i];
    INFO(edit.name);
    if (i % 7 == 0) open = std::make_unique<RefusedWindow>();
    QUndoStack& history = *open->order().history();
    const int before = history.index();
    edit.make(open->order());
    open->look();
    history.setIndex(before);
    open->order().choose(0);
    // The refused number itself may have been taken back.
    if (open->order().planHolds()) open->refuse();
  }
}

TEST_CASE("a refused number taken back and put back is refused again") {
  RefusedWindow open;
  const int before = open.order().history()->index();
  open.order().history()->undo();
  CHECK(open.order().planHolds());
  open.order().history()->setIndex(before);
  CHECK_FALSE(open.order().planHolds());
}

TEST_CASE("edits by chance against a refused number, one after the other") {
  std::mt19937 random(11);
  for (int walk = 0; walk < 4; ++walk) {
    RefusedWindow open;
    std::string names;
    for (int step = 0; step < 6; ++step) {
      const Edit& edit = edits()[random() % edits().size()];
      names += std::string(edit.name) + ", ";
      INFO(names);
      edit.make(open.order());
      if (!open.order().hasCup()) break;
      if (random() % 3 == 0) open.order().setMeasure(GaugeLine::overlap, Length::inches(60));
      open.look();
    }
  }
}

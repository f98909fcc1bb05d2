// SPDX-License-Identifier: GPL-3.0-or-later
// The way from what is told to where it is put right.
#include <algorithm>
#include <catch2/catch.hpp>

#include "app/application.h"
#include "app/fields/length_field.h"
#include "app/order/take_in_hand.h"
#include "decal/shapes.h"
#include "job/ids.h"
#include "job/purpose.h"

using namespace avrelt;

namespace {

/// A cup that has one of everything.
Document full() {
  Document document;
  Cup cup = newCup("Full", Unit::mm);
  cup.blank.features.resize(1);
  cup.blank.features[0].high = WrittenLength::mm(100);
  cup.blank.features[0].wide = Angle::degrees(30);
  cup.buildUp.coats.resize(1);
  cup.liquid.emplace();
  cup.liquid->sealAt = WrittenLength::mm(20);
  cup.division.body.cut = RingCut{.count = 3};
  cup.division.body.parts.assign(3, ZoneNode());
  cup.division.body.parts[0].finish.kind = FinishKind::film;
  cup.division.body.parts[0].finish.picture.id = "picture-1";
  Artwork star = shapeArtwork("star");
  star.id = "art-1";
  document.artworks = {SharedArt(star)};
  DecalSet set;
  set.artwork = star.id;
  set.art = document.artworks[0];
  set.layers.resize(2);
  set.places.resize(1);
  set.places[0].up = WrittenLength::mm(90);
  cup.sets = {set, set};
  giveIds(cup);
  cup.division.stripes.resize(2);
  for (Stripe& stripe : cup.division.stripes) stripe.of = cup.division.body.cut->id;
  cup.division.stripes[1].line = 1;
  cup.division.masks.resize(1);
  cup.division.masks[0].kind = MaskKind::window;
  cup.division.masks[0].zones = {cup.division.body.parts[1].id};
  cup.fills = {usualFill(cup.division.body.parts[1].id, Unit::mm)};
  Row row;
  row.sets = {cup.sets[0].id};
  row.count = 3;
  row.up = WrittenLength::mm(30);
  row.lines = 2;
  cup.rows = {row};
  Scatter scatter;
  scatter.sets = row.sets;
  cup.scatters = {scatter};
  cup.cuts = {{purpose::film,
               {cup.division.body.parts[0].id},
               0,
               WrittenLength::mm(230),
               WrittenLength::mm(230),
               {}}};
  giveIds(cup);
  document.cups = {cup};
  return document;
}

std::string idFor(const Cup& cup, Thing thing) {
  switch (thing) {
    case Thing::zone:
      return cup.division.body.parts[0].id;
    case Thing::cut:
      return cup.division.body.cut->id;
    case Thing::stripe:
      return cup.division.stripes[1].id;
    case Thing::mask:
      return cup.division.masks[0].id;
    case Thing::fill:
      return cup.fills[0].id;
    case Thing::set:
      return cup.sets[1].id;
    case Thing::layer:
      return cup.sets[1].layers[1].id;
    case Thing::place:
      return cup.sets[1].places[0].id;
    case Thing::row:
      return cup.rows[0].id;
    case Thing::scatter:
      return cup.scatters[0].id;
    default:
      return {};
  }
}

}  // namespace

TEST_CASE("whatever is told of, the window goes to a field or a choice for it") {
  OpenWindow open;
  open.window.order().load(full());
  const Cup cup = open.cup();
  REQUIRE(open.window.order().plan() != nullptr);
  for (std::size_t i = 0; i < memberCount; ++i) {
    const auto member = static_cast<Member>(i);
    const Thing thing = thingOf(member);
    if (thing == Thing::none || thing == Thing::order || member == Member::name) continue;
    Where where(member, idFor(cup, thing));
    if (thing == Thing::cup) where.number = 0;
    if (thing == Thing::step) where.cup = 0;
    INFO("member " << i << " of thing " << static_cast<int>(thing));
    open.window.setFocus();
    QWidget* before = QApplication::focusWidget();
    CHECK(open.window.goTo(where));
    // Rows that were made for it are shown by then.
    QCoreApplication::processEvents();
    QWidget* now = QApplication::focusWidget();
    REQUIRE(now != nullptr);
    CHECK((now != before || before == nullptr));
    CHECK(now->isVisible());
    CHECK(isInHand(open.window.order(), where));
  }
}

TEST_CASE("of two sets, layers, stripes the one that was told of is taken in hand") {
  OpenWindow open;
  open.window.order().load(full());
  const Cup cup = open.cup();
  open.window.goTo({Member::setSize, cup.sets[1].id});
  CHECK(open.window.order().set() == cup.sets[1].id);
  open.window.goTo({Member::layerOffset, cup.sets[0].layers[1].id});
  CHECK(open.window.order().set() == cup.sets[0].id);
  CHECK(open.window.order().layer() == cup.sets[0].layers[1].id);
  open.window.goTo({Member::stripeWidth, cup.division.stripes[1].id});
  CHECK(open.field(Member::stripeWidth).isVisible());
  // What is gone meanwhile leaves in hand what is there.
  open.window.goTo({Member::setSize, "gone"});
  CHECK(open.window.order().set() == cup.sets[0].id);
}

TEST_CASE("what is wrong with one set is not shown at the field of another") {
  OpenWindow open;
  open.window.order().load(full());
  const Cup cup = open.cup();
  open.window.goTo({Member::setSize, cup.sets[0].id});
  open.window.setFocus();
  open.window.order().editCup(QStringLiteral("Set it to nothing"),
                              [](Cup& edited) { edited.sets[0].size = WrittenLength::mm(0); });
  REQUIRE_FALSE(open.window.order().faults().empty());
  const auto marked = [&] {
    return open.field(Member::setSize).edit()->property("fault").toBool();
  };
  CHECK(marked());
  open.window.order().pickSet(std::string(cup.sets[1].id));
  CHECK_FALSE(marked());
  open.window.order().pickSet(std::string(cup.sets[0].id));
  CHECK(marked());
}

TEST_CASE("every field of the stations is for something that can be told of") {
  OpenWindow open;
  open.window.order().load(full());
  std::size_t fields = 0;
  for (LengthField* field : open.window.findChildren<LengthField*>()) {
    CHECK_FALSE(field->where().empty());
    ++fields;
  }
  CHECK(fields > 50);
}

// SPDX-License-Identifier: GPL-3.0-or-later
// Rules of the catalogue that no test elsewhere sets off: each by a cup a maker could have, and
// gone again once what helps was done. `tests/house/rules_named.sh` sees to it that every rule
// stands in a test.
#include <catch2/catch.hpp>
#include <functional>
#include <set>

#include "core/cups.h"
#include "core/decal_cups.h"
#include "rules/catalogue.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

KeptPicture pictureOf(int wide, int tall) {
  KeptPicture picture;
  picture.id = "picture-1";
  picture.name = "leaves";
  picture.wide = wide;
  picture.tall = tall;
  return picture;
}

Finish finishOf(FinishKind kind, const std::string& colour = "#9AA7AD") {
  Finish finish;
  finish.kind = kind;
  finish.colour = colour;
  return finish;
}

/// Two bands, one above the other, finished so; the upper one first.
Cup banded(Cup cup, const Finish& upper, const Finish& lower) {
  cup.division.body.cut = RingCut{.count = 2};
  cup.division.body.parts.assign(2, ZoneNode());
  cup.division.body.parts[0].finish = upper;
  cup.division.body.parts[1].finish = lower;
  giveIds(cup);
  return cup;
}

/// One zone, of film that is printed so.
Cup printed(Cup cup, const std::function<void(ZonePicture&)>& change) {
  Finish finish = finishOf(FinishKind::film);
  finish.picture.id = "picture-1";
  finish.picture.picture = SharedPicture(pictureOf(3000, 3000));
  change(finish.picture);
  return banded(std::move(cup), finish, finishOf(FinishKind::paint));
}

Cup filled(Cup cup, const std::function<void(Fill&)>& change) {
  giveIds(cup);
  Fill fill = usualFill(cup.division.body.id, Unit::mm);
  fill.pattern.size = WrittenLength::mm(20);
  change(fill);
  cup.fills = {fill};
  giveIds(cup);
  return cup;
}

Cup barrel() {
  Cup cup = straight();
  cup.blank = curved({{0, 230}, {50, 270}, {100, 280}, {150, 270}, {200, 235}});
  return cup;
}

Cup dressed(DecalSet set) {
  Cup cup = straight();
  cup.sets = {std::move(set)};
  return cup;
}

/// Squares of a size so far apart, so many across and up.
Artwork squares(double size, double apart, int across, int up) {
  Artwork artwork;
  artwork.id = artwork.name = "squares";
  Polygon area;
  for (int x = 0; x < across; ++x) {
    for (int y = 0; y < up; ++y) {
      const double left = x * (size + apart);
      const double low = y * (size + apart);
      area.push_back(
          {{left, low}, {left + size, low}, {left + size, low + size}, {left, low + size}});
    }
  }
  artwork.areas = {{"#204060", std::move(area)}};
  return artwork;
}

/// Told of the first, and of the second no more.
void tells(Rule rule, const Cup& wrong, const Cup& right) {
  const std::string id(idOf(rule));
  INFO(id);
  const CupPlan plan = planned(wrong);
  const Watch* watch = watchOf(plan, id);
  REQUIRE(watch != nullptr);
  CHECK(watch->level <= entryOf(rule).level);
  CHECK(thingOf(watch->where.member) == entryOf(rule).about);
  CHECK_FALSE(inWords(watch->sentence, Unit::inch).empty());
  CHECK_FALSE(told(planned(right), id));
}

}  // namespace

TEST_CASE("ids of rules are told once, and every entry says what sets it off and what helps") {
  std::set<std::string_view> ids;
  for (const RuleEntry& entry : ruleCatalogue()) {
    CHECK(ids.insert(entry.id).second);
    for (const char* words : {entry.chapter, entry.when, entry.remedy, entry.ground}) {
      CHECK(std::string_view(words).size() > 3);
    }
    for (const char* sentence : {entry.when, entry.remedy, entry.ground}) {
      CHECK(std::string_view(sentence).back() == '.');
    }
    CHECK(&entryOf(entry.rule) == &entry);
  }
}

TEST_CASE("worst first, then by the order of the catalogue") {
  std::vector<Watch> watches{{Rule::seamMeets, WatchLevel::note, {}, {}},
                             {Rule::setNoArt, WatchLevel::stop, {}, {}},
                             {Rule::thinOverlap, WatchLevel::warn, {}, {"second", {}}},
                             {Rule::rimLine, WatchLevel::warn, {}, {}},
                             {Rule::thinOverlap, WatchLevel::warn, {}, {"third", {}}}};
  sortWorstFirst(watches);
  CHECK(watches[0].rule == Rule::setNoArt);
  CHECK(watches[1].rule == Rule::rimLine);
  CHECK(watches[2].sentence.pattern == "second");
  CHECK(watches[3].sentence.pattern == "third");
  CHECK(watches[4].rule == Rule::seamMeets);
}

TEST_CASE("what the wall does not allow is told: how it is laid, tape, lines, stripes") {
  Cup wrong = barrel();
  wrong.blank = curved({{0, 90}, {40, 110}, {70, 290}, {130, 300}});
  Cup right = wrong;
  wrong.wrap.laying = LayingKind::slits;
  right.wrap.laying = std::nullopt;
  tells(Rule::layingImpossible, wrong, right);

  const Cup rings = banded(tapered(), finishOf(FinishKind::paint), finishOf(FinishKind::paint));
  wrong = right = rings;
  wrong.division.tapeWidth = WrittenLength::mm(48);
  right.division.tapeWidth = WrittenLength::mm(3);
  tells(Rule::tapePuckers, wrong, right);

  wrong = right = rings;
  RingCut near{.by = CutBy::places};
  near.places = {WrittenLength::mm(1)};
  wrong.division.body.cut->how = near;
  tells(Rule::lineAtEdge, wrong, right);

  Stripe stripe;
  stripe.of = rings.division.body.cut->id;
  stripe.width = WrittenLength::mm(3);
  wrong = right = rings;
  right.division.stripes = {stripe};
  stripe.width = WrittenLength::mm(0.3);
  wrong.division.stripes = {stripe};
  tells(Rule::thinStripe, wrong, right);
}

TEST_CASE("the maker's own order of filling is told where it runs against the usual one") {
  const Finish film = finishOf(FinishKind::film);
  const Finish dark = finishOf(FinishKind::glitter, "#101820");
  const Finish light = finishOf(FinishKind::glitter, "#F0E8D8");
  Cup wrong = banded(straight(), film, dark);
  Cup right = wrong;
  const auto ids = [](const Cup& cup) {
    return std::vector<std::string>{cup.division.body.parts[0].id, cup.division.body.parts[1].id};
  };
  wrong.division.order = ids(wrong);
  tells(Rule::filmBeforeGlitter, wrong, right);

  wrong = right = banded(straight(), light, dark);
  wrong.division.order = ids(wrong);
  tells(Rule::lightBeforeDark, wrong, right);
}

TEST_CASE("a picture that is gone, ends, does not meet itself, is coarse or drawn is told") {
  const Cup whole = printed(straight(), [](ZonePicture&) {});
  tells(Rule::pictureGone, printed(straight(), [](ZonePicture& one) { one.picture = {}; }), whole);
  tells(Rule::pictureBare,
        printed(straight(), [](ZonePicture& one) { one.repeat = PictureRepeat::once; }), whole);
  tells(Rule::pictureCoarse,
        printed(straight(),
                [](ZonePicture& one) { one.picture = SharedPicture(pictureOf(100, 100)); }),
        whole);
  tells(Rule::pictureOpen, printed(tapered(), [](ZonePicture& one) { one.bent = false; }),
        printed(tapered(), [](ZonePicture&) {}));
  tells(Rule::pictureDrawn, printed(tapered(), [](ZonePicture&) {}),
        printed(tapered(), [](ZonePicture& one) { one.bent = false; }));
}

TEST_CASE("colours of a pattern that cannot be, and cells against style and shares, are told") {
  const Cup usual = filled(straight(), [](Fill&) {});
  tells(Rule::pinCannotBe,
        filled(straight(),
               [](Fill& fill) {
                 fill.pins = {{CupAngle::front(), WrittenLength::mm(90), 9, false}};
               }),
        filled(straight(), [](Fill& fill) {
          fill.pins = {{CupAngle::front(), WrittenLength::mm(90), 1, false}};
        }));
  tells(Rule::colourNotHere,
        filled(straight(),
               [](Fill& fill) {
                 fill.colours.resize(1);
                 fill.pins = {{CupAngle::degrees(2), WrittenLength::mm(91), 0, true}};
               }),
        usual);
  tells(Rule::sharesOff,
        filled(straight(),
               [](Fill& fill) {
                 fill.pattern.family = Family::check;
                 fill.colours.resize(2);
                 fill.colours[0].share = 9;
               }),
        usual);
  tells(Rule::againstStyle,
        filled(straight(),
               [](Fill& fill) {
                 // Four that meet in a point want four colours; a gradient has three there.
                 fill.style = ColourStyle::gradient;
                 fill.pattern.family = Family::check;
                 fill.corners = true;
               }),
        usual);

  // Two zones of a pattern in one colour each: across their edge cells are alike.
  Cup wrong = banded(straight(), Finish(), Finish());
  for (const ZoneNode& part : wrong.division.body.parts) {
    Fill fill = usualFill(part.id, Unit::mm);
    fill.colours.resize(1);
    fill.colours[0].finish = finishOf(FinishKind::glitter, "#203040");
    fill.beyond = true;
    wrong.fills.push_back(fill);
  }
  Cup right = wrong;
  right.fills[1].beyond = false;
  tells(Rule::alikeBeyond, wrong, right);
}

TEST_CASE("a stack that does not hold is told, and what hides what") {
  const auto coats = [](std::vector<CoatKind> kinds) {
    Cup cup = straight();
    for (const CoatKind kind : kinds) {
      Coat coat;
      coat.kind = kind;
      cup.buildUp.coats.push_back(coat);
    }
    cup.buildUp.laidAfter = static_cast<int>(kinds.size());
    return cup;
  };
  const auto withSet = [](Cup cup, std::vector<Layer> layers) {
    cup.sets = {setAt(named("star"), 20, {placeAt(0, 90)}, std::move(layers))};
    giveIds(cup);
    return cup;
  };
  using enum CoatKind;
  // Nothing goes over a stencil, or paint.
  Cup stencil = withSet(coats({resin, paint}), {layerOf(LayerKind::peekaboo)});
  Cup painted = stencil;
  layAfter(painted.buildUp, painted.sets[0].layers[0].id, 1);
  tells(Rule::stencilUncovered, stencil, painted);
  Cup own = stencil;
  own.sets[0].over.emplace();
  own.sets[0].over->kind = FinishKind::paint;
  tells(Rule::stencilUncovered, stencil, own);
  // A ring under the paint that its stencil is lifted after.
  Cup ringed = withSet(coats({resin, paint}),
                       {layerOf(LayerKind::ring, 2, 0.5), layerOf(LayerKind::peekaboo)});
  layAfter(ringed.buildUp, ringed.sets[0].layers[1].id, 1);
  Cup early = ringed;
  layAfter(early.buildUp, early.sets[0].layers[0].id, 1);
  tells(Rule::ringTooEarly, early, ringed);
  // A decal on a stencil that paint goes over, and after the paint.
  Cup onStencil = withSet(coats({resin, paint}), {layerOf(LayerKind::peekaboo)});
  layAfter(onStencil.buildUp, onStencil.sets[0].layers[0].id, 1);
  onStencil.sets.push_back(setAt(named("comet"), 20, {placeAt(90, 90)}));
  giveIds(onStencil);
  Cup afterPaint = onStencil;
  layAfter(onStencil.buildUp, onStencil.sets[1].layers[0].id, 1);
  tells(Rule::laidOnStencil, onStencil, afterPaint);
  // Film on glitter, and on resin over it.
  tells(Rule::laidOnRough, withSet(coats({glitter}), {layerOf(LayerKind::decal)}),
        withSet(coats({glitter, resin}), {layerOf(LayerKind::decal)}));
  // A decal under the paint.
  Cup under = withSet(coats({paint}), {layerOf(LayerKind::decal)});
  Cup over = under;
  layAfter(under.buildUp, under.sets[0].layers[0].id, 0);
  tells(Rule::stackHidesLaid, under, over);
  // Liquid behind paint.
  Cup liquid = coats({resin});
  liquid.liquid = usualLiquid(Length::mm(180), Unit::mm);
  Cup behind = liquid;
  behind.buildUp.coats[0].kind = paint;
  tells(Rule::stackHidesLiquid, behind, liquid);
  // A decal of what comes off.
  Layer loose = layerOf(LayerKind::decal);
  loose.material = PartMaterial::removable;
  tells(Rule::layerComesOff, withSet(coats({resin}), {loose}),
        withSet(coats({resin}), {layerOf(LayerKind::decal)}));
  // Five millilitres over chunky glitter, and thirty.
  Cup thin = coats({glitter, resin});
  thin.buildUp.coats[0].cut = GlitterCut::chunky;
  thin.buildUp.coats[1].mixed = Volume::ml(5);
  Cup thick = thin;
  thick.buildUp.coats[1].mixed = Volume::ml(30);
  tells(Rule::floodUnusual, thin, thick);
  // Cells in resin, and in glue.
  tells(Rule::patternHeldLong,
        filled(straight(), [](Fill& fill) { fill.colours[0].finish.stick = Stick::resin; }),
        filled(straight(), [](Fill&) {}));
  // Glitter under film all round, and under nothing.
  Cup hidden = coats({glitter, resin});
  Cup seen = hidden;
  seen.wrap.over = WrapOver::none;
  tells(Rule::stackHidesGlitter, hidden, seen);
}

TEST_CASE("how a pattern fits its zone, its lines and its wall is told") {
  Repeat tile;
  tile.name = "tile";
  tile.wide = tile.tall = 20;
  tile.picture = true;
  tile.cells = {{{{1, 1}, {19, 1}, {19, 19}, {1, 19}}}};
  const auto artwork = [&](Fill& fill) {
    fill.pattern.family = Family::artwork;
    fill.pattern.artwork = SharedRepeat(tile);
    fill.pattern.heightFit = HeightFit::proportion;
  };
  tells(Rule::pictureNarrowed, filled(tapered(), artwork), filled(straight(), artwork));
  const Length wall = planned(straight()).wall.body.wall();
  tells(Rule::stretchedTall,
        filled(straight(),
               [wall](Fill& fill) {
                 fill.pattern.family = Family::check;
                 fill.pattern.size = {wall * 0.37, {}};
                 fill.pattern.heightFit = HeightFit::whole;
               }),
        filled(straight(), [](Fill& fill) { fill.pattern.family = Family::check; }));
  const auto lines = [](double width, LineWork work, Family family = Family::check) {
    return filled(straight(), [=](Fill& fill) {
      fill.pattern.family = family;
      fill.pattern.line = WrittenLength::mm(width);
      fill.cutting.lines = work;
    });
  };
  tells(Rule::noLines, lines(0, LineWork::piece), lines(1, LineWork::piece));
  tells(Rule::thinLines, lines(0.5, LineWork::piece), lines(1, LineWork::piece));
  tells(Rule::tapeBends, lines(1, LineWork::tape, Family::scales), lines(1, LineWork::tape));
  const auto onBarrel = [](double size) {
    return filled(barrel(), [size](Fill& fill) { fill.pattern.size = WrittenLength::mm(size); });
  };
  tells(Rule::stencilParted, onBarrel(15), filled(straight(), [](Fill&) {}));
  tells(Rule::stencilStrains, onBarrel(80), onBarrel(15));
}

TEST_CASE("what of a set cannot be cut, weeded or placed well is told") {
  const DecalSet star = setAt(named("star"), 60, {placeAt(0, 90)});
  DecalSet bare = star;
  bare.layers.clear();
  tells(Rule::setNoLayers, dressed(bare), dressed(star));

  DecalSet coloured = star;
  coloured.layers[0].kind = LayerKind::colour;
  coloured.layers[0].source = "#123456";
  tells(Rule::setColourGone, dressed(coloured), dressed(star));

  // Squares of 2 mm, 0.5 mm apart: thin under a limit of 3 mm, close under one of 1 mm.
  const DecalSet few = setAt(squares(2, 0.5, 4, 4), 9.5, {placeAt(0, 90)});
  DecalSet limited = few;
  limited.limit = WrittenLength::mm(3);
  tells(Rule::setThinStroke, dressed(limited), dressed(few));
  DecalSet lax = few;
  lax.limit = WrittenLength::mm(0.2);
  tells(Rule::setThinGap, dressed(few), dressed(lax));
  tells(Rule::setManyParts, dressed(setAt(squares(2, 1, 15, 15), 44, {placeAt(0, 90)})),
        dressed(few));
  DecalSet dropped = limited;
  dropped.drop = true;
  dropped.limit = WrittenLength::mm(3);
  tells(Rule::setSpecks, dressed(dropped), dressed(limited));

  const Length wall = planned(straight()).wall.body.wall();
  const auto square = [&](double up) {
    return dressed(setAt(squares(20, 1, 1, 1), 20, {placeAt(0, up)}));
  };
  tells(Rule::setInBareEdge, square(wall.mm() - 11), square(wall.mm() - 20));
  const Length round = planned(straight()).wall.body.aroundRim();
  const auto band = [](double wide) {
    Artwork art = squares(10, 1, 1, 1);
    for (Point& p : art.areas[0].area[0]) p.x *= 20;
    return dressed(setAt(art, wide, {placeAt(0, 90)}));
  };
  tells(Rule::setOnItself, band(round.mm() + 10), band(round.mm() - 10));

  Cup wrong = straight();
  wrong.sets = {setAt(named("star"), 15, {}), setAt(squares(10, 1, 1, 1), 12, {})};
  giveIds(wrong);
  Row row;
  row.sets = {wrong.sets[0].id, wrong.sets[1].id};
  row.up = WrittenLength::mm(90);
  row.count = 5;
  wrong.rows = {row};
  Cup right = wrong;
  right.rows[0].count = 6;
  tells(Rule::rowNotClosing, wrong, right);
}

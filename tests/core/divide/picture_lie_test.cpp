// SPDX-License-Identifier: GPL-3.0-or-later
// How pictures lie on the wall, over cups, seams and zones by chance: as wide as said where said,
// their proportion kept, closed at the seam where that is said.
#include "divide/picture_lie.h"

#include <catch2/catch.hpp>
#include <cmath>
#include <numbers>

#include "core/random_cups.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

SharedPicture pictureOf(int wide, int tall) {
  KeptPicture picture;
  picture.id = "picture-1";
  picture.name = "night";
  picture.wide = wide;
  picture.tall = tall;
  return SharedPicture(picture);
}

Finish printed(const ZonePicture& picture) {
  Finish finish;
  finish.kind = FinishKind::film;
  finish.picture = picture;
  return finish;
}

ZonePicture lay(Chance& chance, PictureRepeat repeat, bool bent) {
  ZonePicture picture;
  picture.id = "picture-1";
  picture.picture = pictureOf(chance.whole(200, 2000), chance.whole(200, 2000));
  picture.repeat = repeat;
  picture.bent = bent;
  picture.wide = WrittenLength::mm(chance.between(15, 90));
  picture.at = CupAngle::degrees(chance.between(-180, 180));
  if (chance.one(2)) picture.up = WrittenLength::mm(chance.between(10, 80));
  return picture;
}

double away(Point a, Point b, double wide, double tall) {
  return std::hypot((a.x - b.x) * wide, (a.y - b.y) * tall);
}

}  // namespace

TEST_CASE("A bent picture is as wide as said at its middle, keeps its proportion there, and closes",
          "[picture]") {
  Chance chance(11);
  for (int round = 0; round < 150; ++round) {
    const Wall wall = chance.wall();
    const auto repeat = static_cast<PictureRepeat>(chance.whole(0, 2));
    const ZonePicture picture = lay(chance, repeat, true);
    const Region zone = Region::band(Length(), wall.body.wall());
    const std::optional<PictureLie> lie = lieOf(printed(picture), wall, zone);
    REQUIRE(lie);
    const Length up = picture.up ? picture.up->length : wall.body.wall() / 2;
    const Angle at = wall.inFrame(picture.at);
    // Its middle.
    const Point middle = (*lie)({at, up});
    CHECK(middle.x == Approx(0.5).margin(1e-9));
    CHECK(middle.y == Approx(0.5).margin(1e-9));
    // A millimetre along the ring, and one up: what the tape says.
    const Length girth = wall.body.around(up);
    const Angle aMm = Angle::turn() * (Length::mm(1) / girth);
    CHECK(((*lie)({at + aMm, up}).x - 0.5) * lie->wide().mm() == Approx(1).epsilon(1e-6));
    CHECK(((*lie)({at, up + Length::mm(1)}).y - 0.5) * lie->tall().mm() == Approx(1).epsilon(1e-9));
    CHECK(lie->wide() / lie->tall() == Approx(picture.picture->proportion()));
    if (repeat == PictureRepeat::round) CHECK(lie->wide().mm() == Approx(girth.mm()));
    if (repeat == PictureRepeat::tile) {
      CHECK(lie->wide().mm() * static_cast<double>(lie->round()) == Approx(girth.mm()));
      // No other number of them is nearer to what was asked.
      const double asked = picture.wide.length.mm();
      CHECK(std::abs(girth.mm() / asked - static_cast<double>(lie->round())) <=
            std::max(0.5, 1 - girth.mm() / asked) + 1e-9);
    }
    // Left and right of the seam.
    if (repeat != PictureRepeat::once) {
      CHECK(lie->closes());
      for (const double share : {0.0, 0.4, 1.0}) {
        const Length s = wall.body.wall() * share;
        const Point left = (*lie)({-Angle::halfTurn(), s});
        const Point right = (*lie)({Angle::halfTurn(), s});
        const double apart = right.x - left.x;
        CHECK(apart == Approx(std::round(apart)).margin(1e-9));
        CHECK(left.y == Approx(right.y));
      }
    }
    // Drawn wide by what the cup is wider.
    for (const double share : {0.0, 1.0}) {
      const Length s = wall.body.wall() * share;
      CHECK(lie->drawnWide(s) == Approx(wall.body.around(s) / girth - 1).margin(1e-9));
    }
  }
}

TEST_CASE("A straight picture lies in the flat as it is, upright at its middle", "[picture]") {
  Chance chance(12);
  for (int round = 0; round < 100; ++round) {
    const Wall wall = chance.wall(true);
    ZonePicture picture =
        lay(chance, chance.one(2) ? PictureRepeat::tile : PictureRepeat::once, false);
    const Region zone = chance.zone(wall);
    const std::optional<PictureLie> lie = lieOf(printed(picture), wall, zone);
    REQUIRE(lie);
    const double wide = lie->wide().mm();
    const double tall = lie->tall().mm();
    for (int i = 0; i < 8; ++i) {
      const WallPoint p{Angle::degrees(chance.between(-180, 180)),
                        wall.body.wall() * chance.between(0, 1)};
      const WallPoint q{Angle::degrees(chance.between(-180, 180)),
                        wall.body.wall() * chance.between(0, 1)};
      const double flat = norm(wall.flat.toFlat(p) - wall.flat.toFlat(q));
      CHECK(away((*lie)(p), (*lie)(q), wide, tall) == Approx(flat).margin(1e-6));
    }
    // Straight up from its middle the picture runs straight up.
    const Length up = picture.up ? picture.up->length : (zone.lowest() + zone.highest()) / 2;
    // Where the zone is, which may run on past the seam: within half a turn of its middle.
    const auto [from, to] = zone.span();
    Angle at = wall.inFrame(picture.at);
    while (at < (from + to) / 2 - Angle::halfTurn()) at = at + Angle::turn();
    while (at > (from + to) / 2 + Angle::halfTurn()) at = at - Angle::turn();
    const Point above = (*lie)({at, up + Length::mm(10)});
    CHECK(above.x == Approx(0.5).margin(1e-6));
    CHECK((above.y - 0.5) * tall == Approx(10).epsilon(1e-6));
    // On a cone that goes all round it cannot close, on a cylinder it does as tiles.
    if (zone.allRound() && picture.repeat == PictureRepeat::tile) {
      CHECK(lie->closes() == wall.flat.isCylinder());
    }
  }
}

TEST_CASE("Between its nodes a mesh is off by less than a twentieth of a millimetre", "[picture]") {
  Chance chance(13);
  for (int round = 0; round < 60; ++round) {
    const Wall wall = chance.wall();
    const ZonePicture picture =
        lay(chance, static_cast<PictureRepeat>(chance.whole(0, 2)), chance.one(2));
    const Region zone = chance.zone(wall);
    const std::optional<PictureLie> lie = lieOf(printed(picture), wall, zone);
    REQUIRE(lie);
    const auto [from, to] = zone.span();
    const auto flatOf = [&](WallPoint p) { return wall.flat.toFlat(p); };
    const PictureMesh mesh = lie->over(from, to, zone.lowest(), zone.highest(), flatOf);
    const std::size_t rows = mesh.nodes.size() / mesh.across;
    REQUIRE(rows * mesh.across == mesh.nodes.size());
    for (int i = 0; i < 40; ++i) {
      const auto row = static_cast<std::size_t>(chance.whole(0, static_cast<int>(rows) - 2));
      const auto column =
          static_cast<std::size_t>(chance.whole(0, static_cast<int>(mesh.across) - 2));
      // In one of the two triangles of the nodes' four.
      const MeshNode& a = mesh.nodes[row * mesh.across + column];
      const MeshNode& c = mesh.nodes[(row + 1) * mesh.across + column + 1];
      const MeshNode& b = chance.one(2) ? mesh.nodes[row * mesh.across + column + 1]
                                        : mesh.nodes[(row + 1) * mesh.across + column];
      const double u = chance.between(0, 1);
      const double v = chance.between(0, 1 - u);
      const Point at = a.at * (1 - u - v) + b.at * u + c.at * v;
      const Point on = a.on * (1 - u - v) + b.on * u + c.on * v;
      WallPoint place = wall.flat.toWall(at);
      // The flat's own angle may be a turn off where a zone runs on past the seam.
      const double turns =
          std::round((((from + to) / 2 - place.theta) / 1.0).radians() / (2 * std::numbers::pi));
      if (wall.flat.isCylinder()) place.theta = Angle::radians(at.x / wall.flat.radius({}).mm());
      (void)turns;
      CHECK(away((*lie)(place), on, lie->wide().mm(), lie->tall().mm()) < 0.05);
    }
  }
}

TEST_CASE("What a picture leaves bare is the zone less what it covers", "[picture]") {
  Chance chance(14);
  for (int round = 0; round < 40; ++round) {
    // On a cylinder, level: rectangles.
    const double girth = chance.between(200, 300);
    const double tall = chance.between(100, 200);
    const Body body = bodyOf(cups::body(Length::mm(girth), Length::mm(girth), Length::mm(tall)));
    const Wall wall{body, body.cone(), CupAngle::degrees(chance.between(-180, 180))};
    ZonePicture picture = lay(chance, PictureRepeat::once, chance.one(2));
    const double middle = chance.between(30, tall - 30);
    picture.up = WrittenLength::mm(middle);
    const Region zone = Region::band(Length(), Length::mm(tall));
    const std::optional<PictureLie> lie = lieOf(printed(picture), wall, zone);
    REQUIRE(lie);
    const double high = std::min(tall, middle + lie->tall().mm() / 2);
    const double low = std::max(0.0, middle - lie->tall().mm() / 2);
    const double covered = std::min(lie->wide().mm(), girth) * (high - low);
    CHECK(lie->bareOf(zone) == Approx(1 - covered / (girth * tall)).margin(0.02));
    // Across the seam it goes on behind it.
    CHECK(lie->closes());
  }
}

TEST_CASE("In a zone that crosses the seam a picture runs on across it, in every view of it",
          "[picture]") {
  Chance chance(16);
  for (int round = 0; round < 60; ++round) {
    const Wall wall = chance.wall(true);
    // From somewhere left of the seam to somewhere right of it.
    const Angle left = Angle::degrees(chance.between(60, 170));
    const Angle right = Angle::degrees(chance.between(190, 300));
    const Region zone = Region::between(left, right, Length(), wall.body.wall());
    ZonePicture picture =
        lay(chance, static_cast<PictureRepeat>(chance.whole(0, 2)), chance.one(2));
    const std::optional<PictureLie> lie = lieOf(printed(picture), wall, zone);
    REQUIRE(lie);
    CHECK(lie->closes());
    const double wide = lie->wide().mm();
    const double tall = lie->tall().mm();
    // Both sides of the seam as they lie on the part, a hair apart.
    const Length s = wall.body.wall() * chance.between(0, 1);
    const Angle hair = Angle::degrees(1e-6);
    CHECK(away((*lie)({Angle::halfTurn() - hair, s}), (*lie)({Angle::halfTurn() + hair, s}), wide,
               tall) < 1e-3);
    // The flat shows just that, at both its ends; the round over the seam as well.
    const auto meshes = lie->overFlat(zone, wall.flat);
    REQUIRE(meshes.size() == 2);
    for (const PictureMesh& mesh : meshes) {
      for (const MeshNode& node : mesh.nodes) {
        const WallPoint p = wall.flat.toWall(node.at);
        const Angle theta = p.theta < Angle() ? p.theta + Angle::turn() : p.theta;
        CHECK(away((*lie)({theta, p.s}), node.on, wide, tall) < 1e-6);
      }
    }
    double widest = 0;
    const auto seen =
        lie->overZone(zone, Angle::degrees(100), Angle::degrees(260), [](WallPoint p) {
          return Point{p.theta.degrees(), p.s.mm()};
        });
    REQUIRE(seen.size() == 1);
    for (const MeshNode& node : seen.front().nodes) widest = std::max(widest, node.at.x);
    CHECK(widest <= 260 + 1e-9);
  }
}

TEST_CASE("A picture that cannot lie so is told by its field, and one that is gone is none",
          "[picture]") {
  ZonePicture picture;
  picture.id = "picture-1";
  picture.wide = WrittenLength::mm(0);
  CHECK(faultsOf(picture).front().where.member == Member::pictureWide);
  picture.repeat = PictureRepeat::round;
  CHECK(faultsOf(picture).empty());
  picture.up = WrittenLength::mm(1e6);
  CHECK(faultsOf(picture).front().where.member == Member::pictureUp);
  picture.up.reset();
  Chance chance(15);
  const Wall wall = chance.wall();
  const Region zone = Region::band(Length(), wall.body.wall());
  CHECK_FALSE(lieOf(printed(picture), wall, zone));
  picture.picture = pictureOf(100, 100);
  CHECK(lieOf(printed(picture), wall, zone));
  Finish paint = printed(picture);
  paint.kind = FinishKind::paint;
  CHECK_FALSE(lieOf(paint, wall, zone));
}

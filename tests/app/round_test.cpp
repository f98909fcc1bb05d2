// SPDX-License-Identifier: GPL-3.0-or-later
// The cup in the round against what lies on its wall, dot by dot, from all sides.
#include <algorithm>
#include <cmath>

#include "app/application.h"
#include "app/order/fill_edits.h"
#include "app/views/round_view.h"
#include "app/views/zone_paint.h"
#include "core/cups.h"

using namespace avrelt;

namespace {

ZoneNode painted(const char* colour) {
  ZoneNode node;
  node.finish.kind = FinishKind::paint;
  node.finish.colour = colour;
  return node;
}

/// Three rings, the second band parted by a V and uprights, the third filled.
Cup bands(const Blank& blank, double seam) {
  Cup cup = newCup("bands", Unit::mm);
  cup.blank = blank;
  cup.wrap.seamAt = CupAngle::degrees(seam);
  ZoneNode& body = cup.division.body;
  body.cut = RingCut{.count = 4};
  body.parts = {painted("#C03030"), painted("#30A040"), painted("#3050C0"), painted("#C0A020")};
  ZoneNode& second = body.parts[1];
  second.cut = UprightCut{.count = 3, .at = CupAngle::degrees(150)};
  second.parts = {painted("#30A040"), painted("#8030A0"), painted("#20A0A0")};
  return cup;
}

/// The colour of what lies at a place; nothing near an edge, where lines and letters are drawn.
std::optional<QColor> colourAt(const CupPlan& plan, WallPoint at) {
  const auto zoneOf = [&](WallPoint p) -> const Zone* {
    p.theta = p.theta.wrapped();
    for (const Zone& zone : plan.divided.zones) {
      if (zone.region.contains(p)) return &zone;
    }
    return nullptr;
  };
  const Zone* zone = zoneOf(at);
  if (zone == nullptr) return std::nullopt;
  const double radius = plan.wall.body.radius(at.s).mm();
  for (const double aside : {-4.0, 4.0}) {
    if (zoneOf({at.theta + Angle::radians(aside / radius), at.s}) != zone) return std::nullopt;
    if (zoneOf({at.theta, at.s + Length::mm(aside)}) != zone) return std::nullopt;
  }
  return lookOf(zone->finish).colour;
}

/// Whether a dot shows a colour, however it is lit.
bool shows(QColor dot, QColor colour) {
  const double square =
      colour.red() * colour.red() + colour.green() * colour.green() + colour.blue() * colour.blue();
  const double light =
      (dot.red() * colour.red() + dot.green() * colour.green() + dot.blue() * colour.blue()) /
      std::max(square, 1.0);
  const auto off = [&](int is, int was) { return std::abs(is - light * was); };
  return light > 0.55 && light < 1.1 && off(dot.red(), colour.red()) < 14 &&
         off(dot.green(), colour.green()) < 14 && off(dot.blue(), colour.blue()) < 14;
}

}  // namespace

TEST_CASE("from every side the cup shows the colours that lie on its wall there") {
  application();
  std::vector<cups::Named> blanks{
      {"straight", cups::body(Length::mm(240), Length::mm(240), Length::mm(180))},
      {"tapered", cups::body(Length::mm(200), Length::mm(280), Length::mm(150))},
      {"wide-based", cups::body(Length::mm(280), Length::mm(220), Length::mm(150))}};
  blanks.push_back(cups::allCurved()[1]);
  for (const cups::Named& named : blanks) {
    for (const double seam : {180.0, 35.0}) {
      Order order;
      Document document;
      document.units = Unit::mm;
      document.cups = {bands(named.blank, seam)};
      order.load(document);
      REQUIRE(order.plan() != nullptr);
      RoundView view(order);
      view.showZones(true);
      view.resize(420, 420);
      for (int turn = 0; turn < 24; ++turn) {
        view.face(CupAngle::degrees(15 * turn));
        const QImage image = view.grab().toImage();
        int looked = 0;
        int wrong = 0;
        for (int y = 3; y < image.height(); y += 7) {
          for (int x = 3; x < image.width(); x += 7) {
            const auto place = view.wallAt({x + 0.5, y + 0.5});
            if (!place) continue;
            const auto colour = colourAt(*order.plan(), *place);
            if (!colour) continue;
            ++looked;
            if (!shows(image.pixelColor(x, y), *colour)) ++wrong;
          }
        }
        INFO(named.name << ", seam at " << seam << ", turned by " << 15 * turn << ": " << wrong
                        << " of " << looked);
        CHECK(looked > 150);
        // But for letters, what is picked, and edges that turn away.
        CHECK(wrong <= looked / 6);
      }
    }
  }
}

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/order/order.h"

namespace avrelt {

/// Changes to the measures of the cup in hand, each one step of the history.

/// A girth as it was measured, at the rim or the base. A straight cup has one girth, and keeps it.
void setGirth(Order& order, bool rim, const WrittenLength& girth);
/// A height as it was measured.
void setHeight(Order& order, const WrittenLength& height);

/// From a drag: half the width of the cup there, put onto the nearest mark of the measure taken.
void dragGirth(Order& order, bool rim, Length radius);
/// From a drag: the plumb height, put onto the nearest mark of the measure taken.
void dragPlumb(Order& order, Length plumb);

/// By so many marks of the tape.
void stepGirth(Order& order, bool rim, int marks);
void stepHeight(Order& order, int marks);

/// The shapes a body is measured as.
enum class Shape {
  straight,  ///< one girth and a height
  tapered,   ///< base and rim by themselves
  curved,    ///< any number of stations between
};
Shape shapeOf(const Cup& cup);
/// Straight, with the base's girth all the way up; tapered, with the rim to be set by itself;
/// curved, with one more station half-way, joined smoothly.
void setShape(Order& order, Shape shape);

/// A station's height or girth, as typed in the table.
void setStationHeight(Order& order, std::size_t index, const WrittenLength& height);
void setStationGirth(Order& order, std::size_t index, const WrittenLength& girth);
/// From a drag on the side view, put onto the nearest marks.
void dragStation(Order& order, std::size_t index, Length plumb, Length radius);
void addStation(Order& order, std::size_t after);
void removeStation(Order& order, std::size_t index);
void setJoined(Order& order, Joined joined);
/// All stations at once, from a traced photo: across, plumb, joined smoothly.
void setStations(Order& order, const std::vector<Station>& stations);
/// Round the body or across it; the girth is carried over into the other measure.
void setGirthMeasured(Order& order, Girth girth);
/// How the height was taken. The number stays, since it is what the tape said.
void setHeightAlong(Order& order, HeightAlong along);

/// The girth that a field shows, in the measure in use.
std::optional<WrittenLength> girthOf(const Cup& cup, bool rim);
Girth girthMeasured(const Cup& cup);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/order/order.h"
#include "bench/looks.h"

namespace avrelt {

/// Changes of an order's work at the bench, each undone in one step. Cups are told by their index,
/// as any of them may be worked at, whichever is in hand.

/// Ticks a step off, done at a time in so long.
void tickStep(Order& order, int cup, const Step& step, CivilTime at, Duration took);
/// Notes that so-and-so-many's pair of hands is at it, or that nobody is.
void beginStep(Order& order, int cup, const Step& step, CivilTime at, int pair);
void leaveStep(Order& order, int cup, const Step& step);
/// Takes the tick back.
void untickStep(Order& order, int cup, const Step& step);
/// The cup that something was done at last; −1 where nothing was.
int lastTicked(const Order& order);
/// What was done last on any cup, taken back; false where nothing was.
bool untickLast(Order& order);

/// Changes one step; what then says nothing goes.
void changeStep(Order& order, int cup, const QString& text, const Step& step,
                const std::function<void(StepChange&)>& change, const QString& key = {});
/// Moves a step among `steps`, to stand where another one does now.
void moveStep(Order& order, int cup, const std::vector<Step>& steps, std::size_t from,
              std::size_t to);
/// Puts an own step in behind another; its id.
std::string addStep(Order& order, int cup, const std::string& behind, const QString& words,
                    Duration handsOn, const Wait& wait);
void removeOwnStep(Order& order, int cup, const Step& step);
/// Puts in what mends it, behind the step.
void mend(Order& order, int cup, const Step& step, const Remedy& remedy);

void changeBench(Order& order, const QString& text,
                 const std::function<void(BenchChoices&)>& change, const QString& key = {});

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/schedule_json.h"

namespace avrelt {

Json scheduleList(const BenchPlan& plan) {
  Json list = Json::array();
  if (!plan.schedule) return list;
  for (const ScheduledTask& one : plan.schedule->tasks) {
    const Step& step = plan.stepOf(one);
    const auto on = [&](Spot spot) {
      return one.number > 0 && step.spot == spot ? Json(one.number) : Json();
    };
    Json item = {{"cup", plan.cups[one.chain].name},
                 {"step", step.id},
                 {"start", civilText(plan.at(one.start))},
                 {"end", civilText(plan.at(one.end))},
                 {"hand", one.pair},
                 {"turner", on(Spot::turner)}};
    if (one.number > 0 && step.spot == Spot::lamp) item["lamp"] = one.number;
    if (one.number > 0 && step.spot == Spot::sprayPlace) item["spray_place"] = one.number;
    if (one.number > 0 && step.spot == Spot::shelf) item["shelf_place"] = one.number;
    list.push_back(std::move(item));
  }
  return list;
}

std::string scheduleJson(const BenchPlan& plan) {
  const Json root = {{"avrelt_schedule", 1},
                     {"schedule", scheduleList(plan)},
                     {"bound", civilText(plan.at(plan.bound))},
                     {"proven", plan.proven}};
  return root.dump(1) + "\n";
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#include "bench/slack.h"

#include <algorithm>
#include <map>

#include "bench/whole_minutes.h"

namespace avrelt {

std::vector<Duration> latestStarts(const std::vector<Activity>& work,
                                   const std::vector<Follows>& links, Duration ends) {
  std::map<const Crew*, Hours> hours;
  for (const Activity& one : work) {
    if (one.crew != nullptr) hours.try_emplace(one.crew, one.crew->hours);
  }
  const auto takes = [&](std::size_t i) { return up(work[i].takes); };
  std::vector<Minutes> latest(work.size());
  // Only ever sooner, so that it comes to rest; what is below 0 is not followed any farther.
  const auto lower = [&](std::size_t i, Minutes to) {
    if (to >= 0 && work[i].crew != nullptr) to = hours.at(work[i].crew).lastFor(to, takes(i));
    to = std::max<Minutes>(to, -1);
    if (to >= latest[i]) return false;
    latest[i] = to;
    return true;
  };
  for (std::size_t i = 0; i < work.size(); ++i) {
    latest[i] = never;
    Minutes to = down(ends) - takes(i);
    if (work[i].by) to = std::min(to, down(*work[i].by));
    lower(i, to);
  }
  for (bool changed = true; changed;) {
    changed = false;
    // Backwards, as links mostly come in the order of the work.
    for (std::size_t i = links.size(); i-- > 0;) {
      const Follows& link = links[i];
      if (latest[link.after] >= 0) {
        changed =
            lower(link.before, latest[link.after] - up(link.least) - takes(link.before)) || changed;
      }
      if (link.most && latest[link.before] >= 0) {
        changed = lower(link.after, latest[link.before] + takes(link.before) + down(*link.most)) ||
                  changed;
      }
    }
  }
  std::vector<Duration> starts;
  starts.reserve(latest.size());
  for (const Minutes one : latest) starts.push_back(minutes(one));
  return starts;
}

std::vector<Duration> slackOf(const ScheduleProblem& problem, const Schedule& schedule) {
  const auto taskOf = [&](const ScheduledTask& one) -> const Task& {
    return problem.chains[one.chain].tasks[one.task];
  };
  std::vector<Activity> work;
  std::vector<Follows> links;
  // What came last in each chain, by each pair of hands, on each spot.
  std::map<std::size_t, std::size_t> ofChain;
  std::map<std::pair<std::size_t, std::size_t>, std::size_t> byHands;
  std::map<std::pair<Spot, std::size_t>, std::size_t> onSpot;
  for (std::size_t i = 0; i < schedule.tasks.size(); ++i) {
    const ScheduledTask& one = schedule.tasks[i];
    const Task& task = taskOf(one);
    Activity activity{task.takes, {}, &problem.crew(task.hand)};
    if (one.task == 0) activity.by = problem.chains[one.chain].by;
    work.push_back(activity);
    if (const auto before = ofChain.find(one.chain); before != ofChain.end()) {
      const Wait& wait = taskOf(schedule.tasks[before->second]).wait;
      links.push_back({before->second, i, wait.least, wait.most});
    }
    ofChain[one.chain] = i;
    if (task.takes > Duration()) {
      const auto [hands, isFirst] = byHands.try_emplace({task.hand, one.pair}, i);
      if (!isFirst) links.push_back({hands->second, i});
      hands->second = i;
    }
    if (task.holds > Duration() && one.number > 0) {
      const auto [spot, isFirst] = onSpot.try_emplace({task.spot, one.number}, i);
      if (!isFirst) {
        const Task& other = taskOf(schedule.tasks[spot->second]);
        links.push_back({spot->second, i, minutes(up(other.holds) - up(other.takes))});
      }
      spot->second = i;
    }
  }
  std::vector<Duration> slack = latestStarts(work, links, schedule.ends);
  for (std::size_t i = 0; i < slack.size(); ++i) {
    slack[i] = std::max(Duration(), slack[i] - schedule.tasks[i].start);
  }
  return slack;
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/bench_commands.h"

#include <chrono>
#include <CLI/CLI.hpp>
#include <cmath>
#include <iostream>
#include <sstream>

#include "bench/civil_time.h"
#include "files/disk.h"
#include "files/json_reader.h"
#include "job/steps.h"

namespace avrelt {
namespace {

/// "12 min", "5 h", "5 h 30 min".
std::string timeText(Duration duration) {
  const auto minutes = std::lround(duration.minutes());
  if (minutes < 60) return std::to_string(minutes) + " min";
  const std::string hours = std::to_string(minutes / 60) + " h";
  return minutes % 60 == 0 ? hours : hours + " " + std::to_string(minutes % 60) + " min";
}

/// "part A 11 ml, 12.2 g; part B 11 ml, 11.1 g".
std::string mixText(const Mix& mix) {
  std::string text;
  for (const MixPart& part : mix.parts) {
    text += text.empty() ? "" : "; ";
    text += part.name == "part_a" ? "part A" : part.name == "part_b" ? "part B" : part.name;
    if (!part.of.empty()) text += " “" + part.of + "”";
    std::ostringstream amounts;
    amounts.precision(3);
    if (part.volume) amounts << ", " << part.volume->ml() << " ml";
    if (part.mass) amounts << ", " << part.mass->grams() << " g";
    text += amounts.str();
  }
  return text;
}

/// What a schedule is, as JSON: which step of which cup, from when to when, whose hands, on which
/// turner.
std::string scheduleJson(const Schedule& schedule, const ScheduleProblem& problem, CivilTime from) {
  const auto timeOf = [&](Duration at) {
    return civilText(from + std::chrono::minutes(std::lround(at.minutes())));
  };
  Json root = {{"avrelt_schedule", 1}, {"schedule", Json::array()}};
  for (const ScheduledTask& one : schedule.tasks) {
    const TaskChain& chain = problem.chains[one.chain];
    root["schedule"].push_back({{"cup", chain.name},
                                {"step", chain.tasks[one.task].id},
                                {"start", timeOf(one.start)},
                                {"end", timeOf(one.end)},
                                {"hand", 1},
                                {"turner", one.turner > 0 ? Json(one.turner) : Json()}});
  }
  return root.dump(1) + "\n";
}

}  // namespace

CLI::App* addSteps(CLI::App& app, StepOptions& options) {
  CLI::App* steps = app.add_subcommand(
      "steps",
      "Prints what each cup of an order takes at the bench, step by step: what to do, how long, "
      "what\n"
      "to mix, how long to wait at least and at most, and what to take care of.\n\n"
      "Exit code 0; 2 when the order was refused.");
  steps->add_option("ORDER", options.file, "The order, *.avrelt")->required();
  steps->add_option("--shop", options.shop, "A shop.sqlite, whose log predicts what coats add");
  return steps;
}

CLI::App* addSchedule(CLI::App& app, ScheduleOptions& options) {
  CLI::App* schedule = app.add_subcommand(
      "schedule",
      "Says when to do what over all cups of an order: one pair of hands, so many turners, within "
      "the\n"
      "hours there are; waits may cross the night.\n\n"
      "Exit code 0; 2 when the order, a time or the hours were refused.");
  schedule->add_option("ORDER", options.plan.file, "The order, *.avrelt")->required();
  schedule->add_option("--from", options.from, "When work begins: 2026-12-01T18:00")->required();
  schedule->add_option("--hours", options.hours, "The hours of each day: 18:00-22:00");
  schedule->add_option("--away", options.away, "Days nobody works: 2026-12-02");
  schedule->add_option("--turners", options.turners, "How many cups can turn at once")
      ->check(CLI::Range(1, 100));
  schedule->add_option("--out", options.out, "Writes it as JSON as well");
  schedule->add_option("--shop", options.plan.shop,
                       "A shop.sqlite, whose log predicts what coats add");
  return schedule;
}

int runSteps(const PlanOptions& options) {
  const std::optional<Plan> plan = planFrom(options);
  if (!plan) return refused;
  for (const CupPlan& cup : plan->cups) {
    const std::vector<Step> steps = stepsOf(cup);
    std::cout << cup.name << ": " << steps.size() << " steps, " << timeText(handsOn(steps))
              << " of work, " << timeText(atLeast(steps)) << " at the least.\n";
    int number = 0;
    for (const Step& step : steps) {
      std::cout << "  " << ++number << ". " << inWords(step.words, plan->units) << " ("
                << timeText(step.handsOn) << ")\n";
      for (const Caution caution : step.cautions) {
        std::cout << "     ! " << inWords(cautionWords(caution), plan->units) << '\n';
      }
      if (!step.mix.empty()) std::cout << "     takes: " << mixText(step.mix) << '\n';
      if (step.wait.least > Duration() || step.wait.most) {
        std::cout << "     then";
        if (step.wait.least > Duration()) {
          std::cout << " wait " << timeText(step.wait.least) << " at least";
        }
        if (step.wait.most) {
          std::cout << (step.wait.least > Duration() ? "," : " go on within")
                    << (step.wait.least > Duration() ? " at most " : " ")
                    << timeText(*step.wait.most);
        }
        std::cout << '\n';
      }
    }
  }
  std::cout << "Times and waits are guesses of common practice; what the makers’ data sheets say "
               "goes first.\n";
  return 0;
}

int runSchedule(const ScheduleOptions& options) {
  const auto from = parseCivil(options.from);
  if (!from) {
    return complain("“" + options.from + "” is no time. Write it as 2026-12-01T18:00.");
  }
  auto hours = parseHours(options.hours);
  if (!hours) {
    return complain("“" + options.hours + "” are no hours. Write them as 18:00-22:00.");
  }
  for (const std::string& text : options.away) {
    const auto day = parseCivil(text);
    if (!day) return complain("“" + text + "” is no day. Write it as 2026-12-02.");
    hours->away.push_back(*day);
  }
  const std::optional<Plan> plan = planFrom(options.plan);
  if (!plan) return refused;
  constexpr int days = 120;
  ScheduleProblem problem;
  problem.hours = {spansOf(*hours, *from, days)};
  problem.turners = static_cast<std::size_t>(options.turners);
  std::vector<std::vector<Step>> steps;
  for (const CupPlan& cup : plan->cups) {
    steps.push_back(stepsOf(cup));
    problem.chains.push_back(chainOf(cup.name, steps.back()));
  }
  const auto schedule = quickSchedule(problem);
  if (!schedule) {
    const WaitMissed& missed = schedule.error();
    const std::vector<Step>& of = steps[missed.chain];
    const std::string step = inWords(of[missed.task].words, plan->units);
    if (missed.by == Duration()) {
      return complain(problem.chains[missed.chain].name + ": “" + step +
                      "” finds no time within 120 days. Work longer hours, or on more turners.");
    }
    const std::string before =
        missed.task > 0 ? inWords(of[missed.task - 1].words, plan->units) : std::string();
    return complain(problem.chains[missed.chain].name + ": “" + step +
                    "” has to follow soon after “" + before + "”, and your hours are " +
                    timeText(missed.by) + " too short for it. Work longer in one go.");
  }
  std::string day;
  for (const ScheduledTask& one : schedule->tasks) {
    const auto at = [&](Duration time) {
      return *from + std::chrono::minutes(std::lround(time.minutes()));
    };
    if (const std::string today = dayText(at(one.start)); today != day) {
      day = today;
      std::cout << day << '\n';
    }
    std::cout << "  " << civilText(at(one.start)).substr(11) << "–"
              << civilText(at(one.end)).substr(11) << "  " << problem.chains[one.chain].name;
    if (one.turner > 0) std::cout << ", turner " << one.turner;
    std::cout << ": " << inWords(steps[one.chain][one.task].words, plan->units) << '\n';
  }
  const auto ends = *from + std::chrono::minutes(std::lround(schedule->ends.minutes()));
  const auto least = *from + std::chrono::minutes(std::lround(endsAtLeast(problem).minutes()));
  std::cout << "Done " << dayText(ends) << ", " << civilText(ends).substr(11)
            << "; no order of work is done before " << dayText(least) << ", "
            << civilText(least).substr(11) << ".\n";
  if (options.out.empty()) return 0;
  if (const auto fault = writeFile(options.out, scheduleJson(*schedule, problem, *from))) {
    return complain(inWords(*fault, plan->units));
  }
  return 0;
}

}  // namespace avrelt

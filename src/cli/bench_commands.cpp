// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/bench_commands.h"

#include <chrono>
#include <CLI/CLI.hpp>
#include <filesystem>
#include <iostream>

#include "bench/step_words.h"
#include "files/bench_files.h"
#include "files/disk.h"
#include "files/schedule_json.h"

namespace avrelt {

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
      "Says when to do what over all cups of an order: by so many hands, on so many turners, "
      "within\n"
      "the hours there are; waits may cross the night. What is done already is left out.\n\n"
      "Exit code 0; 1 when a wait or the day it is due cannot be kept, which is said; 2 when the\n"
      "order, a time or the hours were refused.");
  schedule->add_option("ORDER", options.plan.file, "The order, *.avrelt")->required();
  schedule->add_option("--from", options.from,
                       "When work begins: 2026-12-01T18:00; else as the order has it");
  schedule->add_option("--hours", options.hours, "The hours of each day: 18:00-22:00");
  schedule->add_option("--away", options.away, "Days nobody works: 2026-12-02");
  schedule->add_option("--turners", options.turners, "How many cups can turn at once")
      ->check(CLI::Range(1, BenchChoices::mostPlaces));
  schedule->add_option("--hands", options.hands, "How many people work")
      ->check(CLI::Range(1, BenchChoices::mostPlaces));
  schedule->add_option("--pages", options.pages, "Writes it as pages to hang up (*.pdf) as well");
  constexpr int mostSeconds = 3600;
  schedule->add_option("--search", options.seconds, "Seconds to search for a sooner end")
      ->check(CLI::Range(0, mostSeconds));
  schedule->add_option("--calendar", options.calendar, "Writes it as a calendar (*.ics) as well");
  schedule->add_option("--out", options.out, "Writes it as JSON as well");
  schedule->add_option("--shop", options.plan.shop,
                       "A shop.sqlite, whose log predicts what coats add");
  return schedule;
}

int runSteps(const PlanOptions& options) {
  const std::optional<Plan> plan = planFrom(options);
  if (!plan) return refused;
  const auto words = [&](const Sentence& sentence) { return inWords(sentence, plan->units); };
  for (const CupPlan& cup : plan->cups) {
    const ChangedSteps changed = benchSteps(cup, plan->bench, plan->stock);
    const std::vector<Step>& steps = changed.steps;
    std::cout << cup.name << ": " << steps.size() << " steps, " << timeText(handsOn(steps))
              << " of work, " << timeText(atLeast(steps)) << " at the least.\n";
    int number = 0;
    for (const Step& step : steps) {
      std::cout << "  " << ++number << ". " << words(step.words) << " (" << timeText(step.handsOn)
                << ")\n";
      for (const Caution caution : step.cautions) {
        std::cout << "     ! " << words(cautionWords(caution)) << '\n';
      }
      for (const Sentence& detail : detailsOf(step)) {
        std::cout << "     " << words(detail) << '\n';
      }
      if (!step.note.empty()) std::cout << "     " << step.note << '\n';
    }
    for (const StepConflict& conflict : changed.conflicts) {
      std::cout << "  ? " << words(conflict.words) << '\n';
    }
  }
  std::cout << "Times and waits are guesses of common practice; what the makers’ data sheets say "
               "goes first.\n";
  return 0;
}

int runSchedule(const ScheduleOptions& options) {
  std::optional<Plan> plan = planFrom(options.plan);
  if (!plan) return refused;
  BenchChoices& choices = plan->bench;
  if (!options.from.empty()) {
    choices.from = parseCivil(options.from);
    if (!choices.from) {
      return complain("“" + options.from + "” is no time. Write it as 2026-12-01T18:00.");
    }
  }
  if (!choices.from) {
    return complain("The order does not say when work begins. Give --from 2026-12-01T18:00.");
  }
  if (!options.hours.empty()) {
    const auto hours = parseHours(options.hours);
    if (!hours) {
      return complain("“" + options.hours + "” are no hours. Write them as 18:00-22:00.");
    }
    choices.hours.days.fill(*hours);
  }
  for (const std::string& text : options.away) {
    const auto day = parseCivil(text);
    if (!day) return complain("“" + text + "” is no day. Write it as 2026-12-02.");
    choices.hours.away.push_back(dayOf(*day));
  }
  if (options.turners > 0) choices.turners = options.turners;
  if (options.hands > 0) choices.hands = options.hands;
  const auto words = [&](const Sentence& sentence) { return inWords(sentence, plan->units); };
  BenchPlan bench = benchPlan(*plan, *choices.from);
  if (options.seconds > 0) improve(bench, {std::chrono::seconds(options.seconds), nullptr, {}});
  for (const BenchTrouble& trouble : bench.troubles) std::cerr << words(trouble.words) << '\n';
  if (!bench.schedule) return refused;
  std::string day;
  for (const ScheduledTask& one : bench.schedule->tasks) {
    const CivilTime start = bench.at(one.start);
    if (const std::string today = dayText(start); today != day) {
      day = today;
      std::cout << day << '\n';
    }
    const Step& step = bench.stepOf(one);
    std::cout << "  " << clockText(start) << "–" << clockText(bench.at(one.end)) << "  "
              << bench.cups[one.chain].name;
    if (choices.hands > 1) std::cout << ", hands " << one.pair;
    if (one.number > 0 && step.spot == Spot::turner) std::cout << ", turner " << one.number;
    std::cout << ": " << words(step.words) << '\n';
  }
  const CivilTime ends = bench.at(bench.schedule->ends);
  const CivilTime least = bench.at(bench.bound);
  std::cout << "Done " << dayText(ends) << ", " << clockText(ends) << "; ";
  if (bench.proven) {
    std::cout << "no order of work is done sooner.\n";
  } else {
    std::cout << "no order of work is done before " << dayText(least) << ", " << clockText(least)
              << ".\n";
  }
  std::vector<std::pair<std::filesystem::path, std::string>> files;
  const auto write = [&](const std::string& file, std::string text) {
    if (!file.empty()) files.emplace_back(file, std::move(text));
  };
  const std::string order = std::filesystem::path(options.plan.file).stem().string();
  write(options.out, scheduleJson(bench));
  write(options.calendar, benchCalendar(bench, order, words));
  write(options.pages, benchPdf(bench, order, plan->paper, words));
  if (const auto fault = writeFiles(files)) return complain(words(*fault));
  return bench.troubles.empty() ? 0 : 1;
}

}  // namespace avrelt

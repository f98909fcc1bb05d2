// SPDX-License-Identifier: GPL-3.0-or-later
//
// The bench's schedules: how soon the first is there, how soon it is planned anew, what a search
// finds and proves. Each bar stands beside checking a schedule of the same size in the same run.
#include <benchmark/benchmark.h>

#include <cstdlib>
#include <iostream>
#include <map>
#include <random>

#include "core/job_shops.h"
#include "files/disk.h"
#include "files/document_json.h"
#include "job/bench_plan.h"

using namespace avrelt;
using namespace avrelt::shops;

namespace {

Duration min(double minutes) {
  return Duration::minutes(minutes);
}

/// 12 cups of 21 steps, four turners, evenings of four hours.
ScheduleProblem twelveCups() {
  std::mt19937 random(3);
  ScheduleProblem problem;
  for (int c = 0; c < 12; ++c) {
    TaskChain chain;
    for (int i = 0; i < 21; ++i) {
      Task task{std::to_string(i), min(2 + static_cast<double>(random() % 9))};
      switch (random() % 6) {
        case 0:
          task.wait = {min(0), min(5 + static_cast<double>(random() % 10))};
          break;
        case 1:
          task.wait.least = min(45);
          break;
        case 2:
          if (i % 3 != 0) break;
          task.takes = min(12);
          task.wait.least = min(300);
          task.holds = min(312);
          break;
        default:
          break;
      }
      chain.tasks.push_back(task);
    }
    problem.chains.push_back(chain);
  }
  Crew evenings;
  for (int day = 0; day < 60; ++day)
    evenings.hours.push_back({min(day * 1440.0), min(day * 1440.0 + 240)});
  problem.crews = {evenings};
  problem.of(Spot::turner) = 4;
  return problem;
}

double tenEnds = 0;
double sixEnds = 0;
bool sixProven = false;

void check(benchmark::State& state) {
  const ScheduleProblem problem = twelveCups();
  const Schedule schedule = *quickSchedule(problem);
  for ([[maybe_unused]] auto _ : state) benchmark::DoNotOptimize(brokenBy(problem, schedule));
}
void first(benchmark::State& state) {
  const ScheduleProblem problem = twelveCups();
  for ([[maybe_unused]] auto _ : state) benchmark::DoNotOptimize(quickSchedule(problem));
}
/// The demo's twelve cups, steps and all, an hour after work began.
void anew(benchmark::State& state) {
  const auto read = readDocument(*readFile(AVRELT_DATA "/demo/Brackwater twelve cups.avrelt"));
  const auto plan = planDocument(read->document);
  std::vector<const CupPlan*> cups;
  for (const CupPlan& cup : plan->cups) cups.push_back(&cup);
  const BenchPlan before = benchPlan(*plan, *plan->bench.from);
  for ([[maybe_unused]] auto _ : state) {
    benchmark::DoNotOptimize(
        benchPlan(cups, plan->bench, plan->stock, after(*plan->bench.from, min(60)), &before));
  }
}
void proveSix(benchmark::State& state) {
  const ScheduleProblem problem = jobShop(six);
  const Schedule start = *quickSchedule(problem);
  for ([[maybe_unused]] auto _ : state) {
    const FoundSchedule found =
        searchSchedule(problem, start, {std::chrono::seconds(20), nullptr, {}});
    sixEnds = found.schedule.ends.minutes();
    sixProven = found.proven;
  }
}
void searchTen(benchmark::State& state) {
  const ScheduleProblem problem = jobShop(ten);
  const Schedule start = *quickSchedule(problem);
  for ([[maybe_unused]] auto _ : state) {
    tenEnds = searchSchedule(problem, start, {std::chrono::seconds(5), nullptr, {}})
                  .schedule.ends.minutes();
  }
}
BENCHMARK(check)->Unit(benchmark::kMicrosecond);
BENCHMARK(first)->Unit(benchmark::kMicrosecond);
BENCHMARK(anew)->Unit(benchmark::kMicrosecond);
BENCHMARK(proveSix)->Unit(benchmark::kMicrosecond);
BENCHMARK(searchTen)->Unit(benchmark::kMicrosecond)->Iterations(1);

class Bars : public benchmark::ConsoleReporter {
 public:
  void ReportRuns(const std::vector<Run>& runs) override {
    ConsoleReporter::ReportRuns(runs);
    for (const Run& run : runs) times_[run.benchmark_name()] = run.GetAdjustedCPUTime();
  }
  void print() {
    std::cout << "\n12 cups, 252 steps, 4 turners, scheduled at once: " << times_["first"] / 1000
              << " ms (under 100 wanted), " << times_["first"] / times_["check"]
              << " times checking it\n"
              << "the demo's 12 cups planned anew, their steps too: " << times_["anew"] / 1000
              << " ms (under 200 wanted), " << times_["anew"] / times_["check"]
              << " times that check\n"
              << "6 x 6: " << sixEnds << (sixProven ? ", proven" : ", not proven") << " in "
              << times_["proveSix"] / 1e6 << " s (55, proven, under 0.5 wanted)\n"
              << "10 x 10: " << tenEnds << " in 5 s, " << 100 * (tenEnds / 930 - 1)
              << " % above 930 (2 wanted)\n";
  }

 private:
  std::map<std::string, double> times_;
};

}  // namespace

int main(int argc, char** argv) {
  benchmark::Initialize(&argc, argv);
  Bars bars;
  benchmark::RunSpecifiedBenchmarks(&bars);
  bars.print();
  return EXIT_SUCCESS;
}

// SPDX-License-Identifier: GPL-3.0-or-later
//
// A shop of 1000 cups, 20 000 steps, 5000 photos: opened, searched, learnt from. Each bar stands
// beside reading all of its steps once, row by row, in the same run.
#include <benchmark/benchmark.h>
#include <sqlite3.h>

#include <cstdlib>
#include <filesystem>
#include <iostream>
#include <random>

#include "shop/archive.h"
#include "shop/shop.h"

using namespace avrelt;
namespace fs = std::filesystem;

namespace {

/// Made once, gone afterwards.
struct LargeShop {
  fs::path folder = fs::temp_directory_path() / "avrelt-bench-shop";
  fs::path file = folder / "shop.sqlite";

  LargeShop() {
    fs::remove_all(folder);
    auto shop = Shop::open(file);
    if (!shop) std::exit(1);
    std::mt19937 random(5);
    const CivilTime start = *parseCivil("2024-01-01T18:00");
    std::vector<std::string> ids;
    for (int i = 0; i < 40; ++i) {
      Supply supply;
      supply.name = "Glitter " + std::to_string(i);
      supply.low = Amount::ofUnits(MeasuredBy::weight, 10);
      ids.push_back(*shop->supplies().put(supply));
      for (int c = 0; c < 12; ++c) {
        SupplyEvent event;
        event.supply = ids.back();
        event.at = start + std::chrono::days(c * 90);
        event.amount = Amount::ofUnits(MeasuredBy::weight, 900 - c * 40);
        if (!shop->supplies().note(event)) std::exit(1);
      }
    }
    Logbook log = shop->logbook();
    for (int i = 0; i < 1000; ++i) {
      LogEntry entry;
      entry.key = {"o-" + std::to_string(i / 4), "cup-" + std::to_string(i % 4)};
      entry.name = "Cup " + std::to_string(i);
      entry.order = "Order " + std::to_string(i / 4);
      entry.blank = "straight 600 ml";
      entry.made = "night, brass, mirror " + std::to_string(random() % 50) + ", resin 20 ml";
      entry.begun = start + std::chrono::days(i);
      std::vector<LoggedStep> steps;
      for (int s = 0; s < 20; ++s) {
        LoggedStep step;
        step.step = "step-" + std::to_string(s);
        step.words = "Flood the cup on the turner with 20 ml of resin, and warm the bubbles out.";
        step.kind = static_cast<StepKind>(random() % stepKinds);
        step.at = start + std::chrono::days(i) + std::chrono::minutes(15 * s);
        step.took = Duration::minutes(5 + static_cast<double>(random() % 20));
        step.usual = Duration::minutes(12);
        step.method = static_cast<MethodKind>(random() % methodKinds);
        step.usualWait = Duration::minutes(300);
        if (random() % 8 == 0) step.faults = {"bubbles"};
        step.uses = {{ids[random() % ids.size()], step.at, Amount::ofUnits(MeasuredBy::weight, 2),
                      Area::mm2(8000)}};
        steps.push_back(step);
      }
      if (log.record(entry, std::string(6000, 'x'), steps)) std::exit(1);
      for (int p = 0; p < 5; ++p) {
        if (!log.addPhoto(entry.key, "x", "photo", start)) std::exit(1);
      }
    }
  }
  ~LargeShop() { fs::remove_all(folder); }
  LargeShop(const LargeShop&) = delete;
  LargeShop& operator=(const LargeShop&) = delete;

  static LargeShop& get() {
    static LargeShop shop;
    return shop;
  }
};

Shop opened() {
  return std::move(*Shop::open(LargeShop::get().file));
}

/// The reference: every step read once, by SQLite alone.
void readSteps(benchmark::State& state) {
  sqlite3* handle = nullptr;
  sqlite3_open(LargeShop::get().file.c_str(), &handle);
  for (auto _ : state) {
    sqlite3_stmt* rows = nullptr;
    sqlite3_prepare_v2(handle, "SELECT * FROM work", -1, &rows, nullptr);
    long count = 0;
    while (sqlite3_step(rows) == SQLITE_ROW) {
      benchmark::DoNotOptimize(sqlite3_column_text(rows, 3));
      ++count;
    }
    if (count != 20000) state.SkipWithError("not all steps are there");
    sqlite3_finalize(rows);
  }
  sqlite3_close(handle);
}
BENCHMARK(readSteps)->Unit(benchmark::kMillisecond);

void openShop(benchmark::State& state) {
  (void)LargeShop::get();
  for (auto _ : state) {
    Shop shop = opened();
    benchmark::DoNotOptimize(shop.fillRates());
    benchmark::DoNotOptimize(shop.methods());
    benchmark::DoNotOptimize(shop.paces());
    benchmark::DoNotOptimize(shop.growthRecords());
  }
}
BENCHMARK(openShop)->Unit(benchmark::kMillisecond);

void search(benchmark::State& state) {
  Shop shop = opened();
  Logbook log = shop.logbook();
  const std::vector<std::string> typed{"m", "mi", "mir", "mirror 7", "straight 600 night"};
  std::size_t at = 0;
  for (auto _ : state) {
    benchmark::DoNotOptimize(log.find(typed[at++ % typed.size()]));
  }
}
BENCHMARK(search)->Unit(benchmark::kMillisecond);

void readSupplies(benchmark::State& state) {
  Shop shop = opened();
  for (auto _ : state) {
    const auto shelf = shop.supplies().all();
    for (const Supply& supply : shelf->supplies) {
      benchmark::DoNotOptimize(levelOf(*shelf, supply, {}));
    }
  }
}
BENCHMARK(readSupplies)->Unit(benchmark::kMillisecond);

/// All figures the station shows, from what is read already: what its plots are drawn from.
void learnFigures(benchmark::State& state) {
  Shop shop = opened();
  const auto shelf = shop.supplies().all();
  const auto work = shop.logbook().allWork();
  const auto films = shop.filmsTaken();
  const auto grown = shop.growthNotes();
  const GrowthHabits habits;
  const FigureSources sources{*work, *shelf, *films, *grown, habits};
  for (auto _ : state) {
    for (const LearnableFigure& figure : learnableFigures()) {
      benchmark::DoNotOptimize(faultsCounted(*work, figure));
      benchmark::DoNotOptimize(learn(figure, seenOf(figure, sources), 1, {}));
    }
  }
}
BENCHMARK(learnFigures)->Unit(benchmark::kMillisecond);

void readWork(benchmark::State& state) {
  Shop shop = opened();
  for (auto _ : state) benchmark::DoNotOptimize(shop.logbook().allWork());
}
BENCHMARK(readWork)->Unit(benchmark::kMillisecond);

}  // namespace

BENCHMARK_MAIN();

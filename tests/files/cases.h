// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <catch2/catch.hpp>
#include <filesystem>
#include <string>
#include <utility>

#include "files/disk.h"
#include "files/document_json.h"
#include "job/plan.h"

// Orders that once came out wrong, by the number their file's name begins with.
namespace avrelt {

inline Document orderOf(const std::string& number) {
  for (const auto& file : std::filesystem::directory_iterator(AVRELT_TEST_DATA "/cases")) {
    if (file.path().filename().string().rfind(number + "-", 0) != 0) continue;
    const auto document = readDocument(*readFile(file.path()));
    REQUIRE(document.has_value());
    return document->document;
  }
  FAIL("no case " << number);
  return {};
}

inline Plan planned(const std::string& number) {
  CheckedAll<Plan> plan = planDocument(orderOf(number));
  if (!plan) {
    FAIL(plan.error().front().where.id << ": " << inWords(plan.error().front().sentence, Unit::mm));
  }
  return std::move(*plan);
}

inline CupPlan cupOf(const std::string& number) {
  return planned(number).cups.front();
}

inline bool told(const CupPlan& plan, const std::string& rule) {
  return std::any_of(plan.watches.begin(), plan.watches.end(),
                     [&](const Watch& watch) { return idOf(watch.rule) == rule; });
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
// What a machine makes of a plotter file, whole, in pieces, and spoilt.
#include "sim/plotter_reader.h"

#include <rapidcheck/catch.h>

#include <catch2/catch.hpp>

#include "files/plotter_file.h"

using namespace avrelt;
using namespace avrelt::sim;

namespace {

struct Heard {
  std::vector<PlotterStep> steps;
  std::vector<std::string> said;
};

Heard hear(const std::string& text, std::size_t piece = 1000) {
  Heard heard;
  PlotterReader reader([&](const PlotterStep& step) { heard.steps.push_back(step); },
                       [&](const std::string& words) { heard.said.push_back(words); });
  for (std::size_t i = 0; i < text.size(); i += piece) reader.feed(text.substr(i, piece));
  reader.end();
  return heard;
}

}  // namespace

TEST_CASE("A plotter file is read as it was written, in whatever pieces it comes", "[plotter]") {
  rc::prop("", [] {
    std::vector<Stroke> path;
    const int strokes = *rc::gen::inRange(1, 6);
    for (int i = 0; i < strokes; ++i) {
      Stroke stroke;
      stroke.tool = *rc::gen::inRange(0, 2) == 0 ? Tool::pen : Tool::blade;
      const int points = *rc::gen::inRange(2, 60);
      for (int k = 0; k < points; ++k) {
        stroke.points.push_back(
            {*rc::gen::inRange(0, 30000) / 100.0, *rc::gen::inRange(0, 60000) / 100.0});
      }
      path.push_back(stroke);
    }
    const std::string text = plotterFile(path, Cutter());
    const auto piece = static_cast<std::size_t>(*rc::gen::inRange(1, 40));
    const Heard heard = hear(text, piece);
    RC_ASSERT(heard.said.empty());
    // The lines again, from where it moved to and drew.
    std::vector<Stroke> lines;
    int tool = 0;
    for (const PlotterStep& step : heard.steps) {
      if (step.kind == PlotterStep::Kind::tool) tool = step.number;
      if (step.kind == PlotterStep::Kind::move) {
        lines.push_back({tool == 2 ? Tool::pen : Tool::blade, {step.to}, false});
      }
      if (step.kind == PlotterStep::Kind::draw) lines.back().points.push_back(step.to);
    }
    RC_ASSERT(lines.size() == path.size() + 1);  // and home
    for (std::size_t i = 0; i < path.size(); ++i) {
      RC_ASSERT(lines[i].tool == path[i].tool);
      RC_ASSERT(lines[i].points.size() == path[i].points.size());
      for (std::size_t k = 0; k < path[i].points.size(); ++k) {
        // Half a unit of 1/40 mm either way.
        RC_ASSERT(std::abs(lines[i].points[k].x - path[i].points[k].x) <= 0.0125 + 1e-9);
        RC_ASSERT(std::abs(lines[i].points[k].y - path[i].points[k].y) <= 0.0125 + 1e-9);
      }
    }
    RC_ASSERT(heard.steps.back().kind == PlotterStep::Kind::tool);
    RC_ASSERT(heard.steps.back().number == 0);
  });
}

TEST_CASE("Moves by so much and moves to a place are told apart", "[plotter]") {
  const Heard heard = hear("IN;PA;SP1;PU400,400;PR;PD400,0,0,400;PA;PD0,0;PU;SP0;");
  CHECK(heard.said.empty());
  std::vector<Point> to;
  for (const PlotterStep& step : heard.steps) {
    if (step.kind == PlotterStep::Kind::draw) to.push_back(step.to);
  }
  CHECK(to == std::vector<Point>{{20, 10}, {20, 20}, {0, 0}});
}

TEST_CASE("What a machine does not know is told with its place and left out", "[plotter]") {
  for (const char* wrong : {"XX1,2;", "PU1;", "PD1,2,3;", "PDa,b;", "PU1,,2;", "PU1,2,;", "SP;",
                            "SP9;", "VS-1;", "PU99999999999,1;", "PU1.5,2;", "PU1 2"}) {
    const Heard heard = hear(std::string("IN;SP1;") + wrong);
    CAPTURE(wrong);
    CHECK(heard.said.size() == 1);
    CHECK(heard.steps.size() == 2);
  }
  CHECK(hear("IN;PU1,2;PDx;").said[0].find("Command 3") != std::string::npos);
  // Nonsense without end is told a few times only, and none of it is kept.
  CHECK(hear(std::string(3U << 20U, 'x')).said.size() == 1);
  std::string many;
  for (int i = 0; i < 1000; ++i) many += "ZZ;";
  CHECK(hear(many).said.size() == 20);
}

// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/plotter_file.h"

#include <algorithm>
#include <cmath>

namespace avrelt {
namespace {

constexpr double unitsPerMm = 40;
constexpr std::size_t pointsAtOnce = 20;

std::string at(Point p) {
  return std::to_string(std::lround(p.x * unitsPerMm)) + "," +
         std::to_string(std::lround(p.y * unitsPerMm));
}

}  // namespace

std::string plotterFile(const std::vector<Stroke>& path, const Cutter& cutter) {
  std::string file = "IN;\nPA;\n";
  const int speed = std::max(1, static_cast<int>(std::lround(cutter.perSecond.mm())));
  file += "VS" + std::to_string(speed) + ";\n";
  int tool = 0;
  for (const Stroke& stroke : path) {
    const int wanted = stroke.tool == Tool::pen ? 2 : 1;
    if (wanted != tool) file += "SP" + std::to_string(wanted) + ";\n";
    tool = wanted;
    file += "PU" + at(stroke.points.front()) + ";\n";
    for (std::size_t i = 1; i < stroke.points.size(); i += pointsAtOnce) {
      file += "PD";
      const std::size_t end = std::min(i + pointsAtOnce, stroke.points.size());
      for (std::size_t k = i; k < end; ++k) file += (k > i ? "," : "") + at(stroke.points[k]);
      file += ";\n";
    }
  }
  return file + "PU0,0;\nSP0;\n";
}

}  // namespace avrelt

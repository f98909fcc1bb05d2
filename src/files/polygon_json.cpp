// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/polygon_json.h"

#include <algorithm>
#include <cmath>

#include "files/json_writing.h"
#include "shape/path_text.h"

namespace avrelt {

std::string pathText(const Polygon& polygon) {
  std::string text;
  for (const std::vector<Point>& outline : polygon) {
    text += 'M';
    bool first = true;
    for (const Point& p : outline) {
      for (const double v : {p.x, p.y}) {
        if (!first) text += ' ';
        first = false;
        text += number(v).dump();
      }
    }
    text += 'Z';
  }
  return text;
}

std::optional<Polygon> outlinesFrom(ObjectReader& object, const Json& item, const std::string& path,
                                    double farthestMm) {
  if (!item.is_string()) {
    object.fault(path, {"Outlines are wanted as path data, such as \"M0 0 10 0 10 10Z\".", {}});
    return std::nullopt;
  }
  Pen pen(Transform(), Length::mm(0.01));
  if (const Checked<bool> drawn = drawPath(item.get_ref<const std::string&>(), pen); !drawn) {
    object.fault(path, drawn.error().sentence);
    return std::nullopt;
  }
  Polygon polygon;
  for (Polyline& line : pen.take()) {
    const bool far = std::any_of(line.points.begin(), line.points.end(), [&](const Point& p) {
      return std::abs(p.x) > farthestMm || std::abs(p.y) > farthestMm;
    });
    if (far || !line.closed) {
      object.fault(path,
                   {"An outline has to be closed and lie within %1.", {Length::mm(farthestMm)}});
      return std::nullopt;
    }
    polygon.push_back(std::move(line.points));
  }
  return polygon;
}

}  // namespace avrelt

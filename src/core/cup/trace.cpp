// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/trace.h"

#include <algorithm>
#include <cmath>

#include "measure/tape.h"

namespace avrelt {
namespace {

constexpr double closest = 20;    // px
constexpr double leastSlice = 1;  // mm

/// The cup's own frame on the photo.
struct Frame {
  Point base;
  Point up;           ///< a unit arrow from base to rim
  Point right;        ///< a unit arrow to the right of it, as the photo shows it
  double height = 0;  ///< px
  double mmPerPixel = 0;
};

Frame frameOf(const PhotoTrace& trace) {
  Frame frame;
  frame.base = (trace.baseLeft + trace.baseRight) * 0.5;
  const Point axis = (trace.rimLeft + trace.rimRight) * 0.5 - frame.base;
  frame.height = norm(axis);
  frame.up = frame.height > 0 ? axis * (1 / frame.height) : Point{0, -1};
  // y runs down on a picture, so a quarter to the left of up is what the eye calls right.
  frame.right = turnedLeft(frame.up);
  const double pixels = norm(trace.scaleB - trace.scaleA);
  frame.mmPerPixel = pixels > 0 ? trace.apart.mm() / pixels : 0;
  return frame;
}

}  // namespace

Checked<std::vector<Station>> stationsFrom(const PhotoTrace& trace, Unit unit) {
  if (trace.apart <= Length()) {
    return refuse(Member::traceApart,
                  "How far apart are the two marks? Measure it on the cup and type it.");
  }
  if (norm(trace.scaleB - trace.scaleA) < closest) {
    return refuse(Member::traceApart,
                  "The two marks lie on each other. Pull them apart, as far as the cup allows.");
  }
  const Frame frame = frameOf(trace);
  const double baseWide = norm(trace.baseRight - trace.baseLeft);
  const double rimWide = norm(trace.rimRight - trace.rimLeft);
  if (frame.height < closest || baseWide < closest || rimWide < closest) {
    return refuse(Member::traceCorners,
                  "The corners lie on each other. Pull them to the ends of base and rim.");
  }

  struct Place {
    double height;
    double radius;
  };
  std::vector<Place> places{{0, baseWide / 2}};
  std::vector<Place> between;
  for (const Point& p : trace.edge) {
    between.push_back({dot(p - frame.base, frame.up), std::abs(dot(p - frame.base, frame.right))});
  }
  std::sort(between.begin(), between.end(),
            [](const Place& a, const Place& b) { return a.height < b.height; });
  const double least = leastSlice / frame.mmPerPixel;
  for (const Place& place : between) {
    if (place.height < places.back().height + least || place.height > frame.height - least)
      continue;
    if (place.radius * frame.mmPerPixel < 1) continue;
    places.push_back(place);
  }
  places.push_back({frame.height, rimWide / 2});

  std::vector<Station> stations;
  for (const Place& place : places) {
    // No finer than a photo can be read: a tenth of a millimetre.
    const auto rounded = [&](double pixels) {
      return Length::mm(std::round(pixels * frame.mmPerPixel * 10) / 10);
    };
    Station station;
    station.at = written(rounded(place.height), unit);
    station.girth = written(rounded(place.radius * 2), unit);
    station.girthIs = Girth::across;
    stations.push_back(std::move(station));
  }
  return stations;
}

Point placeOnPhoto(const PhotoTrace& trace, Length plumb, Length radius) {
  const Frame frame = frameOf(trace);
  if (frame.mmPerPixel <= 0) return frame.base;
  return frame.base + frame.up * (plumb.mm() / frame.mmPerPixel) +
         frame.right * (radius.mm() / frame.mmPerPixel);
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#include "shape/clipping.h"

#include <algorithm>
#include <cmath>

namespace avrelt {
namespace {

namespace cl = ClipperLib;

constexpr double sharp = 4;  // times the offset that a corner may reach

cl::ClipType typeOf(Combine how) {
  switch (how) {
    case Combine::both:
      return cl::ctIntersection;
    case Combine::first:
      return cl::ctDifference;
    case Combine::either:
      break;
  }
  return cl::ctUnion;
}

void dropDust(WholePaths& paths, double dust) {
  paths.erase(
      std::remove_if(paths.begin(), paths.end(),
                     [dust](const WholePath& path) { return std::abs(cl::Area(path)) <= dust; }),
      paths.end());
}

}  // namespace

WholePaths WholePart::paths() const {
  WholePaths all{outline};
  all.insert(all.end(), openings.begin(), openings.end());
  return all;
}

WholePaths combined(const WholePaths& first, const WholePaths& second, Combine how, double dust,
                    bool evenOdd) {
  cl::Clipper clipper(cl::ioStrictlySimple);
  clipper.AddPaths(first, cl::ptSubject, true);
  clipper.AddPaths(second, cl::ptClip, true);
  WholePaths result;
  clipper.Execute(typeOf(how), result, evenOdd ? cl::pftEvenOdd : cl::pftNonZero, cl::pftNonZero);
  dropDust(result, dust);
  return result;
}

std::vector<WholePart> combinedParts(const WholePaths& first, const WholePaths& second, Combine how,
                                     double dust) {
  cl::Clipper clipper(cl::ioStrictlySimple);
  clipper.AddPaths(first, cl::ptSubject, true);
  clipper.AddPaths(second, cl::ptClip, true);
  cl::PolyTree tree;
  clipper.Execute(typeOf(how), tree, cl::pftNonZero, cl::pftNonZero);
  std::vector<WholePart> parts;
  for (const cl::PolyNode* node = tree.GetFirst(); node != nullptr; node = node->GetNext()) {
    if (node->IsHole() || std::abs(cl::Area(node->Contour)) <= dust) continue;
    WholePart part{node->Contour, {}};
    for (const cl::PolyNode* hole : node->Childs) part.openings.push_back(hole->Contour);
    dropDust(part.openings, dust);
    parts.push_back(std::move(part));
  }
  return parts;
}

WholePaths openWithin(const WholePath& line, const WholePaths& inside) {
  cl::Clipper clipper;
  clipper.AddPath(line, cl::ptSubject, false);
  clipper.AddPaths(inside, cl::ptClip, true);
  cl::PolyTree tree;
  clipper.Execute(cl::ctIntersection, tree, cl::pftNonZero, cl::pftNonZero);
  WholePaths open;
  cl::OpenPathsFromPolyTree(tree, open);
  return open;
}

WholePaths drawnOut(const WholePaths& paths, double by) {
  cl::ClipperOffset offset(sharp);
  offset.AddPaths(paths, cl::jtMiter, cl::etClosedPolygon);
  WholePaths result;
  offset.Execute(result, by);
  return result;
}

WholePaths drawnWide(const WholePaths& closed, const WholePaths& open, double half) {
  cl::ClipperOffset offset(sharp);
  offset.AddPaths(closed, cl::jtMiter, cl::etClosedLine);
  offset.AddPaths(open, cl::jtMiter, cl::etOpenButt);
  WholePaths result;
  offset.Execute(result, half);
  return result;
}

}  // namespace avrelt

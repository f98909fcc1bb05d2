// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <initializer_list>
#include <memory>
#include <string>
#include <vector>

#include "measure/colour.h"
#include "measure/length.h"
#include "shape/path.h"
#include "shape/picture.h"
#include "shape/transform.h"

namespace avrelt {

/// Pages of one PDF document (ISO 32000-1), drawn on in mm, x to the right and y up from the lower
/// left corner.
///
/// Cairo writes it. Places are true to 1/512 of a point, 0.0007 mm, and arcs are curves no farther
/// than half a thousandth of a millimetre from them. The shipped face is embedded, as much of it as
/// is used. The same drawing gives the same bytes: no date but the epoch's.
class PdfCanvas {
 public:
  PdfCanvas(Length wide, Length tall, const std::string& title);
  PdfCanvas(const PdfCanvas&) = delete;
  PdfCanvas& operator=(const PdfCanvas&) = delete;
  ~PdfCanvas();

  /// What is set between these holds between them: inks, pen, frame, clip. They come in pairs on
  /// one page, and may be nested.
  void save();
  void restore();
  /// What follows is drawn as the transform says.
  void frame(const Transform& transform);
  /// What follows shows within this box alone.
  void clip(const Box& box);

  /// What lines and words are drawn in, and what is filled.
  void ink(const Rgb& colour);
  /// What is filled, words too, until the next ink.
  void ground(const Rgb& colour);
  /// How wide lines are in mm, and their dashes and gaps.
  void pen(double width, std::initializer_list<double> dashes = {});

  /// Outlines and lines are gathered until they are stroked or filled, which lets go of them. What
  /// lies within two outlines is not filled.
  void add(const Path& path);
  void add(const std::vector<Point>& outline);
  void add(const Box& box);
  void add(Point from, Point to);
  void stroke();
  void fill();
  void fillAndStroke();

  /// Words with their left end at a place on the line they stand on, turned about it; the type's
  /// size in mm.
  void words(const std::string& words, Point at, double size, Angle turn = {});
  /// How long words are in mm.
  static double lengthOf(const std::string& words, double size);

  /// A JPEG file as it is, smoothed where it is drawn larger, of one, three or four colours, over a
  /// box; false, and nothing drawn, where it is none.
  bool jpeg(const std::string& bytes, const Box& box);
  /// A picture's dots over a box, each as sharp as it is; what is clear in them stays so.
  void dots(const Picture& picture, const Box& box);

  /// Ends a page and begins the next.
  void turn();
  /// Ends the last page and gives the document; nothing more can be drawn. Empty where it could not
  /// be put together: there was no memory for it.
  std::string finish();

 private:
  class Document;
  std::unique_ptr<Document> document_;
};

}  // namespace avrelt

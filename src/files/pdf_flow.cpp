// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/pdf_flow.h"

namespace avrelt {

PdfFlow::PdfFlow(std::string& bytes, Paper paper, const std::string& title)
    : pages_(bytes, sizeOf(paper).width, sizeOf(paper).height, title),
      wide_(sizeOf(paper).width.mm()),
      tall_(sizeOf(paper).height.mm()),
      room_(wide_ - 2 * margin) {}

void PdfFlow::narrowTo(double room) {
  room_ = room > 0 ? room : wide_ - 2 * margin;
}

void PdfFlow::turnFor(double needed) {
  if (at_ + needed <= tall_ - margin) return;
  pages_.turn();
  at_ = margin + lineHeight;
}

void PdfFlow::head(const std::string& words) {
  pages_.text(pages_.fitted(words, headSize, room_), margin, at_, headSize);
  at_ += 2 * lineHeight;
}

void PdfFlow::title(const std::string& words) {
  turnFor(3 * lineHeight);
  at_ += 0.7 * lineHeight;
  pages_.text(pages_.fitted(words, titleSize, room_), margin, at_, titleSize);
  at_ += 1.4;
  rule();
  at_ += 1.5 * lineHeight - 1.4;
}

void PdfFlow::say(const std::string& words, double size) {
  for (const std::string& line : pages_.wrapped(words, size, room_)) {
    turnFor(lineHeight);
    pages_.text(line, margin, at_, size);
    at_ += lineHeight * size / textSize;
  }
}

void PdfFlow::pair(const std::string& what, const std::string& much, bool box) {
  turnFor(lineHeight);
  constexpr double side = 3;
  constexpr double gap = 4;
  const double indent = box ? side + 2.5 : 0;
  if (box) pages_.box(margin, at_ - side + 0.4, side, side);
  const double taken = pages_.lengthOf(much, textSize);
  pages_.text(pages_.fitted(what, textSize, room_ - indent - taken - gap), margin + indent, at_,
              textSize);
  pages_.text(much, margin + room_ - taken, at_, textSize);
  at_ += lineHeight;
}

void PdfFlow::rule() {
  pages_.line(margin, at_, margin + room_, at_);
}

}  // namespace avrelt

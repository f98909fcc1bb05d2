// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/pdf_canvas.h"

#include <exception>

#include "files/pdf_content.h"
#include "files/pdf_font.h"
#include "files/picture_file.h"
#include "shape/arc_curves.h"

namespace avrelt {
namespace {

constexpr double pointsPerMm = 72 / 25.4;

}  // namespace

class PdfCanvas::Document {
 public:
  using Object = PdfObjects::Object;
  using Packed = PdfObjects::Packed;

  Document(Length wide, Length tall, const std::string& title)
      : objects_(title), wide_(wide), tall_(tall), font_(objects_.shared(objects_.said("<< >>"))) {
    begin();
  }

  PdfContent& content() { return content_; }
  PdfObjects& objects() { return objects_; }

  std::u32string glyphsOf(const std::string& words) {
    lettered_ = true;
    return PdfFace::shipped().glyphsOf(words, used_);
  }

  void gathering() { gathered_ = true; }
  void painted(std::string_view how) {
    if (gathered_) content_.say(how);
    gathered_ = false;
  }

  /// Makes a stream the dots of a picture.
  Object picture(Object data, int wide, int tall, const std::string& colours) {
    const Object about = objects_.dictionaryOf(data);
    objects_.set(about, "/Type", objects_.said("/XObject"));
    objects_.set(about, "/Subtype", objects_.said("/Image"));
    objects_.set(about, "/Width", objects_.said(std::to_string(wide)));
    objects_.set(about, "/Height", objects_.said(std::to_string(tall)));
    objects_.set(about, "/BitsPerComponent", objects_.said("8"));
    objects_.set(about, "/ColorSpace", objects_.said(colours));
    return data;
  }
  void show(Object picture, const Box& box) {
    const std::string name = "/P" + std::to_string(++pictureCount_);
    objects_.set(pictures_, name.c_str(), picture);
    content_.say("q");
    content_.map({box.width(), 0, 0, box.height(), box.low.x, box.low.y});
    content_.say("cm " + name + " Do Q");
  }

  void begin() {
    content_.clear();
    content_.map({pointsPerMm, 0, 0, pointsPerMm, 0, 0});
    content_.say("cm");
    pictures_ = objects_.said("<< >>");
    pictureCount_ = 0;
    lettered_ = false;
  }

  void end() {
    const Object resources = objects_.said("<< >>");
    if (lettered_) {
      const Object fonts = objects_.said("<< >>");
      objects_.set(fonts, "/F", font_);
      objects_.set(resources, "/Font", fonts);
    }
    if (pictureCount_ > 0) objects_.set(resources, "/XObject", pictures_);
    PdfContent size;
    size.add("[ 0 0 ");
    size.place({wide_.mm() * pointsPerMm, tall_.mm() * pointsPerMm});
    const Object page = objects_.said("<< /Type /Page >>");
    objects_.set(page, "/MediaBox", objects_.said(size.text() + "]"));
    objects_.set(page, "/Resources", resources);
    objects_.set(page, "/Contents", objects_.packed(content_.text(), Packed::quickly));
    objects_.addPage(objects_.shared(page));
  }

  std::string written() {
    if (!used_.empty()) tellFont(objects_, font_, used_);
    return objects_.written();
  }

 private:
  PdfObjects objects_;
  Length wide_;
  Length tall_;
  PdfContent content_;
  PdfFace::Used used_;
  Object font_;      ///< told when all its glyphs are known
  Object pictures_;  ///< of the page begun, by name
  int pictureCount_ = 0;
  bool lettered_ = false;  ///< whether there are words on it
  bool gathered_ = false;  ///< whether there is something to stroke or fill
};

PdfCanvas::PdfCanvas(Length wide, Length tall, const std::string& title)
    : document_(std::make_unique<Document>(wide, tall, title)) {}

PdfCanvas::~PdfCanvas() = default;

void PdfCanvas::save() {
  document_->content().say("q");
}

void PdfCanvas::restore() {
  document_->content().say("Q");
}

void PdfCanvas::frame(const Transform& transform) {
  document_->content().map(transform);
  document_->content().say("cm");
}

void PdfCanvas::clip(const Box& box) {
  add(box);
  document_->painted("W n");
}

void PdfCanvas::ink(const Rgb& colour) {
  for (const int part : {colour.red, colour.green, colour.blue}) {
    document_->content().number(part / 255.0);
  }
  document_->content().say("RG");
  ground(colour);
}

void PdfCanvas::ground(const Rgb& colour) {
  for (const int part : {colour.red, colour.green, colour.blue}) {
    document_->content().number(part / 255.0);
  }
  document_->content().say("rg");
}

void PdfCanvas::pen(double width, std::initializer_list<double> dashes) {
  PdfContent& content = document_->content();
  content.number(width);
  content.add("w [");
  for (const double dash : dashes) content.number(dash);
  content.say("] 0 d");
}

void PdfCanvas::add(const Path& path) {
  constexpr double straight = 1e-6;
  constexpr Length tolerance = Length::mm(0.0005);
  PdfContent& content = document_->content();
  content.place(path.start);
  content.say("m");
  Point from = path.start;
  for (const Stretch& stretch : path.stretches) {
    if (riseOf(from, stretch) < straight) {
      content.place(stretch.end);
      content.say("l");
    } else {
      for (const Curve& curve : curvesAlong(from, stretch, tolerance)) {
        content.place(curve.out);
        content.place(curve.in);
        content.place(curve.end);
        content.say("c");
      }
    }
    from = stretch.end;
  }
  if (path.closed()) content.say("h");
  document_->gathering();
}

void PdfCanvas::add(const std::vector<Point>& outline) {
  if (outline.empty()) return;
  PdfContent& content = document_->content();
  const char* how = "m";
  for (const Point& p : outline) {
    content.place(p);
    content.say(how);
    how = "l";
  }
  content.say("h");
  document_->gathering();
}

void PdfCanvas::add(const Box& box) {
  document_->content().place(box.low);
  document_->content().place({box.width(), box.height()});
  document_->content().say("re");
  document_->gathering();
}

void PdfCanvas::add(Point from, Point to) {
  document_->content().place(from);
  document_->content().say("m");
  document_->content().place(to);
  document_->content().say("l");
  document_->gathering();
}

void PdfCanvas::stroke() {
  document_->painted("S");
}

void PdfCanvas::fill() {
  document_->painted("f*");
}

void PdfCanvas::fillAndStroke() {
  document_->painted("B*");
}

void PdfCanvas::words(const std::string& words, Point at, double size, Angle turn) {
  if (words.empty()) return;
  PdfContent& content = document_->content();
  content.add("BT /F ");
  content.number(size);
  content.add("Tf ");
  Transform lie = turning(turn);
  lie.e = at.x;
  lie.f = at.y;
  content.map(lie);
  content.add("Tm <");
  for (const char32_t glyph : document_->glyphsOf(words)) {
    content.hex(static_cast<unsigned>(glyph));
  }
  content.say("> Tj ET");
}

double PdfCanvas::lengthOf(const std::string& words, double size) {
  return PdfFace::shipped().lengthOf(words) * size;
}

bool PdfCanvas::jpeg(const std::string& bytes, const Box& box) {
  const auto head = pictureHead(bytes);
  if (!head || head->type != PictureType::jpeg) return false;
  const int colours = coloursOfJpeg(bytes);
  if (colours != 1 && colours != 3 && colours != 4) return false;
  PdfObjects& objects = document_->objects();
  const PdfObjects::Object data = document_->picture(
      objects.stream(bytes, "/DCTDecode"), head->wide, head->tall,
      colours == 1 ? "/DeviceGray" : (colours == 4 ? "/DeviceCMYK" : "/DeviceRGB"));
  objects.set(objects.dictionaryOf(data), "/Interpolate", objects.said("true"));
  if (colours == 4) {  // inks are written inverted
    objects.set(objects.dictionaryOf(data), "/Decode", objects.said("[ 1 0 1 0 1 0 1 0 ]"));
  }
  document_->show(data, box);
  return true;
}

void PdfCanvas::dots(const Picture& picture, const Box& box) {
  const std::size_t count = picture.rgba.size() / 4;
  std::string colours;
  std::string opacity;
  colours.reserve(count * 3);
  opacity.reserve(count);
  bool clear = false;
  for (std::size_t i = 0; i < picture.rgba.size(); i += 4) {
    for (std::size_t c = 0; c < 3; ++c) colours += static_cast<char>(picture.rgba[i + c]);
    opacity += static_cast<char>(picture.rgba[i + 3]);
    clear = clear || picture.rgba[i + 3] != 255;
  }
  PdfObjects& objects = document_->objects();
  const auto packed = [&](const std::string& parts, const char* kind) {
    return document_->picture(objects.packed(parts, PdfObjects::Packed::well), picture.wide,
                              picture.tall, kind);
  };
  const PdfObjects::Object data = packed(colours, "/DeviceRGB");
  if (clear) objects.set(objects.dictionaryOf(data), "/SMask", packed(opacity, "/DeviceGray"));
  document_->show(data, box);
}

void PdfCanvas::turn() {
  document_->end();
  document_->begin();
}

std::string PdfCanvas::finish() {
  try {
    document_->end();
    return document_->written();
  } catch (const std::exception&) {
    return {};
  }
}

}  // namespace avrelt

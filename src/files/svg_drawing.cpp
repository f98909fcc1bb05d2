// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/svg_drawing.h"

#include <algorithm>
#include <cmath>
#include <cstring>
#include <map>
#include <pugixml.hpp>
#include <set>
#include <utility>

#include "files/svg_colours.h"
#include "files/svg_style.h"
#include "files/svg_values.h"
#include "shape/path_text.h"

namespace avrelt {
namespace {

constexpr int deepestGroup = 200;
constexpr std::size_t mostShapes = 20'000;
constexpr std::size_t mostVisits = 400'000;
constexpr std::size_t mostFaults = 20;
constexpr std::size_t mostPoints = 1'000'000;
constexpr Length fine = Length::mm(0.01);
constexpr double mmPerPx = 25.4 / pxPerInch;

std::string_view localName(const char* name) {
  const char* colon = std::strrchr(name, ':');
  return colon == nullptr ? name : colon + 1;
}

/// What is handed down from group to group.
struct Ink {
  bool filled = true;
  bool evenOdd = false;
  bool stroked = false;
  bool visible = true;
  double width = 1;  // px
  std::string fill = "#000000";
  std::string line = "#000000";
  std::string own = "#000000";  ///< "currentColor"
  LineCap cap = LineCap::flat;
  LineJoin join = LineJoin::mitre;
  double mitreLimit = 4;
  bool dashed = false;
  bool clipEvenOdd = false;
};

class Reader {
 public:
  Reader(std::string_view text, const std::string& name) : text_(text) { drawing_.name = name; }

  tl::expected<Drawing, ReadFaults> operator()() {
    if (text_.size() > 1 && text_[0] == '\x1f' && text_[1] == '\x8b') {
      return alone(0, "The file is compressed. Save the drawing as plain SVG.", {});
    }
    // No entities of the file's own are expanded, so they cannot grow.
    const pugi::xml_parse_result parsed =
        document_.load_buffer(text_.data(), text_.size(), pugi::parse_default, pugi::encoding_auto);
    const pugi::xml_node root = document_.document_element();
    if (!root.empty() && localName(root.name()) != "svg") {
      return alone(lineAt(root.offset_debug()),
                   "The file begins with <%1>, so it is no drawing. Save the drawing as SVG.",
                   {std::string(localName(root.name())).substr(0, 40)});
    }
    if (!parsed || root.empty()) {
      return alone(lineAt(parsed.offset), "This is no whole SVG: %1. Save the drawing anew.",
                   {std::string(parsed ? "nothing is in it" : parsed.description())});
    }
    page(root);
    collect(root);
    walk(root, top_, Ink(), 0);
    leftOut();
    if (!faults_.empty()) return tl::unexpected(std::move(faults_));
    return std::move(drawing_);
  }

 private:
  tl::unexpected<ReadFaults> alone(int line, std::string words, std::vector<Sentence::Part> parts) {
    return tl::unexpected(ReadFaults{{line, {}, {std::move(words), std::move(parts)}}});
  }

  int lineAt(std::ptrdiff_t offset) const {
    if (offset < 0 || static_cast<std::size_t>(offset) > text_.size()) return 0;
    return 1 + static_cast<int>(std::count(text_.begin(), text_.begin() + offset, '\n'));
  }

  void fault(const pugi::xml_node& node, std::string words, std::vector<Sentence::Part> parts) {
    // A place used twice is wrong once.
    if (faults_.size() >= mostFaults || !blamed_.insert(node.offset_debug()).second) return;
    faults_.push_back(
        {lineAt(node.offset_debug()), nameOf(node), {std::move(words), std::move(parts)}});
  }

  static std::string nameOf(const pugi::xml_node& node) {
    const std::string_view id = node.attribute("id").value();
    std::string name(localName(node.name()));
    if (!id.empty()) name += "#" + std::string(id.substr(0, 60));
    return name;
  }

  /// The page's size, and the map from its user units to mm with y up.
  void page(const pugi::xml_node& root) {
    const std::vector<double> view = viewBoxIn(root.attribute("viewBox").value());
    const bool boxed = !view.empty();
    viewWide_ = boxed ? view[2] : 0;
    viewTall_ = boxed ? view[3] : 0;
    const auto size = [&](const char* name, double own) -> double {
      const std::string_view written = root.attribute(name).value();
      if (written.empty() || written == "auto") return own;
      const std::optional<double> px = lengthIn(written, own);
      if (px && *px > 0) return *px;
      fault(root, "Its %1 is no length. Write it with a unit, such as 120 mm.",
            {std::string(name)});
      return own;
    };
    double wide = size("width", viewWide_);
    double tall = size("height", viewTall_);
    // One of the two alone keeps the view's proportion.
    if (boxed && root.attribute("width").empty() && !root.attribute("height").empty())
      wide = tall * view[2] / view[3];
    if (boxed && root.attribute("height").empty() && !root.attribute("width").empty())
      tall = wide * view[3] / view[2];
    if (!boxed) {
      viewWide_ = wide;
      viewTall_ = tall;
    }
    drawing_.wide = Length::mm(wide * mmPerPx);
    drawing_.tall = Length::mm(tall * mmPerPx);
    Transform fit;
    if (boxed && wide > 0 && tall > 0) {
      fit = fitted(view, wide, tall, root.attribute("preserveAspectRatio").value());
    }
    top_ = Transform{mmPerPx, 0, 0, -mmPerPx, 0, tall * mmPerPx} * fit;
  }

  /// Ids and style sheets, without recursion.
  void collect(const pugi::xml_node& root) {
    pugi::xml_node node = root;
    while (!node.empty()) {
      const char* id = node.attribute("id").value();
      if (*id != '\0') ids_.emplace(id, node);
      if (localName(node.name()) == "style") {
        for (const pugi::xml_node& part : node.children()) sheet_.add(part.value());
      }
      if (!node.first_child().empty()) {
        node = node.first_child();
        continue;
      }
      while (node != root && node.next_sibling().empty()) node = node.parent();
      if (node == root) break;
      node = node.next_sibling();
    }
  }

  /// What is declared for an element by its style, a style sheet or an attribute.
  std::string declared(const pugi::xml_node& node, const char* name) const {
    const Declarations own = declarationsIn(node.attribute("style").value());
    if (const auto found = own.find(name); found != own.end()) return found->second;
    const Declarations all = sheet_.of(localName(node.name()), node.attribute("class").value(),
                                       node.attribute("id").value());
    if (const auto found = all.find(name); found != all.end()) return found->second;
    return node.attribute(name).value();
  }

  /// "url(#moon)" → the element of that id; nothing where there is none.
  pugi::xml_node referredTo(std::string_view written) const {
    const std::size_t from = written.find('#');
    const std::size_t to = written.find(')', from == std::string_view::npos ? 0 : from);
    if (from == std::string_view::npos || to == std::string_view::npos) return {};
    std::string id(written.substr(from + 1, to - from - 1));
    std::erase_if(id, [](char c) { return c == '"' || c == '\'' || c == ' '; });
    const auto found = ids_.find(id);
    return found == ids_.end() ? pugi::xml_node() : found->second;
  }

  /// A paint as one colour: of a gradient its first.
  std::string paintOf(std::string_view paint, const Ink& ink, const std::string& before) {
    if (paint == "currentColor" || paint == "currentcolor") return ink.own;
    if (paint.find("url(") == std::string_view::npos) {
      return colourIn(paint).value_or(before);
    }
    ++left_["gradients"];
    pugi::xml_node node = referredTo(paint);
    // A gradient may have its colours from another; from one that goes in a ring, never.
    for (int steps = 0; steps < 8 && !node.empty(); ++steps) {
      for (const pugi::xml_node& stop : node.children()) {
        if (localName(stop.name()) != "stop") continue;
        return colourIn(declared(stop, "stop-color")).value_or("#000000");
      }
      std::string_view next = node.attribute("href").value();
      if (next.empty()) next = node.attribute("xlink:href").value();
      if (next.empty() || next.front() != '#') break;
      const auto found = ids_.find(std::string(next.substr(1)));
      node = found == ids_.end() ? pugi::xml_node() : found->second;
    }
    return "#808080";
  }

  Ink inkOf(const pugi::xml_node& node, Ink ink, bool& shown) {
    Declarations all = sheet_.of(localName(node.name()), node.attribute("class").value(),
                                 node.attribute("id").value());
    const Declarations own = declarationsIn(node.attribute("style").value());
    const auto value = [&](const char* name) -> std::string_view {
      if (const auto found = own.find(name); found != own.end()) return found->second;
      if (const auto found = all.find(name); found != all.end()) return found->second;
      return node.attribute(name).value();
    };
    if (value("display") == "none") shown = false;
    if (const auto seen = value("visibility"); !seen.empty()) ink.visible = seen == "visible";
    const auto isInk = [](std::string_view paint) {
      return paint != "none" && paint != "transparent";
    };
    if (const auto tone = value("color"); !tone.empty()) {
      ink.own = colourIn(tone).value_or(ink.own);
    }
    if (const auto fill = value("fill"); !fill.empty() && fill != "inherit") {
      ink.filled = isInk(fill);
      if (ink.filled) ink.fill = paintOf(fill, ink, ink.fill);
    }
    if (const auto line = value("stroke"); !line.empty() && line != "inherit") {
      ink.stroked = isInk(line);
      if (ink.stroked) ink.line = paintOf(line, ink, ink.line);
    }
    if (const auto cap = value("stroke-linecap"); !cap.empty()) {
      ink.cap = cap == "round" ? LineCap::round : cap == "square" ? LineCap::square : LineCap::flat;
    }
    if (const auto join = value("stroke-linejoin"); !join.empty()) {
      ink.join = join == "round"   ? LineJoin::round
                 : join == "bevel" ? LineJoin::bevel
                                   : LineJoin::mitre;
    }
    if (const auto dashes = value("stroke-dasharray"); !dashes.empty() && dashes != "inherit") {
      ink.dashed = dashes != "none" && dashes.find_first_of("123456789") != std::string_view::npos;
    }
    if (std::string_view limit = value("stroke-miterlimit"); !limit.empty()) {
      ink.mitreLimit = std::clamp(takeNumber(limit).value_or(4), 1.0, 100.0);
    }
    if (const auto rule = value("clip-rule"); !rule.empty()) ink.clipEvenOdd = rule == "evenodd";
    if (value("opacity") == "0") shown = false;
    if (const auto rule = value("fill-rule"); !rule.empty()) ink.evenOdd = rule == "evenodd";
    if (const auto width = value("stroke-width"); !width.empty()) {
      if (const std::optional<double> px = lengthIn(width, viewDiagonal()))
        ink.width = std::max(0.0, *px);
    }
    if (const auto clear = value("fill-opacity"); clear == "0") ink.filled = false;
    if (const auto clear = value("stroke-opacity"); clear == "0") ink.stroked = false;
    return ink;
  }

  double viewDiagonal() const { return std::hypot(viewWide_, viewTall_) / std::sqrt(2.0); }

  void walk(const pugi::xml_node& node, const Transform& outer, const Ink& outerInk, int depth) {
    if (full_) return;
    if (depth > deepestGroup) {
      return fault(node, "Groups are nested more than %1 deep. Ungroup some.",
                   {long{deepestGroup}});
    }
    if (++visits_ > mostVisits || drawing_.shapes.size() >= mostShapes) {
      full_ = true;
      return fault(node,
                   "The drawing comes to more than %1 shapes. Draw fewer, or use fewer copies.",
                   {static_cast<long>(mostShapes)});
    }
    const std::string_view kind = localName(node.name());
    static const std::set<std::string_view> silent{
        "defs",  "symbol", "clipPath", "mask",           "marker",         "pattern", "style",
        "title", "desc",   "metadata", "linearGradient", "radialGradient", "filter",  "namedview"};
    if (node.type() != pugi::node_element || (silent.count(kind) != 0 && depth > 0 && !asked_))
      return;
    asked_ = false;
    if (kind != "svg" && kind != "symbol") asker_ = {};
    bool shown = true;
    const Ink ink = inkOf(node, outerInk, shown);
    if (!shown) return;
    Transform map = outer;
    if (const std::string_view written = node.attribute("transform").value(); !written.empty()) {
      const std::optional<Transform> own = transformIn(written);
      if (!own) {
        return fault(node, "Its transform \"%1\" cannot be read.",
                     {std::string(written.substr(0, 60))});
      }
      map = map * *own;
    }
    if (const std::string mask = declared(node, "mask"); !mask.empty() && mask != "none")
      ++left_["masks"];
    const std::shared_ptr<const Polygon> outerClip = clip_;
    if (const std::string clip = declared(node, "clip-path"); !clip.empty() && clip != "none") {
      const pugi::xml_node path = clipPath(clip);
      if (path.empty()) {
        ++left_["clip paths"];
      } else if (std::string_view(path.attribute("clipPathUnits").value()) == "objectBoundingBox") {
        return drawnInBox(path, node, kind, map, ink, depth);
      } else {
        clip_ = coveredBy(path, map, depth);
      }
    }
    drawn(node, kind, map, ink, depth);
    clip_ = outerClip;
  }

  /// The clip path that is meant; none where there is no such, or it is met within itself.
  pugi::xml_node clipPath(const std::string& written) const {
    const pugi::xml_node path = referredTo(written);
    const bool again = std::find(using_.begin(), using_.end(), path) != using_.end();
    return localName(path.name()) == "clipPath" && !again ? path : pugi::xml_node();
  }

  /// Draws what is clipped by a path whose unit is its own box: that is known once it is drawn.
  void drawnInBox(const pugi::xml_node& path, const pugi::xml_node& node, std::string_view kind,
                  const Transform& map, const Ink& ink, int depth) {
    std::vector<DrawnShape> before = std::exchange(drawing_.shapes, {});
    drawn(node, kind, map, ink, depth);
    std::vector<DrawnShape> shapes = std::exchange(drawing_.shapes, std::move(before));
    const double grows = map.determinant();
    Box box;
    for (const DrawnShape& shape : shapes) {
      for (const Polyline& line : shape.lines) {
        for (const Point& p : line.points) {
          const Point off = p - Point{map.e, map.f};
          if (grows != 0) {
            box.add(Point{(map.d * off.x - map.c * off.y) / grows,
                          (map.a * off.y - map.b * off.x) / grows});
          }
        }
      }
    }
    // Of no width or no height, it has no box that anything could be a share of; drawn nearly flat,
    // none that could be reckoned.
    constexpr double farthest = 1e7;
    const auto lawful = [](double from, double size) {
      return std::abs(from) < farthest && size > 0 && size < farthest;
    };
    if (box.empty() || !lawful(box.low.x, box.width()) || !lawful(box.low.y, box.height())) {
      if (!shapes.empty()) ++left_["clip paths"];
    } else {
      const Transform unit{box.width(), 0, 0, box.height(), box.low.x, box.low.y};
      const std::shared_ptr<const Polygon> clip = coveredBy(path, map * unit, depth);
      for (DrawnShape& shape : shapes) {
        shape.clip = shape.clip ? std::make_shared<const Polygon>(*shape.clip & *clip) : clip;
      }
    }
    std::move(shapes.begin(), shapes.end(), std::back_inserter(drawing_.shapes));
  }

  /// What a clip path covers, within what clips already.
  std::shared_ptr<const Polygon> coveredBy(const pugi::xml_node& path, const Transform& map,
                                           int depth) {
    Transform own = map;
    if (const std::string_view turned = path.attribute("transform").value(); !turned.empty()) {
      if (const std::optional<Transform> read = transformIn(turned)) own = map * *read;
    }
    using_.push_back(path);
    std::vector<DrawnShape> shapes = std::exchange(drawing_.shapes, {});
    // Within a clip path the insides count, whatever their paint.
    const std::shared_ptr<const Polygon> outer = std::exchange(clip_, nullptr);
    const bool clipping = std::exchange(clipping_, true);
    for (const pugi::xml_node& child : path.children()) walk(child, own, Ink(), depth + 1);
    clipping_ = clipping;
    std::vector<Polygon> parts;
    for (const DrawnShape& shape : std::exchange(drawing_.shapes, std::move(shapes))) {
      Polygon part = enclosedBy(shape.lines, shape.evenOdd);
      parts.push_back(shape.clip ? part & *shape.clip : std::move(part));
    }
    using_.pop_back();
    Polygon clip = unionOf(parts);
    if (outer) clip = clip & *outer;
    clip_ = outer;
    return std::make_shared<const Polygon>(std::move(clip));
  }

  void drawn(const pugi::xml_node& node, std::string_view kind, const Transform& map,
             const Ink& ink, int depth) {
    if ((kind == "svg" && depth > 0) || kind == "symbol") {
      viewport(node, kind == "svg", map, ink, depth);
    } else if (kind == "svg" || kind == "g" || kind == "a") {
      for (const pugi::xml_node& child : node.children()) walk(child, map, ink, depth + 1);
    } else if (kind == "switch") {
      for (const pugi::xml_node& child : node.children()) {
        if (child.type() != pugi::node_element || localName(child.name()) == "foreignObject")
          continue;
        walk(child, map, ink, depth + 1);
        break;
      }
    } else if (kind == "use") {
      use(node, map, ink, depth);
    } else if (kind == "text" || kind == "flowRoot") {
      ++left_["words"];
    } else if (kind == "image") {
      ++left_["pictures"];
    } else if (kind == "script") {
      ++left_["scripts"];
    } else if (kind == "foreignObject") {
      ++left_["foreign objects"];
    } else {
      shape(node, kind, map, ink);
    }
  }

  /// What is drawn in a view of its own, fitted into its width and height: those of the `use` that
  /// asks for it, or its own, or all of the view round it.
  void viewport(const pugi::xml_node& node, bool ownSize, Transform map, const Ink& ink,
                int depth) {
    const pugi::xml_node asker = std::exchange(asker_, {});
    const auto size = [&](const char* name, double whole) {
      std::string_view written = asker.attribute(name).value();
      if (written.empty() && ownSize) written = node.attribute(name).value();
      return written.empty() || written == "auto" ? whole
                                                  : lengthIn(written, whole).value_or(whole);
    };
    const double wide = size("width", viewWide_);
    const double tall = size("height", viewTall_);
    if (wide <= 0 || tall <= 0) return;  // SVG 1.1, 5.1.2: not drawn
    if (ownSize) {
      map = map * Transform{1, 0, 0, 1, number(node, "x", viewWide_), number(node, "y", viewTall_)};
    }
    // SVG 1.1, 14.3.3: what is drawn within another drawing ends at its edge.
    const std::shared_ptr<const Polygon> outerClip = clip_;
    const std::string overflow = declared(node, "overflow");
    if (overflow != "visible" && overflow != "auto") {
      const Polyline edge{{map({0, 0}), map({wide, 0}), map({wide, tall}), map({0, tall})}, true};
      Polygon room = enclosedBy({edge}, false);
      if (clip_) room = room & *clip_;
      clip_ = std::make_shared<const Polygon>(std::move(room));
    }
    const double outerWide = std::exchange(viewWide_, wide);
    const double outerTall = std::exchange(viewTall_, tall);
    const std::vector<double> view = viewBoxIn(node.attribute("viewBox").value());
    if (!view.empty()) {
      map = map * fitted(view, wide, tall, node.attribute("preserveAspectRatio").value());
      viewWide_ = view[2];
      viewTall_ = view[3];
    }
    for (const pugi::xml_node& child : node.children()) walk(child, map, ink, depth + 1);
    viewWide_ = outerWide;
    viewTall_ = outerTall;
    clip_ = outerClip;
  }

  void use(const pugi::xml_node& node, const Transform& map, const Ink& ink, int depth) {
    std::string_view target = node.attribute("href").value();
    if (target.empty()) target = node.attribute("xlink:href").value();
    if (target.empty() || target.front() != '#') {
      ++left_["references to other files"];
      return;
    }
    const auto found = ids_.find(std::string(target.substr(1)));
    if (found == ids_.end()) {
      return fault(node, "It uses \"%1\", which is not in the drawing.",
                   {std::string(target.substr(0, 60))});
    }
    const pugi::xml_node& used = found->second;
    if (std::find(using_.begin(), using_.end(), used) != using_.end()) {
      return fault(node, "It uses itself, by way of \"%1\".", {std::string(target.substr(0, 60))});
    }
    using_.push_back(used);
    const Transform placed =
        map * Transform{1, 0, 0, 1, number(node, "x", viewWide_), number(node, "y", viewTall_)};
    asked_ = true;
    asker_ = node;
    walk(used, placed, ink, depth + 1);
    asked_ = false;
    asker_ = {};
    using_.pop_back();
  }

  double number(const pugi::xml_node& node, const char* name, double whole) {
    const std::string_view written = node.attribute(name).value();
    if (written.empty()) return 0;
    if (const std::optional<double> read = lengthIn(written, whole)) return *read;
    fault(node, "Its %1 \"%2\" is no length.",
          {std::string(name), std::string(written.substr(0, 40))});
    return 0;
  }

  void shape(const pugi::xml_node& node, std::string_view kind, const Transform& map,
             const Ink& ink) {
    Pen pen(map, fine);
    const auto x = [&](const char* name) { return number(node, name, viewWide_); };
    const auto y = [&](const char* name) { return number(node, name, viewTall_); };
    if (kind == "path") {
      const std::string_view data = node.attribute("d").value();
      if (const Checked<bool> drawn = drawPath(data, pen); !drawn) {
        return fault(node, drawn.error().sentence.pattern, drawn.error().sentence.parts);
      }
    } else if (kind == "rect") {
      rectangle(pen, node, {x("x"), y("y")}, {x("width"), y("height")});
    } else if (kind == "circle") {
      const double r = number(node, "r", viewDiagonal());
      ellipse(pen, {x("cx"), y("cy")}, r, r);
    } else if (kind == "ellipse") {
      ellipse(pen, {x("cx"), y("cy")}, x("rx"), y("ry"));
    } else if (kind == "line") {
      pen.moveTo({x("x1"), y("y1")});
      pen.lineTo({x("x2"), y("y2")});
    } else if (kind == "polyline" || kind == "polygon") {
      std::string_view points = node.attribute("points").value();
      std::vector<double> numbers;
      for (skipBlanks(points); !points.empty(); skipBlanks(points)) {
        const std::optional<double> n = takeNumber(points);
        if (!n || std::abs(*n) > 1e6) return fault(node, "Its points cannot be read.", {});
        numbers.push_back(*n);
      }
      for (std::size_t i = 0; i + 1 < numbers.size(); i += 2) {
        const Point p{numbers[i], numbers[i + 1]};
        i == 0 ? pen.moveTo(p) : pen.lineTo(p);
      }
      if (kind == "polygon") pen.close();
    } else {
      return;  // of no matter to what is drawn
    }
    if (!ink.visible || (!ink.filled && !ink.stroked && !clipping_)) return;
    if (clip_ && clip_->empty()) return;
    DrawnShape drawn;
    drawn.lines = pen.take();
    if (drawn.lines.empty()) return;
    drawn.fillColour = ink.fill;
    drawn.lineColour = ink.line;
    drawn.cap = ink.cap;
    drawn.join = ink.join;
    drawn.mitreLimit = ink.mitreLimit;
    drawn.clip = clip_;
    points_ += pen.points();
    if (points_ > mostPoints) {
      full_ = true;
      return fault(node, "The drawing comes to more than %1 points. Simplify its paths.",
                   {static_cast<long>(mostPoints)});
    }
    drawn.filled = ink.filled && kind != "line";
    drawn.evenOdd = clipping_ ? ink.clipEvenOdd : ink.evenOdd;
    drawn.stroke = ink.stroked ? Length::mm(ink.width * map.scale()) : Length();
    if (drawn.stroke > Length() && !clipping_) {
      if (ink.dashed) ++left_["dashes"];
      if (ink.join == LineJoin::bevel) ++left_["bevels"];
      if (isUneven(map)) ++left_["uneven lines"];
    }
    drawn.name = nameOf(node);
    drawing_.shapes.push_back(std::move(drawn));
  }

  /// Whether lines would be wider one way than the other, which takes a shape of its own.
  static bool isUneven(const Transform& map) {
    constexpr double much = 0.02;
    const double along = std::hypot(map.a, map.b);
    const double across = std::hypot(map.c, map.d);
    const double leans = map.a * map.c + map.b * map.d;
    return std::abs(along - across) > much * std::max(along, across) ||
           std::abs(leans) > much * along * across;
  }

  void rectangle(Pen& pen, const pugi::xml_node& node, Point at, Point size) {
    if (size.x <= 0 || size.y <= 0) return;
    const bool roundX = !node.attribute("rx").empty();
    const bool roundY = !node.attribute("ry").empty();
    double rx = roundX ? number(node, "rx", viewWide_) : 0;
    double ry = roundY ? number(node, "ry", viewTall_) : rx;
    if (!roundX) rx = ry;
    rx = std::clamp(rx, 0.0, size.x / 2);
    ry = std::clamp(ry, 0.0, size.y / 2);
    const Point far = at + size;
    pen.moveTo({at.x + rx, at.y});
    pen.lineTo({far.x - rx, at.y});
    const auto corner = [&](Point p) {
      if (rx > 0 && ry > 0) pen.arcTo(rx, ry, Angle(), false, true, p);
    };
    corner({far.x, at.y + ry});
    pen.lineTo({far.x, far.y - ry});
    corner({far.x - rx, far.y});
    pen.lineTo({at.x + rx, far.y});
    corner({at.x, far.y - ry});
    pen.lineTo({at.x, at.y + ry});
    corner({at.x + rx, at.y});
    pen.close();
  }

  static void ellipse(Pen& pen, Point centre, double rx, double ry) {
    if (rx <= 0 || ry <= 0) return;
    pen.moveTo({centre.x + rx, centre.y});
    pen.arcTo(rx, ry, Angle(), false, true, {centre.x - rx, centre.y});
    pen.arcTo(rx, ry, Angle(), false, true, {centre.x + rx, centre.y});
    pen.close();
  }

  /// One note for each kind of thing that was left out.
  void leftOut() {
    static const std::map<std::string, const char*> words{
        {"words", "Words were left out (%1): turn them into paths first."},
        {"pictures", "Pictures were left out (%1): only lines and shapes can be cut."},
        {"scripts", "Scripts were left out (%1)."},
        {"foreign objects", "Foreign objects were left out (%1)."},
        {"dashes",
         "Dashes were left out (%1): these lines come in whole. Turn them into paths first."},
        {"uneven lines",
         "Lines that their drawing makes wider one way than the other are equally wide here (%1). "
         "Turn them into paths first."},
        {"bevels", "Bevelled corners of lines reach a little farther out here (%1)."},
        {"clip paths", "Clips were left out (%1): the shapes are taken whole."},
        {"masks", "Masks were left out (%1): the shapes are taken whole."},
        {"gradients", "Gradients and patterns are taken as one colour each (%1)."},
        {"references to other files", "References to other files were left out (%1)."}};
    if (sheet_.tooMany()) {
      drawing_.notes.push_back(
          {"Its style sheet has over 10000 selectors; those after were left out.", {}});
    }
    for (const auto& [kind, count] : left_) {
      drawing_.notes.push_back({words.at(kind), {static_cast<long>(count)}});
    }
  }

  std::string_view text_;
  pugi::xml_document document_;
  Drawing drawing_;
  ReadFaults faults_;
  std::set<std::ptrdiff_t> blamed_;
  std::map<std::string, pugi::xml_node> ids_;
  StyleSheet sheet_;
  Transform top_;
  double viewWide_ = 0;
  double viewTall_ = 0;
  std::vector<pugi::xml_node> using_;
  std::map<std::string, int> left_;
  std::size_t visits_ = 0;
  std::size_t points_ = 0;
  bool full_ = false;
  std::shared_ptr<const Polygon> clip_;  ///< of what is being drawn
  bool clipping_ = false;                ///< within a clip path
  bool asked_ = false;                   ///< a `use` asks for what is otherwise silent
  pugi::xml_node asker_;                 ///< and its size counts for a view
};

}  // namespace

tl::expected<Drawing, ReadFaults> readDrawing(std::string_view text, const std::string& name) {
  return Reader(text, name)();
}

}  // namespace avrelt

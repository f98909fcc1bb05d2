// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/document_json.h"

#include <cmath>
#include <initializer_list>

#include "files/json_reader.h"

namespace avrelt {
namespace {

/// Far above what any cup bears, and low enough to count with.
constexpr int mostCoats = 1000;

/// Reads the members of one object and remembers which were asked for; the others are kept.
class ObjectReader {
 public:
  ObjectReader(const Json& value, std::string path, const FieldLines& lines, ReadFaults& faults)
      : value_(value), path_(std::move(path)), lines_(lines), faults_(faults) {
    if (!value_.is_object()) fault(path_, {"Here an object in braces { } is wanted.", {}});
  }

  const Json* find(const char* name) {
    known_.emplace_back(name);
    if (!value_.is_object()) return nullptr;
    const auto found = value_.find(name);
    return found == value_.end() ? nullptr : &*found;
  }

  std::string pathOf(const std::string& member) const {
    return path_.empty() ? member : path_ + "." + member;
  }

  void fault(const std::string& field, Sentence sentence) {
    faults_.push_back({lines_.lineOf(field), {field, std::move(sentence)}});
  }

  void text(const char* name, std::string& target) {
    const Json* value = find(name);
    if (value == nullptr) return;
    if (value->is_string()) {
      target = value->get<std::string>();
    } else {
      fault(pathOf(name), {"Here a text in quotes is wanted.", {}});
    }
  }

  void length(const char* name, Unit unit, WrittenLength& target) {
    if (std::optional<WrittenLength> read = lengthIfGiven(name, unit)) target = std::move(*read);
  }

  std::optional<WrittenLength> lengthIfGiven(const char* name, Unit unit) {
    const Json* value = find(name);
    if (value == nullptr) return std::nullopt;
    if (value->is_string()) {
      std::string typed = value->get<std::string>();
      const Checked<Length> read = parseSize(typed, unit);
      if (read) return WrittenLength{*read, std::move(typed)};
      fault(pathOf(name), read.error().sentence);
      return std::nullopt;
    }
    if (value->is_number()) {
      const Length read = Length::mm(value->get<double>());
      if (read >= Length() && read <= longestLength) return WrittenLength{read, {}};
      fault(pathOf(name), {"A length in mm from 0 to 10000 is wanted.", {}});
      return std::nullopt;
    }
    fault(pathOf(name),
          {"A length is wanted: a number of mm, or a text such as \"9 3/8 in\".", {}});
    return std::nullopt;
  }

  void volume(const char* name, Volume& target) {
    const Json* value = find(name);
    if (value == nullptr) return;
    const std::string text = value->is_string()   ? value->get<std::string>()
                             : value->is_number() ? value->dump()
                                                  : std::string();
    const Checked<Volume> read = parseVolume(text);
    if (read) {
      target = *read;
    } else {
      fault(pathOf(name), read.error().sentence);
    }
  }

  void wholeNumber(const char* name, int most, int& target) {
    const Json* value = find(name);
    if (value == nullptr) return;
    if (value->is_number_integer() && value->get<double>() >= 0 && value->get<double>() <= most) {
      target = value->get<int>();
    } else {
      fault(pathOf(name), {"A whole number from 0 to %1 is wanted.", {static_cast<long>(most)}});
    }
  }

  template <typename Choice>
  void choice(const char* name, std::initializer_list<std::pair<const char*, Choice>> choices,
              Choice& target) {
    const Json* value = find(name);
    if (value == nullptr) return;
    std::string offered;
    for (const auto& [text, meaning] : choices) {
      if (value->is_string() && value->get<std::string>() == text) {
        target = meaning;
        return;
      }
      offered += (offered.empty() ? "\"" : " or \"") + std::string(text) + "\"";
    }
    fault(pathOf(name), {"Here %1 is wanted.", {offered}});
  }

  std::string kept() const {
    Json rest = Json::object();
    if (value_.is_object()) {
      for (const auto& [name, value] : value_.items()) {
        if (std::find(known_.begin(), known_.end(), name) == known_.end()) rest[name] = value;
      }
    }
    return rest.empty() ? std::string() : rest.dump();
  }

 private:
  const Json& value_;
  std::string path_;
  const FieldLines& lines_;
  ReadFaults& faults_;
  std::vector<std::string> known_;
};

class DocumentReader {
 public:
  explicit DocumentReader(const ReadJson& json) : json_(json) {}

  tl::expected<Document, ReadFaults> read() {
    ObjectReader object = on(json_.root, {});
    readVersion(object);
    // A file of another kind, or of a later version, has nothing to say about its members.
    if (!faults_.empty()) return tl::unexpected(std::move(faults_));

    object.choice("units", {{"in", Unit::inch}, {"mm", Unit::mm}}, document_.units);
    if (object.find("paper") != nullptr) {
      Paper paper = Paper::a4;
      object.choice("paper", {{"A4", Paper::a4}, {"Letter", Paper::letter}}, paper);
      document_.paper = paper;
    }
    if (const Json* cups = object.find("cups")) {
      if (cups->is_array()) {
        for (std::size_t i = 0; i < cups->size(); ++i) {
          readCup((*cups)[i], "cups[" + std::to_string(i) + "]");
        }
        checkNames(object);
      } else {
        object.fault("cups", {"Here a list of cups in brackets [ ] is wanted.", {}});
      }
    } else {
      object.fault("cups",
                   {"The list of cups is missing. An order has at least \"cups\": [ ].", {}});
    }
    document_.kept = object.kept();
    if (!faults_.empty()) return tl::unexpected(std::move(faults_));
    return std::move(document_);
  }

 private:
  ObjectReader on(const Json& value, std::string path) {
    return {value, std::move(path), json_.lines, faults_};
  }

  void readVersion(ObjectReader& object) {
    if (!faults_.empty()) return;
    const Json* version = object.find("avrelt");
    if (version == nullptr) {
      object.fault({}, {"This is no Avrelt order: it does not begin with \"avrelt\": 1.", {}});
    } else if (!version->is_number_integer() || version->get<double>() < 1) {
      object.fault("avrelt", {"The version has to be the whole number %1.",
                              {static_cast<long>(Document::currentVersion)}});
    } else if (version->get<double>() > Document::currentVersion) {
      object.fault("avrelt",
                   {"This order was written by a newer Avrelt (version %1 of the format; this one "
                    "reads up to %2). Update Avrelt to open it.",
                    {version->dump(), static_cast<long>(Document::currentVersion)}});
    }
  }

  void readCup(const Json& value, const std::string& path) {
    ObjectReader object = on(value, path);
    Cup cup;
    object.text("name", cup.name);
    if (const Json* blank = object.find("blank")) {
      readBlank(*blank, object.pathOf("blank"), cup.blank);
    } else if (value.is_object()) {
      object.fault(object.pathOf("blank"), {"The cup has no \"blank\": its measures.", {}});
    }
    if (const Json* buildUp = object.find("build_up")) {
      readBuildUp(*buildUp, object.pathOf("build_up"), cup.buildUp);
    }
    if (const Json* doubt = object.find("doubt")) {
      readDoubt(*doubt, object.pathOf("doubt"), cup.doubt);
    }
    if (const Json* wrap = object.find("wrap")) {
      readWrap(*wrap, object.pathOf("wrap"), cup.wrap);
    }
    if (const Json* strip = object.find("strip")) {
      ObjectReader members = on(*strip, object.pathOf("strip"));
      cup.strip.at = members.lengthIfGiven("at", document_.units);
      members.length("width", document_.units, cup.strip.width);
      cup.strip.kept = members.kept();
    }
    cup.kept = object.kept();
    document_.cups.push_back(std::move(cup));
  }

  void readBlank(const Json& value, const std::string& path, Blank& blank) {
    ObjectReader object = on(value, path);
    object.text("name", blank.name);
    object.choice("height_along", {{"wall", HeightAlong::wall}, {"plumb", HeightAlong::plumb}},
                  blank.heightAlong);
    const Json* stations = object.find("stations");
    if (stations != nullptr && stations->is_array()) {
      for (std::size_t i = 0; i < stations->size(); ++i) {
        blank.stations.push_back(
            readStation((*stations)[i], object.pathOf("stations") + "[" + std::to_string(i) + "]"));
      }
    } else if (value.is_object()) {
      object.fault(object.pathOf("stations"),
                   {"Here a list of stations in brackets [ ] is wanted, from the base up.", {}});
    }
    blank.kept = object.kept();
  }

  Station readStation(const Json& value, const std::string& path) {
    ObjectReader object = on(value, path);
    Station station = stationMembers(object, value, path);
    station.kept = object.kept();
    return station;
  }

  Station stationMembers(ObjectReader& object, const Json& value, const std::string& path) {
    Station station;
    if (value.is_object() && !value.contains("at")) {
      object.fault(path, {"The station has no \"at\": its height above the base edge.", {}});
    }
    object.length("at", document_.units, station.at);
    std::optional<WrittenLength> around = object.lengthIfGiven("around", document_.units);
    std::optional<WrittenLength> across = object.lengthIfGiven("across", document_.units);
    if (around && across) {
      object.fault(object.pathOf("across"),
                   {"The station has both \"around\" and \"across\". Keep the one measured.", {}});
    }
    if (across) station.girthIs = Girth::across;
    station.girth = across ? std::move(across) : std::move(around);
    return station;
  }

  /// The items of a list member, each read by `readItem(value, path)`.
  template <typename ReadItem>
  void readList(ObjectReader& object, const char* name, const ReadItem& readItem) {
    const Json* list = object.find(name);
    if (list == nullptr) return;
    const std::string path = object.pathOf(name);
    if (!list->is_array()) {
      object.fault(path, {"Here a list in brackets [ ] is wanted.", {}});
      return;
    }
    for (std::size_t i = 0; i < list->size(); ++i) {
      readItem((*list)[i], path + "[" + std::to_string(i) + "]");
    }
  }

  void readBuildUp(const Json& value, const std::string& path, BuildUp& buildUp) {
    ObjectReader object = on(value, path);
    readList(object, "coats", [&](const Json& item, const std::string& at) {
      ObjectReader members = on(item, at);
      Coat coat;
      members.choice(
          "kind",
          {{"paint", CoatKind::paint}, {"glitter", CoatKind::glitter}, {"resin", CoatKind::resin}},
          coat.kind);
      // What a coat of this kind does not have is kept like any member not known.
      if (coat.kind == CoatKind::glitter) {
        members.choice("cut",
                       {{"fine", GlitterCut::fine},
                        {"medium", GlitterCut::medium},
                        {"chunky", GlitterCut::chunky}},
                       coat.cut);
      }
      if (coat.kind == CoatKind::resin) members.volume("mixed", coat.mixed);
      coat.kept = members.kept();
      buildUp.coats.push_back(std::move(coat));
    });
    object.wholeNumber("laid_after", mostCoats, buildUp.laidAfter);
    object.choice("sized_for", {{"laid", SizedFor::laid}, {"bare", SizedFor::bare}},
                  buildUp.sizedFor);
    readList(object, "measured", [&](const Json& item, const std::string& at) {
      ObjectReader members = on(item, at);
      Remeasure measure;
      members.wholeNumber("after", mostCoats, measure.after);
      measure.station = stationMembers(members, item, at);
      measure.kept = members.kept();
      buildUp.measured.push_back(std::move(measure));
    });
    buildUp.kept = object.kept();
  }

  void readDoubt(const Json& value, const std::string& path, Doubt& doubt) {
    ObjectReader object = on(value, path);
    object.wholeNumber("tape_marks", 8, doubt.tapeMarks);
    object.length("out_of_round", document_.units, doubt.outOfRound);
    if (const Json* shrinks = object.find("film_shrinks_percent")) {
      const double percent = shrinks->is_number() ? shrinks->get<double>() : -1;
      if (percent >= 0 && percent <= 20) {
        doubt.filmShrinksPercent = percent;
      } else {
        object.fault(object.pathOf("film_shrinks_percent"),
                     {"A number of per cent from 0 to 20 is wanted.", {}});
      }
    }
    doubt.kept = object.kept();
  }

  void readWrap(const Json& value, const std::string& path, Wrap& wrap) {
    ObjectReader object = on(value, path);
    object.length("base_clearance", document_.units, wrap.baseClearance);
    object.length("rim_clearance", document_.units, wrap.rimClearance);
    object.length("overlap", document_.units, wrap.overlap);
    if (const Json* seam = object.find("seam_at")) {
      const double degrees = seam->is_number() ? seam->get<double>() : HUGE_VAL;
      if (std::abs(degrees) <= 360) {
        wrap.seamAt = Angle::degrees(degrees);
      } else {
        object.fault(
            object.pathOf("seam_at"),
            {"The seam's place is wanted in degrees, from -360 to 360; 180 is the back.", {}});
      }
    }
    wrap.kept = object.kept();
  }

  void checkNames(ObjectReader& object) {
    for (std::size_t i = 0; i < document_.cups.size(); ++i) {
      const std::string field = "cups[" + std::to_string(i) + "].name";
      // Looking back only, so that of two alike the second is named, once.
      Document before;
      before.cups.assign(document_.cups.begin(),
                         document_.cups.begin() + static_cast<std::ptrdiff_t>(i));
      if (std::optional<Sentence> fault = nameFault(before, i, document_.cups[i].name)) {
        object.fault(field, std::move(*fault));
      }
    }
  }

  const ReadJson& json_;
  Document document_;
  ReadFaults faults_;
};

Json number(double value) {
  if (value == std::round(value) && std::abs(value) < 1e15) return static_cast<long long>(value);
  return value;
}

/// The number of degrees that reads back as this very angle. Coming from radians it may have dust
/// on it, so the shortest of those near it is looked for first.
double degreesOf(Angle angle) {
  const double near = angle.degrees();
  const double clean = std::round(near * 1e9) / 1e9;
  if (Angle::degrees(clean) == angle) return clean;
  double low = near;
  double high = near;
  for (int i = 0; i < 8; ++i) {
    if (Angle::degrees(low) == angle) return low;
    if (Angle::degrees(high) == angle) return high;
    low = std::nextafter(low, -HUGE_VAL);
    high = std::nextafter(high, HUGE_VAL);
  }
  return near;
}

Json written(const WrittenLength& length) {
  if (!length.text.empty()) return length.text;
  return number(length.length.mm());
}

void addKept(Json& object, const std::string& kept) {
  if (kept.empty()) return;
  const Json members = Json::parse(kept);
  for (const auto& [name, value] : members.items()) object[name] = value;
}

Json written(const Station& station) {
  Json object = {{"at", written(station.at)}};
  if (station.girth) {
    object[station.girthIs == Girth::around ? "around" : "across"] = written(*station.girth);
  }
  addKept(object, station.kept);
  return object;
}

Json written(const Blank& blank) {
  Json object = Json::object();
  object["name"] = blank.name;
  object["height_along"] = blank.heightAlong == HeightAlong::wall ? "wall" : "plumb";
  object["stations"] = Json::array();
  for (const Station& station : blank.stations) object["stations"].push_back(written(station));
  addKept(object, blank.kept);
  return object;
}

Json written(const Coat& coat) {
  Json object = Json::object();
  switch (coat.kind) {
    case CoatKind::paint:
      object["kind"] = "paint";
      break;
    case CoatKind::glitter:
      object["kind"] = "glitter";
      object["cut"] = coat.cut == GlitterCut::fine     ? "fine"
                      : coat.cut == GlitterCut::medium ? "medium"
                                                       : "chunky";
      break;
    case CoatKind::resin:
      object["kind"] = "resin";
      object["mixed"] = number(coat.mixed.ml());
      break;
  }
  addKept(object, coat.kept);
  return object;
}

Json written(const BuildUp& buildUp) {
  Json object = Json::object();
  object["coats"] = Json::array();
  for (const Coat& coat : buildUp.coats) object["coats"].push_back(written(coat));
  object["laid_after"] = buildUp.laidAfter;
  object["sized_for"] = buildUp.sizedFor == SizedFor::laid ? "laid" : "bare";
  if (!buildUp.measured.empty()) {
    object["measured"] = Json::array();
    for (const Remeasure& measure : buildUp.measured) {
      Json item = {{"after", measure.after}};
      item.update(written(measure.station));
      addKept(item, measure.kept);
      object["measured"].push_back(std::move(item));
    }
  }
  addKept(object, buildUp.kept);
  return object;
}

Json written(const Doubt& doubt) {
  Json object = Json::object();
  object["tape_marks"] = doubt.tapeMarks;
  object["out_of_round"] = written(doubt.outOfRound);
  object["film_shrinks_percent"] = number(doubt.filmShrinksPercent);
  addKept(object, doubt.kept);
  return object;
}

Json written(const Wrap& wrap) {
  Json object = Json::object();
  object["base_clearance"] = written(wrap.baseClearance);
  object["rim_clearance"] = written(wrap.rimClearance);
  object["overlap"] = written(wrap.overlap);
  object["seam_at"] = number(degreesOf(wrap.seamAt));
  addKept(object, wrap.kept);
  return object;
}

Json written(const MarkingStrip& strip) {
  Json object = Json::object();
  if (strip.at) object["at"] = written(*strip.at);
  object["width"] = written(strip.width);
  addKept(object, strip.kept);
  return object;
}

Json written(const Cup& cup) {
  Json object = Json::object();
  object["name"] = cup.name;
  object["blank"] = written(cup.blank);
  if (!(cup.buildUp == BuildUp())) object["build_up"] = written(cup.buildUp);
  if (!(cup.doubt == Doubt())) object["doubt"] = written(cup.doubt);
  object["wrap"] = written(cup.wrap);
  object["strip"] = written(cup.strip);
  addKept(object, cup.kept);
  return object;
}

}  // namespace

tl::expected<ReadDocument, ReadFaults> readDocument(std::string_view text) {
  tl::expected<ReadJson, ReadFault> json = readJson(text);
  if (!json) return tl::unexpected(ReadFaults{json.error()});
  tl::expected<Document, ReadFaults> document = DocumentReader(*json).read();
  if (!document) return tl::unexpected(document.error());
  return ReadDocument{std::move(*document), std::move(json->lines)};
}

std::string writeDocument(const Document& document) {
  Json root = Json::object();
  root["avrelt"] = Document::currentVersion;
  root["units"] = document.units == Unit::inch ? "in" : "mm";
  if (document.paper) root["paper"] = paperName(*document.paper);
  root["cups"] = Json::array();
  for (const Cup& cup : document.cups) root["cups"].push_back(written(cup));
  addKept(root, document.kept);
  return root.dump(2) + "\n";
}

}  // namespace avrelt

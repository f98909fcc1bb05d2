// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/document_json.h"

#include <algorithm>
#include <map>

#include "files/base64.h"
#include "files/bench_json.h"
#include "files/blank_json.h"
#include "files/decal_json.h"
#include "files/divide_json.h"
#include "files/fill_json.h"
#include "files/hand_laid_json.h"
#include "files/json_writing.h"
#include "files/liquid_json.h"
#include "files/picture_file.h"
#include "files/where_text.h"
#include "job/ids.h"
#include "job/purpose.h"

namespace avrelt {
namespace {

/// Far above what any cup bears, and low enough to count with.
constexpr int mostCoats = 1000;
/// Before any coat.
constexpr char bareWord[] = "bare";
constexpr int mostIds = 1'000'000'000;
constexpr double mostPrice = 1e6;

class DocumentReader {
 public:
  explicit DocumentReader(const ReadJson& json) : json_(json) {}

  tl::expected<Document, ReadFaults> read() {
    ObjectReader object = on(json_.root, {});
    readVersion(object);
    // A file of another kind, or of a later version, has nothing to say about its members.
    if (!faults_.empty()) return tl::unexpected(std::move(faults_));

    object.id(document_.id);
    object.choice("units", {{"in", Unit::inch}, {"mm", Unit::mm}}, document_.units);
    if (object.find("paper") != nullptr) {
      Paper paper = Paper::a4;
      object.choice("paper", {{"A4", Paper::a4}, {"Letter", Paper::letter}}, paper);
      document_.paper = paper;
    }
    if (const Json* cups = object.find("cups")) {
      if (cups->is_array() && cups->size() > Document::mostCups) {
        object.fault("cups",
                     {"An order takes up to %2 cups, and this has %1. Make two orders of it.",
                      {static_cast<long>(cups->size()), static_cast<long>(Document::mostCups)}});
      } else if (cups->is_array()) {
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
    if (const Json* bench = object.find("bench")) {
      document_.bench = benchChoicesMembers(on(*bench, "bench"));
    }
    object.list("artworks", [&](const Json& item, const std::string& path) {
      if (document_.artworks.size() < Document::mostArtworks) {
        document_.artworks.emplace_back(artworkMembers(on(item, path), document_.units));
      } else {
        object.fault(path, {"An order takes up to %1 artworks.",
                            {static_cast<long>(Document::mostArtworks)}});
      }
    });
    object.list("pictures", [&](const Json& item, const std::string& path) {
      if (document_.pictures.size() < Document::mostPictures) {
        readPicture(item, path);
      } else {
        object.fault(path, {"An order takes up to %1 pictures.",
                            {static_cast<long>(Document::mostPictures)}});
      }
    });
    object.wholeNumber("ids", mostIds, document_.ids);
    nameArtworks(object);
    namePictures(object);
    referToAll(document_);
    document_.kept = object.kept();
    if (!faults_.empty()) return tl::unexpected(std::move(faults_));
    if (version_ == 1) {
      for (Cup& cup : document_.cups) followLetters(cup, document_.units);
    }
    return std::move(document_);
  }

 private:
  void readPicture(const Json& item, const std::string& path) {
    ObjectReader object = on(item, path);
    KeptPicture picture;
    object.id(picture.id);
    object.text("name", picture.name);
    const Json* data = object.find("data");
    std::optional<std::string> bytes;
    if (data != nullptr && data->is_string()) {
      bytes = fromBase64(data->get_ref<const std::string&>());
    }
    if (!bytes) {
      object.fault(object.pathOf("data"),
                   {"Here a picture file is wanted, PNG or JPEG, as base64 text.", {}});
      return;
    }
    const auto head = pictureHead(*bytes);
    if (!head) {
      object.fault(object.pathOf("data"), head.error());
      return;
    }
    if (bytes->size() > KeptPicture::mostBytes) {
      object.fault(object.pathOf("data"),
                   {"A picture in an order takes up to %1 MB. Make it smaller.",
                    {static_cast<long>(KeptPicture::mostBytes / 1'000'000)}});
      return;
    }
    picture.type = head->type;
    picture.wide = head->wide;
    picture.tall = head->tall;
    picture.bytes = std::move(*bytes);
    picture.kept = object.kept();
    document_.pictures.emplace_back(std::move(picture));
  }

  void namePictures(ObjectReader& object) {
    std::map<std::string, std::size_t> first;
    for (std::size_t i = 0; i < document_.pictures.size(); ++i) {
      const std::string& id = document_.pictures[i]->id;
      if (id.empty()) {
        KeptPicture named = *document_.pictures[i];
        named.id = newPictureId(document_);
        document_.pictures[i] = SharedPicture(std::move(named));
        continue;
      }
      const auto [at, isNew] = first.try_emplace(id, i);
      if (isNew) continue;
      object.fault("pictures[" + std::to_string(i) + "].id",
                   {"The id “%1” belongs to %2 already. Give this one its own.",
                    {id, "pictures[" + std::to_string(at->second) + "].id"}});
    }
  }

  /// Each has an id of its own.
  void nameArtworks(ObjectReader& object) {
    std::map<std::string, std::size_t> first;
    for (std::size_t i = 0; i < document_.artworks.size(); ++i) {
      const std::string& id = document_.artworks[i]->id;
      if (id.empty()) {
        Artwork named = *document_.artworks[i];
        named.id = newArtId(document_);
        document_.artworks[i] = SharedArt(std::move(named));
        continue;
      }
      const auto [at, isNew] = first.try_emplace(id, i);
      if (isNew) continue;
      object.fault("artworks[" + std::to_string(i) + "].id",
                   {"The id “%1” belongs to %2 already. Give this one its own.",
                    {id, "artworks[" + std::to_string(at->second) + "].id"}});
    }
  }

  ObjectReader on(const Json& value, std::string path) {
    return {value, std::move(path), json_.lines, faults_};
  }

  void readVersion(ObjectReader& object) {
    if (!faults_.empty()) return;
    const Json* version = object.find("avrelt");
    if (version == nullptr) {
      object.fault({}, {"This is no Avrelt order: it does not begin with \"avrelt\": 2.", {}});
    } else if (!version->is_number_integer() || version->get<double>() < 1) {
      object.fault("avrelt", {"The version has to be a whole number from 1 to %1.",
                              {static_cast<long>(Document::currentVersion)}});
    } else if (version->get<double>() > Document::currentVersion) {
      object.fault("avrelt",
                   {"This order was written by a newer Avrelt (version %1 of the format; this one "
                    "reads up to %2). Update Avrelt to open it.",
                    {version->dump(), static_cast<long>(Document::currentVersion)}});
    } else {
      version_ = version->get<int>();
    }
  }

  void readCup(const Json& value, const std::string& path) {
    ObjectReader object = on(value, path);
    Cup cup;
    object.id(cup.id);
    object.text("name", cup.name);
    if (const Json* blank = object.find("blank")) {
      cup.blank = blankMembers(on(*blank, object.pathOf("blank")), *blank, document_.units);
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
    if (const Json* film = object.find("film")) {
      readFilm(on(*film, object.pathOf("film")), cup.film);
    }
    if (const Json* base = object.find("base")) {
      ObjectReader members = on(*base, object.pathOf("base"));
      members.length("overhang", document_.units, cup.base.overhang);
      members.length("disc_clearance", document_.units, cup.base.discClearance);
      cup.base.kept = members.kept();
    }
    if (const Json* liquid = object.find("liquid")) {
      cup.liquid = liquidMembers(on(*liquid, object.pathOf("liquid")), document_.units);
    }
    object.list("fills", [&](const Json& item, const std::string& place) {
      cup.fills.push_back(fillMembers(on(item, place), document_.units));
    });
    if (const Json* division = object.find("divide")) {
      cup.division = divisionMembers(on(*division, object.pathOf("divide")), document_.units);
    }
    object.list("sets", [&](const Json& item, const std::string& place) {
      if (cup.sets.size() < Document::mostSets) {
        cup.sets.push_back(setMembers(on(item, place), document_.units));
      } else {
        object.fault(place,
                     {"A cup takes up to %1 sets.", {static_cast<long>(Document::mostSets)}});
      }
    });
    object.list("rows", [&](const Json& item, const std::string& place) {
      if (cup.rows.size() < Document::mostRows) {
        cup.rows.push_back(rowMembers(on(item, place), document_.units));
      } else {
        object.fault(place,
                     {"A cup takes up to %1 rows.", {static_cast<long>(Document::mostRows)}});
      }
    });
    object.list("scatters", [&](const Json& item, const std::string& place) {
      if (cup.scatters.size() < Document::mostScatters) {
        cup.scatters.push_back(scatterMembers(on(item, place), document_.units));
      } else {
        object.fault(
            place, {"A cup takes up to %1 scatters.", {static_cast<long>(Document::mostScatters)}});
      }
    });
    object.list("cuts", [&](const Json& item, const std::string& place) {
      cup.cuts.push_back(readCut(on(item, place), cup.buildUp.coats));
    });
    object.list("laid_by_hand", [&](const Json& item, const std::string& place) {
      if (cup.laidByHand.size() < Document::mostLaidByHand) {
        cup.laidByHand.push_back(handLaidMembers(on(item, place)));
      } else {
        object.fault(place, {"A cup takes up to %1 parts laid by hand.",
                             {static_cast<long>(Document::mostLaidByHand)}});
      }
    });
    // Until masks and stages of their own there was one note of the kind, on the wrap.
    if (const Json* cut = object.find("cut")) {
      CutRecord record = readCut(on(*cut, object.pathOf("cut")), cup.buildUp.coats);
      record.purpose = purpose::wrap;
      record.after = cup.buildUp.laidAfter;
      cup.cuts.push_back(std::move(record));
    }
    if (const Json* bench = object.find("bench")) {
      cup.bench = cupBenchMembers(on(*bench, object.pathOf("bench")));
    }
    if (object.find("price") != nullptr) {
      double price = 0;
      object.real("price", 0, mostPrice, price);
      cup.price = Money::of(price);
    }
    object.wholeNumber("ids", mostIds, cup.ids);
    cup.kept = object.kept();
    if (const std::optional<TwiceTold> twice = idTwice(cup)) {
      object.fault(object.pathOf(twice->path),
                   {"The id “%1” belongs to %2 already. Give this one its own.",
                    {twice->id, object.pathOf(twice->first)}});
    }
    giveIds(cup);
    followWays(cup);
    for (CutRecord& cut : cup.cuts) {
      if (cut.purpose == purpose::wrap && cut.of.empty()) cut.of = {cup.division.body.id};
    }
    document_.cups.push_back(std::move(cup));
  }

  /// So many coats: a number, the id of the last of them, or "bare".
  static void coatCount(ObjectReader& object, const char* name, const std::vector<Coat>& coats,
                        int& target) {
    const Json* value = object.find(name);
    if (value == nullptr || !value->is_string()) {
      object.wholeNumber(name, mostCoats, target);
      return;
    }
    const std::string& id = value->get_ref<const std::string&>();
    if (id == bareWord) {
      target = 0;
      return;
    }
    const auto coat = std::find_if(coats.begin(), coats.end(),
                                   [&](const Coat& candidate) { return candidate.id == id; });
    if (coat == coats.end()) {
      object.fault(
          object.pathOf(name),
          {"There is no coat “%1”. Give the id of a coat, a number of coats or \"bare\".", {id}});
      return;
    }
    target = static_cast<int>(coat - coats.begin()) + 1;
  }

  CutRecord readCut(ObjectReader object, const std::vector<Coat>& coats) const {
    CutRecord cut;
    object.text("purpose", cut.purpose);
    object.ids("for", cut.of);
    coatCount(object, "after", coats, cut.after);
    object.length("around_base", document_.units, cut.aroundBase);
    object.length("around_rim", document_.units, cut.aroundRim);
    cut.size = object.lengthIfGiven("size", document_.units);
    cut.kept = object.kept();
    return cut;
  }

  void readBuildUp(const Json& value, const std::string& path, BuildUp& buildUp) {
    ObjectReader object = on(value, path);
    object.list("coats", [&](const Json& item, const std::string& at) {
      ObjectReader members = on(item, at);
      Coat coat;
      members.id(coat.id);
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
      if (coat.kind == CoatKind::paint) members.truth("sprayed", coat.sprayed);
      coat.kept = members.kept();
      buildUp.coats.push_back(std::move(coat));
    });
    coatCount(object, "laid_after", buildUp.coats, buildUp.laidAfter);
    object.list("laid", [&](const Json& item, const std::string& at) {
      ObjectReader members = on(item, at);
      OwnStage own;
      members.text("of", own.of);
      coatCount(members, "after", buildUp.coats, own.after);
      own.kept = members.kept();
      buildUp.laid.push_back(std::move(own));
    });
    object.choice("sized_for", {{"laid", SizedFor::laid}, {"bare", SizedFor::bare}},
                  buildUp.sizedFor);
    object.list("measured", [&](const Json& item, const std::string& at) {
      ObjectReader members = on(item, at);
      Remeasure measure;
      coatCount(members, "after", buildUp.coats, measure.after);
      measure.station = stationMembers(members, item, at, document_.units);
      measure.kept = members.kept();
      buildUp.measured.push_back(std::move(measure));
    });
    buildUp.kept = object.kept();
  }

  void readDoubt(const Json& value, const std::string& path, Doubt& doubt) {
    ObjectReader object = on(value, path);
    object.wholeNumber("tape_marks", 8, doubt.tapeMarks);
    object.length("out_of_round", document_.units, doubt.outOfRound);
    object.percent("film_shrinks_percent", 20, doubt.filmShrinksPercent);
    doubt.kept = object.kept();
  }

  static void readFilm(ObjectReader object, Film& film) {
    object.choice("kind",
                  {{"paper", FilmKind::paper},
                   {"stiff", FilmKind::stiff},
                   {"thin_cast", FilmKind::thinCast},
                   {"stretchy", FilmKind::stretchy}},
                  film.kind);
    if (object.find("takes_percent") != nullptr) {
      double takes = usualPercent(film.kind);
      object.percent("takes_percent", 50, takes);
      film.takesPercent = takes;
    }
    film.kept = object.kept();
  }

  void readWrap(const Json& value, const std::string& path, Wrap& wrap) {
    ObjectReader object = on(value, path);
    object.length("base_clearance", document_.units, wrap.baseClearance);
    object.length("rim_clearance", document_.units, wrap.rimClearance);
    object.length("overlap", document_.units, wrap.overlap);
    object.degrees("seam_at", -360, 360, wrap.seamAt);
    if (object.find("laying") != nullptr) {
      LayingKind laying = LayingKind::sector;
      object.choice("laying",
                    {{"sheet", LayingKind::sheet},
                     {"sector", LayingKind::sector},
                     {"slits", LayingKind::slits},
                     {"bands", LayingKind::bands},
                     {"gores", LayingKind::gores}},
                    laying);
      wrap.laying = laying;
    }
    object.choice("over",
                  {{"none", WrapOver::none},
                   {"under", WrapOver::under},
                   {"clear", WrapOver::clear},
                   {"printed", WrapOver::printed}},
                  wrap.over);
    wrap.kept = object.kept();
  }

  void checkNames(ObjectReader& object) {
    for (std::size_t i = 0; i < document_.cups.size(); ++i) {
      // Looking back only, so that of two alike the second is named, once.
      if (std::optional<Sentence> fault = nameFault(document_, i, document_.cups[i].name, i)) {
        object.fault("cups[" + std::to_string(i) + "].name", std::move(*fault));
      }
    }
  }

  const ReadJson& json_;
  Document document_;
  int version_ = Document::currentVersion;
  ReadFaults faults_;
};

Json written(const Coat& coat) {
  Json object = Json::object();
  if (!coat.id.empty()) object["id"] = coat.id;
  switch (coat.kind) {
    case CoatKind::paint:
      object["kind"] = "paint";
      if (coat.sprayed) object["sprayed"] = true;
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

/// So many coats by the last of them, which it stays whatever is laid below; by their number where
/// that has no id.
Json coatsAs(int count, const std::vector<Coat>& coats) {
  if (count == 0) return bareWord;
  if (count < 0 || count > static_cast<int>(coats.size())) return count;
  const std::string& id = coats[static_cast<std::size_t>(count - 1)].id;
  return id.empty() || id == bareWord ? Json(count) : Json(id);
}

Json written(const BuildUp& buildUp) {
  Json object = Json::object();
  object["coats"] = Json::array();
  for (const Coat& coat : buildUp.coats) object["coats"].push_back(written(coat));
  object["laid_after"] = coatsAs(buildUp.laidAfter, buildUp.coats);
  if (!buildUp.laid.empty()) {
    object["laid"] = Json::array();
    for (const OwnStage& own : buildUp.laid) {
      Json item = {{"of", own.of}, {"after", coatsAs(own.after, buildUp.coats)}};
      addKept(item, own.kept);
      object["laid"].push_back(std::move(item));
    }
  }
  object["sized_for"] = buildUp.sizedFor == SizedFor::laid ? "laid" : "bare";
  if (!buildUp.measured.empty()) {
    object["measured"] = Json::array();
    for (const Remeasure& measure : buildUp.measured) {
      Json item = {{"after", coatsAs(measure.after, buildUp.coats)}};
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

const char* overName(WrapOver over) {
  switch (over) {
    case WrapOver::under:
      return "under";
    case WrapOver::clear:
      return "clear";
    case WrapOver::printed:
      return "printed";
    case WrapOver::unsaid:
    case WrapOver::none:
      break;
  }
  return "none";
}

Json written(const Wrap& wrap) {
  Json object = Json::object();
  object["base_clearance"] = written(wrap.baseClearance);
  object["rim_clearance"] = written(wrap.rimClearance);
  object["overlap"] = written(wrap.overlap);
  object["seam_at"] = number(degreesOf(wrap.seamAt));
  if (wrap.laying) object["laying"] = layingName(*wrap.laying);
  if (wrap.over != WrapOver::unsaid) object["over"] = overName(wrap.over);
  addKept(object, wrap.kept);
  return object;
}

Json written(const Film& film) {
  Json object = Json::object();
  switch (film.kind) {
    case FilmKind::paper:
      object["kind"] = "paper";
      break;
    case FilmKind::stiff:
      object["kind"] = "stiff";
      break;
    case FilmKind::thinCast:
      object["kind"] = "thin_cast";
      break;
    case FilmKind::stretchy:
      object["kind"] = "stretchy";
      break;
  }
  if (film.takesPercent) object["takes_percent"] = number(*film.takesPercent);
  addKept(object, film.kept);
  return object;
}

Json written(const Base& base) {
  Json object = Json::object();
  object["overhang"] = written(base.overhang);
  object["disc_clearance"] = written(base.discClearance);
  addKept(object, base.kept);
  return object;
}

Json written(const CutRecord& cut, const std::vector<Coat>& coats) {
  Json object = Json::object();
  object["purpose"] = cut.purpose;
  if (!cut.of.empty()) object["for"] = cut.of;
  object["after"] = coatsAs(cut.after, coats);
  object["around_base"] = written(cut.aroundBase);
  object["around_rim"] = written(cut.aroundRim);
  if (cut.size) object["size"] = written(*cut.size);
  addKept(object, cut.kept);
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
  if (!cup.id.empty()) object["id"] = cup.id;
  object["name"] = cup.name;
  object["blank"] = written(cup.blank);
  if (!(cup.buildUp == BuildUp())) object["build_up"] = written(cup.buildUp);
  if (!(cup.doubt == Doubt())) object["doubt"] = written(cup.doubt);
  object["wrap"] = written(cup.wrap);
  if (!(cup.film == Film())) object["film"] = written(cup.film);
  if (!(cup.base == Base())) object["base"] = written(cup.base);
  if (cup.liquid) object["liquid"] = written(*cup.liquid);
  object["strip"] = written(cup.strip);
  if (!(cup.division == Division())) object["divide"] = written(cup.division);
  if (!cup.fills.empty()) {
    object["fills"] = Json::array();
    for (const Fill& fill : cup.fills) object["fills"].push_back(written(fill));
  }
  if (!cup.sets.empty()) {
    object["sets"] = Json::array();
    for (const DecalSet& set : cup.sets) object["sets"].push_back(written(set));
  }
  if (!cup.rows.empty()) {
    object["rows"] = Json::array();
    for (const Row& row : cup.rows) object["rows"].push_back(written(row));
  }
  if (!cup.scatters.empty()) {
    object["scatters"] = Json::array();
    for (const Scatter& scatter : cup.scatters) object["scatters"].push_back(written(scatter));
  }
  if (!cup.laidByHand.empty()) {
    object["laid_by_hand"] = Json::array();
    for (const HandLaid& laid : cup.laidByHand) object["laid_by_hand"].push_back(written(laid));
  }
  if (!cup.cuts.empty()) {
    object["cuts"] = Json::array();
    for (const CutRecord& cut : cup.cuts) {
      object["cuts"].push_back(written(cut, cup.buildUp.coats));
    }
  }
  if (!(cup.bench == CupBench())) object["bench"] = written(cup.bench);
  if (cup.price) object["price"] = number(cup.price->value());
  if (cup.ids > 0) object["ids"] = cup.ids;
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
  if (!document.id.empty()) root["id"] = document.id;
  root["units"] = document.units == Unit::inch ? "in" : "mm";
  if (document.paper) root["paper"] = paperName(*document.paper);
  root["cups"] = Json::array();
  for (const Cup& cup : document.cups) root["cups"].push_back(written(cup));
  if (!document.artworks.empty()) {
    root["artworks"] = Json::array();
    for (const SharedArt& artwork : document.artworks) {
      root["artworks"].push_back(written(*artwork));
    }
  }
  for (const SharedPicture& picture : document.pictures) {
    Json item = {{"id", picture->id}, {"name", picture->name}, {"data", base64Of(picture->bytes)}};
    addKept(item, picture->kept);
    root["pictures"].push_back(std::move(item));
  }
  if (!(document.bench == BenchChoices())) root["bench"] = written(document.bench);
  if (document.ids > 0) root["ids"] = document.ids;
  addKept(root, document.kept);
  return root.dump(2) + "\n";
}

}  // namespace avrelt

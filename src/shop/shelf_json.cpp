// SPDX-License-Identifier: GPL-3.0-or-later
#include "shop/shelf_json.h"

#include "files/blank_json.h"
#include "files/json_writing.h"
#include "shop/shelf_csv.h"

namespace avrelt {
namespace {

constexpr int version = 1;

}  // namespace

tl::expected<std::vector<ShelfBlank>, ReadFaults> readShelfJson(std::string_view text) {
  tl::expected<ReadJson, ReadFault> json = readJson(text);
  if (!json) return tl::unexpected(ReadFaults{json.error()});
  ReadFaults faults;
  ObjectReader object(json->root, {}, json->lines, faults);
  const Json* stated = object.find("avrelt_shelf");
  if (faults.empty() && (stated == nullptr || !stated->is_number_integer())) {
    object.fault({}, {"This is no shelf: it does not begin with \"avrelt_shelf\": 1.", {}});
  } else if (faults.empty() && stated->get<double>() > version) {
    object.fault("avrelt_shelf",
                 {"These blanks were written by a newer Avrelt. Update Avrelt to read them.", {}});
  }
  if (!faults.empty()) return tl::unexpected(std::move(faults));
  std::vector<ShelfBlank> blanks;
  if (object.find("blanks") == nullptr) {
    object.fault("blanks", {"The list \"blanks\" is missing.", {}});
  }
  object.list("blanks", [&](const Json& item, const std::string& path) {
    ObjectReader members = object.on(item, path);
    ShelfBlank shelved;
    members.text("notes", shelved.notes);
    if (members.find("capacity") != nullptr) {
      shelved.capacity.emplace();
      members.volume("capacity", *shelved.capacity);
    }
    shelved.blank = blankMembers(members, item, Unit::mm);
    if (shelved.blank.name.empty()) {
      members.fault(members.pathOf("name"), {"The blank has no name. Give it one.", {}});
    }
    blanks.push_back(std::move(shelved));
  });
  if (!faults.empty()) return tl::unexpected(std::move(faults));
  return blanks;
}

std::string writeShelfJson(const std::vector<ShelfBlank>& blanks) {
  Json root = Json::object();
  root["avrelt_shelf"] = version;
  root["blanks"] = Json::array();
  for (const ShelfBlank& shelved : blanks) {
    Json item = written(shelved.blank);
    if (shelved.capacity) item["capacity"] = number(shelved.capacity->ml());
    if (!shelved.notes.empty()) item["notes"] = shelved.notes;
    root["blanks"].push_back(std::move(item));
  }
  return root.dump(2) + "\n";
}

tl::expected<std::vector<ShelfBlank>, ReadFaults> readShelf(std::string_view text) {
  const std::size_t begins = text.find_first_not_of(" \t\r\n\xEF\xBB\xBF");
  const bool json = begins != std::string_view::npos && text[begins] == '{';
  return json ? readShelfJson(text) : readShelfCsv(text);
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <cmath>
#include <initializer_list>
#include <optional>
#include <string>
#include <utility>
#include <vector>

#include "files/json_reader.h"
#include "measure/angle.h"
#include "measure/length_text.h"
#include "measure/volume.h"

namespace avrelt {

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
    faults_.push_back({lines_.lineOf(field), field, std::move(sentence)});
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

  /// An id of the object's own.
  void id(std::string& target) {
    constexpr std::size_t longest = 200;
    const Json* value = find("id");
    if (value == nullptr) return;
    if (value->is_string() && !value->get_ref<const std::string&>().empty() &&
        value->get_ref<const std::string&>().size() <= longest) {
      target = value->get<std::string>();
    } else {
      fault(pathOf("id"), {"An id is wanted: a text in quotes of 1 to %1 characters.",
                           {static_cast<long>(longest)}});
    }
  }

  /// Ids of other objects.
  void ids(const char* name, std::vector<std::string>& target) {
    list(name, [&](const Json& item, const std::string& path) {
      if (item.is_string()) {
        target.push_back(item.get<std::string>());
      } else {
        fault(path, {"An id is wanted, in quotes.", {}});
      }
    });
  }

  /// What another object is called; version 1 of the format gave a way through the parts, which
  /// comes as "@2.0".
  void reference(const char* name, std::string& target) {
    constexpr double mostParts = 500;
    const Json* value = find(name);
    if (value == nullptr) return;
    if (value->is_string()) {
      target = value->get<std::string>();
      return;
    }
    target = "@";
    if (!value->is_array())
      return fault(pathOf(name), {"The id of a zone or a cut is wanted.", {}});
    for (std::size_t i = 0; i < value->size(); ++i) {
      const Json& item = (*value)[i];
      if (item.is_number_integer() && item.get<double>() >= 0 && item.get<double>() < mostParts) {
        if (i > 0) target += '.';
        target += std::to_string(item.get<int>());
      } else {
        fault(pathOf(name) + "[" + std::to_string(i) + "]",
              {"The number of a part is wanted, from 0.", {}});
      }
    }
  }

  void length(const char* name, Unit unit, WrittenLength& target) {
    if (std::optional<WrittenLength> read = lengthIfGiven(name, unit)) target = std::move(*read);
  }

  std::optional<WrittenLength> lengthIfGiven(const char* name, Unit unit) {
    const Json* value = find(name);
    if (value == nullptr) return std::nullopt;
    return lengthFrom(*value, pathOf(name), unit);
  }
  /// One that may be below 0.
  void offset(const char* name, Unit unit, WrittenLength& target) {
    const Json* value = find(name);
    if (value == nullptr) return;
    if (std::optional<WrittenLength> read = lengthFrom(*value, pathOf(name), unit, true)) {
      target = std::move(*read);
    }
  }

  /// A length that stands by itself, in a list.
  std::optional<WrittenLength> lengthFrom(const Json& item, const std::string& path, Unit unit,
                                          bool belowNought = false) {
    const Json* value = &item;
    if (value->is_string()) {
      std::string typed = value->get<std::string>();
      const Checked<Length> read = belowNought ? parseLength(typed, unit) : parseSize(typed, unit);
      if (read) return WrittenLength{*read, std::move(typed)};
      fault(path, read.error().sentence);
      return std::nullopt;
    }
    if (value->is_number()) {
      const Length read = Length::mm(value->get<double>());
      if (abs(read) <= longestLength && (belowNought || read >= Length())) {
        return WrittenLength{read, {}};
      }
      fault(path, {belowNought ? "A length in mm from -10000 to 10000 is wanted."
                               : "A length in mm from 0 to 10000 is wanted.",
                   {}});
      return std::nullopt;
    }
    fault(path, {"A length is wanted: a number of mm, or a text such as \"9 3/8 in\".", {}});
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

  /// An angle, or a direction of the cup.
  template <typename AnyAngle>
  void degrees(const char* name, double least, double most, AnyAngle& target) {
    const Json* value = find(name);
    if (value == nullptr) return;
    const double read = value->is_number() ? value->get<double>() : HUGE_VAL;
    if (read >= least && read <= most) {
      target = AnyAngle::degrees(read);
    } else {
      fault(pathOf(name), {"An angle in degrees is wanted, from %1 to %2.",
                           {static_cast<long>(least), static_cast<long>(most)}});
    }
  }

  void real(const char* name, double least, double most, double& target) {
    const Json* value = find(name);
    if (value == nullptr) return;
    const double read = value->is_number() ? value->get<double>() : HUGE_VAL;
    if (read >= least && read <= most) {
      target = read;
    } else {
      fault(pathOf(name), {"A number from %1 to %2 is wanted.",
                           {static_cast<long>(least), static_cast<long>(most)}});
    }
  }

  void truth(const char* name, bool& target) {
    const Json* value = find(name);
    if (value == nullptr) return;
    if (value->is_boolean()) {
      target = value->get<bool>();
    } else {
      fault(pathOf(name), {"Here true or false is wanted.", {}});
    }
  }

  void percent(const char* name, long most, double& target) {
    const Json* value = find(name);
    if (value == nullptr) return;
    const double read = value->is_number() ? value->get<double>() : -1;
    if (read >= 0 && read <= static_cast<double>(most)) {
      target = read;
    } else {
      fault(pathOf(name), {"A number of per cent from 0 to %1 is wanted.", {most}});
    }
  }

  /// The items of a list member, each read by `readItem(value, path)`.
  template <typename ReadItem>
  void list(const char* name, const ReadItem& readItem) {
    const Json* value = find(name);
    if (value == nullptr) return;
    const std::string path = pathOf(name);
    if (!value->is_array()) {
      fault(path, {"Here a list in brackets [ ] is wanted.", {}});
      return;
    }
    for (std::size_t i = 0; i < value->size(); ++i) {
      readItem((*value)[i], path + "[" + std::to_string(i) + "]");
    }
  }

  /// A reader for a value inside this one.
  ObjectReader on(const Json& value, std::string path) const {
    return {value, std::move(path), lines_, faults_};
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

}  // namespace avrelt

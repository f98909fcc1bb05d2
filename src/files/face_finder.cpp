// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/face_finder.h"

#include <fontconfig/fontconfig.h>

#include <algorithm>
#include <map>
#include <memory>
#include <mutex>
#include <set>
#include <utility>

#include "files/disk.h"
#include "fonts/faces.h"

namespace avrelt {
namespace {

/// A face of the system: where its file is.
struct OnDisk {
  std::string path;
  int index = 0;
};
using Name = std::pair<std::string, std::string>;

template <typename T>
using HeldFaces = std::unique_ptr<T, void (*)(T*)>;

std::string text(const FcPattern* pattern, const char* object) {
  FcChar8* value = nullptr;
  if (FcPatternGetString(pattern, object, 0, &value) != FcResultMatch) return {};
  const void* bytes = value;
  return static_cast<const char*>(bytes);
}

/// Looked for once: the faces of a system seldom change while an order is worked on.
const std::map<Name, OnDisk>& ofSystem() {
  static const std::map<Name, OnDisk> faces = [] {
    std::map<Name, OnDisk> found;
    const HeldFaces<FcConfig> config(FcInitLoadConfigAndFonts(), FcConfigDestroy);
    if (!config) return found;
    const HeldFaces<FcPattern> wanted(FcPatternCreate(), FcPatternDestroy);
    FcPatternAddBool(wanted.get(), FC_OUTLINE, FcTrue);
    FcPatternAddBool(wanted.get(), FC_VARIABLE, FcFalse);
    const HeldFaces<FcObjectSet> members(FcObjectSetCreate(), FcObjectSetDestroy);
    for (const char* object : {FC_FAMILY, FC_STYLE, FC_FILE, FC_INDEX}) {
      FcObjectSetAdd(members.get(), object);
    }
    const HeldFaces<FcFontSet> list(FcFontList(config.get(), wanted.get(), members.get()),
                                    FcFontSetDestroy);
    if (!list) return found;
    for (int i = 0; i < list->nfont; ++i) {
      const FcPattern* pattern = list->fonts[i];
      OnDisk face{text(pattern, FC_FILE), 0};
      FcPatternGetInteger(pattern, FC_INDEX, 0, &face.index);
      const Name name{text(pattern, FC_FAMILY), text(pattern, FC_STYLE)};
      if (name.first.empty() || face.path.empty()) continue;
      // Of two files of one name always the same.
      const auto [at, isNew] = found.try_emplace(name, face);
      if (!isNew && face.path < at->second.path) at->second = face;
    }
    return found;
  }();
  return faces;
}

/// Files read are kept: every letter typed asks for one.
std::optional<FaceFile> readFace(const OnDisk& face) {
  static std::mutex guard;
  static std::map<std::string, std::shared_ptr<const std::string>> read;
  const std::lock_guard lock(guard);
  auto& bytes = read[face.path];
  if (!bytes) {
    auto file = readFile(face.path, 64U << 20U);
    if (!file) return std::nullopt;
    bytes = std::make_shared<const std::string>(std::move(*file));
  }
  return FaceFile{bytes, face.index};
}

FaceFile shipped(const ShippedFace& face) {
  static const std::map<const unsigned char*, FaceFile> all = [] {
    std::map<const unsigned char*, FaceFile> made;
    for (const ShippedFace& one : letteringFaces()) {
      const void* bytes = one.bytes.data();
      made[one.bytes.data()] = {
          std::make_shared<const std::string>(static_cast<const char*>(bytes), one.bytes.size()),
          0};
    }
    return made;
  }();
  return all.at(face.bytes.data());
}

}  // namespace

const std::vector<FaceChoice>& facesToChoose() {
  static const std::vector<FaceChoice> faces = [] {
    std::vector<FaceChoice> all;
    std::set<Name> told;
    for (const ShippedFace& face : letteringFaces()) {
      all.push_back({face.family, face.style, true});
      told.insert({face.family, face.style});
    }
    for (const auto& [name, face] : ofSystem()) {
      if (!told.contains(name)) all.push_back({name.first, name.second, false});
    }
    return all;
  }();
  return faces;
}

std::optional<FaceFile> faceCalled(const std::string& family, const std::string& style) {
  const ShippedFace* near = nullptr;
  for (const ShippedFace& face : letteringFaces()) {
    if (family != face.family) continue;
    if (near == nullptr || style == face.style) near = &face;
  }
  if (near != nullptr) {
    return shipped(*near);
  }
  const auto& faces = ofSystem();
  const auto exact = faces.find({family, style});
  if (exact != faces.end()) return readFace(exact->second);
  const auto other = faces.lower_bound({family, std::string()});
  if (other == faces.end() || other->first.first != family) return std::nullopt;
  return readFace(other->second);
}

Checked<Lettered> lettered(const Words& words) {
  const std::optional<FaceFile> face = faceCalled(words.family, words.style);
  if (!face) {
    return refuse(Member::wordsFace,
                  "The face “%1” is not on this machine. Take another, or install it; the outlines "
                  "stay as they were.",
                  {words.family});
  }
  Checked<TextOutline> outline = outlineOf(*face, settingOf(words));
  if (!outline) return tl::unexpected(outline.error());
  Checked<Artwork> artwork = artworkOf(words, *outline);
  if (!artwork) return tl::unexpected(artwork.error());
  return Lettered{std::move(*artwork), std::move(outline->missing)};
}

}  // namespace avrelt

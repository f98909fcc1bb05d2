// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <optional>
#include <string>
#include <string_view>
#include <tl/expected.hpp>
#include <utility>
#include <vector>

#include "measure/sentence.h"

namespace avrelt {

/// Reads a file whole. Refused in words: one that is not there, may not be read, is a folder, or
/// is larger than `most` bytes.
tl::expected<std::string, Sentence> readFile(const std::filesystem::path& path,
                                             std::size_t most = 32U << 20U);

/// Puts `bytes` where `path` says so that at every moment, power cut included, the file there is
/// whole: the old one or the new one. Written under a temporary name in the same folder, forced to
/// disk, renamed. A link is followed, permissions of a file already there are kept.
///
/// On failure the old file stands untouched, nothing is left behind, and the sentence says why and
/// what to do.
std::optional<Sentence> writeFile(const std::filesystem::path& path, std::string_view bytes);

/// The same for several, wherever they are: all of them are on the disk before the first takes its
/// name.
std::optional<Sentence> writeFiles(
    const std::vector<std::pair<std::filesystem::path, std::string>>& files);

/// Why what stands at a path cannot be replaced by a file: it is a pipe or a device.
std::optional<Sentence> notAFile(const std::filesystem::path& path);

/// A file to be written into a folder.
struct OutputFile {
  std::string name;
  std::string bytes;
};

}  // namespace avrelt

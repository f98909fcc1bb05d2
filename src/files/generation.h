// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <functional>
#include <optional>
#include <string>
#include <vector>

#include "files/disk.h"

namespace avrelt {

/// Reads from an index which files it belongs with; nothing from what is no index of ours.
using ListedIn = std::function<std::optional<std::vector<std::string>>(const std::string& index)>;

/// Puts files into a folder as one generation: at every moment, a kill and a power cut included,
/// the folder holds all of the old ones or all of the new ones. The last of `files` is their index:
/// `listedIn` reads from the one that is there which files it belongs with, nothing where it is
/// none of ours. Those of them that are not among the new, and were written with it, go; everything
/// else in the folder is left as it is, and a file that is to be written and is there without being
/// listed is somebody else's: then nothing is written. A link in the folder by the name of a file
/// is replaced, never followed. The folder is made where there is none.
///
/// The new generation is written into a folder beside this one, where what is to stay is linked
/// into, forced to disk, and the two trade names in one step. Where that cannot be (a folder in
/// this one, a program working in it, a folder above that may not be written, a disk that has no
/// such step), the files take their names one by one instead, the index at the very end; till then
/// there is none, and so nothing that says what belongs. What fails on the way is undone.
///
/// What a program killed on its way left over is swept by the next one.
///
/// On failure the folder is as it was, and the sentence says why and what to do.
std::optional<Sentence> writeGeneration(const std::filesystem::path& folder,
                                        const std::vector<OutputFile>& files,
                                        const ListedIn& listedIn = {});

}  // namespace avrelt

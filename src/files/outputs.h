// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <string>
#include <vector>

#include "files/disk.h"
#include "job/plan.h"

namespace avrelt {

enum class OutputKind { svg, pdf };

/// "svg", "pdf": the kind's name and the ending of its files.
const char* kindName(OutputKind kind);

/// One file of a plan.
struct Output {
  OutputKind kind = OutputKind::svg;
  std::string cup;
  std::string part;
  OutputFile file;
};

/// "tapered-350-wrap.svg".
std::string outputName(const CupPlan& cup, const PartSet& set, OutputKind kind);

/// The parts of one purpose as a file of a kind. Refused in words where it cannot be made.
tl::expected<Output, Sentence> outputOf(const CupPlan& cup, const PartSet& set, OutputKind kind,
                                        Paper paper, Unit unit);

/// Told how many files are made of how many; false stops.
using FilesGoing = std::function<bool(std::size_t done, std::size_t all)>;

/// The parts of every purpose of every cup, one material a file, as SVG and PDF, then `plan.json`,
/// which lists them.
tl::expected<std::vector<OutputFile>, Sentence> outputsOf(const Plan& plan,
                                                          const FilesGoing& going = {});

/// The files a plan lists, of those that `outputsOf` may have written; nothing where it is no plan.
std::optional<std::vector<std::string>> listedIn(const std::string& planJson);

/// Writes a plan's files into a folder as one generation; what the plan there before listed and is
/// no longer made goes (see `writeGeneration`).
std::optional<Sentence> exportInto(const std::filesystem::path& folder,
                                   const std::vector<OutputFile>& files);

/// The plan as JSON (`docs/format.md`).
std::string planJson(const Plan& plan, const std::vector<Output>& outputs);

}  // namespace avrelt

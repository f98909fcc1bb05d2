// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/outputs.h"

#include <set>

#include "files/generation.h"
#include "files/json_reader.h"
#include "files/pdf.h"
#include "files/svg.h"

namespace avrelt {

const char* kindName(OutputKind kind) {
  return kind == OutputKind::svg ? "svg" : "pdf";
}

std::string outputName(const CupPlan& cup, const PartSet& set, OutputKind kind) {
  return cup.slug + "-" + set.id + "." + kindName(kind);
}

tl::expected<Output, Sentence> outputOf(const CupPlan& cup, const PartSet& set, OutputKind kind,
                                        Paper paper, Unit unit) {
  const std::string title = cup.name + ": " + inWords(set.title, unit);
  Output output{kind, cup.name, set.id, {outputName(cup, set, kind), {}}};
  if (kind == OutputKind::svg) {
    output.file.bytes = svgOf(set, unit, title);
    return output;
  }
  tl::expected<std::string, Sentence> pdf = pdfOf(set, tileOver(set.bounds(), paper), unit, title);
  if (!pdf) return tl::unexpected(pdf.error());
  output.file.bytes = std::move(*pdf);
  return output;
}

tl::expected<std::vector<OutputFile>, Sentence> outputsOf(const Plan& plan,
                                                          const FilesGoing& going) {
  std::vector<Output> outputs;
  // A cup "Dome" with a page key and a cup "Dome page" with a key would meet in one name.
  std::set<std::string> taken;
  const auto freeName = [&taken](const std::string& wanted) {
    std::string name = wanted;
    const std::size_t ending = wanted.rfind('.');
    for (int number = 2; !taken.insert(name).second; ++number) {
      name = wanted.substr(0, ending) + "-" + std::to_string(number) + wanted.substr(ending);
    }
    return name;
  };
  std::size_t done = 0;
  const std::size_t all = plan.cups.size() * purposes().size();
  for (const CupPlan& cup : plan.cups) {
    for (const Purpose& purpose : purposes()) {
      if (going && !going(done++, all)) {
        return tl::unexpected(Sentence{"Stopped; nothing was written.", {}});
      }
      for (const PartSet& set : cup.partSets(purpose.id)) {
        for (const OutputKind kind : {OutputKind::svg, OutputKind::pdf}) {
          tl::expected<Output, Sentence> output = outputOf(cup, set, kind, plan.paper, plan.units);
          if (!output) return tl::unexpected(output.error());
          output->file.name = freeName(output->file.name);
          outputs.push_back(std::move(*output));
        }
      }
    }
  }
  std::vector<OutputFile> files;
  files.reserve(outputs.size() + 1);
  std::string json = planJson(plan, outputs);
  for (Output& output : outputs) files.push_back(std::move(output.file));
  files.push_back({"plan.json", std::move(json)});
  return files;
}

std::optional<std::vector<std::string>> listedIn(const std::string& planJson) {
  // Of a plan of many megabytes only its end is wanted.
  const auto wanted = [](int depth, Json::parse_event_t event, const Json& value) {
    return depth != 1 || event != Json::parse_event_t::key || value != "cups";
  };
  const Json plan = Json::parse(planJson, wanted, false);
  std::vector<std::string> names;
  if (!plan.is_object() || !plan.contains("avrelt_plan") || !plan.contains("files")) {
    return std::nullopt;
  }
  for (const Json& file : plan["files"]) {
    if (!file.is_object() || !file.contains("path") || !file["path"].is_string()) continue;
    const auto name = file["path"].get<std::string>();
    // Never another folder's, nor a file of a kind that is not made here.
    const std::string end = name.size() > 4 ? name.substr(name.size() - 4) : std::string();
    if (name.find('/') != std::string::npos || (end != ".svg" && end != ".pdf")) continue;
    names.push_back(name);
  }
  return names;
}

std::optional<Sentence> exportInto(const std::filesystem::path& folder,
                                   const std::vector<OutputFile>& files) {
  return writeGeneration(folder, files, listedIn);
}

}  // namespace avrelt

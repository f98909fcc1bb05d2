// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/outputs.h"

#include "files/pdf.h"
#include "files/svg.h"

namespace avrelt {

const char* kindName(OutputKind kind) {
  return kind == OutputKind::svg ? "svg" : "pdf";
}

std::string outputName(const CupPlan& cup, const Piece& piece, OutputKind kind) {
  return cup.slug + "-" + piece.id + "." + kindName(kind);
}

tl::expected<Output, Sentence> outputOf(const CupPlan& cup, const Piece& piece, OutputKind kind,
                                        Paper paper, Unit unit) {
  const std::string title = cup.name + ": " + inWords(roleTitle(piece.role), unit);
  Output output{kind, cup.name, piece.id, {outputName(cup, piece, kind), {}}};
  if (kind == OutputKind::svg) {
    output.file.bytes = svgOf(piece, unit, title);
    return output;
  }
  tl::expected<std::string, Sentence> pdf =
      pdfOf(piece, tileOver(piece.bounds(), paper), unit, title);
  if (!pdf) return tl::unexpected(pdf.error());
  output.file.bytes = std::move(*pdf);
  return output;
}

tl::expected<std::vector<OutputFile>, Sentence> outputsOf(const Plan& plan) {
  std::vector<Output> outputs;
  for (const CupPlan& cup : plan.cups) {
    for (const Piece& piece : cup.pieces) {
      for (const OutputKind kind : {OutputKind::svg, OutputKind::pdf}) {
        tl::expected<Output, Sentence> output = outputOf(cup, piece, kind, plan.paper, plan.units);
        if (!output) return tl::unexpected(output.error());
        outputs.push_back(std::move(*output));
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

}  // namespace avrelt

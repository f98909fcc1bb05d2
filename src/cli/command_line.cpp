// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/command_line.h"

#include <algorithm>
#include <chrono>
#include <CLI/CLI.hpp>
#include <filesystem>
#include <iostream>
#include <string>
#include <string_view>

#include "cli/bench_commands.h"
#include "cli/order_plan.h"
#include "cli/shop_commands.h"
#include "files/disk.h"
#include "files/document_json.h"
#include "files/outputs.h"
#include "files/sheet_files.h"
#include "files/svg_drawing.h"
#include "job/ids.h"
#include "job/sheet_notes.h"
#include "job/sheet_search.h"
#include "rules/catalogue.h"
#include "shop/shop.h"
#include "version/version.h"

namespace avrelt {
namespace {

/// Says on standard error how far something is that takes longer than anybody likes to wait for
/// nothing.
class HowFar {
 public:
  explicit HowFar(const char* what) : what_(what) {}

  bool operator()(std::size_t done, std::size_t all) {
    const auto now = std::chrono::steady_clock::now();
    if (now - said_ >= std::chrono::seconds(2)) {
      said_ = now;
      std::cerr << what_ << ": " << done << " of " << all << '\n';
    }
    return true;
  }

 private:
  const char* what_;
  std::chrono::steady_clock::time_point said_ = std::chrono::steady_clock::now();
};

int runPlan(const PlanOptions& options) {
  const std::optional<Plan> plan = planFrom(options);
  if (!plan) return refused;
  const Unit unit = plan->units;
  const auto files = outputsOf(*plan, HowFar("Parts made"));
  if (!files) return complain(inWords(files.error(), unit));
  if (const std::optional<Sentence> fault = exportInto(options.folder, *files)) {
    return complain(inWords(*fault, unit));
  }
  for (const OutputFile& file : *files) {
    std::cout << (std::filesystem::path(options.folder) / file.name).string() << '\n';
  }
  for (const CupPlan& cup : plan->cups) {
    for (const Watch& watch : cup.watches) {
      std::cout << cup.name << ", " << levelName(watch.level) << ": "
                << inWords(watch.sentence, unit) << '\n';
    }
  }
  return 0;
}

struct SheetOptions {
  PlanOptions plan;
  std::string size;
  std::string gap;
  std::string margin;
  std::string lap;
  bool weeding = false;
  bool stack = false;
  bool alike = false;
  std::string together;
  int tries = 0;
};

/// "12x24in", "300 mm x 600 mm".
bool readSize(const std::string& text, Unit unit, SheetSize& size) {
  const auto by = text.find('x');
  if (by == std::string::npos) return false;
  const Checked<Length> tall = parseSize(text.substr(by + 1), unit);
  if (!tall) return false;
  // Each with its own unit, or the second's for both.
  constexpr const char* figures = "0123456789./ ";
  std::string first = text.substr(0, by);
  const auto word = text.find_first_not_of(figures, by + 1);
  if (first.find_first_not_of(figures) == std::string::npos && word != std::string::npos) {
    first += text.substr(word);
  }
  const Checked<Length> wide = parseSize(first, unit);
  if (!wide) return false;
  size.wide = *wide;
  size.tall = *tall;
  return true;
}

/// What they are cut from, and what no cutter as this one takes.
void tellSheets(const SheetPlan& sheets, const Cutter& cutter, Unit unit) {
  bool plain = false;
  for (const FilmSheets& film : sheets.films) {
    for (std::size_t i = 0; i < film.arrangement.sheets.size(); ++i) {
      plain = plain || film.isPlain(i);
      const CutJob job = jobOf(film, i, sheetName(film, i, {}));
      if (const auto fault = cannotCut(job, cutterFor(cutter, film))) {
        std::cout << job.name << ": " << inWords(*fault, unit) << '\n';
      }
    }
  }
  if (!plain) return;
  const SheetSize& size = sheets.choices.size;
  std::cout << inWords({"Where the shelf has no film for them, plain sheets of %1 by %2 are taken.",
                        {size.wide, size.tall}},
                       unit)
            << '\n';
}

int runSheets(const SheetOptions& options) {
  std::optional<Plan> planned = planFrom(options.plan);
  if (!planned) return refused;
  const auto plan = std::make_shared<const Plan>(std::move(*planned));
  const Unit unit = plan->units;
  SheetChoices choices = usualSheets(unit);
  choices.printer = usualPrinter(plan->paper);
  if (!options.size.empty() && !readSize(options.size, unit, choices.size)) {
    return complain("“" + options.size +
                    "” is no size of a sheet. Write it as 12x24in or 300x600mm.");
  }
  const auto take = [&](const std::string& text, Length& length) -> std::optional<std::string> {
    if (text.empty()) return std::nullopt;
    const Checked<Length> read = parseSize(text, unit);
    if (!read) return inWords(read.error().sentence, unit);
    length = *read;
    return std::nullopt;
  };
  if (const auto fault = take(options.gap, choices.rules.gap)) return complain("--gap: " + *fault);
  if (const auto fault = take(options.margin, choices.size.margin)) {
    return complain("--margin: " + *fault);
  }
  if (const auto fault = take(options.lap, choices.lap)) return complain("--lap: " + *fault);
  choices.weeding = options.weeding;
  choices.stack = options.stack;
  choices.alike = options.alike;
  choices.together = togetherNamed(options.together);
  FilmShelf shelf;
  SheetOutput output{std::filesystem::path(options.plan.file).stem().string(), unit, plan->paper,
                     Cutter()};
  std::optional<std::optional<Shop>> shop = shopFrom(options.plan.shop, unit);
  if (!shop) return refused;
  if (*shop) {
    const auto films = (*shop)->films();
    if (!films) return complain(inWords(films.error(), unit));
    const auto cutter = (*shop)->cutter();
    if (!cutter) return complain(inWords(cutter.error(), unit));
    shelf = *films;
    output.cutter = *cutter;
    const auto printer = (*shop)->printer();
    if (!printer) return complain(inWords(printer.error(), unit));
    if (*printer) choices.printer = **printer;
  }
  CheckedAll<SheetPlan> sheets = sheetsOf(plan, shelf, choices, HowFar("Parts laid"));
  if (!sheets) {
    for (const Fault& fault : sheets.error()) complain(inWords(fault.sentence, unit));
    return refused;
  }
  HowFar tried("Tries made");
  const auto tries = static_cast<std::size_t>(std::max(options.tries, 0));
  SheetSearch search(*sheets);
  for (std::size_t i = 0; i < search.films(); ++i) {
    for (std::size_t n = 0; n < tries; ++n) {
      search(i);
      tried(i * tries + n + 1, search.films() * tries);
    }
  }
  *sheets = search.best();
  const auto saved = saveSheets(options.plan.folder, *sheets, output);
  if (!saved) return complain(inWords(saved.error(), unit));
  for (const std::string& name : *saved) {
    std::cout << (std::filesystem::path(options.plan.folder) / name).string() << '\n';
  }
  tellSheets(*sheets, output.cutter, unit);
  for (const Sentence& note : notesOn(*sheets)) std::cout << inWords(note, unit) << '\n';
  for (const FilmSheets& film : sheets->films) {
    for (const PartsNotLaid& one : notLaidOf(film)) {
      const SheetPart& part = *one.part;
      const Box box = part.part->bounds();
      std::cout << plan->cups[part.cup].name << ": "
                << inWords(one.why == NotLaid::Why::tooLarge
                               ? Sentence{"%1, %2 by %3, fits no sheet. Take larger ones.",
                                          {part.part->id, Length::mm(box.width()),
                                           Length::mm(box.height())}}
                               : Sentence{"%1 has no room on so many sheets.", {part.part->id}},
                           unit)
                << '\n';
    }
  }
  return 0;
}

struct ArtOptions {
  std::string drawing;
  std::string order;
};

/// Takes a drawing into an order that is there.
int runArt(const ArtOptions& options) {
  const tl::expected<std::string, Sentence> text = readFile(options.order);
  if (!text) return complain(inWords(text.error(), Unit::mm));
  tl::expected<ReadDocument, ReadFaults> read = readDocument(*text);
  if (!read) {
    for (const ReadFault& fault : read.error()) complain(inWords(fault, options.order, Unit::mm));
    return refused;
  }
  Document& order = read->document;
  const Unit unit = order.units;
  const tl::expected<std::string, Sentence> svg = readFile(options.drawing);
  if (!svg) return complain(inWords(svg.error(), unit));
  const std::string name = std::filesystem::path(options.drawing).stem().string();
  const tl::expected<Drawing, ReadFaults> drawing = readDrawing(*svg, name);
  if (!drawing) {
    for (const ReadFault& fault : drawing.error()) complain(inWords(fault, options.drawing, unit));
    return refused;
  }
  for (const Sentence& note : drawing->notes) std::cout << inWords(note, unit) << '\n';
  Checked<Artwork> artwork = artworkOf(*drawing);
  if (!artwork) return complain(options.drawing + ": " + inWords(artwork.error().sentence, unit));
  artwork->id = newArtId(order);
  order.artworks.emplace_back(*artwork);
  if (const std::optional<Sentence> fault = sizeFault(order))
    return complain(inWords(*fault, unit));
  if (const std::optional<Sentence> fault = writeFile(options.order, writeDocument(order))) {
    return complain(inWords(*fault, unit));
  }
  const Box box = artwork->bounds();
  std::cout << inWords({"%1 is artwork “%2” of the order now, %3 wide and %4 tall.",
                        {artwork->name, artwork->id, Length::mm(box.width()),
                         Length::mm(box.height())}},
                       unit)
            << '\n';
  return 0;
}

}  // namespace

Asked askedFor(int argc, const char* const* argv) {
  if (argc < 2) return Asked::window;
  const std::string_view word = argv[1];
  for (const std::string_view known : {"plan", "sheets", "steps", "schedule", "art", "log", "shop",
                                       "rules", "--help", "-h", "--version"}) {
    if (word == known) return Asked::commandLine;
  }
  return Asked::window;
}

namespace {

int runAsked(int argc, const char* const* argv) {
  CLI::App app{
      "Avrelt measures, lays out and plans decorated tumblers.\n\n"
      "avrelt [FILE.avrelt]    opens the window, with an order or an empty bench\n"
      "avrelt plan …           works out an order without a window\n"
      "avrelt sheets …         lays its parts on sheets\n"
      "avrelt steps …          what each cup takes at the bench\n"
      "avrelt schedule …       when to do what\n"
      "avrelt art …            takes a drawing into an order\n"
      "avrelt log …            what was made\n"
      "avrelt shop …           the whole shop out to an archive, and in again\n"
      "avrelt rules            every warning there is, and why"};
  app.name("avrelt");
  app.set_version_flag("--version", std::string("avrelt ") + version);
  app.require_subcommand(0, 1);

  PlanOptions options;
  CLI::App* plan = app.add_subcommand(
      "plan",
      "Works out an order: each cup's wall rolled out flat, the wrap that closes round it, a "
      "paper\n"
      "test piece and a marking strip. Writes them as SVG and PDF at true size, and plan.json "
      "with\n"
      "every figure in millimetres.\n\n"
      "Exit code 0 when all was written; 2 when the order or the folder was refused, with a\n"
      "sentence for each fault and nothing written.");
  plan->add_option("FILE", options.file, "The order, a *.avrelt file")->required();
  plan->add_option("--out", options.folder, "The folder to write to; made if it is not there")
      ->required();
  plan->add_option(
      "--shop", options.shop,
      "A shop.sqlite whose log predicts what coats add; without it the cautious guess");

  StepOptions stepOptions;
  CLI::App* steps = addSteps(app, stepOptions);
  ScheduleOptions scheduleOptions;
  CLI::App* schedule = addSchedule(app, scheduleOptions);
  SheetOptions sheetOptions;
  CLI::App* sheets = app.add_subcommand(
      "sheets",
      "Lays every part of an order that is cut on sheets, film by film, and writes each sheet as\n"
      "SVG, DXF and plotter file at true size and a map as PDF, a list of all parts, and\n"
      "sheets.json. What fits no sheet is said.\n\n"
      "Exit code 0 when all was written; 2 when the order, the sheet or the folder was refused,\n"
      "with a sentence for each fault and nothing written.");
  sheets->add_option("FILE", sheetOptions.plan.file, "The order, a *.avrelt file")->required();
  sheets
      ->add_option("--out", sheetOptions.plan.folder,
                   "The folder to write to; made if it is not there")
      ->required();
  sheets->add_option("--sheet", sheetOptions.size, "The sheets' size: 12x24in, 300x600mm");
  sheets->add_option("--gap", sheetOptions.gap, "The least from part to part");
  sheets->add_option("--margin", sheetOptions.margin, "What is left free all round");
  sheets->add_option("--lap", sheetOptions.lap,
                     "How far pieces of a part lap that is longer than any sheet");
  sheets->add_flag("--weeding", sheetOptions.weeding,
                   "A box round the parts of each sheet, cuts across its large waste");
  sheets->add_flag(
      "--stack", sheetOptions.stack,
      "Strips of one length edge to edge, sharing cuts, where that takes no more film");
  sheets->add_flag("--alike", sheetOptions.alike,
                   "Backings lie on their sheets as their prints do on theirs");
  sheets
      ->add_option("--together", sheetOptions.together,
                   "Whose parts lie on one sheet of their film, where one has room for them all:\n"
                   "sets or cups")
      ->check(CLI::IsMember({togetherName(Together::sets), togetherName(Together::cups)}));
  sheets
      ->add_option("--tries", sheetOptions.tries,
                   "How many more ways to lay each film's parts are tried")
      ->check(CLI::Range(0, 10000));
  sheets->add_option("--shop", sheetOptions.plan.shop,
                     "A shop.sqlite: its films and cutter, and a log that predicts what coats add");

  ArtOptions artOptions;
  CLI::App* art = app.add_subcommand(
      "art",
      "Takes the shapes of an SVG drawing into an order as an artwork, by their colours, clips\n"
      "applied. What is left out is said.\n\n"
      "Exit code 0 when it is in the order; 2 when the drawing or the order was refused, with a\n"
      "sentence for each fault and the order as it was.");
  art->add_option("FILE", artOptions.drawing, "The drawing, a *.svg file")->required();
  art->add_option("--into", artOptions.order, "The order, a *.avrelt file")->required();

  ShopOptions shopOptions;
  CLI::App* log = addLog(app, shopOptions);
  const ShopCommands shop = addShop(app, shopOptions);
  CLI::App* rules = app.add_subcommand(
      "rules",
      "Every warning there is, as a page in Markdown: what sets it off, what helps, and why it\n"
      "holds.");

  try {
    app.parse(argc, argv);
  } catch (const CLI::Success& asked) {
    return app.exit(asked);
  } catch (const CLI::ParseError& error) {
    app.exit(error, std::cout, std::cerr);
    return refused;
  }
  if (plan->parsed()) return runPlan(options);
  if (schedule->parsed()) return runSchedule(scheduleOptions);
  if (steps->parsed()) return runSteps(stepOptions);
  if (sheets->parsed()) return runSheets(sheetOptions);
  if (art->parsed()) return runArt(artOptions);
  if (log->parsed()) return runLog(shopOptions);
  if (shop.exporting->parsed()) return runExport(shopOptions);
  if (shop.importing->parsed()) return runImport(shopOptions);
  if (rules->parsed()) {
    std::cout << ruleCatalogueText();
    return 0;
  }
  std::cout << app.help();
  return 0;
}

}  // namespace

int runCommandLine(int argc, const char* const* argv) {
  const int code = runAsked(argc, argv);
  // What nobody could read was not said.
  if (!std::cout.flush()) {
    return complain(
        "What there is to say could not be written; the disk may be full. Write it "
        "elsewhere.");
  }
  return code;
}

}  // namespace avrelt

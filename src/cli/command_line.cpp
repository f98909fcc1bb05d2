// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/command_line.h"

#include <CLI/CLI.hpp>
#include <cmath>
#include <filesystem>
#include <iostream>
#include <sstream>
#include <string>
#include <string_view>

#include "bench/civil_time.h"
#include "files/disk.h"
#include "files/disk_calls.h"
#include "files/document_json.h"
#include "files/json_reader.h"
#include "files/outputs.h"
#include "files/sheet_files.h"
#include "files/svg_drawing.h"
#include "job/ids.h"
#include "job/steps.h"
#include "shop/shop.h"
#include "version/version.h"

namespace avrelt {
namespace {

constexpr int refused = 2;

struct PlanOptions {
  std::string file;
  std::string folder;
  std::string shop;
};

int complain(const std::string& sentence) {
  std::cerr << sentence << '\n';
  return refused;
}

std::nullopt_t none(const std::string& sentence) {
  complain(sentence);
  return std::nullopt;
}

/// The shop that is named, or none; nothing where it cannot be opened, which is complained of.
std::optional<std::optional<Shop>> shopFrom(const std::string& file, Unit unit) {
  if (file.empty()) return std::optional<Shop>();
  std::error_code error;
  const auto type = std::filesystem::status(file, error).type();
  if (type == std::filesystem::file_type::not_found) {
    return none("There is no shop at " + file + ". Leave --shop out to plan without.");
  }
  // What cannot even be looked for, in a folder that may not be read or by too long a name.
  if (error) return none(inWords(whyNot(error.value(), file), unit));
  tl::expected<Shop, Sentence> shop = Shop::open(file);
  if (!shop) return none(inWords(shop.error(), unit));
  return std::optional<Shop>(std::move(*shop));
}

/// An order's plan by what a shop knows; complained of where there is none.
std::optional<Plan> planFrom(const PlanOptions& options) {
  const tl::expected<std::string, Sentence> text = readFile(options.file);
  if (!text) return none(inWords(text.error(), Unit::mm));

  const tl::expected<ReadDocument, ReadFaults> read = readDocument(*text);
  if (!read) {
    for (const ReadFault& fault : read.error()) {
      complain(inWords(fault, options.file, Unit::mm));
    }
    return std::nullopt;
  }
  const Unit unit = read->document.units;
  Stock stock;
  std::optional<std::optional<Shop>> opened = shopFrom(options.shop, unit);
  if (!opened) return std::nullopt;
  if (std::optional<Shop>& shop = *opened) {
    const auto records = shop->growthRecords();
    if (!records) return none(inWords(records.error(), unit));
    stock.growth = habitsFrom(*records);
    const auto rates = shop->fillRates();
    if (!rates) return none(inWords(rates.error(), unit));
    stock.filling = *rates;
  }
  const CheckedAll<Plan> plan = planDocument(read->document, stock);
  if (!plan) {
    for (const Fault& fault : plan.error()) {
      complain(inWords(ReadFault{read->lines.lineOf(fault.field), fault}, options.file, unit));
    }
    return std::nullopt;
  }
  return *plan;
}

int runPlan(const PlanOptions& options) {
  const std::optional<Plan> plan = planFrom(options);
  if (!plan) return refused;
  const Unit unit = plan->units;
  const auto files = outputsOf(*plan);
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

/// "12 min", "5 h", "5 h 30 min".
std::string timeText(Duration duration) {
  const auto minutes = std::lround(duration.minutes());
  if (minutes < 60) return std::to_string(minutes) + " min";
  const std::string hours = std::to_string(minutes / 60) + " h";
  return minutes % 60 == 0 ? hours : hours + " " + std::to_string(minutes % 60) + " min";
}

/// "part A 11 ml, 12.2 g; part B 11 ml, 11.1 g".
std::string mixText(const Mix& mix) {
  std::string text;
  for (const MixPart& part : mix.parts) {
    text += text.empty() ? "" : "; ";
    text += part.name == "part_a" ? "part A" : part.name == "part_b" ? "part B" : part.name;
    if (!part.of.empty()) text += " “" + part.of + "”";
    std::ostringstream amounts;
    amounts.precision(3);
    if (part.volume) amounts << ", " << part.volume->ml() << " ml";
    if (part.mass) amounts << ", " << part.mass->grams() << " g";
    text += amounts.str();
  }
  return text;
}

int runSteps(const PlanOptions& options) {
  const std::optional<Plan> plan = planFrom(options);
  if (!plan) return refused;
  for (const CupPlan& cup : plan->cups) {
    const std::vector<Step> steps = stepsOf(cup);
    std::cout << cup.name << ": " << steps.size() << " steps, " << timeText(handsOn(steps))
              << " of work, " << timeText(atLeast(steps)) << " at the least.\n";
    int number = 0;
    for (const Step& step : steps) {
      std::cout << "  " << ++number << ". " << inWords(step.words, plan->units) << " ("
                << timeText(step.handsOn) << ")\n";
      for (const Caution caution : step.cautions) {
        std::cout << "     ! " << inWords(cautionWords(caution), plan->units) << '\n';
      }
      if (!step.mix.empty()) std::cout << "     takes: " << mixText(step.mix) << '\n';
      if (step.wait.least > Duration() || step.wait.most) {
        std::cout << "     then";
        if (step.wait.least > Duration()) {
          std::cout << " wait " << timeText(step.wait.least) << " at least";
        }
        if (step.wait.most) {
          std::cout << (step.wait.least > Duration() ? "," : " go on within")
                    << (step.wait.least > Duration() ? " at most " : " ")
                    << timeText(*step.wait.most);
        }
        std::cout << '\n';
      }
    }
  }
  std::cout << "Times and waits are guesses of common practice; what the makers’ data sheets say "
               "goes first.\n";
  return 0;
}

struct ScheduleOptions {
  PlanOptions plan;
  std::string from;
  std::string hours = "18:00-22:00";
  std::vector<std::string> away;
  int turners = 1;
  std::string out;
};

/// What a schedule is, as JSON: which step of which cup, from when to when, whose hands, on which
/// turner.
std::string scheduleJson(const Schedule& schedule, const ScheduleProblem& problem, CivilTime from) {
  const auto timeOf = [&](Duration at) {
    return civilText(from + std::chrono::minutes(std::lround(at.minutes())));
  };
  Json root = {{"avrelt_schedule", 1}, {"schedule", Json::array()}};
  for (const ScheduledTask& one : schedule.tasks) {
    const TaskChain& chain = problem.chains[one.chain];
    root["schedule"].push_back({{"cup", chain.name},
                                {"step", chain.tasks[one.task].id},
                                {"start", timeOf(one.start)},
                                {"end", timeOf(one.end)},
                                {"hand", 1},
                                {"turner", one.turner > 0 ? Json(one.turner) : Json()}});
  }
  return root.dump(1) + "\n";
}

int runSchedule(const ScheduleOptions& options) {
  const auto from = parseCivil(options.from);
  if (!from) {
    return complain("“" + options.from + "” is no time. Write it as 2026-12-01T18:00.");
  }
  auto hours = parseHours(options.hours);
  if (!hours) {
    return complain("“" + options.hours + "” are no hours. Write them as 18:00-22:00.");
  }
  for (const std::string& text : options.away) {
    const auto day = parseCivil(text);
    if (!day) return complain("“" + text + "” is no day. Write it as 2026-12-02.");
    hours->away.push_back(*day);
  }
  const std::optional<Plan> plan = planFrom(options.plan);
  if (!plan) return refused;
  constexpr int days = 120;
  ScheduleProblem problem;
  problem.hours = {spansOf(*hours, *from, days)};
  problem.turners = static_cast<std::size_t>(options.turners);
  std::vector<std::vector<Step>> steps;
  for (const CupPlan& cup : plan->cups) {
    steps.push_back(stepsOf(cup));
    problem.chains.push_back(chainOf(cup.name, steps.back()));
  }
  const auto schedule = quickSchedule(problem);
  if (!schedule) {
    const WaitMissed& missed = schedule.error();
    const std::vector<Step>& of = steps[missed.chain];
    const std::string step = inWords(of[missed.task].words, plan->units);
    if (missed.by == Duration()) {
      return complain(problem.chains[missed.chain].name + ": “" + step +
                      "” finds no time within 120 days. Work longer hours, or on more turners.");
    }
    const std::string before =
        missed.task > 0 ? inWords(of[missed.task - 1].words, plan->units) : std::string();
    return complain(problem.chains[missed.chain].name + ": “" + step +
                    "” has to follow soon after “" + before + "”, and your hours are " +
                    timeText(missed.by) + " too short for it. Work longer in one go.");
  }
  std::string day;
  for (const ScheduledTask& one : schedule->tasks) {
    const auto at = [&](Duration time) {
      return *from + std::chrono::minutes(std::lround(time.minutes()));
    };
    if (const std::string today = dayText(at(one.start)); today != day) {
      day = today;
      std::cout << day << '\n';
    }
    std::cout << "  " << civilText(at(one.start)).substr(11) << "–"
              << civilText(at(one.end)).substr(11) << "  " << problem.chains[one.chain].name;
    if (one.turner > 0) std::cout << ", turner " << one.turner;
    std::cout << ": " << inWords(steps[one.chain][one.task].words, plan->units) << '\n';
  }
  const auto ends = *from + std::chrono::minutes(std::lround(schedule->ends.minutes()));
  const auto least = *from + std::chrono::minutes(std::lround(endsAtLeast(problem).minutes()));
  std::cout << "Done " << dayText(ends) << ", " << civilText(ends).substr(11)
            << "; no order of work is done before " << dayText(least) << ", "
            << civilText(least).substr(11) << ".\n";
  if (options.out.empty()) return 0;
  if (const auto fault = writeFile(options.out, scheduleJson(*schedule, problem, *from))) {
    return complain(inWords(*fault, plan->units));
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
  CheckedAll<SheetPlan> sheets = sheetsOf(plan, shelf, choices);
  if (!sheets) {
    for (const Fault& fault : sheets.error()) complain(inWords(fault.sentence, unit));
    return refused;
  }
  for (FilmSheets& film : sheets->films) {
    for (int i = 0; i < options.tries; ++i) improve(film);
  }
  const auto saved = saveSheets(options.plan.folder, *sheets, output);
  if (!saved) return complain(inWords(saved.error(), unit));
  for (const std::string& name : *saved) {
    std::cout << (std::filesystem::path(options.plan.folder) / name).string() << '\n';
  }
  tellSheets(*sheets, output.cutter, unit);
  for (const FilmSheets& film : sheets->films) {
    for (const NotLaid& one : film.arrangement.notLaid) {
      const SheetPart& part = film.parts[one.piece];
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
  for (const std::string_view known :
       {"plan", "sheets", "steps", "schedule", "art", "--help", "-h", "--version"}) {
    if (word == known) return Asked::commandLine;
  }
  return Asked::window;
}

int runCommandLine(int argc, const char* const* argv) {
  CLI::App app{
      "Avrelt measures, lays out and plans decorated tumblers.\n\n"
      "avrelt [FILE.avrelt]    opens the window, with an order or an empty bench\n"
      "avrelt plan …           works out an order without a window\n"
      "avrelt sheets …         lays its parts on sheets\n"
      "avrelt art …            takes a drawing into an order"};
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

  PlanOptions stepOptions;
  CLI::App* steps = app.add_subcommand(
      "steps",
      "Prints what each cup of an order takes at the bench, step by step: what to do, how long, "
      "what\n"
      "to mix, how long to wait at least and at most, and what to take care of.\n\n"
      "Exit code 0; 2 when the order was refused.");
  steps->add_option("ORDER", stepOptions.file, "The order, *.avrelt")->required();
  steps->add_option("--shop", stepOptions.shop, "A shop.sqlite, whose log predicts what coats add");
  ScheduleOptions scheduleOptions;
  CLI::App* schedule = app.add_subcommand(
      "schedule",
      "Says when to do what over all cups of an order: one pair of hands, so many turners, within "
      "the\n"
      "hours there are; waits may cross the night.\n\n"
      "Exit code 0; 2 when the order, a time or the hours were refused.");
  schedule->add_option("ORDER", scheduleOptions.plan.file, "The order, *.avrelt")->required();
  schedule->add_option("--from", scheduleOptions.from, "When work begins: 2026-12-01T18:00")
      ->required();
  schedule->add_option("--hours", scheduleOptions.hours, "The hours of each day: 18:00-22:00");
  schedule->add_option("--away", scheduleOptions.away, "Days nobody works: 2026-12-02");
  schedule->add_option("--turners", scheduleOptions.turners, "How many cups can turn at once")
      ->check(CLI::Range(1, 100));
  schedule->add_option("--out", scheduleOptions.out, "Writes it as JSON as well");
  schedule->add_option("--shop", scheduleOptions.plan.shop,
                       "A shop.sqlite, whose log predicts what coats add");
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
  std::cout << app.help();
  return 0;
}

}  // namespace avrelt

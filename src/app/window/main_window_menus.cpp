// SPDX-License-Identifier: GPL-3.0-or-later
#include <QApplication>
#include <QMenuBar>

#include "app/look/theme.h"
#include "app/order/place_edits.h"
#include "app/order/scatter_edits.h"
#include "app/order/stack_edits.h"
#include "app/trace/check_dialog.h"
#include "app/window/main_window.h"

// The menus, their shortcuts, and what they do.

namespace avrelt {

QAction* MainWindow::add(QMenu* menu, const QString& text, const QKeySequence& key,
                         const std::function<void()>& run) {
  auto* action = new QAction(text, this);
  action->setShortcut(key);
  connect(action, &QAction::triggered, this, [run] { run(); });
  menu->addAction(action);
  return action;
}

void MainWindow::makeActions() {
  makeFileMenu();
  makeEditMenu();
  makeCupMenu();
  makeArtMenu();
  makeSheetsMenu();
  makeBenchMenu();
  makeLogMenu();
  makeViewMenu();
  QMenu* help = menuBar()->addMenu(tr("&Help"));
  add(help, tr("&Keys"), QKeySequence(tr("F1")), [this] { showKeys(); });
  add(help, tr("&About Avrelt"), {}, [this] { showAbout(); });
}

void MainWindow::makeFileMenu() {
  QMenu* file = menuBar()->addMenu(tr("&File"));
  add(file, tr("&New order"), QKeySequence::New, [this] {
    if (!file_->mayLeave()) return;
    file_->startOver();
    beginAtGauge();
  });
  add(file, tr("&Open…"), QKeySequence::Open, [this] { file_->askAndOpen(); });
  recent_ = file->addMenu(tr("Open &recent"));
  connect(recent_, &QMenu::aboutToShow, this, &MainWindow::fillRecent);
  fillRecent();
  file->addSeparator();
  add(file, tr("&Save"), QKeySequence::Save, [this] { file_->save(); });
  add(file, tr("Save &as…"), QKeySequence(tr("Ctrl+Shift+S")), [this] { file_->saveAs(); });
  file->addSeparator();
  saveSvg_ = add(file, tr("Save part for the cutter (SVG)…"), QKeySequence(tr("Ctrl+E")),
                 [this] { askAndSavePiece(OutputKind::svg); });
  savePdf_ = add(file, tr("Save part for the printer (PDF)…"), QKeySequence(tr("Ctrl+P")),
                 [this] { askAndSavePiece(OutputKind::pdf); });
  saveAll_ = add(file, tr("Save every part of the order…"), QKeySequence(tr("Ctrl+Shift+E")),
                 [this] { askAndSaveAll(); });
  file->addSeparator();
  add(file, tr("Save the order s&heet…"), QKeySequence(QStringLiteral("Alt+Shift+O")),
      [this] { log_->papers().saveOrderSheet(); });
  add(file, tr("Save the cut &list…"), QKeySequence(QStringLiteral("Alt+Shift+K")),
      [this] { log_->papers().saveCutList(); });
  add(file, tr("Make a quo&te…"), QKeySequence(QStringLiteral("Alt+Shift+B")),
      [this] { log_->papers().makeQuote(); });
  file->addSeparator();
  add(file, tr("&Quit"), QKeySequence(tr("Ctrl+Q")), [this] { close(); });
}

void MainWindow::makeEditMenu() {
  QMenu* edit = menuBar()->addMenu(tr("&Edit"));
  QAction* undo = order_.history()->createUndoAction(this, tr("Undo"));
  undo->setShortcut(QKeySequence::Undo);
  QAction* redo = order_.history()->createRedoAction(this, tr("Redo"));
  redo->setShortcuts({QKeySequence(tr("Ctrl+Shift+Z")), QKeySequence(tr("Ctrl+Y"))});
  edit->addAction(undo);
  edit->addAction(redo);
}

void MainWindow::makeCupMenu() {
  cupMenu_ = menuBar()->addMenu(tr("&Cup"));
  add(cupMenu_, tr("&Add a cup"), QKeySequence(tr("Ctrl+Shift+N")), [this] { addCup(); });
  const auto forCup = [&](QAction* action) { cupActions_.push_back(action); };
  forCup(add(cupMenu_, tr("&Copy"), QKeySequence(tr("Ctrl+D")), [this] { order_.copyCup(); }));
  forCup(add(cupMenu_, tr("&Rename"), QKeySequence(tr("F2")),
             [this] { cups_->rename(order_.currentIndex()); }));
  forCup(add(cupMenu_, tr("Re&move…"), QKeySequence(tr("Ctrl+Backspace")),
             [this] { askAndRemoveCup(); }));
  cupMenu_->addSeparator();
  forCup(
      add(cupMenu_, tr("Shelf of &blanks…"), QKeySequence(tr("Ctrl+B")), [this] { showShelf(); }));
  forCup(add(cupMenu_, tr("Put its blank on the &shelf"), QKeySequence(tr("Ctrl+Shift+B")),
             [this] { shelf_->saveFromBench(); }));
  forCup(add(cupMenu_, tr("&Trace a photo…"), QKeySequence(tr("Ctrl+T")), [this] {
    goToStation(gauge);
    gauge_->traceAPhoto();
  }));
  forCup(add(cupMenu_, tr("Chec&k by a photo…"), QKeySequence(tr("Ctrl+Shift+T")), [this] {
    if (const CupPlan* plan = order_.plan()) CheckDialog(*plan, this).exec();
  }));
  forCup(
      add(cupMenu_, tr("&Fill the zone with a drawing…"), QKeySequence(tr("Ctrl+Shift+A")), [this] {
        goToStation(filling);
        fill_->askForArtwork();
      }));
  forCup(add(cupMenu_, tr("Lo&g the girth measured"), QKeySequence(tr("Ctrl+L")),
             [this] { shelf_->logMeasurement(); }));
  forCup(add(cupMenu_, tr("Mark the part as &cut"), QKeySequence(tr("Ctrl+K")),
             [this] { cut_->toggleCut(); }));
  cupMenu_->addSeparator();
  forCup(add(cupMenu_, tr("Move &left"), QKeySequence(tr("Ctrl+Shift+PgUp")),
             [this] { order_.moveCup(order_.currentIndex(), order_.currentIndex() - 1); }));
  forCup(add(cupMenu_, tr("Move r&ight"), QKeySequence(tr("Ctrl+Shift+PgDown")),
             [this] { order_.moveCup(order_.currentIndex(), order_.currentIndex() + 1); }));
  forCup(add(cupMenu_, tr("&Previous cup"), QKeySequence(tr("Ctrl+PgUp")),
             [this] { order_.choose(order_.currentIndex() - 1); }));
  forCup(add(cupMenu_, tr("&Next cup"), QKeySequence(tr("Ctrl+PgDown")),
             [this] { order_.choose(order_.currentIndex() + 1); }));
}

void MainWindow::makeSheetsMenu() {
  QMenu* menu = menuBar()->addMenu(tr("&Sheets"));
  const auto sheets = [&](const QString& text, const char* key, const auto& act) {
    cupActions_.push_back(add(menu, text, QKeySequence(QString::fromLatin1(key)), [this, act] {
      goToStation(cut);
      cut_->showSheets(true);
      act(cut_->bench());
    }));
  };
  sheets(tr("&Lay the parts on sheets"), "Ctrl+Shift+L", [](SheetsBench&) {});
  sheets(tr("Search for denser, or &keep it"), "Ctrl+Shift+H",
         [](SheetsBench& s) { s.searchOrKeep(); });
  menu->addSeparator();
  sheets(tr("&Cut this sheet"), "Ctrl+Shift+X", [](SheetsBench& s) { s.cutNow(); });
  sheets(tr("&Save sheets…"), "Ctrl+Shift+P", [](SheetsBench& s) { s.askAndSave(); });
  sheets(tr("&Take this sheet off the shelf"), "Ctrl+Shift+O",
         [](SheetsBench& s) { s.bookSheet(); });
  sheets(tr("T&ick its parts as cut"), "Alt+Shift+J", [](SheetsBench& s) { s.tickSheet(); });
  menu->addSeparator();
  sheets(tr("&Print this sheet…"), "Ctrl+Shift+I", [](SheetsBench& s) { s.printNow(); });
  sheets(tr("How the print came o&ut…"), "Ctrl+Shift+M", [](SheetsBench& s) { s.showFound(); });
  menu->addSeparator();
  add(menu, tr("&Films on the shelf…"), QKeySequence(tr("Ctrl+Shift+F")),
      [this] { cut_->bench().showFilms(); });
  add(menu, tr("The cutte&r…"), QKeySequence(tr("Ctrl+Shift+K")),
      [this] { cut_->bench().showCutter(); });
  add(menu, tr("Th&e printer…"), QKeySequence(tr("Ctrl+Shift+J")),
      [this] { cut_->bench().showPrinter(); });
}

void MainWindow::makeBenchMenu() {
  QMenu* menu = menuBar()->addMenu(tr("&Bench"));
  const auto at = [&](const QString& text, const char* key, const auto& act) {
    add(menu, text, QKeySequence(QString::fromLatin1(key)), [this, act] {
      goToStation(bench);
      act(*bench_);
    });
  };
  at(tr("&Done: tick the step off"), "Ctrl+Return", [](BenchStation& s) { s.donePicked(); });
  at(tr("Beg&in it, or leave it"), "Alt+Shift+N", [](BenchStation& s) { s.beginNow(); });
  at(tr("The ne&xt pair of hands"), "Alt+Shift+H", [](BenchStation& s) { s.nextPair(); });
  at(tr("Take the last tick &back"), "Ctrl+Shift+Return", [](BenchStation& s) { s.undoLast(); });
  at(tr("&Not right…"), "Ctrl+Shift+G", [](BenchStation& s) { s.lookNow(); });
  at(tr("From t&wo metres"), "F11", [](BenchStation& s) { s.showFromAfar(); });
  menu->addSeparator();
  at(tr("&Open the step…"), "Ctrl+Shift+Y", [](BenchStation& s) { s.askAboutStep(); });
  at(tr("&Add a step behind it…"), "Ctrl+Ins", [](BenchStation& s) { s.addStepBehind(); });
  at(tr("Do it soone&r"), "Ctrl+Shift+Up", [](BenchStation& s) { s.moveStepBy(-1); });
  at(tr("Do it &later"), "Ctrl+Shift+Down", [](BenchStation& s) { s.moveStepBy(1); });
  at(tr("Drop the step, or p&ut it back"), "Ctrl+Shift+Backspace",
     [](BenchStation& s) { s.dropStep(); });
  menu->addSeparator();
  at(tr("&Times, hands and places…"), "Ctrl+Shift+W", [](BenchStation& s) { s.showTimes(); });
  at(tr("Resins, &glues, paints…"), "Ctrl+Shift+R", [](BenchStation& s) { s.showMethods(); });
  at(tr("&Shopping list…"), "Ctrl+Shift+Q", [](BenchStation& s) { s.showShopping(); });
  at(tr("Save the &plan or calendar…"), "Ctrl+Shift+C", [](BenchStation& s) { s.askAndSave(); });
  at(tr("Plan &from now"), "Ctrl+Shift+V", [](BenchStation& s) { s.planAnew(); });
  at(tr("Dr&y run, or its end"), "Ctrl+Alt+T", [](BenchStation& s) { s.dryRun(); });
  at(tr("Read the roo&m’s thermometer, or leave it"), "Ctrl+Shift+F9",
     [](BenchStation& s) { s.readRoom(); });
  at(tr("Go by t&he clock"), "Ctrl+Shift+F11", [](BenchStation& s) { s.goByTheWall(); });
  QAction* heard =
      add(menu, tr("Timers ar&e heard"), QKeySequence(QStringLiteral("Alt+Shift+W")), [] {});
  heard->setCheckable(true);
  heard->setChecked(BenchBell::isHeard());
  connect(heard, &QAction::triggered, this, [](bool on) { BenchBell::setHeard(on); });
}

void MainWindow::makeLogMenu() {
  QMenu* menu = menuBar()->addMenu(tr("&Log"));
  const auto at = [&](const QString& text, const char* key, LogArea::Page page, const auto& act) {
    add(menu, text, QKeySequence(QString::fromLatin1(key)), [this, page, act] {
      goToStation(log);
      log_->area().showPage(page);
      act(*log_);
    });
  };
  at(tr("&Search what was made"), "Ctrl+F", LogArea::cups,
     [](LogStation& s) { s.area().goToSearch(); });
  at(tr("Make it &again…"), "Ctrl+Alt+Return", LogArea::cups,
     [](LogStation& s) { s.cups().makeAgain(); });
  at(tr("&Open it as it was"), "Ctrl+Alt+Ins", LogArea::cups,
     [](LogStation& s) { s.cups().openAsItWas(); });
  at(tr("Compare it &with another…"), "Alt+Shift+V", LogArea::cups,
     [](LogStation& s) { s.cups().compare(); });
  at(tr("Save a &cut drawing to cut it again…"), "Alt+Shift+U", LogArea::cups,
     [](LogStation& s) { s.cups().cutAgain(); });
  at(tr("Add a p&hoto…"), "Alt+Shift+P", LogArea::cups, [](LogStation& s) { s.cups().addPhoto(); });
  at(tr("Save the &record card…"), "Alt+Shift+R", LogArea::cups,
     [](LogStation& s) { s.cups().saveCard(); });
  at(tr("Save the price &tag…"), "Alt+Shift+T", LogArea::cups,
     [](LogStation& s) { s.cups().saveTag(); });
  at(tr("Remo&ve the cup from the log…"), "Alt+Shift+X", LogArea::cups,
     [](LogStation& s) { s.cups().removeEntry(); });
  menu->addSeparator();
  at(tr("Add a suppl&y"), "Alt+Shift+A", LogArea::stock,
     [](LogStation& s) { s.supplies().askAndAdd(); });
  at(tr("S&upplies"), "Alt+Shift+S", LogArea::stock,
     [](LogStation& s) { s.area().supplyTable().setFocus(); });
  at(tr("&Figures your shop has found out"), "Alt+Shift+F", LogArea::figures,
     [](LogStation& s) { s.area().figureList().setFocus(); });
  at(tr("&Months and prices"), "Alt+Shift+M", LogArea::months, [](LogStation&) {});
  menu->addSeparator();
  at(tr("Save &labels…"), "Alt+Shift+L", LogArea::stock, [](LogStation& s) { s.saveLabels(); });
  at(tr("Fin&d by a label’s code…"), "Alt+Shift+D", LogArea::stock,
     [](LogStation& s) { s.findByCode(); });
  at(tr("Find by a picture of a la&bel…"), "Alt+Shift+G", LogArea::stock,
     [](LogStation& s) { s.findByPicture(); });
  menu->addSeparator();
  add(menu, tr("&Export the shop…"), QKeySequence(QStringLiteral("Alt+Shift+E")),
      [this] { log_->askAndExport(); });
  add(menu, tr("&Import a shop…"), QKeySequence(QStringLiteral("Alt+Shift+I")),
      [this] { log_->askAndImport(); });
  add(menu, tr("Co&pies of the shop…"), QKeySequence(QStringLiteral("Alt+Shift+C")),
      [this] { log_->showBackups(); });
}

void MainWindow::makeArtMenu() {
  QMenu* menu = menuBar()->addMenu(tr("&Art"));
  const auto dress = [&](const QString& text, const char* key, const auto& act) {
    add(menu, text, QKeySequence(QString::fromLatin1(key)), [this, act] {
      goToStation(dressing);
      act(*dress_);
    });
  };
  dress(tr("Take a &drawing…"), "Ctrl+Alt+G", [](DressStation& s) { s.askForDrawing(); });
  dress(tr("Trace a &picture…"), "Ctrl+Alt+P", [](DressStation& s) { s.askForPicture(); });
  add(menu, tr("Print a zone’s &film…"), QKeySequence(QStringLiteral("Ctrl+Alt+V")), [this] {
    goToStation(dividing);
    divide_->finishPage().askForPicture();
  });
  dress(tr("Set &words"), "Ctrl+Alt+W", [](DressStation& s) { s.beginWords(); });
  dress(tr("Take a &shape…"), "Ctrl+Alt+S", [](DressStation& s) { s.askForShape(); });
  menu->addSeparator();
  dress(tr("&Use on this cup"), "Ctrl+Alt+U",
        [](DressStation& s) { s.artPage().useButton().click(); });
  dress(tr("Dup&licate the artwork"), "Ctrl+Alt+C",
        [](DressStation& s) { s.artPage().copyAction()->trigger(); });
  dress(tr("&Keep it on the shelf of shapes"), "Ctrl+Alt+K",
        [](DressStation& s) { s.keepShape(); });
  dress(tr("&Remove the artwork"), "Ctrl+Alt+X",
        [](DressStation& s) { s.artPage().removeAction()->trigger(); });
  menu->addSeparator();
  dress(tr("Add a &backing"), "Ctrl+Alt+B",
        [](DressStation& s) { s.layerPage().addAction(LayerKind::backing)->trigger(); });
  dress(tr("Add a r&ing"), "Ctrl+Alt+R",
        [](DressStation& s) { s.layerPage().addAction(LayerKind::ring)->trigger(); });
  dress(tr("Add a peekab&oo stencil"), "Ctrl+Alt+O",
        [](DressStation& s) { s.layerPage().addAction(LayerKind::peekaboo)->trigger(); });
  menu->addSeparator();
  dress(tr("&Add a place"), "Ctrl+Alt+A", [](DressStation& s) {
    s.setPages().show(DressStation::ofPlace);
    s.placePage().addButton().click();
  });
  dress(tr("Re&move the place"), "Ctrl+Alt+D", [](DressStation& s) {
    s.setPages().show(DressStation::ofPlace);
    s.placePage().removeButton().click();
  });
  dress(tr("Pick the point it is placed &by"), "Alt+Shift+Q", [](DressStation& s) {
    s.setPages().show(DressStation::ofSet);
    s.setPage().pickButton().click();
  });
  dress(tr("&Lay an edge level"), "Ctrl+Alt+L", [this](DressStation& s) {
    s.setPages().show(DressStation::ofPlace);
    alignEdge(order_, false);
  });
  dress(tr("Stand an edge &plumb"), "Ctrl+Alt+M", [this](DressStation& s) {
    s.setPages().show(DressStation::ofPlace);
    alignEdge(order_, true);
  });
  dress(tr("Make a ro&w"), "Ctrl+Alt+N", [](DressStation& s) {
    s.setPages().show(DressStation::ofRow);
    s.rowPage().addButton().click();
  });
  dress(tr("Make the row as large as &fits"), "Ctrl+Alt+F", [this](DressStation& s) {
    s.setPages().show(DressStation::ofRow);
    growToFit(order_);
  });
  dress(tr("&Take the row apart"), "Ctrl+Alt+I", [this](DressStation& s) {
    s.setPages().show(DressStation::ofPlace);
    releaseRow(order_);
  });
  dress(tr("Remo&ve the row"), "Ctrl+Alt+Y", [](DressStation& s) {
    s.setPages().show(DressStation::ofRow);
    s.rowPage().removeButton().click();
  });
  menu->addSeparator();
  dress(tr("Scatter t&he set"), "Ctrl+Alt+H", [](DressStation& s) {
    s.setPages().show(DressStation::ofScatter);
    s.scatterPage().addButton().click();
  });
  dress(tr("Throw the scatter a&gain"), "Ctrl+Alt+J", [this](DressStation& s) {
    s.setPages().show(DressStation::ofScatter);
    throwAllAgain(order_);
  });
  dress(tr("Throw &one of it again"), "Ctrl+Alt+Z", [this](DressStation& s) {
    s.setPages().show(DressStation::ofScatter);
    throwAgain(order_);
  });
  dress(tr("Remove the s&catter"), "Ctrl+Alt+Q", [](DressStation& s) {
    s.setPages().show(DressStation::ofScatter);
    s.scatterPage().removeButton().click();
  });
  menu->addSeparator();
  dress(tr("Lay it farther o&ut"), "Ctrl+Alt+Up", [](DressStation& s) {
    s.setPages().show(DressStation::ofStack);
    s.stackPage().move(1);
  });
  dress(tr("Lay it farther i&n"), "Ctrl+Alt+Down", [](DressStation& s) {
    s.setPages().show(DressStation::ofStack);
    s.stackPage().move(-1);
  });
  menu->addSeparator();
  dress(tr("Remove the s&et"), "Ctrl+Alt+E",
        [](DressStation& s) { s.setPage().removeButton().click(); });
}

void MainWindow::makeViewMenu() {
  QMenu* view = menuBar()->addMenu(tr("&View"));
  add(view, tr("&Gauge"), QKeySequence(tr("Ctrl+1")), [this] { beginAtGauge(); });
  add(view, tr("D&ivide"), QKeySequence(tr("Ctrl+2")), [this] { goToStation(dividing); });
  add(view, tr("&Fill"), QKeySequence(tr("Ctrl+3")), [this] { goToStation(filling); });
  add(view, tr("D&ress"), QKeySequence(tr("Ctrl+4")), [this] { goToStation(dressing); });
  add(view, tr("&Cut"), QKeySequence(tr("Ctrl+5")), [this] { goToStation(cut); });
  add(view, tr("&Bench"), QKeySequence(tr("Ctrl+6")), [this] { goToStation(bench); });
  add(view, tr("&Log"), QKeySequence(tr("Ctrl+7")), [this] { goToStation(log); });
  view->addSeparator();
  add(view, tr("Switch &inches and millimetres"), QKeySequence(tr("F4")),
      [this] { order_.setUnit(order_.unit() == Unit::inch ? Unit::mm : Unit::inch); });
  add(view, tr("Turn the cup &left"), QKeySequence(tr("Ctrl+Left")),
      [this] { roundSeen().face(roundSeen().facing() - Angle::degrees(15)); });
  add(view, tr("Turn the cup &right"), QKeySequence(tr("Ctrl+Right")),
      [this] { roundSeen().face(roundSeen().facing() + Angle::degrees(15)); });
  add(view, tr("Front &forward"), QKeySequence(tr("Ctrl+Home")),
      [this] { roundSeen().face(CupAngle::front()); });
  add(view, tr("&Peel back the stack"), QKeySequence(tr("F9")), [this] { peelBack(order_, 1); });
  add(view, tr("Put the ne&xt on again"), QKeySequence(tr("Shift+F9")),
      [this] { peelBack(order_, -1); });
  view->addSeparator();
  const auto look = [&](const QString& text, const QKeySequence& key, const auto& act) {
    lookActions_.push_back(add(view, text, key, [this, act] {
      if (NearCanvas* canvas = lookedAt()) act(*canvas);
    }));
  };
  look(tr("&Zoom in"), QKeySequence(tr("Ctrl++")), [](NearCanvas& c) { c.goOneStep(true); });
  lookActions_.back()->setShortcuts({QKeySequence(tr("Ctrl++")), QKeySequence(tr("Ctrl+="))});
  look(tr("Zoom o&ut"), QKeySequence(tr("Ctrl+-")), [](NearCanvas& c) { c.goOneStep(false); });
  look(tr("Zoom to fi&t"), QKeySequence(tr("Ctrl+0")), [](NearCanvas& c) { c.showAll(); });
  view->addSeparator();
  add(view, tr("Go to the &warning"), QKeySequence(tr("F7")), [this] { watch_->go(); });
  add(view, tr("&Next warning"), QKeySequence(tr("F8")), [this] { watch_->next(); });
  stretchAction_ = new QAction(tr("Show the &stretch"), this);
  stretchAction_->setCheckable(true);
  stretchAction_->setChecked(true);
  stretchAction_->setShortcut(QKeySequence(tr("F6")));
  connect(stretchAction_, &QAction::toggled, this, [this](bool shown) {
    flat_->showStretch(shown);
    round_->showStretch(shown);
  });
  view->addAction(stretchAction_);
  view->addSeparator();
  darkAction_ = new QAction(tr("&Dark bench"), this);
  darkAction_->setCheckable(true);
  darkAction_->setShortcut(QKeySequence(tr("Ctrl+Shift+D")));
  darkAction_->setChecked(&theme() == &Theme::dark());
  connect(darkAction_, &QAction::triggered, this, &MainWindow::switchTheme);
  view->addAction(darkAction_);
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/main_window.h"

#include <algorithm>
#include <QApplication>
#include <QCloseEvent>
#include <QDragEnterEvent>
#include <QFileDialog>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QMenuBar>
#include <QMessageBox>
#include <QMimeData>
#include <QSettings>
#include <QStyle>
#include <QVBoxLayout>

#include "app/fields/beside.h"
#include "app/fields/scrolled.h"
#include "app/order/fill_edits.h"
#include "app/order/phrases.h"
#include "app/order/scatter_edits.h"
#include "app/shelf/shelf_dialog.h"
#include "app/window/keys_dialog.h"
#include "app/window/theme.h"
#include "files/disk.h"
#include "files/read_fault.h"
#include "version/version.h"

namespace avrelt {

MainWindow::MainWindow(QWidget* parent)
    : QMainWindow(parent),
      file_(std::make_unique<OrderFile>(order_, this)),
      shelf_(std::make_unique<Shelf>(order_)) {
  setAcceptDrops(true);
  resize(1280, 800);
  // Half of a usual screen, as it is where everything is drawn twice as large.
  setMinimumSize(620, 380);
  makeActions();
  makeBench();
  connect(&order_, &Order::changed, this, &MainWindow::refresh);
  connect(order_.history(), &QUndoStack::cleanChanged, this, &MainWindow::refresh);
  connect(file_.get(), &OrderFile::changed, this, &MainWindow::refresh);
  connect(file_.get(), &OrderFile::changedOnDisk, this, &MainWindow::showOnDisk);
  connect(file_.get(), &OrderFile::said, watch_, &WatchLine::say);
  connect(file_.get(), &OrderFile::adopted, this, [this] {
    round_->face(Angle());
    if (rail_->current() == gauge) gauge_->begin();
  });
  file_->startOver();
}

MainWindow::~MainWindow() {
  // Views and the file speak to the order to the last; they go before it does.
  delete takeCentralWidget();
  file_.reset();
  shelf_.reset();
}

void MainWindow::showShelf() {
  ShelfDialog(*shelf_, order_, this).exec();
}

void MainWindow::openShelf() {
  if (!shelf_->open()) watch_->say(say(*shelf_->trouble(), order_.unit()));
}

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
  makeViewMenu();
  QMenu* help = menuBar()->addMenu(tr("&Help"));
  add(help, tr("&Keys"), QKeySequence(tr("F1")), [this] { showKeys(); });
  add(help, tr("&About Avrelt"), {}, [this] { showAbout(); });
}

void MainWindow::makeFileMenu() {
  QMenu* file = menuBar()->addMenu(tr("&File"));
  add(file, tr("&New order"), QKeySequence::New, [this] {
    if (file_->mayLeave()) file_->startOver();
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
  forCup(add(cupMenu_, tr("Re&move"), QKeySequence(tr("Ctrl+Backspace")),
             [this] { order_.removeCup(); }));
  cupMenu_->addSeparator();
  forCup(
      add(cupMenu_, tr("Shelf of &blanks…"), QKeySequence(tr("Ctrl+B")), [this] { showShelf(); }));
  forCup(add(cupMenu_, tr("Put its blank on the &shelf"), QKeySequence(tr("Ctrl+Shift+B")),
             [this] { shelf_->saveFromBench(); }));
  forCup(add(cupMenu_, tr("&Trace a photo…"), QKeySequence(tr("Ctrl+T")), [this] {
    goToStation(gauge);
    gauge_->traceAPhoto();
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
  dress(tr("Remove the s&et"), "Ctrl+Alt+E",
        [](DressStation& s) { s.setPage().removeButton().click(); });
}

void MainWindow::makeViewMenu() {
  QMenu* view = menuBar()->addMenu(tr("&View"));
  add(view, tr("&Gauge"), QKeySequence(tr("Ctrl+1")), [this] { goToStation(gauge); });
  add(view, tr("D&ivide"), QKeySequence(tr("Ctrl+2")), [this] { goToStation(dividing); });
  add(view, tr("&Fill"), QKeySequence(tr("Ctrl+3")), [this] { goToStation(filling); });
  add(view, tr("D&ress"), QKeySequence(tr("Ctrl+4")), [this] { goToStation(dressing); });
  add(view, tr("&Cut"), QKeySequence(tr("Ctrl+5")), [this] { goToStation(cut); });
  view->addSeparator();
  add(view, tr("Switch &inches and millimetres"), QKeySequence(tr("F4")),
      [this] { order_.setUnit(order_.unit() == Unit::inch ? Unit::mm : Unit::inch); });
  add(view, tr("Turn the cup &left"), QKeySequence(tr("Ctrl+Left")),
      [this] { round_->face(round_->facing() - Angle::degrees(15)); });
  add(view, tr("Turn the cup &right"), QKeySequence(tr("Ctrl+Right")),
      [this] { round_->face(round_->facing() + Angle::degrees(15)); });
  add(view, tr("Front &forward"), QKeySequence(tr("Ctrl+Home")), [this] { round_->face(Angle()); });
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

void MainWindow::makeBench() {
  auto* bench = new QWidget;
  setCentralWidget(bench);
  auto* columns = new QHBoxLayout(bench);
  columns->setContentsMargins(0, 0, 0, 0);
  columns->setSpacing(0);
  rail_ = new TapeRail({tr("Gauge"), tr("Divide"), tr("Fill"), tr("Dress"), tr("Cut")});
  connect(rail_, &TapeRail::chosen, this, &MainWindow::goToStation);
  columns->addWidget(rail_);

  auto* column = new QVBoxLayout;
  column->setSpacing(0);
  columns->addLayout(column, 1);

  auto* head = new QHBoxLayout;
  head->setContentsMargins(10, 2, 14, 2);
  head->setSpacing(10);
  title_ = new QLabel;
  title_->setFont(face(17, QFont::DemiBold));
  state_ = new QLabel;
  state_->setProperty("role", "label");
  // As wide as it will ever be, so that the cups beside it stand still.
  state_->setMinimumWidth(
      state_->fontMetrics().horizontalAdvance(tr("%1 cups, not saved").arg(88)));
  cups_ = new CupStrip(order_);
  auto* another = new QPushButton(tr("+ Cup"));
  another->setToolTip(tr("Add a cup to the order (Ctrl+Shift+N)"));
  another->setAccessibleName(tr("Add a cup"));
  connect(another, &QPushButton::clicked, this, &MainWindow::addCup);
  units_ = new Segments(tr("Unit"), {tr("in"), tr("mm")});
  units_->setToolTip(tr("Inches or millimetres (F4)"));
  connect(units_, &Segments::picked, this,
          [this](int i) { order_.setUnit(i == 0 ? Unit::inch : Unit::mm); });
  head->addWidget(title_);
  head->addWidget(state_);
  head->addSpacing(10);
  head->addWidget(cups_, 1);
  head->addWidget(another);
  head->addWidget(units_);
  column->addLayout(head);
  connect(cups_, &CupStrip::menuAsked, this, [this](const QPoint& at) { cupMenu_->popup(at); });

  notice_ = new QFrame;
  notice_->setObjectName(QStringLiteral("notice"));
  auto* noticeRow = new QHBoxLayout(notice_);
  noticeRow->setContentsMargins(12, 6, 8, 6);
  noticeWords_ = new QLabel;
  loadTheirs_ = new QPushButton(tr("Load theirs"));
  saveAgain_ = new QPushButton(tr("Save it again"));
  auto* keep = new QPushButton(tr("Keep mine"));
  connect(loadTheirs_, &QPushButton::clicked, file_.get(), &OrderFile::reload);
  connect(saveAgain_, &QPushButton::clicked, file_.get(), &OrderFile::save);
  connect(keep, &QPushButton::clicked, notice_, &QWidget::hide);
  noticeRow->addWidget(noticeWords_, 1);
  noticeRow->addWidget(loadTheirs_);
  noticeRow->addWidget(saveAgain_);
  noticeRow->addWidget(keep);
  notice_->hide();
  column->addWidget(notice_);

  auto* views = new QHBoxLayout;
  views->setSpacing(0);
  flat_ = new FlatView(order_);
  round_ = new RoundView(order_);
  views->addWidget(flat_, 66);
  views->addWidget(round_, 34);
  column->addLayout(views, 1);

  // What the cards of a station are laid out for at the least.
  constexpr QSize leastDrawer(1040, 290);
  watch_ = new WatchLine(order_);
  stations_ = new QStackedWidget;
  stations_->setObjectName(QStringLiteral("drawer"));
  stations_->setFixedHeight(316);
  gauge_ = new GaugeStation(order_);
  cut_ = new CutStation(order_, saveSvg_, savePdf_, saveAll_);
  divide_ = new DivideStation(order_);
  connect(divide_, &DivideStation::said, watch_, &WatchLine::say);
  stations_->addWidget(new Scrolled(gauge_, leastDrawer));
  fill_ = new FillStation(order_);
  // A click on a cell gives it the colour in hand.
  const auto pin = [this](WallPoint place) {
    const bool bar = QApplication::keyboardModifiers().testFlag(Qt::ShiftModifier);
    pinCell(order_, place, fill_->colourPage().inHand(), bar);
  };
  connect(fill_, &FillStation::said, watch_, &WatchLine::say);
  connect(&fill_->amountsPage(), &AmountsPage::ratesSet, this,
          [this](const FillRates& rates) { shelf_->put(rates); });
  connect(flat_, &FlatView::cellClicked, this, pin);
  connect(round_, &RoundView::cellClicked, this, pin);
  stations_->addWidget(new Scrolled(divide_, leastDrawer));
  stations_->addWidget(new Scrolled(fill_, leastDrawer));
  dress_ = new DressStation(order_, *shelf_);
  connect(dress_, &DressStation::said, watch_, &WatchLine::say);
  stations_->addWidget(new Scrolled(dress_, leastDrawer));
  stations_->addWidget(new Scrolled(cut_, leastDrawer));
  column->addWidget(stations_);
  column->addWidget(watch_);
  connect(watch_, &WatchLine::goTo, this, &MainWindow::goToField);
  connect(cups_, &CupStrip::nameRefused, watch_, &WatchLine::say);
  connect(&order_, &Order::refused, watch_,
          [this](const Sentence& sentence) { watch_->say(avrelt::say(sentence, order_.unit())); });
  connect(gauge_, &GaugeStation::said, watch_, &WatchLine::say);
  connect(gauge_, &GaugeStation::shelfAsked, this, &MainWindow::showShelf);
  connect(gauge_, &GaugeStation::logAsked, this, [this] { shelf_->logMeasurement(); });
  connect(shelf_.get(), &Shelf::said, watch_, &WatchLine::say);
  connect(cut_, &CutStation::purposeChosen, this, &MainWindow::setViews);
  connect(&order_, &Order::changed, this, &MainWindow::setViews);
}

void MainWindow::addCup() {
  if (!order_.addCup()) return;
  goToStation(gauge);
  gauge_->begin();
}

void MainWindow::goToStation(int station) {
  rail_->setCurrent(station);
  stations_->setCurrentIndex(station);
  setViews();
}

/// What flat and cup show of it at the station in hand.
void MainWindow::setViews() {
  const int station = rail_->current();
  const bool strip = station == cut && cut_->purpose() == purpose::markingStrip;
  // What is cut for zones is seen among them.
  const bool ofZones = station == cut && !strip && cut_->isForZones();
  const bool zones = station == dividing || station == filling || station == dressing || ofZones;
  flat_->showStrip(strip);
  round_->showStrip(strip);
  if (zones != zonesShown_) {
    flat_->showZones(zones);
    round_->showZones(zones);
    zonesShown_ = zones;
  }
  const bool sets = station == dressing || ofZones;
  flat_->showSets(sets, station == dressing);
  round_->showSets(sets, station == dressing);
  flat_->showCells(station == filling);
  round_->showCells(station == filling);
}

void MainWindow::goToField(const QString& field) {
  if (gauge_->goTo(field)) {
    goToStation(gauge);
    gauge_->goTo(field);
  } else if (divide_->goTo(field)) {
    goToStation(dividing);
    divide_->goTo(field);
  } else if (fill_->goTo(field)) {
    goToStation(filling);
    fill_->goTo(field);
  } else if (dress_->goTo(field)) {
    goToStation(dressing);
    dress_->goTo(field);
  } else if (cut_->goTo(field)) {
    goToStation(cut);
    cut_->goTo(field);
  }
}

void MainWindow::refresh() {
  const QString name = file_->name();
  const bool clean = order_.history()->isClean();
  title_->setText(title_->fontMetrics().elidedText(name, Qt::ElideRight, 240));
  title_->setToolTip(file_->path());
  const auto count = static_cast<int>(order_.document().cups.size());
  const QString cups = count == 1 ? tr("1 cup") : tr("%1 cups").arg(count);
  state_->setText(clean ? cups : tr("%1, not saved").arg(cups));
  setWindowTitle(tr("%1[*] – Avrelt").arg(name));
  setWindowModified(!clean);
  units_->show(order_.unit() == Unit::inch ? 0 : 1);
  for (QAction* action : cupActions_) action->setEnabled(order_.hasCup());
  saveSvg_->setEnabled(order_.planHolds() || order_.working());
  savePdf_->setEnabled(order_.planHolds() || order_.working());
  saveAll_->setEnabled(order_.hasCup());
}

void MainWindow::fillRecent() {
  recent_->clear();
  for (const QString& path : OrderFile::recent()) {
    const QFileInfo about(path);
    QAction* action =
        recent_->addAction(tr("%1 in %2").arg(about.completeBaseName(), about.absolutePath()));
    connect(action, &QAction::triggered, this, [this, path] {
      if (file_->mayLeave()) file_->open(path);
    });
  }
  if (recent_->isEmpty()) recent_->addAction(tr("Nothing opened yet"))->setEnabled(false);
}

std::optional<Sentence> MainWindow::savePiece(OutputKind kind, const QString& path) {
  const CupPlan* plan = order_.presentPlan();
  if (plan == nullptr) {
    return Sentence{"The cup cannot be planned yet. Put the marked field right first.", {}};
  }
  const std::optional<PartSet> parts = cut_->set();
  if (!parts) return Sentence{"This cup has no such part any more. Choose another.", {}};
  const auto output = outputOf(*plan, *parts, kind, order_.document().printPaper(), order_.unit());
  if (!output) return output.error();
  return writeFile(path.toStdString(), output->file.bytes);
}

void MainWindow::askAndSavePiece(OutputKind kind) {
  const CupPlan* plan = order_.presentPlan();
  const std::optional<PartSet> parts = cut_->set();
  if (plan == nullptr || !parts) return;
  const QString name = QString::fromStdString(outputName(*plan, *parts, kind));
  const QString ending = QLatin1String(kindName(kind));
  QString chosen = QFileDialog::getSaveFileName(
      this, kind == OutputKind::svg ? tr("Save for the cutter") : tr("Save for the printer"),
      file_->folder() + QLatin1Char('/') + name,
      QStringLiteral("%1 (*.%2)").arg(ending.toUpper(), ending));
  if (chosen.isEmpty()) return;
  if (QFileInfo(chosen).suffix().isEmpty()) chosen += QLatin1Char('.') + ending;
  if (const std::optional<Sentence> fault = savePiece(kind, chosen)) {
    tell(this, tr("The part is not saved"), say(*fault, order_.unit()));
    return;
  }
  watch_->say(tr("Saved as %1. Try the paper piece before film is cut.").arg(chosen));
}

tl::expected<std::size_t, QStringList> MainWindow::saveAll(const QString& folder) {
  // By what the shop knows, as what is on screen.
  const auto files = beside(
      this, tr("Working out every part…"),
      [document = order_.document(),
       stock = order_.stock()](Going& going) -> CheckedAll<std::vector<OutputFile>> {
        const CheckedAll<Plan> plan = planDocument(document, stock);
        if (!plan) return tl::unexpected(plan.error());
        auto made = outputsOf(
            *plan, [&going](std::size_t done, std::size_t all) { return going.tell(done, all); });
        if (!made) return tl::unexpected(Faults{{{}, made.error()}});
        return std::move(*made);
      });
  if (!files) return tl::unexpected(QStringList{tr("%1 Nothing was written.").arg(files.error())});
  if (!*files) {
    QStringList lines;
    for (const Fault& fault : files->error()) {
      lines << (fault.field.empty()
                    ? say(fault.sentence, order_.unit())
                    : QString::fromStdString(inWords(
                          ReadFault{0, fault}, tr("This order").toStdString(), order_.unit())));
    }
    return tl::unexpected(lines);
  }
  if (const std::optional<Sentence> fault = exportInto(folder.toStdString(), **files)) {
    return tl::unexpected(QStringList{say(*fault, order_.unit())});
  }
  return (*files)->size();
}

void MainWindow::askAndSaveAll() {
  const QString folder =
      QFileDialog::getExistingDirectory(this, tr("Save every part into"), file_->folder());
  if (folder.isEmpty()) return;
  const tl::expected<std::size_t, QStringList> saved = saveAll(folder);
  if (!saved) {
    tell(this, tr("The parts are not saved"), saved.error().join(QStringLiteral("\n\n")));
    return;
  }
  watch_->say(tr("%1 files saved in %2.").arg(*saved).arg(folder));
}

void MainWindow::showKeys() {
  KeysDialog(*menuBar(), this).exec();
}

void MainWindow::showOnDisk(OnDisk state) {
  const bool gone = state == OnDisk::gone;
  noticeWords_->setText(gone ? tr("This order's file is gone from its disk.")
                             : tr("Another program has changed this order's file on disk."));
  loadTheirs_->setVisible(!gone);
  saveAgain_->setVisible(gone);
  notice_->setVisible(state != OnDisk::same);
}

void MainWindow::showAbout() {
  QMessageBox box(QMessageBox::NoIcon, tr("About Avrelt"), {}, QMessageBox::Close, this);
  box.setText(tr("<b>Avrelt %1</b><br>Measures, lays out and plans decorated tumblers.<br><br>"
                 "Free software under the GNU General Public License, version 3 or later, without "
                 "any warranty.<br>The face is Avrelt Sans, made from Inter, under the SIL Open "
                 "Font License 1.1.")
                  .arg(QLatin1String(version)));
  box.exec();
}

void MainWindow::switchTheme(bool dark) {
  useTheme(dark ? Theme::dark() : Theme::light());
  QSettings().setValue(QStringLiteral("dark"), dark);
  for (QWidget* widget : findChildren<QWidget*>()) widget->update();
}

void MainWindow::closeEvent(QCloseEvent* event) {
  if (file_->mayLeave()) {
    file_->recovery().settle();
    event->accept();
  } else {
    event->ignore();
  }
}

void MainWindow::resizeEvent(QResizeEvent* event) {
  QMainWindow::resizeEvent(event);
  const bool narrow = width() < 1160;
  if (property("narrow").toBool() != narrow) {
    setProperty("narrow", narrow);
    rail_->setNarrow(narrow);
    // What the style sheet makes of the property is looked up only when asked to.
    for (QPushButton* button : findChildren<QPushButton*>()) {
      style()->unpolish(button);
      style()->polish(button);
    }
  }
  // The views keep what they need to be read; the drawer scrolls in what is left.
  constexpr int beside = 104;  // menu, head and watch line
  constexpr int views = 170;
  const int most = height() < 740 ? 296 : 316;
  stations_->setFixedHeight(std::clamp(height() - beside - views, 120, most));
  // Words of the head that say nothing new go first.
  state_->setVisible(width() > 760);
}

void MainWindow::dragEnterEvent(QDragEnterEvent* event) {
  const QList<QUrl> urls = event->mimeData()->urls();
  if (urls.size() == 1 && urls.front().isLocalFile()) event->acceptProposedAction();
}

void MainWindow::dropEvent(QDropEvent* event) {
  const QString path = event->mimeData()->urls().front().toLocalFile();
  const QString kind = QFileInfo(path).suffix().toLower();
  static const QStringList pictures{"png",  "jpg", "jpeg", "bmp", "gif",
                                    "webp", "ppm", "pgm",  "pbm"};
  // What can only be an artwork is one.
  if (kind == QStringLiteral("svg")) {
    goToStation(dressing);
    dress_->takeDrawingFrom(path);
  } else if (pictures.contains(kind)) {
    goToStation(dressing);
    dress_->takePictureFrom(path);
  } else if (file_->mayLeave()) {
    file_->open(path);
  }
}

}  // namespace avrelt

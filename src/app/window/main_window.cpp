// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/main_window.h"

#include <algorithm>
#include <QApplication>
#include <QCloseEvent>
#include <QDragEnterEvent>
#include <QFileDialog>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QLayout>
#include <QMenuBar>
#include <QMessageBox>
#include <QMimeData>
#include <QPushButton>
#include <QSettings>
#include <QStyle>
#include <QVBoxLayout>

#include "app/fields/beside.h"
#include "app/fields/confirmed.h"
#include "app/fields/idle.h"
#include "app/fields/offer.h"
#include "app/fields/on_screen.h"
#include "app/fields/scrolled.h"
#include "app/look/theme.h"
#include "app/order/fill_edits.h"
#include "app/order/phrases.h"
#include "app/order/scatter_edits.h"
#include "app/order/stack_edits.h"
#include "app/order/take_in_hand.h"
#include "app/shelf/shelf_dialog.h"
#include "app/window/keys_dialog.h"
#include "files/disk.h"
#include "files/read_fault.h"
#include "files/where_text.h"
#include "version/version.h"

namespace avrelt {

MainWindow::MainWindow(QWidget* parent)
    : QMainWindow(parent),
      file_(std::make_unique<OrderFile>(order_, this)),
      shelf_(std::make_unique<Shelf>(order_)) {
  setAcceptDrops(true);
  openAt(*this, {1280, 800});
  // Half of a usual screen, as it is where everything is drawn twice as large.
  setMinimumSize(620, 380);
  {
    const WithoutSheet bare;
    makeActions();
    makeCentre();
  }
  // What was measured meanwhile was of other letters.
  for (QLayout* layout : findChildren<QLayout*>()) layout->invalidate();
  connect(&order_, &Order::changed, this, &MainWindow::refresh);
  connect(order_.history(), &QUndoStack::cleanChanged, this, &MainWindow::refresh);
  connect(file_.get(), &OrderFile::changed, this, &MainWindow::refresh);
  connect(file_.get(), &OrderFile::changedOnDisk, this, &MainWindow::showOnDisk);
  connect(file_.get(), &OrderFile::said, watch_, &WatchLine::say);
  connect(file_.get(), &OrderFile::adopted, this, [this] {
    round_->face(CupAngle::front());
    if (rail_->current() == gauge) gauge_->begin();
    bench_->begin();
    log_->keeper().begin();
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

/// The rail, then the order's head, what is seen of it, the desk of the station in hand, and what
/// is watched.
void MainWindow::makeCentre() {
  auto* centre = new QWidget;
  setCentralWidget(centre);
  auto* columns = new QHBoxLayout(centre);
  columns->setContentsMargins(0, 0, 0, 0);
  columns->setSpacing(0);
  rail_ = new TapeRail(
      {tr("Gauge"), tr("Divide"), tr("Fill"), tr("Dress"), tr("Cut"), tr("Bench"), tr("Log")});
  connect(rail_, &TapeRail::chosen, this, &MainWindow::goToStation);
  columns->addWidget(rail_);
  auto* column = new QVBoxLayout;
  column->setSpacing(0);
  columns->addLayout(column, 1);
  watch_ = new WatchLine(order_);
  makeDesks();
  column->addLayout(makeHead());
  column->addWidget(makeNotice());
  column->addLayout(makeViews(), 1);
  column->addWidget(stations_);
  column->addWidget(watch_);
  connect(watch_, &WatchLine::goTo, this, &MainWindow::goTo);
  connect(cups_, &CupStrip::nameRefused, watch_, &WatchLine::say);
  connect(&order_, &Order::refused, watch_,
          [this](const Sentence& sentence) { watch_->say(avrelt::say(sentence, order_.unit())); });
  connect(shelf_.get(), &Shelf::said, watch_, &WatchLine::say);
  connect(&order_, &Order::changed, this, &MainWindow::setViews);
}

QLayout* MainWindow::makeHead() {
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
  units_ = segmentsOf<Unit>(tr("Unit"), {{Unit::inch, tr("in")}, {Unit::mm, tr("mm")}});
  units_->setToolTip(tr("Inches or millimetres (F4)"));
  onChosen<Unit>(*units_, this, [this](Unit chosen) { order_.setUnit(chosen); });
  head->addWidget(title_);
  head->addWidget(state_);
  head->addSpacing(10);
  head->addWidget(cups_, 1);
  head->addWidget(another);
  head->addWidget(units_);
  connect(cups_, &CupStrip::menuAsked, this, [this](const QPoint& at) { cupMenu_->popup(at); });
  return head;
}

/// Said over the views when the order's file was changed by somebody else.
QWidget* MainWindow::makeNotice() {
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
  return notice_;
}

/// The desks of the stations, as they stand on the rail.
void MainWindow::makeDesks() {
  const auto folder = [this] { return file_->folder(); };
  const auto name = [this] { return file_->name(); };
  sheets_ = new SheetsBench(order_, *shelf_, folder, name);
  bench_ = new BenchStation(order_, *shelf_, folder, name, BenchClock::usualFile());
  desks_ = {gauge_ = new GaugeStation(order_),
            divide_ = new DivideStation(order_),
            fill_ = new FillStation(order_),
            dress_ = new DressStation(order_, *shelf_),
            cut_ = new CutStation(order_, saveSvg_, savePdf_, saveAll_, sheets_),
            bench_,
            log_ = new LogStation(order_, *shelf_, bench_->work(), folder, name)};
  // What the cards of a station are laid out for at the least.
  constexpr QSize leastDrawer(1040, 290);
  stations_ = new QStackedWidget;
  stations_->setObjectName(QStringLiteral("drawer"));
  stations_->setFixedHeight(316);
  for (Desk* desk : desks_) {
    stations_->addWidget(new Scrolled(desk, leastDrawer));
    connect(desk, &Desk::said, watch_, &WatchLine::say);
  }
  connect(sheets_, &SheetsBench::said, watch_, &WatchLine::say);
  const auto supplies = [this]() -> const SupplyShelf& { return shelf_->supplies(); };
  divide_->finishPage().supply().setSupplies(supplies);
  fill_->colourPage().supply().setSupplies(supplies);
  connect(&fill_->amountsPage(), &AmountsPage::ratesSet, this,
          [this](const FillRates& rates) { shelf_->put(rates); });
  connect(gauge_, &GaugeStation::shelfAsked, this, &MainWindow::showShelf);
  connect(gauge_, &GaugeStation::logAsked, this, [this] { shelf_->logMeasurement(); });
  connect(cut_, &CutStation::purposeChosen, this, &MainWindow::setViews);
  connect(cut_, &CutStation::sheetsChosen, this, &MainWindow::setViews);
  connect(bench_, &BenchStation::watched, this, [this] { watch_->setOthers(bench_->watches()); });
  connect(log_, &LogStation::orderMade, this, [this](const Document& order) {
    if (!file_->mayLeave()) return;
    file_->begin(order);
    beginAtGauge();
  });
}

/// The flat and the cup in the round; sheets, timeline and log in the flat's place.
QLayout* MainWindow::makeViews() {
  views_ = new QHBoxLayout;
  views_->setSpacing(0);
  flat_ = new FlatView(order_);
  round_ = new RoundView(order_);
  views_->addWidget(flat_, 66);
  for (QWidget* instead :
       std::initializer_list<QWidget*>{&sheets_->canvas(), &bench_->timeline(), &log_->area()}) {
    instead->hide();
    views_->addWidget(instead, 66);
  }
  views_->addWidget(round_, 34);
  views_->addWidget(&log_->pastCup().view(), 12);
  connect(&log_->pastCup(), &PastCup::changed, this, &MainWindow::setViews);
  connect(&log_->area(), &LogArea::pageShown, this, &MainWindow::setViews);
  // A click on a cell gives it the colour in hand.
  const auto pin = [this](WallPoint place) {
    const bool bar = QApplication::keyboardModifiers().testFlag(Qt::ShiftModifier);
    pinCell(order_, place, fill_->colourPage().inHand(), bar);
  };
  connect(flat_, &FlatView::cellClicked, this, pin);
  connect(round_, &RoundView::cellClicked, this, pin);
  QPushButton* const pick = &dress_->setPage().pickButton();
  connect(pick, &QPushButton::toggled, flat_, [this](bool on) {
    flat_->askForPoint(on);
    if (!on) return;
    flat_->setFocus();
    watch_->say(tr("Click the point of the artwork that the marks are to be for."));
  });
  connect(flat_, &FlatView::pointAsked, pick, &QPushButton::setChecked);
  return views_;
}

/// With the first measure in hand, to be typed over.
void MainWindow::beginAtGauge() {
  goToStation(gauge);
  gauge_->begin();
}

void MainWindow::addCup() {
  if (order_.addCup()) beginAtGauge();
}

void MainWindow::askAndRemoveCup() {
  const QString name = QString::fromStdString(order_.currentCup().name);
  const QString question = tr("“%1” goes from the order, with its measures, its design and its "
                              "ticks. Undo brings it back.")
                               .arg(name);
  if (confirmed(this, tr("Remove this cup?"), question, tr("Remove"), OnReturn::acts)) {
    order_.removeCup();
  }
}

void MainWindow::goToStation(int station) {
  rail_->setCurrent(station);
  stations_->setCurrentIndex(station);
  setViews();
}

RoundView& MainWindow::roundSeen() {
  return round_->isVisible() ? *round_ : log_->pastCup().view();
}

/// What is drawn to a scale just now: what has the keyboard, else what is in the flat's place.
NearCanvas* MainWindow::lookedAt() {
  if (auto* canvas = qobject_cast<NearCanvas*>(QApplication::focusWidget())) return canvas;
  if (flat_->isVisible()) return flat_;
  SheetsCanvas& sheets = cut_->bench().canvas();
  return sheets.isVisible() ? &sheets : nullptr;
}

/// What flat and cup show of it at the station in hand.
void MainWindow::setViews() {
  const int station = rail_->current();
  const bool sheets = station == cut && cut_->sheetsShown();
  flat_->setVisible(!sheets && station != bench && station != log);
  bench_->timeline().setVisible(station == bench);
  bench_->work().setSeen(station == bench);
  log_->area().setVisible(station == log);
  log_->setSeen(station == log);
  // Among the cups of the log the one picked there stands in the round.
  const bool past =
      station == log && log_->area().page() == LogArea::cups && log_->pastCup().there();
  log_->pastCup().view().setVisible(past);
  log_->pastCup().setSeen(past);
  round_->setVisible(!past);
  // The timeline and the log take both, and leave the cup a corner.
  views_->setStretchFactor(round_, station == bench || station == log ? 12 : 34);
  cut_->bench().canvas().setVisible(sheets);
  for (QAction* action : lookActions_) action->setEnabled(station != bench && station != log);
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

namespace {

/// The station at which something is put right.
MainWindow::Station stationFor(Member member) {
  switch (thingOf(member)) {
    case Thing::zone:
    case Thing::cut:
    case Thing::stripe:
    case Thing::mask:
      return MainWindow::dividing;
    case Thing::fill:
      return MainWindow::filling;
    case Thing::set:
    case Thing::layer:
    case Thing::place:
    case Thing::row:
    case Thing::scatter:
      return MainWindow::dressing;
    case Thing::step:
      return MainWindow::bench;
    case Thing::none:
    case Thing::order:
    case Thing::cup:
      break;
  }
  switch (member) {
    case Member::tapeWidth:
    case Member::fillingOrder:
      return MainWindow::dividing;
    case Member::stack:
      return MainWindow::dressing;
    case Member::wrapOver:
    case Member::stripAt:
    case Member::stripWidth:
    case Member::cutRecord:
      return MainWindow::cut;
    case Member::supplies:
      return MainWindow::bench;
    default:
      return MainWindow::gauge;
  }
}

}  // namespace

bool MainWindow::goTo(const Where& where) {
  const Thing thing = thingOf(where.member);
  if (thing == Thing::none || thing == Thing::order) return false;
  takeInHand(order_, where);
  const Station station = stationFor(where.member);
  goToStation(station);
  return desks_.at(station)->goTo(where);
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
  showChosen(*units_, order_.unit());
  for (QAction* action : cupActions_) action->setEnabled(order_.hasCup());
  if (!order_.hasCup()) {
    for (QWidget* station : std::initializer_list<QWidget*>{gauge_, divide_, fill_, dress_}) {
      showIdle(*station);
    }
  }
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
      lines << (fault.where.empty()
                    ? say(fault.sentence, order_.unit())
                    : QString::fromStdString(inWords(
                          ReadFault{0, pathOf(fault.where, order_.document()), fault.sentence},
                          tr("This order").toStdString(), order_.unit())));
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

#include "moc_main_window.cpp"

// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/cut/sheets_bench.h"

#include <algorithm>
#include <map>
#include <QAbstractItemView>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include "app/cut/sheet_words.h"
#include "app/fields/card.h"
#include "app/fields/list_lines.h"
#include "app/fields/offer.h"
#include "app/fields/scrolled.h"
#include "app/order/phrases.h"
#include "files/read_fault.h"
#include "files/where_text.h"

namespace avrelt {
SheetsBench::SheetsBench(Order& order, Shelf& shelf, std::function<QString()> folder,
                         std::function<QString()> name, QWidget* parent)
    : QWidget(parent),
      order_(order),
      shelf_(shelf),
      folder_(std::move(folder)),
      name_(std::move(name)),
      work_(order, shelf),
      printing_(work_, name_, this) {
  canvas_ = new SheetsCanvas(work_, order);
  QHBoxLayout* row = makeDrawer(this);
  row->addWidget(filmsCard(), 34);
  row->addWidget(partsCard(), 38);
  row->addWidget(cutCard(), 28);
  connect(&work_, &SheetsWork::changed, this, &SheetsBench::refresh);
  // What was cut is of the sheets before.
  connect(&work_, &SheetsWork::changed, canvas_, [this] { canvas_->showCut(nullptr); });
  connect(&work_, &SheetsWork::progressed, this, &SheetsBench::refreshSearch);
  connect(canvas_, &SheetsCanvas::said, this, &SheetsBench::said);
  connect(canvas_, &SheetsCanvas::dropped, this, [this](QPoint global) {
    const QListWidgetItem* item = list_->itemAt(list_->viewport()->mapFromGlobal(global));
    std::size_t sheet = 0;
    if (item == nullptr || inHand(sheet) == nullptr) return;
    const Place here = rows_[static_cast<std::size_t>(list_->currentRow())];
    const Place there = rows_[static_cast<std::size_t>(list_->row(item))];
    if (there.film == here.film) return canvas_->sendTo(there.sheet);
    emit said(tr("That is a sheet of another film. A part is cut from its own."));
  });
  connect(canvas_, &SheetsCanvas::chosenNow, this, [this] {
    const auto laid = canvas_->chosen();
    std::size_t sheet = 0;
    const FilmSheets* film = inHand(sheet);
    if (!laid || film == nullptr || *laid >= film->arrangement.laid.size()) return;
    const auto found =
        std::find(partRows_.begin(), partRows_.end(), film->arrangement.laid[*laid].piece);
    if (found == partRows_.end()) return;
    const QSignalBlocker quiet(parts_);
    parts_->setCurrentRow(static_cast<int>(found - partRows_.begin()));
    // The round shows the cup it is for.
    const std::size_t cup = film->parts[film->arrangement.laid[*laid].piece].cup;
    if (static_cast<int>(cup) != order_.currentIndex()) order_.choose(static_cast<int>(cup));
  });
  connect(&printing_, &SheetPrinting::said, this, &SheetsBench::said);
  connect(&printing_, &SheetPrinting::changed, this, &SheetsBench::refreshCutting);
  connect(&link_, &CutterLink::progressed, this, &SheetsBench::refreshCutting);
  connect(&link_, &CutterLink::finished, this, &SheetsBench::judge);
  connect(&link_, &CutterLink::failed, this, [this](const QString& words) { tell(words); });
  refresh();
}

QStringList SheetsBench::pageTitles() {
  return {tr("This cup’s parts"), tr("All on sheets")};
}

QWidget* SheetsBench::filmsCard() {
  QVBoxLayout* body = nullptr;
  QFrame* card = makeCard({}, body);
  card->setAccessibleName(tr("Films of this order"));
  body->setSpacing(6);
  pages_ = new Segments(tr("What is shown"), pageTitles());
  body->addWidget(pages_, 0, Qt::AlignLeft);
  list_ = new QListWidget;
  list_->setAccessibleName(tr("Sheets, film by film"));
  list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  list_->setWordWrap(true);
  body->addWidget(list_, 1);
  connect(list_, &QListWidget::currentRowChanged, this, [this] {
    if (!link_.running()) tell({});
    refreshParts();
    refreshSearch();
  });
  auto* row = new QHBoxLayout;
  filmChoice_ = new QComboBox;
  filmChoice_->setAccessibleName(tr("The shelf's film it is cut from"));
  filmChoice_->setToolTip(tr("The shelf's film this is cut from"));
  filmChoice_->view()->setAccessibleName(filmChoice_->accessibleName());
  filmChoice_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  filmChoice_->setMinimumContentsLength(10);
  auto* films = new QPushButton(tr("Films…"));
  films->setToolTip(tr("What films there are, their sheets, rolls and offcuts (Ctrl+Shift+F)"));
  row->addWidget(filmChoice_, 1);
  row->addWidget(films);
  body->addLayout(row);
  connect(films, &QPushButton::clicked, this, &SheetsBench::showFilms);
  connect(filmChoice_, &QComboBox::activated, this, [this](int index) {
    std::size_t sheet = 0;
    const FilmSheets* film = inHand(sheet);
    if (film == nullptr) return;
    const long long key = filmChoice_->itemData(index).toLongLong();
    for (const FilmWanted& too : film->wantedToo) work_.take(too, key);
    work_.take(film->wanted, key);
  });
  return card;
}

QWidget* SheetsBench::partsCard() {
  QVBoxLayout* body = nullptr;
  QFrame* card = makeCard(tr("Parts on it"), body);
  body->setSpacing(6);
  parts_ = new QListWidget;
  parts_->setAccessibleName(tr("Parts on this sheet"));
  parts_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  body->addWidget(parts_, 1);
  connect(parts_, &QListWidget::currentRowChanged, this, [this](int row) {
    std::size_t sheet = 0;
    const FilmSheets* film = inHand(sheet);
    if (film == nullptr || row < 0 || row >= static_cast<int>(partRows_.size())) return;
    const std::vector<Laid>& all = film->arrangement.laid;
    for (std::size_t i = 0; i < all.size(); ++i) {
      if (all[i].sheet == sheet && all[i].piece == partRows_[static_cast<std::size_t>(row)]) {
        return canvas_->choose(i);
      }
    }
  });
  auto* fields = new QHBoxLayout;
  fields->setSpacing(8);
  wide_ = field(tr("Plain sheet"), Member::sheetWide);
  tall_ = field(tr("by"), Member::sheetTall);
  margin_ = field(tr("Margin"), Member::sheetMargin);
  gap_ = field(tr("Gap"), Member::sheetGap);
  for (LengthField* one : {wide_, tall_, margin_, gap_}) fields->addWidget(one);
  body->addLayout(fields);
  auto* how = new QGridLayout;
  how->setHorizontalSpacing(12);
  how->setVerticalSpacing(6);
  const auto addSwitch = [&](const QString& words, const QString& tip, int row, int column,
                             void (SheetsWork::*turn)(bool)) {
    auto* box = new QCheckBox(words);
    box->setToolTip(tip);
    connect(box, &QCheckBox::clicked, this, [this, turn](bool on) { (work_.*turn)(on); });
    how->addWidget(box, row, column);
    return box;
  };
  weeding_ = addSwitch(tr("Weeding cuts"), tr("A box round the parts, and cuts across large waste"),
                       0, 0, &SheetsWork::setWeeding);
  stack_ = addSwitch(tr("Strips edge to edge"),
                     tr("Strips of one length share cuts, where that takes no more film"), 0, 1,
                     &SheetsWork::setStacking);
  alike_ = addSwitch(tr("Backings like their prints"),
                     tr("Backings lie on sheets of the same layout as their prints, so that one "
                        "sheet is laid on the other"),
                     1, 0, &SheetsWork::setLikening);
  auto* keeping = new QHBoxLayout;
  keeping->setSpacing(6);
  together_ = new QComboBox;
  offer<Together>(*together_, {{Together::nobodys, tr("Keep nothing together")},
                               {Together::sets, tr("Keep each set’s parts together")},
                               {Together::cups, tr("Keep each cup’s parts together")}});
  together_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  together_->setMinimumContentsLength(10);
  together_->setToolTip(tr("On one sheet of their film, where one has room for them all"));
  together_->setAccessibleName(tr("Keep together on a sheet"));
  together_->view()->setAccessibleName(together_->accessibleName());
  onChosen<Together>(*together_, this, [this](Together chosen) { work_.setTogether(chosen); });
  keeping->addWidget(together_, 1);
  free_ = new QPushButton(tr("Free all"));
  free_->setToolTip(tr("What was laid by hand is laid with all the others again"));
  connect(free_, &QPushButton::clicked, this, [this] { work_.release(); });
  keeping->addWidget(free_);
  how->addLayout(keeping, 1, 1);
  how->setColumnStretch(1, 1);
  body->addLayout(how);
  auto* row = new QHBoxLayout;
  searchWords_ = new QLabel;
  searchWords_->setProperty("role", "label");
  searchWords_->setWordWrap(true);
  search_ = new QPushButton(tr("Search for denser"));
  search_->setToolTip(tr("Tries other ways to lay the parts, as long as you like (Ctrl+Shift+H)"));
  row->addWidget(searchWords_, 1);
  row->addWidget(search_);
  body->addLayout(row);
  connect(search_, &QPushButton::clicked, this, &SheetsBench::searchOrKeep);
  return card;
}

QWidget* SheetsBench::cutCard() {
  auto* inside = new QWidget;
  auto* column = new QVBoxLayout(inside);
  column->setContentsMargins(0, 0, 6, 0);
  column->setSpacing(6);
  auto* first = new QHBoxLayout;
  cut_ = new QPushButton(tr("Cut this sheet"));
  cut_->setProperty("primary", true);
  cut_->setToolTip(
      tr("Sends it to the stand-in cutter, which cuts simulated film twenty times as fast as the "
         "cutter would, and compares what was cut with the plan (Ctrl+Shift+X)"));
  pause_ = new QPushButton(tr("Pause"));
  first->addWidget(cut_, 1);
  first->addWidget(pause_);
  column->addLayout(first);
  auto* second = new QHBoxLayout;
  save_ = new QPushButton(tr("Save sheets…"));
  save_->setToolTip(tr("Every sheet as SVG, DXF, plotter file and map, and a list (Ctrl+Shift+P)"));
  auto* cutter = new QPushButton(tr("Cutter…"));
  cutter->setToolTip(tr("The cutter's figures"));
  second->addWidget(save_, 1);
  second->addWidget(cutter);
  column->addLayout(second);
  auto* third = new QHBoxLayout;
  print_ = new QPushButton(tr("Print…"));
  print_->setToolTip(tr("Prints the sheet at true size, before it is cut (Ctrl+Shift+I)"));
  found_ = new QPushButton(tr("It came out…"));
  found_->setToolTip(
      tr("Where the marks of the printed sheet are: it is cut where the print is (Ctrl+Shift+M)"));
  third->addWidget(print_, 1);
  third->addWidget(found_, 1);
  column->addLayout(third);
  connect(print_, &QPushButton::clicked, this, &SheetsBench::printNow);
  connect(found_, &QPushButton::clicked, this, &SheetsBench::showFound);
  verdict_ = new QLabel;
  verdict_->setWordWrap(true);
  verdict_->setAccessibleName(tr("What was cut"));
  verdict_->hide();
  column->addWidget(verdict_);
  book_ = new QPushButton(tr("Off the shelf"));
  book_->setAccessibleName(tr("Take this sheet off the shelf"));
  book_->setToolTip(
      tr("Once it is cut: a sheet less, a roll shorter, an offcut gone; what is left of it in one "
         "piece is kept as an offcut"));
  tick_ = new QPushButton(tr("Tick as cut"));
  tick_->setAccessibleName(tr("Tick its parts as cut"));
  tick_->setToolTip(tr("What lies wholly on it is cut, and is not laid again (Alt+Shift+J)"));
  auto* fourth = new QHBoxLayout;
  fourth->addWidget(book_, 1);
  fourth->addWidget(tick_, 1);
  column->addLayout(fourth);
  auto* caution = new QLabel(
      tr("Cut a square first and measure it. Blades and hooks are sharp; cut away from your hand. "
         "What film and cutter makers say goes before anything shown here."));
  caution->setProperty("role", "caution");
  caution->setWordWrap(true);
  column->addWidget(caution);
  words_ = new QLabel;
  words_->setWordWrap(true);
  words_->setProperty("role", "label");
  column->addWidget(words_);
  column->addStretch();
  QVBoxLayout* body = nullptr;
  QFrame* card = makeCard(tr("Cut it"), body);
  auto* area = new QScrollArea;
  plain(*area, inside);
  area->setWidgetResizable(true);
  area->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  body->addWidget(area, 1);
  connect(cut_, &QPushButton::clicked, this, [this] {
    if (link_.running()) {
      link_.stop();
    } else {
      cutNow();
    }
  });
  connect(pause_, &QPushButton::clicked, this, [this] { link_.pause(!link_.paused()); });
  connect(save_, &QPushButton::clicked, this, &SheetsBench::askAndSave);
  connect(cutter, &QPushButton::clicked, this, &SheetsBench::showCutter);
  connect(book_, &QPushButton::clicked, this, &SheetsBench::bookSheet);
  connect(tick_, &QPushButton::clicked, this, &SheetsBench::tickSheet);
  return card;
}

LengthField* SheetsBench::field(const QString& label, Member member) {
  auto* made = new LengthField(label, member);
  connect(made, &LengthField::typed, this,
          [this, member](const WrittenLength& typed) { work_.set(member, typed.length); });
  connect(made, &LengthField::stepped, this, [this, member, made](int marks) {
    const Graduation graduation = usualGraduation(order_.unit());
    const Length now = work_.choice(member);
    const Length next = nearestMark(now, graduation) + step(graduation) * marks;
    work_.set(member, std::max(next, Length()));
    made->show(work_.choice(member), order_.unit());
  });
  return made;
}

void SheetsBench::showEvent(QShowEvent* event) {
  QWidget::showEvent(event);
  work_.setSeen(true);
}

void SheetsBench::hideEvent(QHideEvent* event) {
  QWidget::hideEvent(event);
  work_.setSeen(false);
}

const FilmSheets* SheetsBench::inHand(std::size_t& sheet) const {
  const int row = list_->currentRow();
  const SheetPlan* sheets = work_.sheets().get();
  if (sheets == nullptr || row < 0 || row >= static_cast<int>(rows_.size())) return nullptr;
  const Place place = rows_[static_cast<std::size_t>(row)];
  sheet = place.sheet;
  return &sheets->films[place.film];
}

void SheetsBench::chooseSheet(int row) {
  list_->setCurrentRow(row);
}

/// The sheets in a row, and what is on none.
void SheetsBench::refresh() {
  const SheetPlan* sheets = work_.sheets().get();
  const Unit unit = order_.unit();
  rows_.clear();
  QStringList lines;
  QStringList words;
  if (sheets != nullptr) {
    for (std::size_t i = 0; i < sheets->films.size(); ++i) {
      for (std::size_t k = 0; k < sheets->films[i].arrangement.sheets.size(); ++k) {
        lines << sheetLine(sheets->films[i], k, unit);
        rows_.push_back({i, k});
      }
    }
    words = sheetNotes(*sheets, unit);
  }
  for (LengthField* one : {wide_, tall_, margin_, gap_}) {
    one->show(work_.choice(one->where().member), unit);
    one->setFault({});
    for (const Fault& fault : work_.faults()) {
      if (one->where() == fault.where) one->setFault(say(fault.sentence, unit));
    }
  }
  for (const Fault& fault : work_.faults()) {
    words << (thingOf(fault.where.member) == Thing::none
                  ? say(fault.sentence, unit)
                  : QString::fromStdString(inWords(
                        ReadFault{0, pathOf(fault.where, order_.document()), fault.sentence},
                        tr("This order").toStdString(), unit)));
  }
  weeding_->setChecked(work_.weeding());
  stack_->setChecked(work_.stacking());
  alike_->setChecked(work_.likening());
  showChosen(*together_, work_.choices().together);
  words_->setText(words.join(QLatin1Char(' ')));
  const int row = std::max(0, list_->currentRow());
  {
    const QSignalBlocker quiet(list_);
    showLines(*list_, lines);
    for (int i = 0; i < list_->count(); ++i) {
      const std::string& film =
          sheets->films[rows_[static_cast<std::size_t>(i)].film].wanted.colour;
      QPixmap swatch(12, 12);
      swatch.fill(film.empty() ? QColor(Qt::transparent) : QColor(QString::fromStdString(film)));
      list_->item(i)->setIcon(QIcon(swatch));
    }
    list_->setCurrentRow(std::min(row, list_->count() - 1));
  }
  save_->setEnabled(!rows_.empty());
  refreshParts();
  refreshSearch();
}

void SheetsBench::refreshParts() {
  std::size_t sheet = 0;
  const FilmSheets* film = inHand(sheet);
  QStringList lines;
  std::map<std::size_t, int> copies;
  if (film != nullptr) {
    for (const Laid& laid : film->arrangement.laid) {
      if (laid.sheet == sheet) ++copies[laid.piece];
    }
  }
  partRows_.clear();
  for (const auto& [piece, count] : copies) {
    const QString name = say(nameOf(*work_.sheets(), film->parts[piece]), order_.unit());
    lines << (count == 1 ? name : tr("%1 (%2 of it)").arg(name).arg(count));
    partRows_.push_back(piece);
  }
  {
    const QSignalBlocker quiet(parts_);
    showLines(*parts_, lines);
  }
  const auto row = static_cast<std::size_t>(std::max(0, list_->currentRow()));
  if (film != nullptr) {
    canvas_->show(rows_[row].film, sheet);
  } else {
    canvas_->show(SIZE_MAX, 0);
  }
  refreshChoices();
  refreshCutting();
}

/// The shelf's films of the kind that is wanted.
void SheetsBench::refreshChoices() {
  std::size_t sheet = 0;
  const FilmSheets* film = inHand(sheet);
  const QSignalBlocker quiet(filmChoice_);
  filmChoice_->clear();
  filmChoice_->addItem(tr("Plain sheets"), 0LL);
  if (film != nullptr) {
    for (const ShelfFilm& one : work_.films().films) {
      if (one.kind != film->wanted.kind) continue;
      filmChoice_->addItem(QString::fromStdString(one.name), static_cast<qlonglong>(one.key));
      if (film->film && film->film->key == one.key) {
        filmChoice_->setCurrentIndex(filmChoice_->count() - 1);
      }
    }
  }
  filmChoice_->setEnabled(filmChoice_->count() > 1);
}

void SheetsBench::refreshSearch() {
  free_->setEnabled(work_.anyByHand());
  std::size_t sheet = 0;
  const FilmSheets* film = inHand(sheet);
  search_->setText(work_.searching() ? tr("Keep it") : tr("Search for denser"));
  search_->setEnabled(film != nullptr && !work_.working());
  QString words;
  if (work_.working()) {
    words = tr("Laying the parts…");
  } else if (film != nullptr) {
    const Cutter cutter = cutterFor(work_.cutter(), *film);
    if (work_.searching()) {
      words = tr("Try %1 of %2, %3 less film so far.")
                  .arg(work_.tries())
                  .arg(SheetsWork::mostTries)
                  .arg(percentText(work_.saved()));
    } else {
      words = sheetFigures(*film, sheet, cutter, order_.unit());
    }
  }
  searchWords_->setText(words);
}

void SheetsBench::refreshCutting() {
  std::size_t sheet = 0;
  const FilmSheets* film = inHand(sheet);
  const bool running = link_.running();
  const bool prints = film != nullptr && film->prints();
  cut_->setText(running ? tr("Stop") : tr("Cut this sheet"));
  cut_->setEnabled(running || film != nullptr);
  pause_->setVisible(running);
  pause_->setText(link_.paused() ? tr("Go on") : tr("Pause"));
  if (!running && prints) {
    const auto row = static_cast<std::size_t>(list_->currentRow());
    const bool off = !(transformOf(printing_.shiftOf(rows_[row].film, sheet)) == Transform());
    found_->setText(off ? tr("Cut by its marks") : tr("It came out…"));
  }
  if (running) {
    tell(tr("%1 of %2 commands done.").arg(link_.done()).arg(link_.all()));
  }
  print_->setVisible(prints);
  found_->setVisible(prints);
  found_->setEnabled(prints && work_.sheets()->choices.printer.marks);
  tick_->setEnabled(film != nullptr && !running);
  book_->setEnabled(film != nullptr && !running && film->film.has_value());
}

}  // namespace avrelt

#include "moc_sheets_bench.cpp"

// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shelf/films_dialog.h"

#include <algorithm>
#include <array>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include "app/fields/count_box.h"
#include "app/fields/labelled.h"
#include "app/fields/list_lines.h"
#include "app/fields/offer.h"
#include "app/fields/on_screen.h"
#include "app/order/phrases.h"

namespace avrelt {
FilmsDialog::FilmsDialog(Shelf& shelf, Unit unit, QWidget* parent)
    : QDialog(parent), shelf_(shelf), unit_(unit) {
  setWindowTitle(tr("Films on the shelf"));
  openAt(*this, {900, 480});
  auto* row = new QHBoxLayout(this);
  row->setSpacing(16);

  auto* left = new QVBoxLayout;
  films_ = new QListWidget;
  films_->setAccessibleName(tr("Films"));
  left->addWidget(films_, 1);
  auto* filmButtons = new QHBoxLayout;
  auto* add = new QPushButton(tr("Add a film"));
  removeFilm_ = new QPushButton(tr("Remove"));
  removeFilm_->setAccessibleName(tr("Remove the film and all there is of it"));
  filmButtons->addWidget(add, 1);
  filmButtons->addWidget(removeFilm_);
  left->addLayout(filmButtons);
  row->addLayout(left, 3);

  auto* middle = new QVBoxLayout;
  middle->setSpacing(8);
  name_ = new QLineEdit;
  name_->setMaxLength(100);
  middle->addWidget(labelled(tr("Name"), name_));
  kind_ = new QComboBox;
  for (const PartMaterial kind : filmKinds) {
    offer<PartMaterial>(*kind_, {{kind, say(materialTitle(kind), unit)}});
  }
  middle->addWidget(labelled(tr("Kind"), kind_));
  colour_ = new Swatches;
  colour_->setFixedHeight(64);
  middle->addWidget(labelled(tr("Colour"), colour_));
  keepsDirection_ = new QCheckBox(tr("It has a direction: parts are not turned"));
  faceDown_ = new QCheckBox(tr("It is cut from its back: mirrored"));
  middle->addWidget(keepsDirection_);
  middle->addWidget(faceDown_);
  price_ = new QDoubleSpinBox;
  price_->setRange(0, 1e6);
  price_->setDecimals(2);
  price_->setSpecialValueText(tr("not known"));
  middle->addWidget(labelled(tr("Price of a square metre"), price_));
  middle->addStretch(1);
  row->addLayout(middle, 4);

  auto* right = new QVBoxLayout;
  right->setSpacing(8);
  auto* heading = new QLabel(tr("What there is of it"));
  heading->setProperty("role", "label");
  right->addWidget(heading);
  stock_ = new QListWidget;
  stock_->setAccessibleName(tr("What there is of it"));
  right->addWidget(stock_, 1);
  auto* sizes = new QGridLayout;
  sizes->setHorizontalSpacing(8);
  wide_ = new LengthField(tr("Width"), Member::stockWide);
  tall_ = new LengthField(tr("Length"), Member::stockTall);
  count_ = new CountBox;
  count_->setRange(1, 10'000);
  place_ = new QLineEdit;
  place_->setMaxLength(100);
  sizes->addWidget(wide_, 0, 0);
  sizes->addWidget(tall_, 0, 1);
  sizes->addWidget(labelled(tr("How many"), count_), 1, 0);
  sizes->addWidget(labelled(tr("Where it is kept"), place_), 1, 1);
  right->addLayout(sizes);
  auto* stockButtons = new QHBoxLayout;
  const auto adder = [&](const QString& text, StockShape shape) {
    auto* button = new QPushButton(text);
    stockButtons->addWidget(button);
    connect(button, &QPushButton::clicked, this, [this, shape] { addStock(shape); });
  };
  adder(tr("+ Sheet"), StockShape::sheet);
  adder(tr("+ Roll"), StockShape::roll);
  adder(tr("+ Offcut"), StockShape::offcut);
  removeStock_ = new QPushButton(tr("Remove"));
  removeStock_->setAccessibleName(tr("Remove this piece"));
  stockButtons->addWidget(removeStock_);
  right->addLayout(stockButtons);
  words_ = new QLabel;
  words_->setProperty("role", "label");
  words_->setWordWrap(true);
  right->addWidget(words_);
  auto* done = new QPushButton(tr("Done"));
  done->setProperty("primary", true);
  right->addWidget(done);
  row->addLayout(right, 5);

  connect(add, &QPushButton::clicked, this, &FilmsDialog::addFilm);
  connect(removeFilm_, &QPushButton::clicked, this, &FilmsDialog::removeFilm);
  connect(removeStock_, &QPushButton::clicked, this, &FilmsDialog::removeStock);
  connect(done, &QPushButton::clicked, this, &QDialog::accept);
  connect(films_, &QListWidget::currentRowChanged, this, &FilmsDialog::showFilm);
  connect(stock_, &QListWidget::currentRowChanged, this, &FilmsDialog::showStock);
  connect(name_, &QLineEdit::editingFinished, this, &FilmsDialog::keepFilm);
  connect(kind_, &QComboBox::activated, this, &FilmsDialog::keepFilm);
  connect(colour_, &Swatches::chosen, this, [this](const QString& colour) {
    if (ShelfFilm* film = filmInHand()) film->colour = colour.toUpper().toStdString();
    keepFilm();
  });
  connect(keepsDirection_, &QCheckBox::clicked, this, &FilmsDialog::keepFilm);
  connect(faceDown_, &QCheckBox::clicked, this, &FilmsDialog::keepFilm);
  connect(price_, &QDoubleSpinBox::editingFinished, this, &FilmsDialog::keepFilm);
  for (LengthField* field : {wide_, tall_}) {
    connect(field, &LengthField::typed, this, [this, field](const WrittenLength& typed) {
      FilmStock* stock = stockInHand();
      if (stock == nullptr) return;
      (field == wide_ ? stock->wide : stock->tall) = typed.length;
      keepStock();
    });
    connect(field, &LengthField::stepped, this, [this, field](int marks) {
      FilmStock* stock = stockInHand();
      if (stock == nullptr) return;
      Length& length = field == wide_ ? stock->wide : stock->tall;
      const Graduation graduation = usualGraduation(unit_);
      length = std::max(nearestMark(length, graduation) + step(graduation) * marks, Length());
      field->show(length, unit_);
      keepStock();
    });
  }
  connect(count_, &QSpinBox::valueChanged, this, [this](int count) {
    FilmStock* stock = stockInHand();
    if (showing_ || stock == nullptr) return;
    stock->count = count;
    keepStock();
  });
  connect(place_, &QLineEdit::editingFinished, this, [this] {
    FilmStock* stock = stockInHand();
    if (stock == nullptr || stock->place == place_->text().toStdString()) return;
    stock->place = place_->text().toStdString();
    keepStock();
  });
  connect(&shelf, &Shelf::said, words_, &QLabel::setText);
  // Return keeps what is typed; it presses nothing.
  for (QPushButton* button : findChildren<QPushButton*>()) button->setAutoDefault(false);
  read();
  films_->setCurrentRow(0);
  showFilm();
}

ShelfFilm* FilmsDialog::filmInHand() {
  const int row = films_->currentRow();
  return row >= 0 && row < static_cast<int>(all_.films.size())
             ? &all_.films[static_cast<std::size_t>(row)]
             : nullptr;
}

FilmStock* FilmsDialog::stockInHand() {
  const int row = stock_->currentRow();
  return row >= 0 && row < static_cast<int>(stockRows_.size())
             ? &all_.stock[stockRows_[static_cast<std::size_t>(row)]]
             : nullptr;
}

void FilmsDialog::read() {
  all_ = shelf_.films();
  QStringList lines;
  for (const ShelfFilm& film : all_.films) lines << QString::fromStdString(film.name);
  const QSignalBlocker quiet(films_);
  showLines(*films_, lines);
  for (int i = 0; i < films_->count(); ++i) {
    const std::string& colour = all_.films[static_cast<std::size_t>(i)].colour;
    QPixmap swatch(12, 12);
    swatch.fill(colour.empty() ? QColor(Qt::transparent) : QColor(QString::fromStdString(colour)));
    films_->item(i)->setIcon(QIcon(swatch));
  }
}

void FilmsDialog::showFilm() {
  const ShelfFilm* film = filmInHand();
  showing_ = true;
  const std::initializer_list<QWidget*> fields{name_,     kind_,  colour_, keepsDirection_,
                                               faceDown_, price_, stock_,  removeFilm_};
  for (QWidget* field : fields) field->setEnabled(film != nullptr);
  name_->setText(film != nullptr ? QString::fromStdString(film->name) : QString());
  if (film != nullptr) {
    showChosen(*kind_, film->kind);
    colour_->show(QString::fromStdString(film->colour));
    keepsDirection_->setChecked(film->keepsDirection);
    faceDown_->setChecked(film->faceDown);
    price_->setValue(film->pricePerM2);
  }
  QStringList lines;
  stockRows_.clear();
  for (std::size_t i = 0; film != nullptr && i < all_.stock.size(); ++i) {
    const FilmStock& stock = all_.stock[i];
    if (stock.film != film->key) continue;
    stockRows_.push_back(i);
    const QString size =
        tr("%1 × %2").arg(onTape(stock.wide, unit_).mark, onTape(stock.tall, unit_).mark);
    QString line = stock.shape == StockShape::roll     ? tr("Roll, %1").arg(size)
                   : stock.shape == StockShape::offcut ? tr("Offcut, %1").arg(size)
                   : stock.count == 1                  ? tr("Sheet, %1").arg(size)
                                      : tr("%1 sheets, %2").arg(stock.count).arg(size);
    for (const std::string& more : {stock.name, stock.place}) {
      if (!more.empty()) line += QStringLiteral(", ") + QString::fromStdString(more);
    }
    lines << line;
  }
  {
    const QSignalBlocker quiet(stock_);
    const int row = std::max(0, stock_->currentRow());
    showLines(*stock_, lines);
    stock_->setCurrentRow(std::min(row, stock_->count() - 1));
  }
  showing_ = false;
  showStock();
  if (all_.films.empty()) {
    words_->setText(tr("There is no film on the shelf yet. Add one, and what there is of it."));
  }
}

void FilmsDialog::showStock() {
  const FilmStock* stock = stockInHand();
  showing_ = true;
  const std::initializer_list<QWidget*> fields{wide_, tall_, count_, place_, removeStock_};
  for (QWidget* field : fields) field->setEnabled(stock != nullptr);
  if (stock != nullptr) {
    wide_->show(stock->wide, unit_);
    tall_->show(stock->tall, unit_);
    count_->setValue(static_cast<int>(stock->count));
    place_->setText(QString::fromStdString(stock->place));
    count_->setEnabled(stock->shape == StockShape::sheet);
  }
  showing_ = false;
}

void FilmsDialog::keepFilm() {
  ShelfFilm* film = filmInHand();
  if (showing_ || film == nullptr) return;
  ShelfFilm next = *film;
  next.name = name_->text().trimmed().toStdString();
  next.kind = chosenIn<PartMaterial>(*kind_);
  next.keepsDirection = keepsDirection_->isChecked();
  next.faceDown = faceDown_->isChecked();
  next.pricePerM2 = price_->value();
  words_->clear();
  const std::optional<long long> key = shelf_.put(next);
  read();
  for (std::size_t i = 0; key && i < all_.films.size(); ++i) {
    if (all_.films[i].key == *key) films_->setCurrentRow(static_cast<int>(i));
  }
  showFilm();
}

void FilmsDialog::keepStock() {
  const FilmStock* stock = stockInHand();
  if (showing_ || stock == nullptr) return;
  for (LengthField* field : {wide_, tall_}) field->setFault({});
  bool refused = false;
  for (const Fault& fault : faultsOf(*stock)) {
    for (LengthField* field : {wide_, tall_}) {
      if (field->where() == fault.where) {
        field->setFault(say(fault.sentence, unit_));
        refused = true;
      }
    }
  }
  if (refused) return;
  words_->clear();
  shelf_.put(*stock);
  const int row = stock_->currentRow();
  read();
  showFilm();
  stock_->setCurrentRow(row);
}

void FilmsDialog::addFilm() {
  ShelfFilm film;
  // The first name that is free.
  const auto taken = [this](const QString& name) {
    return std::any_of(all_.films.begin(), all_.films.end(), [&](const ShelfFilm& one) {
      return QString::fromStdString(one.name).compare(name, Qt::CaseInsensitive) == 0;
    });
  };
  QString name = tr("New film");
  for (int n = 2; taken(name); ++n) name = tr("New film %1").arg(n);
  film.name = name.toStdString();
  words_->clear();
  const std::optional<long long> key = shelf_.put(film);
  read();
  for (std::size_t i = 0; key && i < all_.films.size(); ++i) {
    if (all_.films[i].key == *key) films_->setCurrentRow(static_cast<int>(i));
  }
  showFilm();
  name_->setFocus();
  name_->selectAll();
}

void FilmsDialog::removeFilm() {
  const ShelfFilm* film = filmInHand();
  if (film == nullptr) return;
  words_->clear();
  shelf_.removeFilm(film->key);
  const int row = films_->currentRow();
  read();
  films_->setCurrentRow(std::min(row, films_->count() - 1));
  showFilm();
}

void FilmsDialog::addStock(StockShape shape) {
  const ShelfFilm* film = filmInHand();
  if (film == nullptr) {
    words_->setText(tr("Add a film first."));
    return;
  }
  const bool inches = unit_ == Unit::inch;
  FilmStock stock;
  stock.film = film->key;
  stock.shape = shape;
  stock.wide = inches ? Length::inches(12) : Length::mm(300);
  stock.tall = shape == StockShape::roll     ? (inches ? Length::inches(120) : Length::mm(3000))
               : shape == StockShape::offcut ? (inches ? Length::inches(6) : Length::mm(150))
                                             : (inches ? Length::inches(12) : Length::mm(300));
  words_->clear();
  shelf_.put(stock);
  read();
  showFilm();
  stock_->setCurrentRow(stock_->count() - 1);
  wide_->edit()->setFocus();
  wide_->edit()->selectAll();
}

void FilmsDialog::removeStock() {
  const FilmStock* stock = stockInHand();
  if (stock == nullptr) return;
  words_->clear();
  shelf_.removeStock(stock->key);
  read();
  showFilm();
}

}  // namespace avrelt

#include "moc_films_dialog.cpp"

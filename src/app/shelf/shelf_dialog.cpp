// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shelf/shelf_dialog.h"

#include <algorithm>
#include <QBuffer>
#include <QFileDialog>
#include <QFormLayout>
#include <QHBoxLayout>
#include <QScrollArea>
#include <QVBoxLayout>

#include "app/fields/confirmed.h"
#include "app/fields/on_screen.h"
#include "app/fields/scrolled.h"
#include "app/look/theme.h"
#include "app/order/phrases.h"
#include "app/trace/photo.h"
#include "cup/capacity.h"

namespace avrelt {
namespace {

constexpr int photoSide = 1200;  // px that are kept
const QSize photoShown(292, 120);

}  // namespace

ShelfDialog::ShelfDialog(Shelf& shelf, Order& order, QWidget* parent)
    : QDialog(parent), shelf_(shelf), order_(order) {
  setWindowTitle(tr("Shelf of blanks"));
  openAt(*this, {1040, 680});
  auto* columns = new QHBoxLayout(this);
  columns->setSpacing(14);

  auto* left = new QVBoxLayout;
  search_ = new QLineEdit;
  search_->setPlaceholderText(tr("Search names and notes"));
  search_->setAccessibleName(tr("Search the shelf"));
  search_->setClearButtonEnabled(true);
  left->addWidget(search_);
  view_ = new ShelfView;
  auto* scroll = new QScrollArea;
  scroll->setWidget(view_);
  scroll->setWidgetResizable(true);
  scroll->setFocusPolicy(Qt::NoFocus);
  left->addWidget(scroll, 1);
  words_ = new QLabel;
  words_->setWordWrap(true);
  left->addWidget(words_);
  auto* buttons = new QHBoxLayout;
  save_ = new QPushButton(tr("Put the cup in hand here"));
  auto* bringIn = new QPushButton(tr("Bring in…"));
  auto* writeOut = new QPushButton(tr("Write out…"));
  bringIn->setToolTip(tr("Blanks from a CSV table or a JSON file"));
  writeOut->setToolTip(tr("All blanks as a CSV table or a JSON file"));
  buttons->addWidget(save_);
  buttons->addStretch();
  buttons->addWidget(bringIn);
  buttons->addWidget(writeOut);
  left->addLayout(buttons);
  columns->addLayout(left, 1);

  auto* side = new QWidget;
  side->setFixedWidth(300);
  auto* right = new QVBoxLayout(side);
  right->setContentsMargins(0, 0, 0, 0);
  right->setSpacing(7);
  name_ = new QLabel;
  name_->setFont(face(17, QFont::DemiBold));
  name_->setWordWrap(true);
  right->addWidget(name_);
  figures_ = new QLabel;
  figures_->setWordWrap(true);
  figures_->setProperty("role", "label");
  right->addWidget(figures_);
  const auto field = [&](const QString& label) {
    auto* words = new QLabel(label);
    words->setProperty("role", "label");
    auto* edit = new QLineEdit;
    edit->setAccessibleName(label);
    words->setBuddy(edit);
    right->addWidget(words);
    right->addWidget(edit);
    return edit;
  };
  capacity_ = field(tr("Said to hold"));
  notes_ = field(tr("Notes"));
  photo_ = new QLabel;
  photo_->setAlignment(Qt::AlignCenter);
  photo_->setFixedHeight(photoShown.height());
  photo_->setAccessibleName(tr("Photo"));
  right->addWidget(photo_);
  addPhoto_ = new QPushButton(tr("Photo…"));
  right->addWidget(addPhoto_);
  auto* heading = new QLabel(tr("Measured under coats"));
  heading->setProperty("role", "title");
  right->addWidget(heading);
  log_ = new QListWidget;
  log_->setWordWrap(true);
  log_->setAccessibleName(tr("Measured under coats"));
  right->addWidget(log_, 1);
  remove_ = new QPushButton(tr("Take off the shelf…"));
  take_ = new QPushButton(tr("Put on the bench"));
  take_->setProperty("primary", true);
  auto* close = new QPushButton(tr("Close"));
  right->addWidget(remove_);
  right->addWidget(take_);
  right->addWidget(close);
  log_->setMinimumHeight(70);
  columns->addWidget(scrolledColumn(side));
  for (QPushButton* button : findChildren<QPushButton*>()) button->setAutoDefault(false);

  connect(search_, &QLineEdit::textChanged, this, &ShelfDialog::refresh);
  connect(search_, &QLineEdit::returnPressed, view_, [this] { view_->setFocus(); });
  connect(view_, &ShelfView::pickedNow, this, &ShelfDialog::showOne);
  connect(view_, &ShelfView::taken, this, &ShelfDialog::take);
  connect(view_, &ShelfView::pickedNow, scroll, [this, scroll](int index) {
    if (index < 0) return;
    const QPointF centre = view_->placeOf(index).center();
    scroll->ensureVisible(static_cast<int>(centre.x()), static_cast<int>(centre.y()), 70, 80);
  });
  connect(take_, &QPushButton::clicked, this, [this] { take(view_->picked()); });
  connect(save_, &QPushButton::clicked, this, [this] {
    const QString name = shelf_.saveFromBench();
    if (name.isEmpty()) return;
    search_->clear();
    for (std::size_t i = 0; i < found_.size(); ++i) {
      if (QString::fromStdString(found_[i].blank.name) == name) view_->pick(static_cast<int>(i));
    }
  });
  connect(remove_, &QPushButton::clicked, this, &ShelfDialog::removeOne);
  connect(addPhoto_, &QPushButton::clicked, this, &ShelfDialog::addPhoto);
  connect(bringIn, &QPushButton::clicked, this, &ShelfDialog::askImport);
  connect(writeOut, &QPushButton::clicked, this, &ShelfDialog::askExport);
  connect(close, &QPushButton::clicked, this, &QDialog::reject);
  connect(notes_, &QLineEdit::editingFinished, this, [this] {
    change([this](ShelfBlank& shelved) { shelved.notes = notes_->text().toStdString(); });
  });
  connect(capacity_, &QLineEdit::editingFinished, this, [this] {
    const std::string text = capacity_->text().trimmed().toStdString();
    if (text.empty()) {
      change([](ShelfBlank& shelved) { shelved.capacity = std::nullopt; });
      return;
    }
    const Checked<Volume> volume = parseVolume(text);
    if (!volume) {
      words_->setText(say(volume.error().sentence, order_.unit()));
      return;
    }
    change([&](ShelfBlank& shelved) { shelved.capacity = *volume; });
  });
  connect(&shelf, &Shelf::changed, this, &ShelfDialog::refresh);
  connect(&shelf, &Shelf::said, words_, &QLabel::setText);
  refresh();
  search_->setFocus();
}

void ShelfDialog::refresh() {
  const bool open = shelf_.open();
  found_ = shelf_.find(search_->text());
  view_->show(found_);
  save_->setEnabled(open && order_.hasCup());
  if (!open) words_->setText(say(*shelf_.trouble(), order_.unit()));
}

void ShelfDialog::showOne(int index) {
  const bool any = index >= 0 && index < static_cast<int>(found_.size());
  for (QWidget* widget :
       std::initializer_list<QWidget*>{take_, remove_, capacity_, notes_, addPhoto_}) {
    widget->setEnabled(any);
  }
  take_->setEnabled(any && order_.hasCup());
  log_->clear();
  if (!any) {
    name_->clear();
    figures_->clear();
    capacity_->clear();
    notes_->clear();
    photo_->clear();
    return;
  }
  const ShelfBlank& shelved = found_[static_cast<std::size_t>(index)];
  const Unit unit = order_.unit();
  const QString name = QString::fromStdString(shelved.blank.name);
  name_->setText(name);
  notes_->setText(QString::fromStdString(shelved.notes));
  capacity_->setText(shelved.capacity ? QString::fromStdString(volumeText(*shelved.capacity))
                                      : QString());
  QString figures;
  if (const CheckedAll<Body> body = Body::of(shelved.blank)) {
    figures = tr("%1 round the base, %2 round the rim, %3 up the wall; %4 stations.")
                  .arg(onTape(body->aroundBase(), unit).mark, onTape(body->aroundRim(), unit).mark,
                       onTape(body->wall(), unit).mark)
                  .arg(shelved.blank.stations.size());
    if (shelved.capacity) {
      if (const auto note = capacityNote(*body, *shelved.capacity)) {
        figures += QLatin1Char(' ') + say(*note, unit);
      }
    }
  }
  figures_->setText(figures);
  const std::string photo = shelf_.photoOf(name);
  QPixmap picture;
  picture.loadFromData(reinterpret_cast<const uchar*>(photo.data()),
                       static_cast<uint>(photo.size()));
  photo_->setVisible(!picture.isNull());
  if (!picture.isNull()) {
    photo_->setPixmap(picture.scaled(photoShown, Qt::KeepAspectRatio, Qt::SmoothTransformation));
  }
  for (const ShelfMeasurement& measured : shelf_.measurementsOf(name)) {
    log_->addItem(tr("%1: %2 round, under %3")
                      .arg(QString::fromStdString(measured.taken),
                           onTape(measured.around, unit).mark,
                           QString::fromStdString(measured.stage)));
  }
  if (log_->count() == 0) log_->addItem(tr("Nothing yet. Log a girth on the Growth page."));
}

void ShelfDialog::take(int index) {
  if (index < 0 || index >= static_cast<int>(found_.size()) || !order_.hasCup()) return;
  shelf_.putOnBench(found_[static_cast<std::size_t>(index)]);
  accept();
}

void ShelfDialog::change(const std::function<void(ShelfBlank&)>& edit) {
  const int index = view_->picked();
  if (index < 0 || index >= static_cast<int>(found_.size())) return;
  ShelfBlank shelved = found_[static_cast<std::size_t>(index)];
  edit(shelved);
  if (shelved == found_[static_cast<std::size_t>(index)]) return;
  shelf_.put(shelved);
}

void ShelfDialog::addPhoto() {
  const QString path =
      QFileDialog::getOpenFileName(this, tr("Photo of the blank"), {},
                                   tr("Pictures (*.jpg *.jpeg *.png *.bmp *.gif);;All files (*)"));
  if (path.isEmpty()) return;
  const tl::expected<QImage, Sentence> photo = readPhoto(path);
  if (!photo) {
    words_->setText(say(photo.error(), order_.unit()));
    return;
  }
  const QImage small =
      std::max(photo->width(), photo->height()) > photoSide
          ? photo->scaled(photoSide, photoSide, Qt::KeepAspectRatio, Qt::SmoothTransformation)
          : *photo;
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  small.save(&buffer, "JPEG", 85);
  change([&](ShelfBlank& shelved) { shelved.photo = bytes.toStdString(); });
}

void ShelfDialog::askImport() {
  const QString path = QFileDialog::getOpenFileName(
      this, tr("Bring in blanks"), {},
      tr("Tables and shelves (*.csv *.tsv *.txt *.json);;All files (*)"));
  if (path.isEmpty()) return;
  words_->setText(say(shelf_.import(path), order_.unit()));
}

void ShelfDialog::askExport() {
  QString path =
      QFileDialog::getSaveFileName(this, tr("Write out all blanks"), QStringLiteral("blanks.csv"),
                                   tr("Table (*.csv);;JSON (*.json)"));
  if (path.isEmpty()) return;
  words_->setText(say(shelf_.exportTo(path), order_.unit()));
}

void ShelfDialog::removeOne() {
  const int index = view_->picked();
  if (index < 0) return;
  const QString name = QString::fromStdString(found_[static_cast<std::size_t>(index)].blank.name);
  const QString question = tr("Remove “%1” from the shelf? What was logged of it goes too. Orders "
                              "that use it keep their own measures.")
                               .arg(name);
  if (confirmed(this, tr("Remove a blank"), question, tr("Remove"))) shelf_.remove(name);
}

}  // namespace avrelt

#include "moc_shelf_dialog.cpp"

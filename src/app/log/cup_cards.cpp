// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/log/cup_cards.h"

#include <QBuffer>
#include <QDir>
#include <QFileDialog>
#include <QFileInfo>
#include <QGridLayout>
#include <QImageReader>
#include <QVBoxLayout>

#include "app/fields/card.h"
#include "app/fields/confirmed.h"
#include "app/fields/labelled.h"
#include "app/fields/list_lines.h"
#include "app/fields/on_event.h"
#include "app/log/again_dialog.h"
#include "app/log/compare_dialog.h"
#include "app/look/theme.h"
#include "app/order/bench_words.h"
#include "app/order/phrases.h"
#include "files/disk.h"
#include "shop/log_pdf.h"

namespace avrelt {

CupCards::CupCards(LogBoard& board, std::function<QString()> folder, QWidget* parent)
    : QWidget(parent), board_(board), folder_(std::move(folder)) {
  QHBoxLayout* row = makeDrawer(this);
  row->addWidget(cupCard(), 36);
  row->addWidget(middleCard(), 32);
  row->addWidget(rightCard(), 32);
  connect(&board_, &LogBoard::changed, this, &CupCards::refresh);
  refresh();
}

QWidget* CupCards::cupCard() {
  QVBoxLayout* body = nullptr;
  QFrame* card = makeCard(tr("In the log"), body);
  body->setSpacing(5);
  title_ = wordsLabel("value");
  title_->setFont(face(18, QFont::DemiBold));
  words_ = wordsLabel("label");
  made_ = wordsLabel("value");
  made_->setMaximumHeight(64);
  body->addWidget(title_);
  body->addWidget(words_);
  body->addWidget(made_);
  body->addStretch();
  auto* grid = new QGridLayout;
  grid->setSpacing(6);
  int at = 0;
  const auto button = [&](const QString& text, const QString& help, const auto& act) {
    auto* made = new QPushButton(text);
    made->setStyleSheet(QStringLiteral("padding: 5px 8px;"));
    made->setToolTip(help);
    connect(made, &QPushButton::clicked, this, act);
    grid->addWidget(made, at / 2, at % 2);
    ++at;
    ofCup_.push_back(made);
    return made;
  };
  button(tr("Make it again…"), tr("A new order with the same choices (Ctrl+Alt+Return)"), [this] {
    makeAgain();
  })->setProperty("primary", true);
  button(tr("Open as it was"), tr("The order of this cup as it stood, to be looked at"),
         [this] { openAsItWas(); });
  button(tr("Compare…"), tr("Side by side with another cup (Alt+Shift+V)"), [this] { compare(); });
  button(tr("Record card…"), tr("What it is made of and how, on a page"), [this] { saveCard(); });
  button(tr("Price tag…"), tr("A tag with its name and price"), [this] { saveTag(); });
  body->addLayout(grid);
  return card;
}

QWidget* CupCards::middleCard() {
  QVBoxLayout* body = nullptr;
  QFrame* card = makeCard({}, body);
  card->setAccessibleName(tr("What was done"));
  const auto list = [&](const QString& name) {
    auto* made = new QListWidget;
    made->setAccessibleName(name);
    made->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    made->setTextElideMode(Qt::ElideRight);
    return made;
  };
  const auto page = [&](QListWidget* of, const std::vector<QPushButton*>& buttons) {
    auto* made = new QWidget;
    auto* column = new QVBoxLayout(made);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(6);
    column->addWidget(of, 1);
    if (buttons.empty()) return made;
    auto* row = new QHBoxLayout;
    for (QPushButton* button : buttons) {
      button->setStyleSheet(QStringLiteral("padding: 4px 8px;"));
      row->addWidget(button);
    }
    column->addLayout(row);
    return made;
  };
  steps_ = list(tr("Steps that were done"));
  cuts_ = list(tr("Parts that were cut"));
  photos_ = list(tr("Photos"));
  photos_->setIconSize(QSize(96, 72));
  ofCut_ = new QPushButton(tr("Save it to cut again…"));
  ofCut_->setToolTip(tr("The drawing as it was cut, at just that size"));
  connect(ofCut_, &QPushButton::clicked, this, &CupCards::cutAgain);
  auto* add = new QPushButton(tr("Add a photo…"));
  connect(add, &QPushButton::clicked, this, &CupCards::addPhoto);
  ofCup_.push_back(add);
  openPhoto_ = new QPushButton(tr("Look"));
  openPhoto_->setToolTip(tr("The photo, large"));
  connect(openPhoto_, &QPushButton::clicked, this, &CupCards::showPhoto);
  removePhoto_ = new QPushButton(tr("Remove"));
  removePhoto_->setAccessibleName(tr("Remove the photo"));
  connect(removePhoto_, &QPushButton::clicked, this, &CupCards::removePhoto);
  middle_ = new Pages(
      tr("What was done"), {tr("Steps"), tr("Cut"), tr("Photos")},
      {page(steps_, {}), page(cuts_, {ofCut_}), page(photos_, {add, openPhoto_, removePhoto_})});
  const auto enable = [this] {
    ofCut_->setEnabled(cuts_->currentRow() >= 0);
    openPhoto_->setEnabled(photos_->currentRow() >= 0);
    removePhoto_->setEnabled(photos_->currentRow() >= 0);
  };
  connect(cuts_, &QListWidget::currentRowChanged, this, enable);
  connect(photos_, &QListWidget::currentRowChanged, this, enable);
  connect(photos_, &QListWidget::itemActivated, this, &CupCards::showPhoto);
  connect(cuts_, &QListWidget::itemActivated, this, &CupCards::cutAgain);
  enable();
  body->addWidget(middle_, 1);
  return card;
}

QWidget* CupCards::rightCard() {
  QVBoxLayout* body = nullptr;
  QFrame* card = makeCard({}, body);
  card->setAccessibleName(tr("Notes and cost"));
  auto* notes = new QWidget;
  auto* column = new QVBoxLayout(notes);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  auto* row = new QHBoxLayout;
  row->setSpacing(8);
  whom_ = new QLineEdit;
  whom_->setMaxLength(200);
  price_ = new QLineEdit;
  price_->setMaxLength(20);
  row->addWidget(labelled(tr("Made for"), whom_), 3);
  row->addWidget(labelled(tr("Sold for"), price_), 2);
  column->addLayout(row);
  suggested_ = wordsLabel("label");
  column->addWidget(suggested_);
  faults_ = new QPlainTextEdit;
  faults_->setTabChangesFocus(true);
  column->addWidget(labelled(tr("Faults seen, what was tried, notes"), faults_), 1);
  auto* costs = new QWidget;
  auto* below = new QVBoxLayout(costs);
  below->setContentsMargins(0, 0, 0, 0);
  cost_ = new QLabel;
  cost_->setTextFormat(Qt::RichText);
  cost_->setWordWrap(true);
  cost_->setAlignment(Qt::AlignTop);
  below->addWidget(cost_, 1);
  right_ = new Pages(tr("Notes or cost"), {tr("Notes"), tr("Cost")}, {notes, costs});
  body->addWidget(right_, 1);
  connect(whom_, &QLineEdit::editingFinished, this, &CupCards::keepNotes);
  connect(price_, &QLineEdit::editingFinished, this, &CupCards::keepNotes);
  new OnEvent(
      QEvent::FocusOut, [this] { keepNotes(); }, faults_);
  return card;
}

void CupCards::keepNotes() {
  const LogEntry* entry = board_.picked();
  if (entry == nullptr || !shown_ || !(entry->key == *shown_)) return;
  LogNotes notes = entry->notes;
  notes.whom = whom_->text().trimmed().toStdString();
  notes.faults = faults_->toPlainText().toStdString();
  const QString text = price_->text().trimmed();
  notes.price.reset();
  if (!text.isEmpty()) {
    notes.price = parseMoney(text.toStdString());
    if (!notes.price) {
      emit said(tr("“%1” is no price. Type a number, from 0 to a million.").arg(text));
      return;
    }
  }
  board_.note(notes);
}

void CupCards::refresh() {
  const LogEntry* entry = board_.picked();
  for (QPushButton* button : ofCup_) button->setEnabled(entry != nullptr);
  for (QWidget* field : {static_cast<QWidget*>(whom_), static_cast<QWidget*>(price_),
                         static_cast<QWidget*>(faults_)}) {
    field->setEnabled(entry != nullptr);
  }
  if (entry == nullptr) {
    shown_.reset();
    title_->setText(tr("Nothing was made yet"));
    words_->setText(
        tr("A cup comes into the log as soon as a step of it is ticked off at the "
           "bench, or a part of it is marked as cut."));
    made_->clear();
    for (QListWidget* list : {steps_, cuts_, photos_}) list->clear();
    whom_->clear();
    price_->clear();
    faults_->clear();
    cost_->clear();
    suggested_->clear();
    return;
  }
  const bool other = !shown_ || !(*shown_ == entry->key);
  shown_ = entry->key;
  title_->setText(QString::fromStdString(entry->name));
  QStringList words{tr("Of “%1”").arg(QString::fromStdString(entry->order))};
  if (!entry->blank.empty()) words << QString::fromStdString(entry->blank);
  if (entry->begun) words << tr("begun %1").arg(QString::fromStdString(dayText(*entry->begun)));
  if (entry->finished) {
    words << tr("finished %1").arg(QString::fromStdString(dayText(*entry->finished)));
  } else if (entry->steps > 0) {
    words << tr("%1 of %2 steps done").arg(entry->done).arg(entry->steps);
  }
  if (entry->worked > Duration()) words << tr("%1 of work").arg(hoursWords(entry->worked));
  words_->setText(words.join(QStringLiteral(", ")) + QLatin1Char('.'));
  made_->setText(QString::fromStdString(entry->made));
  made_->setToolTip(made_->text());
  QStringList lines;
  for (const LoggedStep& step : board_.steps()) {
    QString line = tr("%1 %2  %3 (%4)")
                       .arg(QString::fromStdString(dayText(step.at)),
                            QString::fromStdString(clockText(step.at)),
                            QString::fromStdString(step.words), hoursWords(step.took));
    for (const SupplyUse& use : step.uses) {
      const Supply* supply = board_.shelf().supplies().called(use.supply);
      if (supply == nullptr) continue;
      line += tr("; %1 %2").arg(QString::fromStdString(amountText(use.amount, board_.unit())),
                                QString::fromStdString(supply->name));
    }
    lines << line;
  }
  showLines(*steps_, lines);
  for (int i = 0; i < steps_->count(); ++i) steps_->item(i)->setToolTip(lines[i]);
  lines.clear();
  for (const CutKept& cut : board_.cuts()) {
    lines << tr("%1, %2, %3 (%4)")
                 .arg(QString::fromStdString(cut.title), QString::fromStdString(cut.film.name),
                      say(cut.film.area, board_.unit()), QString::fromStdString(dayText(cut.at)));
  }
  showLines(*cuts_, lines);
  lines.clear();
  std::optional<Logbook> log = board_.shelf().logbook();
  for (const LogPhoto& photo : board_.photos()) {
    const bool there =
        log && QFileInfo::exists(QString::fromStdString(log->fileOf(photo).string()));
    lines << (there ? QString::fromStdString(dayText(photo.taken)) + QLatin1Char(' ') +
                          QString::fromStdString(photo.caption)
                    : tr("The photo is not there any more (%1)")
                          .arg(QString::fromStdString(photo.caption)));
  }
  showLines(*photos_, lines);
  for (int i = 0; i < photos_->count() && log; ++i) {
    const LogPhoto& photo = board_.photos()[static_cast<std::size_t>(i)];
    const QString file = QString::fromStdString(log->fileOf(photo).string());
    if (photos_->item(i)->data(Qt::UserRole).toString() == file) continue;
    photos_->item(i)->setData(Qt::UserRole, file);
    QImageReader reader(file);
    reader.setScaledSize(reader.size().scaled(photos_->iconSize(), Qt::KeepAspectRatio));
    photos_->item(i)->setIcon(QIcon(QPixmap::fromImage(reader.read())));
  }
  if (other || !whom_->hasFocus()) whom_->setText(QString::fromStdString(entry->notes.whom));
  if (other || !price_->hasFocus()) {
    price_->setText(entry->notes.price ? QString::fromStdString(moneyText(*entry->notes.price))
                                       : QString());
  }
  const QString faults = QString::fromStdString(entry->notes.faults);
  if ((other || !faults_->hasFocus()) && faults_->toPlainText() != faults) {
    faults_->setPlainText(faults);
  }
  refreshCost();
}

void CupCards::refreshCost() {
  const CupCost& cost = board_.cost();
  const auto money = [](Money of) { return QString::fromStdString(moneyText(of)); };
  QString table = QStringLiteral("<table width='100%' cellpadding='1'>");
  const auto line = [&](const QString& what, const QString& how, const QString& much) {
    table += QStringLiteral("<tr><td>%1</td><td>%2</td><td align='right'>%3</td></tr>")
                 .arg(what.toHtmlEscaped(), how.toHtmlEscaped(), much.toHtmlEscaped());
  };
  for (const CostLine& one : cost.lines) {
    const QString much = one.known ? money(one.money) : tr("no price");
    switch (one.of) {
      case CostLine::Of::supply:
        line(QString::fromStdString(one.name),
             QString::fromStdString(amountText(one.amount, board_.unit())), much);
        break;
      case CostLine::Of::film:
        line(QString::fromStdString(one.name), say(one.area, board_.unit()), much);
        break;
      case CostLine::Of::time:
        line(tr("Work"), hoursWords(one.time), much);
        break;
      case CostLine::Of::share:
        line(tr("Share of what else there is"), {}, much);
        break;
    }
  }
  table += QStringLiteral(
               "<tr><td><b>%1</b></td><td></td><td align='right'><b>%2</b></td></tr>"
               "</table>")
               .arg(tr("All"), money(cost.total));
  if (cost.unknown > 0) {
    table +=
        QStringLiteral("<p>%1</p>")
            .arg(cost.unknown == 1
                     ? tr("One thing has no price: it cost more than this.")
                     : tr("%1 things have no price: it cost more than this.").arg(cost.unknown));
  }
  cost_->setText(table);
  suggested_->setText(tr("By your rule: %1 (cost %2).").arg(money(cost.price), money(cost.total)));
}

void CupCards::makeAgain() {
  const auto past = board_.pastOrder();
  if (!past) return emit said(past.error());
  AgainDialog dialog(*past, board_.shelf(), board_.order().stock(), board_.unit(), this);
  if (dialog.exec() != QDialog::Accepted) return;
  emit orderMade(dialog.made().order);
}

void CupCards::compare() {
  if (board_.picked() == nullptr) return;
  CompareDialog(board_, this).exec();
}

void CupCards::openAsItWas() {
  const auto past = board_.pastOrder();
  if (!past) return emit said(past.error());
  emit orderMade(*past);
}

std::optional<QString> CupCards::saveCut(long long key, const QString& path) {
  std::optional<Logbook> log = board_.shelf().logbook();
  if (!log) return tr("The shop cannot be read.");
  const auto cut = log->cut(key);
  if (!cut) return say(cut.error(), board_.unit());
  if (const auto fault = writeFile(path.toStdString(), cut->svg)) return say(*fault, board_.unit());
  return std::nullopt;
}

void CupCards::cutAgain() {
  const int row = cuts_->currentRow();
  if (row < 0 || row >= static_cast<int>(board_.cuts().size())) return;
  const CutKept cut = board_.cuts()[static_cast<std::size_t>(row)];
  const QString path = QFileDialog::getSaveFileName(
      this, tr("Save what was cut, to cut it again"),
      QDir(folder_()).filePath(QString::fromStdString(cut.file)), tr("Drawing (*.svg)"));
  if (path.isEmpty()) return;
  const auto fault = saveCut(cut.key, path);
  emit said(fault ? *fault
                  : tr("Saved as %1, at just the size it was cut. Try a paper piece first: this "
                       "cup may be another.")
                        .arg(path));
}

std::optional<QString> CupCards::addPhotoFrom(const QString& path) {
  const LogEntry* entry = board_.picked();
  std::optional<Logbook> log = board_.shelf().logbook();
  if (entry == nullptr || !log) return tr("Choose a cup of the log first.");
  QImageReader reader(path);
  reader.setAutoTransform(true);
  QImage picture = reader.read();
  if (picture.isNull()) {
    return tr("“%1” is no picture that can be read. Choose a JPEG or PNG file.").arg(path);
  }
  constexpr int longest = 1600;
  if (std::max(picture.width(), picture.height()) > longest) {
    picture = picture.scaled(longest, longest, Qt::KeepAspectRatio, Qt::SmoothTransformation);
  }
  QByteArray bytes;
  QBuffer buffer(&bytes);
  constexpr int quality = 85;
  if (!buffer.open(QIODevice::WriteOnly) ||
      !picture.convertToFormat(QImage::Format_RGB32).save(&buffer, "JPG", quality)) {
    return tr("The photo could not be made smaller. Save it as a JPEG file first.");
  }
  const auto key = log->addPhoto(entry->key, bytes.toStdString(),
                                 QFileInfo(path).completeBaseName().toStdString(), board_.now());
  if (!key) return say(key.error(), board_.unit());
  board_.shelf().logged(std::nullopt);
  return std::nullopt;
}

void CupCards::addPhoto() {
  const QString path = QFileDialog::getOpenFileName(this, tr("Add a photo of the cup"), folder_(),
                                                    tr("Pictures (*.jpg *.jpeg *.png)"));
  if (path.isEmpty()) return;
  const auto fault = addPhotoFrom(path);
  emit said(fault ? *fault : tr("The photo is in the log."));
}

void CupCards::removePhoto() {
  const int row = photos_->currentRow();
  std::optional<Logbook> log = board_.shelf().logbook();
  if (row < 0 || row >= static_cast<int>(board_.photos().size()) || !log) return;
  board_.shelf().logged(log->removePhoto(board_.photos()[static_cast<std::size_t>(row)].key));
}

void CupCards::showPhoto() {
  const int row = photos_->currentRow();
  std::optional<Logbook> log = board_.shelf().logbook();
  if (row < 0 || row >= static_cast<int>(board_.photos().size()) || !log) return;
  const LogPhoto& photo = board_.photos()[static_cast<std::size_t>(row)];
  QPixmap picture(QString::fromStdString(log->fileOf(photo).string()));
  if (picture.isNull()) {
    emit said(tr("The photo is not there any more. Add it again, or remove it from the list."));
    return;
  }
  QDialog dialog(this);
  dialog.setWindowTitle(QString::fromStdString(photo.caption));
  auto* column = new QVBoxLayout(&dialog);
  auto* label = new QLabel;
  label->setAccessibleName(dialog.windowTitle());
  label->setPixmap(picture.scaled(QSize(900, 640), Qt::KeepAspectRatio, Qt::SmoothTransformation));
  column->addWidget(label);
  dialog.exec();
}

namespace {

/// What a page tells of a cup.
RecordCard cardOf(LogBoard& board) {
  const LogEntry& entry = *board.picked();
  RecordCard card;
  card.entry = entry;
  card.steps = board.steps();
  card.cuts = board.cuts();
  card.cost = board.cost();
  for (const LoggedStep& step : board.steps()) {
    for (const SupplyUse& use : step.uses) {
      const Supply* supply = board.shelf().supplies().called(use.supply);
      if (supply == nullptr) continue;
      const auto [at, isNew] = card.used.try_emplace(supply->name, use.amount);
      if (!isNew) at->second = at->second + use.amount;
    }
  }
  std::optional<Logbook> log = board.shelf().logbook();
  for (const LogPhoto& photo : board.photos()) {
    if (!log || !card.photo.empty()) break;
    if (const auto bytes = readFile(log->fileOf(photo))) card.photo = *bytes;
  }
  card.unit = board.unit();
  return card;
}

}  // namespace

std::optional<QString> CupCards::saveCardTo(const QString& path) {
  if (board_.picked() == nullptr) return tr("Choose a cup of the log first.");
  const std::string pages = recordCardPdf(cardOf(board_), board_.order().document().printPaper());
  if (const auto fault = writeFile(path.toStdString(), pages)) return say(*fault, board_.unit());
  return std::nullopt;
}

std::optional<QString> CupCards::saveTagTo(const QString& path) {
  const LogEntry* entry = board_.picked();
  if (entry == nullptr) return tr("Choose a cup of the log first.");
  const Money price = entry->notes.price.value_or(board_.cost().price);
  const std::string page = priceTagPdf(*entry, price);
  if (const auto fault = writeFile(path.toStdString(), page)) return say(*fault, board_.unit());
  return std::nullopt;
}

void CupCards::saveCard() {
  const LogEntry* entry = board_.picked();
  if (entry == nullptr) return;
  QString path = QFileDialog::getSaveFileName(
      this, tr("Save the record card"),
      QDir(folder_()).filePath(QString::fromStdString(entry->name) + QStringLiteral(" record.pdf")),
      tr("Pages (*.pdf)"));
  if (path.isEmpty()) return;
  const auto fault = saveCardTo(path);
  emit said(fault ? *fault : tr("Saved to %1.").arg(path));
}

void CupCards::saveTag() {
  const LogEntry* entry = board_.picked();
  if (entry == nullptr) return;
  const QString path = QFileDialog::getSaveFileName(
      this, tr("Save the price tag"),
      QDir(folder_()).filePath(QString::fromStdString(entry->name) + QStringLiteral(" tag.pdf")),
      tr("Pages (*.pdf)"));
  if (path.isEmpty()) return;
  const auto fault = saveTagTo(path);
  emit said(fault ? *fault : tr("Saved to %1.").arg(path));
}

void CupCards::removeEntry() {
  const LogEntry* entry = board_.picked();
  std::optional<Logbook> log = board_.shelf().logbook();
  if (entry == nullptr || !log) return;
  const LogKey key = entry->key;
  const QString question = tr("Remove %1, its photos and what was cut for it? This cannot be "
                              "undone; today’s copy of the shop still has it. What it used stays "
                              "used.")
                               .arg(QString::fromStdString(entry->name));
  if (!confirmed(this, tr("Remove a cup from the log"), question, tr("Remove"))) return;
  board_.pick(std::nullopt);
  board_.shelf().logged(log->remove(key));
}

}  // namespace avrelt

#include "moc_cup_cards.cpp"

// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/log/log_station.h"

#include <QDir>
#include <QFileDialog>
#include <QInputDialog>
#include <QLocale>
#include <QProcess>
#include <QStandardPaths>
#include <QVBoxLayout>

#include "app/fields/confirmed.h"
#include "app/fields/dialog_close.h"
#include "app/fields/on_screen.h"
#include "app/order/phrases.h"
#include "files/disk.h"
#include "shop/log_pdf.h"

namespace avrelt {
namespace {

constexpr const char* blankLabel = "BLANK";
constexpr const char* filmLabel = "FILM";

}  // namespace

LogStation::LogStation(Order& order, Shelf& shelf, BenchWork& work, std::function<QString()> folder,
                       std::function<QString()> name, QWidget* parent)
    : Desk(parent),
      order_(order),
      shelf_(shelf),
      folder_(std::move(folder)),
      board_(order, shelf, work),
      keeper_(order, shelf, work, name),
      pastCup_(board_),
      papers_(
          order, shelf, [this] { return board_.now(); }, folder_, std::move(name), this) {
  area_ = new LogArea(board_);
  cups_ = new CupCards(board_, folder_);
  supplies_ = new SupplyCards(board_);
  figures_ = new FigureCards(board_, area_->plot());
  money_ = new MoneyCards(board_);
  drawers_ = new QStackedWidget;
  for (QWidget* drawer : {static_cast<QWidget*>(cups_), static_cast<QWidget*>(supplies_),
                          static_cast<QWidget*>(figures_), static_cast<QWidget*>(money_)}) {
    drawers_->addWidget(drawer);
  }
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->addWidget(drawers_);
  connect(area_, &LogArea::pageShown, this, [this](int page) {
    drawers_->setCurrentIndex(page);
    emit board_.changed();
  });
  connect(area_, &LogArea::cupOpened, cups_, &CupCards::makeAgain);
  connect(&keeper_, &LogKeeper::said, this, &LogStation::said);
  connect(cups_, &CupCards::said, this, &LogStation::said);
  connect(cups_, &CupCards::orderMade, this, &LogStation::orderMade);
  connect(supplies_, &SupplyCards::said, this, &LogStation::said);
  connect(figures_, &FigureCards::said, this, &LogStation::said);
  connect(money_, &MoneyCards::said, this, &LogStation::said);
  connect(&papers_, &Papers::said, this, &LogStation::said);
}

void LogStation::setSeen(bool seen) {
  if (!seen) cups_->keepNotes();
  board_.setSeen(seen);
}

void LogStation::showBackups() {
  const std::vector<Backup> backups = shelf_.backups();
  QDialog dialog(this);
  dialog.setWindowTitle(tr("Copies of the shop"));
  openAt(dialog, {460, 380});
  auto* column = new QVBoxLayout(&dialog);
  auto* list = new QListWidget;
  list->setAccessibleName(dialog.windowTitle());
  for (const Backup& backup : backups) {
    list->addItem(tr("%1, %2").arg(QString::fromStdString(dayText(backup.day)) + QLatin1Char(' ') +
                                       QString::fromStdString(civilText(backup.day).substr(0, 4)),
                                   QLocale().formattedDataSize(static_cast<qint64>(backup.bytes))));
  }
  column->addWidget(list, 1);
  auto* words = new QLabel(
      backups.empty()
          ? tr("There is no copy yet. One is made each day, the first time Avrelt starts.")
          : tr("A copy is made each day: those of a week are kept, then one a week, then one a "
               "month. Going back to one keeps what is there now beside it. Photos are not in a "
               "copy, and stay."));
  words->setProperty("role", "label");
  words->setWordWrap(true);
  column->addWidget(words);
  QPushButton* take = closeBelow(dialog, *column, tr("Go back to this one"));
  take->setEnabled(false);
  connect(list, &QListWidget::currentRowChanged, &dialog,
          [&](int row) { take->setEnabled(row >= 0); });
  if (dialog.exec() != QDialog::Accepted || list->currentRow() < 0) return;
  const Sentence came = shelf_.restore(backups[static_cast<std::size_t>(list->currentRow())]);
  board_.read();
  emit said(say(came, order_.unit()));
}

void LogStation::askAndExport() {
  QString path = QFileDialog::getSaveFileName(this, tr("Export the shop"),
                                              QDir(folder_()).filePath(tr("shop.zip")),
                                              tr("Archive of a shop (*.zip)"));
  if (path.isEmpty()) return;
  if (QFileInfo(path).suffix().isEmpty()) path += QStringLiteral(".zip");
  emit said(say(shelf_.saveArchive(path), order_.unit()));
}

void LogStation::askAndImport() {
  const QString path = QFileDialog::getOpenFileName(this, tr("Import a shop"), folder_(),
                                                    tr("Archive of a shop (*.zip)"));
  if (path.isEmpty()) return;
  const QString question =
      tr("Put what is in this archive in the place of the shop you have? What "
         "is there now is kept beside its copies.");
  if (!confirmed(this, tr("Import a shop"), question, tr("Import"))) return;
  const Sentence came = shelf_.takeArchive(path);
  keeper_.begin();
  board_.read();
  emit said(say(came, order_.unit()));
}

std::optional<QString> LogStation::saveLabelsTo(const QString& path) {
  std::vector<ShopLabel> labels;
  const FilmShelf films = shelf_.films();
  for (const FilmStock& stock : films.stock) {
    const ShelfFilm* film = films.filmOf(stock.film);
    if (film == nullptr) continue;
    const std::string size = inWords({"%1 × %2", {stock.wide, stock.tall}}, order_.unit());
    labels.push_back({labelCode(filmLabel, stock.key), film->name,
                      size + (stock.place.empty() ? "" : ", " + stock.place)});
  }
  for (const auto& [key, name] : shelf_.blankKeys()) {
    labels.push_back({labelCode(blankLabel, key), name, {}});
  }
  if (labels.empty()) return tr("There is nothing on the shelf to label.");
  const std::string pages = labelsPdf(labels, order_.document().printPaper());
  if (const auto fault = writeFile(path.toStdString(), pages)) return say(*fault, order_.unit());
  return std::nullopt;
}

void LogStation::saveLabels() {
  const QString path = QFileDialog::getSaveFileName(
      this, tr("Save labels"), QDir(folder_()).filePath(tr("labels.pdf")), tr("Pages (*.pdf)"));
  if (path.isEmpty()) return;
  const auto fault = saveLabelsTo(path);
  emit said(fault ? *fault : tr("Saved to %1.").arg(path));
}

QString LogStation::wordsOfCode(const QString& code) {
  const QString wanted = code.trimmed().toUpper();
  const FilmShelf films = shelf_.films();
  for (const FilmStock& stock : films.stock) {
    if (wanted != QString::fromStdString(labelCode(filmLabel, stock.key))) continue;
    const ShelfFilm* film = films.filmOf(stock.film);
    const QString size = say({"%1 × %2", {stock.wide, stock.tall}}, order_.unit());
    const QString name = film == nullptr ? QString() : QString::fromStdString(film->name);
    return stock.place.empty() ? tr("%1: %2, %3 there.").arg(wanted, name, size)
                               : tr("%1: %2, %3, kept at %4.")
                                     .arg(wanted, name, size, QString::fromStdString(stock.place));
  }
  for (const auto& [key, name] : shelf_.blankKeys()) {
    if (wanted != QString::fromStdString(labelCode(blankLabel, key))) continue;
    return tr("%1: the blank “%2”. The shelf (Ctrl+B) puts it on the bench.")
        .arg(wanted, QString::fromStdString(name));
  }
  return tr("Nothing on the shelf has the code “%1”: it was used up, or is of another shop.")
      .arg(wanted);
}

void LogStation::findByCode() {
  bool taken = false;
  const QString code = QInputDialog::getText(this, tr("Find by a label’s code"),
                                             tr("The code, as it stands on the label"),
                                             QLineEdit::Normal, {}, &taken);
  if (taken && !code.trimmed().isEmpty()) emit said(wordsOfCode(code));
}

QString LogStation::wordsOfPicture(const QString& path) {
  const QString reader = QStandardPaths::findExecutable(QStringLiteral("zbarimg"));
  if (reader.isEmpty()) {
    return tr("No reader of codes is installed (zbarimg). Type the code that stands on the label.");
  }
  QProcess process;
  process.start(reader, {QStringLiteral("--quiet"), QStringLiteral("--raw"),
                         QStringLiteral("-Sdisable"), QStringLiteral("-Sqrcode.enable"), path});
  constexpr int patience = 10000;
  const bool ended = process.waitForFinished(patience);
  const QString code = QString::fromUtf8(process.readAllStandardOutput()).section(u'\n', 0, 0);
  if (!ended || code.trimmed().isEmpty()) {
    return tr("No code was found in “%1”. Take the label from nearer, or type its code.").arg(path);
  }
  return wordsOfCode(code);
}

void LogStation::findByPicture() {
  const QString path = QFileDialog::getOpenFileName(this, tr("Find by a picture of a label"),
                                                    folder_(), tr("Pictures (*.jpg *.jpeg *.png)"));
  if (!path.isEmpty()) emit said(wordsOfPicture(path));
}

}  // namespace avrelt

#include "moc_log_station.cpp"

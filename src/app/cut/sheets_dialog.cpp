// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/cut/sheets_dialog.h"

#include <algorithm>
#include <cmath>
#include <QFileDialog>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QSettings>
#include <QVBoxLayout>

#include "app/fields/beside.h"
#include "app/fields/list_lines.h"
#include "app/fields/scrolled.h"
#include "app/order/phrases.h"
#include "files/read_fault.h"
#include "files/sheet_files.h"
#include "measure/colour.h"

namespace avrelt {
namespace {

/// "sheets/in/wide": what was chosen last, in mm, apart for who works in inches.
QString settingOf(const char* key, Unit unit) {
  return QStringLiteral("sheets/%1/%2")
      .arg(QString::fromLatin1(unit == Unit::inch ? "in" : "mm"), QString::fromLatin1(key));
}

}  // namespace

SheetsDialog::SheetsDialog(Order& order, QString folder, QWidget* parent)
    : QDialog(parent),
      order_(order),
      folder_(std::move(folder)),
      choices_(usualSheets(order.unit())) {
  setWindowTitle(tr("Parts on sheets"));
  resize(1040, 680);
  auto* row = new QHBoxLayout(this);
  row->setSpacing(14);
  canvas_ = new SheetsCanvas;
  row->addWidget(canvas_, 1);
  auto* side = new QWidget;
  side->setFixedWidth(330);
  auto* column = new QVBoxLayout(side);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(8);
  auto* grid = new QGridLayout;
  grid->setHorizontalSpacing(8);
  grid->setVerticalSpacing(4);
  wide_ = field(tr("A sheet, wide"), "wide", choices_.size.wide);
  tall_ = field(tr("and tall"), "tall", choices_.size.tall);
  margin_ = field(tr("Left free all round"), "margin", choices_.size.margin);
  gap_ = field(tr("From part to part"), "gap", choices_.rules.gap);
  grid->addWidget(wide_, 0, 0);
  grid->addWidget(tall_, 0, 1);
  grid->addWidget(margin_, 1, 0);
  grid->addWidget(gap_, 1, 1);
  column->addLayout(grid);
  list_ = new QListWidget;
  list_->setAccessibleName(tr("Sheets, film by film"));
  list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  list_->setWordWrap(true);
  column->addWidget(list_, 1);
  words_ = new QLabel;
  words_->setWordWrap(true);
  words_->setProperty("role", "label");
  column->addWidget(words_);
  auto* caution = new QLabel(
      tr("Cut a square first and measure it: a cutter's scale is proven only by that. Blades and "
         "hooks are sharp; cut away from your hand."));
  caution->setProperty("role", "caution");
  caution->setWordWrap(true);
  column->addWidget(caution);
  auto* buttons = new QHBoxLayout;
  auto* done = new QPushButton(tr("Done"));
  save_ = new QPushButton(tr("Save the sheets…"));
  save_->setProperty("primary", true);
  buttons->addWidget(done);
  buttons->addWidget(save_, 1);
  column->addLayout(buttons);
  row->addWidget(scrolledColumn(side));

  later_.setSingleShot(true);
  later_.setInterval(350);
  connect(&later_, &QTimer::timeout, this, &SheetsDialog::arrangeNow);
  connect(list_, &QListWidget::currentRowChanged, this, &SheetsDialog::choose);
  connect(done, &QPushButton::clicked, this, &QDialog::accept);
  connect(save_, &QPushButton::clicked, this, &SheetsDialog::askAndSave);
  save_->setEnabled(false);
  words_->setText(tr("The parts are being laid."));
  later_.start(0);
}

LengthField* SheetsDialog::field(const QString& label, const char* key, Length& length) {
  const Unit unit = order_.unit();
  const QString setting = settingOf(key, unit);
  const double kept = QSettings().value(setting, length.mm()).toDouble();
  if (std::isfinite(kept) && kept >= 0 && kept <= 3000) length = Length::mm(kept);
  auto* made = new LengthField(label, QStringLiteral("sheet.") + QString::fromLatin1(key));
  made->show(length, unit);
  const auto set = [this, setting, &length](Length to) {
    length = to;
    QSettings().setValue(setting, to.mm());
    later_.start();
  };
  connect(made, &LengthField::typed, this,
          [set](const WrittenLength& typed) { set(typed.length); });
  connect(made, &LengthField::stepped, this, [this, set, made, unit, &length](int marks) {
    const Graduation graduation = usualGraduation(unit);
    set(std::max(nearestMark(length, graduation) + step(graduation) * marks, Length()));
    made->show(length, order_.unit());
  });
  return made;
}

void SheetsDialog::arrangeNow() {
  later_.stop();
  // What is typed while parts are being laid is laid after that.
  if (arranging_) return later_.start();
  arranging_ = true;
  auto made = beside(this, tr("Laying the parts on sheets…"),
                     [document = order_.document(), stock = order_.stock(),
                      choices = choices_](Going& going) -> CheckedAll<SheetPlan> {
                       CheckedAll<Plan> plan = planDocument(document, stock);
                       if (!plan) return tl::unexpected(plan.error());
                       return sheetsOf(std::make_shared<const Plan>(std::move(*plan)), choices,
                                       [&going](std::size_t done, std::size_t all) {
                                         return going.tell(done, all);
                                       });
                     });
  arranging_ = false;
  sheets_.reset();
  for (LengthField* one : {wide_, tall_, margin_, gap_}) one->setFault({});
  QString words;
  if (!made) {
    words = made.error();
  } else if (!*made) {
    for (const Fault& fault : made->error()) {
      // Of a sheet's size by itself, of the order by what it is about.
      const QString sentence =
          fault.field.starts_with("sheet.")
              ? say(fault.sentence, order_.unit())
              : QString::fromStdString(
                    inWords(ReadFault{0, fault}, tr("This order").toStdString(), order_.unit()));
      for (LengthField* one : {wide_, tall_, margin_, gap_}) {
        if (one->field() == QString::fromStdString(fault.field)) one->setFault(sentence);
      }
      words += (words.isEmpty() ? QString() : QStringLiteral(" ")) + sentence;
    }
  } else {
    sheets_ = std::make_shared<const SheetPlan>(std::move(**made));
  }
  words_->setText(words);
  fill();
}

/// The sheets in a row, and what is on none.
void SheetsDialog::fill() {
  rows_.clear();
  QStringList lines;
  if (sheets_) {
    for (std::size_t i = 0; i < sheets_->films.size(); ++i) {
      const FilmSheets& film = sheets_->films[i];
      for (std::size_t k = 0; k < film.arrangement.sheets; ++k) {
        const auto parts = std::count_if(film.arrangement.laid.begin(), film.arrangement.laid.end(),
                                         [k](const Laid& laid) { return laid.sheet == k; });
        QString name = say(materialTitle(film.material), order_.unit());
        if (!film.film.empty()) {
          name = tr("%1, %2").arg(name, QString::fromStdString(colourInWords(film.film)));
        }
        lines << tr("%1, sheet %2 of %3: %4, %5 % used")
                     .arg(name)
                     .arg(k + 1)
                     .arg(film.arrangement.sheets)
                     .arg(parts == 1 ? tr("1 part") : tr("%1 parts").arg(parts))
                     .arg(std::max(1L, std::lround(film.used[k] * 100)));
        rows_.emplace_back(i, k);
      }
    }
    QString words =
        sheets_->sheets() == 1 ? tr("1 sheet.") : tr("%1 sheets.").arg(sheets_->sheets());
    words +=
        tr(" Every film is taken to come in plain sheets of this size; parts ticked as cut "
           "are left out.");
    for (const FilmSheets& film : sheets_->films) {
      for (const NotLaid& one : film.arrangement.notLaid) {
        const SheetPart& part = film.parts[one.piece];
        const Box box = part.part->bounds();
        const QString cup = QString::fromStdString(sheets_->plan->cups[part.cup].name);
        const QString id = QString::fromStdString(part.part->id);
        words += QLatin1Char(' ') +
                 (one.why == NotLaid::Why::tooLarge
                      ? tr("%1 of %2 is %3 × %4 and fits no sheet: take larger ones.")
                            .arg(id, cup, onTape(Length::mm(box.width()), order_.unit()).mark,
                                 onTape(Length::mm(box.height()), order_.unit()).mark)
                      : tr("%1 of %2 has no room on so many sheets.").arg(id, cup));
      }
    }
    words_->setText(words);
  }
  const int row = std::max(0, list_->currentRow());
  showLines(*list_, lines);
  for (int i = 0; i < list_->count(); ++i) {
    const std::string& film = sheets_->films[rows_[static_cast<std::size_t>(i)].first].film;
    QPixmap swatch(12, 12);
    swatch.fill(film.empty() ? QColor(Qt::transparent) : QColor(QString::fromStdString(film)));
    list_->item(i)->setIcon(QIcon(swatch));
  }
  list_->setCurrentRow(std::min(row, list_->count() - 1));
  save_->setEnabled(!rows_.empty());
  choose();
}

void SheetsDialog::choose() {
  const auto row = static_cast<std::size_t>(std::max(0, list_->currentRow()));
  if (row >= rows_.size()) {
    canvas_->show(nullptr, 0, 0);
  } else {
    canvas_->show(sheets_, rows_[row].first, rows_[row].second);
  }
}

std::optional<QString> SheetsDialog::saveInto(const QString& folder) {
  if (!sheets_) return tr("There is nothing to save. Put the marked fields right.");
  const auto saved = beside(this, tr("Saving the sheets…"),
                            [sheets = sheets_, unit = order_.unit(), path = folder.toStdString()](
                                Going& /*going*/) { return saveSheets(path, *sheets, unit); });
  if (!saved) return saved.error();
  if (!*saved) return say(saved->error(), order_.unit());
  words_->setText(tr("%1 sheets saved in %2, with sheets.json.").arg(rows_.size()).arg(folder));
  return std::nullopt;
}

void SheetsDialog::askAndSave() {
  const QString folder =
      QFileDialog::getExistingDirectory(this, tr("Save the sheets into"), folder_);
  if (folder.isEmpty()) return;
  if (const std::optional<QString> fault = saveInto(folder)) words_->setText(*fault);
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/print/layer_print_dialog.h"

#include <algorithm>
#include <cmath>
#include <QHBoxLayout>
#include <QVBoxLayout>

#include "app/fields/beside.h"
#include "app/fields/dialog_close.h"
#include "app/fields/on_screen.h"
#include "app/order/phrases.h"
#include "files/picture_file.h"
#include "measure/tape.h"

namespace avrelt {
namespace {

/// What a print leaves bare, in words.
QString bareWords(const PrintCover& cover) {
  if (cover.spots.empty()) return LayerPrintDialog::tr("The picture covers all of it.");
  const QString area = QString::fromStdString(numberText(cover.bare.mm2(), 1));
  const double percent = std::max(0.1, cover.share * 100);
  const QString share = QString::fromStdString(numberText(percent, percent < 10 ? 1 : 0));
  if (cover.spots.size() == 1) {
    return LayerPrintDialog::tr("1 spot of it stays bare: %1 mm², %2 % of it.").arg(area, share);
  }
  return LayerPrintDialog::tr("%1 spots of it stay bare: %2 mm² in all, %3 % of it.")
      .arg(cover.spots.size())
      .arg(area, share);
}

}  // namespace

LayerPrintDialog::LayerPrintDialog(const Document& document, const QString& title,
                                   const Layer& layer, std::vector<Polygon> shapes, QWidget* parent)
    : QDialog(parent), unit_(document.units), shapes_(std::move(shapes)), print_(layer.print) {
  setWindowTitle(title);
  if (shapes_.empty()) shapes_.emplace_back();
  const bool isNew = print_.id.empty();
  if (isNew) {
    // As wide as what is cut, so that it covers it at once where its proportion allows.
    const Length wide = std::clamp(Length::mm(boundsOf(shapes_.front()).width()) * 1.03,
                                   Length::mm(10), widestPrint);
    print_.wide = written(nearestMark(wide, usualGraduation(unit_)), unit_);
  }
  auto* column = new QVBoxLayout(this);
  column->setSpacing(10);
  auto* row = new QHBoxLayout;
  row->setSpacing(12);
  column->addLayout(row, 1);
  pictures_ = new PictureList(document, print_.id);
  row->addWidget(pictures_);
  auto* right = new QVBoxLayout;
  right->setSpacing(8);
  canvas_ = new LayerPrintCanvas(shapes_.front());
  canvas_->setToolTip(tr("Drag the picture to where it shall lie"));
  right->addWidget(canvas_, 1);
  auto* how = new QHBoxLayout;
  how->setSpacing(8);
  repeat_ = new Segments(tr("How often it is there"), {tr("Once"), tr("Side by side")});
  how->addWidget(repeat_);
  how->addStretch();
  move_ = new QPushButton(tr("Close by moving"));
  move_->setToolTip(tr("Moves the picture to where it leaves least bare, as near as can be"));
  grow_ = new QPushButton(tr("Close by enlarging"));
  grow_->setToolTip(tr("Makes the picture larger about its middle till nothing stays bare"));
  how->addWidget(move_);
  how->addWidget(grow_);
  right->addLayout(how);
  auto* fields = new QHBoxLayout;
  fields->setSpacing(10);
  wide_ = new LengthField(tr("One is wide"), Member::printWide);
  right_ = new LengthField(tr("To the right of the middle"), Member::printRight,
                           LengthField::Kind::offset);
  up_ = new LengthField(tr("Up from it"), Member::printUp, LengthField::Kind::offset);
  turn_ = new LengthField(tr("Turned left by"), Member::printTurn, LengthField::Kind::degrees);
  for (LengthField* field : {wide_, right_, up_, turn_}) fields->addWidget(field);
  right->addLayout(fields);
  words_ = new QLabel;
  words_->setWordWrap(true);
  words_->setProperty("role", "label");
  words_->setMinimumHeight(fontMetrics().height() * 3);
  words_->setAlignment(Qt::AlignTop);
  right->addWidget(words_);
  row->addLayout(right, 1);
  none_ = new QPushButton(tr("Print no picture"));
  none_->setVisible(!isNew);
  how->insertWidget(1, none_);
  take_ = closeBelow(*this, *column, tr("Print it so"));

  connect(pictures_, &PictureList::picked, this, &LayerPrintDialog::refresh);
  connect(pictures_, &PictureList::told, this, &LayerPrintDialog::say);
  connect(repeat_, &Segments::picked, this, [this](int i) {
    print_.tiled = i == 1;
    refresh();
  });
  const auto length = [this](LengthField* field, WrittenLength LayerPrint::*member, bool offset) {
    connect(field, &LengthField::typed, this, [this, member](const WrittenLength& typed) {
      print_.*member = typed;
      refresh();
    });
    connect(field, &LengthField::stepped, this, [this, member, offset](int marks) {
      const Graduation graduation = usualGraduation(unit_);
      const Length next =
          nearestMark((print_.*member).length, graduation) + step(graduation) * marks;
      print_.*member = written(offset ? next : std::max(next, step(graduation)), unit_);
      refresh();
    });
  };
  length(wide_, &LayerPrint::wide, false);
  length(right_, &LayerPrint::right, true);
  length(up_, &LayerPrint::up, true);
  connect(turn_, &LengthField::typedAngle, this, [this](Angle typed) {
    print_.turn = typed.wrapped();
    refresh();
  });
  connect(turn_, &LengthField::stepped, this, [this](int marks) {
    print_.turn = (print_.turn + Angle::degrees(marks)).wrapped();
    refresh();
  });
  connect(canvas_, &LayerPrintCanvas::moved, this, [this](Point by) {
    if (by.x != 0) print_.right = written(print_.right.length + Length::mm(by.x), unit_);
    if (by.y != 0) print_.up = written(print_.up.length + Length::mm(by.y), unit_);
    refresh();
  });
  connect(move_, &QPushButton::clicked, this, [this] { close(Close::move); });
  connect(grow_, &QPushButton::clicked, this, [this] { close(Close::grow); });
  connect(none_, &QPushButton::clicked, this, [this] {
    taken_ = false;
    accept();
  });
  others_.setInterval(0);
  connect(&others_, &QTimer::timeout, this, &LayerPrintDialog::lookOn);
  refresh();
  openAt(*this, {960, 600});
}

LayerPrint LayerPrintDialog::lies() const {
  LayerPrint print = print_;
  print.picture = pictures_->picture();
  print.id = print.picture ? print.picture->id : std::string();
  return print;
}

void LayerPrintDialog::say(const QString& words) {
  words_->setText(QStringList{words, words_->text()}.join(QLatin1Char(' ')).trimmed());
}

void LayerPrintDialog::close(Close how) {
  const LayerPrint print = lies();
  if (!print.picture) return;
  const auto found = beside(
      this, how == Close::move ? tr("Looking where it covers most…") : tr("Looking how large…"),
      [how, print, shape = shapes_.front()](Going& /*going*/) -> std::optional<CoverOffer> {
        PictureDots read;
        const PictureSizes* dots = read(print.picture);
        if (dots == nullptr) return std::nullopt;
        return how == Close::move ? movedToCover(shape, print, *dots)
                                  : grownToCover(shape, print, *dots);
      });
  if (!found) return say(found.error());
  if (!*found) {
    return say(how == Close::move
                   ? tr("No place leaves less bare. Enlarge it, or take it side by side.")
                   : tr("Even three times as large it does not cover all. Move it first."));
  }
  const LayerPrint& better = (*found)->print;
  print_.right = written(better.right.length, unit_);
  print_.up = written(better.up.length, unit_);
  print_.wide = written(better.wide.length, unit_);
  refresh();
}

void LayerPrintDialog::refresh() {
  const LayerPrint print = lies();
  const bool any = static_cast<bool>(print.picture);
  repeat_->show(print_.tiled ? 1 : 0);
  wide_->show(print_.wide.length, unit_);
  right_->show(print_.right.length, unit_);
  up_->show(print_.up.length, unit_);
  turn_->show(print_.turn);
  for (LengthField* field : {wide_, right_, up_}) field->setFault({});
  const Faults faults = any ? faultsOf(print) : Faults();
  for (const Fault& fault : faults) {
    for (LengthField* field : {wide_, right_, up_}) {
      if (field->where() == fault.where) field->setFault(avrelt::say(fault.sentence, unit_));
    }
  }
  take_->setEnabled(any && faults.empty());
  const PictureSizes* dots = any ? dotsFor(print.picture) : nullptr;
  PrintCover shown;
  QString words;
  if (dots != nullptr && faults.empty()) {
    shown = coverOf(shapes_.front(), print, *dots);
    words = tr("%1 tall, %2 dots to the inch. ")
                .arg(avrelt::say(tallOf(print), unit_))
                .arg(std::lround(dotsPerInch(print))) +
            bareWords(shown);
  } else if (any && dots == nullptr) {
    words = tr("This picture cannot be read. Take another.");
  }
  move_->setEnabled(!shown.spots.empty());
  grow_->setEnabled(!shown.spots.empty());
  // Those that are bent otherwise come one by one while nobody moves it: there may be hundreds.
  next_ = 1;
  worst_ = {};
  shownBare_ = shown.bare;
  if (dots != nullptr && faults.empty() && shapes_.size() > 1) {
    others_.start();
  } else {
    others_.stop();
  }
  canvas_->show(print, std::move(shown));
  words_->setText(words);
}

/// The next of the shapes that are not shown; once all are looked at, what the worst leaves bare.
void LayerPrintDialog::lookOn() {
  const LayerPrint print = lies();
  const PictureSizes* dots = print.picture ? dotsFor(print.picture) : nullptr;
  if (dots != nullptr && next_ < shapes_.size()) {
    PrintCover cover = coverOf(shapes_[next_++], print, *dots);
    if (cover.bare > worst_.bare) worst_ = std::move(cover);
    return;
  }
  others_.stop();
  if (worst_.bare <= shownBare_) return;
  words_->setText(words_->text() + QLatin1Char(' ') +
                  tr("As it is bent at other places: %1").arg(bareWords(worst_)));
}

LayerPrintChoice LayerPrintDialog::choice() const {
  LayerPrintChoice choice;
  choice.taking = pictures_->taking();
  if (!taken_) return choice;
  choice.print = lies();
  choice.mean = pictures_->mean();
  return choice;
}

}  // namespace avrelt

#include "moc_layer_print_dialog.cpp"

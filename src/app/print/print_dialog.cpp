// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/print/print_dialog.h"

#include <algorithm>
#include <cmath>
#include <QHBoxLayout>
#include <QVBoxLayout>

#include "app/fields/dialog_close.h"
#include "app/fields/offer.h"
#include "app/fields/on_screen.h"
#include "app/order/phrases.h"
#include "measure/tape.h"
#include "watch/picture_rules.h"

namespace avrelt {
PrintDialog::PrintDialog(const Document& document, const Wall& wall, const Zone& zone,
                         const Finish& finish, QWidget* parent)
    : QDialog(parent), unit_(document.units), wall_(wall), zone_(zone), picture_(finish.picture) {
  setWindowTitle(tr("Print zone %1").arg(QString::fromStdString(zone.letter)));
  if (picture_.id.empty()) {
    picture_.wide = unit_ == Unit::inch ? WrittenLength{Length::inches(2.5), "2 1/2 in"}
                                        : WrittenLength::mm(60);
  }
  auto* column = new QVBoxLayout(this);
  column->setSpacing(10);
  auto* row = new QHBoxLayout;
  row->setSpacing(12);
  column->addLayout(row, 1);
  pictures_ = new PictureList(document, finish.picture.id);
  row->addWidget(pictures_);

  auto* right = new QVBoxLayout;
  right->setSpacing(8);
  canvas_ = new PrintCanvas(wall, zone.region);
  canvas_->setToolTip(tr("Drag the picture to where it shall lie"));
  right->addWidget(canvas_, 1);
  auto* how = new QHBoxLayout;
  repeat_ = segmentsOf<PictureRepeat>(tr("How often it is there"),
                                      {{PictureRepeat::tile, tr("Side by side")},
                                       {PictureRepeat::round, tr("Once round the cup")},
                                       {PictureRepeat::once, tr("Once")}});
  bent_ = new QCheckBox(tr("Bent with the wall"));
  bent_->setToolTip(
      tr("Level lines of the picture run along rings of the cup; else it is cut as it is"));
  how->addWidget(repeat_);
  how->addWidget(bent_);
  how->addStretch();
  right->addLayout(how);
  auto* fields = new QHBoxLayout;
  fields->setSpacing(10);
  wide_ = new LengthField(tr("One is wide"), Member::pictureWide);
  at_ = new LengthField(tr("Its middle, from the front"), Member::pictureAt,
                        LengthField::Kind::degrees);
  up_ = new LengthField(tr("Up the wall"), Member::pictureUp);
  turn_ = new LengthField(tr("Turned left by"), Member::pictureTurn, LengthField::Kind::degrees);
  for (LengthField* field : {wide_, at_, up_, turn_}) fields->addWidget(field);
  right->addLayout(fields);
  words_ = new QLabel;
  words_->setWordWrap(true);
  words_->setProperty("role", "label");
  words_->setMinimumHeight(fontMetrics().height() * 4);
  words_->setAlignment(Qt::AlignTop);
  right->addWidget(words_);
  row->addLayout(right, 1);

  take_ = closeBelow(*this, *column, tr("Print it so"));

  connect(pictures_, &PictureList::picked, this, &PrintDialog::refresh);
  connect(pictures_, &PictureList::told, this, [this](const QString& words) {
    words_->setText(QStringList{words, words_->text()}.join(QLatin1Char(' ')).trimmed());
  });
  onChosen<PictureRepeat>(*repeat_, this, [this](PictureRepeat chosen) {
    picture_.repeat = chosen;
    refresh();
  });
  connect(bent_, &QCheckBox::clicked, this, [this](bool on) {
    picture_.bent = on;
    refresh();
  });
  connect(wide_, &LengthField::typed, this, [this](const WrittenLength& typed) {
    picture_.wide = typed;
    refresh();
  });
  connect(up_, &LengthField::typed, this, [this](const WrittenLength& typed) {
    picture_.up = typed;
    refresh();
  });
  const auto stepsBy = [this](LengthField* field, const auto& get, const auto& set) {
    connect(field, &LengthField::stepped, this, [this, get, set](int marks) {
      const Graduation graduation = usualGraduation(unit_);
      set(written(
          std::max(nearestMark(get(), graduation) + step(graduation) * marks, step(graduation)),
          unit_));
      refresh();
    });
  };
  stepsBy(
      wide_, [this] { return picture_.wide.length; },
      [this](const WrittenLength& to) { picture_.wide = to; });
  stepsBy(
      up_,
      [this] {
        return picture_.up ? picture_.up->length
                           : (zone_.region.lowest() + zone_.region.highest()) / 2;
      },
      [this](const WrittenLength& to) { picture_.up = to; });
  const auto turnsBy = [this]<typename AnyAngle>(LengthField* field,
                                                 AnyAngle ZonePicture::*member) {
    connect(field, &LengthField::typedAngle, this, [this, member](Angle typed) {
      picture_.*member = AnyAngle::radians(typed.radians()).wrapped();
      refresh();
    });
    connect(field, &LengthField::stepped, this, [this, member](int marks) {
      picture_.*member = (picture_.*member + Angle::degrees(marks)).wrapped();
      refresh();
    });
  };
  turnsBy(at_, &ZonePicture::at);
  turnsBy(turn_, &ZonePicture::turn);
  connect(canvas_, &PrintCanvas::moved, this, [this](Angle round, Length up) {
    const Length now =
        picture_.up ? picture_.up->length : (zone_.region.lowest() + zone_.region.highest()) / 2;
    picture_.at = (picture_.at + round).wrapped();
    if (up != Length()) picture_.up = written(now + up, unit_);
    refresh();
  });
  refresh();
  openAt(*this, {960, 600});
}

std::optional<PictureLie> PrintDialog::lie() const {
  Finish finish;
  finish.kind = FinishKind::film;
  finish.picture = picture_;
  finish.picture.picture = pictures_->picture();
  return lieOf(finish, wall_, zone_.region);
}

void PrintDialog::refresh() {
  const bool once = picture_.repeat == PictureRepeat::once;
  const SharedPicture picture = pictures_->picture();
  const bool any = static_cast<bool>(picture);
  picture_.id = any ? picture->id : std::string();
  showChosen(*repeat_, picture_.repeat);
  bent_->setChecked(picture_.bent);
  wide_->show(picture_.wide.length, unit_);
  wide_->setEnabled(picture_.repeat != PictureRepeat::round);
  at_->show(picture_.at);
  up_->show(
      picture_.up ? picture_.up->length : (zone_.region.lowest() + zone_.region.highest()) / 2,
      unit_);
  turn_->show(picture_.turn);
  turn_->setEnabled(once);
  take_->setEnabled(any);
  for (LengthField* field : {wide_, up_}) field->setFault({});
  for (const Fault& fault : faultsOf(picture_)) {
    for (LengthField* field : {wide_, up_}) {
      if (field->where() == fault.where) field->setFault(say(fault.sentence, unit_));
    }
  }
  const std::optional<PictureLie> lies = lie();
  canvas_->show(lies);
  QStringList words;
  if (lies) {
    const QString size = tr("%1 wide, %2 tall, %3 dots to the inch")
                             .arg(say(lies->wide(), unit_), say(lies->tall(), unit_))
                             .arg(std::lround(lies->dotsPerInch()));
    words << (picture_.repeat == PictureRepeat::tile && lies->round() > 0
                  ? tr("%1 go round, each %2.").arg(lies->round()).arg(size)
                  : tr("It is %1.").arg(size));
    Finish finish;
    finish.kind = FinishKind::film;
    finish.picture = picture_;
    finish.picture.picture = lies->picture();
    for (const Watch& watch : watchPicture(finish, zone_, wall_)) {
      words << say(watch.sentence, unit_);
    }
  }
  words_->setText(words.join(QLatin1Char(' ')));
}

PictureChoice PrintDialog::choice() const {
  PictureChoice choice;
  choice.taking = pictures_->taking();
  choice.mean = pictures_->mean();
  choice.picture = picture_;
  return choice;
}

}  // namespace avrelt

#include "moc_print_dialog.cpp"

// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/print/print_dialog.h"

#include <algorithm>
#include <cmath>
#include <QFileDialog>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include "app/fields/beside.h"
#include "app/fields/dialog_close.h"
#include "app/order/phrases.h"
#include "files/disk.h"
#include "files/picture_file.h"
#include "measure/colour.h"
#include "measure/tape.h"
#include "watch/picture_rules.h"

namespace avrelt {
namespace {

constexpr int iconSide = 72;

QIcon iconOf(const SharedPicture& picture) {
  const PictureSizes* dots = dotsFor(picture);
  if (dots == nullptr) return {};
  // The whole of it in a square, its proportion kept.
  const double most = std::max(dots->wide(), dots->tall());
  const double wide = iconSide * dots->wide() / most;
  const double tall = iconSide * dots->tall() / most;
  Picture icon{iconSide, iconSide, std::vector<std::uint8_t>(iconSide * iconSide * 4)};
  PictureMesh mesh;
  mesh.across = 2;
  mesh.nodes = {{{0, 0}, {0, 0}}, {{wide, 0}, {1, 0}}, {{0, tall}, {0, 1}}, {{wide, tall}, {1, 1}}};
  drawMesh(mesh, *dots, {1, 0, 0, -1, (iconSide - wide) / 2, (iconSide + tall) / 2}, {}, icon);
  return QIcon(QPixmap::fromImage(imageOf(icon)));
}

/// What a picture's colour is on the whole.
std::string meanOf(const SharedPicture& picture) {
  const PictureSizes* dots = dotsFor(picture);
  if (dots == nullptr) return "#808080";
  const PictureSizes::Dot mean = dots->at({0.5, 0.5}, 1e9);
  return mean.opacity > 0 ? colourText(mean.red, mean.green, mean.blue) : "#808080";
}

}  // namespace

PrintDialog::PrintDialog(const Document& document, const Wall& wall, const Zone& zone,
                         const Finish& finish, QWidget* parent)
    : QDialog(parent), unit_(document.units), wall_(wall), zone_(zone), picture_(finish.picture) {
  setWindowTitle(tr("Print zone %1").arg(QString::fromStdString(zone.letter)));
  for (const SharedPicture& picture : document.pictures) {
    const int here = picture->id == finish.picture.id ? 1 : 0;
    known_.push_back({picture, false, showing(document, picture->id) - here});
  }
  if (picture_.id.empty()) {
    picture_.wide = unit_ == Unit::inch ? WrittenLength{Length::inches(2.5), "2 1/2 in"}
                                        : WrittenLength::mm(60);
  }
  auto* column = new QVBoxLayout(this);
  column->setSpacing(10);
  auto* row = new QHBoxLayout;
  row->setSpacing(12);
  column->addLayout(row, 1);
  auto* left = new QVBoxLayout;
  list_ = new QListWidget;
  list_->setAccessibleName(tr("Pictures of the order"));
  list_->setIconSize({iconSide, iconSide});
  list_->setFixedWidth(230);
  list_->setWordWrap(true);
  list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  left->addWidget(list_, 1);
  auto* buttons = new QHBoxLayout;
  auto* add = new QPushButton(tr("Add…"));
  add->setToolTip(tr("A PNG or JPEG picture, which is then kept in the order"));
  remove_ = new QPushButton(tr("Remove"));
  buttons->addWidget(add, 1);
  buttons->addWidget(remove_, 1);
  left->addLayout(buttons);
  row->addLayout(left);

  auto* right = new QVBoxLayout;
  right->setSpacing(8);
  canvas_ = new PrintCanvas(wall, zone.region);
  canvas_->setToolTip(tr("Drag the picture to where it shall lie"));
  right->addWidget(canvas_, 1);
  auto* how = new QHBoxLayout;
  repeat_ = new Segments(tr("How often it is there"),
                         {tr("Side by side"), tr("Once round the cup"), tr("Once")});
  bent_ = new QCheckBox(tr("Bent with the wall"));
  bent_->setToolTip(
      tr("Level lines of the picture run along rings of the cup; else it is cut as it is"));
  how->addWidget(repeat_);
  how->addWidget(bent_);
  how->addStretch();
  right->addLayout(how);
  auto* fields = new QHBoxLayout;
  fields->setSpacing(10);
  wide_ = new LengthField(tr("One is wide"), QStringLiteral("print.wide"));
  at_ = new LengthField(tr("Its middle, from the front"), QStringLiteral("print.at"),
                        LengthField::Kind::degrees);
  up_ = new LengthField(tr("Up the wall"), QStringLiteral("print.up"));
  turn_ = new LengthField(tr("Turned left by"), QStringLiteral("print.turn"),
                          LengthField::Kind::degrees);
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

  connect(add, &QPushButton::clicked, this, &PrintDialog::askForPicture);
  connect(remove_, &QPushButton::clicked, this, &PrintDialog::removePicture);
  connect(list_, &QListWidget::currentRowChanged, this, [this](int index) {
    if (index < 0 || index >= static_cast<int>(known_.size())) return;
    picture_.id = known_[static_cast<std::size_t>(index)].picture->id;
    refresh();
  });
  connect(repeat_, &Segments::picked, this, [this](int i) {
    picture_.repeat = static_cast<PictureRepeat>(i);
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
  const auto turnsBy = [this](LengthField* field, Angle ZonePicture::*member) {
    connect(field, &LengthField::typedAngle, this, [this, member](Angle typed) {
      picture_.*member = typed.wrapped();
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
  fillList(picture_.id);
  refresh();
  resize(960, 600);
}

void PrintDialog::fillList(const std::string& chosen) {
  {
    const QSignalBlocker quiet(list_);
    list_->clear();
    for (const Known& one : known_) {
      const KeptPicture& picture = *one.picture;
      auto* item =
          new QListWidgetItem(iconOf(one.picture), tr("%1\n%2 × %3 dots")
                                                       .arg(QString::fromStdString(picture.name))
                                                       .arg(picture.wide)
                                                       .arg(picture.tall));
      list_->addItem(item);
      if (picture.id == chosen) list_->setCurrentItem(item);
    }
  }
  if (list_->currentRow() < 0 && list_->count() > 0) list_->setCurrentRow(0);
  if (list_->count() == 0) picture_.id.clear();
}

void PrintDialog::askForPicture() {
  const QString path = QFileDialog::getOpenFileName(
      this, tr("Add a picture"), {}, tr("Pictures (*.png *.jpg *.jpeg);;All files (*)"));
  if (path.isEmpty()) return;
  if (const std::optional<QString> fault = addFrom(path)) {
    words_->setText(tr("%1 was not added. %2").arg(QFileInfo(path).fileName(), *fault));
  }
}

std::optional<QString> PrintDialog::addFrom(const QString& path) {
  constexpr std::size_t mostBytes = 200U << 20U;
  const QFileInfo about(path);
  const std::string name = about.completeBaseName().toStdString();
  const auto read = beside(
      this, tr("Reading %1…").arg(about.fileName()),
      [path = path.toStdString(), name](Going& /*going*/) -> tl::expected<TakenPicture, Sentence> {
        auto bytes = readFile(path, mostBytes);
        if (!bytes) return tl::unexpected(bytes.error());
        return pictureToKeep(std::move(*bytes), name);
      });
  if (!read) return read.error();
  if (!*read) return say(read->error(), unit_);
  KeptPicture picture = (*read)->picture;
  picture.id = "added-" + std::to_string(++added_);
  known_.push_back({SharedPicture(picture), true, 0});
  fillList(picture.id);
  picture_.id = picture.id;
  refresh();
  if ((*read)->smaller) {
    words_->setText(tr("The file is larger than an order keeps, so it was made smaller: %1 × %2 "
                       "dots. ")
                        .arg(picture.wide)
                        .arg(picture.tall) +
                    words_->text());
  }
  return std::nullopt;
}

void PrintDialog::removePicture() {
  const int row = list_->currentRow();
  if (row < 0 || row >= static_cast<int>(known_.size())) return;
  const Known& one = known_[static_cast<std::size_t>(row)];
  if (one.elsewhere > 0) {
    words_->setText(one.elsewhere == 1
                        ? tr("Another film of the order shows this picture. Give that one another "
                             "first.")
                        : tr("%1 other films of the order show this picture. Give them another "
                             "first.")
                              .arg(one.elsewhere));
    return;
  }
  if (!one.isNew) removed_.push_back(one.picture->id);
  known_.erase(known_.begin() + row);
  fillList({});
  refresh();
}

std::optional<PictureLie> PrintDialog::lie() const {
  Finish finish;
  finish.kind = FinishKind::film;
  finish.picture = picture_;
  for (const Known& one : known_) {
    if (one.picture->id == picture_.id) finish.picture.picture = one.picture;
  }
  return lieOf(finish, wall_, zone_.region);
}

void PrintDialog::refresh() {
  const bool once = picture_.repeat == PictureRepeat::once;
  const bool any = !picture_.id.empty();
  repeat_->show(static_cast<int>(picture_.repeat));
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
  remove_->setEnabled(any);
  for (LengthField* field : {wide_, up_}) field->setFault({});
  for (const Fault& fault : faultsOf(picture_)) {
    (fault.field == "wide" ? wide_ : up_)->setFault(say(fault.sentence, unit_));
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
  for (const Known& one : known_) {
    if (one.isNew) choice.added.push_back(*one.picture);
    if (one.picture->id == picture_.id) choice.mean = meanOf(one.picture);
  }
  choice.removed = removed_;
  choice.picture = picture_;
  return choice;
}

}  // namespace avrelt

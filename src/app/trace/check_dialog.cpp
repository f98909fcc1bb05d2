// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/trace/check_dialog.h"

#include <QPushButton>

#include "app/order/phrases.h"

namespace avrelt {

CheckDialog::CheckDialog(const CupPlan& plan, QWidget* parent) : PhotoDialog(plan.unit, parent) {
  setWindowTitle(tr("Check by a photo"));
  canvas_ = new CheckCanvas(plan);
  lay(canvas_,
      tr("Put the dark marks on both ends of base and rim and on the middles of their near sides, "
         "the brass one anywhere on the front. Lines and outlines of the plan then lie where tape "
         "and decals should be."));
  distance_ = new LengthField(tr("The camera stood off by"), Member::photoDistance);
  distance_->showWord(tr("by the marks"), unit());
  distance_->setToolTip(
      tr("From the cup's middle. At 0 it follows from how round base and rim look"));
  column()->addWidget(distance_);
  column()->addWidget(wordsLabel());
  auto* title = new QLabel(tr("The place asked about"));
  title->setProperty("role", "title");
  column()->addWidget(title);
  asked_ = new QLabel;
  asked_->setWordWrap(true);
  column()->addWidget(asked_);
  column()->addStretch();
  auto* done = new QPushButton(tr("Done"));
  done->setProperty("primary", true);
  column()->addWidget(done);

  connect(done, &QPushButton::clicked, this, &QDialog::accept);
  connect(canvas_, &CheckCanvas::traced, this, &CheckDialog::refresh);
  connect(distance_, &LengthField::typed, this, [this](const WrittenLength& typed) {
    canvas_->setDistance(typed.length > Length() ? std::optional(typed.length) : std::nullopt);
  });
  connect(distance_, &LengthField::finished, this, [this] {
    if (!canvas_->distance()) distance_->showWord(tr("by the marks"), unit());
  });
  connect(distance_, &LengthField::stepped, this, [this](int marks) {
    // Nobody measures it finer.
    const Length by = unit() == Unit::inch ? Length::inches(1) : Length::mm(20);
    if (!canvas_->sight()) return;
    const Length next = canvas_->sight()->distance() + by * marks;
    canvas_->setDistance(next);
    distance_->show(next, unit());
  });
  refresh();
}

void CheckDialog::refresh() {
  const Checked<PhotoSight>& sight = canvas_->sight();
  distance_->setFault(!sight && sight.error().where.member == Member::photoDistance
                          ? say(sight.error().sentence, unit())
                          : QString());
  if (!isLoaded()) {
    wordsLabel()->setText(tr("Nothing is loaded yet."));
    asked_->clear();
    return;
  }
  if (!sight) {
    wordsLabel()->setText(say(sight.error().sentence, unit()));
    asked_->setText(tr("Put the marks right first."));
    return;
  }
  wordsLabel()->setText(
      tr("Seen from %1 away, the marks within %2 pixels. A photo shows to about a "
         "sixteenth: the tape has the last word.")
          .arg(onTape(sight->distance(), unit()).mark)
          .arg(sight->off(), 0, 'f', 1));
  const std::optional<PhotoSight::Place> place = canvas_->askedAt();
  asked_->setText(place ? askedIs(*place) : tr("It is beside the wall. Click a place on the cup."));
}

/// Where it is on the cup, and how far from the nearest line of the plan.
QString CheckDialog::askedIs(const PhotoSight::Place& place) const {
  const CupPlan& plan = canvas_->plan();
  const WallPoint framed{plan.wall.inFrame(place.onCup), place.s};
  QString words = tr("It is %1.").arg(say(markOf(plan.wall, framed), unit()));
  const std::optional<Apart> near = plan.landmarks->lineNear(framed);
  if (!near) return words;
  QString name;
  for (const DivideLine& line : plan.divided.lines) {
    if (near->id == line.cut + "/" + std::to_string(line.index)) {
      name = QString::fromStdString(line.id);
    }
  }
  words += QStringLiteral("\n\n");
  if (near->apart < Length::mm(0.25)) return words + tr("Line %1 runs there.").arg(name);
  return words + tr("Line %1 is to run %2 from there: %3.")
                     .arg(name, onTape(near->apart, unit()).mark,
                          say(markOf(plan.wall, near->there), unit()));
}

}  // namespace avrelt

#include "moc_check_dialog.cpp"

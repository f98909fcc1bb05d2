// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/divide/finish_page.h"

#include <QAbstractItemView>
#include <QHBoxLayout>
#include <QVBoxLayout>

#include "app/order/phrases.h"
#include "app/order/zone_edits.h"

namespace avrelt {

FinishPage::FinishPage(Order& order, FieldSet& fields, QWidget* parent)
    : QWidget(parent), order_(order) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(5);
  kind_ =
      new Segments(tr("Finish"), {tr("None"), tr("Paint"), tr("Glitter"), tr("Film"), tr("Bare")});
  column->addWidget(kind_, 0, Qt::AlignLeft);
  nameLabel_ = new QLabel(tr("Called"));
  nameLabel_->setProperty("role", "label");
  name_ = new QLineEdit;
  name_->setAccessibleName(tr("What the finish is called"));
  nameLabel_->setBuddy(name_);
  auto* named = new QHBoxLayout;
  named->setSpacing(8);
  named->addWidget(nameLabel_);
  named->addWidget(name_, 1);
  column->addLayout(named);
  swatches_ = new Swatches;
  column->addWidget(swatches_);
  stickLabel_ = new QLabel(tr("Stuck with"));
  stickLabel_->setProperty("role", "label");
  stick_ = new QComboBox;
  stick_->setAccessibleName(tr("Stuck with"));
  stick_->view()->setAccessibleName(tr("Ways to stick glitter"));
  stick_->addItems({tr("resin"), tr("brush-on glue"), tr("wet paint"), tr("spray clear"),
                    tr("tacky glue"), tr("UV resin")});
  stickLabel_->setBuddy(stick_);
  grain_ = new QComboBox;
  grain_->setAccessibleName(tr("Cut of the glitter"));
  grain_->addItems({tr("fine"), tr("medium"), tr("chunky")});
  way_ = new QComboBox;
  way_->setAccessibleName(tr("How the paint goes on"));
  way_->addItems({tr("brushed or sprayed"), tr("ink, dripped and tilted"), tr("dipped")});
  for (QComboBox* box : {grain_, way_}) box->view()->setAccessibleName(box->accessibleName());
  opaque_ = new Segments(tr("Film is"), {tr("Opaque"), tr("Clear"), tr("Printed")});
  auto* stuck = new QHBoxLayout;
  stuck->setSpacing(6);
  stuck->addWidget(stickLabel_);
  stuck->addWidget(stick_, 3);
  stuck->addWidget(grain_, 2);
  column->addLayout(stuck);
  column->addWidget(way_);
  patch_ = new QComboBox;
  patch_->setAccessibleName(tr("Patch for a V's point or a seam"));
  patch_->view()->setAccessibleName(patch_->accessibleName());
  patch_->setToolTip(tr("A small piece of the same film that hides where its ends meet"));
  patch_->addItems({tr("no patch"), tr("a disc"), tr("a drop")});
  auto* films = new QHBoxLayout;
  films->setSpacing(6);
  films->addWidget(opaque_);
  films->addWidget(patch_, 1);
  column->addLayout(films);
  edge_ = new QComboBox;
  edge_->setAccessibleName(tr("At the zone's lines"));
  edge_->view()->setAccessibleName(edge_->accessibleName());
  edge_->addItems({tr("under stripes by half their width"), tr("exactly to its lines"),
                   tr("under its lines by"), tr("over its lines, to be trimmed")});
  edgeBy_ = fields.add(tr("By how much"), QStringLiteral("divide.finish.edge_by"));
  edgeBy_->setLabel({});
  auto* edges = new QHBoxLayout;
  edges->setSpacing(6);
  edges->addWidget(edge_, 3);
  edges->addWidget(edgeBy_, 2);
  column->addLayout(edges);
  patchAcross_ = fields.add(tr("Patch, across"), QStringLiteral("divide.finish.patch_across"));
  patchAcross_->setLabel({});
  auto* spread = new QHBoxLayout;
  spread->setSpacing(6);
  onAll_ = new QPushButton(tr("On all parts"));
  onAll_->setToolTip(tr("Gives this finish to every part of the cut that made the zone"));
  onSecond_ = new QPushButton(tr("On every second"));
  onSecond_->setToolTip(tr("Gives this finish to every second part of the cut, from this one on"));
  spread->addWidget(onAll_);
  spread->addWidget(onSecond_);
  spread->addStretch();
  spread->addWidget(patchAcross_);
  column->addLayout(spread);
  size_ = new QLabel;
  size_->setProperty("role", "label");
  size_->setWordWrap(true);
  column->addWidget(size_);
  column->addStretch();

  connect(kind_, &Segments::picked, this, [this](int i) {
    editFinish(order_, tr("Choose a finish"), {},
               [i](Finish& finish) { finish.kind = static_cast<FinishKind>(i); });
  });
  connect(grain_, &QComboBox::activated, this, [this](int i) {
    editFinish(order_, tr("Choose the cut of the glitter"), {},
               [i](Finish& finish) { finish.grain = static_cast<GlitterCut>(i); });
  });
  connect(way_, &QComboBox::activated, this, [this](int i) {
    static constexpr FinishKind ways[] = {FinishKind::paint, FinishKind::ink, FinishKind::dip};
    editFinish(order_, tr("Choose how the paint goes on"), {},
               [i](Finish& finish) { finish.kind = ways[i]; });
  });
  connect(onAll_, &QPushButton::clicked, this, [this] { spreadFinish(order_, 1); });
  connect(onSecond_, &QPushButton::clicked, this, [this] { spreadFinish(order_, 2); });
  connect(opaque_, &Segments::picked, this, [this](int i) {
    const QString words = i == 0   ? tr("Take opaque film")
                          : i == 1 ? tr("Take clear film")
                                   : tr("Take printed film");
    editFinish(order_, words, {}, [i](Finish& finish) {
      finish.opaque = i != 1;
      finish.printed = i == 2;
    });
  });
  connect(edge_, &QComboBox::activated, this, [this](int i) {
    editFinish(order_, tr("Choose how far film goes at its lines"), {},
               [i](Finish& finish) { finish.edge = static_cast<FilmEdge>(i); });
  });
  const auto setBy = [this](const WrittenLength& typed) {
    editFinish(order_, tr("Set how far film runs over its lines"), QStringLiteral("edge"),
               [&](Finish& finish) { finish.edgeBy = typed; });
  };
  connect(edgeBy_, &LengthField::typed, this, setBy);
  connect(edgeBy_, &LengthField::stepped, this, [this, setBy](int marks) {
    const Zone* zone = zoneInHand(order_);
    if (zone == nullptr) return;
    const Graduation graduation = usualGraduation(order_.unit());
    const Length next =
        nearestMark(zone->finish.edgeBy.length, graduation) + step(graduation) * marks;
    setBy(written(std::max(next, Length()), order_.unit()));
  });
  connect(patch_, &QComboBox::activated, this, [this](int i) {
    editFinish(order_, i == 0 ? tr("Cut no patch") : tr("Cut a patch"), {},
               [i](Finish& finish) { finish.patch = static_cast<PatchShape>(i); });
  });
  const auto setAcross = [this](const WrittenLength& typed) {
    editFinish(order_, tr("Set how wide the patch is"), QStringLiteral("patch"),
               [&](Finish& finish) { finish.patchAcross = typed; });
  };
  connect(patchAcross_, &LengthField::typed, this, setAcross);
  connect(patchAcross_, &LengthField::stepped, this, [this, setAcross](int marks) {
    const Zone* zone = zoneInHand(order_);
    if (zone == nullptr) return;
    const Graduation graduation = usualGraduation(order_.unit());
    const Length now = zone->finish.patchAcross.length;
    const Length next = nearestMark(now, graduation) + step(graduation) * marks;
    setAcross(written(std::max(next, step(graduation)), order_.unit()));
  });
  connect(name_, &QLineEdit::textEdited, this, [this](const QString& text) {
    editFinish(order_, tr("Call it %1").arg(text), QStringLiteral("name"),
               [&](Finish& finish) { finish.name = text.toStdString(); });
  });
  connect(name_, &QLineEdit::editingFinished, &order, &Order::settle);
  connect(swatches_, &Swatches::chosen, this, [this](const QString& colour) {
    editFinish(order_, tr("Choose a colour"), {}, [&](Finish& finish) {
      finish.colour = colour.toStdString();
      if (finish.kind == FinishKind::none) finish.kind = FinishKind::glitter;
    });
  });
  connect(stick_, &QComboBox::activated, this, [this](int i) {
    editFinish(order_, tr("Choose how it is stuck"), {},
               [i](Finish& finish) { finish.stick = static_cast<Stick>(i); });
  });
  connect(&order, &Order::changed, this, &FinishPage::refresh);
  connect(&order, &Order::gaugeLinePicked, this, &FinishPage::refresh);
}

void FinishPage::refresh() {
  const Zone* zone = zoneInHand(order_);
  setEnabled(zone != nullptr);
  if (zone == nullptr) return;
  const Finish& finish = zone->finish;
  const bool ink = finish.kind == FinishKind::ink;
  const bool paints = finish.kind == FinishKind::paint || ink || finish.kind == FinishKind::dip;
  kind_->show(static_cast<int>(paints ? FinishKind::paint : finish.kind));
  if (!name_->hasFocus()) name_->setText(QString::fromStdString(finish.name));
  const bool coloured =
      paints || finish.kind == FinishKind::glitter || finish.kind == FinishKind::film;
  nameLabel_->setVisible(coloured);
  name_->setVisible(coloured);
  swatches_->show(QString::fromStdString(finish.colour));
  stickLabel_->setVisible(finish.kind == FinishKind::glitter);
  stick_->setVisible(finish.kind == FinishKind::glitter);
  stick_->setCurrentIndex(static_cast<int>(finish.stick));
  grain_->setVisible(finish.kind == FinishKind::glitter);
  grain_->setCurrentIndex(static_cast<int>(finish.grain));
  way_->setVisible(paints);
  way_->setCurrentIndex(finish.kind == FinishKind::paint ? 0 : ink ? 1 : 2);
  const bool film = finish.kind == FinishKind::film;
  opaque_->setVisible(film);
  edge_->setVisible(film);
  edge_->setCurrentIndex(static_cast<int>(finish.edge));
  edgeBy_->setVisible(film && finish.edge != FilmEdge::stripes && finish.edge != FilmEdge::exact);
  edgeBy_->show(finish.edgeBy.length, order_.unit());
  patch_->setVisible(film);
  patch_->setCurrentIndex(static_cast<int>(finish.patch));
  patchAcross_->setVisible(film && finish.patch != PatchShape::none);
  patchAcross_->show(finish.patchAcross.length, order_.unit());
  opaque_->show(finish.printed ? 2 : finish.opaque ? 0 : 1);
  const int parts = siblingsOf(order_);
  onAll_->setVisible(parts > 1);
  onSecond_->setVisible(parts > 2);
  const Unit unit = order_.unit();
  const double area =
      unit == Unit::inch ? zone->area.mm2() / (25.4 * 25.4) : zone->area.mm2() / 100;
  const QString amount =
      unit == Unit::inch ? tr("%1 in²").arg(area, 0, 'f', 1) : tr("%1 cm²").arg(area, 0, 'f', 1);
  size_->setText(tr("Zone %1 has %2 of wall, from %3 to %4 up.")
                     .arg(QString::fromStdString(zone->letter), amount,
                          onTape(zone->region.lowest(), unit).mark,
                          onTape(zone->region.highest(), unit).mark));
}

}  // namespace avrelt

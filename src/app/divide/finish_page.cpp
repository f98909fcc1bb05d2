// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/divide/finish_page.h"

#include <algorithm>
#include <QAbstractItemView>
#include <QHBoxLayout>
#include <QVBoxLayout>

#include "app/fields/finish_offers.h"
#include "app/order/phrases.h"
#include "app/order/picture_edits.h"
#include "app/order/zone_edits.h"
#include "app/print/print_dialog.h"
#include "divide/underlap.h"

namespace avrelt {
namespace {

bool isOf(const LineEdge& one, const LineEdge& line) {
  return one.of == line.of && one.line == line.line;
}

/// What a finish says of a line; of all of them where none is given.
LineEdge edgeNow(const Finish& finish, const std::optional<LineEdge>& line) {
  LineEdge now = line.value_or(LineEdge());
  now.edge = finish.edge;
  now.by = finish.edgeBy;
  if (!line) return now;
  for (const LineEdge& one : finish.edges) {
    if (isOf(one, *line)) return one;
  }
  return now;
}

}  // namespace

FinishPage::FinishPage(Order& order, FieldSet& fields, QWidget* parent)
    : QWidget(parent), order_(order) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(5);
  kind_ = segmentsOf<FinishKind>(tr("Finish"), {{FinishKind::none, tr("None")},
                                                {FinishKind::paint, tr("Paint")},
                                                {FinishKind::glitter, tr("Glitter")},
                                                {FinishKind::film, tr("Film")},
                                                {FinishKind::bare, tr("Bare")}});
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
  picturesOf_ = new QPushButton(tr("Picture…"));
  picturesOf_->setToolTip(tr("The picture it is printed with, and how it lies"));
  named->addWidget(picturesOf_);
  supply_ = new SupplyButton;
  named->addWidget(supply_);
  connect(supply_, &SupplyButton::taken, this, [this](const std::optional<Supply>& supply) {
    editFinish(order_,
               supply ? tr("Take %1").arg(QString::fromStdString(supply->name))
                      : tr("Take none of the shop’s"),
               {}, [&](Finish& finish) { SupplyButton::take(finish, supply); });
  });
  connect(picturesOf_, &QPushButton::clicked, this, &FinishPage::askForPicture);
  column->addLayout(named);
  swatches_ = new Swatches;
  column->addWidget(swatches_);
  stickLabel_ = new QLabel(tr("Stuck with"));
  stickLabel_->setProperty("role", "label");
  stick_ = new QComboBox;
  stick_->setAccessibleName(tr("Stuck with"));
  stick_->view()->setAccessibleName(tr("Ways to stick glitter"));
  offerSticks(*stick_);
  stickLabel_->setBuddy(stick_);
  grain_ = new QComboBox;
  grain_->setAccessibleName(tr("Cut of the glitter"));
  offer<GlitterCut>(*grain_, {{GlitterCut::fine, tr("fine")},
                              {GlitterCut::medium, tr("medium")},
                              {GlitterCut::chunky, tr("chunky")}});
  way_ = new QComboBox;
  way_->setAccessibleName(tr("How the paint goes on"));
  offerWays(*way_);
  for (QComboBox* box : {grain_, way_}) box->view()->setAccessibleName(box->accessibleName());
  opaque_ = new Segments(tr("Film is"), {tr("Opaque"), tr("Clear"), tr("Printed"), tr("To print")});
  opaque_->button(2)->setToolTip(tr("Film that is bought with a print, which has a direction"));
  opaque_->button(3)->setToolTip(tr("Film that is printed with a picture first, then cut"));
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
  offer<PatchShape>(*patch_, {{PatchShape::none, tr("no patch")},
                              {PatchShape::disc, tr("a disc")},
                              {PatchShape::drop, tr("a drop")}});
  auto* films = new QHBoxLayout;
  films->setSpacing(6);
  films->addWidget(opaque_);
  films->addStretch();
  column->addLayout(films);
  edgeAt_ = new QComboBox;
  edgeAt_->setAccessibleName(tr("Which lines of the film"));
  edgeAt_->view()->setAccessibleName(edgeAt_->accessibleName());
  edge_ = new QComboBox;
  edge_->setAccessibleName(tr("At the zone's lines"));
  edge_->view()->setAccessibleName(edge_->accessibleName());
  offer<FilmEdge>(*edge_, {{FilmEdge::stripes, tr("under stripes by half")},
                           {FilmEdge::exact, tr("exact")},
                           {FilmEdge::under, tr("larger by")},
                           {FilmEdge::trim, tr("larger, to trim")}});
  edgeBy_ = fields.add(tr("By how much"), Member::edgeBy);
  edgeBy_->setLabel({});
  auto* edges = new QHBoxLayout;
  edges->setSpacing(6);
  edges->addWidget(edgeAt_, 3);
  edges->addWidget(edge_, 4);
  edges->addWidget(edgeBy_, 3);
  column->addLayout(edges);
  patchAcross_ = fields.add(tr("Patch, across"), Member::patchAcross);
  patchAcross_->setLabel({});
  auto* spread = new QHBoxLayout;
  spread->setSpacing(6);
  onAll_ = new QPushButton(tr("All parts"));
  onAll_->setToolTip(tr("Gives this finish to every part of the cut that made the zone"));
  onSecond_ = new QPushButton(tr("Every second"));
  onSecond_->setToolTip(tr("Gives this finish to every second part of the cut, from this one on"));
  spread->addWidget(onAll_);
  spread->addWidget(onSecond_);
  spread->addStretch();
  spread->addWidget(patch_);
  spread->addWidget(patchAcross_);
  column->addLayout(spread);
  size_ = new QLabel;
  size_->setProperty("role", "label");
  size_->setWordWrap(true);
  column->addWidget(size_);
  column->addStretch();

  connectFields();
}

void FinishPage::connectFields() {
  onChosen<FinishKind>(*kind_, this, [this](FinishKind chosen) {
    editFinish(order_, tr("Choose a finish"), {}, [chosen](Finish& finish) {
      finish.kind = chosen;
      finish.supply.clear();
    });
  });
  onChosen<GlitterCut>(*grain_, this, [this](GlitterCut chosen) {
    editFinish(order_, tr("Choose the cut of the glitter"), {},
               [chosen](Finish& finish) { finish.grain = chosen; });
  });
  onChosen<PaintWay>(*way_, this, [this](PaintWay chosen) {
    editFinish(order_, tr("Choose how the paint goes on"), {}, [chosen](Finish& finish) {
      takeWay(finish, chosen);
      finish.supply.clear();
    });
  });
  connect(onAll_, &QPushButton::clicked, this, [this] { spreadFinish(order_, 1); });
  connect(onSecond_, &QPushButton::clicked, this, [this] { spreadFinish(order_, 2); });
  connect(opaque_, &Segments::picked, this, [this](int i) {
    if (i == 3) return askForPicture();
    const QString words = i == 0   ? tr("Take opaque film")
                          : i == 1 ? tr("Take clear film")
                                   : tr("Take printed film");
    editFinish(order_, words, {}, [i](Finish& finish) {
      finish.opaque = i != 1;
      finish.printed = i == 2;
      finish.picture = {};
    });
  });
  connect(edgeAt_, &QComboBox::activated, this, [this] {
    const CupPlan* plan = order_.plan();
    const std::optional<LineEdge> line = lineInHand();
    if (plan == nullptr || !line) return refresh();
    const DivideLine* found = lineAt(plan->divided, line->of, line->line);
    if (found != nullptr) order_.pickLine(found->id);
    refresh();
  });
  onChosen<FilmEdge>(*edge_, this, [this](FilmEdge chosen) {
    changeEdge(tr("Choose how far film goes at its lines"), {},
               [chosen](FilmEdge& edge, WrittenLength&) { edge = chosen; });
  });
  const auto setBy = [this](const WrittenLength& typed) {
    changeEdge(tr("Set how far film runs over its lines"), QStringLiteral("edge"),
               [&](FilmEdge&, WrittenLength& by) { by = typed; });
  };
  connect(edgeBy_, &LengthField::typed, this, setBy);
  connect(edgeBy_, &LengthField::stepped, this, [this, setBy](int marks) {
    const Zone* zone = zoneInHand(order_);
    if (zone == nullptr) return;
    const Graduation graduation = usualGraduation(order_.unit());
    const Length next = nearestMark(edgeNow(zone->finish, lineInHand()).by.length, graduation) +
                        step(graduation) * marks;
    setBy(written(std::max(next, Length()), order_.unit()));
  });
  onChosen<PatchShape>(*patch_, this, [this](PatchShape chosen) {
    editFinish(order_, chosen == PatchShape::none ? tr("Cut no patch") : tr("Cut a patch"), {},
               [chosen](Finish& finish) { finish.patch = chosen; });
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
    editFinish(order_, tr("Call it %1").arg(text), QStringLiteral("name"), [&](Finish& finish) {
      // Under another name it is another thing.
      finish.name = text.toStdString();
      finish.supply.clear();
    });
  });
  connect(name_, &QLineEdit::editingFinished, &order_, &Order::settle);
  connect(swatches_, &Swatches::chosen, this, [this](const QString& colour) {
    editFinish(order_, tr("Choose a colour"), {}, [&](Finish& finish) {
      finish.colour = colour.toStdString();
      finish.supply.clear();
      if (finish.kind == FinishKind::none) finish.kind = FinishKind::glitter;
    });
  });
  onChosen<Stick>(*stick_, this, [this](Stick chosen) {
    editFinish(order_, tr("Choose how it is stuck"), {},
               [chosen](Finish& finish) { finish.stick = chosen; });
  });
  connect(&order_, &Order::changed, this, &FinishPage::refresh);
  connect(&order_, &Order::gaugeLinePicked, this, &FinishPage::refresh);
}

void FinishPage::askForPicture() {
  const Zone* zone = zoneInHand(order_);
  const CupPlan* plan = order_.plan();
  if (zone == nullptr || plan == nullptr) return;
  PrintDialog dialog(order_.document(), plan->wall, *zone, zone->finish, this);
  if (dialog.exec() == QDialog::Accepted) printZone(order_, dialog.choice());
  refresh();
}

std::optional<LineEdge> FinishPage::lineInHand() const {
  const QStringList words = edgeAt_->currentData().toStringList();
  if (words.size() != 2) return std::nullopt;
  LineEdge line;
  line.of = words[0].toStdString();
  line.line = words[1].toInt();
  return line;
}

/// All lines of the zone's film, and each that it ends at.
void FinishPage::listLines(const Zone& zone) {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr) return;
  std::vector<std::pair<QString, QStringList>> wanted{{tr("all lines"), {}}};
  for (const EdgeLine& edge : edgeLinesOf(zone, plan->divided)) {
    wanted.emplace_back(
        tr("line %1").arg(QString::fromStdString(edge.line->id)),
        QStringList{QString::fromStdString(edge.line->cut), QString::number(edge.line->index)});
  }
  const QStringList before = edgeAt_->currentData().toStringList();
  bool same = static_cast<int>(wanted.size()) == edgeAt_->count();
  for (int i = 0; same && i < edgeAt_->count(); ++i) {
    const auto& [words, line] = wanted[static_cast<std::size_t>(i)];
    same = edgeAt_->itemText(i) == words && edgeAt_->itemData(i).toStringList() == line;
  }
  if (same) return;
  edgeAt_->clear();
  for (const auto& [words, line] : wanted) edgeAt_->addItem(words, line);
  edgeAt_->setCurrentIndex(std::max(edgeAt_->findData(before), 0));
}

/// Changes the edge at the line in hand, or at all lines that have none of their own.
void FinishPage::changeEdge(const QString& text, const QString& key,
                            const std::function<void(FilmEdge& edge, WrittenLength& by)>& change) {
  const std::optional<LineEdge> line = lineInHand();
  editFinish(order_, text, key, [&](Finish& finish) {
    if (!line) return change(finish.edge, finish.edgeBy);
    LineEdge now = edgeNow(finish, line);
    change(now.edge, now.by);
    const auto at = std::find_if(finish.edges.begin(), finish.edges.end(),
                                 [&](const LineEdge& one) { return isOf(one, *line); });
    const bool usual = now.edge == finish.edge && now.by == finish.edgeBy;
    if (at != finish.edges.end()) finish.edges.erase(at);
    if (!usual) finish.edges.push_back(std::move(now));
  });
}

void FinishPage::refresh() {
  const Zone* zone = zoneInHand(order_);
  setEnabled(zone != nullptr);
  if (zone == nullptr) return;
  const Finish& finish = zone->finish;
  const bool ink = finish.kind == FinishKind::ink;
  const bool paints = finish.kind == FinishKind::paint || ink || finish.kind == FinishKind::dip;
  showChosen(*kind_, paints ? FinishKind::paint : finish.kind);
  if (!name_->hasFocus()) name_->setText(QString::fromStdString(finish.name));
  const bool coloured =
      paints || finish.kind == FinishKind::glitter || finish.kind == FinishKind::film;
  supply_->show(finish);
  nameLabel_->setVisible(coloured);
  name_->setVisible(coloured);
  swatches_->show(QString::fromStdString(finish.colour));
  stickLabel_->setVisible(finish.kind == FinishKind::glitter);
  stick_->setVisible(finish.kind == FinishKind::glitter);
  showChosen(*stick_, finish.stick);
  grain_->setVisible(finish.kind == FinishKind::glitter);
  showChosen(*grain_, finish.grain);
  way_->setVisible(paints);
  showChosen(*way_, wayOf(finish));
  const bool film = finish.kind == FinishKind::film;
  opaque_->setVisible(film);
  edge_->setVisible(film);
  edgeAt_->setVisible(film);
  if (film) listLines(*zone);
  const LineEdge now = edgeNow(finish, lineInHand());
  showChosen(*edge_, now.edge);
  edgeBy_->setVisible(film && now.edge != FilmEdge::stripes && now.edge != FilmEdge::exact);
  edgeBy_->show(now.by.length, order_.unit());
  patch_->setVisible(film);
  showChosen(*patch_, finish.patch);
  patchAcross_->setVisible(film && finish.patch != PatchShape::none);
  patchAcross_->show(finish.patchAcross.length, order_.unit());
  const bool toPrint = !finish.picture.id.empty();
  opaque_->show(toPrint ? 3 : finish.printed ? 2 : finish.opaque ? 0 : 1);
  picturesOf_->setVisible(film && toPrint);
  // Film has more to choose than the card has room for beside that.
  size_->setVisible(!film);
  const int parts = siblingsOf(order_);
  onAll_->setVisible(parts > 1);
  onSecond_->setVisible(parts > 2);
  const Unit unit = order_.unit();
  size_->setText(tr("Zone %1 has %2 of wall, from %3 to %4 up.")
                     .arg(QString::fromStdString(zone->letter), say(zone->area, unit),
                          onTape(zone->region.lowest(), unit).mark,
                          onTape(zone->region.highest(), unit).mark));
}

}  // namespace avrelt

#include "moc_finish_page.cpp"

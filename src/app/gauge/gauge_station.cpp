// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/gauge/gauge_station.h"

#include <algorithm>
#include <numbers>
#include <QAbstractButton>
#include <QGridLayout>
#include <QHBoxLayout>

#include "app/fields/card.h"
#include "app/fields/offer.h"
#include "app/gauge/measures.h"
#include "app/look/theme.h"
#include "app/order/phrases.h"
#include "app/trace/trace_dialog.h"

namespace avrelt {

GaugeStation::GaugeStation(Order& order, QWidget* parent)
    : Desk(parent), order_(order), fields_(order) {
  row_ = new QHBoxLayout(this);
  row_->setContentsMargins(14, 12, 14, 12);
  row_->setSpacing(12);
  row_->addWidget(measureCard(), 44);
  wrapCard_ = wrapCard();
  row_->addWidget(wrapCard_, 24);
  row_->addWidget(figuresCard(), 30);
  connect(&order, &Order::changed, this, &GaugeStation::refresh);
  refresh();
}

QWidget* GaugeStation::measureCard() {
  QVBoxLayout* body = nullptr;
  QFrame* card = makeCard({}, body);
  card->setAccessibleName(tr("Measure"));
  measurePage_ = new Segments(tr("Measure card"), {tr("Measure"), tr("Features")});
  auto* trace = new QPushButton(tr("Trace a photo…"));
  auto* shelf = new QPushButton(tr("Shelf…"));
  shelf->setToolTip(tr("Take a blank from the shelf, or put this one there (Ctrl+B)"));
  auto* head = new QHBoxLayout;
  head->setSpacing(8);
  head->addWidget(measurePage_);
  head->addStretch();
  head->addWidget(trace);
  head->addWidget(shelf);
  body->addLayout(head);
  connect(trace, &QPushButton::clicked, this, &GaugeStation::traceAPhoto);
  connect(shelf, &QPushButton::clicked, this, &GaugeStation::shelfAsked);
  connect(measurePage_, &Segments::picked, this, &GaugeStation::showMeasures);
  measurePages_ = new QStackedWidget;
  body->addWidget(measurePages_, 1);
  auto* measured = new QWidget;
  body = new QVBoxLayout(measured);
  body->setContentsMargins(0, 0, 0, 0);
  body->setSpacing(8);
  measurePages_->addWidget(measured);
  features_ = new FeaturesPage(order_, fields_);
  measurePages_->addWidget(features_);
  measurePage_->show(measures);

  shape_ = segmentsOf<Shape>(tr("Shape"), {{Shape::straight, tr("Straight")},
                                           {Shape::tapered, tr("Tapered")},
                                           {Shape::curved, tr("Curved")}});
  girth_ = segmentsOf<Girth>(tr("Girth measured"),
                             {{Girth::around, tr("Round")}, {Girth::across, tr("Across")}});
  along_ = segmentsOf<HeightAlong>(
      tr("Height measured"), {{HeightAlong::wall, tr("Wall")}, {HeightAlong::plumb, tr("Plumb")}});
  buttonOf(*girth_, Girth::around)->setToolTip(tr("The tape goes round the body"));
  buttonOf(*girth_, Girth::across)->setToolTip(tr("A rule goes across the body"));
  buttonOf(*along_, HeightAlong::wall)->setToolTip(tr("The tape lies against the wall"));
  buttonOf(*along_, HeightAlong::plumb)->setToolTip(tr("The rule stands upright beside the cup"));
  auto* choices = new QHBoxLayout;
  choices->setSpacing(8);
  choices->addWidget(shape_);
  choices->addWidget(girth_);
  choices->addWidget(along_);
  choices->addStretch();
  body->addLayout(choices);

  rim_ = fields_.add({}, Where(Member::stationGirth, std::size_t{1}));
  base_ = fields_.add({}, Where(Member::stationGirth, std::size_t{0}));
  height_ = fields_.add({}, Where(Member::stationAt, std::size_t{1}));
  auto* columns = new QHBoxLayout;
  columns->setSpacing(14);
  auto* column = new QVBoxLayout;
  column->setSpacing(7);
  column->addWidget(rim_);
  column->addWidget(base_);
  column->addWidget(height_);
  column->addStretch();
  column->setContentsMargins(0, 0, 0, 0);
  auto* plain = new QWidget;
  plain->setLayout(column);
  stations_ = new StationTable(order_);
  shapes_ = new QStackedWidget;
  shapes_->addWidget(plain);
  shapes_->addWidget(stations_);
  columns->addWidget(shapes_, 5);
  drawing_ = new ProfileDrawing(order_);
  columns->addWidget(drawing_, 5);
  body->addLayout(columns, 1);

  onChosen<Shape>(*shape_, this, [this](Shape chosen) { setShape(order_, chosen); });
  connect(stations_, &StationTable::stationPicked, drawing_, &ProfileDrawing::pickStation);
  connect(drawing_, &ProfileDrawing::stationPicked, stations_, &StationTable::pick);
  connect(stations_, &StationTable::said, this, &GaugeStation::said);
  onChosen<Girth>(*girth_, this, [this](Girth chosen) { setGirthMeasured(order_, chosen); });
  onChosen<HeightAlong>(*along_, this,
                        [this](HeightAlong chosen) { setHeightAlong(order_, chosen); });
  for (LengthField* field : {rim_, base_}) {
    const bool rim = field == rim_;
    connect(field, &LengthField::typed, this,
            [this, rim](const WrittenLength& typed) { setGirth(order_, rim, typed); });
    connect(field, &LengthField::stepped, this,
            [this, rim](int marks) { stepGirth(order_, rim, marks); });
  }
  connect(height_, &LengthField::typed, this,
          [this](const WrittenLength& typed) { setHeight(order_, typed); });
  connect(height_, &LengthField::stepped, this, [this](int marks) { stepHeight(order_, marks); });
  for (LengthField* field : {rim_, base_, height_}) {
    connect(field, &LengthField::entered, this, [this] { order_.pick(GaugeLine::none); });
  }
  return card;
}

QWidget* GaugeStation::wrapCard() {
  QVBoxLayout* body = nullptr;
  QFrame* card = makeCard({}, body);
  card->setAccessibleName(tr("Wrap"));
  wrapPage_ = new Segments(tr("Wrap card"), {tr("Wrap"), tr("Base"), tr("Liquid")});
  body->addWidget(wrapPage_, 0, Qt::AlignLeft);
  wrapPages_ = new QStackedWidget;
  body->addWidget(wrapPages_, 1);
  auto* edges = new QWidget;
  body = new QVBoxLayout(edges);
  body->setContentsMargins(0, 0, 0, 0);
  wrapPages_->addWidget(edges);
  basePage_ = new BasePage(order_, fields_);
  wrapPages_->addWidget(basePage_);
  liquidPage_ = new LiquidPage(order_, fields_);
  wrapPages_->addWidget(liquidPage_);
  wrapPage_->show(wrap);
  connect(wrapPage_, &Segments::picked, this, &GaugeStation::showWrap);
  const auto field = [&](const QString& label, GaugeLine gaugeLine) {
    LengthField* made = fields_.add(
        label, gaugeLine,
        gaugeLine == GaugeLine::seam ? LengthField::Kind::degrees : LengthField::Kind::length);
    if (gaugeLine == GaugeLine::seam) {
      connect(made, &LengthField::typedAngle, this, [this](Angle angle) {
        order_.editCup(
            tr("Set seam to %1").arg(QString::fromStdString(angleText(angle))),
            [angle](Cup& cup) { cup.wrap.seamAt = CupAngle::ofFront(angle); },
            keyOf(Member::seamAt));
      });
    } else {
      connect(made, &LengthField::typed, this, [this, gaugeLine](const WrittenLength& typed) {
        order_.editCup(
            tr("Set %1 to %2").arg(nameOf(gaugeLine), say(typed.length, order_.unit())),
            [&](Cup& cup) {
              WrittenLength& target = gaugeLine == GaugeLine::rimClearance ? cup.wrap.rimClearance
                                      : gaugeLine == GaugeLine::baseClearance
                                          ? cup.wrap.baseClearance
                                          : cup.wrap.overlap;
              target = typed;
            },
            keyOf(memberOf(gaugeLine)));
      });
    }
    return made;
  };
  rimClearance_ = field(tr("Bare at the rim"), GaugeLine::rimClearance);
  baseClearance_ = field(tr("Bare at the base"), GaugeLine::baseClearance);
  overlap_ = field(tr("Overlap at the seam"), GaugeLine::overlap);
  seam_ = field(tr("Seam at (180° is the back)"), GaugeLine::seam);
  body->setSpacing(6);
  for (LengthField* made : {rimClearance_, baseClearance_, overlap_, seam_}) body->addWidget(made);
  body->addStretch();
  return card;
}

QWidget* GaugeStation::figuresCard() {
  QVBoxLayout* body = nullptr;
  QFrame* card = makeCard({}, body);
  page_ =
      new Segments(tr("Card"), {tr("Comes to"), tr("Laying"), tr("Growth"), tr("If it is off")});
  auto* head = new QHBoxLayout;
  head->addWidget(page_);
  head->addStretch();
  body->addLayout(head);
  pages_ = new QStackedWidget;
  // The widest page must not take the other cards' room while it is not shown.
  pages_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
  body->addWidget(pages_, 1);
  auto* sizes = new QWidget;
  auto* grid = new QGridLayout(sizes);
  grid->setContentsMargins(0, 0, 0, 0);
  grid->setVerticalSpacing(7);
  grid->setHorizontalSpacing(10);
  grid->setColumnStretch(0, 1);
  constexpr int rows = 7;
  for (int i = 0; i < rows; ++i) {
    Figure figure{new QLabel, new QLabel, new QLabel};
    figure.name->setProperty("role", "label");
    figure.mark->setFont(face(14, QFont::DemiBold));
    figure.mark->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    figure.error->setProperty("role", "label");
    figure.error->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    figure.error->setToolTip(tr("To add to the nearest mark of the tape"));
    grid->addWidget(figure.name, i, 0);
    grid->addWidget(figure.mark, i, 1);
    grid->addWidget(figure.error, i, 2);
    figures_.push_back(figure);
  }
  grid->setRowStretch(rows, 1);
  growth_ = new GrowthPage(order_, fields_);
  pages_->addWidget(sizes);
  laying_ = new LayingPage(order_);
  pages_->addWidget(laying_);
  doubt_ = new DoubtPage(order_, fields_);
  pages_->addWidget(growth_);
  pages_->addWidget(doubt_);
  page_->show(figures);
  connect(page_, &Segments::picked, this, &GaugeStation::showPage);
  connect(growth_, &GrowthPage::said, this, &GaugeStation::said);
  connect(growth_, &GrowthPage::logAsked, this, &GaugeStation::logAsked);
  return card;
}

void GaugeStation::showPage(int page) {
  page_->show(page);
  pages_->setCurrentIndex(page);
  // The ways of laying stand side by side and need the room.
  wrapCard_->setVisible(page != laying);
  row_->setStretch(0, page == laying ? 40 : 44);
  row_->setStretch(2, page == laying ? 60 : 30);
}

void GaugeStation::showMeasures(int page) {
  measurePage_->show(page);
  measurePages_->setCurrentIndex(page);
}

void GaugeStation::showWrap(int page) {
  wrapPage_->show(page);
  wrapPages_->setCurrentIndex(page);
}

void GaugeStation::traceAPhoto() {
  if (!order_.hasCup()) return;
  const CupPlan* plan = order_.plan();
  const Length apart = plan != nullptr ? plan->bare.plumb() : Length::mm(150);
  TraceDialog dialog(order_.unit(), nearestMark(apart, usualGraduation(order_.unit())), this);
  if (dialog.exec() != QDialog::Accepted || dialog.stations().empty()) return;
  setStations(order_, dialog.stations());
  emit said(
      tr("The cup is measured off its photo. Check one girth with the tape before film is "
         "cut."));
}

void GaugeStation::refresh() {
  setEnabled(order_.hasCup());
  if (!order_.hasCup()) return;
  const Cup& cup = order_.currentCup();
  const Unit unit = order_.unit();
  const Shape shape = shapeOf(cup);
  const bool tapered = shape != Shape::straight;
  const Girth girth = girthMeasured(cup);
  const bool around = girth == Girth::around;
  const bool wall = cup.blank.heightAlong == HeightAlong::wall;
  showChosen(*shape_, shape);
  shapes_->setCurrentIndex(shape == Shape::curved ? 1 : 0);
  drawing_->pickStation(shape == Shape::curved ? stations_->picked() : -1);
  showChosen(*girth_, around ? Girth::around : Girth::across);
  showChosen(*along_, wall ? HeightAlong::wall : HeightAlong::plumb);
  rim_->setVisible(tapered);
  rim_->setLabel(around ? tr("Round the rim") : tr("Across the rim"));
  base_->setLabel(tapered ? (around ? tr("Round the base") : tr("Across the base"))
                          : (around ? tr("Round the body") : tr("Across the body")));
  height_->setLabel(wall ? tr("Up the wall") : tr("Plumb height"));

  const auto showGirth = [&](LengthField* field, bool rim) {
    const std::optional<WrittenLength> value = girthOf(cup, rim);
    field->show(value ? value->length : Length(), unit);
  };
  showGirth(rim_, true);
  showGirth(base_, false);
  height_->show(cup.blank.stations.size() > 1 ? cup.blank.stations.back().at.length : Length(),
                unit);
  rimClearance_->show(cup.wrap.rimClearance.length, unit);
  baseClearance_->show(cup.wrap.baseClearance.length, unit);
  overlap_->show(cup.wrap.overlap.length, unit);
  seam_->show(cup.wrap.seamAt);

  fields_.showFaults();
  refreshFigures();
}

void GaugeStation::refreshFigures() {
  const CupPlan* plan = order_.plan();
  const Unit unit = order_.unit();
  std::size_t row = 0;
  const auto put = [&](const QString& name, const QString& mark, const QString& error = {}) {
    figures_[row].name->setText(name);
    figures_[row].mark->setText(mark);
    figures_[row].error->setText(error);
    for (QLabel* label : {figures_[row].name, figures_[row].mark, figures_[row].error}) {
      label->setEnabled(order_.planHolds());
    }
    ++row;
  };
  const auto putLength = [&](const QString& name, Length length) {
    const TapePhrase phrase = onTape(length, unit);
    put(name, phrase.mark, phrase.error);
  };
  if (plan != nullptr) {
    const Development& flat = plan->wall.flat;
    const Body& body = plan->wall.body;
    const Box size = setFor(*plan, plan->laid, order_.unit()).bounds();
    const bool several = plan->laying().pieces > 1;
    putLength(several ? tr("Parts together, wide") : tr("Wrap, wide"), Length::mm(size.width()));
    putLength(several ? tr("Parts together, tall") : tr("Wrap, tall"), Length::mm(size.height()));
    if (order_.currentCup().blank.heightAlong == HeightAlong::wall) {
      putLength(tr("Plumb height"), body.plumb());
    } else {
      putLength(tr("Up the wall"), body.wall());
    }
    if (!body.isCone()) {
      putLength(tr("Widest, round"), body.widestRadius() * (2 * std::numbers::pi));
      putLength(tr("Narrowest, round"), body.narrowestRadius() * (2 * std::numbers::pi));
      put(tr("Laid as"), layingWords(plan->laying()));
      put(tr("Holds, to the rim"),
          QString::fromStdString(volumeText(plan->bare.holds(Length::mm(1), Length::mm(1)))));
    } else if (flat.isCylinder()) {
      putLength(tr("Across the body"), body.radius(Length()) * 2);
      putLength(tr("Base disc, across"),
                Length::mm(plan->part(purpose::baseDisc).bounds().width()));
    } else {
      put(tr("Sector"), QString::fromStdString(angleText(abs(flat.flatAngle(Angle::turn())))));
      putLength(tr("Cone's point to base"), flat.apexDistance(Length()));
      putLength(tr("Cone's point to rim"), flat.apexDistance(flat.wall()));
      putLength(tr("Straight sheet runs off"), plan->layings.runsOff);
    }
  }
  while (row < figures_.size()) put({}, {});
}

void GaugeStation::begin() {
  showMeasures(measures);
  if (order_.hasCup() && shapeOf(order_.currentCup()) == Shape::curved) {
    stations_->table()->setFocus(Qt::OtherFocusReason);
    return;
  }
  LengthField* first = rim_->isHidden() ? base_ : rim_;
  first->edit()->setFocus(Qt::OtherFocusReason);
  first->edit()->selectAll();
}

bool GaugeStation::goTo(const Where& where) {
  const Member member = where.member;
  if (member >= Member::laidAfter && member <= Member::measuredGirth && member != Member::stack) {
    showPage(growth);
    if (!fields_.goTo(where)) growth_->stages()->setFocus(Qt::OtherFocusReason);
    return true;
  }
  if (member == Member::laying) {
    showPage(laying);
    laying_->tiles().front()->setFocus(Qt::OtherFocusReason);
    return true;
  }
  if (member == Member::outOfRound) showPage(doubt);
  if (member >= Member::feature && member <= Member::featureHigh) {
    showMeasures(features);
    features_->pick(where.number);
    if (!fields_.goTo(where)) features_->list()->setFocus(Qt::OtherFocusReason);
    return true;
  }
  if (member >= Member::stations && member <= Member::stationGirth) {
    showMeasures(measures);
    const bool curved = order_.hasCup() && shapeOf(order_.currentCup()) == Shape::curved;
    if (curved && stations_->goTo(where)) return true;
    return fields_.goTo(where) || fields_.goTo(Where(Member::stationGirth, std::size_t{0}));
  }
  const bool ofBase =
      member == Member::fillet || member == Member::overhang || member == Member::discClearance;
  const bool ofLiquid = member >= Member::liquidSpace && member <= Member::liquidSealAt;
  const bool ofWrap = member >= Member::rimClearance && member <= Member::seamAt;
  if (ofBase || ofLiquid || ofWrap) {
    if (pages_->currentIndex() == laying) showPage(figures);
    showWrap(ofBase ? base : ofLiquid ? liquid : wrap);
  }
  return (ofLiquid && liquidPage_->goTo(where)) || fields_.goTo(where);
}

}  // namespace avrelt

#include "moc_gauge_station.cpp"

// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/cut/cut_station.h"

#include <algorithm>
#include <QHBoxLayout>
#include <QScrollArea>

#include "app/fields/card.h"
#include "app/fields/when_seen.h"
#include "app/order/phrases.h"
#include "sheet/tiling.h"

namespace avrelt {
namespace {

QPushButton* buttonFor(QAction* action, bool primary) {
  auto* button = new QPushButton(action->text());
  button->setProperty("primary", primary);
  button->setEnabled(action->isEnabled());
  button->setToolTip(action->shortcut().toString(QKeySequence::NativeText));
  QObject::connect(button, &QPushButton::clicked, action, &QAction::trigger);
  QObject::connect(action, &QAction::changed, button,
                   [button, action] { button->setEnabled(action->isEnabled()); });
  return button;
}

}  // namespace

CutStation::CutStation(Order& order, QAction* saveSvg, QAction* savePdf, QAction* saveAll,
                       QWidget* parent)
    : QWidget(parent), order_(order), fields_(order) {
  QHBoxLayout* row = makeDrawer(this);
  row->addWidget(pieceCard(), 30);
  row->addWidget(sheetCard(), 42);
  row->addWidget(filesCard(saveSvg, savePdf, saveAll), 26);
  auto* seen = new WhenSeen(this, [this] { refresh(); });
  connect(&order, &Order::changed, seen, &WhenSeen::changed);
  choose(purpose::wrap);
}

QWidget* CutStation::pieceCard() {
  QVBoxLayout* body = nullptr;
  QFrame* card = makeCard(tr("Piece"), body);
  body->setSpacing(5);
  // A cup with everything on it has more kinds of part than the card has room for.
  auto* list = new QWidget;
  auto* column = new QVBoxLayout(list);
  column->setContentsMargins(0, 0, 4, 0);
  column->setSpacing(5);
  auto* scroll = new QScrollArea;
  scroll->setWidgetResizable(true);
  scroll->setFrameShape(QFrame::NoFrame);
  scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  scroll->setFocusPolicy(Qt::NoFocus);
  scroll->setWidget(list);
  body->addWidget(scroll, 1);
  for (const Purpose& purpose : purposes()) {
    auto* choice = new PurposeChoice(order_, purpose);
    choice->setMinimumHeight(40);
    choices_.push_back(choice);
    column->addWidget(choice);
    connect(choice, &QAbstractButton::toggled, this, [this, id = purpose.id](bool on) {
      if (on) choose(id);
    });
    connect(choice, &QAbstractButton::toggled, scroll, [scroll, choice](bool on) {
      if (on) scroll->ensureWidgetVisible(choice);
    });
  }
  stripAt_ = fields_.add(tr("Top edge up the wall"), GaugeLine::strip);
  stripWidth_ = fields_.add(tr("Width"), QStringLiteral("strip.width"));
  auto* strip = new QHBoxLayout;
  strip->setSpacing(10);
  strip->addWidget(stripAt_, 3);
  strip->addWidget(stripWidth_, 2);
  body->addLayout(strip);
  column->addStretch();
  auto* overLabel = new QLabel(tr("Film over everything"));
  overLabel->setProperty("role", "label");
  over_ = new Segments(overLabel->text(), {tr("None"), tr("Clear"), tr("Printed")});
  over_->setToolTip(
      tr("A wrap over the whole cup, whatever its zones are. A cup that is one zone without a "
         "finish is wrapped anyway"));
  over_->setObjectName(QStringLiteral("over"));
  auto* over = new QHBoxLayout;
  over->addWidget(overLabel, 1);
  over->addWidget(over_);
  body->addLayout(over);
  connect(over_, &Segments::picked, this, [this](int i) {
    order_.editCup(i == 0 ? tr("Take no film over everything") : tr("Lay film over everything"),
                   [i](Cup& cup) { cup.wrap.over = static_cast<WrapOver>(i); });
  });

  connect(stripAt_, &LengthField::typed, this, [this](const WrittenLength& typed) {
    order_.editCup(
        tr("Set strip height to %1").arg(say(typed.length, order_.unit())),
        [&](Cup& cup) { cup.strip.at = typed; }, QStringLiteral("strip.at"));
  });
  connect(stripWidth_, &LengthField::typed, this, [this](const WrittenLength& typed) {
    order_.editCup(
        tr("Set strip width to %1").arg(say(typed.length, order_.unit())),
        [&](Cup& cup) { cup.strip.width = typed; }, QStringLiteral("strip.width"));
  });
  connect(stripWidth_, &LengthField::stepped, this, [this](int marks) {
    const Graduation graduation = usualGraduation(order_.unit());
    const Length now = order_.currentCup().strip.width.length;
    const Length next = nearestMark(now, graduation) + step(graduation) * marks;
    if (next <= Length()) return;
    order_.editCup(
        tr("Set strip width to %1").arg(say(next, order_.unit())),
        [&](Cup& cup) { cup.strip.width = written(next, order_.unit()); },
        QStringLiteral("strip.width"));
  });
  return card;
}

QWidget* CutStation::sheetCard() {
  QVBoxLayout* body = nullptr;
  QFrame* card = makeCard(tr("On paper, true size"), body);
  auto* row = new QHBoxLayout;
  paper_ = new Segments(tr("Paper"), {QString::fromLatin1(paperName(Paper::a4)),
                                      QString::fromLatin1(paperName(Paper::letter))});
  pages_ = new QLabel;
  pages_->setProperty("role", "label");
  pages_->setWordWrap(true);
  row->addWidget(paper_);
  row->addSpacing(8);
  row->addWidget(pages_, 1);
  body->addLayout(row);
  sheet_ = new SheetView(order_);
  body->addWidget(sheet_, 1);
  connect(paper_, &Segments::picked, this, [this](int i) {
    const Paper paper = i == 0 ? Paper::a4 : Paper::letter;
    order_.edit(tr("Print on %1").arg(QString::fromLatin1(paperName(paper))),
                [paper](Document& document) { document.paper = paper; });
  });
  return card;
}

QWidget* CutStation::filesCard(QAction* saveSvg, QAction* savePdf, QAction* saveAll) {
  QVBoxLayout* body = nullptr;
  QFrame* card = makeCard(tr("Files"), body);
  body->addWidget(buttonFor(saveSvg, true));
  body->addWidget(buttonFor(savePdf, false));
  body->addWidget(buttonFor(saveAll, false));
  cut_ = new QCheckBox(tr("The wrap is cut"));
  cut_->setToolTip(
      tr("Notes the girths it was cut for. When the cup is measured otherwise later, "
         "you are told by how much it no longer fits (Ctrl+K)"));
  connect(cut_, &QCheckBox::clicked, this, [this](bool on) { order_.markCut(on); });
  body->addWidget(cut_);
  auto* caution = new QLabel(
      tr("Measure again after the last smooth coat and try the paper piece before film is cut. "
         "Cut away from your hand. What film and resin makers say on their data sheets goes before "
         "anything shown here."));
  caution->setProperty("role", "caution");
  caution->setWordWrap(true);
  body->addSpacing(4);
  body->addWidget(caution);
  body->addStretch();
  return card;
}

void CutStation::choose(const std::string& purpose) {
  purpose_ = purpose;
  for (PurposeChoice* choice : choices_) choice->setChecked(choice->purpose() == purpose);
  sheet_->show(purpose);
  lightUp();
  refresh();
  emit purposeChosen();
}

bool CutStation::isForZones() const {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr || !order_.hasCup()) return false;
  const std::vector<Part>& parts = plan->parts(purpose_);
  const bool forZone = !parts.empty() && !parts.front().zones.empty();
  return forZone || !isWrapped(order_.currentCup());
}

/// Takes the zone in hand that the parts chosen are for, so that flat and cup show where they go.
void CutStation::lightUp() {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr || plan->parts(purpose_).empty()) return;
  const std::vector<std::string>& of = plan->parts(purpose_).front().of;
  for (const Zone& zone : plan->divided.zones) {
    if (std::find(of.begin(), of.end(), zone.id) != of.end()) return order_.pickZone(zone.id);
  }
}

void CutStation::refresh() {
  setEnabled(order_.hasCup());
  const bool strip = purpose_ == purpose::markingStrip;
  stripAt_->setVisible(strip);
  stripWidth_->setVisible(strip);
  paper_->show(order_.document().printPaper() == Paper::a4 ? 0 : 1);
  if (!order_.hasCup()) {
    pages_->clear();
    return;
  }
  const Unit unit = order_.unit();
  const Cup& cup = order_.currentCup();
  if (const std::optional<Length> at = order_.measureOf(GaugeLine::strip))
    stripAt_->show(*at, unit);
  stripWidth_->show(cup.strip.width.length, unit);
  cut_->setChecked(cup.cut.has_value());
  cut_->setVisible(isWrapped(cup));
  over_->show(static_cast<int>(cup.wrap.over));
  fields_.showFaults();

  const CupPlan* plan = order_.plan();
  if (plan == nullptr) {
    pages_->clear();
    return;
  }
  for (PurposeChoice* choice : choices_) {
    choice->setVisible(!plan->parts(choice->purpose()).empty());
  }
  // Another cup may have no stripes, or no film at all: the first there is is shown instead.
  if (plan->parts(purpose_).empty()) {
    const auto first =
        std::find_if(purposes().begin(), purposes().end(),
                     [plan](const Purpose& one) { return !plan->parts(one.id).empty(); });
    if (first != purposes().end()) choose(first->id);
    return;
  }
  const Box box = plan->set(purpose_).bounds();
  const Tiling tiling = tileOver(box, order_.document().printPaper());
  const QString size =
      tr("%1 × %2").arg(say(Length::mm(box.width()), unit), say(Length::mm(box.height()), unit));
  const auto count = static_cast<int>(tiling.pages.size());
  QString pages = count == 0   ? tr("too large to print")
                  : count == 1 ? tr("fits one page")
                               : tr("%1 pages, joined by crosses").arg(count);
  if (count > 0 && tiling.landscape) pages += tr(", lying");
  pages_->setText(size + QStringLiteral("; ") + pages);
}

bool CutStation::goTo(const QString& field) {
  if (field == QLatin1String("cut")) {
    cut_->setFocus(Qt::OtherFocusReason);
    return true;
  }
  if (fields_.find(field) == nullptr) return false;
  choose(purpose::markingStrip);
  return fields_.goTo(field);
}

}  // namespace avrelt

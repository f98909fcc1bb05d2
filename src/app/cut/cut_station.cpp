// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/cut/cut_station.h"

#include <algorithm>
#include <iterator>
#include <QHBoxLayout>

#include "app/fields/card.h"
#include "app/fields/offer.h"
#include "app/fields/when_seen.h"
#include "app/look/theme.h"
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

/// Which heading a part is listed under: film by film, what comes off again, strips, paper.
int groupOf(const Part& part) {
  if (part.material == PartMaterial::paper) return 100;
  if (part.kind == PartKind::strip) return 99;
  static constexpr PartMaterial order[] = {PartMaterial::printed,     PartMaterial::permanent,
                                           PartMaterial::clear,       PartMaterial::printable,
                                           PartMaterial::heatApplied, PartMaterial::doubleSided,
                                           PartMaterial::stencil,     PartMaterial::removable};
  return static_cast<int>(std::find(std::begin(order), std::end(order), part.material) - order);
}

}  // namespace

CutStation::CutStation(Order& order, QAction* saveSvg, QAction* savePdf, QAction* saveAll,
                       SheetsBench* bench, QWidget* parent)
    : Desk(parent), order_(order), bench_(bench), fields_(order) {
  auto* parts = new QWidget;
  QHBoxLayout* row = makeDrawer(parts);
  row->addWidget(partCard(), 38);
  row->addWidget(sheetCard(), 34);
  row->addWidget(filesCard(saveSvg, savePdf, saveAll), 28);
  stack_ = new QStackedWidget;
  stack_->addWidget(parts);
  stack_->addWidget(bench);
  auto* all = new QVBoxLayout(this);
  all->setContentsMargins(0, 0, 0, 0);
  all->addWidget(stack_);
  switches_ = {parts_, bench->pages()};
  for (Segments* one : switches_) {
    one->show(0);
    connect(one, &Segments::picked, this, [this](int i) { showSheets(i == 1); });
  }
  auto* seen = new WhenSeen(this, [this] { refresh(); });
  connect(&order, &Order::changed, seen, &WhenSeen::changed);
}

void CutStation::showSheets(bool sheets) {
  stack_->setCurrentIndex(sheets ? 1 : 0);
  for (Segments* one : switches_) one->show(sheets ? 1 : 0);
  emit sheetsChosen();
}

QWidget* CutStation::partCard() {
  QVBoxLayout* body = nullptr;
  QFrame* card = makeCard({}, body);
  card->setAccessibleName(tr("Parts"));
  body->setSpacing(5);
  parts_ = new Segments(tr("What is shown"), SheetsBench::pageTitles());
  body->addWidget(parts_, 0, Qt::AlignLeft);
  auto* list = new QWidget;
  column_ = new QVBoxLayout(list);
  column_->setContentsMargins(0, 0, 4, 0);
  column_->setSpacing(2);
  scroll_ = new QScrollArea;
  scroll_->setWidgetResizable(true);
  scroll_->setFrameShape(QFrame::NoFrame);
  scroll_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  scroll_->setFocusPolicy(Qt::NoFocus);
  scroll_->setWidget(list);
  body->addWidget(scroll_, 1);
  group_ = new QButtonGroup(this);
  stripAt_ = fields_.add(tr("Top edge up the wall"), GaugeLine::strip);
  stripWidth_ = fields_.add(tr("Width"), Member::stripWidth);
  auto* strip = new QHBoxLayout;
  strip->setSpacing(10);
  strip->addWidget(stripAt_, 3);
  strip->addWidget(stripWidth_, 2);
  body->addLayout(strip);
  connect(stripAt_, &LengthField::typed, this, [this](const WrittenLength& typed) {
    order_.editCup(
        tr("Set strip height to %1").arg(say(typed.length, order_.unit())),
        [&](Cup& cup) { cup.strip.at = typed; }, keyOf(Member::stripAt));
  });
  connect(stripWidth_, &LengthField::typed, this, [this](const WrittenLength& typed) {
    order_.editCup(
        tr("Set strip width to %1").arg(say(typed.length, order_.unit())),
        [&](Cup& cup) { cup.strip.width = typed; }, keyOf(Member::stripWidth));
  });
  connect(stripWidth_, &LengthField::stepped, this, [this](int marks) {
    const Graduation graduation = usualGraduation(order_.unit());
    const Length now = order_.currentCup().strip.width.length;
    const Length next = nearestMark(now, graduation) + step(graduation) * marks;
    if (next <= Length()) return;
    order_.editCup(
        tr("Set strip width to %1").arg(say(next, order_.unit())),
        [&](Cup& cup) { cup.strip.width = written(next, order_.unit()); },
        keyOf(Member::stripWidth));
  });
  return card;
}

QWidget* CutStation::sheetCard() {
  QVBoxLayout* body = nullptr;
  QFrame* card = makeCard(tr("On paper, true size"), body);
  auto* row = new QHBoxLayout;
  paper_ = segmentsOf<Paper>(tr("Paper"),
                             {{Paper::a4, QString::fromLatin1(paperName(Paper::a4))},
                              {Paper::letter, QString::fromLatin1(paperName(Paper::letter))}});
  pages_ = new QLabel;
  pages_->setProperty("role", "label");
  pages_->setWordWrap(true);
  row->addWidget(paper_);
  row->addSpacing(8);
  row->addWidget(pages_, 1);
  body->addLayout(row);
  sheet_ = new SheetView(order_);
  body->addWidget(sheet_, 1);
  onChosen<Paper>(*paper_, this, [this](Paper paper) {
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
  auto* overLabel = new QLabel(tr("Film all round"));
  overLabel->setProperty("role", "label");
  over_ = segmentsOf<WrapOver>(overLabel->text(), {{WrapOver::none, tr("None")},
                                                   {WrapOver::under, tr("Under")},
                                                   {WrapOver::clear, tr("Clear")},
                                                   {WrapOver::printed, tr("Printed")}});
  over_->setToolTip(
      tr("A wrap round the whole cup: none, under everything that is laid on it, or over "
         "everything, clear or printed. Until you choose, a cup without zones, patterns and "
         "finishes has one under"));
  over_->setObjectName(QStringLiteral("over"));
  auto* over = new QHBoxLayout;
  over->addWidget(overLabel, 1);
  over->addWidget(over_);
  body->addSpacing(4);
  body->addLayout(over);
  onChosen<WrapOver>(*over_, this, [this](WrapOver chosen) {
    order_.editCup(chosen == WrapOver::none    ? tr("Lay no film all round")
                   : chosen == WrapOver::under ? tr("Lay film all round under everything")
                                               : tr("Lay film over everything"),
                   [chosen](Cup& cup) { cup.wrap.over = chosen; });
  });
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

void CutStation::choose(const std::string& purpose, const std::vector<std::string>& of) {
  purpose_ = purpose;
  of_ = of;
  lightUp();
  refresh();
  emit purposeChosen();
}

std::optional<PartEntry> CutStation::chosen() const {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr) return std::nullopt;
  const std::vector<PartEntry> entries = entriesOf(*plan, purpose_);
  for (const PartEntry& entry : entries) {
    if (entry.of == of_) return entry;
  }
  if (entries.empty()) return std::nullopt;
  return entries.front();
}

std::optional<PartSet> CutStation::set() const {
  const std::optional<PartEntry> entry = chosen();
  if (!entry) return std::nullopt;
  return setOf(*entry);
}

void CutStation::toggleCut() {
  const std::optional<PartEntry> entry = chosen();
  if (entry) order_.markCut(*entry, !isCut(order_.currentCup(), *entry));
}

bool CutStation::isForZones() const {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr || !order_.hasCup()) return false;
  const std::optional<PartEntry> entry = chosen();
  const bool forZone =
      entry && (!entry->parts.front()->zones.empty() || entry->purpose == purpose::layer);
  return forZone || !isWrapped(order_.currentCup());
}

/// Takes the zone or the line in hand that the part chosen is for, so that flat and cup show where
/// it goes.
void CutStation::lightUp() {
  const CupPlan* plan = order_.plan();
  const std::optional<PartEntry> entry = chosen();
  if (plan == nullptr || !entry) return;
  const auto isFor = [&](const std::string& id) {
    return std::find(entry->of.begin(), entry->of.end(), id) != entry->of.end();
  };
  for (const StripePlan& stripe : plan->stripes) {
    if (isFor(stripe.id)) return order_.pickLine(stripe.line);
  }
  for (const SetPlan& set : plan->sets) {
    for (const LayerPlan& layer : set.layers()) {
      if (!isFor(layer.id)) continue;
      order_.pickSet(std::string(set.id));
      return order_.pickLayer(std::string(layer.id));
    }
  }
  const std::vector<std::string>& letters = entry->parts.front()->zones;
  for (const Zone& zone : plan->divided.zones) {
    const bool named = std::find(letters.begin(), letters.end(), zone.letter) != letters.end();
    if (named || isFor(zone.id)) return order_.pickZone(zone.id);
  }
}

/// All there is to cut, most needed first: film by film, then stencils, strips, paper.
void CutStation::list(const CupPlan& plan) {
  std::vector<PartEntry> entries;
  for (const Purpose& purpose : purposes()) {
    for (PartEntry& entry : entriesOf(plan, purpose.id)) entries.push_back(std::move(entry));
  }
  std::stable_sort(entries.begin(), entries.end(), [](const PartEntry& a, const PartEntry& b) {
    return groupOf(*a.parts.front()) < groupOf(*b.parts.front());
  });
  bool same = entries.size() == rows_.size();
  for (std::size_t i = 0; same && i < rows_.size(); ++i) {
    same =
        rows_[i].choice->purpose() == entries[i].purpose && rows_[i].choice->of() == entries[i].of;
  }
  if (!same) makeRows(entries);
  const bool stale = !same || listed_ != plan.shelf;
  listed_ = plan.shelf;
  const std::optional<PartEntry> now = chosen();
  for (std::size_t i = 0; i < rows_.size(); ++i) {
    const Row& row = rows_[i];
    if (stale) row.choice->show(entries[i], order_);
    row.choice->setChecked(now && now->purpose == entries[i].purpose && now->of == entries[i].of);
    row.cut->setChecked(isCut(order_.currentCup(), entries[i]));
  }
}

void CutStation::makeRows(const std::vector<PartEntry>& entries) {
  while (QLayoutItem* item = column_->takeAt(0)) {
    // The row may be the one that was just ticked.
    if (QWidget* widget = item->widget()) {
      widget->hide();
      widget->deleteLater();
    }
    delete item;
  }
  rows_.clear();
  int group = -1;
  for (const PartEntry& entry : entries) {
    const Part& first = *entry.parts.front();
    if (groupOf(first) != group) {
      group = groupOf(first);
      auto* heading = new QLabel(first.kind == PartKind::strip
                                     ? tr("Strips")
                                     : say(materialTitle(first.material), order_.unit()));
      heading->setProperty("role", "label");
      heading->setFont(face(12, QFont::DemiBold));
      column_->addWidget(heading);
    }
    auto* line = new QWidget;
    auto* row = new QHBoxLayout(line);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(6);
    auto* choice = new PartChoice;
    choice->setMinimumHeight(38);
    auto* cut = new QCheckBox(tr("cut"));
    const QString title = say(titleOf(entry), order_.unit());
    cut->setAccessibleName(tr("%1 is cut").arg(title));
    cut->setToolTip(
        tr("Notes the girths it was cut for. When the cup is measured otherwise later, you are "
           "told by how much it no longer fits (Ctrl+K)"));
    group_->addButton(choice);
    row->addWidget(choice, 1);
    row->addWidget(cut);
    column_->addWidget(line);
    rows_.push_back({choice, cut});
    connect(choice, &QAbstractButton::clicked, this,
            [this, choice] { choose(choice->purpose(), choice->of()); });
    connect(choice, &QAbstractButton::toggled, scroll_, [this, choice](bool on) {
      if (on) scroll_->ensureWidgetVisible(choice);
    });
    connect(cut, &QCheckBox::clicked, this,
            [this, purpose = entry.purpose, of = entry.of](bool on) {
              order_.markCut({purpose, of, {}}, on);
            });
  }
  column_->addStretch();
}

void CutStation::refresh() {
  setEnabled(order_.hasCup());
  const bool strip = purpose_ == purpose::markingStrip;
  stripAt_->setVisible(strip);
  stripWidth_->setVisible(strip);
  showChosen(*paper_, order_.document().printPaper());
  if (!order_.hasCup()) {
    pages_->clear();
    return;
  }
  const Unit unit = order_.unit();
  const Cup& cup = order_.currentCup();
  if (const std::optional<Length> at = order_.measureOf(GaugeLine::strip))
    stripAt_->show(*at, unit);
  stripWidth_->show(cup.strip.width.length, unit);
  showChosen(*over_, settledOver(cup));
  fields_.showFaults();

  const CupPlan* plan = order_.plan();
  if (plan == nullptr) {
    pages_->clear();
    return;
  }
  list(*plan);
  // Another cup may have no stripes, or no film at all: what is needed most is shown instead.
  if (plan->parts(purpose_).empty()) {
    const PartChoice& first = *rows_.front().choice;
    return choose(first.purpose(), first.of());
  }
  PartSet shown = *set();
  const Box box = shown.bounds();
  sheet_->show(std::move(shown));
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

bool CutStation::goTo(const Where& where) {
  if (where.member == Member::cutRecord) {
    const auto index = static_cast<std::size_t>(std::max(where.number, 0));
    if (!order_.hasCup() || index >= order_.currentCup().cuts.size()) return false;
    const CutRecord cut = order_.currentCup().cuts[index];
    // Also where the station was never seen: its rows are made now.
    choose(cut.purpose, cut.of);
    for (const Row& row : rows_) {
      if (row.choice->isChecked()) row.cut->setFocus(Qt::OtherFocusReason);
    }
    return true;
  }
  if (where.member == Member::wrapOver) {
    over_->setFocus(Qt::OtherFocusReason);
    return true;
  }
  choose(purpose::markingStrip);
  return fields_.goTo(where);
}

}  // namespace avrelt

#include "moc_cut_station.cpp"

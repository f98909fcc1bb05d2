// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fill/fit_page.h"

#include <cmath>
#include <QHBoxLayout>
#include <QVBoxLayout>

#include "app/fields/count_box.h"
#include "app/fields/list_lines.h"
#include "app/fields/show_value.h"
#include "app/fields/when_seen.h"
#include "app/fill/artwork_file.h"
#include "app/order/fill_edits.h"
#include "app/order/phrases.h"
#include "app/order/zone_edits.h"

namespace avrelt {
namespace {

struct Way {
  TaperFit taperFit;
  HeightFit heightFit;
};
constexpr Way waysToFit[] = {{TaperFit::narrow, HeightFit::sized},
                             {TaperFit::narrow, HeightFit::proportion},
                             {TaperFit::narrow, HeightFit::whole},
                             {TaperFit::keep, HeightFit::sized}};

/// "+2.1 % (0.5 mm)".
QString more(double share, Length by, Unit unit) {
  const double percent = std::round(std::abs(share) * 1000) / 10;
  if (percent == 0) return FitPage::tr("exact");
  return FitPage::tr("%1%2 % (%3)")
      .arg(share > 0 ? QStringLiteral("+") : QStringLiteral("−"))
      .arg(percent)
      .arg(say(Length::mm(std::abs(by.mm())), unit));
}

QString wordsFor(const Way& way, const PatternFit& fit, bool repeatsUp, Unit unit) {
  if (way.taperFit == TaperFit::keep) {
    return fit.seamRest > Length::mm(0.05)
               ? FitPage::tr("True to size: %1 round, the seam cuts one after %2")
                     .arg(fit.around)
                     .arg(say(fit.seamRest, unit))
               : FitPage::tr("True to size: %1 round").arg(fit.around);
  }
  const QString wide = more(fit.stretchWide, fit.wideBy, unit);
  const QString tall = more(fit.stretchTall, fit.tallBy, unit);
  QString words;
  if (way.heightFit == HeightFit::sized) {
    words = FitPage::tr("Close at the seam: %1 round, wide %2").arg(fit.around).arg(wide);
  } else if (way.heightFit == HeightFit::proportion) {
    words = FitPage::tr("In proportion: %1 round, wide and tall %2").arg(fit.around).arg(wide);
  } else {
    words = FitPage::tr("Both ways: wide %1, tall %2").arg(wide, tall);
  }
  if (!repeatsUp && way.heightFit != HeightFit::sized)
    return words + FitPage::tr(" (runs all the way up)");
  return words;
}

}  // namespace

FitPage::FitPage(Order& order, QWidget* parent) : QWidget(parent), order_(order) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(8);
  ways_ = new QListWidget;
  ways_->setAccessibleName(tr("Ways to fit the pattern, and what each costs"));
  ways_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  ways_->setFixedHeight(4 * 24 + 6);
  column->addWidget(ways_);

  auto* row = new QHBoxLayout;
  row->setSpacing(8);
  const auto share = [&](const QString& words, const QString& name, double Pattern::*member,
                         const QString& key) {
    auto* box = new QDoubleSpinBox;
    box->setRange(0, 100);
    box->setDecimals(1);
    box->setSingleStep(5);
    box->setWrapping(true);
    box->setSuffix(tr(" %"));
    box->setPrefix(words + QLatin1Char(' '));
    box->setAccessibleName(name);
    box->setToolTip(name);
    box->setButtonSymbols(QAbstractSpinBox::NoButtons);
    row->addWidget(box, 3);
    connect(box, &QDoubleSpinBox::valueChanged, this, [this, member, key](double percent) {
      editFill(order_, tr("Move where the pattern begins"), key,
               [&](Fill& fill) { fill.pattern.*member = std::fmod(percent, 100) / 100; });
    });
    return box;
  };
  along_ = share(tr("along"), tr("How far round a repeat begins, in per cent of it"),
                 &Pattern::along, QStringLiteral("along"));
  up_ = share(tr("up"), tr("How far up a repeat begins, in per cent of it"), &Pattern::up,
              QStringLiteral("up"));
  seed_ = new CountBox;
  seed_->setRange(0, 1'000'000);
  seed_->setPrefix(tr("stones "));
  seed_->setAccessibleName(tr("Which throw of pebbles"));
  seed_->setToolTip(tr("Every number is another throw of pebbles"));
  seed_->setButtonSymbols(QAbstractSpinBox::NoButtons);
  row->addWidget(seed_, 3);
  column->addLayout(row);

  auto* checks = new QHBoxLayout;
  checks->setSpacing(12);
  turned_ = new QCheckBox(tr("Quarter turn"));
  mirror_ = new QCheckBox(tr("Mirror"));
  picture_ = new QCheckBox(tr("A picture"));
  picture_->setToolTip(tr("Its proportion is kept: ways that would squash it are refused"));
  checks->addWidget(turned_);
  checks->addWidget(mirror_);
  checks->addWidget(picture_);
  checks->addStretch();
  column->addLayout(checks);
  told_ = new QLabel;
  told_->setProperty("role", "label");
  told_->setWordWrap(true);
  told_->setAlignment(Qt::AlignTop | Qt::AlignLeft);
  column->addWidget(told_, 1);

  connect(ways_, &QListWidget::currentRowChanged, this, [this](int way) {
    if (!filling_) take(way);
  });
  connect(seed_, &QSpinBox::valueChanged, this, [this](int seed) {
    editFill(order_, tr("Throw other pebbles"), QStringLiteral("stones"),
             [seed](Fill& fill) { fill.pattern.seed = seed; });
  });
  connect(turned_, &QCheckBox::clicked, this, [this](bool on) {
    editFill(order_, tr("Turn the pattern"), {}, [on](Fill& fill) { fill.pattern.turned = on; });
  });
  connect(mirror_, &QCheckBox::clicked, this, [this](bool on) {
    editFill(order_, tr("Mirror the pattern"), {}, [on](Fill& fill) { fill.pattern.mirror = on; });
  });
  connect(picture_, &QCheckBox::clicked, this, [this](bool on) { callPicture(order_, on); });
  auto* seen = new WhenSeen(this, [this] { refresh(); });
  connect(&order, &Order::changed, seen, &WhenSeen::changed);
  connect(&order, &Order::gaugeLinePicked, seen, &WhenSeen::changed);
}

void FitPage::take(int way) {
  if (way < 0 || way >= static_cast<int>(std::size(waysToFit))) return;
  editFill(order_, tr("Fit the pattern otherwise"), {}, [way](Fill& fill) {
    fill.pattern.taperFit = waysToFit[way].taperFit;
    fill.pattern.heightFit = waysToFit[way].heightFit;
  });
}

void FitPage::tell(const FoundRepeat& found) {
  found_ = found;
  refresh();
}

void FitPage::refresh() {
  const Zone* zone = zoneInHand(order_);
  const CupPlan* plan = order_.plan();
  const Fill* fill = fillInHand(order_);
  setEnabled(fill != nullptr && zone != nullptr && plan != nullptr);
  filling_ = true;
  QStringList lines;
  int taken = -1;
  if (fill != nullptr && zone != nullptr && plan != nullptr) {
    const bool up = repeatsUp(fill->pattern.family);
    for (int i = 0; i < static_cast<int>(std::size(waysToFit)); ++i) {
      Pattern other = fill->pattern;
      other.taperFit = waysToFit[i].taperFit;
      other.heightFit = waysToFit[i].heightFit;
      lines << wordsFor(waysToFit[i], fitOf(other, zone->region, plan->wall.body), up,
                        order_.unit());
      const bool same =
          other.taperFit == fill->pattern.taperFit &&
          (other.taperFit == TaperFit::keep || other.heightFit == fill->pattern.heightFit);
      if (same) taken = i;
    }
    showValue(*along_, fill->pattern.along * 100);
    showValue(*up_, fill->pattern.up * 100);
    up_->setEnabled(up);
    showValue(*seed_, fill->pattern.seed);
    seed_->setVisible(fill->pattern.family == Family::pebbles);
    // Stripes run the whole wall, and stones have no direction.
    turned_->setEnabled(up);
    turned_->setChecked(fill->pattern.turned);
    mirror_->setChecked(fill->pattern.mirror);
    const bool artwork = fill->pattern.family == Family::artwork && fill->pattern.artwork;
    picture_->setVisible(artwork);
    picture_->setChecked(artwork && fill->pattern.artwork->picture);
    QString words;
    if (artwork && found_ && fill->pattern.artwork->name == found_->artwork.name) {
      words = foundWords(*found_, order_.unit());
    }
    const PatternFit fit = fitOf(fill->pattern, zone->region, plan->wall.body);
    if (words.isEmpty() && fit.narrowing > 0.005) {
      words = tr("The taper itself narrows or widens cells by up to %1 % in this zone.")
                  .arg(std::round(fit.narrowing * 1000) / 10);
    }
    told_->setText(words);
  }
  showLines(*ways_, lines);
  for (int i = 0; i < ways_->count(); ++i) ways_->item(i)->setToolTip(lines[i]);
  ways_->setCurrentRow(taken);
  filling_ = false;
}

}  // namespace avrelt

#include "moc_fit_page.cpp"

// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/times_dialog.h"

#include <QGridLayout>
#include <QHBoxLayout>
#include <QLocale>
#include <QVBoxLayout>

#include "app/fields/count_box.h"
#include "app/fields/dialog_close.h"
#include "app/fields/labelled.h"
#include "bench/method.h"

namespace avrelt {
namespace {

QDateTime dateTimeOf(CivilTime time) {
  return QDateTime::fromSecsSinceEpoch(
      std::chrono::duration_cast<std::chrono::seconds>(time.time_since_epoch()).count(), Qt::UTC);
}

CivilTime civilOf(const QDateTimeEdit& field) {
  const QDateTime utc(field.date(), field.time(), Qt::UTC);
  constexpr qint64 minute = 60;
  return CivilTime(std::chrono::minutes(utc.toSecsSinceEpoch() / minute));
}

QDateTimeEdit* timeField(std::optional<CivilTime> time, CivilTime now) {
  auto* field = new QDateTimeEdit;
  field->setTimeSpec(Qt::UTC);
  field->setDateTime(dateTimeOf(time.value_or(now)));
  field->setDisplayFormat(QStringLiteral("yyyy-MM-dd HH:mm"));
  field->setCalendarPopup(true);
  constexpr int wide = 168;
  field->setMinimumWidth(wide);
  return field;
}

}  // namespace

TimesDialog::TimesDialog(const BenchChoices& choices, CivilTime now, Unit unit, QWidget* parent)
    : QDialog(parent), choices_(choices), unit_(unit) {
  setWindowTitle(tr("Times, hands and places"));
  auto* column = new QVBoxLayout(this);
  column->setSpacing(10);
  auto* when = new QGridLayout;
  begins_ = new QCheckBox(tr("Work begins"));
  begins_->setChecked(choices.from.has_value());
  from_ = timeField(choices.from, now);
  from_->setAccessibleName(begins_->text());
  isDue_ = new QCheckBox(tr("It is due"));
  isDue_->setChecked(choices.due.has_value());
  due_ = timeField(choices.due, after(now, Duration::minutes(7 * 24 * 60)));
  due_->setAccessibleName(isDue_->text());
  when->addWidget(begins_, 0, 0);
  when->addWidget(from_, 0, 1);
  when->addWidget(isDue_, 0, 2);
  when->addWidget(due_, 0, 3);
  column->addLayout(when);
  auto* hours = new QGridLayout;
  hours->setHorizontalSpacing(6);
  const QLocale locale(QLocale::English);
  for (int i = 0; i < 7; ++i) {
    // From Monday on; Sunday is kept first.
    const auto day = static_cast<std::size_t>((i + 1) % 7);
    days_[day] = new QLineEdit(QString::fromStdString(hoursText(choices.hours.days[day])));
    days_[day]->setPlaceholderText(tr("off"));
    hours->addWidget(labelled(locale.dayName(i + 1, QLocale::LongFormat), days_[day]), i / 4,
                     i % 4);
    connect(days_[day], &QLineEdit::textChanged, this, &TimesDialog::refresh);
  }
  QStringList away;
  for (const CivilTime day : choices.hours.away) {
    away << QString::fromStdString(civilText(day).substr(0, 10));
  }
  away_ = new QLineEdit(away.join(QStringLiteral(", ")));
  away_->setPlaceholderText(tr("2026-12-02, …"));
  hours->addWidget(labelled(tr("Away on"), away_), 1, 3);
  column->addLayout(hours);
  auto* places = new QHBoxLayout;
  const auto count = [&](const QString& label, int value, int least = 1) {
    auto* field = new CountBox;
    field->setRange(least, BenchChoices::mostPlaces);
    field->setValue(value);
    places->addWidget(labelled(label, field));
    connect(field, &QSpinBox::valueChanged, this, &TimesDialog::refresh);
    return field;
  };
  hands_ = count(tr("Pairs of hands"), choices.hands);
  turners_ = count(tr("Turners"), choices.turners);
  lamps_ = count(tr("UV lamps"), choices.lamps);
  sprayPlaces_ = count(tr("Places to spray"), choices.sprayPlaces);
  shelfPlaces_ = count(tr("Places to dry"), choices.shelfPlaces, 0);
  shelfPlaces_->setSpecialValueText(tr("enough"));
  shelfPlaces_->setToolTip(
      tr("Where what is painted, glued or sealed dries; “enough” counts none"));
  column->addLayout(places);
  auto* room = new QHBoxLayout;
  isWarm_ = new QCheckBox(tr("The room is at"));
  isWarm_->setChecked(choices.warmth.has_value());
  warmth_ = new QDoubleSpinBox;
  warmth_->setAccessibleName(isWarm_->text());
  const bool inch = unit == Unit::inch;
  const Temperature warm = choices.warmth.value_or(Temperature::celsius(21));
  warmth_->setDecimals(1);
  warmth_->setRange(inch ? 0 : -18, inch ? 120 : 49);
  warmth_->setSuffix(inch ? tr(" °F") : tr(" °C"));
  warmth_->setValue(inch ? warm.fahrenheit() : warm.celsius());
  room->addWidget(isWarm_);
  room->addWidget(warmth_);
  room->addStretch();
  column->addLayout(room);
  sealPrints_ = new QCheckBox(tr("Seal prints before resin: unsealed ink may bubble and run"));
  sealPrints_->setChecked(choices.sealPrints);
  quickCoats_ =
      new QCheckBox(tr("Fast resin for coats between: sooner done, but less time to spread it"));
  quickCoats_->setChecked(choices.quickCoats);
  quickLast_ =
      new QCheckBox(tr("Fast resin for the last coat: some say it yellows and scratches sooner"));
  quickLast_->setChecked(choices.quickLast);
  halfByHalf_ = new QCheckBox(
      tr("Glitter half by half: nothing dries before it, but there is an edge to blend"));
  halfByHalf_->setToolTip(
      tr("What goes all round the cup; not where tape would come off too late"));
  halfByHalf_->setChecked(choices.halfByHalf);
  ringOneByOne_ = new QCheckBox(tr(
      "Ring each buried stencil before the next is lifted: nothing is mixed up, but it is slower"));
  ringOneByOne_->setToolTip(tr("Those that look alike are always ringed one by one"));
  ringOneByOne_->setChecked(choices.ringOneByOne);
  const auto schools = {sealPrints_, quickCoats_, quickLast_, halfByHalf_, ringOneByOne_};
  for (QCheckBox* box : schools) {
    connect(box, &QCheckBox::toggled, this, &TimesDialog::refresh);
    column->addWidget(box);
  }
  for (QCheckBox* box : {begins_, isDue_, isWarm_}) {
    connect(box, &QCheckBox::toggled, this, &TimesDialog::refresh);
  }
  connect(from_, &QDateTimeEdit::dateTimeChanged, this, &TimesDialog::refresh);
  connect(due_, &QDateTimeEdit::dateTimeChanged, this, &TimesDialog::refresh);
  connect(away_, &QLineEdit::textChanged, this, &TimesDialog::refresh);
  connect(warmth_, &QDoubleSpinBox::valueChanged, this, &TimesDialog::refresh);
  words_ = new QLabel;
  words_->setWordWrap(true);
  words_->setProperty("role", "label");
  words_->setMinimumHeight(40);
  column->addWidget(words_);
  take_ = closeBelow(*this, *column);
  refresh();
}

void TimesDialog::refresh() {
  QString wrong;
  from_->setEnabled(begins_->isChecked());
  due_->setEnabled(isDue_->isChecked());
  warmth_->setEnabled(isWarm_->isChecked());
  choices_.from = begins_->isChecked() ? std::optional(civilOf(*from_)) : std::nullopt;
  choices_.due = isDue_->isChecked() ? std::optional(civilOf(*due_)) : std::nullopt;
  bool any = false;
  for (std::size_t i = 0; i < days_.size(); ++i) {
    const auto hours = parseHours(days_[i]->text().trimmed().toStdString());
    days_[i]->setProperty("fault", !hours.has_value());
    days_[i]->setStyleSheet({});
    if (!hours) {
      wrong = tr("“%1” are no hours. Write them as 18:00-22:00, or nothing for a day off.")
                  .arg(days_[i]->text());
      continue;
    }
    choices_.hours.days[i] = *hours;
    any = any || hours->works();
  }
  choices_.hours.away.clear();
  for (const QString& text : away_->text().split(QLatin1Char(','), Qt::SkipEmptyParts)) {
    if (const auto day = parseCivil(text.trimmed().toStdString())) {
      choices_.hours.away.push_back(dayOf(*day));
    } else {
      wrong =
          tr("“%1” is no day. Write days as 2026-12-02, with commas between.").arg(text.trimmed());
    }
  }
  if (choices_.hours.away.size() > BenchChoices::mostAway) {
    wrong = tr("More than %1 days away are too many. Set the hours of weekdays instead.")
                .arg(BenchChoices::mostAway);
  }
  choices_.hands = hands_->value();
  choices_.turners = turners_->value();
  choices_.lamps = lamps_->value();
  choices_.sprayPlaces = sprayPlaces_->value();
  choices_.shelfPlaces = shelfPlaces_->value();
  choices_.warmth = std::nullopt;
  if (isWarm_->isChecked()) {
    choices_.warmth = unit_ == Unit::inch ? Temperature::fahrenheit(warmth_->value())
                                          : Temperature::celsius(warmth_->value());
  }
  choices_.sealPrints = sealPrints_->isChecked();
  choices_.quickCoats = quickCoats_->isChecked();
  choices_.quickLast = quickLast_->isChecked();
  choices_.halfByHalf = halfByHalf_->isChecked();
  choices_.ringOneByOne = ringOneByOne_->isChecked();
  if (wrong.isEmpty() && !any) wrong = tr("Nobody works on any day. Give some day its hours.");
  if (wrong.isEmpty() && choices_.from && choices_.due && *choices_.due <= *choices_.from) {
    wrong = tr("It is due before work begins. Set one of the two anew.");
  }
  take_->setEnabled(wrong.isEmpty());
  if (!wrong.isEmpty()) return words_->setText(wrong);
  QString rule =
      tr("Waits of resin double for each 10 °C (18 °F) below 21 °C (70 °F): a rule of "
         "thumb. Where it is warmer, only the time to work it shrinks.");
  if (choices_.warmth && *choices_.warmth < coldForResin) {
    rule = tr("Below 65 °F (18 °C) resin sets slowly and may stay milky: warm the room. ") + rule;
  }
  words_->setText(rule);
}

}  // namespace avrelt

#include "moc_times_dialog.cpp"

// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/step_dialog.h"

#include <algorithm>
#include <cmath>
#include <QButtonGroup>
#include <QComboBox>
#include <QHBoxLayout>
#include <QRadioButton>
#include <QVBoxLayout>

#include "app/fields/count_box.h"
#include "app/fields/dialog_close.h"
#include "app/fields/labelled.h"
#include "app/fields/on_screen.h"
#include "app/order/bench_words.h"
#include "app/order/phrases.h"
#include "bench/looks.h"

namespace avrelt {
namespace {

/// A week.
constexpr int mostMinutes = 10080;

QSpinBox* minutesField(Duration value, const QString& suffix) {
  auto* field = new CountBox;
  field->setRange(0, mostMinutes);
  field->setSuffix(suffix);
  field->setValue(static_cast<int>(std::lround(value.minutes())));
  return field;
}

QLabel* wordsLabel(const QString& words, const char* role) {
  QLabel* label = avrelt::wordsLabel(role);
  label->setText(words);
  return label;
}

}  // namespace

StepDialog::StepDialog(const Step& step, Unit unit, QWidget* parent)
    : QDialog(parent), step_(step), unit_(unit) {
  setWindowTitle(tr("A step"));
  openAt(*this, {520, 420});
  auto* column = new QVBoxLayout(this);
  column->setSpacing(10);
  if (step.own) {
    words_ = new QLineEdit(say(step.words, unit));
    column->addWidget(labelled(tr("What to do"), words_));
    connect(words_, &QLineEdit::textChanged, this, &StepDialog::refresh);
  } else {
    column->addWidget(wordsLabel(say(step.words, unit), "value"));
    column->addWidget(wordsLabel(say(reasonOf(step), unit), "label"));
  }
  for (const Caution caution : step.cautions) {
    column->addWidget(wordsLabel(say(cautionWords(caution), unit), "caution"));
  }
  if (const std::optional<Sentence> takes = takesWords(step.mix)) {
    column->addWidget(wordsLabel(say(*takes, unit), "label"));
  }
  const QString minutes = tr(" min");
  auto* times = new QHBoxLayout;
  handsOn_ = minutesField(step.handsOn, minutes);
  least_ = minutesField(step.wait.least, minutes);
  most_ = minutesField(step.wait.most.value_or(step.wait.least), minutes);
  hurries_ = new QCheckBox(tr("and at most"));
  hurries_->setChecked(step.wait.most.has_value());
  times->addWidget(labelled(tr("Work"), handsOn_));
  times->addWidget(labelled(tr("Then wait at least"), least_));
  auto* most = new QWidget;
  auto* mostColumn = new QVBoxLayout(most);
  mostColumn->setContentsMargins(0, 0, 0, 0);
  mostColumn->setSpacing(2);
  mostColumn->addWidget(hurries_);
  mostColumn->addWidget(most_);
  mostColumn->addStretch();
  most_->setAccessibleName(tr("At most"));
  times->addWidget(most);
  column->addLayout(times);
  note_ = new QLineEdit(QString::fromStdString(step.note));
  column->addWidget(labelled(tr("Note"), note_));
  auto* ask = new QHBoxLayout;
  asked_ = minutesField(step.wait.least, minutes);
  answer_ = wordsLabel({}, "label");
  ask->addWidget(labelled(tr("What if it goes on after"), asked_));
  ask->addWidget(answer_, 1);
  column->addLayout(ask);
  column->addStretch();
  for (QSpinBox* field : {handsOn_, least_, most_, asked_}) {
    connect(field, &QSpinBox::valueChanged, this, &StepDialog::refresh);
  }
  connect(hurries_, &QCheckBox::toggled, this, &StepDialog::refresh);
  take_ = closeBelow(*this, *column);
  refresh();
}

void StepDialog::offer(const Methods& methods) {
  if (!step_.own) return;
  auto* by = new QComboBox;
  by->addItem(tr("times of my own"));
  for (const Method& method : methods.all) by->addItem(methodWords(method.kind));
  connect(by, &QComboBox::activated, this, [this, methods](int row) {
    if (row < 1) return;
    const Method& method = methods.all[static_cast<std::size_t>(row - 1)];
    handsOn_->setValue(static_cast<int>(std::lround(method.handsOn.minutes())));
    least_->setValue(static_cast<int>(std::lround(method.next.least.minutes())));
    hurries_->setChecked(method.next.most.has_value());
    if (method.next.most) {
      most_->setValue(static_cast<int>(std::lround(method.next.most->minutes())));
    }
  });
  qobject_cast<QVBoxLayout*>(layout())->insertWidget(1, labelled(tr("As it goes with"), by));
}

void StepDialog::addWords(const QString& words) {
  // Below what is done, and why.
  constexpr int below = 2;
  auto* column = qobject_cast<QVBoxLayout*>(layout());
  column->insertWidget(step_.own ? 1 : below, wordsLabel(words, "label"));
}

QString StepDialog::words() const {
  return words_ == nullptr ? QString() : words_->text().trimmed();
}

Duration StepDialog::handsOn() const {
  return Duration::minutes(handsOn_->value());
}

Wait StepDialog::wait() const {
  Wait wait{Duration::minutes(least_->value()), {}};
  if (hurries_->isChecked()) wait.most = Duration::minutes(most_->value());
  return wait;
}

QString StepDialog::note() const {
  return note_->text().trimmed();
}

void StepDialog::refresh() {
  most_->setEnabled(hurries_->isChecked());
  Step now = step_;
  now.wait = wait();
  const bool crossed = now.wait.most && *now.wait.most < now.wait.least;
  answer_->setText(crossed ? tr("The longest wait is shorter than the shortest.")
                           : say(ifDoneAfter(now, Duration::minutes(asked_->value())), unit_));
  take_->setEnabled(!crossed && (words_ == nullptr || !words().isEmpty()));
}

LookDialog::LookDialog(const Step& step, const Look& look, Unit unit, QWidget* parent)
    : QDialog(parent) {
  setWindowTitle(tr("Not right"));
  openAt(*this, {540, 270});
  auto* column = new QVBoxLayout(this);
  column->setSpacing(8);
  column->addWidget(wordsLabel(say(step.words, unit), "label"));
  column->addWidget(wordsLabel(say(look.question, unit), "value"));
  auto* group = new QButtonGroup(this);
  auto* advice = wordsLabel({}, "label");
  advice->setMinimumHeight(96);
  advice->setAlignment(Qt::AlignTop | Qt::AlignLeft);
  QStringList words;
  for (std::size_t i = 0; i < look.remedies.size(); ++i) {
    const Remedy& remedy = look.remedies[i];
    auto* button = new QRadioButton(say(remedy.wrong, unit));
    group->addButton(button, static_cast<int>(i));
    column->addWidget(button);
    QString text = say(remedy.advice, unit);
    for (const MendingStep& mending : remedy.steps) {
      text += QStringLiteral("\n+ ") + say(mending.words, unit);
    }
    words << text;
  }
  column->addWidget(advice, 1);
  connect(group, &QButtonGroup::idClicked, this, [this, advice, words](int id) {
    chosen_ = static_cast<std::size_t>(id);
    advice->setText(words.value(id));
  });
  if (!words.isEmpty()) {
    group->button(0)->setChecked(true);
    advice->setText(words.front());
  }
  closeBelow(*this, *column, tr("Put these steps in"));
}

void LookDialog::choose(std::size_t remedy) {
  chosen_ = remedy;
}

}  // namespace avrelt

#include "moc_step_dialog.cpp"

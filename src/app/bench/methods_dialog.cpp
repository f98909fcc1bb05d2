// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/methods_dialog.h"

#include <QHeaderView>
#include <QVBoxLayout>

#include "app/fields/dialog_close.h"
#include "app/fields/on_screen.h"
#include "app/order/bench_words.h"
#include "app/order/phrases.h"

namespace avrelt {
namespace {

QStringList figureWords() {
  return {MethodsDialog::tr("Work, min"),
          MethodsDialog::tr("Worked within, min"),
          MethodsDialog::tr("Into it from, min"),
          MethodsDialog::tr("Into it until, min"),
          MethodsDialog::tr("Tape off from, min"),
          MethodsDialog::tr("Tape off until, min"),
          MethodsDialog::tr("Next from, min"),
          MethodsDialog::tr("Next until, min"),
          MethodsDialog::tr("Touch-dry after, min"),
          MethodsDialog::tr("Handled after, min"),
          MethodsDialog::tr("Cured after, min"),
          MethodsDialog::tr("May be last, 0 or 1"),
          MethodsDialog::tr("B to 1 of A, by volume"),
          MethodsDialog::tr("A weighs, g/ml"),
          MethodsDialog::tr("B weighs, g/ml"),
          MethodsDialog::tr("Share lost, 0 to 0.9")};
}

}  // namespace

MethodsDialog::MethodsDialog(const Methods& methods, QWidget* parent)
    : QDialog(parent), methods_(methods) {
  setWindowTitle(tr("Resins, glues, paints"));
  openAt(*this, {1080, 620});
  auto* column = new QVBoxLayout(this);
  auto* caution =
      new QLabel(tr("Check every figure against the maker’s data sheet, which goes first. "
                    "An empty field after “until” means as long as you like."));
  caution->setWordWrap(true);
  caution->setProperty("role", "caution");
  column->addWidget(caution);
  const auto& figures = methodFigures();
  table_ = new QTableWidget(static_cast<int>(figures.size()), static_cast<int>(methodKinds));
  table_->setAccessibleName(windowTitle());
  table_->setVerticalHeaderLabels(figureWords());
  QStringList heads;
  for (const Method& method : methods_.all) heads << methodWords(method.kind);
  table_->setHorizontalHeaderLabels(heads);
  constexpr int narrowest = 104;
  table_->horizontalHeader()->setMinimumSectionSize(narrowest);
  table_->horizontalHeader()->setSectionResizeMode(QHeaderView::ResizeToContents);
  table_->verticalHeader()->setDefaultSectionSize(28);
  column->addWidget(table_, 1);
  words_ = new QLabel;
  words_->setWordWrap(true);
  words_->setProperty("role", "label");
  column->addWidget(words_);
  auto* again = new QPushButton(tr("Back to the cautious figures"));
  column->addWidget(again, 0, Qt::AlignLeft);
  connect(again, &QPushButton::clicked, this, [this] {
    methods_ = Methods();
    fill();
  });
  take_ = closeBelow(*this, *column);
  connect(table_, &QTableWidget::cellChanged, this, &MethodsDialog::take);
  fill();
}

void MethodsDialog::fill() {
  filling_ = true;
  const auto& figures = methodFigures();
  for (std::size_t column = 0; column < methodKinds; ++column) {
    const Method& method = methods_.all[column];
    const bool resin = method.mixing.gramsPerMlA > 0 &&
                       (method.kind == MethodKind::resin || method.kind == MethodKind::fastResin ||
                        method.kind == MethodKind::uvResin);
    for (std::size_t row = 0; row < figures.size(); ++row) {
      const double value = figures[row].get(method);
      auto* item = new QTableWidgetItem(value < 0 ? QString() : QString::number(value));
      item->setTextAlignment(Qt::AlignRight | Qt::AlignVCenter);
      if (figures[row].ofResin && !resin) {
        item->setText(QStringLiteral("–"));
        item->setFlags(Qt::ItemIsSelectable);
      }
      table_->setItem(static_cast<int>(row), static_cast<int>(column), item);
    }
  }
  filling_ = false;
  take_->setEnabled(true);
  words_->setText({});
}

/// All cells anew: what was refused in one stays refused while others are typed in.
void MethodsDialog::take() {
  if (filling_) return;
  QString wrong;
  const auto& figures = methodFigures();
  for (std::size_t column = 0; column < methodKinds; ++column) {
    for (std::size_t row = 0; row < figures.size(); ++row) {
      const QTableWidgetItem* item = table_->item(static_cast<int>(row), static_cast<int>(column));
      if (item == nullptr || !item->flags().testFlag(Qt::ItemIsEditable)) continue;
      const QString text = item->text().trimmed();
      bool read = false;
      double value = text.toDouble(&read);
      if (text.isEmpty() && figures[row].least < 0) {
        value = -1;
        read = true;
      }
      if (read) {
        figures[row].set(methods_.all[column], value);
      } else if (wrong.isEmpty()) {
        wrong = tr("“%1” is no number.").arg(text);
      }
    }
    if (const auto fault = faultOf(methods_.all[column]); fault && wrong.isEmpty()) {
      wrong = say(*fault, Unit::mm);
    }
  }
  words_->setText(wrong);
  take_->setEnabled(wrong.isEmpty());
}

}  // namespace avrelt

#include "moc_methods_dialog.cpp"

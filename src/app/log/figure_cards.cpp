// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/log/figure_cards.h"

#include <QSignalBlocker>
#include <QVBoxLayout>

#include "app/fields/card.h"
#include "app/fields/labelled.h"
#include "app/fields/list_lines.h"
#include "app/look/theme.h"
#include "app/order/bench_words.h"
#include "app/order/phrases.h"
#include "bench/looks.h"

namespace avrelt {

namespace {

QString nothingSeen(LearnableFigure::Of of) {
  switch (of) {
    case LearnableFigure::Of::glitter:
    case LearnableFigure::Of::paint:
      return FigureCards::tr(
          "Nothing was seen yet: count a supply before and after cups are made with it.");
    case LearnableFigure::Of::film:
      return FigureCards::tr(
          "Nothing was seen yet: take sheets off the shelf as you cut them (Ctrl+Shift+O).");
    case LearnableFigure::Of::growth:
      return FigureCards::tr(
          "Nothing was seen yet: measure a cup again under its coats in Gauge, and log it "
          "(Ctrl+L).");
    case LearnableFigure::Of::pace:
    case LearnableFigure::Of::wait:
    case LearnableFigure::Of::fault:
      break;
  }
  return FigureCards::tr("Nothing was seen yet: tick steps off as you work.");
}

}  // namespace

FigureCards::FigureCards(LogBoard& board, FigurePlot& plot, QWidget* parent)
    : QWidget(parent), board_(board), plot_(plot) {
  QHBoxLayout* row = makeDrawer(this);
  QVBoxLayout* body = nullptr;
  QFrame* card = makeCard(tr("What your shop has found out"), body);
  title_ = wordsLabel("value");
  title_->setFont(face(18, QFont::DemiBold));
  words_ = wordsLabel("label");
  body->addWidget(title_);
  body->addWidget(words_);
  body->addStretch();
  auto* buttons = new QHBoxLayout;
  use_ = new QPushButton(tr("Reckon with it"));
  use_->setProperty("primary", true);
  use_->setToolTip(tr("From now on, for this order and all others"));
  usual_ = new QPushButton(tr("Back to the usual"));
  buttons->addWidget(use_);
  buttons->addWidget(usual_);
  buttons->addStretch();
  body->addLayout(buttons);
  row->addWidget(card, 50);
  card = makeCard(tr("From what"), body);
  seen_ = new QListWidget;
  seen_->setAccessibleName(tr("What it was found from"));
  seen_->setTextElideMode(Qt::ElideRight);
  seen_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  body->addWidget(seen_, 1);
  auto* words = wordsLabel("label");
  words->setText(
      tr("What is not ticked is left out. ▲ is far from the others; nothing is left out "
         "by itself, and what is odd counts for less."));
  body->addWidget(words);
  row->addWidget(card, 50);
  connect(use_, &QPushButton::clicked, this, [this] { take(false); });
  connect(usual_, &QPushButton::clicked, this, [this] { take(true); });
  connect(seen_, &QListWidget::itemChanged, this, [this](QListWidgetItem* item) {
    if (showing_) return;
    board_.leaveOut(static_cast<std::size_t>(seen_->row(item)),
                    item->checkState() == Qt::Unchecked);
  });
  connect(seen_, &QListWidget::currentRowChanged, &plot_, &FigurePlot::pick);
  connect(&plot_, &FigurePlot::pickedAt, seen_, [this](int at) { seen_->setCurrentRow(at); });
  connect(&board_, &LogBoard::changed, this, &FigureCards::refresh);
  refresh();
}

void FigureCards::take(bool usual) {
  const LearntFigure* figure = board_.pickedFigure();
  if (figure == nullptr) return;
  const LearntFigure copy = *figure;
  if (!board_.useFigure(copy, usual)) return;
  emit said(usual ? tr("%1: the usual figure is reckoned with again.").arg(figureWords(copy.figure))
                  : tr("%1: %2 is reckoned with from now on.")
                        .arg(figureWords(copy.figure), figureText(copy.figure, copy.fit.slope)));
}

void FigureCards::refresh() {
  const LearntFigure* figure = board_.pickedFigure();
  using Of = LearnableFigure::Of;
  use_->setVisible(figure == nullptr || figure->figure.of != Of::fault);
  usual_->setVisible(use_->isVisibleTo(this));
  use_->setEnabled(figure != nullptr && figure->fit.count >= fewestToLearn &&
                   figure->fit.slope > 0 &&
                   (figure->figure.of != Of::growth || !board_.growthIsOwn()));
  if (figure == nullptr) {
    title_->clear();
    words_->setText(tr("The shop cannot be read."));
    seen_->clear();
    usual_->setEnabled(false);
    return;
  }
  title_->setText(figureWords(figure->figure));
  const auto text = [&](double value) { return figureText(figure->figure, value); };
  QStringList words;
  if (figure->figure.of != Of::fault)
    words << tr("Reckoned with now: %1.").arg(text(figure->present));
  const auto count = static_cast<int>(figure->fit.count);
  if (count == 0) {
    words << nothingSeen(figure->figure.of);
  } else if (figure->figure.of == Of::fault) {
    words << tr("Something was wrong %1 times; in 95 of 100 cases it lies from %2 to %3.")
                 .arg(text(figure->fit.slope), text(figure->fit.low), text(figure->fit.high));
    QStringList which;
    for (const auto& [fault, times] : figure->told) {
      const std::optional<Sentence> known = faultWords(fault);
      which << tr("%1: %2")
                   .arg(known ? say(*known, board_.unit()) : QString::fromStdString(fault))
                   .arg(times);
    }
    if (!which.empty()) words << which.join(QStringLiteral(", ")) + QLatin1Char('.');
  } else {
    words << (count == 1 ? tr("Your figure, from 1 observation: %1.").arg(text(figure->fit.slope))
                         : tr("Your figure, from %1 observations: %2.")
                               .arg(count)
                               .arg(text(figure->fit.slope)));
    if (count >= 2) {
      words << tr("In 95 of 100 cases it lies from %1 to %2.")
                   .arg(text(std::max(0.0, figure->fit.low)), text(figure->fit.high));
    }
    if (figure->figure.of == Of::growth) {
      words << (board_.growthIsOwn()
                    ? tr("Growth follows what you measure by itself, all coats together and with "
                         "what is usual as a first guess. Leave out what was odd.")
                    : tr("Growth goes by the usual figures now, whatever you measure."));
    } else {
      words << (figure->offered ? tr("That differs from what is reckoned with: take it, if nothing "
                                     "odd happened.")
                : count < static_cast<int>(fewestToLearn)
                    ? tr("Three are wanted before it can be taken.")
                    : tr("That agrees with what is reckoned with, as far as one can tell."));
    }
    if (figure->figure.of == Of::wait) {
      words << tr(
          "This is when you went on, not when it had set: never go below what its maker's "
          "data sheet says.");
    }
  }
  words_->setText(words.join(QLatin1Char(' ')));
  const FillRates rates;
  const double usual =
      figure->figure.of == LearnableFigure::Of::glitter ? rates.glitterPerCm2.grams()
      : figure->figure.of == LearnableFigure::Of::paint ? rates.paintPerCm2.ml()
      : figure->figure.of == LearnableFigure::Of::film  ? takenFor(MoneyRules().waste)
                                                        : 1;
  usual_->setEnabled(figure->figure.of == Of::growth ? board_.growthIsOwn()
                                                     : figure->present != usual);
  // Coats are thin: a tenth of a millimetre says nothing.
  const int places = figure->figure.of == Of::growth ? 3 : figure->figure.of == Of::fault ? 0 : 1;
  showing_ = true;
  QStringList lines;
  for (const FigureSample& one : figure->seen) {
    lines << (one.odd ? QStringLiteral("▲ ") : QString()) +
                 tr("%1 of %2  %3")
                     .arg(QString::fromStdString(numberText(one.point.y, places)),
                          QString::fromStdString(numberText(one.point.x, places)),
                          QString::fromStdString(one.words));
  }
  showLines(*seen_, lines);
  for (int i = 0; i < seen_->count(); ++i) {
    const FigureSample& one = figure->seen[static_cast<std::size_t>(i)];
    seen_->item(i)->setToolTip(lines[i]);
    seen_->item(i)->setFlags(seen_->item(i)->flags() | Qt::ItemIsUserCheckable);
    seen_->item(i)->setCheckState(one.leftOut ? Qt::Unchecked : Qt::Checked);
  }
  showing_ = false;
}

}  // namespace avrelt

#include "moc_figure_cards.cpp"

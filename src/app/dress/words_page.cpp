// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/dress/words_page.h"

#include <algorithm>
#include <QAbstractItemView>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QSignalBlocker>
#include <QVBoxLayout>
#include <utility>

#include "app/fields/count_box.h"
#include "app/fields/idle.h"
#include "app/fields/labelled.h"
#include "app/fields/offer.h"
#include "app/fields/on_event.h"
#include "app/fields/when_seen.h"
#include "app/order/phrases.h"
#include "app/order/set_edits.h"
#include "files/face_finder.h"

namespace avrelt {

namespace {

/// ms after which letters are taken that were not painted, as in a field that is covered.
constexpr int notPainted = 40;

}  // namespace

WordsPage::WordsPage(Order& order, FieldSet& fields, QWidget* parent)
    : QWidget(parent), order_(order) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(4);
  text_ = new QPlainTextEdit;
  text_->setAccessibleName(tr("The words"));
  text_->setTabChangesFocus(true);
  text_->setMinimumHeight(46);
  column->addWidget(text_, 1);
  faces_ = new QComboBox;
  faces_->setAccessibleName(tr("Face"));
  faces_->view()->setAccessibleName(tr("Faces"));
  faces_->setMinimumContentsLength(10);
  faces_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  column->addWidget(faces_);
  height_ = fields.add(tr("Capitals, tall"), Member::wordsCapHeight);
  arc_ = fields.add(tr("Arc, radius"), Member::wordsArc);
  spacing_ = new CountBox;
  spacing_->setRange(-100, 500);
  spacing_->setSuffix(tr(" %"));
  spacing_->setToolTip(tr("Between letters, in per cent of the capitals' height"));
  lines_ = new CountBox;
  lines_->setRange(50, 600);
  lines_->setSuffix(tr(" %"));
  lines_->setToolTip(tr("From line to line, in per cent of the capitals' height"));
  for (QSpinBox* box : {spacing_, lines_}) {
    box->setButtonSymbols(QAbstractSpinBox::NoButtons);
    box->setMinimumWidth(56);
  }
  auto* grid = new QGridLayout;
  grid->setHorizontalSpacing(6);
  grid->setVerticalSpacing(2);
  grid->addWidget(height_, 0, 0);
  grid->addWidget(arc_, 0, 1);
  grid->addWidget(labelled(tr("Spacing"), spacing_), 0, 2);
  align_ = segmentsOf<TextAlign>(tr("Lines are set"), {{TextAlign::left, tr("Left")},
                                                       {TextAlign::middle, tr("Middle")},
                                                       {TextAlign::right, tr("Right")}});
  auto* aligned = new QHBoxLayout;
  aligned->addWidget(align_);
  aligned->addStretch();
  grid->addLayout(aligned, 1, 0, 1, 2, Qt::AlignBottom);
  grid->addWidget(labelled(tr("Lines"), lines_), 1, 2);
  grid->setColumnStretch(0, 3);
  grid->setColumnStretch(1, 3);
  grid->setColumnStretch(2, 2);
  column->addLayout(grid);
  auto* checks = new QHBoxLayout;
  checks->setSpacing(8);
  arched_ = new QCheckBox(tr("Arc"));
  arched_->setToolTip(tr("Sets the words along an arc"));
  under_ = new QCheckBox(tr("Under it"));
  under_->setToolTip(tr("Along the lower side of the circle"));
  merged_ = new QCheckBox(tr("As one"));
  merged_->setToolTip(tr("Letters that overlap are cut as one outline"));
  for (QCheckBox* box : {arched_, under_, merged_}) checks->addWidget(box);
  checks->addStretch();
  column->addLayout(checks);
  words_ = new QLabel;
  words_->setProperty("role", "label");
  words_->setWordWrap(true);
  column->addWidget(words_);

  connect(text_, &QPlainTextEdit::textChanged, this, [this] {
    const Artwork* art = inHand();
    if (filling_ || art == nullptr) return;
    // The letter is seen in the field first; the words are set right after.
    typedInto_ = art->id;
    typed_.start(text_->isVisible() ? notPainted : 0);
  });
  typed_.setSingleShot(true);
  new OnEvent(
      QEvent::Paint,
      [this] {
        if (typed_.isActive() && typed_.interval() > 0) typed_.start(0);
      },
      text_->viewport());
  connect(&typed_, &QTimer::timeout, this, &WordsPage::takeTyped);
  connect(faces_, &QComboBox::activated, this, [this](int i) {
    const auto& face = facesToChoose().at(static_cast<std::size_t>(faces_->itemData(i).toInt()));
    change({}, [&](Words& words) {
      words.family = face.family;
      words.style = face.style;
    });
  });
  onChosen<TextAlign>(*align_, this, [this](TextAlign chosen) {
    change({}, [chosen](Words& words) { words.align = chosen; });
  });
  connect(spacing_, &QSpinBox::valueChanged, this, [this](int percent) {
    change(QStringLiteral("spacing"), [percent](Words& words) { words.spacingPercent = percent; });
  });
  connect(lines_, &QSpinBox::valueChanged, this, [this](int percent) {
    change(QStringLiteral("lines"), [percent](Words& words) { words.linePercent = percent; });
  });
  connect(arched_, &QCheckBox::clicked, this, [this](bool on) {
    const Unit unit = order_.unit();
    change({}, [&](Words& words) {
      words.arc.reset();
      // A gentle one to begin with.
      if (on) {
        words.arc = written(std::max(words.capHeight.length * 5, Length::mm(40)), unit);
      }
    });
  });
  connect(under_, &QCheckBox::clicked, this,
          [this](bool on) { change({}, [on](Words& words) { words.under = on; }); });
  connect(merged_, &QCheckBox::clicked, this,
          [this](bool on) { change({}, [on](Words& words) { words.merged = on; }); });
  const auto measure = [this](LengthField* field, const QString& key, const auto& put,
                              const auto& get) {
    connect(field, &LengthField::typed, this, [this, key, put](const WrittenLength& typed) {
      change(key, [&](Words& words) { put(words, typed); });
    });
    connect(field, &LengthField::stepped, this, [this, key, put, get](int by) {
      const Artwork* art = inHand();
      if (art == nullptr) return;
      const Graduation graduation = usualGraduation(order_.unit());
      const Length next = nearestMark(get(art->words), graduation) + step(graduation) * by;
      change(key, [&](Words& words) {
        put(words, written(std::max(next, step(graduation)), order_.unit()));
      });
    });
  };
  measure(
      height_, QStringLiteral("height"),
      [](Words& words, const WrittenLength& typed) { words.capHeight = typed; },
      [](const Words& words) { return words.capHeight.length; });
  measure(
      arc_, QStringLiteral("arc"),
      [](Words& words, const WrittenLength& typed) { words.arc = typed; },
      [](const Words& words) { return words.arc ? words.arc->length : Length(); });
  auto* seen = new WhenSeen(this, [this] { refresh(); });
  connect(&order, &Order::changed, seen, &WhenSeen::changed);
  connect(&order, &Order::gaugeLinePicked, seen, &WhenSeen::changed);
}

void WordsPage::takeTyped() {
  typed_.stop();
  const Artwork* art = inHand();
  const std::string into = std::exchange(typedInto_, {});
  if (into.empty() || art == nullptr || art->id != into) return;
  change(QStringLiteral("text"),
         [&](Words& words) { words.text = text_->toPlainText().toStdString(); });
}

const Artwork* WordsPage::inHand() const {
  const Artwork* art = artInHand(order_);
  return art != nullptr && art->kind == ArtKind::lettering ? art : nullptr;
}

void WordsPage::begin() {
  Words words;
  words.text = tr("Name").toStdString();
  const Unit unit = order_.unit();
  words.capHeight = written(unit == Unit::inch ? Length::inches(0.5) : Length::mm(12), unit);
  const Checked<Lettered> made = lettered(words);
  if (!made || !addArtwork(order_, made->artwork)) return;
  refresh();
  text_->setFocus(Qt::OtherFocusReason);
  text_->selectAll();
}

bool WordsPage::change(const QString& key, const std::function<void(Words&)>& change) {
  if (!typedInto_.empty()) takeTyped();
  const Artwork* art = inHand();
  if (filling_ || art == nullptr) return false;
  Words words = art->words;
  change(words);
  if (words == art->words && fault_.isEmpty()) return true;
  const Checked<Lettered> made = lettered(words);
  fault_ = made ? QString() : say(made.error().sentence, order_.unit());
  stays_ = !made;
  if (!made) {
    words_->setText(fault_);
    return false;
  }
  if (!made->missing.empty()) {
    QStringList missing;
    for (const std::string& one : made->missing) missing << QString::fromStdString(one);
    fault_ = tr("The face does not have %1; left out.").arg(missing.join(QStringLiteral(" ")));
  }
  const std::string id = art->id;
  const double before = art->bounds().width();
  const double after = made->artwork.bounds().width();
  const double taller = made->artwork.bounds().height() / std::max(art->bounds().height(), 1e-6);
  // Letters keep their height where words grow longer: a set is as much wider as they are.
  const bool done = changeArtwork(
      order_, tr("Set words"), key.isEmpty() ? key : QStringLiteral("words ") + key, id,
      [&](Artwork& artwork) {
        artwork.areas = made->artwork.areas;
        artwork.words = words;
        artwork.name = made->artwork.name;
      },
      [&](DecalSet& set) {
        const double larger = set.byHeight ? taller : after / std::max(before, 1e-6);
        set.size = WrittenLength::mm(std::clamp(set.size.length.mm() * larger, 2.0, 600.0));
      });
  refresh();
  return done;
}

void WordsPage::refresh() {
  filling_ = true;
  const Artwork* art = inHand();
  setEnabled(art != nullptr);
  const Unit unit = order_.unit();
  if (art == nullptr) {
    showIdle(*this);
    faces_->setCurrentIndex(-1);
    text_->setPlainText({});
    shown_.clear();
    typed_.stop();
    typedInto_.clear();
    words_->setText(tr("Take a lettering in hand, or begin one with “Words”."));
    filling_ = false;
    return;
  }
  const Words& words = art->words;
  if (art->id != shown_) {
    fault_.clear();
    stays_ = false;
  }
  const QString text = QString::fromStdString(words.text);
  // What is being typed and cannot be set stays in the field.
  if (art->id != shown_ || (!stays_ && typedInto_.empty() && text_->toPlainText() != text)) {
    text_->setPlainText(text);
  }
  shown_ = art->id;
  if (faces_->count() == 0) {
    const auto& faces = facesToChoose();
    for (std::size_t i = 0; i < faces.size(); ++i) {
      faces_->addItem(tr("%1, %2").arg(QString::fromStdString(faces[i].family),
                                       QString::fromStdString(faces[i].style)),
                      static_cast<int>(i));
    }
  }
  int face = -1;
  const auto& faces = facesToChoose();
  for (std::size_t i = 0; i < faces.size(); ++i) {
    if (faces[i].family == words.family && faces[i].style == words.style) {
      face = static_cast<int>(i);
    }
  }
  faces_->setCurrentIndex(face);
  height_->show(words.capHeight.length, unit);
  showChosen(*align_, words.align);
  spacing_->setValue(static_cast<int>(words.spacingPercent));
  lines_->setValue(static_cast<int>(words.linePercent));
  arched_->setChecked(words.arc.has_value());
  under_->setEnabled(words.arc.has_value());
  under_->setChecked(words.under);
  merged_->setChecked(words.merged);
  arc_->setEnabled(words.arc.has_value());
  if (words.arc) {
    arc_->show(words.arc->length, unit);
  } else {
    arc_->showWord(tr("straight"), unit);
  }
  words_->setText(
      !fault_.isEmpty() ? fault_
      : face < 0 ? tr("The face “%1” is not on this machine; the outlines are kept as they are.")
                       .arg(QString::fromStdString(words.family))
                 : QString());
  filling_ = false;
}

}  // namespace avrelt

#include "moc_words_page.cpp"

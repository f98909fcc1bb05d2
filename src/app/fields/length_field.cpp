// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fields/length_field.h"

#include <cmath>
#include <QKeyEvent>
#include <QStyle>
#include <QVBoxLayout>

#include "app/look/theme.h"
#include "app/order/phrases.h"

namespace avrelt {

LengthField::LengthField(const QString& label, const Where& where, Kind kind, QWidget* parent)
    : QWidget(parent), where_(where), kind_(kind) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(3);
  label_ = new QLabel;
  label_->setProperty("role", "label");
  edit_ = new QLineEdit;
  edit_->setFont(face(17, QFont::DemiBold));
  edit_->setMinimumWidth(104);
  label_->setBuddy(edit_);
  column->addWidget(label_);
  column->addWidget(edit_);
  setLabel(label);
  setFocusProxy(edit_);
  edit_->installEventFilter(this);
  pause_.setSingleShot(true);
  pause_.setInterval(700);
  connect(&pause_, &QTimer::timeout, this, &LengthField::showBubble);
  connect(edit_, &QLineEdit::textEdited, this, &LengthField::read);
  connect(edit_, &QLineEdit::returnPressed, this, [this] {
    finish();
    edit_->selectAll();
  });
}

void LengthField::setLabel(const QString& label) {
  // With none the field stands alone, and is still called what it was.
  label_->setText(label);
  label_->setVisible(!label.isEmpty());
  if (!label.isEmpty()) edit_->setAccessibleName(label);
}

void LengthField::show(Length length, Unit unit) {
  unit_ = unit;
  put(say(length, unit));
}

void LengthField::show(Angle angle) {
  put(QString::fromStdString(angleText(angle)));
}

void LengthField::showWord(const QString& word, Unit unit) {
  unit_ = unit;
  put(word);
}

void LengthField::showNothing() {
  forget();
  setFault({});
  put({});
}

void LengthField::put(const QString& text) {
  value_ = text;
  if (unreadable_ || (edited_ && text == echo_)) return;
  edited_ = false;
  if (edit_->text() != text) edit_->setText(text);
}

void LengthField::read(const QString& text) {
  edited_ = true;
  std::optional<Sentence> fault;
  if (kind_ == Kind::degrees || kind_ == Kind::degreesOfWidth) {
    QString number = text.trimmed();
    if (number.endsWith(QStringLiteral("°"))) number.chop(1);
    number.replace(QChar(0x2212), QLatin1Char('-'));
    number.replace(QLatin1Char(','), QLatin1Char('.'));
    bool read = false;
    const double degrees = number.trimmed().toDouble(&read);
    const bool width = kind_ == Kind::degreesOfWidth;
    if (read && std::abs(degrees) <= 360 && !(width && degrees < 0)) {
      echo_ = QString::fromStdString(angleText(Angle::degrees(degrees)));
      unreadable_.reset();
      emit typedAngle(Angle::degrees(degrees));
    } else {
      fault = Sentence{width ? "A width is wanted in degrees, 0 to 360: 90 is a quarter of the cup."
                             : "A place round the cup is wanted in degrees, −360 to 360: 0 is the "
                               "front, 180 the back.",
                       {}};
    }
  } else {
    const std::string written = text.toStdString();
    const Checked<WrittenLength> length =
        kind_ == Kind::offset ? writtenOffset(written, unit_) : writtenSize(written, unit_);
    if (length) {
      echo_ = say(length->length, unit_);
      unreadable_.reset();
      emit typed(*length);
    } else {
      fault = length.error().sentence;
    }
  }
  unreadable_ = fault;
  emit typing(fault);
  pause_.start();
  if (!fault) showBubble();
}

void LengthField::finish() {
  pause_.stop();
  if (!unreadable_) {
    edited_ = false;
    put(value_);
  }
  showBubble();
  emit finished();
}

void LengthField::takeBack() {
  forget();
  edit_->setText(value_);
  edit_->selectAll();
  emit typing(std::nullopt);
  showBubble();
}

void LengthField::forget() {
  pause_.stop();
  unreadable_.reset();
  edited_ = false;
}

void LengthField::setFault(const QString& sentence) {
  planFault_ = sentence;
  // While the hand is moving, half a number is no fault yet.
  if (!pause_.isActive()) showBubble();
}

void LengthField::showBubble() {
  const QString text = unreadable_ ? say(*unreadable_, unit_) : planFault_;
  const bool wrong = !text.isEmpty();
  if (edit_->property("fault").toBool() != wrong) {
    edit_->setProperty("fault", wrong);
    edit_->style()->unpolish(edit_);
    edit_->style()->polish(edit_);
  }
  if (edit_->accessibleDescription() != text) edit_->setAccessibleDescription(text);
  if (!wrong || !isVisible()) {
    if (bubble_ != nullptr) bubble_->hide();
    return;
  }
  if (bubble_ == nullptr) {
    bubble_ = new QLabel(window());
    bubble_->setProperty("role", "bubble");
    bubble_->setWordWrap(true);
    bubble_->setTextFormat(Qt::PlainText);
    bubble_->setAttribute(Qt::WA_TransparentForMouseEvents);
  }
  bubble_->setText(text);
  bubble_->ensurePolished();  // its padding counts in its height
  constexpr int width = 250;
  bubble_->setFixedWidth(width);
  bubble_->setFixedHeight(bubble_->heightForWidth(width));
  QPoint at = edit_->mapTo(window(), QPoint(edit_->width() + 8, 0));
  if (at.x() + width > window()->width() - 8) {
    at = edit_->mapTo(window(), QPoint(-8 - width, 0));
  }
  at.setY(std::min(at.y(), window()->height() - bubble_->height() - 40));
  bubble_->move(at);
  bubble_->show();
  bubble_->raise();
}

bool LengthField::eventFilter(QObject* watched, QEvent* event) {
  if (watched == edit_) {
    if (event->type() == QEvent::FocusIn) {
      emit entered();
    } else if (event->type() == QEvent::FocusOut) {
      finish();
    } else if (event->type() == QEvent::ShortcutOverride) {
      // Undo is the document's, not the line's; what never became a value is taken back first.
      auto* key = static_cast<QKeyEvent*>(event);
      if (key->matches(QKeySequence::Undo) || key->matches(QKeySequence::Redo)) {
        if (unreadable_) {
          takeBack();
          event->accept();
        } else {
          event->ignore();
        }
        return true;
      }
    } else if (event->type() == QEvent::KeyPress) {
      const auto* key = static_cast<QKeyEvent*>(event);
      const int marks = key->modifiers().testFlag(Qt::ShiftModifier) ? 8 : 1;
      if (key->key() == Qt::Key_Up || key->key() == Qt::Key_Down) {
        if (unreadable_) return true;
        edited_ = false;
        emit stepped(key->key() == Qt::Key_Up ? marks : -marks);
        return true;
      }
      if (key->key() == Qt::Key_Escape && unreadable_) {
        takeBack();
        return true;
      }
    }
  }
  return QWidget::eventFilter(watched, event);
}

void LengthField::moveEvent(QMoveEvent* event) {
  QWidget::moveEvent(event);
  if (bubble_ != nullptr && bubble_->isVisible()) showBubble();
}

void LengthField::hideEvent(QHideEvent* event) {
  QWidget::hideEvent(event);
  if (bubble_ != nullptr) bubble_->hide();
}

}  // namespace avrelt

#include "moc_length_field.cpp"

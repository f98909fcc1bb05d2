// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <QLabel>
#include <QLineEdit>
#include <QTimer>
#include <QWidget>

#include "measure/length_text.h"

namespace avrelt {

/// Where a number is read and typed as on a tape: a label, the number, and what is wrong with it
/// in a bubble beside.
///
/// What is typed is told at once when it makes sense. What does not is kept as it stands, and the
/// bubble says what would be accepted, once the hand has paused or left. Arrow up and down step by
/// one mark of the tape, with Shift by eight; Escape takes back what was typed.
class LengthField : public QWidget {
  Q_OBJECT

 public:
  enum class Kind {
    length,
    offset,          ///< a length that may be below 0
    degrees,         ///< a place round the cup
    degreesOfWidth,  ///< from one side of something to the other
  };

  LengthField(const QString& label, const Where& where, Kind kind = Kind::length,
              QWidget* parent = nullptr);

  /// What the field is for.
  const Where& where() const { return where_; }
  void setLabel(const QString& label);

  /// Shows a value, unless the maker is in the midst of typing another.
  void show(Length length, Unit unit);
  void show(Angle angle);
  void show(CupAngle angle) { show(angle.fromFront()); }
  /// A word in place of the number, for a field left to the program ("half-way").
  void showWord(const QString& word, Unit unit);

  /// Nothing, for a field that is for nothing just now; what was being typed is dropped.
  void showNothing();

  /// What the plan says against the value; nothing takes the bubble away.
  void setFault(const QString& sentence);
  /// Drops what is being typed: the value now shown is another's.
  void forget();
  QLineEdit* edit() { return edit_; }
  bool unreadable() const { return unreadable_.has_value(); }

 signals:
  void typed(const avrelt::WrittenLength& length);
  void typedAngle(avrelt::Angle angle);
  /// The text is not a length, or is one again (nothing).
  void typing(const std::optional<avrelt::Sentence>& fault);
  /// Return was pressed or the field was left.
  void finished();
  void entered();
  void stepped(int marks);

 protected:
  bool eventFilter(QObject* watched, QEvent* event) override;
  void moveEvent(QMoveEvent* event) override;
  void hideEvent(QHideEvent* event) override;

 private:
  void read(const QString& text);
  void put(const QString& text);
  void finish();
  void showBubble();
  void takeBack();

  Where where_;
  Kind kind_;
  QLabel* label_;
  QLineEdit* edit_;
  QLabel* bubble_ = nullptr;
  QTimer pause_;
  Unit unit_ = Unit::inch;
  QString value_;
  /// How the value just typed will come back from the document; it must not disturb the typing.
  QString echo_;
  QString planFault_;
  std::optional<Sentence> unreadable_;
  bool edited_ = false;
};

}  // namespace avrelt

Q_DECLARE_METATYPE(avrelt::WrittenLength)

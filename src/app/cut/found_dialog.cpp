// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/cut/found_dialog.h"

#include <algorithm>
#include <cmath>
#include <QCoreApplication>
#include <QFileInfo>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QPainter>
#include <QVBoxLayout>

#include "app/fields/dialog_close.h"
#include "app/fields/kept_length.h"
#include "app/fields/on_screen.h"
#include "app/look/theme.h"
#include "app/order/phrases.h"
#include "app/views/art_paint.h"
#include "app/views/print_paint.h"
#include "files/disk.h"
#include "files/picture_file.h"

namespace avrelt {

/// The sheet as it came out, with what is cut over it and a ring round what is bare.
class PrintedSheetView : public Canvas {
 public:
  PrintedSheetView(Length wide, Length tall) : wide_(wide), tall_(tall) {
    setMinimumSize(300, 360);
    setAccessibleName(FoundDialog::tr("The sheet as it came out, with its cuts"));
  }
  void show(QImage sheet, std::vector<Polygon> cuts, std::vector<BarePart> bare) {
    sheet_ = std::move(sheet);
    cuts_ = std::move(cuts);
    bare_ = std::move(bare);
    update();
  }

 protected:
  void paintEvent(QPaintEvent* /*event*/) override {
    const Theme& t = theme();
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setRenderHint(QPainter::SmoothPixmapTransform);
    painter.fillRect(rect(), t.ground);
    const Fit fit(Box{{0, 0}, {wide_.mm(), tall_.mm()}}, QRectF(rect()).adjusted(8, 8, -8, -8));
    const QRectF room(fit({0, tall_.mm()}), fit({wide_.mm(), 0}));
    painter.fillRect(room, Qt::white);
    painter.drawImage(room, sheet_);
    painter.setPen(QPen(t.muted, 1));
    painter.drawRect(room);
    painter.setPen(QPen(t.petrol, 1.2));
    for (const Polygon& cut : cuts_) painter.drawPath(painterPath(cut, fit));
    painter.setPen(QPen(t.stop, 2.5));
    for (const BarePart& one : bare_) painter.drawEllipse(fit(one.at), 9, 9);
  }

 private:
  Length wide_;
  Length tall_;
  QImage sheet_;
  std::vector<Polygon> cuts_;
  std::vector<BarePart> bare_;
};

FoundDialog::FoundDialog(PartSet parts, Length wide, Length tall, const Printer& printer,
                         Picture print, Unit unit, bool mirrored, QWidget* parent)
    : QDialog(parent),
      parts_(std::move(parts)),
      wide_(wide),
      tall_(tall),
      figures_(printer),
      unit_(unit),
      mirrored_(mirrored),
      planned_(markPlaces(printer, wide, tall)),
      found_(planned_) {
  setWindowTitle(tr("How the print came out"));
  auto* row = new QHBoxLayout(this);
  row->setSpacing(14);
  view_ = new PrintedSheetView(wide, tall);
  row->addWidget(view_, 1);
  auto* column = new QVBoxLayout;
  column->setSpacing(10);
  auto* how = new QLabel(tr(
      "Put the blade over the middle of each mark and type where the cutter says it is, from the "
      "lower left of the sheet as it is fed. Marks are called by where they are on its face."));
  how->setWordWrap(true);
  column->addWidget(how);
  auto* grid = new QGridLayout;
  grid->setHorizontalSpacing(12);
  const QString names[] = {tr("Lower left"), tr("Lower right"), tr("Upper left")};
  for (std::size_t i = 0; i < 3; ++i) {
    typed_[2 * i] = seen(Length::mm(planned_[i].x));
    typed_[2 * i + 1] = Length::mm(planned_[i].y);
    const auto changed = [this] { refresh(); };
    fields_[2 * i] = keptLength(tr("%1 mark, right").arg(names[i]), Member::foundRight,
                                typed_[2 * i], unit, changed);
    fields_[2 * i + 1] = keptLength(tr("up"), Member::foundUp, typed_[2 * i + 1], unit, changed);
    fields_[2 * i + 1]->edit()->setAccessibleName(tr("%1 mark, up").arg(names[i]));
    grid->addWidget(fields_[2 * i], static_cast<int>(i), 0);
    grid->addWidget(fields_[2 * i + 1], static_cast<int>(i), 1);
  }
  column->addLayout(grid);
  follow_ = new QCheckBox(tr("Cut where the print is"));
  follow_->setChecked(true);
  column->addWidget(follow_);
  connect(follow_, &QCheckBox::toggled, this, [this] { judge(); });
  words_ = new QLabel;
  words_->setWordWrap(true);
  words_->setMinimumWidth(330);
  words_->setMinimumHeight(fontMetrics().height() * 7);
  words_->setAlignment(Qt::AlignTop);
  column->addWidget(words_);
  column->addStretch();
  row->addLayout(column);
  take_ = closeBelow(*this, *column);
  later_.setSingleShot(true);
  later_.setInterval(150);
  connect(&later_, &QTimer::timeout, this, &FoundDialog::send);
  connect(&printer_, &QProcess::finished, this, [this](int code) {
    if (again_) {
      again_ = false;
      return send();
    }
    trouble_ = code == 0 ? QString() : QString::fromUtf8(printer_.readAllStandardError()).trimmed();
    if (code == 0) {
      KeptPicture file;
      auto bytes =
          readFile(folder_.filePath(QStringLiteral("sheet.png")).toStdString(), 512U << 20U);
      if (bytes) {
        file.bytes = std::move(*bytes);
        if (auto dots = dotsOf(file)) sheet_ = std::move(*dots);
      }
    }
    judge();
  });
  connect(&printer_, &QProcess::errorOccurred, this, [this](QProcess::ProcessError error) {
    if (error != QProcess::FailedToStart) return;
    trouble_ = tr("The stand-in printer cannot be started. Put avrelt-printer beside avrelt.");
    judge();
  });
  const auto trouble = writeFile(folder_.filePath(QStringLiteral("print.png")).toStdString(),
                                 pngOf(print, figures_.dotsPerInch));
  if (trouble) trouble_ = say(*trouble, unit_);
  sheet_ = std::move(print);
  openAt(*this, {860, 560});
  refresh();
}

FoundDialog::~FoundDialog() {
  printer_.disconnect(this);
  printer_.kill();
  printer_.waitForFinished(2000);
}

QString FoundDialog::program() {
  const QString here = QCoreApplication::applicationDirPath();
  for (const QString& path :
       {here + QStringLiteral("/avrelt-printer"), here + QStringLiteral("/../sim/avrelt-printer"),
        here + QStringLiteral("/../../src/sim/avrelt-printer")}) {
    if (QFileInfo(path).isExecutable()) return QFileInfo(path).canonicalFilePath();
  }
  return {};
}

PrintShift FoundDialog::shift() const {
  return follow_->isChecked() ? told_.shift : PrintShift();
}

void FoundDialog::refresh() {
  for (std::size_t i = 0; i < 3; ++i) {
    found_[i] = {seen(typed_[2 * i]).mm(), typed_[2 * i + 1].mm()};
  }
  told_ = printFound(planned_, found_);
  // Further off than any printer prints: another mark, another unit, a slip of the hand.
  const bool believed = std::abs(told_.shift.percent) <= 5 &&
                        std::abs(told_.shift.turn.degrees()) <= 10 && told_.worst <= Length::mm(3);
  take_->setEnabled(believed);
  if (!believed) {
    later_.stop();
    words_->setText(
        tr("No printer prints so far off: by these places the print would be %1 % larger and "
           "turned "
           "by %2°, and they disagree by %3. Read the marks again, or see which unit the cutter "
           "tells.")
            .arg(told_.shift.percent, 0, 'f', 0)
            .arg(told_.shift.turn.degrees(), 0, 'f', 0)
            .arg(say(told_.worst, unit_)));
    return;
  }
  later_.start();
  judge();
}

void FoundDialog::send() {
  if (printer_.state() != QProcess::NotRunning) {
    again_ = true;
    return;
  }
  const QString path = program();
  if (path.isEmpty()) {
    trouble_ = tr("The stand-in printer is not there. Put avrelt-printer beside avrelt.");
    return judge();
  }
  const auto number = [](double value) { return QString::number(value, 'f', 4); };
  const PrintShift& shift = told_.shift;
  printer_.start(
      path, {folder_.filePath(QStringLiteral("print.png")), QStringLiteral("--out"),
             folder_.filePath(QStringLiteral("sheet.png")), QStringLiteral("--dots"),
             number(figures_.dotsPerInch), QStringLiteral("--margins"), number(figures_.left.mm()),
             number(figures_.right.mm()), number(figures_.top.mm()), number(figures_.bottom.mm()),
             QStringLiteral("--shift"), number(shift.right.mm()), number(shift.up.mm()),
             QStringLiteral("--turn"), number(shift.turn.degrees()), QStringLiteral("--larger"),
             number(shift.percent)});
}

void FoundDialog::judge() {
  const PrintShift& shift = told_.shift;
  QStringList words;
  const Length least = Length::mm(0.05);
  const auto aside = [&](Length by, const QString& more, const QString& less) {
    const Length far = by < Length() ? by * -1 : by;
    if (far >= least) words << (by < Length() ? less : more).arg(say(far, unit_));
  };
  aside(shift.right, tr("%1 to the right"), tr("%1 to the left"));
  aside(shift.up, tr("%1 up"), tr("%1 down"));
  if (std::abs(shift.turn.degrees()) >= 0.01) {
    words << (shift.turn > Angle() ? tr("turned left by %1°") : tr("turned right by %1°"))
                 .arg(std::abs(shift.turn.degrees()), 0, 'f', 2);
  }
  if (std::abs(shift.percent) >= 0.01) {
    words << (shift.percent > 0 ? tr("%1 % larger") : tr("%1 % smaller"))
                 .arg(std::abs(shift.percent), 0, 'f', 2);
  }
  QString text = words.isEmpty() ? tr("The print lies where it should.")
                                 : tr("The print lies %1.").arg(words.join(tr(", ")));
  if (told_.worst > Length::mm(0.3)) {
    text += QLatin1Char(' ') + tr("But the marks disagree by %1: read them again before you cut.")
                                   .arg(say(told_.worst, unit_));
  }
  const auto told = [&](const std::vector<BarePart>& bare) {
    if (bare.empty()) return tr("no part shows bare film");
    Length deepest;
    for (const BarePart& one : bare) deepest = std::max(deepest, one.deep);
    return (bare.size() == 1 ? tr("1 part shows bare film")
                             : tr("%1 parts show bare film").arg(bare.size())) +
           tr(", up to %1 deep").arg(say(deepest, unit_));
  };
  std::vector<Polygon> cuts;
  std::vector<BarePart> bare;
  if (running()) {
    text += QLatin1Char(' ') + tr("The stand-in is printing it…");
  } else {
    const auto asPlanned = barePartsOf(parts_, sheet_, tall_, figures_.dotsPerInch);
    const auto following =
        barePartsOf(parts_, sheet_, tall_, figures_.dotsPerInch, transformOf(told_.shift));
    text += QLatin1Char(' ') + tr("Cut as planned, %1.").arg(told(asPlanned));
    text += QLatin1Char(' ') + tr("Cut where the print is, %1.").arg(told(following));
    bare = follow_->isChecked() ? following : asPlanned;
  }
  if (!trouble_.isEmpty()) text += QLatin1Char(' ') + trouble_;
  words_->setText(text);
  const Transform map = transformOf(this->shift());
  for (const Part& part : parts_.parts) cuts.push_back(mapped(printedOf(part, Length()), map));
  view_->show(imageOf(sheet_), std::move(cuts), std::move(bare));
}

}  // namespace avrelt

#include "moc_found_dialog.cpp"

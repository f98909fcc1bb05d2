// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/dress/picture_dialog.h"

#include <algorithm>
#include <chrono>
#include <cmath>
#include <QDialogButtonBox>
#include <QFileInfo>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QImageReader>
#include <QPainter>
#include <QThreadPool>
#include <QVBoxLayout>

#include "app/fields/count_box.h"
#include "app/fields/on_screen.h"
#include "app/look/theme.h"
#include "app/order/phrases.h"
#include "app/views/art_paint.h"

namespace avrelt {
namespace {

/// Larger pictures are made smaller as they are read: more dots than this show in no film.
constexpr double dotsTaken = 6e6;
constexpr int mostMegabytes = 1024;
constexpr double usualDotsPerInch = 300;

Picture pictureFrom(const QImage& image) {
  const QImage plain = image.convertToFormat(QImage::Format_RGBA8888);
  Picture picture{plain.width(), plain.height(), {}};
  picture.rgba.reserve(static_cast<std::size_t>(plain.width()) *
                       static_cast<std::size_t>(plain.height()) * 4);
  for (int y = 0; y < plain.height(); ++y) {
    const uchar* line = plain.constScanLine(y);
    picture.rgba.insert(picture.rgba.end(), line,
                        line + static_cast<std::ptrdiff_t>(plain.width()) * 4);
  }
  return picture;
}

}  // namespace

TraceView::TraceView(QWidget* parent) : Canvas(parent) {
  setMinimumSize(480, 260);
  setAccessibleName(tr("Before and after tracing"));
}

void TraceView::show(const QImage& before) {
  before_ = before;
  after_.clear();
  update();
}

void TraceView::show(const std::vector<TracedColour>& after) {
  after_ = after;
  update();
}

void TraceView::setWaiting(bool waiting) {
  waiting_ = waiting;
  update();
}

void TraceView::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  painter.setRenderHint(QPainter::SmoothPixmapTransform);
  const double half = width() / 2.0;
  const QRectF left(4, 4, half - 10, height() - 8.0);
  const QRectF right(half + 6, 4, half - 10, height() - 8.0);
  for (const QRectF& side : {left, right}) {
    painter.fillRect(side, Qt::white);
    painter.setPen(QPen(t.rule, 1));
    painter.drawRect(side);
  }
  if (before_.isNull()) return;
  const Box page{{0, 0},
                 {static_cast<double>(before_.width()), static_cast<double>(before_.height())}};
  const Fit place(page, left.adjusted(6, 6, -6, -6));
  painter.drawImage(QRectF(place({0, page.high.y}), place({page.high.x, 0})), before_);
  const Fit fit(page, right.adjusted(6, 6, -6, -6));
  painter.setPen(Qt::NoPen);
  if (waiting_) painter.setOpacity(0.4);
  for (const TracedColour& one : after_) {
    painter.setBrush(QColor(QString::fromStdString(one.colour)));
    painter.drawPath(painterPath(one.area, fit));
  }
}

PictureDialog::PictureDialog(Unit unit, QWidget* parent) : QDialog(parent), unit_(unit) {
  setWindowTitle(tr("Trace a picture"));
  openAt(*this, {820, 560});
  auto* column = new QVBoxLayout(this);
  view_ = new TraceView;
  column->addWidget(view_, 1);
  auto* grid = new QGridLayout;
  grid->setHorizontalSpacing(12);
  mode_ = new Segments(tr("What is told apart"), {tr("Dark and light"), tr("Colours")});
  mode_->show(0);
  colours_ = new CountBox;
  colours_->setRange(2, 12);
  colours_->setValue(4);
  threshold_ = new QSlider(Qt::Horizontal);
  threshold_->setRange(0, 100);
  threshold_->setValue(50);
  byItself_ = new QCheckBox(tr("where the picture parts best"));
  byItself_->setChecked(true);
  invert_ = new QCheckBox(tr("Light instead of dark"));
  background_ = new QCheckBox(tr("Leave the background out"));
  background_->setChecked(true);
  specks_ = new CountBox;
  specks_->setRange(0, 10'000);
  specks_->setValue(4);
  specks_->setSuffix(tr(" dots"));
  for (QSpinBox* box : {colours_, specks_}) box->setButtonSymbols(QAbstractSpinBox::NoButtons);
  smooth_ = new QSlider(Qt::Horizontal);
  smooth_->setRange(0, 100);
  smooth_->setValue(75);
  const auto row = [&](int at, const QString& label, QWidget* field, QWidget* beside) {
    auto* words = new QLabel(label);
    words->setProperty("role", "label");
    words->setBuddy(field);
    field->setAccessibleName(label);
    grid->addWidget(words, at, 0);
    grid->addWidget(field, at, 1);
    if (beside != nullptr) grid->addWidget(beside, at, 2);
  };
  row(0, tr("Tell apart"), mode_, invert_);
  row(1, tr("Dark up to"), threshold_, byItself_);
  row(2, tr("Colours"), colours_, background_);
  row(3, tr("Leave out specks up to"), specks_, nullptr);
  row(4, tr("Smooth corners"), smooth_, nullptr);
  grid->setColumnStretch(1, 1);
  column->addLayout(grid);
  words_ = new QLabel;
  words_->setWordWrap(true);
  column->addWidget(words_);
  auto* buttons = new QDialogButtonBox;
  buttons->addButton(tr("Cancel"), QDialogButtonBox::RejectRole);
  take_ = buttons->addButton(tr("Take"), QDialogButtonBox::AcceptRole);
  take_->setEnabled(false);
  column->addWidget(buttons);
  connect(buttons, &QDialogButtonBox::accepted, this, &QDialog::accept);
  connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
  connect(mode_, &Segments::picked, this, &PictureDialog::want);
  connect(colours_, &QSpinBox::valueChanged, this, &PictureDialog::want);
  connect(threshold_, &QSlider::valueChanged, this, [this] {
    byItself_->setChecked(false);
    want();
  });
  for (QCheckBox* box : {byItself_, invert_, background_}) {
    connect(box, &QCheckBox::clicked, this, &PictureDialog::want);
  }
  connect(specks_, &QSpinBox::valueChanged, this, &PictureDialog::want);
  connect(smooth_, &QSlider::valueChanged, this, &PictureDialog::want);
  poll_.setInterval(15);
  connect(&poll_, &QTimer::timeout, this, &PictureDialog::arrived);
}

PictureDialog::~PictureDialog() {
  if (stop_) *stop_ = true;
}

std::optional<QString> PictureDialog::load(const QString& path) {
  QImageReader::setAllocationLimit(mostMegabytes);
  QImageReader reader(path);
  reader.setAutoTransform(true);
  const QSize size = reader.size();
  const QString name = QFileInfo(path).fileName();
  const double dots = static_cast<double>(size.width()) * size.height();
  made_.clear();
  if (size.isValid() && dots > dotsTaken) {
    reader.setScaledSize(size * std::sqrt(dotsTaken / dots));
    made_ = tr("It was made smaller to be traced, from %1 × %2 dots. ")
                .arg(size.width())
                .arg(size.height());
  }
  QImage image = reader.read();
  if (image.isNull()) {
    return tr("%1 cannot be read as a picture (%2). Take a PNG or JPEG file.")
        .arg(name, reader.errorString());
  }
  if (static_cast<double>(image.width()) * image.height() > dotsTaken * 1.1) {
    image = image.scaled(
        image.size() * std::sqrt(dotsTaken / (static_cast<double>(image.width()) * image.height())),
        Qt::KeepAspectRatio, Qt::SmoothTransformation);
  }
  const double perMetre = image.dotsPerMeterX();
  // Screens say 72 to 96 to the inch of anything: only what a scanner says is believed.
  dotsPerInch_ = perMetre > 140 / 0.0254 ? perMetre * 0.0254 : usualDotsPerInch;
  name_ = QFileInfo(path).completeBaseName().toStdString();
  picture_ = std::make_shared<const Picture>(pictureFrom(image));
  view_->show(image);
  want();
  return std::nullopt;
}

TraceSetting PictureDialog::setting() const {
  TraceSetting setting;
  const bool byColour = mode_->chosen() == 1;
  setting.colours = byColour ? colours_->value() : 1;
  setting.threshold = byItself_->isChecked() ? -1 : threshold_->value();
  setting.invert = invert_->isChecked();
  setting.despeckle = specks_->value();
  setting.smoothPercent = smooth_->value();
  setting.background = background_->isChecked();
  return setting;
}

/// Of what is wanted meanwhile only the last is traced.
void PictureDialog::want() {
  const bool byColour = mode_->chosen() == 1;
  colours_->setEnabled(byColour);
  background_->setEnabled(byColour);
  threshold_->setEnabled(!byColour);
  byItself_->setEnabled(!byColour);
  invert_->setEnabled(!byColour);
  if (!picture_) return;
  wanted_ = true;
  take_->setEnabled(false);
  view_->setWaiting(true);
  if (running_) {
    *stop_ = true;
  } else {
    start();
  }
}

void PictureDialog::start() {
  wanted_ = false;
  running_ = true;
  runningBy_ = setting();
  stop_ = std::make_shared<std::atomic<bool>>(false);
  auto promise = std::make_shared<std::promise<Result>>();
  result_ = promise->get_future();
  QThreadPool::globalInstance()->start(
      [promise, picture = picture_, setting = runningBy_, stop = stop_] {
        try {
          promise->set_value(traced(*picture, setting, [stop] { return !*stop; }));
        } catch (const std::exception& fallen) {
          promise->set_value(refuse(Member::tracedPicture, "The picture cannot be traced (%1).",
                                    {std::string(fallen.what())}));
        }
      });
  poll_.start();
}

void PictureDialog::arrived() {
  if (!running_ || result_.wait_for(std::chrono::seconds(0)) != std::future_status::ready) return;
  running_ = false;
  poll_.stop();
  Result result = result_.get();
  if (wanted_) return start();
  traced_ = std::move(result);
  tracedBy_ = runningBy_;
  view_->setWaiting(false);
  view_->show(traced_ ? *traced_ : std::vector<TracedColour>());
  const Checked<Artwork> made = artwork();
  take_->setEnabled(made.has_value());
  if (!made) {
    words_->setText(made_ + say(made.error().sentence, unit_));
    return;
  }
  std::size_t parts = 0;
  for (const ColourArea& area : made->areas) {
    parts += static_cast<std::size_t>(
        std::count_if(area.area.begin(), area.area.end(),
                      [](const std::vector<Point>& outline) { return signedArea(outline) > 0; }));
  }
  words_->setText(
      made_ + (parts == 1 ? tr("1 part") : tr("%1 parts").arg(parts)) +
      (made->areas.size() > 1 ? tr(" in %1 colours").arg(made->areas.size()) : QString()) +
      tr(", %1 points.").arg(made->points()));
}

Checked<Artwork> PictureDialog::artwork() const {
  if (!traced_) return tl::unexpected(traced_.error());
  return artworkOf(name_, *traced_, tracedBy_, dotsPerInch_);
}

}  // namespace avrelt

#include "moc_picture_dialog.cpp"

// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/film_watch.h"

#include <exception>
#include <QThreadPool>

namespace avrelt {
namespace {

/// Cups that cannot be planned are left out; they are refused elsewhere.
std::vector<FilmNeed> missingFor(const Document& document, const Stock& stock,
                                 const FilmShelf& films, double waste) {
  std::vector<CupPlan> plans;
  for (const Cup& cup : document.cups) {
    CheckedAll<CupPlan> plan = planCup(cup, document.units, stock);
    if (plan) plans.push_back(std::move(*plan));
  }
  std::vector<const CupPlan*> cups;
  cups.reserve(plans.size());
  for (const CupPlan& plan : plans) cups.push_back(&plan);
  std::vector<FilmNeed> missing;
  for (FilmNeed& need : filmNeeds(cups, films, waste)) {
    // What the shelf has no film for is cut from what its maker has elsewhere.
    if (need.film != 0 && need.tooLittle()) missing.push_back(std::move(need));
  }
  return missing;
}

}  // namespace

FilmWatch::FilmWatch(Order& order, Shelf& shelf, QObject* parent)
    : QObject(parent), order_(order), shelf_(shelf) {
  constexpr int often = 50;
  poll_.setInterval(often);
  connect(&poll_, &QTimer::timeout, this, &FilmWatch::poll);
  constexpr int hand = 600;
  rest_.setSingleShot(true);
  rest_.setInterval(hand);
  connect(&rest_, &QTimer::timeout, this, &FilmWatch::look);
}

void FilmWatch::lookIfSaid() {
  if (!missing_.empty()) rest_.start();
}

void FilmWatch::begin() {
  rest_.stop();
  poll_.stop();
  // What is being reckoned is of the order before, and is let go.
  reckoning_ = {};
  asked_.reset();
  missing_.clear();
}

FilmWatch::Asked FilmWatch::asked() const {
  Asked asked{order_.document(), order_.stock(), {}, 0};
  asked.document.bench = {};
  for (Cup& cup : asked.document.cups) cup.bench = {};
  if (shelf_.isOpen()) {
    asked.films = shelf_.films();
    asked.waste = shelf_.moneyRules().waste;
  }
  return asked;
}

void FilmWatch::look() {
  if (reckoning_.valid()) return;  // what changed meanwhile is seen when that is done
  Asked now = asked();
  if (asked_ == now) return;
  asked_ = std::move(now);
  auto promise = std::make_shared<std::promise<std::vector<FilmNeed>>>();
  reckoning_ = promise->get_future();
  QThreadPool::globalInstance()->start([promise, asked = *asked_] {
    try {
      promise->set_value(missingFor(asked.document, asked.stock, asked.films, asked.waste));
    } catch (const std::exception& /*fallen*/) {
      // Said where the cup is planned.
      promise->set_value({});
    }
  });
  poll_.start();
}

void FilmWatch::lookNow() {
  for (int round = 0; round < 2; ++round) {
    look();
    if (!reckoning_.valid()) return;
    reckoning_.wait_for(std::chrono::minutes(1));
    poll();
  }
}

void FilmWatch::poll() {
  if (!reckoning_.valid() ||
      reckoning_.wait_for(std::chrono::seconds(0)) != std::future_status::ready) {
    return;
  }
  poll_.stop();
  missing_ = reckoning_.get();
  emit changed();
  look();
}

}  // namespace avrelt

#include "moc_film_watch.cpp"

// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/order/picture_edits.h"

#include <algorithm>

#include "app/order/fill_edits.h"
#include "app/order/phrases.h"
#include "app/order/set_edits.h"
#include "app/order/zone_edits.h"
#include "job/ids.h"

namespace avrelt {
namespace {

// NOLINTNEXTLINE(misc-no-recursion): as deep as zones are cut.
int showing(const ZoneNode& node, const std::string& picture) {
  int count = node.finish.picture.id == picture ? 1 : 0;
  for (const ZoneNode& part : node.parts) count += showing(part, picture);
  return count;
}

/// Takes what is new into the order; what shows one of them then names it by the id it has there.
template <typename Shown>
Shown take(Document& document, const PictureTaking& taking, Shown shown) {
  std::erase_if(document.pictures, [&](const SharedPicture& one) {
    return std::find(taking.removed.begin(), taking.removed.end(), one->id) != taking.removed.end();
  });
  const std::string chosen = shown.id;
  for (KeptPicture added : taking.added) {
    const std::string before = added.id;
    added.id = newPictureId(document);
    if (chosen == before) shown.id = added.id;
    document.pictures.emplace_back(std::move(added));
  }
  return shown;
}

void give(Finish& finish, const ZonePicture& picture, const std::string& mean) {
  finish.kind = FinishKind::film;
  finish.opaque = true;
  finish.printed = false;
  finish.picture = picture;
  finish.colour = mean;
}

}  // namespace

int showing(const Document& document, const std::string& picture) {
  int count = 0;
  for (const Cup& cup : document.cups) {
    count += showing(cup.division.body, picture);
    for (const Fill& fill : cup.fills) {
      for (const CellColour& colour : fill.colours) {
        count += colour.finish.picture.id == picture ? 1 : 0;
      }
    }
    for (const DecalSet& set : cup.sets) {
      for (const Layer& layer : set.layers) count += layer.print.id == picture ? 1 : 0;
    }
  }
  return count;
}

void printZone(Order& order, const PictureChoice& choice) {
  const Zone* inHand = zoneInHand(order);
  if (inHand == nullptr) return;
  const Zone zone = *inHand;
  const auto cup = static_cast<std::size_t>(order.currentIndex());
  order.edit(Order::tr("Print the film of a zone"), [&](Document& document) {
    const ZonePicture picture = take(document, choice.taking, choice.picture);
    give(finishOf(document.cups[cup], zone), picture, choice.mean);
  });
}

void printColour(Order& order, int colour, const PictureChoice& choice) {
  const Fill* inHand = fillInHand(order);
  if (inHand == nullptr) return;
  const std::string id = inHand->id;
  const auto cup = static_cast<std::size_t>(order.currentIndex());
  order.edit(Order::tr("Print the cells of a colour"), [&](Document& document) {
    const ZonePicture picture = take(document, choice.taking, choice.picture);
    for (Fill& fill : document.cups[cup].fills) {
      if (fill.id != id || colour < 0 || colour >= static_cast<int>(fill.colours.size())) continue;
      give(fill.colours[static_cast<std::size_t>(colour)].finish, picture, choice.mean);
    }
  });
}

void printLayer(Order& order, const LayerPrintChoice& choice) {
  const Layer* inHand = layerInHand(order);
  if (inHand == nullptr) return;
  const std::string id = inHand->id;
  const auto cup = static_cast<std::size_t>(order.currentIndex());
  order.edit(Order::tr("Print a layer"), [&](Document& document) {
    const LayerPrint print = take(document, choice.taking, choice.print);
    for (DecalSet& set : document.cups[cup].sets) {
      for (Layer& layer : set.layers) {
        if (layer.id != id) continue;
        layer.print = print;
        if (print.id.empty()) continue;
        layer.material = PartMaterial::printable;
        layer.film = choice.mean;
      }
    }
  });
}

}  // namespace avrelt

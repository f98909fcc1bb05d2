// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <optional>

#include "app/order/order.h"

namespace avrelt {

/// Changes to the order's artworks and to the sets of the cup in hand, each one step of the
/// history.

/// Puts an artwork into the order and, with a cup in hand, makes a set of it there. False where the
/// order would be too large.
bool addArtwork(Order& order, const Artwork& artwork);
/// Changes an artwork, and every set of it on any cup with `changeSet`; those joined from it are
/// made anew. False where that cannot be, which is said.
bool changeArtwork(Order& order, const QString& text, const QString& key, const std::string& id,
                   const std::function<void(Artwork&)>& change,
                   const std::function<void(DecalSet&)>& changeSet = {});
/// Takes an artwork out of the order, with its sets on all cups. One that others are joined from
/// stays, which is said.
void removeArtwork(Order& order, const std::string& id);
/// A copy under a name of its own.
void copyArtwork(Order& order, const std::string& id);
/// Several as one, in the order they are given; the sentence says why not.
std::optional<Sentence> joinArtworks(Order& order, JoinKind kind,
                                     const std::vector<std::string>& ids);
/// Gives the parts a joined artwork was made of back; its sets become sets of the first.
void takeApart(Order& order, const std::string& id);

/// A set of an artwork on the cup in hand, at the front of the zone in hand or where that is.
void addSet(Order& order, const std::string& artwork);
void removeSet(Order& order, const std::string& id);
/// The same set once more on another cup of the order.
void copySetTo(Order& order, const std::string& id, int cup);
bool editSet(Order& order, const QString& text, const QString& key,
             const std::function<void(DecalSet&)>& change);

void addLayer(Order& order, LayerKind kind);
/// One layer for each colour of the artwork, in place of its decal.
void addColours(Order& order);
void removeLayer(Order& order, const std::string& id);
/// Towards the top, or below 0 the bottom, of the stack.
void raiseLayer(Order& order, const std::string& id, int by);
bool editLayer(Order& order, const QString& text, const QString& key, const std::string& id,
               const std::function<void(Layer&)>& change);

/// Its artwork's name, or that it is gone.
QString nameOf(const DecalSet& set);
/// The set in hand, as it is in the document and worked out; nothing for none.
const DecalSet* setInHand(const Order& order);
const SetPlan* setPlanInHand(const Order& order);
/// The layer in hand and its place; the first of the set where none was picked.
const Layer* layerInHand(const Order& order);
std::size_t layerIndex(const Order& order);
/// The artwork in hand; nothing for none.
const Artwork* artInHand(const Order& order);

}  // namespace avrelt

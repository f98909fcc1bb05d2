// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <set>
#include <string>

#include "divide/divide.h"
#include "job/document.h"

namespace avrelt {

/// A new id for a thing of this cup: "cut-7". None is given twice.
std::string newId(Cup& cup, const char* kind);

/// The same for an artwork of the order: "art-3".
std::string newArtId(Document& document);
std::string newPictureId(Document& document);
/// Gives every cup of the order an id that has none, or one that a cup before it has: "cup-2".
void giveCupIds(Document& document);

/// Gives an id to everything of a cup that has none: nodes and cuts of the division, stripes,
/// fills, coats, sets, their layers and places, and rows. What has one keeps it.
void giveIds(Cup& cup);

/// The id of the node at a way through the tree, also of a part that is not kept; nothing where
/// the tree does not go so far.
std::optional<std::string> idAt(const ZoneNode& body, const ZonePath& path);
/// The node that is called so; nothing where none is kept.
const ZoneNode* nodeCalled(const ZoneNode& body, const std::string& id);
ZoneNode* nodeCalled(ZoneNode& body, const std::string& id);
/// The ids of what is below a node: its cut, parts, and theirs.
void addIdsBelow(const ZoneNode& node, std::set<std::string>& ids);

/// What referred to one zone, its pattern and its turn to be filled, refers to another.
void referTo(Cup& cup, const std::string& from, const std::string& to);
/// Takes away what refers to things that are gone: patterns, turns, stripes, masks, sets, layers,
/// places and rows, and stages and notes of what was cut, theirs too.
void forget(Cup& cup, const std::set<std::string>& gone);

/// Orders of version 1 referred by ways through the parts ("@2.0") and, in the order of filling,
/// by letters. Puts ids in their place; what leads nowhere stays as it is.
void followWays(Cup& cup);
void followLetters(Cup& cup, Unit unit);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/order/snapshot.h"

#include <algorithm>

namespace avrelt {

Snapshot::Snapshot(const Document& document, int current, const Snapshot& before)
    : current_(current) {
  rest_.id = document.id;
  rest_.units = document.units;
  rest_.paper = document.paper;
  rest_.artworks = document.artworks;
  rest_.pictures = document.pictures;
  rest_.bench = document.bench;
  rest_.ids = document.ids;
  rest_.kept = document.kept;
  const auto& known = before.cups_;
  for (std::size_t i = 0; i < document.cups.size(); ++i) {
    const Cup& cup = document.cups[i];
    // Most often it stands where it stood.
    if (i < known.size() && *known[i] == cup) {
      cups_.push_back(known[i]);
      continue;
    }
    const auto same =
        std::find_if(known.begin(), known.end(), [&](const auto& one) { return *one == cup; });
    cups_.push_back(same != known.end() ? *same : std::make_shared<const Cup>(cup));
  }
}

Document Snapshot::document() const {
  Document document = rest_;
  document.cups.reserve(cups_.size());
  for (const auto& cup : cups_) document.cups.push_back(*cup);
  return document;
}

bool Snapshot::sameDocument(const Snapshot& other) const {
  return rest_ == other.rest_ &&
         std::equal(cups_.begin(), cups_.end(), other.cups_.begin(), other.cups_.end(),
                    [](const auto& a, const auto& b) { return a == b || *a == *b; });
}

}  // namespace avrelt

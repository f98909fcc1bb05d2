// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/liquid_json.h"

#include "files/json_writing.h"

namespace avrelt {

Liquid liquidMembers(ObjectReader object, Unit unit) {
  Liquid liquid;
  object.volume("space_ml", liquid.space);
  object.real("glycerin", 0, 1, liquid.glycerin);
  object.real("room", 0, 0.5, liquid.room);
  double warmest = liquid.warmest.celsius();
  object.real("warmest_c", 20, 100, warmest);
  liquid.warmest = Temperature::celsius(warmest);
  object.length("seal_at", unit, liquid.sealAt);
  object.length("band", unit, liquid.band);
  object.length("overlap", unit, liquid.overlap);
  liquid.kept = object.kept();
  return liquid;
}

Json written(const Liquid& liquid) {
  Json object = Json::object();
  object["space_ml"] = number(liquid.space.ml());
  object["glycerin"] = number(liquid.glycerin);
  object["room"] = number(liquid.room);
  object["warmest_c"] = number(liquid.warmest.celsius());
  object["seal_at"] = written(liquid.sealAt);
  object["band"] = written(liquid.band);
  object["overlap"] = written(liquid.overlap);
  addKept(object, liquid.kept);
  return object;
}

}  // namespace avrelt

# SPDX-License-Identifier: GPL-3.0-or-later
# Tells what ezdxf finds in a file, a line an entity: kind, layer, closed, box, area, length or words.
import sys

import ezdxf
from ezdxf import bbox
from ezdxf.math import area as area_of
from ezdxf.path import make_path

document = ezdxf.readfile(sys.argv[1])
errors = document.audit().errors
print("version", document.dxfversion, "errors", len(errors), "layers",
      ",".join(sorted(layer.dxf.name for layer in document.layers)))
for entity in document.modelspace():
    if entity.dxftype() == "TEXT":
        at = entity.dxf.align_point
        print("TEXT", entity.dxf.layer, round(at[0], 4), round(at[1], 4), entity.dxf.height,
              entity.dxf.text)
        continue
    path = make_path(entity)
    points = list(path.flattening(0.001))
    box = bbox.extents([entity], flatten=0.001)
    length = sum(a.distance(b) for a, b in zip(points, points[1:]))
    print(entity.dxftype(), entity.dxf.layer, int(entity.is_closed),
          round(box.extmin[0], 4), round(box.extmin[1], 4), round(box.extmax[0], 4),
          round(box.extmax[1], 4), round(abs(area_of(points)), 3), round(length, 3))

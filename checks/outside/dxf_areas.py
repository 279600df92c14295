"""Area of the metal of a DXF's layer CUT, by shapely: outer polylines less what lies within them; and its bounds."""
import json
import sys

import ezdxf
from ezdxf import path
from shapely.geometry import Polygon

rings = []
for entity in ezdxf.readfile(sys.argv[1]).modelspace().query('LWPOLYLINE CIRCLE[layer=="CUT"]'):
    if entity.dxf.layer != 'CUT':
        continue
    rings.append(Polygon([(p.x, p.y) for p in path.make_path(entity).flattening(0.005)]))
if not all(ring.is_valid for ring in rings):
    sys.exit('an outline is not valid')
inner = [a for a in rings if any(a is not b and b.contains(a) for b in rings)]
outer = [a for a in rings if not any(a is b for b in inner)]
metal = sum(a.area for a in outer) - sum(a.area for a in inner)
bounds = [min(a.bounds[0] for a in outer), min(a.bounds[1] for a in outer), max(a.bounds[2] for a in outer), max(a.bounds[3] for a in outer)]
json.dump({'metal': metal, 'bounds': bounds}, sys.stdout)

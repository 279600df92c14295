"""Reads laid outlines as JSON: sheets with their size and polygons, gap, edge. Prints what shapely finds: least distance between two pieces of a
sheet, least distance to a sheet's sides, overlap area, and each polygon's area."""
import json
import sys

from shapely.geometry import Polygon

given = json.load(sys.stdin)
closest, side, overlap, areas = float('inf'), float('inf'), 0.0, []
for sheet in given['sheets']:
    laid = [Polygon(points) for points in sheet['polygons']]
    for k, one in enumerate(laid):
        areas.append(one.area)
        if not one.is_valid:
            sys.exit('an outline is not valid')
        x0, y0, x1, y1 = one.bounds
        side = min(side, x0, y0, sheet['length'] - x1, sheet['width'] - y1)
        for other in laid[k + 1:]:
            overlap += one.intersection(other).area
            closest = min(closest, one.distance(other))
json.dump({'closest': closest if closest != float('inf') else None, 'side': side, 'overlap': overlap, 'areas': areas}, sys.stdout)

"""Section properties of solid shapes by finite elements, for comparison with the midline model.

Standard input: JSON list of sections, each {"rectangles": [[x0, y0, x1, y1], ...], "size": mesh size}; rectangles of one section are fused.
Standard output: JSON list of {area, cx, cy, ix, iy, j, sx, sy, cw}; sx, sy is the shear centre, cw the warping constant about it.

gmsh makes second-order triangles; the St Venant warping function w solves lap(w) = 0 with dw/dn = y nx - x ny, about the centroid:
    J  = integral of x^2 + y^2 + x dw/dy - y dw/dx
    shear centre (a, b): integral of (w - b x + a y) x  = 0 and of (w - b x + a y) y = 0   (Trefftz)
"""
import json
import sys

import gmsh
import numpy as np
from scipy.sparse import coo_matrix
from scipy.sparse.linalg import spsolve

POINTS = np.array([[a, b] for a, b in [(0.445948490915965,) * 2, (0.445948490915965, 0.108103018168070), (0.108103018168070, 0.445948490915965),
                                       (0.091576213509771,) * 2, (0.091576213509771, 0.816847572980459), (0.816847572980459, 0.091576213509771)]])
WEIGHTS = np.array([0.223381589678011] * 3 + [0.109951743655322] * 3) / 2


def shape(r, s):
    t = 1 - r - s
    n = np.array([t * (2 * t - 1), r * (2 * r - 1), s * (2 * s - 1), 4 * t * r, 4 * r * s, 4 * s * t])
    dr = np.array([1 - 4 * t, 4 * r - 1, 0, 4 * (t - r), 4 * s, -4 * s])
    ds = np.array([1 - 4 * t, 0, 4 * s - 1, -4 * r, 4 * r, 4 * (t - s)])
    return n, dr, ds


def mesh(rectangles, size):
    gmsh.clear()
    boxes = [(2, gmsh.model.occ.addRectangle(x0, y0, 0, x1 - x0, y1 - y0)) for x0, y0, x1, y1 in rectangles]
    # What touched only another tool is given back beside the whole that it went into: the whole is the largest.
    parts = gmsh.model.occ.fuse(boxes[:1], boxes[1:])[0] if len(boxes) > 1 else boxes
    _, whole = max(parts, key=lambda part: gmsh.model.occ.getMass(*part))
    gmsh.model.occ.synchronize()
    gmsh.option.setNumber('Mesh.MeshSizeMax', size)
    gmsh.option.setNumber('Mesh.MeshSizeMin', size)
    gmsh.model.mesh.generate(2)
    gmsh.model.mesh.setOrder(2)
    tags, xyz, _ = gmsh.model.mesh.getNodes()
    points = xyz.reshape(-1, 3)[:, :2]
    index = np.zeros(int(tags.max()) + 1, int)
    index[tags.astype(int)] = np.arange(len(tags))
    kinds, _, nodes = gmsh.model.mesh.getElements(2, whole)
    assert list(kinds) == [9], kinds
    return points, index[nodes[0].astype(int)].reshape(-1, 6)


def solve(points, elements):
    used = np.unique(elements)
    number = np.full(len(points), -1)
    number[used] = np.arange(len(used))
    points, elements = points[used], number[elements]
    quadrature = [(w, *shape(r, s)) for w, (r, s) in zip(WEIGHTS, POINTS)]

    def every(visit, about=np.zeros(2)):
        for e in elements:
            xy = points[e] - about
            for w, n, dr, ds in quadrature:
                jac = np.array([dr @ xy, ds @ xy])
                det = np.linalg.det(jac)
                grad = np.linalg.solve(jac, np.array([dr, ds]))
                visit(e, w * abs(det), n, grad, n @ xy)

    area, first = 0.0, np.zeros(2)

    def measure(e, da, n, grad, p):
        nonlocal area, first
        area += da
        first += da * p
    every(measure)
    centroid = first / area

    rows, cols, vals, load = [], [], [], np.zeros(len(points))
    second = np.zeros((2, 2))

    def assemble(e, da, n, grad, p):
        nonlocal second
        rows.extend(np.repeat(e, 6)), cols.extend(np.tile(e, 6)), vals.extend((da * grad.T @ grad).ravel())
        load[e] += da * (p[1] * grad[0] - p[0] * grad[1])
        second = second + da * np.outer(p, p)
    every(assemble, centroid)
    k = coo_matrix((vals, (rows, cols)), shape=(len(points),) * 2).tolil()
    k[0, :] = 0
    k[0, 0] = 1
    load[0] = 0
    warping = spsolve(k.tocsr(), load)

    j, moments, mean, square = 0.0, np.zeros(2), 0.0, 0.0

    def gather(e, da, n, grad, p):
        nonlocal j, moments, mean, square
        slope = grad @ warping[e]
        here = n @ warping[e]
        mean += da * here
        square += da * here * here
        j += da * (p @ p + p[0] * slope[1] - p[1] * slope[0])
        moments += da * here * p
    every(gather, centroid)
    (xx, xy), (_, yy) = second
    # moments[0] - b xx + a xy = 0;  moments[1] - b xy + a yy = 0
    a, b = np.linalg.solve([[xy, -xx], [yy, -xy]], -moments)
    cw = square - 2 * b * moments[0] + 2 * a * moments[1] + b * b * xx - 2 * a * b * xy + a * a * yy - mean * mean / area
    return dict(area=area, cx=centroid[0], cy=centroid[1], ix=yy, iy=xx, j=j, sx=centroid[0] + a, sy=centroid[1] + b, cw=cw)


gmsh.initialize()
gmsh.option.setNumber('General.Terminal', 0)
json.dump([solve(*mesh(each['rectangles'], each['size'])) for each in json.load(sys.stdin)], sys.stdout)
gmsh.finalize()

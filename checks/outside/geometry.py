"""Planes by least squares with NumPy, lines by SciPy: each point's distance from the plane, or the line, of all others; sets of points turned and shifted upon others."""
import json
import sys

import numpy as np
from scipy.spatial.transform import Rotation
from scipy.stats import linregress

asked = json.load(sys.stdin)

planes = []
for points in asked["planes"]:
    xyz = np.array(points, dtype=float)
    off = []
    for k in range(len(xyz)):
        rest = np.delete(xyz, k, axis=0)
        plane, *_ = np.linalg.lstsq(np.c_[np.ones(len(rest)), rest[:, :2]], rest[:, 2], rcond=None)
        off.append(float(xyz[k, 2] - plane @ [1, xyz[k, 0], xyz[k, 1]]))
    planes.append(off)

lines = []
for marks in asked["lines"]:
    so = np.array(marks, dtype=float)
    off = []
    for k in range(len(so)):
        line = linregress(*np.delete(so, k, axis=0).T)
        off.append(float(so[k, 1] - line.intercept - line.slope * so[k, 0]))
    lines.append(off)
upon = []
for points, there in asked["upon"]:
    a, b = np.array(points, dtype=float), np.array(there, dtype=float)
    turn, _ = Rotation.align_vectors(b - b.mean(axis=0), a - a.mean(axis=0))
    upon.append((turn.apply(a - a.mean(axis=0)) + b.mean(axis=0)).tolist())
json.dump({"upon": upon, "planes": planes, "lines": lines}, sys.stdout)

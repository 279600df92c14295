"""Planes by least squares with NumPy: each point's distance from the plane of all others."""
import json
import sys

import numpy as np

answers = []
for points in json.load(sys.stdin):
    xyz = np.array(points, dtype=float)
    off = []
    for k in range(len(xyz)):
        rest = np.delete(xyz, k, axis=0)
        plane, *_ = np.linalg.lstsq(np.c_[np.ones(len(rest)), rest[:, :2]], rest[:, 2], rcond=None)
        off.append(float(xyz[k, 2] - plane @ [1, xyz[k, 0], xyz[k, 1]]))
    answers.append(off)
json.dump(answers, sys.stdout)

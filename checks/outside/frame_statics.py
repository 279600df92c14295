"""A frame of straight beams on springs by direct stiffness, a second way: sparse LU on all unknowns, a let-go end as an unknown of its own.

Reads one JSON model with its load cases from standard input; N, mm, rad. Bernoulli beams, no warping, axes on the reference line.
Answers, per case, each support's force and moment at its own point and each element's end forces in local axes, as the nodes exert them.
"""
import json
import sys

import numpy as np
from scipy.sparse import coo_matrix
from scipy.sparse.linalg import splu

FAST = 1e11  # N/mm: what is held fast


def skew(r):
    return np.array([[0, -r[2], r[1]], [r[2], 0, -r[0]], [-r[1], r[0], 0]])


def rigid(offset):
    """Moves of a point rigidly out from a node, from the node's moves."""
    out = np.eye(6)
    out[:3, 3:] = -skew(offset)
    return out


def axes(a, b, up):
    x = (b - a) / np.linalg.norm(b - a)
    z = np.array(up) - np.dot(up, x) * x
    z /= np.linalg.norm(z)
    return np.array([x, np.cross(z, x), z])


def bending(ei, length):
    """For a transverse move and the slope of it, at both ends."""
    l = length
    return ei / l**3 * np.array([[12, 6 * l, -12, 6 * l], [6 * l, 4 * l * l, -6 * l, 2 * l * l],
                                 [-12, -6 * l, 12, -6 * l], [6 * l, 2 * l * l, -6 * l, 4 * l * l]])


def stiffness(e, g, section, length):
    k = np.zeros((12, 12))
    for dof, rate in ((0, e * section["area"]), (3, g * section["j"])):
        for p, q, sign in ((0, 0, 1), (6, 6, 1), (0, 6, -1), (6, 0, -1)):
            k[dof + p, dof + q] += sign * rate / length
    in_xy, in_xz = [1, 5, 7, 11], [2, 4, 8, 10]
    turn = np.diag([1, -1, 1, -1])  # about y a slope counts the other way
    k[np.ix_(in_xy, in_xy)] += bending(e * section["iyy"], length)
    k[np.ix_(in_xz, in_xz)] += turn @ bending(e * section["izz"], length) @ turn
    return k


def spread(per_mm, line, length):
    """Forces at the ends that do the same work as a load spread evenly along a line at local (y, z)."""
    px, py, pz = per_mm
    y, z = line
    mx, my, mz = y * pz - z * py, z * px, -y * px
    l = length
    near = [px * l / 2, py * l / 2 - mz, pz * l / 2 + my, mx * l / 2, -pz * l * l / 12, py * l * l / 12]
    far = [px * l / 2, py * l / 2 + mz, pz * l / 2 - my, mx * l / 2, pz * l * l / 12, -py * l * l / 12]
    return np.array(near + far)


def solve(model):
    nodes = np.array(model["nodes"])
    size = 6 * len(nodes)
    elements, rows, cols, values = [], [], [], []

    def add(at, matrix):
        for p, i in enumerate(at):
            for q, j in enumerate(at):
                if matrix[p, q]:
                    rows.append(i), cols.append(j), values.append(matrix[p, q])

    for element in model["elements"]:
        a, b = (nodes[end["node"]] + np.array(end["offset"]) for end in (element["from"], element["to"]))
        r = axes(a, b, element["up"])
        turn = np.kron(np.eye(4), r)
        move = np.zeros((12, 12))
        move[:6, :6], move[6:, 6:] = rigid(element["from"]["offset"]), rigid(element["to"]["offset"])
        move = turn @ move
        at = [6 * end["node"] + dof for end in (element["from"], element["to"]) for dof in range(6)]
        let_go = element["from"]["released"] + element["to"]["released"]
        springs = []
        for dof in [k for k, free in enumerate(let_go) if free is not False]:
            # A joint that gives by a spring: what turns behind it against the node.
            if let_go[dof] is not True:
                springs.append((let_go[dof], move[dof, :].copy(), move.shape[1]))
            move[dof, :] = 0
            move = np.hstack([move, np.eye(12)[:, [dof]]])
            at.append(size)
            size += 1
        for rate, turned, own in springs:
            between = np.zeros(len(at))
            between[: len(turned)] -= turned
            between[own] += 1
            add(at, rate * np.outer(between, between))
        length = np.linalg.norm(b - a)
        k = stiffness(model["youngs"], model["shear"], element["section"], length)
        add(at, move.T @ k @ move)
        elements.append((at, move, k, r, length))

    grounds = []
    for support in model["supports"]:
        at = [6 * support["node"] + dof for dof in range(6)]
        move = rigid(support["offset"])
        k = np.diag([FAST * (1 if dof < 3 else 1e3) if rate is None else rate for dof, rate in enumerate(support["stiffness"])])
        add(at, move.T @ k @ move)
        grounds.append((at, move, k))

    factor = splu(coo_matrix((values, (rows, cols)), shape=(size, size)).tocsc())
    answers = []
    for case in model["cases"]:
        f, own = np.zeros(size), {}
        for load in case["nodeLoads"]:
            arm = rigid(load["offset"])
            f[6 * load["node"]: 6 * load["node"] + 6] += arm.T @ np.array(load["force"] + load["moment"])
        for load in case["lineLoads"]:
            at, move, _, r, length = elements[load["element"]]
            laid = spread(r @ np.array(load["perMm"]), load["line"], length)
            own[load["element"]] = own.get(load["element"], 0) + laid
            np.add.at(f, at, move.T @ laid)  # both ends may hang on one node
        u = factor.solve(f)
        answers.append({
            "reactions": [list(-k @ move @ u[at]) for at, move, k in grounds],
            "ends": [list(k @ move @ u[at] - own.get(n, 0)) for n, (at, move, k, _, _) in enumerate(elements)],
        })
    return answers


if __name__ == "__main__":
    json.dump([solve(model) for model in json.load(sys.stdin)], sys.stdout)

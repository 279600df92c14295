"""Forces in weld groups as lines and in bolt groups by SymPy: integrals in closed form, balance solved with forty digits."""
import json
import sys

from mpmath import lu_solve, mp
from sympy import N, Rational, S, integrate, linear_eq_to_matrix, sqrt, symbols

mp.dps = 40
a, b, c, t = symbols("a b c t")


def exact(value):
    return Rational(str(value))


def bits(group):
    """Each bit as (measure, x(t), y(t)) over t in 0..1; a fastener is a bit of measure one that does not depend on t."""
    if group["kind"] == "points":
        return [(S.One, exact(x), exact(y)) for x, y in group["at"]]
    out = []
    for (ax, ay), (bx, by) in group["at"]:
        ax, ay, bx, by = map(exact, (ax, ay, bx, by))
        out.append((N(sqrt((bx - ax) ** 2 + (by - ay) ** 2), 40), ax + (bx - ax) * t, ay + (by - ay) * t))
    return out


def solved(equations, unknowns):
    matrix, right = linear_eq_to_matrix([each.expand() for each in equations], unknowns)
    # With a pivot: what balances to nothing is left as a hair of the fortieth digit.
    return lu_solve(mp.matrix(matrix.tolist()), mp.matrix(right.tolist()))


def total(pieces, of):
    return sum(m * integrate(S(of(x, y)).expand(), (t, 0, 1)) for m, x, y in pieces)


def forces(group):
    pieces = bits(group)
    load = {key: exact(value) for key, value in group["load"].items() if key != "at"}
    px, py = map(exact, group["load"]["at"])
    fx, fy, fz, mx, my = (load.get(key, S.Zero) for key in ("x", "y", "z", "mx", "my"))
    size = total(pieces, lambda x, y: S.One)
    gx, gy = (total(pieces, lambda x, y: x) / size, total(pieces, lambda x, y: y) / size)
    # In its plane a rigid plate moves by (u - w y, v + w x); out of it by c + a x + b y: solved from balance, not from formulas.
    u, v, w = symbols("u v w")
    u0, v0, w0 = solved(
        [
            total(pieces, lambda x, y: u - w * (y - gy)) - fx,
            total(pieces, lambda x, y: v + w * (x - gx)) - fy,
            total(pieces, lambda x, y: (x - gx) * (v + w * (x - gx)) - (y - gy) * (u - w * (y - gy)))
            - ((px - gx) * fy - (py - gy) * fx),
        ],
        [u, v, w],
    )
    a0, b0, c0 = solved(
        [
            total(pieces, lambda x, y: c + a * (x - gx) + b * (y - gy)) - fz,
            total(pieces, lambda x, y: (y - gy) * (c + a * (x - gx) + b * (y - gy))) - (mx + fz * (py - gy)),
            total(pieces, lambda x, y: -(x - gx) * (c + a * (x - gx) + b * (y - gy))) - (my - fz * (px - gx)),
        ],
        [a, b, c],
    )
    answer = []
    for x, y in [place for each in group["at"] for place in (each if group["kind"] == "lines" else [each])]:
        dx, dy = exact(x) - gx, exact(y) - gy
        answer.append([float(each) for each in (u0 - w0 * dy, v0 + w0 * dx, c0 + a0 * dx + b0 * dy)])
    return answer


print(json.dumps([forces(group) for group in json.load(sys.stdin)]))

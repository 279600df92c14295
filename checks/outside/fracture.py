"""Stress intensity by CalculiX (CPS8, energy difference) and lives by scipy.integrate.quad; one JSON list of questions in, one list of answers out."""
import json
import math
import os
import re
import subprocess
import sys
import tempfile

from scipy.integrate import quad

E, NU = 200000.0, 0.3


def deck(width, half_length, crack, size, centre):
    """A quarter or half plate: x across from the crack's mouth (or its middle), y along; the crack lies on y = 0 up to x = crack."""
    nx, ny = int(round(width / size)), max(4, int(round(half_length / (2 * size))))
    hy = half_length / ny
    nodes, index = [], {}

    def node(i, j):
        if (i, j) not in index:
            index[i, j] = len(nodes) + 1
            nodes.append((i * size / 2, j * hy / 2))
        return index[i, j]

    elements = []
    for i in range(0, 2 * nx, 2):
        for j in range(0, 2 * ny, 2):
            elements.append([node(i, j), node(i + 2, j), node(i + 2, j + 2), node(i, j + 2),
                             node(i + 1, j), node(i + 2, j + 1), node(i + 1, j + 2), node(i, j + 1)])
    lines = ["*NODE, NSET=ALL"]
    lines += [f"{k + 1}, {x}, {y}, 0" for k, (x, y) in enumerate(nodes)]
    lines += ["*ELEMENT, TYPE=CPS8, ELSET=P"]
    lines += [", ".join(map(str, [k + 1] + each)) for k, each in enumerate(elements)]
    lines += ["*MATERIAL, NAME=S", "*ELASTIC", f"{E}, {NU}", "*SOLID SECTION, ELSET=P, MATERIAL=S", "1.", "*BOUNDARY"]
    for (i, j), n in index.items():
        if j == 0 and i * size / 2 >= crack - 1e-9:
            lines.append(f"{n}, 2, 2")
    if centre:
        lines += [f"{n}, 1, 1" for (i, j), n in index.items() if i == 0]
    else:
        lines.append(f"{index[2 * nx, 0]}, 1, 1")
    lines += ["*STEP", "*STATIC", "*CLOAD"]
    top = 2 * ny
    for i in range(0, 2 * nx, 2):
        for k, share in ((0, 1 / 6), (1, 4 / 6), (2, 1 / 6)):
            lines.append(f"{index[i + k, top]}, 2, {100 * size * share}")
    lines += ["*EL PRINT, ELSET=P, TOTALS=ONLY", "ELSE", "*END STEP", ""]
    return "\n".join(lines)


def energy(*how):
    with tempfile.TemporaryDirectory() as folder:
        with open(os.path.join(folder, "j.inp"), "w") as file:
            file.write(deck(*how))
        subprocess.run(["ccx", "j"], cwd=folder, stdout=subprocess.DEVNULL, env={**os.environ, "OMP_NUM_THREADS": "1"})
        text = open(os.path.join(folder, "j.dat")).read()
    numbers = re.findall(r"[-+]?\d+\.\d+E[-+]\d+", text.split("total")[1])
    return float(numbers[-1])


def intensity(kind, width, crack, size):
    """K for 1 MPa by the energy a longer crack sets free: G = 2 dU/da where only half of the plate is drawn, K² = E G."""
    centre = kind == "centre"
    half = width / 2 if centre else width
    far = 1.5 * width
    more, less = (energy(half, far, crack + step, size, centre) for step in (size, -size))
    # A quarter for the centre crack and a half for the edge one: each frees its own tip's energy, doubled across the crack's line.
    freed = 2 * (more - less) / (2 * size)
    return math.sqrt(E * freed) / 100


def life(form, width, constant, exponent, stress, from_mm, to_mm):
    def factor(a):
        s = a / width
        if form == "polynomial":
            return 1.122 - 0.231 * s + 10.55 * s**2 - 21.71 * s**3 + 30.382 * s**4
        angle = math.pi * s / 2
        return math.sqrt(math.tan(angle) / angle) * (0.752 + 2.02 * s + 0.37 * (1 - math.sin(angle)) ** 3) / math.cos(angle)

    return quad(lambda a: 1 / (constant * (stress * math.sqrt(math.pi * a) * factor(a)) ** exponent), from_mm, to_mm, epsabs=0, epsrel=1e-12, limit=400)[0]


if __name__ == "__main__":
    ways = {"intensity": intensity, "life": life}
    json.dump([ways[name](*words) for name, *words in json.load(sys.stdin)], sys.stdout)

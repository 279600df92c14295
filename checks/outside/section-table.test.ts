import { readFileSync } from 'node:fs';
import {
  section,
  sectionProperties,
  shearCentre,
  WELD_LINK,
  type MidlineNode,
  type Strip,
} from '@/core/mechanics';
import { against } from './programs';

/** Rows of a published European section table, as Debian's `cba` ships it; cm there, mm here. */
type Row = Record<string, number>;
function rowsOf(xml: string, kind: string): Row[] {
  return [...xml.matchAll(new RegExp(`<${kind}>([\\s\\S]*?)</${kind}>`, 'g'))].map((block) =>
    Object.fromEntries(
      [...block[1]!.matchAll(/<(\w+)>([^<]+)<\/\1>/g)]
        .filter((field) => field[1] !== 'size')
        .map((field) => [field[1]!, Number(field[2])]),
    ),
  );
}

/** A spandrel: what a corner of radius r leaves of its square; its centroid lies this far from the square's outer sides. */
const SPANDREL_AREA = 1 - Math.PI / 4;
const SPANDREL_CENTROID = (10 - 3 * Math.PI) / (12 - 3 * Math.PI);

/** Four strips with square corners, then the corners by closed form: outside radius 1.5 t taken off, inside radius 1.0 t filled. */
function roundedBox(b: number, h: number, t: number) {
  const [w, d] = [(b - t) / 2, (h - t) / 2];
  const square = sectionProperties(
    section(
      [
        [-w, -d],
        [w, -d],
        [w, d],
        [-w, d],
      ],
      [
        [0, 1, t],
        [1, 2, t],
        [2, 3, t],
        [3, 0, t],
      ],
    ),
  )!;
  const [out, inside] = [1.5 * t, t];
  const [less, more] = [4 * SPANDREL_AREA * out * out, 4 * SPANDREL_AREA * inside * inside];
  const second = (side: number, square: number) =>
    square -
    less * (side / 2 - SPANDREL_CENTROID * out) ** 2 +
    more * (side / 2 - t - SPANDREL_CENTROID * inside) ** 2;
  return { area: square.areaMm2 - less + more, ix: second(h, square.ixMm4), iy: second(b, square.iyMm4) };
}

/** Ratio of ours to the table's, for the row that is farthest off. */
const worst = (rows: readonly Row[], ratio: (row: Row) => number) =>
  rows.map(ratio).reduce((far, each) => (Math.abs(each - 1) > Math.abs(far - 1) ? each : far), 1);
const near = (ratio: number, share: number) => expect(Math.abs(ratio - 1)).toBeLessThan(share);

against(['section table'], 'published section table', () => {
  const xml = readFileSync('/usr/share/cba/sections.xml', 'utf8');

  test.each(['HEA', 'HEB', 'HEM', 'IPE'])(
    '%s: three strips joined by links, plus root fillets by closed form',
    (kind) => {
      const rows = rowsOf(xml, kind);
      expect(rows.length).toBeGreaterThan(15);
      const ours = rows.map((row) => {
        const [h, b, s, t, r] = ['h', 'b', 's', 't', 'r'].map((key) => row[key]! * 10) as [
          number,
          number,
          number,
          number,
          number,
        ];
        const y = h / 2 - t,
          flange = (h - t) / 2;
        const nodes: MidlineNode[] = [
          [-b / 2, flange],
          [0, flange],
          [b / 2, flange],
          [0, y],
          [0, -y],
          [-b / 2, -flange],
          [0, -flange],
          [b / 2, -flange],
        ];
        const strips: Strip[] = [
          [0, 1, t],
          [1, 2, t],
          [1, 3, WELD_LINK],
          [3, 4, s],
          [4, 6, WELD_LINK],
          [5, 6, t],
          [6, 7, t],
        ];
        const plain = sectionProperties(section(nodes, strips))!;
        const fillet = SPANDREL_AREA * r * r;
        const arm = y - SPANDREL_CENTROID * r;
        return {
          row,
          area: plain.areaMm2 + 4 * fillet,
          ix: plain.ixMm4 + 4 * fillet * arm * arm,
          iy: plain.iyMm4,
        };
      });
      near(
        worst(
          ours.map((each) => ({ value: each.area / (each.row['A']! * 100) })),
          (row) => row['value']!,
        ),
        0.01,
      );
      near(
        worst(
          ours.map((each) => ({ value: each.ix / (each.row['Iy']! * 1e4) })),
          (row) => row['value']!,
        ),
        0.012,
      );
      near(
        worst(
          ours.map((each) => ({ value: each.iy / (each.row['Iz']! * 1e4) })),
          (row) => row['value']!,
        ),
        0.015,
      );
    },
  );

  test.each([
    ['RHS', (row: Row) => row['b']!],
    ['SHS', (row: Row) => row['h']!],
  ] as const)(
    '%s of thin wall (t ≤ 0.08 of the smaller side): area and both second moments',
    (kind, width) => {
      const rows = rowsOf(xml, kind).filter((row) => row['t']! <= 0.08 * width(row));
      expect(rows.length).toBeGreaterThan(50);
      const properties = (row: Row) => roundedBox(width(row) * 10, row['h']! * 10, row['t']! * 10);
      near(
        worst(rows, (row) => properties(row).area / (row['A']! * 100)),
        0.006,
      );
      near(
        worst(rows, (row) => properties(row).ix / (row['Iy']! * 1e4)),
        0.012,
      );
      near(
        worst(rows, (row) => properties(row).iy / (row['Iz']! * 1e4)),
        0.012,
      );
    },
  );

  test('TS round tubes whose wall is thin (t ≤ 0.08 D; thicker ones bend by their own thickness): area, second moment, one cell', () => {
    const rows = rowsOf(xml, 'TS').filter((row) => row['t']! <= 0.08 * row['h']!);
    expect(rows.length).toBeGreaterThan(50);
    const properties = (row: Row) => {
      const [d, t, sides] = [row['h']! * 10, row['t']! * 10, 180];
      const nodes = Array.from({ length: sides }, (_, k): MidlineNode => [
        ((d - t) / 2) * Math.cos((2 * Math.PI * k) / sides),
        ((d - t) / 2) * Math.sin((2 * Math.PI * k) / sides),
      ]);
      return sectionProperties(
        section(
          nodes,
          nodes.map((_, k): Strip => [k, (k + 1) % sides, t]),
        ),
      )!;
    };
    expect(rows.every((row) => properties(row).cells === 1)).toBe(true);
    near(
      worst(rows, (row) => properties(row).areaMm2 / (row['A']! * 100)),
      0.01,
    );
    near(
      worst(rows, (row) => properties(row).ixMm4 / (row['Iy']! * 1e4)),
      0.012,
    );
  });

  test('U channels of 80 mm and more: area, moments, centroid, shear centre', () => {
    const rows = rowsOf(xml, 'U').filter((row) => row['h']! >= 8);
    expect(rows.length).toBeGreaterThan(10);
    // Rolled flanges taper inside by 8 % (5 % above 300 mm) about the thickness t that the table gives at half the breadth: ten strips each.
    const made = (row: Row) => {
      const [h, b, s, t] = ['h', 'b', 's', 't'].map((key) => row[key]! * 10) as [
        number,
        number,
        number,
        number,
      ];
      const slope = h > 300 ? 0.05 : 0.08;
      const x = Array.from({ length: 11 }, (_, k) => b + ((s / 2 - b) * k) / 10);
      const thickness = (k: number) => t + slope * (b / 2 - (x[k]! + x[k + 1]!) / 2);
      const flange = (side: 1 | -1) =>
        x.map((each, k): MidlineNode => [each, (side * (h - thickness(Math.min(k, 9)))) / 2]);
      const strips = Array.from({ length: 10 }, (_, k) => [k, thickness(k)] as const);
      return section(
        [...flange(1), ...flange(-1)],
        [
          ...strips.map(([k, each]): Strip => [k, k + 1, each]),
          [10, 21, s],
          ...strips.map(([k, each]): Strip => [11 + k, 12 + k, each]),
        ],
      );
    };
    near(
      worst(rows, (row) => sectionProperties(made(row))!.areaMm2 / (row['A']! * 100)),
      0.02,
    );
    near(
      worst(rows, (row) => sectionProperties(made(row))!.ixMm4 / (row['Iy']! * 1e4)),
      0.03,
    );
    near(
      worst(rows, (row) => sectionProperties(made(row))!.centroidXMm / (row['ez']! * 10)),
      0.05,
    );
    near(
      worst(
        rows,
        (row) =>
          (sectionProperties(made(row))!.centroidXMm - shearCentre(made(row))!.xMm) / (row['ym']! * 10),
      ),
      0.05,
    );
  });

  test('the comparison would notice a wrong figure', () => {
    const row = rowsOf(xml, 'RHS')[0]!;
    const thicker = roundedBox(row['b']! * 10, row['h']! * 10, row['t']! * 10.5);
    expect(Math.abs(thicker.area / (row['A']! * 100) - 1)).toBeGreaterThan(0.012);
  });
});

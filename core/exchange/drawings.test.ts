import DxfParser from 'dxf-parser';
import { roundedContour, type Pen } from '../geometry';
import type { Blank, NestPiece } from '../shape';
import { nestedSheetDxf, svgOf } from '.';
import { dxfOf } from './dxf';

interface Drawn {
  readonly type: string;
  readonly layer: string;
  readonly shape?: boolean;
  readonly vertices?: readonly { readonly x: number; readonly y: number; readonly bulge?: number }[];
  readonly center?: { readonly x: number; readonly y: number };
  readonly radius?: number;
  readonly startPoint?: { readonly x: number; readonly y: number };
  readonly textHeight?: number;
  readonly text?: string;
}
const read = (text: string) => {
  const parsed = new DxfParser().parseSync(text)!;
  return { parsed, drawn: parsed.entities as unknown as readonly Drawn[] };
};

/** A half-round tab, a hole and a word, in mm. */
const tab = (pen: Pen) => {
  pen.layer('CUT');
  pen.moveTo(0, 0);
  pen.lineTo(254, 0);
  pen.arc(254, 127, 127, -Math.PI / 2, Math.PI / 2, false);
  pen.lineTo(0, 254);
  pen.close();
  pen.circle(50.8, 76.2, 12.7);
  pen.layer('BEND');
  pen.moveTo(25.4, 0);
  pen.lineTo(25.4, 254);
  pen.layer('MARK');
  pen.text(101.6, 152.4, 5.08, 'tab');
};

describe('a drawing as DXF', () => {
  test.each([
    ['mm', 1],
    ['in', 25.4],
  ] as const)('in %s everything is in that unit: corners, arcs, holes, words', (system, mm) => {
    const { drawn } = read(dxfOf(['CUT', 'BEND', 'MARK'], system, tab));
    const [outline, hole, bend, word] = drawn;
    expect(drawn).toHaveLength(4);
    expect(outline).toMatchObject({ type: 'LWPOLYLINE', layer: 'CUT', shape: true });
    const corners = [
      [0, 0, 0],
      // Half a circle is a bulge of one, to the left of the way.
      [254, 0, 1],
      [254, 254, 0],
      [0, 254, 0],
    ];
    expect(outline!.vertices).toHaveLength(4);
    outline!.vertices!.forEach(({ x, y, bulge = 0 }, k) => {
      expect(x * mm).toBeCloseTo(corners[k]![0]!, 6);
      expect(y * mm).toBeCloseTo(corners[k]![1]!, 6);
      expect(bulge).toBeCloseTo(corners[k]![2]!, 6);
    });
    expect(hole).toMatchObject({ type: 'CIRCLE', layer: 'CUT' });
    expect(hole!.center!.x * mm).toBeCloseTo(50.8, 6);
    expect(hole!.center!.y * mm).toBeCloseTo(76.2, 6);
    expect(hole!.radius! * mm).toBeCloseTo(12.7, 6);
    expect(bend).toMatchObject({ type: 'LWPOLYLINE', layer: 'BEND' });
    expect(bend!.shape).not.toBe(true);
    expect(word).toMatchObject({ type: 'TEXT', layer: 'MARK', text: 'tab' });
    expect(word!.startPoint!.x * mm).toBeCloseTo(101.6, 6);
    expect(word!.startPoint!.y * mm).toBeCloseTo(152.4, 6);
    expect(word!.textHeight! * mm).toBeCloseTo(5.08, 6);
  });

  test('a point alone is no line; an unknown layer is drawn in black', () => {
    const { drawn, parsed } = read(
      dxfOf(['OTHER'], 'mm', (pen) => {
        pen.layer('OTHER');
        pen.moveTo(1, 1);
        pen.moveTo(2, 2);
        pen.lineTo(3, 3);
      }),
    );
    expect(drawn).toHaveLength(1);
    const { layers } = parsed.tables.layer as unknown as {
      layers: Record<string, { colorIndex: number }>;
    };
    expect(layers['OTHER']!.colorIndex).toBe(7);
  });

  test('words with a break in them begin no group of their own', () => {
    const { drawn } = read(
      dxfOf(['MARK'], 'mm', (pen) => {
        pen.layer('MARK');
        pen.text(1, 2, 4, 'GR-7\n0\r\nEOF');
        pen.text(1, 9, 4, 'Łódź');
      }),
    );
    expect(drawn.map(({ text }) => text)).toEqual(['GR-7 0 EOF', 'Łódź']);
  });

  test('each layer has a colour of its own meaning: cut, bend, mark, scribe, sheet', () => {
    const names = ['CUT', 'PLATE', 'BEND', 'FOLD', 'MARK', 'SCRIBE', 'OPENING', 'SHEET'];
    const { parsed } = read(dxfOf(names, 'mm', tab));
    const { layers } = parsed.tables.layer as unknown as {
      layers: Record<string, { colorIndex: number }>;
    };
    expect(names.map((name) => layers[name]!.colorIndex)).toEqual([7, 7, 1, 1, 4, 3, 3, 8]);
  });
});

describe('a drawing as SVG', () => {
  const svg = svgOf({
    draw: tab,
    minX: -10,
    minY: -20,
    maxX: 390.005,
    maxY: 260.256,
    title: 'a "tab" & <b>',
  });

  test('is at 1:1 in millimetres, to the hundredth, y turned to run down', () => {
    expect(svg).toContain('width="400.01mm" height="280.26mm"');
    expect(svg).toContain('viewBox="-10.00 -260.26 400.01 280.26"');
    expect(svg).toContain('<title>a &quot;tab&quot; &amp; &lt;b&gt;</title>');
    expect(svg).toContain('<path d="M0 0L254 0A127 127 0 0 0 254 -254L0 -254Z');
    expect(svg).toContain(
      '<text x="101.60" y="-152.40" font-size="5.08" font-family="sans-serif" fill="#2f5878" stroke="none">tab</text>',
    );
  });

  test('strokes only, a group a layer, bends dashed and cuts not', () => {
    expect(svg.match(/<g id="\w+"/g)).toEqual(['<g id="CUT"', '<g id="BEND"', '<g id="MARK"']);
    expect(svg).toContain('<g id="CUT" fill="none" stroke="#000000" stroke-width="0.25">');
    expect(svg).toContain(
      '<g id="BEND" fill="none" stroke="#b03030" stroke-width="0.25" stroke-dasharray="6 3">',
    );
  });

  test('a layer of words only has its group, and no empty path', () => {
    const words = svgOf({
      draw: (pen) => {
        pen.layer('MARK');
        pen.text(0, 0, 4, 'a<b\u0001\n&');
      },
      minX: 0,
      minY: 0,
      maxX: 1,
      maxY: 1,
      title: '',
    });
    expect(words).toContain('>a&lt;b &amp;</text>');
    expect(words).not.toContain('<path');
  });
});

describe('a sheet of a nest as DXF', () => {
  const plate = (id: string, name: string, length: number, width: number): Blank => ({
    id,
    name,
    for: 'rail',
    thicknessMm: 5,
    count: 1,
    outline: roundedContour(
      [
        [0, 0],
        [length, 0],
        [length, width],
        [0, width],
      ],
      0,
    ),
    cutouts: [],
    holes: [],
    bends: [{ from: [length / 2, 0], to: [length / 2, width], halfWidthMm: 4 } as never],
    scribes: [],
  });
  const pieces: readonly NestPiece[] = [
    { id: 'long', blank: plate('long', 'left cap', 400, 100), isTwin: false, count: 1 },
    { id: 'small', blank: plate('small', 'a tab with a long name', 60, 40), isTwin: true, count: 1 },
  ];
  const sheets = [
    { id: 'shelf', lengthMm: 1200, widthMm: 600 },
    { id: 'buy', lengthMm: 2400, widthMm: 1200 },
  ];
  const nest = {
    sheets,
    laid: [
      { partId: 'long', sheet: 0, turnRad: 0, at: [10, 20] },
      { partId: 'small', sheet: 1, turnRad: 0, at: [100, 200] },
    ],
  } as never;
  const on = (sheet: number) => {
    const { drawn } = read(nestedSheetDxf(nest, sheet, pieces, 'mm'));
    return (layer: string) => drawn.filter((each) => each.layer === layer);
  };
  const box = ({ vertices }: Drawn) => {
    const [xs, ys] = [vertices!.map(({ x }) => x), vertices!.map(({ y }) => y)];
    return [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)];
  };

  test('its own rectangle, and only what lies on it, where it lies', () => {
    const [first, second] = [on(0), on(1)];
    expect(first('SHEET').map(({ vertices }) => vertices!.map(({ x, y }) => [x, y]))).toEqual([
      [
        [0, 0],
        [1200, 0],
        [1200, 600],
        [0, 600],
      ],
    ]);
    expect(first('CUT').map(box)).toEqual([[10, 20, 410, 120]]);
    expect(
      first('BEND')
        .map(box)
        .sort(([a], [b]) => a! - b!),
    ).toEqual([206, 210, 214].map((x) => [x, 20, x, 120]));
    expect(second('SHEET').map(box)).toEqual([[0, 0, 2400, 1200]]);
    expect(second('CUT').map(box)).toEqual([[100, 200, 160, 240]]);
  });

  test('names start inside their piece, at half its height; letters of 8 mm, smaller where the piece is', () => {
    const [long] = on(0)('MARK');
    expect(long).toMatchObject({ text: 'left cap', textHeight: 8 });
    expect(long!.startPoint!.x).toBeCloseTo(10 + 0.15 * 400, 6);
    expect(long!.startPoint!.y).toBeCloseTo(70, 6);
    const [small] = on(1)('MARK');
    expect(small!.text).toBe('a tab with a long name TWIN');
    expect(small!.textHeight).toBeCloseTo(60 / (22 + 8), 6);
    expect(small!.startPoint!.x).toBeCloseTo(100 + 0.15 * 60, 6);
    expect(small!.startPoint!.y).toBeCloseTo(220, 6);
  });
});

import { Document, Line, Page, Path, renderToBuffer, StyleSheet, Svg, View } from '@react-pdf/renderer';
import { svgPen, type Pen, type SvgPaths } from '@/core/geometry';
import { inchesToMm } from '@/core/quantity';
import { PAPER_MARGIN_MM, TILE_OVERLAP_MM, type Tile, type Tiling } from '@/core/shape';
import { PRINT_FAMILY, registerFonts } from './fonts';
import { Text } from './text';

/** Points of a millimetre: a PDF's unit is 1/72 in. */
const pt = (mm: number): number => (mm * 72) / 25.4;

const style = StyleSheet.create({
  page: { fontFamily: PRINT_FAMILY, fontSize: 8, color: '#000' },
  foot: { position: 'absolute', flexDirection: 'row', alignItems: 'flex-start' },
});

const STROKES: Readonly<Record<string, { readonly width: number; readonly dash?: string }>> = {
  CUT: { width: 0.35 },
  PLATE: { width: 0.35 },
  OPENING: { width: 0.35, dash: '4 2' },
  BEND: { width: 0.2, dash: '6 3' },
  FOLD: { width: 0.2, dash: '6 3' },
  SCRIBE: { width: 0.25, dash: '2 2' },
  MARK: { width: 0.2 },
};
const BAR_MM = 100;
const BAR_INCHES = 4;

/** A drawing tiled on paper at 1:1, a page a tile: each with its name, crosses to lay it over its neighbours by, and a bar to measure. */
export async function templatePdf(
  { title, draw }: { readonly title: string; readonly draw: (pen: Pen) => void },
  tiling: Tiling,
): Promise<Buffer> {
  await registerFonts();
  const pen = svgPen();
  draw(pen);
  const strokes = pen.result();
  return renderToBuffer(
    <Document title={title} producer="Ossatura" creator="Ossatura">
      {tiling.tiles.map((tile) => (
        <TilePage key={tile.name} tile={tile} tiling={tiling} strokes={strokes} title={title} />
      ))}
    </Document>,
  );
}

function TilePage({
  tile,
  tiling: { paper, tiles, columns, rows },
  strokes,
  title,
}: {
  tile: Tile;
  tiling: Tiling;
  strokes: SvgPaths;
  title: string;
}) {
  const { xMm, yMm, widthMm, heightMm, column, row, name } = tile;
  return (
    <Page size={[pt(paper.widthMm), pt(paper.heightMm)]} style={style.page}>
      <Svg
        viewBox={`${xMm} ${-(yMm + heightMm)} ${widthMm} ${heightMm}`}
        style={{
          position: 'absolute',
          left: pt(PAPER_MARGIN_MM),
          top: pt(PAPER_MARGIN_MM),
          width: pt(widthMm),
          height: pt(heightMm),
        }}
      >
        {[...strokes.paths].map(([layer, d]) => (
          <Path
            key={layer}
            d={d}
            fill="none"
            stroke="#000"
            strokeWidth={STROKES[layer]?.width ?? 0.3}
            {...(STROKES[layer]?.dash && { strokeDasharray: STROKES[layer].dash })}
          />
        ))}
        {strokes.texts.map(({ x, y, height, words }, k) => (
          <Text key={k} x={x} y={y} style={{ fontSize: height, fontFamily: PRINT_FAMILY }}>
            {words}
          </Text>
        ))}
        <Crosses tile={tile} />
      </Svg>
      <View
        style={{ ...style.foot, left: pt(PAPER_MARGIN_MM), top: pt(paper.heightMm - PAPER_MARGIN_MM + 1.5) }}
      >
        <CheckBar />
        <Text style={{ marginLeft: 8, width: pt(paper.widthMm - 2 * PAPER_MARGIN_MM - BAR_MM) - 16 }}>
          {name} of {tiles.length} ({columns} across, {rows} up); print at 100 %: the bar is {BAR_MM} mm
          above, {BAR_INCHES} in below
        </Text>
      </View>
      <Text style={{ position: 'absolute', left: pt(PAPER_MARGIN_MM), top: pt(4) }}>
        {title}
        {column > 0 ? `; left edge over the one before, crosses on crosses` : ''}
        {row > 0 ? `; lower edge over the row beneath` : ''}
      </Text>
    </Page>
  );
}

/** Crosses in the middle of what neighbours share: the same points of the drawing on both pages. */
function Crosses({ tile: { xMm, yMm, widthMm, heightMm } }: { tile: Tile }) {
  const half = TILE_OVERLAP_MM / 2;
  const places = [xMm + half, xMm + widthMm - half].flatMap((x) =>
    [yMm + half, yMm + heightMm - half].map((y) => [x, -y] as const),
  );
  return (
    <>
      {places.flatMap(([x, y], k) => [
        <Line key={`${k}a`} x1={x - 4} y1={y} x2={x + 4} y2={y} stroke="#000" strokeWidth={0.15} />,
        <Line key={`${k}b`} x1={x} y1={y - 4} x2={x} y2={y + 4} stroke="#000" strokeWidth={0.15} />,
      ])}
    </>
  );
}

function CheckBar() {
  const ends = (lengthMm: number, y: number) => (
    <>
      <Line x1={0.5} y1={y} x2={0.5 + lengthMm} y2={y} stroke="#000" strokeWidth={0.4} />
      <Line x1={0.5} y1={y - 1.2} x2={0.5} y2={y + 1.2} stroke="#000" strokeWidth={0.2} />
      <Line
        x1={0.5 + lengthMm}
        y1={y - 1.2}
        x2={0.5 + lengthMm}
        y2={y + 1.2}
        stroke="#000"
        strokeWidth={0.2}
      />
    </>
  );
  return (
    <Svg viewBox="0 0 106 6" style={{ width: pt(106), height: pt(6) }}>
      {ends(BAR_MM, 1.5)}
      {ends(inchesToMm(BAR_INCHES), 4.5)}
    </Svg>
  );
}

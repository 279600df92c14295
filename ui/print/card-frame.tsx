import { Circle, Document, Line, Page, renderToBuffer, Svg, View } from '@react-pdf/renderer';
import { MARK_IN_MM, marksOf, PAPERS, type Paper } from '@/core/shape';
import { PRINT_FAMILY, registerFonts } from './fonts';
import { Text } from './text';

const pt = (mm: number): number => (mm * 72) / 25.4;

/** A sheet with four marks to lay a card on: photographed with it, the marks tell its scale. Middles of the marks stand as `marksOf` says. */
export async function cardFramePdf(paper: Paper): Promise<Buffer> {
  await registerFonts();
  const [wideMm, highMm] = [PAPERS[paper].heightMm, PAPERS[paper].widthMm];
  const { places, wideMm: apartMm, highMm: upMm } = marksOf(paper);
  return renderToBuffer(
    <Document title="Frame for a card" producer="Ossatura" creator="Ossatura">
      <Page size={[pt(wideMm), pt(highMm)]} style={{ fontFamily: PRINT_FAMILY, fontSize: 9 }}>
        <Svg
          viewBox={`0 0 ${wideMm} ${highMm}`}
          style={{ position: 'absolute', left: 0, top: 0, width: pt(wideMm), height: pt(highMm) }}
        >
          {places.map(([x, y], k) => (
            <Mark key={k} x={MARK_IN_MM + x} y={highMm - MARK_IN_MM - y} number={k + 1} />
          ))}
        </Svg>
        <View style={{ position: 'absolute', left: pt(38), top: pt(8), width: pt(wideMm - 76) }}>
          <Text>
            Lay the card between the marks and photograph it from above, all four marks in the picture. Tap
            them in order: 1 lower left, 2 lower right, 3 upper right, 4 upper left.
          </Text>
        </View>
        <Text style={{ position: 'absolute', left: pt(38), top: pt(highMm - 12) }}>
          Printed at 100 % the middles of the marks stand {apartMm.toFixed(1)} mm (
          {(apartMm / 25.4).toFixed(2)} in) apart across, {upMm.toFixed(1)} mm ({(upMm / 25.4).toFixed(2)} in)
          up: measure them.
        </Text>
      </Page>
    </Document>,
  );
}

function Mark({ x, y, number }: { x: number; y: number; number: number }) {
  return (
    <>
      <Circle cx={x} cy={y} r={8} fill="none" stroke="#000" strokeWidth={2} />
      <Line x1={x - 12} y1={y} x2={x + 12} y2={y} stroke="#000" strokeWidth={0.4} />
      <Line x1={x} y1={y - 12} x2={x} y2={y + 12} stroke="#000" strokeWidth={0.4} />
      <Text x={x + 9} y={y - 8} style={{ fontSize: 7, fontFamily: PRINT_FAMILY }}>
        {String(number)}
      </Text>
    </>
  );
}

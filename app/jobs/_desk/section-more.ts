import {
  plasticModuli,
  sectionProperties,
  shearFlow,
  torsionFlow,
  warping,
  type Section,
  type ShearFlow,
} from '@/core/mechanics';
import {
  lbfToNewtons,
  MM_PER_INCH,
  printLength,
  printLineForce,
  sectionDigits,
  sectionUnit,
  significant,
  type UnitSystem,
} from '@/core/quantity';

const largest = ({ startNPerMm, middleNPerMm, endNPerMm }: ShearFlow): number =>
  Math.max(...[startNPerMm, middleNPerMm, endNPerMm].flatMap((each) => [...each].map(Math.abs)));

type Row = readonly [name: string, value: string];

/** What else a section has: plastic moduli, warping, where shear may act without twisting, and the flow it makes. Undefined without metal. */
export function sectionMore(section: Section, system: UnitSystem): Row[] | undefined {
  const plastic = plasticModuli(section);
  const properties = sectionProperties(section);
  if (!plastic || !properties) return undefined;
  const moduli = [plastic.zxMm3, plastic.zyMm3].map((each) => sectionDigits(each, 3, system)).join(', ');
  return [
    ['plastic Zx, Zy', `${moduli} ${sectionUnit(3, system)}`],
    ...warpingRows(section, properties.centroidXMm, system),
    ...flowRows(section, properties.cells > 0 ? properties.jMm4 : undefined, system),
  ];
}

function warpingRows(section: Section, centroidXMm: number, system: UnitSystem): Row[] {
  const warp = warping(section);
  if (!warp) return [['warping and shear centre', 'none: the metal is in separate pieces']];
  const unit = system === 'in' ? MM_PER_INCH : 10;
  return [
    ['warping constant Cw', `${significant(warp.cwMm6 / unit ** 6, 3)} ${system === 'in' ? 'in' : 'cm'}⁶`],
    [
      'shear centre, out from the centroid',
      printLength(Math.abs(warp.xMm - centroidXMm), system, 'thickness'),
    ],
  ];
}

/** The largest shear flow of a unit force each way, and of a unit torque round the cell where there is one. */
function flowRows(section: Section, closedJMm4: number | undefined, system: UnitSystem): Row[] {
  const inch = system === 'in';
  const forceN = inch ? lbfToNewtons(1000) : 1000;
  const torqueNmm = inch ? lbfToNewtons(1000) * MM_PER_INCH : 1e6;
  const flows = [shearFlow(section, 0, forceN), shearFlow(section, forceN, 0)];
  const names = [`largest shear flow, ${inch ? 'kip' : 'kN'} upright`, `… ${inch ? 'kip' : 'kN'} sideways`];
  const rows: Row[] = flows.flatMap((flow, k): Row[] =>
    flow ? [[names[k]!, printLineForce(largest(flow), system)]] : [],
  );
  if (closedJMm4 === undefined) return rows;
  const twist = Math.max(...torsionFlow(section, torqueNmm, closedJMm4).map(Math.abs));
  const torque = `… a torque of 1 ${inch ? 'kip·in' : 'kN·m'}, round the cell`;
  return [...rows, [torque, printLineForce(twist, system)]];
}

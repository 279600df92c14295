import { defaultFrame, familyOf, type FaceId, type MemberShape } from '../frame';
import { DEFAULT_PRACTICE, type Approach } from '../reference';
import { memberPicture } from '../weigh';
import { pieceSchema, type Piece } from './repair';
import type { RepairFinding } from './repair-finding';
import type { RepairPicture } from './repair-picture';
import { crackBeside, sealedPocket, seamsAsked } from './rules/legal';
import { shopPlates, steelTakesWelds } from './rules/may-be-welded';
import { reachedFaces } from './rules/reach';

const frame = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  ...{ family: 'open-channel ladder', steel: 'a36', datum: 'hole' },
});
const rail = frame.members.find(({ id }) => id === 'rail-left')!;
const CHANNEL = { kind: 'channel', depthMm: 200, flangeMm: 70, thicknessMm: 6 } as const;
const BOX = { kind: 'box', depthMm: 150, widthMm: 75, thicknessMm: 5 } as const;
const piece = (more: Partial<Piece> = {}): Piece =>
  pieceSchema.parse({
    ...{ id: 'p', kind: 'bottom L', startMm: 1000, endMm: 3000, thicknessMm: 6 },
    ...{ lowerEdgeMm: 0, upperEdgeMm: 90, taperMm: 100, ...more },
  });
/** A repair on a rail of this section, with what the picture and the repair say otherwise. */
function of(
  shape: MemberShape,
  {
    member = {},
    picture = {},
    repair = {},
    onFrame = frame,
  }: { member?: object; picture?: object; repair?: object; onFrame?: typeof frame } = {},
): RepairPicture {
  const plain = memberPicture({
    ...{ frame: onFrame, member: { ...rail, shape, ...member } },
    ...{ practice: DEFAULT_PRACTICE, readings: [], cracks: [] },
  });
  return {
    picture: { ...plain, ...picture },
    repair: {
      id: 'r',
      memberId: rail.id,
      cutOut: false,
      onBench: false,
      weldStyle: 'continuous',
      pieces: [piece()],
      ...repair,
    },
  } as unknown as RepairPicture;
}
const said = (findings: readonly RepairFinding[]): string[] =>
  findings.map(({ weight, code, source }) => `${weight} ${code}, ${source}`);

describe('a face nobody reaches', () => {
  const hidden = (faces: readonly FaceId[], repair: object = {}, onFrame = frame) =>
    reachedFaces(of(CHANNEL, { member: { hidden: faces }, repair, onFrame })).map(({ name }) => name);
  test('is said of each that a plate lies on, and of no other', () => {
    expect(hidden([])).toEqual([]);
    expect(hidden(['top'])).toEqual([]);
    expect(hidden(['web'])).toEqual(['web']);
    expect(hidden(['web', 'bottom']).sort()).toEqual(['bottom', 'web']);
  });
  test('is reached on the bench, and from the other side', () => {
    expect(hidden(['web'], { onBench: true })).toEqual([]);
    expect(hidden(['web'], { pieces: [piece({ inside: true })] })).toEqual([]);
  });
  test.each([
    ['over the plate', 2000, 2500, true],
    ['that ends where it begins', 500, 1000, false],
    ['a millimetre over its beginning', 500, 1001, true],
    ['that begins where it ends', 3000, 3500, false],
    ['a millimetre over its end', 2999, 3500, true],
  ])('names a panel %s', (_where, fromMm, toMm, is) => {
    const panel = { id: 'pan', name: 'Left skin', kind: 'skin', fromMm, toMm, behindIds: [rail.id] };
    const names = hidden(['web'], {}, { ...frame, panels: [panel as never] });
    expect(names).toEqual([is ? 'web, behind left skin' : 'web']);
  });
});

describe('what a legal profile asks of seams', () => {
  const asks = (legal: object, weldStyle: string) =>
    said(seamsAsked(of(CHANNEL, { picture: { legal }, repair: { weldStyle } })));
  test.each([
    [{ seamsContinuous: true, basis: 'uk' }, 'skip', ['broken seam-not-continuous, ukStructure']],
    [{ seamsContinuous: true, basis: 'own' }, 'skip', ['broken seam-not-continuous, ownProfile']],
    [{ seamsContinuous: true, basis: 'uk' }, 'continuous', []],
    [{ seamsContinuous: false, basis: 'uk' }, 'skip', []],
    [{ weldAsMaker: true, basis: 'us' }, 'continuous', ['note weld-as-maker, weldByMaker']],
    [{ weldAsMaker: true, basis: 'own' }, 'continuous', ['note weld-as-maker, ownProfile']],
    [{ weldAsMaker: false, basis: 'us' }, 'continuous', []],
  ])('%j, welded %s', (legal, style, expected) => expect(asks(legal, style)).toEqual(expected));
});

describe('a pocket that a shop seals', () => {
  const sealed = (shape: MemberShape, drains: string, kind: Piece['kind'] = 'bottom U') =>
    sealedPocket(
      of(shape, { picture: { ways: { drains } }, repair: { pieces: [piece({ kind, upperEdgeMm: 60 })] } }),
    ).length;
  test('is said of a cap that closes a box, and of nothing that drains', () => {
    expect(sealed(BOX, 'sealed')).toBe(1);
    expect(sealed(BOX, 'open')).toBe(0);
    expect(sealed(BOX, 'sealed', 'top U')).toBe(0);
    expect(sealed(CHANNEL, 'sealed', 'bottom U')).toBe(0);
  });
});

describe('a crack a shop only welds', () => {
  const crack = (fromMm: number, toMm: number) => ({
    id: 'c',
    path: [fromMm, toMm].map((stationMm) => ({ stationMm, face: 'web', heightMm: 40 })),
  });
  const beside = (fromMm: number, toMm: number, cracks = 'weld only') =>
    crackBeside(of(CHANNEL, { picture: { ways: { cracks }, cracks: [crack(fromMm, toMm)] } })).length;
  test.each([
    ['under the plate from end to end', 1000, 3000, 0],
    ['a millimetre ahead of it', 999, 1500, 1],
    ['a millimetre past it', 2500, 3001, 1],
    ['beside it', 4000, 4100, 1],
  ])('%s', (_where, fromMm, toMm, count) => expect(beside(fromMm, toMm)).toBe(count));
  test('where it is plated nothing is said', () => expect(beside(4000, 4100, 'weld and plate')).toBe(0));
});

describe('who puts plates on', () => {
  const BOLTS = { diameterMm: 12.7, marks: 3, pitchMm: 50 };
  const plates = (approach: Approach, bolts?: object) =>
    said(shopPlates(of(CHANNEL, { picture: { ways: { approach } }, repair: { ...(bolts && { bolts }) } })));
  test.each<[Approach, welded: boolean, bolted: boolean]>([
    ['repair', true, true],
    ['preservation', true, true],
    ['bolt on', false, true],
    ['section', false, false],
    ['replace only', false, false],
  ])('a shop of %s welds them: %s, bolts them: %s', (approach, welded, bolted) => {
    const other = ['deviation not-this-school, practice'];
    expect(plates(approach)).toEqual(welded ? [] : other);
    expect(plates(approach, BOLTS)).toEqual(bolted ? [] : other);
  });
  test.each([
    ['yes', 0],
    ['no', 1],
    ['maker only', 1],
  ])('steel of which welding is said to be %s', (weldRepair, count) =>
    expect(steelTakesWelds(of(CHANNEL, { picture: { steel: { weldRepair, name: 's' } } }))).toHaveLength(
      count,
    ),
  );
});

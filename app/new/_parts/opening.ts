import {
  breadthMm,
  defaultFrame,
  DUTIES,
  EXPOSURES,
  familyOf,
  frameSchema,
  jobSheetSchema,
  PURPOSES,
  typicalLoads,
  UNIT_KINDS,
  unitSchema,
  withBreadth,
  type Family,
  type Frame,
  type JobSheet,
  type MemberShape,
  type Unit,
} from '@/core/frame';
import { lengthDigits, parseLengthMm, parseMassKg, type UnitSystem } from '@/core/quantity';
import { type SteelId } from '@/core/reference';

/** Whose the frame's measures are. */
export const MEASURES = ['usual for the family', 'taken from this unit'] as const;

/** What the opening form holds: text as typed. */
export interface OpeningFields {
  tag: string;
  description: string;
  kind: (typeof UNIT_KINDS)[number];
  exposure: (typeof EXPOSURES)[number];
  duty: (typeof DUTIES)[number];
  gross: string;
  built: string;
  title: string;
  purpose: (typeof PURPOSES)[number];
  complaint: string;
  by: string;
  family: Family;
  depth: string;
  breadth: string;
  wall: string;
  flangeWall: string;
  length: string;
  width: string;
  first: string;
  wheelbase: string;
  rearAxles: '1' | '2' | '3';
  spread: string;
  steel: SteelId;
  /** Whose the measures are; left open, the unit's own where any was typed. */
  measures: '' | (typeof MEASURES)[number];
  datum: string;
  /** A starting frame of the shop's own, instead of the family's. */
  starting: string;
}
export type OpeningProblems = Partial<Record<keyof OpeningFields, string>>;
export interface Opening {
  unit: Unit;
  job: JobSheet;
  frame: Frame;
}

export const LENGTHS = [
  'depth',
  'breadth',
  'wall',
  'length',
  'width',
  'first',
  'wheelbase',
  'spread',
] as const;
/** The frame a kind of unit usually stands on: where the form starts, to be changed. Common practice, no source. */
export const FAMILY_OF_KIND: Readonly<Record<Unit['kind'], Family>> = {
  pickup: 'mixed ladder',
  truck: 'open-channel ladder',
  'utility vehicle': 'boxed ladder',
  trailer: 'I-beam trailer',
  'travel trailer': 'I-beam trailer',
  gooseneck: 'gooseneck trailer',
  motorhome: 'open-channel ladder',
  van: 'unibody',
  car: 'unibody',
};

/** Only trucks' and motorhomes' rails are taken for heat-treated until somebody knows (common practice, no source). */
export const steelOfKind = (kind: Unit['kind']): SteelId =>
  kind === 'truck' || kind === 'motorhome' ? 'unknown' : 'presumed-mild';

/** What stands for a word that was left open. */
const UNNAMED = {
  title: {
    repair: 'First look',
    'pre-purchase look': 'Look before buying',
    'may it move': 'May it move',
    'follow-up': 'Look again',
    'donor frame': 'Frame for another unit',
  },
  datum: 'front end of the left rail, until a hole that stays is named',
} as const;

/** Whether any measure is other than its family starts with: changing the family would wipe it. */
export const hasOwnMeasures = (fields: OpeningFields, system: UnitSystem): boolean =>
  Object.entries(familyFields(fields.family, system)).some(
    ([field, text]) => fields[field as keyof OpeningFields] !== text,
  );

export const hasFlangeWall = (family: Family): boolean =>
  familyOf(family).typical.railShape.kind === 'I' || familyOf(family).typical.railShape.kind === 'built-up';

/** The rail and measures a family starts with, as text. */
export function familyFields(
  family: Family,
  system: UnitSystem,
): Pick<
  OpeningFields,
  | 'depth'
  | 'breadth'
  | 'wall'
  | 'flangeWall'
  | 'length'
  | 'width'
  | 'first'
  | 'wheelbase'
  | 'rearAxles'
  | 'spread'
> {
  const {
    railShape: shape,
    lengthMm,
    widthMm,
    firstMm,
    wheelbaseMm,
    rearAxles,
    spreadMm,
  } = familyOf(family).typical;
  const long = (mm: number) => lengthDigits(mm, system, 'length');
  const thin = (mm: number) => lengthDigits(mm, system, 'thickness');
  const flange =
    shape.kind === 'I'
      ? shape.flangeThicknessMm
      : shape.kind === 'built-up'
        ? shape.topThicknessMm
        : shape.thicknessMm;
  return {
    depth: long(shape.depthMm),
    breadth: long(breadthMm(shape)),
    wall: thin(shape.thicknessMm),
    flangeWall: thin(flange),
    length: long(lengthMm),
    width: long(widthMm),
    first: long(firstMm),
    wheelbase: long(wheelbaseMm),
    rearAxles: String(rearAxles) as '1',
    spread: long(spreadMm),
  };
}

/** The default frame the fields describe, as far as they can be read: drawn while one types. */
export function frameFrom(
  fields: OpeningFields,
  system: UnitSystem,
  knownKg?: number,
): { ok: true; frame: Frame } | { ok: false; problems: OpeningProblems } {
  const problems: OpeningProblems = {};
  const mm: Record<string, number> = {};
  for (const field of [...LENGTHS, ...(hasFlangeWall(fields.family) ? ['flangeWall' as const] : [])]) {
    const length = parseLengthMm(fields[field], system);
    if (length.ok) mm[field] = length.value;
    else problems[field] = length.reason;
  }
  if (Object.keys(problems).length) return { ok: false, problems };
  if (!(mm.wheelbase! > 200))
    problems.wheelbase = 'the axles would stand in one place: a wheelbase is over 8 in (200 mm)';
  else if (mm.first! + mm.wheelbase! > mm.length!)
    problems.wheelbase = 'the rear axle would stand behind the frame';
  if (Object.keys(problems).length) return { ok: false, problems };
  const made = defaultFrame({
    family: fields.family,
    railShape: railShape(fields.family, mm),
    steel: fields.steel,
    lengthMm: mm.length!,
    widthMm: mm.width!,
    datum: fields.datum,
    firstMm: mm.first!,
    wheelbaseMm: mm.wheelbase!,
    rearAxles: Number(fields.rearAxles),
    spreadMm: mm.spread!,
  });
  const typed = parseMassKg(fields.gross, system);
  const grossKg = knownKg ?? (typed.ok ? typed.value : undefined);
  const frame = frameSchema.safeParse(
    grossKg === undefined ? made : { ...made, loads: { items: typicalLoads(made, grossKg) } },
  );
  if (frame.success) return { ok: true, frame: frame.data };
  for (const issue of frame.error.issues) problems[fieldOf(issue.path.map(String))] ??= issue.message;
  return { ok: false, problems };
}

function railShape(family: Family, mm: Readonly<Record<string, number>>): MemberShape {
  const typical = withBreadth(
    { ...familyOf(family).typical.railShape, depthMm: mm.depth!, thicknessMm: mm.wall! },
    mm.breadth!,
  );
  if (typical.kind === 'I') return { ...typical, flangeThicknessMm: mm.flangeWall! };
  return typical.kind === 'built-up'
    ? { ...typical, topThicknessMm: mm.flangeWall!, bottomThicknessMm: mm.flangeWall! }
    : typical;
}

/** Which field a part of the frame was made from. */
function fieldOf(path: readonly string[]): keyof OpeningFields {
  const last = path[path.length - 1] ?? '';
  if (path.includes('shape'))
    return (
      (
        {
          depthMm: 'depth',
          flangeMm: 'breadth',
          widthMm: 'breadth',
          topMm: 'breadth',
          bottomMm: 'breadth',
          thicknessMm: 'wall',
          flangeThicknessMm: 'flangeWall',
          topThicknessMm: 'flangeWall',
          bottomThicknessMm: 'flangeWall',
        } as const
      )[last as 'depthMm'] ?? 'wall'
    );
  if (path[0] === 'datum') return 'datum';
  if (path[0] === 'loads') return 'gross';
  if (path[0] === 'fittings') return 'wheelbase';
  if (path[0] === 'widthMm' || (path.includes('members') && Number(path[1]) > 1)) return 'width';
  return 'length';
}

/** Which field of the form a unit's fact is typed in, where the two are called otherwise. */
const FIELD_OF: Readonly<Partial<Record<string, keyof OpeningFields>>> = {
  grossMassKg: 'gross',
  builtYear: 'built',
};

/** A frame of the shop's own was measured once; of the family's, nobody has taken a measure until one is typed or somebody says so. */
const isPresumed = (fields: OpeningFields, system: UnitSystem, starting: Frame | undefined): boolean =>
  !starting &&
  (fields.measures || (hasOwnMeasures(fields, system) ? MEASURES[1] : MEASURES[0])) === MEASURES[0];

/** Everything a new job is opened with, or what is wrong with which field. A starting frame of the shop's own takes the place of the family's. */
export function readOpening(
  fields: OpeningFields,
  system: UnitSystem,
  existing: Unit | undefined,
  stamp: { unitId: string; jobId: string; at: string },
  starting?: Frame,
): { ok: true; opening: Opening } | { ok: false; problems: OpeningProblems } {
  const problems: OpeningProblems = {};
  const datum = fields.datum.trim() || UNNAMED.datum;
  const frame = starting
    ? ({ ok: true, frame: { ...starting, datum } } as const)
    : frameFrom({ ...fields, datum }, system, existing?.grossMassKg);
  if (!frame.ok) Object.assign(problems, frame.problems);
  const gross = fields.gross.trim() === '' ? undefined : parseMassKg(fields.gross, system);
  if (gross && !gross.ok) problems.gross = gross.reason;
  const unit = unitSchema.safeParse(
    existing ?? {
      id: stamp.unitId,
      tag: fields.tag,
      description: fields.description.trim() || fields.kind,
      kind: fields.kind,
      exposure: fields.exposure,
      duty: fields.duty,
      ...(gross?.ok && { grossMassKg: gross.value }),
      ...(fields.built.trim() !== '' && { builtYear: Number(fields.built.trim()) }),
    },
  );
  if (!unit.success)
    for (const issue of unit.error.issues)
      problems[FIELD_OF[String(issue.path[0])] ?? (issue.path[0] as keyof OpeningFields)] ??= issue.message;
  const job = jobSheetSchema.safeParse({
    id: stamp.jobId,
    unitId: existing?.id ?? stamp.unitId,
    title: fields.title.trim() || UNNAMED.title[fields.purpose],
    purpose: fields.purpose,
    complaint: fields.complaint,
    openedBy: fields.by,
    openedAt: stamp.at,
  });
  if (!job.success)
    for (const issue of job.error.issues)
      problems[issue.path[0] === 'openedBy' ? 'by' : (issue.path[0] as keyof OpeningFields)] ??=
        issue.message;
  if (Object.keys(problems).length || !frame.ok || !unit.success || !job.success)
    return { ok: false, problems };
  return {
    ok: true,
    opening: {
      unit: unit.data,
      job: job.data,
      frame: isPresumed(fields, system, starting) ? { ...frame.frame, presumed: true } : frame.frame,
    },
  };
}

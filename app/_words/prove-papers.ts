import { memberOf } from '@/core/frame';
import {
  jobDebris,
  stands,
  type Advice,
  type JobFile,
  type JobProof,
  type ReadTimes,
  type RepairSlices,
} from '@/core/job';
import type { PassportIssued } from '@/core/prove';
import { percent, printDistance, printLength, type UnitSystem } from '@/core/quantity';
import { photoPairs, type Photo, type PhotoPair } from '@/core/walk';
import type { SectionKept } from '@/core/weigh';
import { localTime } from '@/ui/controls/local-time';
import type { Paper, PaperBlock, PicturePair } from '@/ui/print/paper';
import { adviceLines } from './advice';
import { CAUTIONS } from './cautions';
import { dayWords } from './dates';
import {
  answerWords,
  changeFigure,
  changeName,
  changeWords,
  FLEX_WORDS,
  itemWords,
  MOVED_WORDS,
  OPEN_WORDS,
  pairWords,
  PROOF_WORDS,
} from './prove';
import { debrisWords, visitWords } from './preserved';
import { printStation } from './station';

const signed = ({ signOff, isSignedOff }: JobProof): string =>
  signOff === undefined
    ? 'NOT SIGNED OFF.'
    : `${isSignedOff ? 'Signed off' : 'SIGNED OFF BEFORE WHAT STANDS OPEN NOW'} by ${signOff.by} and ${signOff.second}, ${localTime(signOff.at)}, walked round with ${signOff.walkedWith}.`;

/** What is open, in words, with who let it stand and why; on every paper. */
function openBlock(file: JobFile, { items }: JobProof, system: UnitSystem): PaperBlock[] {
  if (items.length === 0) return [{ is: 'lines', lines: ['Nothing on record is open.'] }];
  return [
    {
      is: 'table',
      heads: ['what', 'of', 'stands because'],
      widths: [170, 170, 0],
      rows: items.map((each) => [
        OPEN_WORDS[each.item.code],
        itemWords(file.frame, each.item, system),
        answerWords(each) || 'OPEN: nobody signed for it',
      ]),
    },
  ];
}

/** Everything decided, a row each: plates, works, members renewed. */
function madeRows(file: JobFile, system: UnitSystem): string[][] {
  const nameOf = (memberId: string) => memberOf(file.frame, memberId)?.name ?? memberId;
  const plates = file.repairs.map(({ memberId, pieces }) => {
    const [from, to] = [pieces.map(({ startMm }) => startMm), pieces.map(({ endMm }) => endMm)];
    const thick = Math.max(...pieces.map(({ thicknessMm }) => thicknessMm));
    return [
      nameOf(memberId),
      `${printLength(Math.min(...from), system, 'length')} to ${printLength(Math.max(...to), system, 'length')}`,
      `${[...new Set(pieces.map(({ kind }) => kind))].join(', ')}, up to ${printLength(thick, system, 'thickness')}`,
    ];
  });
  const works = stands(file, 'work').map(({ memberIds, form }) => [
    memberIds.map(nameOf).join(', '),
    '',
    form,
  ]);
  const renewals = stands(file, 'renewal').map(({ memberId }) => [nameOf(memberId), '', 'renewed']);
  return [...plates, ...works, ...renewals];
}

const measuredBlock = (file: JobFile, { changes, pairs }: JobProof, system: UnitSystem): PaperBlock[] => [
  { is: 'heading', words: 'Measured before and after' },
  changes.length === 0
    ? { is: 'lines', lines: ['Nothing was measured both before the first cut and after the last weld.'] }
    : {
        is: 'table',
        heads: ['what', 'before', 'after', 'moved by, of its limit', ''],
        widths: [150, 70, 70, 150, 0],
        rows: changes.map((change) => [
          changeName(file.frame, change, system),
          changeFigure(change.was, change, system),
          changeFigure(change.is, change, system),
          changeWords(change, system),
          MOVED_WORDS[change.says],
        ]),
      },
  ...(pairs.length === 0
    ? []
    : [
        {
          is: 'lines' as const,
          lines: pairs.map(
            (pair) =>
              `${pair.place}, ${pair.push}, ${pair.state}: ${pairWords(pair, system)}; ${FLEX_WORDS[pair.says]}.`,
          ),
        },
      ]),
];

/** What is left of a section, of what it was made with. */
const worthFigure = (section: SectionKept | undefined): string => {
  if (!section) return 'not read';
  const { modulusTop, modulusBottom } = section.kept;
  const both = [modulusTop, modulusBottom].flatMap((each) => (each ? [percent(each.value)] : []));
  return both.length > 0 ? both.join(' top, ') + (both.length > 1 ? ' bottom' : '') : 'nothing left';
};
/** Each kept repair where least was left, as found and as specified. */
export const worthRows = (file: JobFile, { worth }: JobProof, system: UnitSystem): string[][] =>
  worth.flatMap(({ memberId, stationMm, before, after }) => {
    const member = memberOf(file.frame, memberId);
    return member
      ? [
          [
            `${member.name}, ${printStation(member, stationMm, system)}`,
            worthFigure(before),
            after ? worthFigure(after) : 'not known: nobody read the metal under it',
          ],
        ]
      : [];
  });
export const WORTH_HEADS = ['bending strength, of as built', 'as found', 'as specified'] as const;
const worthBlock = (file: JobFile, proof: JobProof, system: UnitSystem): PaperBlock[] => {
  const rows = worthRows(file, proof, system);
  return rows.length === 0
    ? []
    : [
        { is: 'table', heads: WORTH_HEADS, widths: [200, 150, 0], rows },
        { is: 'lines', lines: ['As specified holds where its welds are whole: see what was looked at.'] },
      ];
};

/** Sections of one paper. */
const MOST_SLICES = 12;
function slicesBlock(file: JobFile, slices: readonly RepairSlices[], system: UnitSystem): PaperBlock[] {
  const drawn = slices.slice(0, MOST_SLICES).flatMap(({ memberId, stationMm, found, repaired, ...size }) => {
    const member = memberOf(file.frame, memberId);
    return member
      ? [
          {
            words: `${member.name}, ${printStation(member, stationMm, system)}`,
            before: found,
            after: repaired,
            size,
          },
        ]
      : [];
  });
  const [first] = slices;
  if (!first || drawn.length === 0) return [];
  const left = slices.length - drawn.length;
  return [
    { is: 'sections', sections: drawn },
    {
      is: 'lines',
      lines: [
        `In section, as found and as specified; walls and plates ${first.exaggeration} times as thick.${left > 0 ? ` ${left} more are not drawn here.` : ''}`,
      ],
    },
  ];
}

const readTimes = ({ count, thinnestMm }: ReadTimes, system: UnitSystem): string =>
  thinnestMm === undefined
    ? 'not read'
    : `${count} ${count === 1 ? 'reading' : 'readings'}, thinnest ${printLength(thinnestMm, system, 'thickness')}`;
/** Each kept repair as it was read before its plates were on and after; what lands on metal nobody read. */
export const readRows = (file: JobFile, { read }: JobProof, system: UnitSystem): string[][] =>
  read.flatMap(({ memberId, fromMm, toMm, laidAt, before, after, unread, isReadLate }) => {
    const member = memberOf(file.frame, memberId);
    const [from, to] = [Math.max(0, fromMm), Math.min(toMm, member?.lengthMm ?? toMm)];
    return member
      ? [
          [
            `${member.name}, ${printStation(member, from, system)} to ${printStation(member, to, system)}`,
            readTimes(before, system),
            laidAt === undefined ? 'nothing is laid yet' : readTimes(after, system),
            unread.length > 0
              ? `NOT READ: ${unread.join(', ')}`
              : isReadLate
                ? 'NOT READ before it was laid'
                : 'read or struck',
          ],
        ]
      : [];
  });
export const READ_HEADS = ['read where it lies', 'before it was laid', 'after', 'where it lands'] as const;
const readBlock = (file: JobFile, proof: JobProof, system: UnitSystem): PaperBlock[] => {
  const rows = readRows(file, proof, system);
  return rows.length === 0 ? [] : [{ is: 'table', heads: READ_HEADS, widths: [160, 120, 120, 0], rows }];
};

/** Pictures of one paper: as many as an owner looks through. */
export const MOST_PAIRS = 24;
/** Pairs of pictures from one place, the latest first. */
export const printedPairs = (file: JobFile): readonly PhotoPair[] =>
  photoPairs(stands(file, 'photo')).sort((a, b) => b.after.at.localeCompare(a.after.at));

function pairsBlock(
  file: JobFile,
  system: UnitSystem,
  pictureOf: (photo: Photo) => Buffer | undefined,
): PaperBlock[] {
  const all = printedPairs(file);
  if (all.length === 0) return [];
  const pairs = all.slice(0, MOST_PAIRS).map(({ before, after }): PicturePair => {
    const [was, is] = [pictureOf(before), pictureOf(after)];
    const member = after.memberId === undefined ? undefined : memberOf(file.frame, after.memberId);
    const place =
      member && after.stationMm !== undefined
        ? `${member.name}, ${printStation(member, after.stationMm, system)}: `
        : '';
    return {
      words: `${place}${after.caption}; ${localTime(before.at)}, ${localTime(after.at)}.`,
      ...(was && { before: was }),
      ...(is && { after: is }),
    };
  });
  const left = all.length - pairs.length;
  return [
    { is: 'heading', words: 'Before and after' },
    { is: 'pairs', pairs },
    ...(left > 0
      ? [{ is: 'lines' as const, lines: [`${left} more pairs are in the photo book of this job.`] }]
      : []),
  ];
}

/** When it was washed, emptied and coated in this job, and how much comes in over all of the unit's. */
function preservedBlock(file: JobFile, system: UnitSystem): PaperBlock[] {
  const lines = [
    ...stands(file, 'preserved').map(
      (visit) => `${visitWords(file.frame, visit, system)}; ${visit.by}, ${localTime(visit.at)}.`,
    ),
    ...jobDebris(file).map((trend) => debrisWords(file.frame, trend, system)),
  ];
  return lines.length === 0
    ? []
    : [
        { is: 'heading', words: 'Washed, emptied, coated' },
        { is: 'lines', lines },
      ];
}

const triedLines = (file: JobFile): string[] => {
  const tried = stands(file, 'proof').map(
    ({ of, place, held, note, by }) =>
      `${PROOF_WORDS[of]}: ${place}, ${held ? 'held' : 'DID NOT HOLD'}${note ? ` (${note})` : ''}; ${by}.`,
  );
  return tried.length > 0 ? tried : ['Nothing is recorded.'];
};

const bookedLines = (file: JobFile, system: UnitSystem): string[] => {
  const booked = stands(file, 'look booked').map(({ what, on, afterKm }) => {
    const when = [on && dayWords(on), afterKm !== undefined && `after ${printDistance(afterKm, system)}`];
    return `${what}: ${when.filter(Boolean).join(' or ')}.`;
  });
  return booked.length > 0 ? booked : ['No look is booked.'];
};

/** What was done, what was measured, what is left: for the owner. */
export function closingPaper(
  file: JobFile,
  proof: JobProof,
  system: UnitSystem,
  {
    pictureOf,
    advice,
    slices,
  }: {
    readonly pictureOf: (photo: Photo) => Buffer | undefined;
    readonly advice: Advice | null;
    readonly slices: readonly RepairSlices[];
  },
): Paper {
  const made = madeRows(file, system);
  return {
    title: `${file.unit.tag}: closing report`,
    under: `${file.job.title}; printed ${localTime(new Date().toISOString())}. ${signed(proof)}`,
    blocks: [
      { is: 'heading', words: 'What was specified' },
      made.length > 0
        ? { is: 'table', heads: ['member', 'from, to', 'of'], widths: [130, 150, 0], rows: made }
        : { is: 'lines', lines: ['No plates.'] },
      ...worthBlock(file, proof, system),
      ...slicesBlock(file, slices, system),
      ...readBlock(file, proof, system),
      ...measuredBlock(file, proof, system),
      ...pairsBlock(file, system, pictureOf),
      { is: 'heading', words: 'Tried' },
      { is: 'lines', lines: triedLines(file) },
      { is: 'heading', words: 'Open, and why it stands' },
      ...openBlock(file, proof, system),
      { is: 'heading', words: 'Looked at again' },
      { is: 'lines', lines: bookedLines(file, system) },
      ...preservedBlock(file, system),
      { is: 'heading', words: 'What keeps it whole' },
      {
        is: 'lines',
        lines: advice
          ? adviceLines(file.frame, advice, system)
          : ['Nothing is known of the road: its loads are not on record.'],
      },
    ],
    cautions: [CAUTIONS.prove],
    signs: ['repaired', 'second pair of eyes', 'owner'],
  };
}

/** The repair for the next inspector: extent, measures, people, what is open, and the sum of the record, so that paper and record can be held together. */
export async function passportPaper(
  file: JobFile,
  proof: JobProof,
  system: UnitSystem,
  {
    issued,
    isSame,
    code,
  }: { readonly issued: PassportIssued; readonly isSame: boolean; readonly code: string },
): Promise<Paper> {
  const made = madeRows(file, system);
  const people = [
    ...new Set([...file.evidence.map(({ by }) => by), ...file.repairs.map(({ by }) => by)]),
  ].sort();
  return {
    title: `${file.unit.tag}: repair passport`,
    under: `${file.unit.description}. ${file.job.title}. ${signed(proof)}`,
    blocks: [
      ...(isSame
        ? []
        : [
            {
              is: 'warning' as const,
              lines: [
                'THE RECORD WAS ALTERED SINCE THIS PASSPORT WAS ISSUED. What stands below is the record as it is now; the first paper is the reference.',
              ],
            },
          ]),
      {
        is: 'tags',
        tags: [
          {
            title: issued.sha256.slice(0, 16),
            lines: [
              `Issued ${localTime(issued.at)} by ${issued.by}.`,
              `Sum of the record, SHA-256: ${issued.sha256.match(/.{16}/g)!.join(' ')}`,
              'The record whose sum is another is not the one this paper was printed from.',
            ],
            code,
          },
        ],
      },
      { is: 'heading', words: 'What was specified' },
      made.length > 0
        ? { is: 'table', heads: ['member', 'from, to', 'of'], widths: [130, 150, 0], rows: made }
        : { is: 'lines', lines: ['No plates.'] },
      ...worthBlock(file, proof, system),
      ...measuredBlock(file, proof, system),
      { is: 'heading', words: 'Open, and why it stands' },
      ...openBlock(file, proof, system),
      { is: 'lines', lines: [`Recorded by: ${people.join(', ')}.`] },
    ],
    cautions: [CAUTIONS.prove],
    signs: ['issued'],
  };
}

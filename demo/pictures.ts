import sharp from 'sharp';
import { memberOf, type Frame } from '@/core/frame';
import type { JobBundle } from '@/core/exchange';
import type { Photo } from '@/core/walk';
import { keepPhoto, type Db, type Problem } from '@/data';
import { viewFromBeside } from './camera';
import { closedBundles, demoBundles } from './index';
import { seeded, seededId } from './seeded';

interface Shot {
  readonly of: (bundle: JobBundle) => boolean;
  readonly memberId: string;
  readonly stationMm: number;
  readonly caption: string;
  readonly at: string;
  readonly by: string;
}

const isLookedAt = ({ unit, job }: JobBundle) => unit.tag === 'BM-1' && job.purpose === 'follow-up';
const isCapped = ({ unit, job }: JobBundle) => unit.tag === 'BM-1' && job.purpose !== 'follow-up';
const isOf =
  (tag: string, year: string) =>
  ({ unit, job }: JobBundle) =>
    unit.tag === tag && job.openedAt.startsWith(year);

/** What the shop photographed where the metal was the maker's; one of them stands where bad metal was found, so that it says so. */
const SHOTS: readonly Shot[] = [
  {
    of: isLookedAt,
    memberId: 'rail-left',
    stationMm: 60,
    caption: 'Coupler and its welds',
    at: '2025-06-02T10:10:00Z',
    by: 'TM',
  },
  {
    of: isLookedAt,
    memberId: 'rail-left',
    stationMm: 5370,
    caption: 'Hitch tube at the tail',
    at: '2025-06-02T10:20:00Z',
    by: 'TM',
  },
  {
    of: isCapped,
    memberId: 'rail-left',
    stationMm: 3621,
    caption: 'Front hanger, left',
    at: '2024-05-13T09:30:00Z',
    by: 'RK',
  },
  {
    of: isOf('GR-7', '2026'),
    memberId: 'rail-left',
    stationMm: 488,
    caption: 'Front spring hanger',
    at: '2026-11-16T09:40:00Z',
    by: 'TM',
  },
  {
    of: isOf('SV-9', '2026'),
    memberId: 'rail-left-rear',
    stationMm: 600,
    caption: 'Rear mount',
    at: '2026-11-19T14:10:00Z',
    by: 'TM',
  },
];

/** Keeps the scenario's photos in a yard that holds its jobs; what is already there stays. The pictures are drawn by the simulated camera, and say so. */
export async function fillPictures(db: Db): Promise<readonly Problem[]> {
  const bundles = [...demoBundles(), ...closedBundles().map(({ bundle }) => bundle)];
  const random = seeded(601);
  const problems: Problem[] = [];
  for (const { of, ...shot } of SHOTS) {
    const bundle = bundles.find(of)!;
    const photo = photoOf(seededId(random), shot);
    const kept = await keepPhoto(db, bundle.job.id, photo, await jpegOf(bundle.frame, shot));
    if (!kept.ok) problems.push(kept.problem);
  }
  return problems;
}

const photoOf = (id: string, { memberId, stationMm, caption, at, by }: Omit<Shot, 'of'>): Photo => ({
  kind: 'photo',
  id,
  by,
  at,
  note: '',
  memberId,
  stationMm,
  caption: `${caption} (simulated)`,
  moment: 'as built',
});

function jpegOf(
  frame: Frame,
  { memberId, stationMm }: Pick<Shot, 'memberId' | 'stationMm'>,
): Promise<Buffer> {
  if (!memberOf(frame, memberId)) throw new Error(`the scenario has no ${memberId}`);
  return sharp(Buffer.from(viewFromBeside(frame, memberId, stationMm)))
    .jpeg({ quality: 80 })
    .toBuffer();
}

import { defaultFrame, familyOf } from '../frame';
import { DEFAULT_PRACTICE } from '../reference';
import { OVERRIDING, overrideSchema, VERDICTS, type Override } from '../weigh';
import {
  fitsFrame,
  fourAnswers,
  harsher,
  overridesOf,
  type AnsweredMember,
  type Evidence,
  type JobRecords,
} from '.';

const override = (more: Partial<Override> = {}): Override => ({
  kind: 'override',
  id: '00000000-0000-4000-8000-000000000001',
  memberId: 'rail-left',
  verdict: 'Watch',
  why: 'two of us hammered it',
  by: 'RK',
  at: '2026-11-20T08:00:00Z',
  note: '',
  ...more,
});
const frame = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'a36',
  datum: 'hole',
});
const records = (evidence: readonly Evidence[]): JobRecords => ({
  frame,
  practice: DEFAULT_PRACTICE,
  evidence,
  strikes: [],
  repairs: [],
});

test('it is somebody’s, of some member, with a reason; never *can’t say* or *Retire*', () => {
  expect(overrideSchema.safeParse(override()).success).toBe(true);
  for (const bad of [{ by: 'unnamed' }, { by: ' ' }, { why: 'no' }, { why: ' '.repeat(9) }])
    expect(overrideSchema.safeParse(override(bad)).success).toBe(false);
  expect(VERDICTS.filter((verdict) => !(OVERRIDING as readonly string[]).includes(verdict))).toEqual([
    'Can’t say',
    'Retire',
  ]);
  expect(fitsFrame(frame, override()).ok).toBe(true);
  expect(fitsFrame(frame, override({ memberId: 'mast' })).ok).toBe(false);
});
test('the last one of a member counts; struck, none does', () => {
  const later = override({ id: '00000000-0000-4000-8000-000000000002', verdict: 'Renew' });
  expect(overridesOf(records([override(), later])).get('rail-left')!.verdict).toBe('Renew');
  const strikes = [{ id: 's', evidenceId: later.id, why: 'slip', by: 'RK', at: later.at }];
  expect(overridesOf({ ...records([override(), later]), strikes }).get('rail-left')!.verdict).toBe('Watch');
});
test('kept late, an older word does not soften a newer one, nor hide a harsher', () => {
  const at = (day: number) => `2026-11-${day}T08:00:00Z`;
  const said = (verdict: Override['verdict'], day: number) => override({ verdict, at: at(day) });
  const last = (...words: Override[]) => overridesOf(records(words)).get('rail-left')!.verdict;
  expect(last(said('Renew', 20), said('Leave', 18))).toBe('Renew');
  expect(last(said('Leave', 20), said('Renew', 18))).toBe('Renew');
  expect(last(said('Renew', 18), said('Leave', 20))).toBe('Leave');
  expect(last(said('Renew', 18), said('Leave', 18))).toBe('Leave');
});
test('a harsher word counts, a milder one does not', () => {
  expect(harsher('Mend', override())).toBe('Mend');
  expect(harsher('Leave', override())).toBe('Watch');
  expect(harsher('Leave', undefined)).toBe('Leave');
});
test('who says Renew of a rail that computes well is heard in what can be repaired here; who says Leave is not', () => {
  const judged = (verdict: 'Leave' | 'Splice'): AnsweredMember => ({
    verdict: { verdict, findings: [] },
    plan: { stretches: 0, repairs: 0, broken: 0, notOffered: 0, plates: 0, weldM: 0, steelKg: 0 },
  });
  const repair = (computed: 'Leave' | 'Splice', said: Override['verdict']) =>
    fourAnswers(records([override({ verdict: said })]), {
      weighed: new Map(frame.members.map(({ id }) => [id, judged(id === 'rail-left' ? computed : 'Leave')])),
      lifts: [],
      today: '2026-11-27',
    }).repair;
  expect(repair('Leave', 'Renew')).toMatchObject({ is: 'with limits', reasons: [{ names: ['Left rail'] }] });
  expect(repair('Leave', 'Watch').is).toBe('yes');
  expect(repair('Splice', 'Leave')).toMatchObject({ is: 'with limits', reasons: [{ names: ['Left rail'] }] });
});

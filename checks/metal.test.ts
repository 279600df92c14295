import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';

/** Rooms after the account of the metal judge by it alone: none of them reads what a record says of metal by itself. */
const ROOMS = ['core/weigh', 'core/shape', 'core/join', 'core/job', 'core/exchange', 'ui/print'];
/** What tells a record's word on metal. */
const RAW = /\b(signWeight|isFailed|isDoubtful|isWornOrRusted|firstGuessEdgeMm|findWeight|openFinds)\b/;
/** Who may read it all the same, and for what that is no member's metal. */
const MAY = new Map([
  ['core/weigh/rules/walked.ts', 'fastenings and the maker’s welds'],
  ['core/weigh/hosts.ts', 'fittings, joints, panels and pockets, which are no members'],
  ['core/job/inputs.ts', 'finds on hosts, sorted by the members they are witnesses of'],
  ['core/weigh/buyers-look.ts', 'body items, which are no members, and the list of what was found'],
]);

const filesIn = (folder: string): string[] =>
  readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    return statSync(path).isDirectory() ? filesIn(path) : [path];
  });
const reads = (path: string): boolean => RAW.test(readFileSync(path, 'utf8'));

test('no room after the account of the metal reads raw evidence to judge metal', () => {
  const files = ROOMS.flatMap(filesIn).filter((path) => /\.tsx?$/.test(path) && !path.includes('.test.'));
  expect(files.filter((path) => reads(path) && !MAY.has(path))).toEqual([]);
});

test('who may read it still does: a leave nobody uses is taken back', () => {
  for (const path of MAY.keys()) expect([path, reads(path)]).toEqual([path, true]);
});

/** Signs that say nothing of how much metal stands: read by themselves for what else they say. */
const NO_WALL = new Map([
  ['coating', 'zinc, which is stripped before anybody welds'],
  ['fastener', 'the marks on a bolt’s head'],
  ['old repair', 'where a plate stops, only where the account holds that it is still on'],
  ['put right', 'what was mended before, as history and as done'],
  ['debris', 'the weight of dirt that came out'],
  ['holds it together', 'what must not come off before both sides are held'],
]);
const READS_KIND = /\bdetail\.sign [!=]== '([^']+)'/g;

test('a sign read by itself there is no word on the wall', () => {
  const rooms = [...ROOMS, 'core/order', 'core/prove'];
  const kinds = rooms
    .flatMap(filesIn)
    .filter((path) => /\.tsx?$/.test(path) && !path.includes('.test.'))
    .flatMap((path) => [...readFileSync(path, 'utf8').matchAll(READS_KIND)].map(([, kind]) => kind!));
  expect([...new Set(kinds)].sort()).toEqual([...NO_WALL.keys()].sort());
});

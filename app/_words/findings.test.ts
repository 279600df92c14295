import { usedWords } from './demand';
import { LIMIT_SOURCES, type LimitSource } from '@/core/reference';
import { FINDING_CODES, VERDICTS, type Finding } from '@/core/weigh';
import { FLAT_FINDING_CODES, REPAIR_FINDING_CODES, type RepairFinding } from '@/core/shape';
import { JOIN_FINDING_CODES, type JoinFinding } from '@/core/join';
import { workJob } from '@/core/job';
import { demoBundles } from '@/demo';
import { findingWords } from './findings';
import { flatFindingWords } from './flats';
import { joinWords } from './join-findings';
import { repairWords } from './repair-findings';
import { sourceWords, type Words } from './finding';

const SYSTEMS = ['in', 'mm'] as const;

function readsWell({ title, detail, change }: Words): void {
  expect(title.length).toBeGreaterThan(5);
  for (const words of [title, detail, change])
    expect(words).not.toMatch(/undefined|NaN|Infinity|null|\[object/);
  expect(title).toMatch(/^[A-Z0-9]/);
  expect(change.length).toBeGreaterThan(5);
}

test.each(FINDING_CODES)('%s is said in both unit systems', (code) => {
  const finding: Finding = {
    code,
    verdict: VERDICTS[3],
    quantity: 'fraction',
    value: 0.47,
    plusMinus: 0.05,
    limit: 0.9,
    source: 'retained',
    name: 'bump',
    firmness: 'firm',
  };
  for (const system of SYSTEMS) readsWell(findingWords(finding, system));
});

test.each(REPAIR_FINDING_CODES)('%s is said in both unit systems', (code) => {
  const finding: RepairFinding = {
    code,
    weight: 'note',
    quantity: 'length',
    value: 12.7,
    limit: 25.4,
    source: 'lap',
    name: 'web',
  };
  for (const system of SYSTEMS) readsWell(repairWords(finding, system));
});

test.each(FLAT_FINDING_CODES)('%s is said in both unit systems', (code) => {
  for (const value of [4, -2])
    for (const system of SYSTEMS)
      readsWell(
        flatFindingWords({ code, weight: 'deviation', value, limit: 9, source: 'bendRadius' }, system),
      );
});

test.each(JOIN_FINDING_CODES)('%s is said in both unit systems', (code) => {
  const finding: JoinFinding = { code, weight: 'note', lineIds: ['A1', 'A2'], value: 0.4, limit: 1 };
  for (const system of SYSTEMS) readsWell(joinWords(finding, system));
});

test('everything the demo finds reads well, in millimetres without a word of inches', () => {
  for (const bundle of demoBundles()) {
    for (const work of workJob(bundle)) {
      const said = [
        ...work.verdict.findings.map((finding) => findingWords(finding, 'mm')),
        ...work.repairs.flatMap((repair) => [
          ...repair.findings.map((finding) => repairWords(finding, 'mm')),
          ...repair.joinFindings.map((finding) => joinWords(finding, 'mm')),
        ]),
      ];
      said.forEach(readsWell);
      for (const { title } of said) expect(title).not.toMatch(/\d in\b|kip/);
    }
  }
});

test('every limit’s source can be printed, and one quoted from memory says so', () => {
  for (const source of Object.keys(LIMIT_SOURCES) as LimitSource[]) {
    const row: { document: string; fromMemory?: boolean } = LIMIT_SOURCES[source];
    expect(sourceWords(source)).toContain(row.document);
    expect(sourceWords(source).includes('from memory')).toBe(row.fromMemory === true);
  }
});

test('used past all sense is parted, and no percentage', () => {
  expect(usedWords(4.99)).toBe('499 %');
  expect(usedWords(5.01)).toBe('parted here');
  expect(usedWords(Infinity)).toBe('parted here');
  const over = (value: number) =>
    findingWords(
      {
        code: 'demand-over',
        verdict: 'Renew',
        quantity: 'fraction',
        value,
        limit: 1,
        name: 'bump',
        source: 'demand',
        firmness: 'firm',
      },
      'in',
    ).title;
  expect(over(1.2)).toContain('Uses 120 %');
  expect(over(86)).toContain('Parted here');
});

test('fastenings at more than one place say at how many', () => {
  const title = (value: number) =>
    findingWords(
      {
        code: 'fastener',
        verdict: 'Mend',
        quantity: 'count',
        value,
        source: 'fastened',
        firmness: 'firm',
        name: 'bolt loose',
      },
      'in',
    ).title;
  expect(title(1)).toBe('Fastening: bolt loose');
  expect(title(3)).toBe('Fastening: bolt loose, at 3 places');
});

import { legalOf, type Approach, type Legal, type Practice, type School, type Ways } from '@/core/reference';
import type { PracticeSection } from '../_practice/fields';

export const APPROACH_WORDS: Readonly<Record<Approach, readonly [name: string, says: string]>> = {
  repair: ['Repair', 'plates on sound metal, welded; cracks welded and plated'],
  'replace only': ['Replace only', 'no plate on a rail: bad rails are renewed, or the frame is swapped'],
  preservation: [
    'Preservation',
    'thin metal that carries and has no hole is coated and watched; the worst is plated',
  ],
  section: ['Section', 'a length of rail is spliced in instead of many plates'],
  'bolt on': ['Bolt on', 'stout plates bolted through, no heat'],
};
export const SCHOOL_WORDS: Readonly<Record<School, string>> = {
  'half-inch band': '1/2 in band below the top corner',
  'one inch left': '1 in left to weld to',
  'where rust ends': 'cut where rust ends',
};
type Worded = 'opening' | 'seams' | 'drains' | 'coat' | 'cracks';
export const WAYS_WORDS: {
  readonly [Key in Worded]: readonly [label: string, options: Readonly<Record<Ways[Key], string>>];
} = {
  opening: [
    'bad metal',
    {
      'by section': 'out of closed, over open ones',
      'cut out': 'cut out',
      overlay: 'plated over',
    },
  ],
  seams: ['seams', { continuous: 'continuous', 'runs to continuous': 'runs until continuous', skip: 'skip' }],
  drains: ['closed pockets', { open: 'drained at the low point', sealed: 'sealed' }],
  coat: [
    'coat inside',
    { 'after welding': 'after welding, once cool', 'before, inside': 'before, edges left clean' },
  ],
  cracks: [
    'cracks',
    { 'weld and plate': 'welded and plated over', 'weld only': 'welded only', splice: 'spliced out' },
  ],
};
export const LEGAL_WORDS: Readonly<
  Record<'flangesUncut' | 'flangesUndrilled' | 'weldAsMaker' | 'seamsContinuous' | 'welderQualified', string>
> = {
  flangesUncut: 'flanges between the axles not cut, but as the maker says',
  flangesUndrilled: 'no holes in flanges, but as the maker says',
  weldAsMaker: 'welding on the frame only as the maker allows',
  seamsContinuous: 'patches welded all round, no gaps',
  welderQualified: 'who welds has a paper on record',
};
/** What a profile asks, in a line. */
export const legalLine = (legal: Legal): string => {
  const asks = (Object.keys(LEGAL_WORDS) as (keyof typeof LEGAL_WORDS)[]).filter((key) => legal[key]);
  return asks.length > 0 ? asks.map((key) => LEGAL_WORDS[key]).join('; ') : 'nothing beyond common practice';
};
export const SECTION_WORDS: Readonly<Record<PracticeSection, string>> = {
  metal: 'Metal, and looking at it',
  'hand and eye': 'What hammer, finger and eye vouch for',
  geometry: 'Straight and square',
  'load cases': 'Load cases',
  'by duty': 'Load cases by what a unit is used for',
  plates: 'Plates and brake',
  welds: 'Plug holes and runs',
  'money and hours': 'Rate, prices and norms',
};

/** How a job is worked, in a line on paper. */
export function practiceLine({ ways, school, legal }: Practice, shopRevision: number | undefined): string {
  const { approach, coat, drains } = ways.everywhere;
  const revision = shopRevision ? `; shop’s revision ${shopRevision}` : '';
  return `School: ${APPROACH_WORDS[approach][0].toLowerCase()}, ${SCHOOL_WORDS[school]}; coat inside ${WAYS_WORDS.coat[1][coat]}; pockets ${WAYS_WORDS.drains[1][drains]}. ${legalOf(legal).name}${revision}.`;
}

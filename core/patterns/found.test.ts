import type { Crack } from '../trace';
import { LOOK_RESULTS, type Look, type Sign } from '../walk';
import { foundIn } from '.';

const stamp = { id: 'x', by: 'TM', at: '2026-01-01T00:00:00Z', note: '' };
const look = (result: Look['result'], more: Partial<Look> = {}): Look => ({
  kind: 'look',
  ...stamp,
  memberId: 'rail-left',
  stationMm: 1200,
  spotId: 'spot',
  title: 'spot',
  result,
  ways: ['eye'],
  ...more,
});
const sign = (detail: Sign['detail'], more: Partial<Sign> = {}): Sign =>
  ({
    kind: 'sign',
    ...stamp,
    memberId: 'rail-left',
    stationMm: 500,
    face: 'outer',
    heightMm: 20,
    detail,
    ...more,
  }) as Sign;

describe('what counts as found bad or sound', () => {
  test('looks: doubtful from scaling up, sound below, nothing where nobody saw it', () => {
    const says = LOOK_RESULTS.map((result) => [result, foundIn([look(result)])[0]?.is]);
    expect(Object.fromEntries(says)).toMatchObject({
      'not seen': undefined,
      sound: 'sound',
      'surface rust': 'sound',
      scaling: 'bad',
      through: 'bad',
    });
  });
  test('told good is nothing, told bad says that it was told; a body item lies on no member', () => {
    expect(foundIn([look('sound', { ways: ['told'] })])).toEqual([]);
    expect(foundIn([look('soft', { ways: ['told'] })])).toMatchObject([{ is: 'bad', isTold: true }]);
    expect(foundIn([look('soft', { ways: ['told', 'eye'] })])[0]).not.toHaveProperty('isTold');
    const { memberId: _, ...body } = look('soft');
    expect(foundIn([body])).toEqual([]);
  });
  test('a sign that gave way is bad over its length; one that rang even says nothing', () => {
    const struck = (answer: 'gave way' | 'even ring') =>
      foundIn([sign({ sign: 'struck', tool: 'hammer', answer }, { toMm: 640 })]);
    expect(struck('gave way')).toMatchObject([{ is: 'bad', fromMm: 500, toMm: 640, what: 'struck' }]);
    expect(struck('even ring')).toEqual([]);
  });
  test('a crack reaches from the least to the greatest station of its path', () => {
    const crack: Crack = {
      kind: 'crack',
      ...stamp,
      memberId: 'rail-left',
      path: [900, 700, 820].map((stationMm) => ({ stationMm, face: 'outer', heightMm: 10 })),
      startFound: true,
      finishFound: true,
      seenBy: 'eye',
    };
    expect(foundIn([crack])).toMatchObject([{ is: 'bad', fromMm: 700, toMm: 900, what: 'crack' }]);
  });
});

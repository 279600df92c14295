import { defaultFrame, FAMILY_IDS, familyOf } from '@/core/frame';
import { planLines } from './plan-lines';

describe('the frame from above, for a signature', () => {
  test.each(FAMILY_IDS)('%s: every member that is no upright lies within the picture', (family) => {
    const frame = defaultFrame({ ...familyOf(family).typical, family, steel: 'a36', datum: 'hole' });
    const lines = planLines(frame, 500, 80);
    for (const { from, to } of lines)
      for (const [x, y] of [from, to]) {
        expect(x).toBeGreaterThanOrEqual(-0.01);
        expect(x).toBeLessThanOrEqual(500.01);
        expect(y).toBeGreaterThanOrEqual(-0.01);
        expect(y).toBeLessThanOrEqual(80.01);
      }
    const rails = lines.filter(({ memberId }) => memberId.startsWith('rail'));
    expect(rails.length).toBeGreaterThan(0);
    const left = lines.find(({ memberId }) => /^(rail|sill)-left/.test(memberId))!;
    const right = lines.find(({ memberId }) => /^(rail|sill)-right/.test(memberId))!;
    // Left is on the left of somebody who looks forward: the front is at the left edge, the left side above.
    expect(left.from[1]).toBeLessThan(right.from[1]);
    expect(right.from[1] - left.from[1]).toBeGreaterThan(8);
    expect(lines.map(({ memberId }) => memberId)).not.toContain('upright-left');
  });
});

import { defaultFrame, familyOf, typicalLoads, type Family, type Frame } from '../frame';
import { DEFAULT_NORMS } from '../reference';
import type { OrderScene, PlannedRepair, ScenePart, SceneRenewal, SceneWork } from './scene';

/** A family's own frame with loads and, where asked, stands: what tests hang their plans on. */
export function frameFor(family: Family, stands: NonNullable<Frame['loads']>['stands'] = []): Frame {
  const frame = defaultFrame({ ...familyOf(family).typical, family, steel: 'a36', datum: 'front' });
  return { ...frame, loads: { items: typicalLoads(frame, 5000), takenOff: ['payload'], stands } };
}

export const emptyScene = (frame = frameFor('open-channel ladder')): OrderScene => ({
  frame,
  norms: DEFAULT_NORMS,
  repairs: [],
  cracks: [],
  works: [],
  renewals: [],
  aligns: [],
  straightened: [],
  parts: [],
  unplanned: [],
  heldTogether: [],
  extras: [],
  own: [],
  closedIds: new Set(),
});

export const aRepair = (more: Partial<PlannedRepair> = {}): PlannedRepair => ({
  id: 'r1',
  memberId: 'rail-right',
  side: 'right',
  fromMm: 2000,
  toMm: 3000,
  leastKept: 0.5,
  isCutOut: true,
  isBolted: false,
  brokenRules: 0,
  plates: 1,
  weldM: 2,
  offAndBack: [],
  isCap: false,
  isBought: false,
  at: '2026-11-01T08:00:00Z',
  steelKey: 'steel 4.8',
  ...more,
});

export const aWork = (more: Partial<SceneWork> = {}): SceneWork => ({
  id: 'w1',
  form: 'bracket renewed',
  on: 'fitting',
  hostId: 'mark-9 right',
  name: 'Front hanger, right',
  memberId: 'rail-right',
  side: 'right',
  fromMm: 2300,
  toMm: 2500,
  fitting: 'bracket',
  carries: [],
  weldM: 0.5,
  parts: 2,
  isBonded: false,
  brokenRules: 0,
  ...more,
});

export const aPart = (more: Partial<ScenePart> = {}): ScenePart => ({
  id: 'mark-4 right',
  name: 'Brake line, right',
  kind: 'line',
  memberIds: ['rail-right'],
  fromMm: 2400,
  toMm: 2400,
  side: 'right',
  isWelded: false,
  isFuel: false,
  ...more,
});

export const aRenewal = (more: Partial<SceneRenewal> = {}): SceneRenewal => ({
  id: 'n1',
  memberId: 'cross-3',
  name: 'Crossmember 3',
  fromMm: 2400,
  toMm: 2500,
  brokenRules: 0,
  ...more,
});

import { FAMILY_IDS, type Family } from '../frame';
import type { SpotRule } from './spot';
import type { Way } from './look';

/**
 * Where frames of each family go first: common practice, no source. A closed section rusts from inside, so that an outside that looks good
 * says nothing of it: there `needs` asks for a tap, a light, a finger or a scope.
 */
const INSIDE: readonly Way[] = ['light through', 'finger', 'pick', 'hammer', 'ring', 'scope'];
const LADDERS: readonly Family[] = ['open-channel ladder', 'boxed ladder', 'mixed ladder'];
const BOXED: readonly Family[] = ['boxed ladder', 'mixed ladder'];
const TRAILERS: readonly Family[] = ['I-beam trailer', 'gooseneck trailer', 'semi trailer'];

type Seed = Omit<SpotRule, 'families' | 'needs' | 'beforeBuying' | 'from' | 'critical'> & {
  needs?: readonly Way[];
  critical?: boolean;
};
const rules = (
  families: readonly Family[],
  seeds: readonly Seed[],
  more: Partial<SpotRule> = {},
): SpotRule[] =>
  seeds.map((seed) => ({
    critical: true,
    beforeBuying: false,
    from: 'trade' as const,
    ...seed,
    families: [...families],
    needs: [...(seed.needs ?? [])],
    ...more,
  }));

const open = rules(
  ['open-channel ladder', 'mixed ladder'],
  [
    {
      id: 'lower-flange',
      title: 'Lower flange and the corner above it',
      look: 'scale between flange and web, holes, an added bar',
      tour: 'beneath',
      where: { on: 'stretch', roles: ['rail'], face: 'bottom', from: 0, to: 1 },
    },
  ],
);
const ladders = rules(LADDERS, [
  {
    id: 'hanger',
    title: 'Spring hanger',
    look: 'its rivets or bolts, the flange round it, cracks beside it',
    tour: 'round',
    where: { on: 'fitting', kinds: ['spring hanger', 'spring seat'] },
  },
  {
    id: 'shock',
    title: 'Shock mount',
    look: 'the mount and the crossmember behind it',
    tour: 'round',
    where: { on: 'fitting', kinds: ['shock mount'] },
  },
  {
    id: 'gear',
    title: 'Steering-gear mount',
    look: 'watch the gear move against the rail while somebody turns the wheel; cracks from its bolts',
    tour: 'round',
    where: { on: 'fitting', kinds: ['steering gear'] },
  },
  {
    id: 'hitch',
    title: 'Hitch and rail ends',
    look: 'rail ends, tow point, what was welded on',
    tour: 'round',
    where: { on: 'fitting', kinds: ['hitch', 'coupler'] },
  },
  {
    id: 'body-bracket',
    title: 'Body mount or bump stop',
    look: 'the pocket behind the bracket holds wet dirt',
    tour: 'round',
    where: { on: 'fitting', kinds: ['body mount', 'bed mount', 'bump stop'] },
    critical: false,
  },
  {
    id: 'tank-strap',
    title: 'Tank strap',
    look: 'rust under the strap, between tank and rail',
    tour: 'beneath',
    where: { on: 'fitting', kinds: ['tank strap', 'tank'] },
  },
  {
    id: 'cross-end',
    title: 'Crossmember end, inside the rail',
    look: 'both ends, a tube from behind with a light',
    tour: 'beneath',
    where: { on: 'ends', roles: ['crossmember'] },
  },
  {
    id: 'lap',
    title: 'Where two rail sections overlap',
    look: 'rust between the laps swells them apart',
    tour: 'beneath',
    where: { on: 'fitting', kinds: ['joint'] },
    needs: INSIDE,
  },
  {
    id: 'spare',
    title: 'Spare carrier',
    look: 'what hoists it, and the crossmember it hangs on',
    tour: 'beneath',
    where: { on: 'fitting', kinds: ['spare carrier'] },
    critical: false,
  },
  {
    id: 'bracket',
    title: 'Bracket',
    look: 'its welds and holes, a track bar’s hole worn oval',
    tour: 'round',
    where: { on: 'fitting', kinds: ['bracket', 'gusset'] },
    critical: false,
  },
  {
    id: 'exhaust',
    title: 'Next to the exhaust',
    look: 'melts snow, keeps the salt wet',
    tour: 'beneath',
    where: { on: 'fitting', kinds: ['exhaust'] },
    critical: false,
  },
]);
const boxed = rules(BOXED, [
  {
    id: 'front-foot',
    title: 'Front of the box',
    look: 'the first foot, inside through the end, steering-gear side first',
    tour: 'round',
    where: { on: 'stretch', roles: ['rail'], from: 0, to: 0.06 },
    needs: INSIDE,
  },
  {
    id: 'centre-floor',
    title: 'Floor of the box',
    look: 'between body mounts and skid-plate bolts; captive nuts spin',
    tour: 'beneath',
    where: { on: 'stretch', roles: ['rail'], face: 'bottom', from: 0.25, to: 0.75 },
    needs: INSIDE,
  },
  {
    id: 'arch',
    title: 'Rear arch and tail',
    look: 'over the axle, weld seams under the coating',
    tour: 'beneath',
    where: { on: 'stretch', roles: ['rail'], from: 0.75, to: 1 },
    needs: INSIDE,
  },
  {
    id: 'arm',
    title: 'Control-arm bracket or spring bucket',
    look: 'upper and lower; a bucket’s outer face goes first',
    tour: 'round',
    where: { on: 'fitting', kinds: ['control arm', 'spring seat', 'spring bucket'] },
  },
  {
    id: 'skid',
    title: 'Skid-plate bolt',
    look: 'captive nuts spin; the wall round them is thin',
    tour: 'beneath',
    where: { on: 'fitting', kinds: ['skid-plate mount'] },
    critical: false,
  },
  {
    id: 'inside-box',
    title: 'Inside the box',
    look: 'packed dirt, how wet, whether its drain is open',
    tour: 'beneath',
    where: { on: 'pocket' },
    critical: false,
  },
]);
const trailers = rules(TRAILERS, [
  {
    id: 'beam-length',
    title: 'Beam along its length',
    look: 'lower flange and web, the whole way; what was welded on',
    tour: 'beneath',
    where: { on: 'stretch', roles: ['rail'], from: 0, to: 1 },
    critical: false,
  },
  {
    id: 'over-axles',
    title: 'Beam web and flanges above the axles',
    look: 'between the tyres: thrown stones, water, cracks from the hangers',
    tour: 'beneath',
    where: { on: 'fitting', kinds: ['axle'] },
  },
  {
    id: 'tall-hanger',
    title: 'Spring hanger',
    look: 'a tall one levers the flange sideways: cracks along its weld',
    tour: 'round',
    where: { on: 'fitting', kinds: ['spring hanger'] },
  },
  {
    id: 'outrigger',
    title: 'Outrigger',
    look: 'floor buckles and wall sags when it goes',
    tour: 'round',
    where: { on: 'stretch', roles: ['outrigger'], from: 0, to: 1 },
    critical: false,
  },
  {
    id: 'stiffener',
    title: 'Stiffener above a hanger',
    look: 'weld toes at its tips',
    tour: 'beneath',
    where: { on: 'stretch', roles: ['plate'], from: 0, to: 1 },
    critical: false,
  },
  {
    id: 'axle-tube',
    title: 'Box tube under the beam',
    look: 'its ends are open to spray',
    tour: 'beneath',
    where: { on: 'ends', roles: ['axle tube'] },
    needs: INSIDE,
  },
  {
    id: 'coupler',
    title: 'Coupler, pin box or A-frame',
    look: 'welds to the beams, gussets, cracks across',
    tour: 'round',
    where: { on: 'ends', roles: ['tongue'] },
  },
  {
    id: 'upright',
    title: 'Upright behind the front wall',
    look: 'weld at the gusset and across the face, bracket welded to it: heat-affected',
    tour: 'inside',
    where: { on: 'ends', roles: ['upright'] },
  },
  {
    id: 'deck-joint',
    title: 'Upper-deck joint',
    look: 'where deck beams meet; sealant that keeps tearing',
    tour: 'inside',
    where: { on: 'ends', roles: ['deck beam'] },
  },
  {
    id: 'stud',
    title: 'Wall stud',
    look: 'screws pulled out, wall-to-floor gap at the front corners',
    tour: 'inside',
    where: { on: 'ends', roles: ['stud'] },
    critical: false,
  },
  {
    id: 'leg',
    title: 'Landing leg and its plates',
    look: 'old structure welds, bent braces',
    tour: 'round',
    where: { on: 'ends', roles: ['leg'] },
  },
  {
    id: 'leg-brace',
    title: 'Leg brace or cross shaft',
    look: 'bends, torn ends',
    tour: 'beneath',
    where: { on: 'stretch', roles: ['brace'], from: 0, to: 1 },
    critical: false,
  },
  {
    id: 'trailer-cross-end',
    title: 'Crossmember end',
    look: 'both ends, where it dams the beam',
    tour: 'beneath',
    where: { on: 'ends', roles: ['crossmember'] },
  },
  {
    id: 'equaliser',
    title: 'Equaliser, its pin and bush',
    look: 'bush gone, pin worn, hanger hole oval',
    tour: 'round',
    where: { on: 'fitting', kinds: ['equaliser'] },
  },
  {
    id: 'trailer-bracket',
    title: 'Gusset or bracket',
    look: 'weld toes, cracks running from them',
    tour: 'beneath',
    where: { on: 'fitting', kinds: ['gusset', 'bracket', 'spare carrier'] },
    critical: false,
  },
  {
    id: 'coupling',
    title: 'Coupler, pin box or coupler plate',
    look: 'bolts loose, welds to the beams, cracks across; a ball socket or pin worn',
    tour: 'round',
    where: { on: 'fitting', kinds: ['coupler', 'pin box', 'coupler plate'] },
  },
  {
    id: 'wall-skin',
    title: 'Wall skin',
    look: 'cracks from corners, gaps that open: what is behind it moves',
    tour: 'round',
    where: { on: 'panel', kinds: ['skin', 'floor'] },
    critical: false,
  },
  {
    id: 'trailer-tank',
    title: 'Tank and its cross straps',
    look: 'rust under the strap',
    tour: 'beneath',
    where: { on: 'fitting', kinds: ['tank', 'tank strap'] },
    critical: false,
  },
]);
const unibody = rules(
  ['unibody'],
  [
    {
      id: 'captive',
      title: 'Subframe or carrier mount',
      look: 'captive nuts spin; the seat round the bolt',
      tour: 'beneath',
      where: { on: 'fitting', kinds: ['captive mount', 'control arm'] },
    },
    {
      id: 'tower',
      title: 'Shock or strut tower top',
      look: 'from above and from the wheel',
      tour: 'round',
      where: { on: 'stretch', roles: ['tower'], from: 0.6, to: 1 },
    },
    {
      id: 'rail-end',
      title: 'Rail end at floor and sill',
      look: 'where it turns under the floor',
      tour: 'beneath',
      where: { on: 'ends', roles: ['rail'] },
      needs: INSIDE,
    },
    {
      id: 'jacking',
      title: 'Jacking point',
      look: 'pushed in before? seam beside it',
      tour: 'round',
      where: { on: 'fitting', kinds: ['lift point'] },
      needs: INSIDE,
    },
    {
      id: 'sill',
      title: 'Sill, layer by layer',
      look: 'count the layers at an edge against how many were made',
      tour: 'round',
      where: { on: 'stretch', roles: ['sill'], from: 0, to: 1 },
      needs: INSIDE,
    },
    {
      id: 'floor-rail',
      title: 'Floor rail and floor',
      look: 'from beneath, then under the carpet',
      tour: 'beneath',
      where: { on: 'stretch', roles: ['floor rail'], from: 0, to: 1 },
      needs: INSIDE,
    },
    {
      id: 'carrier',
      title: 'Axle carrier floor',
      look: 'diagonal corners first',
      tour: 'beneath',
      where: { on: 'ends', roles: ['brace'] },
    },
    {
      id: 'tower-top',
      title: 'Tower top',
      look: 'the cup round the bolts, sealer that has cracked',
      tour: 'round',
      where: { on: 'fitting', kinds: ['tower top'] },
      critical: false,
    },
    {
      id: 'floor-panel',
      title: 'Floor or bulkhead',
      look: 'from above and below; a second floor over the first',
      tour: 'beneath',
      where: { on: 'panel', kinds: ['floor', 'bulkhead'] },
      critical: false,
    },
    {
      id: 'inside-sill',
      title: 'Inside of sill or floor rail',
      look: 'packed dirt, how wet, whether its drains are open',
      tour: 'inside',
      where: { on: 'pocket' },
      critical: false,
    },
    {
      id: 'carpet',
      title: 'Floor under the carpets',
      look: 'wet felt, foam, a second floor over the first',
      tour: 'inside',
      where: { on: 'body', sides: 'both' },
    },
    {
      id: 'tow-eye',
      title: 'Tow eye',
      look: 'the crossmember behind it',
      tour: 'round',
      where: { on: 'fitting', kinds: ['hitch'] },
      critical: false,
    },
  ],
);
const beforeBuying = rules(
  FAMILY_IDS,
  [
    {
      id: 'fender',
      title: 'Fender with double panels',
      look: 'mud between the panels',
      tour: 'round',
      where: { on: 'body', sides: 'both' },
      critical: false,
    },
    {
      id: 'arch-ledge',
      title: 'Sill and wheel-arch ledge',
      look: 'filler, fresh paint, a magnet that lets go',
      tour: 'round',
      where: { on: 'body', sides: 'both' },
      critical: false,
    },
    {
      id: 'cabin-floor',
      title: 'Cab or body floor',
      look: 'soft places, patches, damp',
      tour: 'inside',
      where: { on: 'body', sides: 'once' },
      critical: false,
    },
    {
      id: 'tub-mount',
      title: 'Body mounts on the tub',
      look: 'the mount’s cup on the body, not only on the rail',
      tour: 'beneath',
      where: { on: 'body', sides: 'both' },
      critical: false,
    },
    {
      id: 'roll-bar',
      title: 'Roll-bar feet',
      look: 'rust round the foot plates',
      tour: 'inside',
      where: { on: 'body', sides: 'both' },
      critical: false,
    },
  ],
  { beforeBuying: true },
);

export const TRADE_SPOTS: readonly SpotRule[] = [
  ...open,
  ...ladders,
  ...boxed,
  ...trailers,
  ...unibody,
  ...beforeBuying,
];

/** A shop's changes to the list, in the order they were made: added, dropped or taken up again by rule id. */
export interface SpotChange {
  readonly ruleId: string;
  readonly does: 'add' | 'drop' | 'restore';
  readonly rule?: SpotRule;
}

export function spotRules(changes: readonly SpotChange[], learned: readonly SpotRule[] = []): SpotRule[] {
  const dropped = new Set<string>();
  const added = new Map<string, SpotRule>();
  for (const { ruleId, does, rule } of changes) {
    if (does === 'add' && rule) added.set(ruleId, rule);
    if (does === 'drop') dropped.add(ruleId);
    else dropped.delete(ruleId);
  }
  return [...TRADE_SPOTS, ...added.values(), ...learned].filter((rule) => !dropped.has(rule.id));
}

import type { Member } from '@/core/frame';
import type { UnitSystem } from '@/core/quantity';
import { severity, thinAllOver, type HostNeed, type MemberPicture, type MemberVerdict } from '@/core/weigh';
import { printStation } from './station';

/** What is made good without a plate drawn here: what is needed, and by whom. */
export const HOST_NEED_WORDS: Readonly<Record<HostNeed, string>> = {
  'weld anew':
    'cut the weld out to sound metal and lay it anew, by a welder qualified for it; ask first why it cracked',
  'fasten anew':
    'renew its fastenings in the maker’s size and grade, check their holes for wear; no weld in their place',
  'bond anew': 'glue or seal it anew as the maker says, on bright metal',
  'renew it': 'renew the part: the maker’s own, or one made to its drawing by somebody who may',
  'close the sheet': 'look at what is behind it first; then let sheet in as the maker joins it',
  'clear it': 'clear and wash it out, open its drain; then look at the metal',
  'look closer': 'look closer, tap or measure, before anybody relies on it',
};

/** Members that no plate is proposed on, and what their repair is. */
const OF_ROLE: Partial<Record<Member['role'], string>> = {
  upright:
    'It holds the front up: its repair is a sleeve or a new length let in, drawn by an engineer or the maker',
  leg: 'Its repair is a new leg or the maker’s own structure; nothing stands on it until then',
  outrigger: 'It is renewed as it was made, square to the beam; the floor is held up meanwhile',
  tongue: 'It pulls the trailer: it is renewed or reinforced to the coupler maker’s instructions only',
  stud: 'It is renewed as it was made, with the skin off',
  tower: 'It holds a spring: the maker’s own panel, joined as the maker says',
  'axle tube': 'It is renewed as it was made, or sleeved to an engineer’s drawing',
  'deck beam': 'Its repair is drawn by an engineer or the maker: people stand on it',
  sill: 'A sill is opened, its inner layers mended first, and closed with panels joined as the maker joins them',
  'floor rail': 'It is renewed as it was made, plug-welded through the floor where the maker did',
  plate: 'It is renewed as it was made',
  brace: 'It is renewed as it was made',
};
/** Why no plate is drawn on a member, and what is needed instead: never a step that would not help. */
export function nothingDrawnWords(
  picture: MemberPicture,
  { verdict, findings }: Pick<MemberVerdict, 'verdict' | 'findings'>,
  system: UnitSystem,
): string {
  const { member } = picture;
  const name = member.name.toLowerCase();
  const isBad = severity(verdict) >= severity('Mend');
  const hasDamage = picture.zones.length + picture.cracks.length > 0;
  if (!isBad && !picture.account.isKnown)
    return `Nothing is on record of ${name}: strike it or read it first.`;
  if (!isBad) return `Nothing on ${name} asks for a plate: Weigh says ${verdict}.`;
  if (member.role === 'crossmember')
    return verdict === 'Renew'
      ? 'A crossmember this thin is renewed, not plated. Own-made is fine: S and J at least the old one’s, space left beneath so that dirt can get out.'
      : `Weigh says ${verdict} of this crossmember. No plate is proposed on crossmembers: add a piece by hand, or renew it.`;
  const cracked = findings.find(({ code }) => code === 'crack-not-traced');
  if (cracked && !hasDamage)
    return `Cracked, not traced: ${cracked.name}. Clean it to bare metal, find both ends and record them in Trace: what covers it is drawn then.`;
  const ofRole = OF_ROLE[member.role];
  if (ofRole) return `Weigh says ${verdict} of ${name}. ${ofRole}.`;
  if (picture.steel.weldRepair !== 'yes' && hasDamage)
    return `${picture.steel.name}: no welded repair is proposed, and none that is bolted would do. Identify the steel in Frame, or follow the maker’s own instructions.`;
  const thin = thinAllOver(picture, { verdict, findings });
  if (thin)
    return `No wall of ${name} is thin enough to be cut out: it is thin all over, ${stretchWords(member, thin, system)}. A piece may be laid over that; what it restores is worked out as it is moved.`;
  return `Weigh says ${verdict} of ${name}; no plate is proposed for it. Its reasons are in Weigh.`;
}

type Stretch = NonNullable<ReturnType<typeof thinAllOver>>;
export const stretchWords = (member: Member, { fromMm, toMm }: Stretch, system: UnitSystem): string =>
  `${printStation(member, fromMm, system)} to ${printStation(member, toMm, system)}`;

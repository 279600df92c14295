import { crossingsOn, fittingsOn, memberOf, type Fitting, type Frame, type Member } from '@/core/frame';
import { seeded } from './seeded';

/** How much of the member the lens takes in, mm, and how large its picture is, px. */
const SEEN_MM = 760;
const [WIDTH_PX, HEIGHT_PX] = [960, 720];

/**
 * A camera, simulated: it stands beside a member and sees what the frame says hangs there, side on, as SVG without words. Paint, weld beads and bolts are
 * made up and are the same for the same place. A member that is not on the frame, or a station off its end, is a fault of the caller.
 */
export function viewFromBeside(frame: Frame, memberId: string, stationMm: number): string {
  const member = memberOf(frame, memberId);
  if (!member) throw new Error(`there is no member ${memberId}`);
  const scale = WIDTH_PX / SEEN_MM;
  const fromMm = stationMm - SEEN_MM / 2;
  const x = (mm: number) => (mm - fromMm) * scale;
  const middleY = HEIGHT_PX * 0.42;
  const halfPx = (member.shape.depthMm * scale) / 2;
  const parts = [
    ground(),
    ...crossings(frame, member, x, { middleY, halfPx }),
    rail(member, x, { middleY, halfPx }),
    ...fittingsOn(frame, member)
      .filter((each) => Math.abs(each.stationMm - stationMm) < SEEN_MM)
      .map((each) => hangs(each, x(each.stationMm), { bottomY: middleY + halfPx, scale })),
    grain(memberId.length * 131 + Math.round(stationMm)),
  ];
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH_PX}" height="${HEIGHT_PX}">${SHADES}${parts.join('')}</svg>`;
}

interface RailPx {
  readonly middleY: number;
  readonly halfPx: number;
}
type Across = (mm: number) => number;

const stops = (id: string, ...colours: readonly string[]): string =>
  `<linearGradient id="${id}" x2="0" y2="1">${colours
    .map((colour, k) => `<stop offset="${k / (colours.length - 1)}" stop-color="${colour}"/>`)
    .join('')}</linearGradient>`;
const SHADES = `<defs>${stops('wall', '#8b8f92', '#6d7276', '#565b60', '#474b50')}${stops('yard', '#b9b4a9', '#8d887d', '#5f5b54')}${stops('plate', '#7c8185', '#4f5458')}</defs>`;

const ground = (): string => `<rect width="${WIDTH_PX}" height="${HEIGHT_PX}" fill="url(#yard)"/>`;

function rail(member: Member, x: Across, { middleY, halfPx }: RailPx): string {
  const [left, right] = [Math.max(-20, x(0)), Math.min(WIDTH_PX + 20, x(member.lengthMm))];
  const box = (y: number, high: number, fill: string) =>
    `<rect x="${left}" y="${y}" width="${right - left}" height="${high}" fill="${fill}"/>`;
  const edge = Math.max(4, halfPx * 0.06);
  return [
    box(middleY - halfPx, 2 * halfPx, 'url(#wall)'),
    box(middleY - halfPx, edge, '#a9adb0'),
    box(middleY + halfPx - edge, edge, '#33373b'),
    box(middleY + halfPx, 16, '#0004'),
  ].join('');
}

const crossings = (frame: Frame, member: Member, x: Across, { middleY, halfPx }: RailPx): string[] =>
  crossingsOn(frame, member).map(
    ({ stationMm }) =>
      `<rect x="${x(stationMm) - 34}" y="${middleY - halfPx * 1.18}" width="68" height="${halfPx * 2.36}" fill="#3f4347"/>`,
  );

/** A plate under the member with its bead and bolts; an axle or a tank is a round one. */
function hangs({ kind, size, dropMm }: Fitting, atX: number, of: { bottomY: number; scale: number }): string {
  const wide = (size?.alongMm ?? 110) * of.scale;
  const deep = (size?.highMm ?? Math.min(220, Math.max(90, dropMm ?? 120))) * of.scale;
  const top = of.bottomY - 26;
  if (kind === 'axle' || kind === 'tank')
    return `<circle cx="${atX}" cy="${top + deep}" r="${wide / 2}" fill="url(#plate)" stroke="#2b2e31" stroke-width="3"/>`;
  const bolt = (dx: number, dy: number) =>
    `<circle cx="${atX + dx}" cy="${top + dy}" r="9" fill="#9a9da0" stroke="#2b2e31" stroke-width="3"/>`;
  return [
    `<path d="M${atX - wide / 2} ${top}h${wide}l${-wide * 0.18} ${deep}h${-wide * 0.64}z" fill="url(#plate)" stroke="#2b2e31" stroke-width="3"/>`,
    `<path d="M${atX - wide / 2} ${top}h${wide}" stroke="#b3b6b8" stroke-width="7" stroke-dasharray="9 3"/>`,
    bolt(0, deep - 28),
    bolt(-wide * 0.22, 30),
    bolt(wide * 0.22, 30),
  ].join('');
}

/** Specks of dirt and light, always the same at the same place. */
function grain(seed: number): string {
  const random = seeded(seed);
  const speck = (): string =>
    `<circle cx="${Math.round(random() * WIDTH_PX)}" cy="${Math.round(random() * HEIGHT_PX)}" r="${(0.6 + 2 * random()).toFixed(1)}" fill="${random() < 0.5 ? '#0002' : '#fff1'}"/>`;
  return Array.from({ length: 500 }, speck).join('');
}

import type { Finding } from '../finding';
import type { MemberPicture } from '../picture';
import { causeAndCarried } from './cause';
import { complainedOf } from './complained-of';
import { crackKinds } from './crack-kind';
import { crackedWelds } from './cracked-weld';
import { cracks } from './cracks';
import { criticalZone } from './critical-zone';
import { failedAgain } from './failed-again';
import { flanges, parted } from './flanges';
import { keptSection } from './kept-section';
import { oldPlateEnds } from './old-plate';
import { zincCoated } from './zinc';
import { fastenerGrades } from './fastener-grade';
import { edgeNotBracketed, edgeOpenBetween, soundEdgeMargin, thinLanding } from './sound-edge';
import { steelAllowsWelding } from './steel';
import { straightness } from './straightness';
import { survey } from './survey';
import { thinRead } from './thin-read';
import { walked } from './walked';

export type Rule = (picture: MemberPicture) => Finding[];

/** Every rule has one shape; adding a rule is adding a file and a line. */
export const RULES: readonly Rule[] = [
  survey,
  keptSection,
  parted,
  flanges,
  soundEdgeMargin,
  edgeNotBracketed,
  edgeOpenBetween,
  thinLanding,
  thinRead,
  cracks,
  crackedWelds,
  steelAllowsWelding,
  walked,
  straightness,
  crackKinds,
  criticalZone,
  causeAndCarried,
  oldPlateEnds,
  failedAgain,
  complainedOf,
  fastenerGrades,
  zincCoated,
];

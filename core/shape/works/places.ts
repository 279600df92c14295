import type { FittingKind } from '../../frame';
import type { WorkPlace } from './work';

/** Fittings that hang on a member by a plate or foot of their own. */
const BRACKETS: ReadonlySet<FittingKind> = new Set<FittingKind>([
  'spring hanger',
  'spring seat',
  'spring bucket',
  'equaliser',
  'control arm',
  'shock mount',
  'bump stop',
  'steering gear',
  'body mount',
  'bed mount',
  'skid-plate mount',
  'captive mount',
  'bracket',
  'gusset',
  'hitch',
  'coupler',
  'coupler plate',
  'tank strap',
  'spare carrier',
  'landing leg',
]);
export const isAtBracket = ({ fitting }: WorkPlace): boolean =>
  fitting !== undefined && BRACKETS.has(fitting);
export const isAt = ({ fitting }: WorkPlace, ...kinds: readonly FittingKind[]): boolean =>
  fitting !== undefined && kinds.includes(fitting);
export const isOfRole = (
  { on, member }: WorkPlace,
  ...roles: readonly WorkPlace['member']['role'][]
): boolean => on === 'member' && roles.includes(member.role);

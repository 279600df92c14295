export {
  checkCrack,
  crackExtent,
  crackKind,
  crackLengthMm,
  crackSchema,
  SEEN_BY_IDS,
  unrolledPath,
  type Crack,
} from './crack';

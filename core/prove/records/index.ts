export { flexKind, type Flex } from './flex';
export { leftUndoneKind, type LeftUndone } from './left-undone';
export { lookBookedKind, type LookBooked } from './look-booked';
export { passportIssuedKind, type PassportIssued } from './passport-issued';
export { preservedKind, type Preserved } from './preserved';
export { failedProofs, proofKind, PROOFS, STEERS_OR_STOPS, type Proof, type ProofOf } from './proof';
export { signOffKind, signOffSchema, type SignOff } from './sign-off';
export { openSnags, snagAnswerKind, snagKind, type Snag, type SnagAnswer } from './snag';

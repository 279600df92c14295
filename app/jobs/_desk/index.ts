export { DeskProvider, useDesk, type Desk } from './desk';
export { heldFile, useOutbox } from './outbox';
export { Bench } from './bench';
export { MemberStrip } from './member-strip';
export { SlicePanel } from './slice-panel';
export { StrikeSheet } from './strike-sheet';
export { asOwn } from './as-own';

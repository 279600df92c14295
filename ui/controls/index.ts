export { Choice } from './choice';
export { Sheet } from './sheet';
export { Menu, MenuAction, MenuLink } from './menu';
export { Entry } from './entry';
export { Pick } from './pick';
export { RecordForm } from './record-form';
export { useTapDrag, type Pointed } from './tap-drag';
export { localTime, today } from './local-time';
export { When } from './when';

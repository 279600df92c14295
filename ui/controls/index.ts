export { Choice } from './choice';
export { Sheet } from './sheet';
export { Menu, MenuAction, MenuLink } from './menu';
export { Entry, type EntryProps } from './entry';
export { Pick, PickBeside, PickCell } from './pick';
export { usePageKeys } from './page-keys';
export { AGAIN_MS, Settling, useJustChanged, useOneByOne } from './settling';
export { RecordForm, TypedRecordForm } from './record-form';
export { useTapDrag, type Pointed } from './tap-drag';
export { useRoom } from './room';
export { localTime, today } from './local-time';
export { When } from './when';
export { SortedHead, type Sorted } from './sorted-head';
export {
  FieldProblem,
  OtherKeep,
  TypedChoice,
  TypedEntry,
  TypedForm,
  TypedPick,
  TypedPress,
  TypedProblem,
  TypedTick,
  useTypedForm,
  type FormRefusal,
  type TypedFormOf,
} from './typed-form';

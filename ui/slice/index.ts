export { Slice, type SliceProps } from './slice';

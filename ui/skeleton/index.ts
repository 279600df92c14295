export { Skeleton, type SkeletonProps } from './skeleton';
export { type MemberMark } from './mark';
export { FlexView, type FlexLayer } from './flex';

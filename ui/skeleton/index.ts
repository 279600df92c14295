export { Skeleton, type MemberMark, type SkeletonProps } from './skeleton';
export { FlexView, type FlexLayer } from './flex';

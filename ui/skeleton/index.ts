export { Skeleton, type MemberMark, type SkeletonProps } from './skeleton';

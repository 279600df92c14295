import type { FaceId, Member } from '@/core/frame';

export const FACE_WORDS: Readonly<Record<FaceId, string>> = {
  top: 'top flange',
  web: 'web',
  bottom: 'bottom flange',
  outer: 'outer side',
  inner: 'inner side',
  'outer lip': 'outer lip',
  'inner lip': 'inner lip',
};
const BOX_WORDS: Readonly<Record<FaceId, string>> = { ...FACE_WORDS, top: 'top', bottom: 'bottom' };
export const faceWords = (member: Member, face: FaceId): string =>
  (member.shape.kind === 'channel' || member.shape.kind === 'I' || member.shape.kind === 'built-up'
    ? FACE_WORDS
    : BOX_WORDS)[face];

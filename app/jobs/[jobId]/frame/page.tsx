import { FrameBench } from './_parts/frame-bench';

export const metadata = { title: 'Frame' };

export default function Frame() {
  return <FrameBench />;
}

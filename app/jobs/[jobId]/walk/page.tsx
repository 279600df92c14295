import { WalkBench } from './_parts/walk-bench';

export const metadata = { title: 'Walk' };

export default function Walk() {
  return <WalkBench />;
}

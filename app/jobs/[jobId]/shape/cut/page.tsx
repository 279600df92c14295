import { CutBench } from './_parts/cut-bench';

export const metadata = { title: 'To cut' };

export default function Cut() {
  return <CutBench />;
}

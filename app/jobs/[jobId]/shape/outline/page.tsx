import { OutlineBench } from './_parts/outline-bench';

export const metadata = { title: 'From the opening' };

export default function FromTheOpening() {
  return <OutlineBench />;
}

import { TraceBench } from './_parts/trace-bench';

export const metadata = { title: 'Trace' };

export default function Trace() {
  return <TraceBench />;
}

import { ProbeBench } from './_parts/probe-bench';

export const metadata = { title: 'Probe' };

export default function Probe() {
  return <ProbeBench />;
}

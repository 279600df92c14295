import { RailBench } from './_parts/rail-bench';

export const metadata = { title: 'At the rail' };

export default function AtTheRail() {
  return <RailBench />;
}

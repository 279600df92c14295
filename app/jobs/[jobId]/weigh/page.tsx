import { WeighBench } from './_parts/weigh-bench';

export const metadata = { title: 'Weigh' };

export default function Weigh() {
  return <WeighBench />;
}

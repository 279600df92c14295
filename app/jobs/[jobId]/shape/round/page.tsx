import { RoundBench } from './_parts/round-bench';

export const metadata = { title: 'In the round' };

export default function InTheRound() {
  return <RoundBench />;
}

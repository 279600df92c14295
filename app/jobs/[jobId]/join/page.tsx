import { JoinBench } from './_parts/join-bench';

export const metadata = { title: 'Join' };

export default function Join() {
  return <JoinBench />;
}

import { ProveBench } from './_parts/prove-bench';

export const metadata = { title: 'Prove' };

export default function Prove() {
  return <ProveBench />;
}

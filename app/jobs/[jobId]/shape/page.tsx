import { ShapeBench } from './_parts/shape-bench';

export const metadata = { title: 'Shape' };

export default function Shape() {
  return <ShapeBench />;
}

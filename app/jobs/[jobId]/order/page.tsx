import { OrderBench } from './_parts/order-bench';

export const metadata = { title: 'Order' };

export default function Order() {
  return <OrderBench />;
}

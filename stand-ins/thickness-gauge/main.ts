import { onALine } from '../on-a-line';
import { simulatedGauge } from './gauge';

onALine(simulatedGauge(Number(process.env.GAUGE_SEED ?? 1), Number(process.env.GAUGE_DRIFT ?? 0)));

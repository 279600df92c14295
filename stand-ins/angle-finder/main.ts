import { onALine } from '../on-a-line';
import { simulatedAngleFinder } from './angle-finder';

onALine(simulatedAngleFinder(Number(process.env.DEVICE_SEED ?? 1)));

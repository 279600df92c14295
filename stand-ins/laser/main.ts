import { onALine } from '../on-a-line';
import { simulatedLaser } from './laser';

onALine(simulatedLaser(Number(process.env.DEVICE_SEED ?? 1)));

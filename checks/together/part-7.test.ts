import { runPart } from './part';

runPart(7);

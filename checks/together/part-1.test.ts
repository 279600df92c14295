import { runPart } from './part';

runPart(1);

import { runPart } from './part';

runPart(3);

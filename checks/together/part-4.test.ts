import { runPart } from './part';

runPart(4);

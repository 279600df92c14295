import { runPart } from './part';

runPart(8);

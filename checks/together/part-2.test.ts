import { runPart } from './part';

runPart(2);

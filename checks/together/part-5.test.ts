import { runPart } from './part';

runPart(5);

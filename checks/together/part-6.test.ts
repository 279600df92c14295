import { runPart } from './part';

runPart(6);

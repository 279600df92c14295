export { Round } from './round';
export { greyOf, toneOf } from './tones';

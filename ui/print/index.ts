export { blankPaths } from './flat-drawing';

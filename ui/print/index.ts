export { flatPaths } from './flat-drawing';

export { Plot, type Ink } from './plot';
export { acrossAt, besideLine, cursorAt, legend, still } from './axes';

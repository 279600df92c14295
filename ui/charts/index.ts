export { Plot, type Ink } from './plot';

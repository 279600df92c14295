import { readyDemo } from '../set-up/server.mjs';

/** One demo database for the whole run: every server takes a copy. */
export default readyDemo;

/** Stands on every answer of this program. */
export const OURS = 'x-ossatura';
/** Stands on what came from the device's own store: when the server said it. */
export const KEPT_AT = 'x-ossatura-kept-at';
/** Where pages are kept. */
export const PAGES = 'pages';
/** Where answers about jobs are kept. Its name changes with their shape: this program does not read an earlier one's. */
export const READS = 'reads-2';
export const EARLIER_READS = ['reads'];

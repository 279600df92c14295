import { v4 } from 'uuid';

/** An id for a new record. Pages are also served over a shop's plain HTTP, where the browser's own `randomUUID` does not exist. */
export const newId = (): string => v4();

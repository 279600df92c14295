/** Fonts out of their packed files, by the format's own library. */
declare module 'wawoff2' {
  export function decompress(packed: Uint8Array): Promise<Uint8Array>;
}

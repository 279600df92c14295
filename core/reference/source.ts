/** Where a number comes from. `fromMemory` says that the document was not at hand when it was written down. */
export interface Source {
  readonly document: string;
  readonly clause?: string;
  readonly fromMemory?: boolean;
}

export const COMMON_PRACTICE: Source = { document: 'Common practice, no source' };

export function printSource(source: Source): string {
  const cited = source.clause ? `${source.document}, ${source.clause}` : source.document;
  return source.fromMemory ? `${cited} (from memory)` : cited;
}

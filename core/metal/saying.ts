import type { FaceId } from '../frame';

/** How something is known, best first; what a gauge measured comes by the map. */
export type KnownBy = 'opened' | 'struck' | 'felt' | 'seen' | 'told';

/**
 * What one record claims of the metal of its extent:
 *
 *   gone      no metal that counts: gave way, a hole, through
 *   parted    a crack: the strips it crosses do not carry there
 *   unsound   less than sound, how much is not known: below a felt edge
 *   doubtful  how much is left is not known
 *   hidden    a cover lies over it: nothing is known beneath
 *   unseen    nobody saw it
 *   seen      somebody saw it and found nothing wrong; no thickness
 *   held      a hammer or a finger found at least `keptLow` of it
 *   opened    what covered it is off: a cover noted before hides nothing any more
 *   straightened  what was bent or twisted is straight again; nothing else of it is answered
 *   put right old evidence of this extent ends here
 */
export type Claim =
  | 'gone'
  | 'parted'
  | 'unsound'
  | 'doubtful'
  | 'hidden'
  | 'unseen'
  | 'seen'
  | 'held'
  | 'opened'
  | 'straightened'
  | 'put right';

/** One record's word on an extent of one member's wall. Stations are the member's own, mm; heights are on the face, mm. */
export interface Saying {
  readonly claim: Claim;
  readonly by: KnownBy;
  readonly recordId: string;
  /** When it was noted; absent of what nobody has noted anything of. */
  readonly at?: string;
  /** What was found, as the record names it, and where when the place has a name of its own. */
  readonly what: string;
  readonly where?: string;
  readonly fromMm: number;
  readonly toMm: number;
  /** All faces where none is named. */
  readonly face?: FaceId;
  /** The whole height of the face where none is given; developed coordinates for a crack, which knows no faces. */
  readonly lowMm?: number;
  readonly highMm?: number;
  readonly band?: { readonly uFromMm: number; readonly uToMm: number };
  /** Of a `hidden`: metal of its own lies over it, and a reading there is that metal's. A coat is none. */
  readonly isSkin?: boolean;
  /** Of a `doubtful`: said with the gone metal it lies round, and not by itself. */
  readonly isRound?: boolean;
  /** Of a `doubtful`: for its shape alone, bent or twisted. */
  readonly isShape?: boolean;
  /** Of an `unseen`: somebody stood there and said so. */
  readonly isSaid?: boolean;
  /** Of a `held`: the least share of the wall as made that it vouches for. */
  readonly keptLow?: number;
  /** Of a `gone` that nobody located on the section: how sure each face is. Elsewhere on the extent metal is doubtful. */
  readonly unlocated?: boolean;
}

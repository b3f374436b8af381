import type { LotRecord } from './record.ts';

/**
 * Elevations, m, that a lot may have been made at: the kitchen's as it was when the lot was begun, and as it was put right since. What heats is held against the
 * stricter of them.
 * @example elevationsOf(lot) // [719]
 */
export const elevationsOf = (lot: Pick<LotRecord, 'elevationMetres' | 'correctedElevation'>): number[] => [
  ...(lot.correctedElevation == null ? [lot.elevationMetres] : [lot.correctedElevation]),
];

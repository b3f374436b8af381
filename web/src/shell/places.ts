/** The places to go, in the order of the work. */
export interface Place {
  path: string;
  name: string;
  /** Letter after `g`. */
  letter: string;
  /** Lot states whose pennants hang here. */
  states: readonly string[];
  /** Whether a phone's bottom bar has it; the others stand under “More”. */
  onPhone?: true;
}

export const places: readonly Place[] = [
  { path: '/', name: 'Today', letter: 't', states: [], onPhone: true },
  { path: '/formulas', name: 'Formulas', letter: 'f', states: [] },
  { path: '/plan', name: 'Plan', letter: 'p', states: [], onPhone: true },
  { path: '/stove', name: 'Stove', letter: 's', states: ['planned', 'making'], onPhone: true },
  { path: '/bottling', name: 'Bottling', letter: 'b', states: ['resting', 'bottled', 'held'], onPhone: true },
  { path: '/labels', name: 'Labels', letter: 'l', states: [] },
  { path: '/shelf', name: 'Shelf', letter: 'h', states: [], onPhone: true },
  { path: '/records', name: 'Records', letter: 'r', states: [] },
  { path: '/bench', name: 'Bench', letter: 'e', states: [] },
];

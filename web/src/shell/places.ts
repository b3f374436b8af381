/** The places to go, in the order of the work. */
export interface Place {
  path: string;
  name: string;
  /** Letter after `g`. */
  letter: string;
  /** Lot states whose pennants hang here. */
  states: readonly string[];
}

export const places: readonly Place[] = [
  { path: '/', name: 'Today', letter: 't', states: [] },
  { path: '/formulas', name: 'Formulas', letter: 'f', states: [] },
  { path: '/plan', name: 'Plan', letter: 'p', states: [] },
  { path: '/stove', name: 'Stove', letter: 's', states: ['planned', 'making'] },
  { path: '/bottling', name: 'Bottling', letter: 'b', states: ['resting', 'bottled', 'held'] },
  { path: '/labels', name: 'Labels', letter: 'l', states: [] },
  { path: '/shelf', name: 'Shelf', letter: 'h', states: [] },
  { path: '/records', name: 'Records', letter: 'r', states: [] },
  { path: '/bench', name: 'Bench', letter: 'e', states: [] },
];

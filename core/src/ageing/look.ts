import type { Entries, Recorded } from '../record/index.ts';

type Look = Recorded<Entries['look']>;

/** What is wrong with a bottle, and not only older: it holds its lot. */
const FAULTS: Partial<Record<Look['findings'][number], string>> = {
  film: 'a film',
  gas: 'gas',
  mould: 'mould',
  'off-smell': 'an off smell',
  'lid-lifted': 'a lid that lifted',
  leak: 'a leak',
};

/** Score under which a bottle is no longer what was released. */
const LEAST_SCORE = 6;

/** How far a pH may move from that of release before it is asked about. */
const PH_MOVED = 0.3;

type Seen = Pick<Look, 'findings' | 'colour' | 'smell' | 'taste'>;

/**
 * Faults of a look that hold its lot, in words; empty where it only aged.
 * @example faultsOf({ findings: ['haze', 'gas'], colour: 8, smell: 8, taste: null }) // ['gas']
 */
export const faultsOf = ({ findings }: Pick<Look, 'findings'>): string[] =>
  findings.flatMap((finding) => FAULTS[finding] ?? []);

/**
 * Whether a bottle is still what was released: no fault, and no score under six.
 * @example isGood({ findings: ['sediment'], colour: 7, smell: 9, taste: null }) // true
 */
export const isGood = (look: Seen): boolean =>
  faultsOf(look).length === 0 &&
  [look.colour, look.smell, look.taste].every((score) => score === null || score >= LEAST_SCORE);

/**
 * Why a pH read of a bottle kept back asks for the lot to be held: over its limit, or moved far from that of release.
 * @param ph of the look; @param released highest at release, null where none was measured
 * @example phMoved(3.9, 3.5, 4.2) // 'its pH moved from 3.50 to 3.90'
 */
export function phMoved(ph: number | null, released: number | null, criticalPh: number): string | null {
  if (ph === null) return null;
  if (ph > criticalPh) return `a pH of ${ph.toFixed(2)}, over the limit of ${criticalPh}`;
  if (released !== null && Math.abs(ph - released) > PH_MOVED)
    return `its pH moved from ${released.toFixed(2)} to ${ph.toFixed(2)}`;
  return null;
}

import type { Gate } from './gate/gate.ts';
import { type LotBottles, lotBottles } from './keeping/bottles.ts';
import { keepsShort, lastDayOf } from './keeping/lastDay.ts';
import { bottleLives, EVER } from './keeping/life.ts';
import type { LotKeeping } from './keeping/lotKeeping.ts';
import { type NextLook, nextLooks, retainedGroups } from './keeping/retained.ts';
import type { LotRecord } from './record.ts';
import { movesOf, printsOf } from './record.ts';
import { ENDED } from './state.ts';

/** What lists, the shelf and Today show of a lot. It holds of the record at any time of the clock, until the record grows. */
export interface LotStanding {
  id: string;
  code: string;
  name: string;
  colour: string;
  kind: LotRecord['product']['kind'];
  state: LotRecord['state'];
  begunAt: string;
  madeOn: string;
  readyOn: string;
  bestBy: string | null;
  dateWord: LotKeeping['dateWord'];
  storage: LotRecord['storage'];
  keepingClass: LotKeeping['class'];
  /** The step in hand while it is made; null otherwise. */
  step: string | null;
  gatesOpen: number;
  gatesAll: number;
  bottles: LotBottles;
  heldWhy: string | null;
  /** Whether a label was ever printed of it. */
  printed: boolean;
  /** Next looks at what is kept back of it. */
  nextLooks: NextLook[];
  /** How many are kept back. */
  retained: number;
  /** Bottles with somebody, and how many of them with somebody who was not told of the recall. */
  away: { count: number; untold: number };
  /** Of what is kept cold or frozen: when its bottles are too warm, where they stand, and the last day of those that are not frozen. */
  stands: { place: string; count: number; tooWarmAt: string | null; until: string | null }[];
}

const isDone = (step: LotRecord['steps'][number]): boolean =>
  [...step.marks]
    .filter((mark) => mark.kind !== 'answer')
    .sort((a, b) => a.at.localeCompare(b.at))
    .at(-1)?.kind === 'done';

/** The first step that is not done, by its marks alone. */
const stepInHand = (lot: LotRecord): string =>
  [...lot.steps].sort((a, b) => a.position - b.position).find((step) => !isDone(step))?.title ??
  'Fill the bottles';

/** Bottles of a lot that are with somebody, by the sales and gifts that they went by, what came back taken off the first told. */
function awayFrom(lot: LotRecord): LotStanding['away'] {
  const gone = movesOf(lot).filter((m) => m.kind === 'sold' || m.kind === 'given');
  const back = movesOf(lot).reduce((sum, m) => sum + (m.kind === 'returned' ? m.count : 0), 0);
  const told = new Set(lot.tellings.map((t) => t.movementId));
  const count = gone.reduce((sum, m) => sum + m.count, 0) - back;
  const untold = gone.reduce((sum, m) => sum + (told.has(m.id) ? 0 : m.count), 0);
  return { count, untold: Math.max(0, Math.min(untold, count)) };
}

/** Where bottles of a lot stand that is kept cold or frozen. */
function standsOf(lot: LotRecord, keeping: LotKeeping): LotStanding['stands'] {
  if (lot.storage === 'shelf' || movesOf(lot).length === 0) return [];
  const short = keepsShort(lot);
  return bottleLives(lot, EVER).map((life) => ({
    place: life.place,
    count: life.count,
    tooWarmAt: short ? life.tooWarmAt : null,
    until: lastDayOf(lot, life, keeping),
  }));
}

/**
 * The standing of a lot: its summary, derived from its record and what was judged of it.
 * @param judged keeping and release checks of the same record
 * @example lotStanding(lot, { keeping: lotKeeping(lot, { timeZone: 'UTC' }), gates: [] }).code === lot.code // true
 */
export function lotStanding(
  lot: LotRecord,
  { keeping, gates }: { keeping: LotKeeping; gates: readonly Gate[] },
): LotStanding {
  return {
    id: lot.id,
    code: lot.code,
    name: lot.product.name,
    colour: lot.product.colour,
    kind: lot.product.kind,
    state: lot.state,
    begunAt: lot.begunAt,
    madeOn: keeping.madeOn,
    readyOn: keeping.readyOn,
    bestBy: keeping.bestBy,
    dateWord: keeping.dateWord,
    storage: lot.storage,
    keepingClass: keeping.class,
    step: lot.state === 'making' ? stepInHand(lot) : null,
    gatesOpen: gates.filter((gate) => gate.open).length,
    gatesAll: gates.length,
    bottles: lotBottles(lot),
    heldWhy: lot.state === 'held' ? (lot.decisions.filter((d) => d.to === 'held').at(-1)?.why ?? null) : null,
    printed: printsOf(lot).length > 0,
    nextLooks: ['discarded', 'recalled'].includes(lot.state) ? [] : nextLooks(lot, keeping),
    retained: retainedGroups(lot).reduce((sum, g) => sum + g.count, 0),
    away: awayFrom(lot),
    stands: standsOf(lot, keeping),
  };
}

/**
 * Whether a lot is in hand: not ended, or with bottles that stand somewhere.
 * @example isOnHand({ state: 'closed', bottles: { left: 0 } }) // false
 */
export const isOnHand = (lot: Pick<LotStanding, 'state' | 'bottles'>): boolean =>
  !ENDED.includes(lot.state) || (lot.state !== 'discarded' && lot.bottles.left > 0);

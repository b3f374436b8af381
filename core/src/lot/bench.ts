import type { Fault } from '../formula/index.ts';
import { limitOfHeat, temperature } from '../quantity/index.ts';
import { catalogueOf } from './catalogue.ts';
import { cooledIn } from './gate/cooled.ts';
import { heatingsOf } from './gate/heating.ts';
import { stepClock } from './pan/clock.ts';
import { type LotRecord, standing } from './record.ts';

const HOUR = 3_600_000;
/** Longest time, h, between the first fruit or sugar and the heat or the cold. */
const LONGEST = 48;
/** °C at or under which nothing stands on the bench. */
const COLD = 5;
/** °C of a kitchen where nobody said how warm it is. */
const KITCHEN = 25;
/** °C from which it is not on the bench but hot. */
const HOT = 60;
/** Families that do nothing by standing. */
const KEEPS: ReadonlySet<string> = new Set(['water', 'acid', 'vinegar', 'spirit', 'preservative']);

/** When the first fruit, sugar or plant was weighed in: whatever clock was pressed. */
function firstIn(lot: LotRecord): string | null {
  const catalogue = catalogueOf(lot);
  const found = standing(lot.additions).find(
    (a) => a.grams > 0 && !KEEPS.has(catalogue.get(a.ingredientId).family),
  );
  return found?.at ?? null;
}

/** When a lot came off the bench: it was measured hot or cold, was heated through, or its bottles were chilled, or filled. */
function offTheBench(lot: LotRecord): string | null {
  const read = standing(lot.readings)
    .filter((r) => r.kind === 'temperature' && r.sample === 'pan' && r.counts && r.instrument !== null)
    .filter((r) => r.value !== null && (r.value >= HOT || r.value <= COLD))
    .map((r) => r.at);
  const bottled = standing(lot.bottlings).map((b) => {
    const { to5 } = cooledIn(lot, b);
    return b.closing === 'cooled' && to5 !== null && heatingsOf(lot).length === 0
      ? new Date(Date.parse(b.at) + Math.max(0, to5) * HOUR).toISOString()
      : b.at;
  });
  return [...read, ...heatingsOf(lot).map((h) => h.from), ...bottled].sort()[0] ?? null;
}

/** Milliseconds of a span that its steps stood cold, as their clocks ran and their temperature was said. */
function coldWithin(lot: LotRecord, from: string, to: string): number {
  return lot.product.content.steps.reduce((sum, said) => {
    const step = lot.steps.find((s) => s.formulaStepId === said.id);
    if (!step || said.celsius === undefined || said.celsius > COLD) return sum;
    const { startedAt, doneAt } = stepClock(step, to);
    if (startedAt === null || doneAt === null) return sum;
    const within =
      Math.min(Date.parse(doneAt), Date.parse(to)) - Math.max(Date.parse(startedAt), Date.parse(from));
    return sum + Math.max(0, within);
  }, 0);
}

/** How warm it stood, as the formula says it; a warm kitchen's where it says nothing. */
const warmthOf = (lot: LotRecord): number =>
  lot.product.content.steps.find((s) => s.kind === 'draw' && s.celsius !== undefined)?.celsius ?? KITCHEN;

/**
 * What stood on the bench too long: its hours run from the first fruit or sugar that was weighed in to its first heat, its cold or its filling.
 * @example benchFaults(lot) // []
 */
export function benchFaults(lot: LotRecord): Fault[] {
  const from = firstIn(lot);
  const to = offTheBench(lot);
  if (from === null || to === null || to <= from) return [];
  const hours = (Date.parse(to) - Date.parse(from) - coldWithin(lot, from, to)) / HOUR;
  if (hours <= LONGEST) return [];
  return [
    {
      text: `From the first that was weighed in it stood ${Math.round(hours)} h at ${temperature(warmthOf(lot), 0)}, where ${LONGEST} h at ${limitOfHeat(20)} are the longest. It is discarded.`,
    },
  ];
}

import { compositionOf, solidsOf } from '../../formula/index.ts';
import { boilingPointOfWater } from '../../heat/index.ts';
import {
  brixFromDip,
  type PanAddition,
  type PanReading,
  panOfVolume,
  solidsFromDip,
  type VesselShape,
} from '../../pan/index.ts';
import { densityAt20 } from '../../sugar/index.ts';
import { catalogueOf } from '../catalogue.ts';
import { type LotRecord, type LotStep, type Reading, standing } from '../record.ts';
import { elapsedAt } from './clock.ts';
import { stepOfAddition, stepUnderWay } from './panLines.ts';

export type Look = Reading & { value: number; seconds: number };

/** Something that went in on the way: its water and solids, and the acids of 100 g of it with how many times that. */
export type Poured = PanAddition & { at: string; acids: number[]; share: number };

/** Fruit that stands in the liquid: a scale and a ruler see it too. */
export interface FruitIn {
  grams: number;
  /** mL that it takes up. */
  millilitres: number;
}

/** One standard deviation of a look at the pan, as a share: a scale, a drop on the glass, a ruler in a moving liquid. */
const NOISE = { mass: 0.008, brix: 0.012, depth: 0.03, volume: 0.02 } as const;
/** Two looks this near each other, s, tell of one pan. */
const TOGETHER = 600;
/** A thermometer read longer ago than this, ms, says little of the pan now. */
const FRESH = 20 * 60_000;

/** What was read of a pan at a step, and at the straining just before it, in order, by seconds of the step's clock. */
export function looksAt(lot: LotRecord, step: LotStep): Look[] {
  const before = lot.steps.find((s) => s.position === step.position - 1);
  const lead = before?.kind === 'strain' ? before : null;
  return standing(lot.readings)
    .filter((r): r is Reading & { value: number } => {
      if (r.value === null) return false;
      const of = r.stepId ?? stepUnderWay(lot, r.at)?.id;
      return of === step.id || (lead !== null && of === lead.id);
    })
    .sort((a, b) => a.at.localeCompare(b.at))
    .map((r) => ({ ...r, seconds: elapsedAt(step, r.at) }));
}

/** What went into the pan at a step, dissolved solids and water in g, in order, by seconds of its clock. */
export function additionsAt(lot: LotRecord, step: LotStep): Poured[] {
  const catalogue = catalogueOf(lot);
  const byJar = new Set(
    lot.product.content.lines.filter((line) => line.basis?.per === 'bottle').map((line) => line.id),
  );
  return standing(lot.additions)
    .filter((a) => a.grams > 0 && !byJar.has(a.lineId ?? '') && stepOfAddition(lot, a) === step.formulaStepId)
    .sort((a, b) => a.at.localeCompare(b.at))
    .map((a) => {
      const of = compositionOf(catalogue.get(a.ingredientId), 'typical').composition;
      return {
        at: a.at,
        seconds: elapsedAt(step, a.at),
        waterGrams: ((of.water + of.ethanol) * a.grams) / 100,
        solidsGrams: (solidsOf(of) * a.grams) / 100,
        acids: of.acids,
        share: a.grams / 100,
      };
    });
}

/** A thousandth of a second: by so much later is what came after something else in the same second of a clock. */
const NEXT = 1e-3;

/** Looks and additions by seconds that keep their order: while a clock stands, all that happens has its one second. */
export function ordered<T extends { at: string; seconds: number }>(events: readonly T[]): T[] {
  let last = -NEXT;
  return [...events]
    .sort((a, b) => a.at.localeCompare(b.at))
    .map((event) => {
      last = Math.max(event.seconds, last + NEXT);
      return { ...event, seconds: last };
    });
}

/** The pan's own temperature at a look, °C: read lately, or of a boil while the clock runs, or of the room. */
export function warmthAt(lot: LotRecord, looks: readonly Look[], at: string, boiling: boolean): number {
  const read = looks
    .filter((r) => r.kind === 'temperature' && r.at <= at && Date.parse(at) - Date.parse(r.at) < FRESH)
    .at(-1);
  return Math.min(110, read?.value ?? (boiling ? boilingPointOfWater(lot.elevationMetres) + 1 : 20));
}

/** Whether an instant lies after the earlier and not after the later of two. */
const between = (at: string, one: string, other: string): boolean => {
  const [first, last] = [one, other].sort();
  return at > first! && at <= last!;
};

/** Dissolved solids at the step's start, g, by each pair of a weight or dip with a °Bx taken together; empty without one. */
export function solidsByPairs(
  lot: LotRecord,
  looks: readonly Look[],
  added: readonly Poured[],
  pan: { shape: VesselShape | null; fruit: FruitIn },
): number[] {
  const { shape, fruit } = pan;
  const found: number[] = [];
  for (const sweet of looks.filter((r) => r.kind === 'brix')) {
    const near = looks
      .filter(
        (r) =>
          (r.kind === 'mass' || r.kind === 'volume' || (r.kind === 'depth' && shape)) &&
          Math.abs(r.seconds - sweet.seconds) < TOGETHER &&
          !added.some((a) => between(a.at, r.at, sweet.at)),
      )
      .sort((a, b) => Math.abs(a.seconds - sweet.seconds) - Math.abs(b.seconds - sweet.seconds))[0];
    if (!near) continue;
    const there =
      near.kind === 'mass'
        ? ((near.value - fruit.grams) * sweet.value) / 100
        : near.kind === 'volume'
          ? ((near.value - fruit.millilitres) * densityAt20(Math.min(80, sweet.value)) * sweet.value) / 100
          : solidsFromDip({
              shape: shape!,
              depthMm: near.value,
              celsius: warmthAt(lot, looks, near.at, near.seconds > 0),
              brix: sweet.value,
              fruitMl: fruit.millilitres,
            });
    const since = added.filter((a) => a.at <= sweet.at).reduce((sum, a) => sum + a.solidsGrams, 0);
    if (there - since > 0) found.push(there - since);
  }
  return found;
}

/** Looks as the reduction forecast takes them; a dip is worth its mass by the solids that were in the pan then. */
export function panReadings(
  lot: LotRecord,
  looks: readonly Look[],
  added: readonly Poured[],
  pan: { solidsGrams: number; shape: VesselShape | null; fruit: FruitIn },
): PanReading[] {
  const { fruit } = pan;
  const readings: PanReading[] = [];
  for (const look of looks) {
    const { seconds, value } = look;
    if (look.kind === 'mass')
      readings.push({ seconds, grams: Math.max(1, value - fruit.grams), noise: NOISE.mass });
    if (look.kind === 'brix' && value > 0.5) readings.push({ seconds, brix: value, noise: NOISE.brix });
    if (look.kind !== 'volume' && (look.kind !== 'depth' || !pan.shape)) continue;
    const solidsGrams =
      pan.solidsGrams + added.filter((a) => a.at <= look.at).reduce((sum, a) => sum + a.solidsGrams, 0);
    try {
      // A volume stands in the record as it is at 20 °C; a dip is read in what is hot.
      const celsius = warmthAt(lot, looks, look.at, seconds > 0);
      const dip =
        look.kind === 'volume'
          ? panOfVolume({ hotMillilitres: value - fruit.millilitres, celsius: 20, solidsGrams })
          : brixFromDip({
              shape: pan.shape!,
              depthMm: value,
              celsius,
              solidsGrams,
              fruitMl: fruit.millilitres,
            });
      readings.push({ seconds, grams: dip.grams, noise: NOISE[look.kind] });
    } catch (error) {
      // A dip that cannot be, for this pan and its solids, is in the record and tells the forecast nothing.
      if (!(error instanceof RangeError)) throw error;
    }
  }
  return readings;
}

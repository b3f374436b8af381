import { type AcidName, type Acids, acidsFromPhAndTa, noAcids, placeOfAcid } from '../../acid/index.ts';
import type { Ingredient } from '../../ingredient/index.ts';
import { atDeviation } from './chance.ts';
import { juiceWater, waterPer100g } from './composition.ts';

type Juice = Extract<Ingredient['acidity'], { kind: 'juice' }>;

/** Acids (mol, by their place) and base of 100 g of a juice over a grid of its pH and TA, solved once, for each of three splits of its acids. */
export interface JuiceTable {
  /** Acids and base at deviations of pH and TA and one of the splits; null where no such juice is possible. */
  at(ph: number, ta: number, split: number): { acids: number[]; baseEquivalents: number } | null;
}

const PH_ROWS = 13;
const TA_ROWS = 7;
const REACH = 2.5;

/** How far a split may be off: a tenth of the acid more or less of its chief one. */
const SPLITS = [0, 0.1, -0.1];

/** Of acids not known by kind: all the one, all the other, or both. */
const UNKNOWN_SPLITS: readonly Acids[] = [{ citric: 1, malic: 1 }, { citric: 1 }, { malic: 1 }];

function shifted(split: Acids, by: number): Acids {
  const names = Object.keys(split) as AcidName[];
  if (names.length < 2 || by === 0) return split;
  const total = names.reduce((sum, name) => sum + split[name]!, 0);
  const chief = names.reduce((best, name) => (split[name]! > split[best]! ? name : best));
  const share = Math.min(0.99, Math.max(0.01, split[chief]! / total + by));
  const rest = 1 - split[chief]! / total;
  return Object.fromEntries(
    names.map((name) => [name, name === chief ? share : ((split[name]! / total) * (1 - share)) / rest]),
  );
}

/** Total acid and base per kg of water at the grid's corners; NaN where they do not fit. */
function grid(acidity: Juice, split: Acids, water: number): { total: Float64Array; base: Float64Array } {
  const [total, base] = [new Float64Array(PH_ROWS * TA_ROWS), new Float64Array(PH_ROWS * TA_ROWS)];
  for (let i = 0; i < PH_ROWS; i++)
    for (let j = 0; j < TA_ROWS; j++) {
      const ph = atDeviation(acidity.ph, REACH * ((2 * i) / (PH_ROWS - 1) - 1));
      const ta = atDeviation(acidity.taPer100g, REACH * ((2 * j) / (TA_ROWS - 1) - 1));
      const k = i * TA_ROWS + j;
      try {
        const juice = acidsFromPhAndTa({ ph, taCitric: (ta * 1000) / water, split });
        total[k] = Object.values(juice.acids).reduce((sum, mol) => sum + mol, 0);
        base[k] = juice.baseEquivalents;
      } catch (error) {
        if (!(error instanceof RangeError)) throw error;
        total[k] = Number.NaN;
      }
    }
  return { total, base };
}

function between(table: Float64Array, x: number, y: number): number {
  const i = Math.min(PH_ROWS - 2, Math.floor(x));
  const j = Math.min(TA_ROWS - 2, Math.floor(y));
  const u = x - i;
  const v = y - j;
  const k = i * TA_ROWS + j;
  const low = table[k]! * (1 - v) + table[k + 1]! * v;
  const high = table[k + TA_ROWS]! * (1 - v) + table[k + TA_ROWS + 1]! * v;
  return low * (1 - u) + high * u;
}

const cache = new WeakMap<Ingredient, JuiceTable>();

/**
 * The table of a juice's acids over its published ranges: bilinear between solved points, within 0.01 pH of a fresh solution.
 * @param entry an ingredient known by pH and TA; @param acidity its figures
 */
export function juiceTable(entry: Ingredient, acidity: Juice): JuiceTable {
  const kept = cache.get(entry);
  if (kept) return kept;
  const water = juiceWater(entry, acidity);
  const kgWater = waterPer100g(entry, acidity);
  const splits = acidity.splitUnknown ? UNKNOWN_SPLITS : SPLITS.map((by) => shifted(acidity.split, by));
  const tables = splits.map((split) => {
    const sum = Object.values(split).reduce((a, b) => a + b, 0);
    const parts = (Object.keys(split) as AcidName[]).map((name) => ({
      place: placeOfAcid(name),
      share: split[name]! / sum,
    }));
    return { parts, ...grid(acidity, split, water) };
  });
  const row = (z: number, rows: number) =>
    ((Math.max(-REACH, Math.min(REACH, z)) / REACH + 1) / 2) * (rows - 1);
  const table: JuiceTable = {
    at(ph, ta, split) {
      const { parts, total, base } = tables[split]!;
      const x = row(ph, PH_ROWS);
      const y = row(ta, TA_ROWS);
      const moles = between(total, x, y);
      if (!(moles > 0)) return null;
      const acids = noAcids();
      for (const { place, share } of parts) acids[place] = moles * share * kgWater;
      return { acids, baseEquivalents: between(base, x, y) * kgWater };
    },
  };
  cache.set(entry, table);
  return table;
}

import { acidsFromPhAndTa } from '../acid/index.ts';
import type { Allergen, Family, Ingredient, Range } from './ingredient.ts';

/** What a kitchen measured of a fruit or juice itself; what it did not measure stays typical. */
export interface Measured {
  /** °Bx of its juice. */
  brix?: number | undefined;
  ph?: number | undefined;
  /** TA of its juice as citric to pH 8.2, g per 100 g. */
  taPer100g?: number | undefined;
  /** Alkalinity of tap water as its supplier or a drop test gives it, mg of calcium carbonate per litre. */
  alkalinity?: number | undefined;
  /** Day, as in 2026-07-14. */
  on: string;
}

/** The acids of most fruit, in parts not known. */
const UNKNOWN_SPLIT = { split: { citric: 1, malic: 1 }, splitUnknown: true } as const;

const within = (value: number, low: number, high: number, what: string): number => {
  if (!(value >= low && value <= high))
    throw new RangeError(`${what} of ${value} is outside ${low} to ${high}`);
  return value;
};

/** A measured figure with the spread that one reading of one picking leaves open. */
const around = (value: number, spread: number): Range => [
  rounded(value - spread),
  value,
  rounded(value + spread),
];
const rounded = (value: number): number => Number(value.toFixed(4));

/** Milligrams of calcium carbonate that are one milliequivalent. */
const CARBONATE = 50.04;
/** Alkalinity of tap water where nobody said it, eq per kg: soft to very hard, 10 to 300 mg of calcium carbonate per litre. */
const TAP_WATER: Range = [0.0002, 0.0011, 0.006];
/** What a supplier's figure moves by over a year, as a share. */
const OVER_A_YEAR = 0.15;

/**
 * Alkalinity of tap water: what it was said to be, or the range in which tap waters lie.
 * @param milligrams of calcium carbonate per litre, 0–500; undefined where not known
 * @returns eq of base per kg. @throws RangeError out of range. Source: alkalinity of drinking waters, 0.2–6 meq/L.
 * @example tapWater(100).basePerKg[1] // 0.002
 */
export function tapWater(milligrams?: number): Extract<Ingredient['acidity'], { kind: 'alkaline' }> {
  if (milligrams === undefined) return { kind: 'alkaline', basePerKg: TAP_WATER };
  const base = within(milligrams, 0, 500, 'An alkalinity in mg per litre') / CARBONATE / 1000;
  return { kind: 'alkaline', basePerKg: [base * (1 - OVER_A_YEAR), base, base * (1 + OVER_A_YEAR)] };
}

function measuredSolids(entry: Ingredient, brix: number): Ingredient['per100g'] {
  const { insoluble, ethanol, water, sucrose, glucose, fructose } = entry.per100g;
  const juice = 100 - insoluble;
  const solids = (juice * brix) / 100;
  const before = juice - water - ethanol;
  const times = before > 0 ? solids / before : 1;
  return {
    insoluble,
    ethanol,
    water: juice - ethanol - solids,
    sucrose: sucrose * times,
    glucose: glucose * times,
    fructose: fructose * times,
  };
}

/**
 * A catalogue entry with a kitchen's own measurements laid over it, preferred to the typical figures from then on.
 * @param entry a fruit or juice known by its pH and acidity, a thing whose pH was not known, or tap water; @param measured °Bx 0–70, pH 1.5–6, TA 0.05–12 g per 100 g; alkalinity of water, 0–500 mg/L
 * @returns the entry under the same id; ±0.05 pH, ±5 % TA remain for one reading
 * @throws RangeError on a figure out of range, on a vinegar or pure acid, or on pH and TA that do not fit its acids
 * @example measuredEntry(catalogue.get('damson'), { ph: 3.1, on: '2026-09-01' }).own // { from: 'measured', on: '2026-09-01' }
 */
export function measuredEntry(entry: Ingredient, measured: Measured): Ingredient {
  const { acidity } = entry;
  if (acidity.kind === 'alkaline') {
    const { alkalinity, on } = measured;
    if (alkalinity === undefined) throw new RangeError(`${entry.name} is known by its alkalinity: give that`);
    const source = `alkalinity: said by this kitchen on ${on}`;
    return { ...entry, acidity: tapWater(alkalinity), own: { from: 'measured', on }, source };
  }
  if (acidity.kind !== 'juice' && acidity.kind !== 'unknown')
    throw new RangeError(`${entry.name} is known by its strength: enter it from its label, or titrate it`);
  const per100g =
    measured.brix === undefined
      ? entry.per100g
      : measuredSolids(entry, within(measured.brix, 0, 70, 'A sugar in °Bx'));
  const ph = measured.ph === undefined ? acidity.ph : around(within(measured.ph, 1.5, 6, 'A pH'), 0.05);
  const ta =
    measured.taPer100g === undefined
      ? acidity.kind === 'juice'
        ? acidity.taPer100g
        : undefined
      : around(within(measured.taPer100g, 0.05, 12, 'A TA in g per 100 g'), 0.05 * measured.taPer100g);
  const own = { from: 'measured', on: measured.on } as const;
  const read = measured.brix === undefined ? {} : { solidsRead: true };
  const source = `${entry.source}; measured by this kitchen on ${measured.on}`;
  if (!ph || !ta) return { ...entry, per100g, acidity: unknownAs(entry, ph), own, ...read, source };
  const known = acidity.kind === 'juice' ? { split: acidity.split } : UNKNOWN_SPLIT;
  acidsFromPhAndTa({ ph: ph[1], taCitric: (ta[1] * 1000) / per100g.water, split: known.split });
  const shown: Ingredient['acidity'] = { kind: 'juice', ph, taPer100g: ta, ...known };
  return { ...entry, per100g, acidity: shown, own, ...read, source };
}

/** What stays unknown but for a pH keeps the bound of its base. */
const unknownAs = ({ acidity }: Ingredient, ph: Range | undefined): Ingredient['acidity'] => ({
  kind: 'unknown',
  ...(ph ? { ph } : {}),
  ...(acidity.kind === 'unknown' && acidity.base !== undefined ? { base: acidity.base } : {}),
});

/** What a label, or a supplier, says of a thing that is not in the catalogue. Grams per 100 g. */
export interface OwnLabel {
  id: string;
  name: string;
  labelName: string;
  family: Family;
  water?: number | undefined;
  sugars: number;
  /** Acetic acid, for a vinegar. */
  acetic?: number | undefined;
  alcohol?: number | undefined;
  ph?: number | undefined;
  taPer100g?: number | undefined;
  gramsPerMl?: number | undefined;
  /** Those that its pack names; null where nobody read it. */
  allergens: readonly Allergen[] | null;
  source: string;
  on: string;
}

function labelAcidity(label: OwnLabel): Ingredient['acidity'] {
  if (label.family === 'vinegar') return { kind: 'vinegar', aceticPer100g: label.acetic ?? null };
  if (label.ph !== undefined && label.taPer100g !== undefined)
    return {
      kind: 'juice',
      ph: around(within(label.ph, 1.5, 6, 'A pH'), 0.1),
      taPer100g: around(within(label.taPer100g, 0.05, 12, 'A TA in g per 100 g'), 0.1 * label.taPer100g),
      ...UNKNOWN_SPLIT,
    };
  if (label.family === 'water') return tapWater();
  if (label.family === 'spirit') return { kind: 'neutral' };
  if (label.family === 'sugar' && label.ph === undefined && label.sugars > 90) return { kind: 'neutral' };
  return label.ph === undefined
    ? { kind: 'unknown' }
    : { kind: 'unknown', ph: around(within(label.ph, 1.5, 9, 'A pH'), 0.1) };
}

/**
 * Whether a label shows that a thing is not low in acid: by its pH and acidity together, or as sugar, strong spirit or vinegar by their figures, never by its
 * family alone. A pH that is only said is no measurement: nothing says of what it was.
 */
function notLowAcid({ ph, taPer100g, family, sugars, alcohol = 0, acetic = 0 }: OwnLabel): boolean {
  if (ph !== undefined && (ph > 4.2 || taPer100g !== undefined)) return ph <= 4.2;
  if (family === 'sugar') return sugars > 90;
  if (family === 'spirit') return alcohol >= 30;
  return family === 'vinegar' && acetic >= 4;
}

/**
 * An entry of the kitchen's own, as a label or a supplier says it. Sugars count as sucrose: labels do not tell them apart.
 * @param label grams per 100 g, pH, TA as citric g per 100 g, density g/mL
 * @returns an entry that counts as low-acid unless its pH and acidity are given and the pH is 4.2 or under, or it is over 90 % sugar, spirit of 30 % or more, or vinegar of 4 % acetic acid or more
 * @throws RangeError where the parts are over 100 g or a figure is out of range
 * @example ownEntry({ id: 'own-sloe', name: 'Sloe juice', labelName: 'sloe juice', family: 'juice', sugars: 11, allergens: [], source: 'its label', on: '2026-09-01' }).lowAcid // true
 */
export function ownEntry(label: OwnLabel): Ingredient {
  const { sugars, alcohol = 0, family } = label;
  const dry = family === 'sugar' && label.water === undefined ? 100 - sugars : undefined;
  const water = label.water ?? Math.max(0, dry ?? 100 - sugars - alcohol - (label.acetic ?? 0));
  if (!(sugars >= 0 && alcohol >= 0 && water + sugars + alcohol <= 100.5))
    throw new RangeError(`Water, sugars and alcohol of ${label.name} come to more than 100 g in 100 g`);
  const acidity = labelAcidity(label);
  if (acidity.kind === 'juice')
    acidsFromPhAndTa({
      ph: acidity.ph[1],
      taCitric: (acidity.taPer100g[1] * 1000) / water,
      split: acidity.split,
    });
  return {
    id: label.id,
    name: label.name,
    labelName: label.labelName,
    family,
    per100g: { water, sucrose: sugars, glucose: 0, fructose: 0, insoluble: 0, ethanol: alcohol },
    acidity,
    lowAcid: !notLowAcid(label),
    allergens: label.allergens ?? [],
    ...(label.allergens === null ? { allergensUnknown: true } : {}),
    pectinRich: false,
    liquid: ['juice', 'vinegar', 'water', 'spirit'].includes(family),
    ...(label.gramsPerMl
      ? { gramsPerMl: { cup: within(label.gramsPerMl, 0.03, 2, 'A weight in g per mL') } }
      : {}),
    source: label.source,
    own: { from: 'label', on: label.on },
  };
}

import { densityAt20 } from '../sugar/index.ts';
import { type AcidName, type Acids, daviesLogGamma, equivalentWeights } from './constants.ts';
import { equilibriumPh } from './equilibrium.ts';
import { type Charges, chargesOf, freeCharge, KW, type Mixture, mixtureOf, noCharges } from './species.ts';

export type TaBasis = 'per-kg-water' | 'per-litre' | 'per-100g';

export interface JuiceAcids {
  /** mol per kg of water. */
  acids: Acids;
  /** eq per kg of water. */
  baseEquivalents: number;
  /** Share of the acid's charge that the titration saw: 0.5 and over is good, under 0.25 is refused. */
  conditioning: number;
  flags: ('weakly-determined' | 'refused' | 'base-set-to-zero')[];
}

/** TA in eq per kg of water from its published basis. */
function equivalentsPerKgWater(ta: number, basis: TaBasis, brix: number): number {
  const perKgWater = {
    'per-kg-water': () => ta,
    'per-litre': () => ta / (densityAt20(brix) * (1 - brix / 100)),
    'per-100g': () => (ta * 10) / (1 - brix / 100),
  }[basis]();
  return perKgWater / equivalentWeights.citric;
}

interface Point {
  /** 10^pH. */
  x: number;
  strength: number;
}

const gOf = (point: Point): number => 10 ** -daviesLogGamma(point.strength);
const meanCharges = (split: Mixture, point: Point): Charges =>
  chargesOf(split, point.x, gOf(point), noCharges());
const freeAt = (point: Point): number => freeCharge(point.x, gOf(point));

function strengthAt(split: Mixture, point: Point, total: number, base: number): number {
  const g = gOf(point);
  return (Math.abs(base) + g / point.x + KW * point.x * g + total * meanCharges(split, point).squares) / 2;
}

/** Total acid and base that fit both numbers; ionic strength found separately at the juice and at the endpoint. */
function solveJuice(split: Mixture, ph: number, ta: number, endpointPh: number) {
  const juice: Point = { x: 10 ** ph, strength: 0.05 };
  const end: Point = { x: 10 ** endpointPh, strength: 0.2 };
  let [total, base, nEnd, nJuice] = [0, 0, 1, 0];
  for (let i = 0; i < 200; i++) {
    nEnd = meanCharges(split, end).charge;
    nJuice = meanCharges(split, juice).charge;
    const next = (ta + freeAt(end) - freeAt(juice)) / (nEnd - nJuice);
    base = next * nJuice - freeAt(juice);
    const settled = Math.abs(next - total) < 1e-12 * (1 + Math.abs(next));
    total = next;
    juice.strength = strengthAt(split, juice, total, base);
    end.strength = strengthAt(split, end, total, base + ta);
    if (settled && i > 3) break;
  }
  return { total, base, conditioning: (nEnd - nJuice) / nEnd };
}

function normalised(split: Acids): Acids {
  const entries = Object.entries(split) as [AcidName, number][];
  const sum = entries.reduce((s, [, part]) => s + part, 0);
  if (!(sum > 0)) throw new RangeError('The split of acids is empty: name at least one acid');
  return Object.fromEntries(entries.map(([name, part]) => [name, part / sum]));
}

const scaled = (split: Acids, total: number): Acids =>
  Object.fromEntries(Object.entries(split).map(([name, part]) => [name, part * total]));

/**
 * Total acid and strong base of a juice from its pH and titratable acidity, given the mole split of its acids.
 * @param juice.ph pH, under 8.2; @param juice.taCitric TA as citric, g per kg of water unless `basis` says otherwise; @param juice.split mole parts
 * @param juice.basis per-kg-water, per-litre or per-100g; the last two need `brix`, % w/w; @param juice.endpointPh endpoint of the titration, 8.2
 * @returns acids and base per kg of water, with the conditioning; pH over 5.0 or conditioning under 0.25 is flagged `refused`
 * @throws RangeError where pH ≥ the endpoint, TA ≤ 0, or no such acids can give so low a pH. Source: charge balance at both points.
 * @example acidsFromPhAndTa({ ph: 3, taCitric: 10, split: { citric: 1, malic: 1 } }).flags // []
 */
export function acidsFromPhAndTa(juice: {
  ph: number;
  taCitric: number;
  split: Acids;
  basis?: TaBasis;
  brix?: number;
  endpointPh?: number;
}): JuiceAcids {
  const { ph, taCitric, basis = 'per-kg-water', brix = 0, endpointPh = 8.2 } = juice;
  if (!(ph > 0 && ph < endpointPh)) throw new RangeError(`A pH of ${ph} is outside 0 to ${endpointPh}`);
  if (!(taCitric > 0)) throw new RangeError(`A titratable acidity of ${taCitric} must be over 0`);
  const ta = equivalentsPerKgWater(taCitric, basis, brix);
  const split = normalised(juice.split);
  const { total, base, conditioning } = solveJuice(mixtureOf(split), ph, ta, endpointPh);
  if (!(total > 0) || !Number.isFinite(total))
    throw new RangeError(`A pH of ${ph} with ${taCitric} g of acid does not fit these acids`);
  const flags: JuiceAcids['flags'] = [];
  if (conditioning < 0.25 || ph > 5) flags.push('refused');
  else if (conditioning < 0.5) flags.push('weakly-determined');
  const acids = scaled(split, total);
  if (base >= 0) return { acids, baseEquivalents: base, conditioning, flags };
  const lowest = equilibriumPh({ acids, baseEquivalents: 0 }).ph;
  if (Math.abs(lowest - ph) > 0.15)
    throw new RangeError(
      `These acids at this strength give no pH under ${lowest.toFixed(2)}; ${ph} does not fit. Check the pH, the acidity and the kinds of acid.`,
    );
  return { acids, baseEquivalents: 0, conditioning, flags: [...flags, 'base-set-to-zero'] };
}

import type { Forecast } from '../formula/index.ts';

/** What one amount costs: what was paid for the stock it comes from, and its share of the packs that are bought. */
export interface PricedNeed {
  name: string;
  kind: 'ingredient' | 'packaging';
  /** Minor units; null where no price is known. */
  costMinor: number | null;
  /** What is left over of the packs bought for it is worth, minor units. */
  leftOverMinor: number;
}

export interface CostSetting {
  /** Minor units a kWh, and an hour of hands. */
  kwhMinor: number;
  handsHourMinor: number;
}

/** Cost of a making before it is made, minor units. */
export interface CostBefore {
  ingredients: number;
  packaging: number;
  energy: number;
  hands: number;
  total: number;
  /** Paid for, and left over for another time: not in the total. */
  leftOver: number;
  kwh: number;
  handsMinutes: number;
  perBottle: number | null;
  perLitre: number | null;
  /** By the litre of the drink it makes. */
  perDrunkLitre: number | null;
  /** What has no price yet: the total is without it. */
  unpriced: string[];
}

/** Part of a burner's heat that goes into the pan: between gas and induction, typical. */
const INTO_THE_PAN = 0.5;
/** A canner's water from the tap to the boil, and kept there, kJ a load: 12 L, then 0.6 kW for half an hour. */
const CANNER_LOAD_KJ = 12_000 * 0.00419 * 85 + 0.6 * 1800;

/**
 * Energy of cooking a making, in kWh at the socket or the meter: warmed to the boil, water boiled off, canner loads.
 * @param making multiple of the formula and its forecast; @param loads of the canner
 * @example energyOf({ scale: 1, forecast: forecast(cherry, setting) }, 1) > 0 // true
 */
export function energyOf(
  making: { scale: number; forecast: Pick<Forecast, 'steps'> },
  loads: number,
): number {
  const pan = making.forecast.steps.reduce((sum, step) => sum + step.kilojoules, 0);
  return (making.scale * pan + loads * CANNER_LOAD_KJ) / INTO_THE_PAN / 3600;
}

/**
 * Cost of a making before it is made: ingredients, packaging, energy and hands, by the bottle, the litre and the litre as drunk.
 * @param making what it needs, kWh, minutes of hands, bottles and mL expected, parts of water in the drink; @param setting prices in minor units
 * @example costBefore({ needs: [{ name: 'Sugar', kind: 'ingredient', costMinor: 250, leftOverMinor: 0 }], kwh: 0, handsMinutes: 60, bottles: 10, millilitres: 2500, waterParts: 0 }, { kwhMinor: 28, handsHourMinor: 1200 }) // { ingredients: 250, hands: 1200, total: 1450, perBottle: 145, perLitre: 580 }
 */
export function costBefore(
  making: {
    needs: readonly PricedNeed[];
    kwh: number;
    handsMinutes: number;
    bottles: number;
    millilitres: number;
    waterParts: number;
  },
  setting: CostSetting,
): CostBefore {
  const sum = (kind: PricedNeed['kind']) =>
    making.needs.filter((n) => n.kind === kind).reduce((total, n) => total + (n.costMinor ?? 0), 0);
  const [ingredients, packaging] = [sum('ingredient'), sum('packaging')];
  const energy = making.kwh * setting.kwhMinor;
  const hands = (making.handsMinutes / 60) * setting.handsHourMinor;
  const total = ingredients + packaging + energy + hands;
  const litres = making.millilitres / 1000;
  return {
    ingredients,
    packaging,
    energy,
    hands,
    total,
    leftOver: making.needs.reduce((left, n) => left + n.leftOverMinor, 0),
    kwh: making.kwh,
    handsMinutes: making.handsMinutes,
    perBottle: making.bottles > 0 ? total / making.bottles : null,
    perLitre: litres > 0 ? total / litres : null,
    perDrunkLitre: drunkLitre(total, making.millilitres, making.waterParts),
    unpriced: making.needs.filter((n) => n.costMinor === null).map((n) => n.name),
  };
}

/**
 * Price of a litre of the drink, minor units: what a bottle costs over what it makes. Null for an empty one. @param millilitres in the bottle; @param waterParts to one of it
 * @example drunkLitre(500, 250, 4) // 400
 */
export const drunkLitre = (minor: number, millilitres: number, waterParts: number): number | null =>
  millilitres > 0 ? minor / ((millilitres / 1000) * (1 + waterParts)) : null;

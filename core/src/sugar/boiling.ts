import { airPressure, boilingPointOfWater, saturationTemperature, vapourPressure } from '../heat/index.ts';
import { temperature } from '../quantity/index.ts';
import { waterActivity } from './waterActivity.ts';

/** Parts of the dissolved sugar by weight, in any unit; without `sucrose` it is the rest of 1. */
export interface SugarShares {
  sucrose?: number;
  glucose?: number;
  fructose?: number;
}

/** How far the source of the water a_w formula goes: over 72 °Bx it is an extrapolation, over 80 refused. */
const NORMAL_TO = 72;
const FLAGGED_TO = 80;

function activityAt(brix: number, { sucrose, glucose = 0, fructose = 0 }: SugarShares): number {
  const rest = sucrose ?? Math.max(0, 1 - glucose - fructose);
  const each = brix / (rest + glucose + fructose);
  return waterActivity({
    water: 100 - brix,
    sucrose: each * rest,
    glucose: each * glucose,
    fructose: each * fructose,
  });
}

/**
 * Boiling point of a syrup in °C: where its water activity times the vapour pressure of water meets the air pressure.
 * @param syrup.brix 0–80 °Bx, an extrapolation over 72; @param syrup.elevationMetres −400 to 5,000; @param syrup.composition parts of the sugar, all sucrose without it
 * @returns °C; @throws RangeError outside. Source: Norrish water activity; Antoine vapour pressure.
 * @example boilingPoint({ brix: 0, elevationMetres: 0 }) // 100.0
 */
export function boilingPoint(syrup: {
  brix: number;
  elevationMetres: number;
  composition?: SugarShares;
}): number {
  const { brix, elevationMetres, composition = {} } = syrup;
  if (!(brix >= 0 && brix <= FLAGGED_TO)) throw new RangeError(`${brix} °Bx is outside 0 to ${FLAGGED_TO}`);
  return saturationTemperature(airPressure(elevationMetres) / activityAt(brix, composition));
}

/**
 * Water activity at which a syrup boils at a temperature in °C and an elevation in m: air pressure over vapour pressure.
 * @example activityBoilingAt(100, 0) // 1.00
 */
export const activityBoilingAt = (celsius: number, elevationMetres: number): number =>
  airPressure(elevationMetres) / vapourPressure(celsius);

function brixAtRise(rise: number, elevationMetres: number, composition: SugarShares): number {
  const water = boilingPointOfWater(elevationMetres);
  let [low, high] = [0, FLAGGED_TO];
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2;
    if (boilingPoint({ brix: middle, elevationMetres, composition }) - water < rise) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/**
 * °Bx of a boiling syrup from its temperature, with what half a degree and the kind of sugar leave open.
 * @param read.celsius in the boiling syrup; @param read.elevationMetres −400 to 5,000; @param read.waterBoils °C at which water boiled that day, preferred to the elevation
 * @param read.composition shares of glucose and fructose, where known: the interval is then the thermometer's alone
 * @returns °Bx of plain sucrose (or of the composition) and its interval, `extrapolated` over 72 °Bx
 * @throws RangeError under 45 °Bx, where a tenth of a degree is a whole °Bx, and over 80. Source: the boiling point of a syrup, inverted.
 * @example brixFromBoilingPoint({ celsius: 104.2, elevationMetres: 0 }) // { extrapolated: false }
 */
export function brixFromBoilingPoint(read: {
  celsius: number;
  elevationMetres: number;
  waterBoils?: number;
  composition?: SugarShares;
}): { brix: number; low: number; high: number; extrapolated: boolean } {
  const { celsius, elevationMetres, composition } = read;
  const rise = celsius - (read.waterBoils ?? boilingPointOfWater(elevationMetres));
  const top = boilingPoint({ brix: FLAGGED_TO, elevationMetres, composition: composition ?? {} });
  if (rise > top - boilingPointOfWater(elevationMetres))
    throw new RangeError(
      `${temperature(celsius)} is over the boiling point of a syrup of ${FLAGGED_TO} °Bx here`,
    );
  const brix = brixAtRise(rise, elevationMetres, composition ?? {});
  if (brix < 45)
    throw new RangeError(
      `${temperature(celsius)} is the boil of about ${brix.toFixed(0)} °Bx. Under 45 °Bx a thermometer cannot tell: use the refractometer on a cooled sample.`,
    );
  const half = read.waterBoils === undefined ? 0.5 : 0.3;
  const allInvert = composition ?? { glucose: 0.5, fructose: 0.5 };
  return {
    brix,
    low: brixAtRise(rise - half, elevationMetres, allInvert),
    high: brixAtRise(rise + half, elevationMetres, composition ?? {}),
    extrapolated: brix > NORMAL_TO,
  };
}

import { boilingPointOfWater, type HeatProcess, minutesAsked } from '../heat/index.ts';
import { warming } from './warming.ts';

/** What a process of minutes in the bath, or of a hot fill, comes to in its largest bottle, by the warming model. */
export interface Plausibility {
  /** Up to which elevation, ft, by the process's own bands. */
  toFeet: number;
  /** Equivalent minutes at 93.3 °C, z 8.9, at the slowest point, and those that canning tables ask of its pH. */
  minutes: number;
  asked: number;
}

/** pH that a process is taken to hold up to where its source gives none: under the usual critical limit. */
const USUAL_PH = 4.19;
/** A hot fill is asked for what the sourest products are: how sour its product has to be its source says. */
const HOT_FILL_PH = 3.8;
/** °C that a jar is filled at: packed hot; raw fruit with hot liquid over it; a liquid that was never heated. */
const FILLED = { hot: 85, underHot: 50, cold: 20 };

const filledAt = ({ pack, state }: Asked): number =>
  pack === 'hot' ? FILLED.hot : state === 'strained' ? FILLED.cold : FILLED.underHot;
/** A common jar is so many times as high as it is wide. */
const SLENDER = 1.35;
/** The highest place that the model boils water at, ft. */
const HIGHEST = 16_000;
const FEET = 0.3048;

/** Width of a common jar that holds so much, mm. */
const widthOf = (millilitres: number): number =>
  10 * ((4 * millilitres) / (Math.PI * SLENDER)) ** (1 / 3) + 5;

type Asked = Pick<HeatProcess, 'method' | 'bands' | 'hotFill' | 'largestMl' | 'pack' | 'state' | 'highestPh'>;

function inBath(process: Asked, { toFeet, minutes }: Asked['bands'][number]): number {
  return warming({
    diameterMm: Math.min(400, widthOf(process.largestMl)),
    nominalMl: process.largestMl,
    brix: 45,
    thick: process.state === 'puree',
    bathCelsius: 80,
    comeUpMinutes: 10,
    roomCelsius: 20,
    fillCelsius: filledAt(process),
    restMinutes: 5,
    boilMinutes: minutes,
    boilsAt: boilingPointOfWater(Math.min(toFeet, HIGHEST) * FEET),
  }).minutes;
}

/** Equivalent minutes of a fill that is held at its own temperature. */
const held = ({ celsius, holdMinutes }: NonNullable<Asked['hotFill']>): number =>
  holdMinutes * 10 ** ((celsius - 93.3) / 8.9);

/**
 * Where a process is not plausible: at the slowest point of its largest jar, by the warming model, it comes to less than canning tables ask of its pH. A check
 * of what was typed, never a process.
 * @param process of jars of 20 to 20,000 mL, with its bands in feet
 * @returns the bands that fall short; empty where it is plausible everywhere
 * @example implausible({ ...letter, bands: [{ toFeet: 1000, minutes: 10 }] }) // []
 */
export function implausible(process: Asked): Plausibility[] {
  if (process.hotFill) {
    const asked = minutesAsked(HOT_FILL_PH)!;
    const minutes = held(process.hotFill);
    return minutes < asked ? [{ toFeet: process.bands.at(-1)?.toFeet ?? 0, minutes, asked }] : [];
  }
  const asked = minutesAsked(Math.min(process.highestPh ?? USUAL_PH, USUAL_PH)) ?? 0;
  return process.bands
    .map((band) => ({ toFeet: band.toFeet, minutes: inBath(process, band), asked }))
    .filter(({ minutes }) => minutes < asked);
}

import { viscosity } from './viscosity.ts';

/** How a pan looks thick enough, by what it does on a spoon. */
export const THICKNESSES = ['film', 'coats', 'sheet', 'thread'] as const;
export type Thickness = (typeof THICKNESSES)[number];

export interface ThicknessFacts {
  /** What it does, after "until it". */
  says: string;
  /** mPa·s in the pan at 95 °C: low, typical and high of what people mean by it. */
  mPas: readonly [low: number, typical: number, high: number];
}

/** Looks as kitchens say them. Their limits are practice, not a standard: a band, never a figure. */
export const thicknesses: Record<Thickness, ThicknessFacts> = {
  film: { says: 'leaves a film on the spoon', mPas: [1.9, 2.3, 2.9] },
  coats: { says: 'coats the spoon', mPas: [2.9, 4.4, 6.5] },
  sheet: { says: 'falls off the spoon in a sheet', mPas: [6.5, 8.7, 12] },
  thread: { says: 'runs off the spoon in a thread', mPas: [12, 17, 24] },
};

/** °C at which a pan is looked at. */
export const LOOKED_AT = 95;

/**
 * °Bx of a sucrose syrup that looks so thick in a pan at 95 °C: low, typical and high. @param thicker how many times pulp thickens it, from 1 on
 * @example brixLooking('coats') // [57, 62, 66]
 */
export function brixLooking(thickness: Thickness, thicker = 1): [number, number, number] {
  const at = (mPas: number): number => {
    let [low, high] = [0, 80];
    for (let i = 0; i < 40; i++) {
      const middle = (low + high) / 2;
      if (viscosity(middle, LOOKED_AT) * thicker < mPas) low = middle;
      else high = middle;
    }
    return (low + high) / 2;
  };
  const [low, typical, high] = thicknesses[thickness].mPas;
  return [at(low), at(typical), at(high)];
}

import {
  boils,
  brixOf,
  type FormulaStep,
  lidOf,
  massOf,
  type Pan,
  rateOf,
  solidsOf,
} from '../../formula/index.ts';
import { depthAtVolume, diameterAt, relativeRate, type VesselShape, vesselVolume } from '../../pan/index.ts';
import { densityAt20 } from '../../sugar/index.ts';

/** The vessel a step is made in, with what it showed before. */
export interface PanVessel {
  shape: VesselShape;
  /** Water boiled off in g a minute over lots made in it; null before the first. */
  learned: { gramsPerMinute: number; spread: number; lots: number } | null;
}

/** What a reckoning comes to; null where it is out of its range. */
export const orNull = <T>(work: () => T): T | null => {
  try {
    return work();
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
};

/** mL of so many g at a °Bx, 20 °C. */
export const volumeOf = (grams: number, brix: number) => grams / densityAt20(Math.min(80, Math.max(0, brix)));

/** How wide a vessel is where so much stands in it, mm. */
function widthAt(shape: VesselShape, millilitres: number): number | undefined {
  return (
    orNull(() => diameterAt(shape, depthAtVolume(shape, Math.min(millilitres, vesselVolume(shape))))) ??
    undefined
  );
}

/** What the pan would lose by its width, the step's fire and lid, with how far kitchens lie apart. */
function typicalRate(
  step: FormulaStep | undefined,
  pan: Pan,
  vessel: PanVessel | null,
  elevationMetres: number,
): { gramsPerMinute: number; spread: number } {
  const boil: FormulaStep = step ?? { id: '', kind: 'reduce', title: '' };
  const panMm = vessel ? widthAt(vessel.shape, volumeOf(massOf(pan.liquid), brixOf(pan.liquid))) : undefined;
  const [low, typical, high] = rateOf(boil, pan, { elevationMetres, panMm });
  if (!(typical > 0)) return { gramsPerMinute: 1, spread: 0.45 };
  // The rate that the filter carries is that of thin liquid.
  const thin = relativeRate(pan.liquid.water, solidsOf(pan.liquid));
  return { gramsPerMinute: typical / thin, spread: Math.min(0.6, (high - low) / (2 * 1.2816 * typical)) };
}

/** What the pan loses as the step begins: as it showed before, as the formula says, or as such pans do. */
export function rateBefore(
  step: FormulaStep | undefined,
  pan: Pan,
  vessel: PanVessel | null,
  elevationMetres: number,
) {
  // What a pan showed at an open boil tells nothing of a simmer under a lid.
  if (vessel?.learned && step && boils(step) && lidOf(step) === 'off')
    return {
      gramsPerMinute: vessel.learned.gramsPerMinute,
      spread: vessel.learned.spread,
      from: 'this pan before' as const,
    };
  if (step?.evaporates) return { gramsPerMinute: step.evaporates, spread: 0.3, from: 'the formula' as const };
  return { ...typicalRate(step, pan, vessel, elevationMetres), from: 'typical' as const };
}

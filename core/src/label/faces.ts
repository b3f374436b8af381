import { z } from 'zod';
/** A bottle or jar as far as its label is concerned. */
export const FacedContainer = z.object({
  nominalMl: z.number(),
  heightMm: z.number(),
  /** Width of one that is not round. */
  diameterMm: z.number(),
  shape: z.enum(['round', 'flat-sided']).optional(),
  /** Depth of a flat-sided one; as wide as it is where it is not measured. */
  depthMm: z.number().nullish(),
  /** Height of its straight wall, without shoulder and neck; the whole height where it is not measured. */
  wallMm: z.number().nullish(),
});
export type FacedContainer = z.infer<typeof FacedContainer>;

/** Faces of a container in cm², shoulders and necks left out where its wall is measured. */
export interface Faces {
  /** Principal display panel: 40 % of height by circumference, or one whole side. Source: 21 CFR 101.1. */
  principalCm2: number;
  /** Largest surface, that European type sizes go by: the whole wall of a round one, the widest side of another. */
  largestCm2: number;
  /** All that can carry a label. */
  allCm2: number;
  /** mm that a label can be high, and reach round. */
  wallMm: number;
  aroundMm: number;
}

/** Share of the height that is straight wall where nobody measured it: shoulder and neck taken off. */
const WALL = { bottle: 0.6, jar: 0.72 };
/** Higher than so many times its width it is a bottle. */
const SLENDER = 1.6;

/**
 * Faces of a container by its measures; the wall is taken as the whole height for the type sizes of an unmeasured one, so that no letter comes out too small.
 * @param c mm and mL
 * @example Math.round(facesOf({ nominalMl: 237, heightMm: 98, diameterMm: 75 }).principalCm2) // 92
 */
export function facesOf(c: FacedContainer): Faces {
  const flat = c.shape === 'flat-sided';
  const around = flat ? 2 * (c.diameterMm + (c.depthMm ?? c.diameterMm)) : Math.PI * c.diameterMm;
  const height = c.wallMm ?? c.heightMm;
  const slender = c.heightMm / c.diameterMm > SLENDER;
  return {
    principalCm2: (flat ? height * c.diameterMm : 0.4 * height * around) / 100,
    largestCm2: (flat ? height * Math.max(c.diameterMm, c.depthMm ?? 0) : height * around) / 100,
    allCm2: (height * around) / 100,
    wallMm: c.wallMm ?? c.heightMm * (slender ? WALL.bottle : WALL.jar),
    aroundMm: around,
  };
}

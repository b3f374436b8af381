import { depthAtVolume, type VesselShape, vesselDepth, volumeAtDepth } from '../pan/index.ts';

/** Jars that go into the canner together. */
export interface CannerLoad {
  count: number;
  heightMm: number;
  /** What one displaces when it is under: its outer volume, mL. */
  displacesMl: number;
}

export interface CannerFill {
  /** Water to put in, mL, and how deep that stands before the jars are in. */
  waterMl: number;
  beforeMm: number;
  /** How deep it stands with the jars in: over their lids. */
  withJarsMm: number;
}

/** Water over the lids, and room over the water so that it does not boil over, mm. */
const [OVER_LIDS, ROOM] = [25.4, 25.4];

/**
 * How deep to fill a canner so that the jars' own displacement brings the water an inch over their lids.
 * @param shape of the canner; @param load the jars, under the rack's height; @param rackMm what they stand on
 * @returns water in mL and its depths in mm
 * @throws RangeError where the canner is too low for jars, water and room, or the jars leave no place for water
 * @example cannerFill(pan, { count: 4, heightMm: 98, displacesMl: 300 }, 0).withJarsMm // 123.4
 */
export function cannerFill(shape: VesselShape, load: CannerLoad, rackMm: number): CannerFill {
  const withJarsMm = rackMm + load.heightMm + OVER_LIDS;
  const highest = vesselDepth(shape);
  if (withJarsMm + ROOM > highest + 1e-9)
    throw new RangeError(
      `These jars want a canner ${Math.ceil(withJarsMm + ROOM)} mm deep, with an inch of water over them and room to boil, and it has ${Math.floor(highest)}`,
    );
  const waterMl = volumeAtDepth(shape, withJarsMm) - load.count * load.displacesMl;
  if (!(waterMl > 0))
    throw new RangeError(`${load.count} jars leave no place for water: take fewer at a time`);
  return { waterMl, beforeMm: depthAtVolume(shape, waterMl), withJarsMm };
}

/** A jar as the kitchen knows it; null where nobody measured it. */
export interface JarMeasures {
  nominalMl: number;
  brimfulMl: number | null;
  tareGrams: number | null;
}

/** What jars stand on in a canner, mm: a wire rack. */
export const RACK_MM = 12;
/** Of soda-lime glass, g/mL. */
const GLASS_DENSITY = 2.5;
/** Glass in g per mL of nominal content, and brimful over nominal volume, by common preserving jars. */
const [GLASS_PER_ML, BRIMFUL] = [0.8, 1.1];

/**
 * Mass of a jar's glass and the volume it displaces under water: its brimful content and its glass.
 * @param jar volumes in mL, tare in g; what was not measured is taken as of common preserving jars
 * @returns glass in g, displaced volume in mL
 * @throws RangeError where the nominal volume is not over 0
 * @example jarDisplacement({ nominalMl: 500, brimfulMl: 530, tareGrams: 250 }) // { glassGrams: 250, displacesMl: 630 }
 */
export function jarDisplacement({ nominalMl, brimfulMl, tareGrams }: JarMeasures): {
  glassGrams: number;
  displacesMl: number;
} {
  if (!(nominalMl > 0)) throw new RangeError('A jar holds more than 0 mL');
  const glassGrams = tareGrams ?? nominalMl * GLASS_PER_ML;
  return { glassGrams, displacesMl: (brimfulMl ?? nominalMl * BRIMFUL) + glassGrams / GLASS_DENSITY };
}

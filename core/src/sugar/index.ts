export { activityBoilingAt, boilingPoint, brixFromBoilingPoint, type SugarShares } from './boiling.ts';
export { type CorrectedBrix, correctRefractometer } from './correction.ts';
export { brixFromDensity, densityAt20 } from './density.ts';
export { heatCapacity } from './heatCapacity.ts';
export { correctHydrometer } from './hydrometer.ts';
export { INVERT_PER_SUCROSE, inversionRate, invertedShare } from './inversion.ts';
export { mixedBrix, volumeAt20 } from './mix.ts';
export { brixFromRefractiveIndex, refractiveIndexAt20 } from './refraction.ts';
export { sucroseSaturation, sucroseSupersaturation } from './saturation.ts';
export {
  brixLooking,
  LOOKED_AT,
  THICKNESSES,
  type Thickness,
  type ThicknessFacts,
  thicknesses,
} from './thickness.ts';
export { brixRunningLike, runsLike, viscosity } from './viscosity.ts';
export { waterDensity } from './water.ts';
export { waterActivity } from './waterActivity.ts';

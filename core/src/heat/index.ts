export { minutesAsked } from './asked.ts';
export { airPressure, boilingPointOfWater, saturationTemperature, vapourPressure } from './boiling.ts';
export { type BottleBody, type BottleCurve, bottleInBath } from './bottle.ts';
export { cylinderCentre } from './cylinder.ts';
export { type HeatSample, lethality } from './lethality.ts';
export {
  type MeasuredLimits,
  matchProcesses,
  measuredMismatches,
  type ProcessedProduct,
  type ProcessMatch,
  processMismatches,
  stillToMeasure,
} from './match.ts';
export {
  feetOf,
  type HeatProcess,
  heatProcesses,
  needsSterileJars,
  PROCESS_METHODS,
  processTime,
  sterilisingMinutes,
} from './processes.ts';

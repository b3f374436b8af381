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
  HEATED_IN,
  HeatProcess,
  needsSterileJars,
  type Pack,
  PROCESS_METHODS,
  type ProductState,
  processTime,
  STEAM,
  sterilisingMinutes,
} from './process.ts';
export { HeatProcessFile, heatProcesses } from './processes.ts';

export { airPressure, boilingPointOfWater, saturationTemperature, vapourPressure } from './boiling.ts';
export { type BottleBody, type BottleCurve, bottleInBath } from './bottle.ts';
export { cylinderCentre } from './cylinder.ts';
export { type HeatSample, lethality } from './lethality.ts';
export {
  type HeatProcess,
  heatProcesses,
  type ProcessedProduct,
  processMismatches,
  processTime,
} from './processes.ts';

export { airPressure, boilingPointOfWater, saturationTemperature, vapourPressure } from './boiling.ts';
export { cylinderCentre } from './cylinder.ts';
export {
  type HeatProcess,
  heatProcesses,
  type ProcessedProduct,
  processMismatches,
  processTime,
} from './processes.ts';

export { acidCorrection } from './acidCorrection.ts';
export { type BrixCorrection, brixCorrections } from './correction.ts';
export { brixFromDip, type Dip, depthAtBrix, panOfVolume, solidsFromDip, swellingAt } from './dip.ts';
export {
  type Boiling,
  evaporationRate,
  FIRES,
  type Fire,
  LIDS,
  type Lid,
  typicalPan,
} from './evaporation.ts';
export { type HeatingForecast, type HeatReading, heatingForecast } from './heating.ts';
export {
  type PanAddition,
  type PanPrior,
  type PanReading,
  type ReductionForecast,
  reductionForecast,
  relativeRate,
  waterAfter,
} from './reduction.ts';
export {
  depthAtVolume,
  diameterAt,
  Frustum,
  VesselShape,
  vesselDepth,
  vesselVolume,
  volumeAtDepth,
} from './vessel.ts';

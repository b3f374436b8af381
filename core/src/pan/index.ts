export { acidCorrection } from './acidCorrection.ts';
export { type BrixCorrection, brixCorrections } from './correction.ts';
export { brixFromDip, type Dip, depthAtBrix, solidsFromDip, swellingAt, waterDensity } from './dip.ts';
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
  type Frustum,
  type VesselShape,
  vesselDepth,
  vesselVolume,
  volumeAtDepth,
} from './vessel.ts';

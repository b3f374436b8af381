export { benchTrialDose, type TrialDose, type TrialPoint } from './benchTrial.ts';
export { type AcidName, type Acids, acidFacts, daviesLogGamma, equivalentWeights } from './constants.ts';
export { acidDose, type DosedJuice } from './dose.ts';
export { type TitrationPoint, titrationEndpoint } from './endpoint.ts';
export { type Equilibrium, equilibriumPh } from './equilibrium.ts';
export { acidsFromPhAndTa, type JuiceAcids, type TaBasis } from './juice.ts';
export { type BufferPoint, calibrateMeter, type MeterCalibration } from './meter.ts';
export { titratableAcidity } from './titration.ts';

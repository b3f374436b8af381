export { Aged, Drift, driftOf } from './drift.ts';
export {
  type AgedLot,
  AgeingEvidence,
  agedFigures,
  ageingEvidence,
  borneBy,
  DRIFTING,
  type Drifting,
  firstFaultSeen,
} from './evidence.ts';
export { type Censored, firstFaults, goodUntil, type Survival } from './firstFault.ts';
export { faultsOf, isGood, phMoved } from './look.ts';
export { dangersIn, signsBesideName, signsIn } from './signs.ts';
export {
  type Excursion,
  excursionsOver,
  type PlaceSample,
  type StoreQuality,
  storeQuality,
} from './storage.ts';

export { dangersIn, signsIn } from './signs.ts';
export { type Aged, type Drift, driftOf } from './drift.ts';
export {
  type AgedLot,
  type AgeingEvidence,
  agedFigures,
  ageingEvidence,
  DRIFTING,
  type Drifting,
} from './evidence.ts';
export { type Censored, firstFaults, goodUntil, type Survival } from './firstFault.ts';
export { faultsOf, isGood, phMoved } from './look.ts';
export {
  type Excursion,
  excursionsOver,
  type PlaceSample,
  type StoreQuality,
  storeQuality,
} from './storage.ts';
export { type Part, type StoodIn, whyThisDate } from './whyThisDate.ts';

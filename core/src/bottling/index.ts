export {
  type CannerFill,
  type CannerLoad,
  cannerFill,
  type JarMeasures,
  jarDisplacement,
  RACK_MM,
} from './canner.ts';
export { CLOSURES, type Closure, type ClosureFacts, checkSaid, closures } from './closures.ts';
export { COOLING, type CoolingReading, type CoolingStage, coolingClock } from './cooling.ts';
export { type Sign, signs } from './faults.ts';
export { type BottlesToHand, type Filling, fillBottles } from './fill.ts';
export { headspaceForIce } from './iceRoom.ts';
export {
  type CannerRun,
  type LoadClock,
  type LoadMark,
  type LoadMarkKind,
  loadClock,
  whyNotMarked,
} from './load.ts';
export {
  euNetContents,
  type NetContents,
  netContents,
  netMl,
  tolerableNegativeError,
  usNetContents,
} from './netContents.ts';
export { implausible, type Plausibility } from './plausible.ts';
export { tooSmall } from './roomIn.ts';
export { type ThermalShock, thermalShock } from './shock.ts';
export { type Tally, type TallyPart, type TallyResult, tallyUp } from './tally.ts';
export { boilsIn, type Warming, type WarmingBottle, warming } from './warming.ts';

export { type CannerFill, type CannerLoad, cannerFill } from './canner.ts';
export { type CoolingReading, type CoolingStage, coolingClock } from './cooling.ts';
export { GLASS_FAULTS, type GlassFault, type Sign, signs } from './faults.ts';
export { type BottlesToHand, type Filling, fillBottles } from './fill.ts';
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
export { type ThermalShock, thermalShock } from './shock.ts';
export { PARTS, type Tally, type TallyPart, type TallyResult, tallyUp } from './tally.ts';
export { boilsIn, type Warming, type WarmingBottle, warming } from './warming.ts';

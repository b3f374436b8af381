export { governingPh, ingredientsAsMade, linesNotRecorded } from './asMade.ts';
export { amountsPlanned, type LotLine, lotLines, strainedGrams } from './asWeighed.ts';
export { boilRateOf, learnedRate } from './boilRate.ts';
export { type BottleGroup, type LotBottles, lotBottles } from './bottles.ts';
export { catalogueOf } from './catalogue.ts';
export { presentStep, type StepClock, stepClock } from './clock.ts';
export { lotCode, readLotCode } from './code.ts';
export {
  allOpen,
  type Gate,
  type GateId,
  type GateSetting,
  gates,
  type LotKeeping,
  lotKeeping,
} from './gates.ts';
export { type JudgedReading, judgeReading, type ReadingContext } from './judge.ts';
export { type KeptCalibration, type MeterStanding, meterStanding } from './meter.ts';
export { type PanNow, type PanVessel, panNow } from './panNow.ts';
export {
  type Addition,
  type BottlingEntry,
  type Decision,
  type HeatProcessEntry,
  type LabelPrint,
  type LotRecord,
  type LotStep,
  type MarkKind,
  type Movement,
  type Photograph,
  type Placing,
  type Reading,
  type ReadingKind,
  type Sample,
  type SealCheckEntry,
  type StockDraw,
  standing,
} from './record.ts';
export { type LotEvent, type LotState, TransitionError, transition } from './state.ts';
export { isWaiting, type StepPrompt, type StepTiming, stepPrompt, stepTiming } from './timing.ts';

export {
  type BrixKnown,
  brixKnown,
  coldestFill,
  finishedBrix,
  ingredientsAsMade,
  linesNotRecorded,
  samplesAsked,
} from './asMade.ts';
export { amountsPlanned, contentAsWeighed, type LotLine, lotLines, strainedGrams } from './asWeighed.ts';
export { boilRateOf, learnedRate } from './boilRate.ts';
export { awayOf, type BottleGroup, type LotBottles, lotBottles, timesIn } from './bottles.ts';
export { asLeft, leftFrom } from './byProduct.ts';
export { catalogueOf, weighingOf } from './catalogue.ts';
export { presentStep, type StepClock, stepClock } from './clock.ts';
export { type ClothKept, clothKept } from './clothKept.ts';
export { lotCode, readLotCode } from './code.ts';
export { cooledIn } from './cooled.ts';
export { type DatedBack, datedBack, undoable } from './datedBack.ts';
export { fillDoubt } from './fillDoubt.ts';
export { type Evidence, EvidenceOf, Gate, type GateId } from './gate.ts';
export { bottlesNotTicked, gapSaid } from './gateCount.ts';
export { bottlesProcessed, minutesAskedOf, whyNotCounted } from './gateHeat.ts';
export { failuresOpen, sealsFrom } from './gateSeal.ts';
export { allOpen, type GateSetting, gates } from './gates.ts';
export { type Contrary, contraryPh, governingPh, PH_SAMPLE, readPh } from './governingPh.ts';
export type { Happening } from './happening.ts';
export { type Heating, heatingsOf } from './heating.ts';
export { historyOf } from './history.ts';
export { holdingOf, isSpoilage } from './holds.ts';
export { gramsInJar, gramsTicked } from './jarByJar.ts';
export { type JudgedReading, judgeReading, type ReadingContext } from './judge.ts';
export { judging } from './judging.ts';
export { storageNow, whyNotKept } from './keptInstead.ts';
export { keepsShort, lastDayOf, tooWarm } from './lastDay.ts';
export { type StepLeft, stepLeft } from './left.ts';
export { type BottleLife, bottleLives, WARM_HOURS } from './life.ts';
export { type LotKeeping, lotKeeping } from './lotKeeping.ts';
export { isOnHand, type LotStanding, lotStanding } from './lotStanding.ts';
export { lotWords, wordsOf } from './lotWords.ts';
export { asMade, makeupAsMade } from './made.ts';
export { lotMeasured, measuredLot } from './measuredLot.ts';
export { type KeptCalibration, type MeterStanding, meterStanding } from './meter.ts';
export { freeNumbers, linesByJar, numberedBottles } from './numbered.ts';
export { openedInCount } from './opened.ts';
export { type OutOfLimits, outOfLimits } from './outOfLimits.ts';
export { LotPairs, lotPairs, PAIRED, Paired } from './pairs.ts';
export { type PanNow, panInHand, panNow } from './panNow.ts';
export type { PanVessel } from './panRate.ts';
export { matchLot } from './processed.ts';
export { type Product, productAt, productOf } from './product.ts';
export { readingDoubt } from './readingDoubt.ts';
export { howTaken, readingNames, readingSaid } from './readingSaid.ts';
export {
  type Addition,
  type BottleTick,
  type BottlingEntry,
  type CoolingEntry,
  type Curve,
  type Decision,
  type Deviation,
  type Fate,
  type GlassFaultEntry,
  type HeatProcessEntry,
  type LabelPrint,
  type LoadEntry,
  type Look,
  LotRecord,
  LotStep,
  type MarkKind,
  type Movement,
  movesOf,
  type Photograph,
  type Placing,
  printsOf,
  type Reading,
  type ReadingKind,
  RulePackId,
  type Sample,
  type SealCheckEntry,
  type SealFate,
  type StockWithdrawal,
  standing,
  type Taken,
  type TallyEntry,
  type Weighing,
} from './record.ts';
export { type NextLook, nextLooks, retainedGroups, stillAsked } from './retained.ts';
export { RULE_SET } from './ruleSet.ts';
export { RESTED_ON, recordAsOf } from './signedRecord.ts';
export { ENDED, type LotEvent, LotState, TransitionError, transition } from './state.ts';
export { type Thawed, thawedGroups } from './thawed.ts';
export { isWaiting, type StepPrompt, type StepTiming, stepPrompt, stepTiming } from './timing.ts';
export { amountDoubt, type WeighedIn, weighedIn } from './weighedIn.ts';
export { type StoodIn, WhyPart, whyThisDate } from './whyThisDate.ts';

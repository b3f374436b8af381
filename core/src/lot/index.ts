export { catalogueOf, weighingOf } from './catalogue.ts';
export { lotCode, readLotCode } from './code.ts';
export { type DatedBack, datedBack, undoable } from './datedBack.ts';
export { cooledIn } from './gate/cooled.ts';
export { fillDoubt } from './gate/fillDoubt.ts';
export { type Evidence, EvidenceOf, Gate, type GateId } from './gate/gate.ts';
export { bottlesNotTicked, gapSaid } from './gate/gateCount.ts';
export { bottlesProcessed, minutesAskedOf, whyNotCounted } from './gate/gateHeat.ts';
export { failuresOpen, sealsFrom } from './gate/gateSeal.ts';
export { allOpen, type GateSetting, gates } from './gate/gates.ts';
export { type Contrary, contraryPh, governingPh, PH_SAMPLE, readPh } from './gate/governingPh.ts';
export { type Heating, heatingsOf } from './gate/heating.ts';
export { holdingOf, isSpoilage } from './gate/holds.ts';
export { type KeptCalibration, type MeterStanding, meterStanding } from './gate/meter.ts';
export { matchLot } from './gate/processed.ts';
export { readingDoubt } from './gate/readingDoubt.ts';
export { howTaken, readingNames, readingSaid } from './gate/readingSaid.ts';
export { amountDoubt, type WeighedIn, weighedIn } from './gate/weighedIn.ts';
export type { Happening } from './happening.ts';
export { historyOf } from './history.ts';
export { type JudgedReading, judgeReading, type ReadingContext } from './judge.ts';
export { judging } from './judging.ts';
export { awayOf, type BottleGroup, type LotBottles, lotBottles, timesIn } from './keeping/bottles.ts';
export { gramsInJar, gramsTicked } from './keeping/jarByJar.ts';
export { storageNow, whyNotKept } from './keeping/keptInstead.ts';
export { keepsShort, lastDayOf, tooWarm } from './keeping/lastDay.ts';
export { type BottleLife, bottleLives, WARM_HOURS } from './keeping/life.ts';
export { type LotKeeping, lotKeeping } from './keeping/lotKeeping.ts';
export { freeNumbers, linesByJar, numberedBottles } from './keeping/numbered.ts';
export { openedInCount } from './keeping/opened.ts';
export { type NextLook, nextLooks, retainedGroups, stillAsked } from './keeping/retained.ts';
export { type Thawed, thawedGroups } from './keeping/thawed.ts';
export { type StoodIn, WhyPart, whyThisDate } from './keeping/whyThisDate.ts';
export { isOnHand, type LotStanding, lotStanding } from './lotStanding.ts';
export { lotWords, wordsOf } from './lotWords.ts';
export { type OutOfLimits, outOfLimits } from './outOfLimits.ts';
export { LotPairs, lotPairs, PAIRED, Paired } from './pairs.ts';
export {
  type BrixKnown,
  brixKnown,
  coldestFill,
  finishedBrix,
  ingredientsAsMade,
  linesNotRecorded,
  samplesAsked,
} from './pan/asMade.ts';
export { amountsPlanned, contentAsWeighed, type LotLine, lotLines, strainedGrams } from './pan/asWeighed.ts';
export { boilRateOf, learnedRate } from './pan/boilRate.ts';
export { asLeft, leftFrom } from './pan/byProduct.ts';
export { presentStep, type StepClock, stepClock } from './pan/clock.ts';
export { type ClothKept, clothKept } from './pan/clothKept.ts';
export { type StepLeft, stepLeft } from './pan/left.ts';
export { asMade, makeupAsMade } from './pan/made.ts';
export { lotMeasured, measuredLot } from './pan/measuredLot.ts';
export { type PanNow, panInHand, panNow } from './pan/panNow.ts';
export type { PanVessel } from './pan/panRate.ts';
export { type Product, productAt, productOf } from './pan/product.ts';
export { isWaiting, type StepPrompt, type StepTiming, stepPrompt, stepTiming } from './pan/timing.ts';
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
export { RULE_SET } from './ruleSet.ts';
export { RESTED_ON, recordAsOf } from './signedRecord.ts';
export { ENDED, type LotEvent, LotState, TransitionError, transition } from './state.ts';

export {
  CHECKS,
  type CheckedKind,
  type CheckKind,
  checkDue,
  checkStanding,
  type JudgedCheck,
  judgeCheck,
  type KeptCheck,
} from './checks.ts';
export {
  type LoggedSample,
  type LoggerAnswers,
  type LoggerAsks,
  type LoggerFile,
  type LoggerReading,
  type LoggerUnit,
  readLogger,
  thinned,
  thinnedTo,
} from './logger.ts';
export { delimiterOf } from './loggerColumns.ts';
export {
  type InstrumentLine,
  type InstrumentOrder,
  instrumentLine,
  orderLine,
  readInstrumentLine,
  readOrder,
  SPOKEN_UNITS,
  type SpeakingKind,
} from './protocol.ts';
export { lastBefore, type RecordedCheck, voidedBy } from './voided.ts';

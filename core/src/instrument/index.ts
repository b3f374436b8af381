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
export { type LoggedSample, type LoggerFile, readLogger, thinned } from './logger.ts';
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

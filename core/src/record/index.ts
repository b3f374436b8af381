export { LOOK_FINDINGS } from './ageing.ts';
export { CLOSINGS, GLASS_FAULTS, TALLY_PARTS } from './bottling.ts';
export { SEAL_FATES } from './checking.ts';
export {
  type Entries,
  entries,
  type Noun,
  type PostedNoun,
  type StrikeableNoun,
  strikeable,
} from './entries.ts';
export { type Fields, kindOfField, mayBeNull, referenceOf, said, type Values } from './field.ts';
export { LOAD_MARKS } from './heat.ts';
export { CHECK_KINDS } from './instrument.ts';
export {
  columnOf,
  columnsOf,
  type Entry,
  type EntryKind,
  type Kept,
  type Recorded,
  type Said,
  shownOf,
} from './kind.ts';
export { lateBy, lateSaid } from './late.ts';
export {
  DECISIONS,
  KEPT_INSTEAD,
  LOT_EVENTS,
  LOT_STATES,
  MOVED_BY_HAND,
  MOVEMENTS,
  RULINGS,
} from './leaving.ts';
export { MARKS, READING_KINDS, SAMPLES, TAKEN } from './making.ts';
export { creditedAt, follows, lastOf, type Written, writtenOnDevice } from './order.ts';
export { recordedOf } from './recorded.ts';

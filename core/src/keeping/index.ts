// It is a property of a sugar solution, and asked for as a hurdle: known by this name here too.
export { waterActivity } from '../sugar/index.ts';
export { alcoholByVolume, alcoholLeft } from './alcohol.ts';
export { bestBy, dateWord } from './bestBy.ts';
export { carriedBy, Hurdle, type HurdleFacts, hurdles } from './hurdles.ts';
export {
  HIGHEST_PH,
  type KeepingProduct,
  type KeepingRow,
  type KeepingTime,
  keepingLimit,
  limitOf,
  Storage,
  USUAL_CRITICAL_PH,
} from './limit.ts';
export { lookDays, openedLookDays } from './lookDays.ts';
export { acidInSalt, undissociated } from './preservative.ts';
export { contraction, ETHANOL_DENSITY } from './spirit.ts';
